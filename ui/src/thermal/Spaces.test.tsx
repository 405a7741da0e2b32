// @vitest-environment happy-dom
import { screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Conditions, ZoneRow } from '../model/api';
import { useView } from '../model/state';
import { space } from '../model/testModel';
import { answers, eachAnew, fakeEdits, show } from '../shared/testPage';
import { ChosenSpaces } from './ChosenSpaces';
import { Zone } from './Zone';

eachAnew();

const ZONE = {
  key: 'z1',
  name: 'Boat hall',
  spaces: ['a', 'b'],
  heating: 20,
  cooling: null,
  air: { perPerson: 7, perArea: null, total: null, leastHumidity: 30, mostHumidity: null },
  airFlow: 35,
  schedules: { heating: 'sch-1', cooling: null, air: null },
} as unknown as ZoneRow;

const CONDITIONS = {
  zones: [ZONE],
  gains: { a: { areaPerPerson: 10, lighting: 8 } },
  schedules: [
    { key: 'sch-1', profile: { name: 'Office hours', type: 'Temp' }, users: { HEATING: ['z1'] } },
  ],
  uses: [
    {
      name: 'OfficeEnclosed',
      lighting: 8,
      equipment: 12,
      areaPerPerson: 10,
      source: 'common practice',
    },
  ],
  typical: {
    OfficeEnclosed: { air: { perPerson: 7 }, gains: { lighting: 8 }, times: { people: 'p' } },
  },
} as unknown as Conditions;

function zone(units: 'SI' | 'IP' = 'SI', z = ZONE) {
  answers({});
  const edits = fakeEdits();
  return {
    edits,
    ...show(<Zone zone={z} conditions={CONDITIONS} library={undefined} edits={edits} />, { units }),
  };
}

function chosen(keys: string[], units: 'SI' | 'IP' = 'SI') {
  answers({});
  const edits = fakeEdits();
  return {
    edits,
    ...show(
      <ChosenSpaces
        spaces={keys.map(space)}
        conditions={CONDITIONS}
        library={undefined}
        edits={edits}
      />,
      { units },
    ),
  };
}

const entered = (label: RegExp) => screen.getByLabelText<HTMLInputElement>(label);

describe('a zone', () => {
  it('says what it is kept at, what air it gets, and when', async () => {
    const { user } = zone();
    const text = screen.getByTestId('zone').textContent;
    expect(text).toContain('2 spaces, heated to 20 °C');
    expect(text).toContain('outdoor air 7 l/s a person: 35 l/s in all');
    expect(text).toContain('humidity not below 30 %');
    expect(text).toContain('heated: Office hours');
    await user.click(screen.getByRole('button', { name: 'Boat hall' }));
    expect(useView.getState().selection).toEqual(['a', 'b']);
  });

  it('takes values; what is left empty stays', async () => {
    const { user, edits } = zone();
    await user.click(screen.getByRole('button', { name: 'Values …' }));
    expect(entered(/Heated to, °C/).value).toBe('20');
    await user.clear(entered(/Heated to/));
    await user.type(entered(/Cooled to/), '26,5');
    await user.click(screen.getByTestId('show-repair'));
    expect(edits.consider).toHaveBeenCalledWith(
      expect.objectContaining({
        kind: 'AmendZone',
        zone: 'z1',
        name: 'Boat hall',
        heating: null,
        cooling: 26.5,
      }),
      'Values',
    );
  });

  it('refuses what is no number', async () => {
    const { user, edits } = zone();
    await user.click(screen.getByRole('button', { name: 'Values …' }));
    await user.type(entered(/Humidity not above/), 'dry');
    await user.click(screen.getByTestId('show-repair'));
    expect(screen.getByText('Set-points, air and humidity must be numbers.')).toBeTruthy();
    expect(edits.consider).not.toHaveBeenCalled();
  });

  it('is in °F and cfm where the project is', async () => {
    const { user } = zone('IP');
    expect(screen.getByTestId('zone').textContent).toContain('heated to 68 °F');
    expect(screen.getByTestId('zone').textContent).toContain('74.2 cfm in all');
    await user.click(screen.getByRole('button', { name: 'Values …' }));
    expect(entered(/Heated to, °F/).value).toBe('68');
  });

  it('of one space is not merged', () => {
    zone('SI', { ...ZONE, spaces: ['a'] });
    expect(screen.queryByRole('button', { name: /Merge its spaces/ })).toBeNull();
  });
});

