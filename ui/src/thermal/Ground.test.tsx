// @vitest-environment happy-dom
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Thermal } from '../model/api';
import { useView } from '../model/state';
import { answers, eachAnew, rooms, show } from '../shared/testPage';
import { GroundSettings } from './GroundSettings';
import { Losses } from './Losses';

eachAnew();

const project = (heatLoss?: unknown) => ({
  id: 'p',
  name: 'P',
  version: 4,
  settings: { units: 'SI', heatLoss },
});

/** Answers as the server does: what is put is what is. */
function server(heatLoss?: unknown) {
  return answers({
    'GET /api/projects/p': project(heatLoss),
    'PUT /api/projects/p/settings': project(heatLoss),
    'POST /api/deliveries/d/thermal/ground': {
      months: [500, 550, 560, 520, 440, 350, 270, 220, 215, 260, 340, 430],
      area: 40,
      leftOut: 2,
    },
  });
}

const lastPut = (asked: ReturnType<typeof answers>) =>
  (asked.filter((a) => a.method === 'PUT').at(-1)?.body as { settings: { heatLoss: unknown } })
    .settings.heatLoss;

describe('the ground', () => {
  it('is sand unless said, and is kept for the project', async () => {
    const asked = server();
    const { user } = show(<GroundSettings model={rooms().model} />);
    const ground = await screen.findByLabelText<HTMLSelectElement>('The ground is');
    expect(ground.value).toBe('SAND');
    await user.selectOptions(ground, 'clay or silt');
    await waitFor(() => expect(lastPut(asked)).toEqual({ ground: 'CLAY' }));
    await waitFor(() =>
      expect(useView.getState().message?.text).toBe('Kept for the whole project.'),
    );
  });

  it('keeps a number when its field is left, and not one that is none', async () => {
    const asked = server({ airChanges: 0.5 });
    const { user } = show(<GroundSettings model={rooms().model} />);
    const field = await screen.findByLabelText<HTMLInputElement>(/Air changes/);
    await user.clear(field);
    await user.type(field, 'some{Enter}');
    expect(asked.filter((a) => a.method === 'PUT')).toHaveLength(0);
    expect(field.value).toBe('0.5');
    await user.clear(field);
    await user.type(field, '3{Escape}');
    expect(field.value).toBe('0.5');
    await user.clear(field);
    await user.type(field, '1,5');
    fireEvent.blur(field);
    await waitFor(() => expect(lastPut(asked)).toEqual({ airChanges: 1.5 }));
  });

  it('asks how the edge is insulated, in the units of the project', async () => {
    const edge = { vertical: true, depth: 1, thickness: 0.06, conductivity: 0.035 };
    const asked = server({ edge });
    const { user } = show(<GroundSettings model={rooms().model} />, { units: 'IP' });
    expect((await screen.findByLabelText<HTMLInputElement>('Depth, ft')).value).toBe('3.28');
    const thick = screen.getByLabelText<HTMLInputElement>('Thickness, in');
    await user.clear(thick);
    await user.type(thick, '4{Enter}');
    await waitFor(() =>
      expect(lastPut(asked)).toEqual({
        edge: { ...edge, thickness: expect.closeTo(0.1016, 9) as number },
      }),
    );
    await user.selectOptions(screen.getByLabelText('Edge of slabs'), 'not insulated');
    await waitFor(() => expect(lastPut(asked)).toEqual({}));
    await user.selectOptions(screen.getByLabelText('Edge of slabs'), 'insulated inwards');
    await waitFor(() => expect(lastPut(asked)).toEqual({ edge: { ...edge, vertical: false } }));
  });

  it('asks of the space under raised floors once there is one', async () => {
    const suspended = {
      height: 0.5,
      wallUValue: 1.7,
      vents: 0.002,
      wind: 4,
      shelter: 0.05,
      cover: 0,
    };
    const asked = server({ suspended });
    const { user } = show(<GroundSettings model={rooms().model} />);
    await user.selectOptions(await screen.findByLabelText('Shelter'), 'exposed');
    await waitFor(() =>
      expect(lastPut(asked)).toEqual({ suspended: { ...suspended, shelter: 0.1 } }),
    );
    const wind = screen.getByLabelText('Wind, m/s');
    await user.clear(wind);
    await user.type(wind, '6{Enter}');
    await waitFor(() => expect(lastPut(asked)).toEqual({ suspended: { ...suspended, wind: 6 } }));
    await user.selectOptions(screen.getByLabelText('Raised floors'), 'over outdoor air');
    await waitFor(() => expect(lastPut(asked)).toEqual({}));
  });

  it('tells the months of slabs, and what it leaves out', async () => {
    const asked = server();
    const { user } = show(<GroundSettings model={rooms().model} />);
    await user.click(await screen.findByRole('button', { name: /Slabs through the year/ }));
    const outdoors = screen.getByLabelText('Mean outdoors');
    await user.clear(outdoors);
    expect(
      screen.getByRole<HTMLButtonElement>('button', { name: 'Reckon the months' }).disabled,
    ).toBe(true);
    await user.type(outdoors, '9');
    await user.click(screen.getByRole('button', { name: 'Reckon the months' }));
    expect(await screen.findByText('560 W')).toBeTruthy();
    expect(screen.getByText(/2 floors are left out/)).toBeTruthy();
    expect(asked.at(-1)!.body).toEqual({
      indoors: 20,
      swingIndoors: 0,
      outdoors: 9,
      swingOutdoors: 8,
      coldest: 1,
    });
  });
});

const row = (key: string, name: string, loss: number) => ({
  key,
  name,
  loss,
  outdoorLoss: loss - 2,
  groundLoss: 1,
  unconditionedLoss: 1,
  outdoorArea: 30,
  meanUValue: 0.4,
  glazingRatio: 0.25,
  unknownArea: 0,
});

const THERMAL = {
  losses: {
    building: { ...row('', '', 30), unknownArea: 12 },
    spaces: [row('a', 'Room a', 12), { ...row('b', 'Room b', 18), meanUValue: null }],
    zones: [row('z', 'House', 30)],
    storeys: [row('st', 'Deck', 30)],
    orientations: [row('4', 'South', 9)],
    assumptions: ['The ground is sand: 2.0 W/mK (ISO 13370).'],
  },
} as unknown as Thermal;

describe('heat losses', () => {
  it('are told of the building, with what is not counted', () => {
    server();
    show(<Losses index={rooms()} thermal={THERMAL} />);
    const building = screen.getByTestId('building-loss').textContent;
    expect(building).toContain('30.0 W/K');
    expect(building).toContain('To outdoor air28.0 W/K');
    expect(building).toContain('12.00 m² have no U-value and are not counted.');
    expect(building).toContain('25.0 %');
    expect(building).toContain('The ground is sand: 2.0 W/mK');
  });

  it('are those of spaces, zones, storeys or orientations, and select what they are of', async () => {
    server();
    const { user } = show(<Losses index={rooms()} thermal={THERMAL} />);
    await user.click(screen.getByText('Room b'));
    expect(useView.getState().selection).toEqual(['b']);
    await user.selectOptions(screen.getByTestId('loss-by'), 'orientation');
    await user.click(screen.getByText('South'));
    expect(useView.getState().selection).toEqual(['s1', 's2', 's3']);
    await user.selectOptions(screen.getByTestId('loss-by'), 'storey');
    expect(screen.getByText('Deck')).toBeTruthy();
  });

  it('follow the units, their sentences too', () => {
    server();
    show(<Losses index={rooms()} thermal={THERMAL} />, { units: 'IP' });
    const building = screen.getByTestId('building-loss').textContent;
    expect(building).toContain('56.9 Btu/(h F)');
    expect(building).toContain('129.2 ft² have no U-value');
    expect(building).toContain('13.9 Btu in/(h ft² F) (ISO 13370)');
  });
});