describe('spaces that are chosen', () => {
  it('get a use with what is typical of it', async () => {
    const { user, edits } = chosen(['a', 'b']);
    expect(screen.getByText('2 spaces')).toBeTruthy();
    await user.click(screen.getByTestId('give-use'));
    await user.click(await screen.findByRole('option', { name: /Office enclosed/ }));
    expect(edits.consider).toHaveBeenCalledWith(
      {
        kind: 'GiveUse',
        spaces: ['a', 'b'],
        use: 'OfficeEnclosed',
        gains: { lighting: 8 },
        times: { people: 'p' },
      },
      'Give the use OfficeEnclosed',
    );
  });

  it('go into a zone, or into a new one', async () => {
    const { user, edits } = chosen(['a']);
    await user.click(screen.getByTestId('give-zone'));
    await user.click(await screen.findByRole('option', { name: /Boat hall/ }));
    expect(edits.consider).toHaveBeenCalledWith(
      { kind: 'GiveZone', spaces: ['a'], zone: 'z1' },
      'Put into the zone',
    );
    await user.click(screen.getByRole('button', { name: 'A new zone for them …' }));
    expect(entered(/^Name/).value).toBe('Room a');
    await user.click(screen.getByTestId('show-repair'));
    expect(edits.consider).toHaveBeenLastCalledWith(
      { kind: 'GiveZone', spaces: ['a'], name: 'Room a', heating: 20, cooling: 26 },
      'A new zone for them',
    );
  });

  it('are conditioned or not', async () => {
    const { user, edits } = chosen(['a']);
    await user.click(screen.getByTestId('give-condition'));
    await user.click(await screen.findByRole('menuitem', { name: /plenum/ }));
    expect(edits.consider).toHaveBeenCalledWith(
      { kind: 'GiveUse', spaces: ['a'], use: 'Plenum', condition: 'Unconditioned' },
      'Take as a ceiling void or shaft',
    );
  });

  it('take people or the area for each, not both', async () => {
    const { user, edits } = chosen(['a']);
    await user.click(screen.getByRole('button', { name: 'People, light, equipment …' }));
    expect(entered(/Floor for each person, m²/).value).toBe('10');
    expect(entered(/Light, W\/m²/).value).toBe('8');
    await user.type(entered(/People in each space/), '4');
    await user.click(screen.getByTestId('show-repair'));
    expect(screen.getByText('State people or the area for each, not both.')).toBeTruthy();
    await user.clear(entered(/Floor for each person/));
    await user.type(entered(/Equipment/), 'x');
    await user.click(screen.getByTestId('show-repair'));
    expect(screen.getByText('Values must be numbers.')).toBeTruthy();
    await user.clear(entered(/Equipment/));
    await user.click(screen.getByTestId('show-repair'));
    expect(edits.consider).toHaveBeenCalledWith(
      {
        kind: 'GiveUse',
        spaces: ['a'],
        gains: expect.objectContaining({ people: 4, areaPerPerson: null, lighting: 8 }) as object,
      },
      'People, light, equipment',
    );
  });

  it('of several have no values of their own in the form', async () => {
    const { user } = chosen(['a', 'b'], 'IP');
    await user.click(screen.getByRole('button', { name: 'People, light, equipment …' }));
    expect(entered(/Floor for each person, ft²/).value).toBe('');
    expect(entered(/Light, W\/ft²/).value).toBe('');
  });
});
