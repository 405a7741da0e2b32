// @vitest-environment happy-dom
import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { LibraryAnswer } from '../model/api';
import { answers, eachAnew, show } from '../shared/testPage';
import { DefineConstruction } from './DefineConstruction';
import { DefineFrame } from './DefineFrame';
import { DefineMaterial } from './DefineMaterial';
import { DefineWindow } from './DefineWindow';
import { NOTHING } from './entries';

eachAnew();

const LIBRARY = {
  library: {
    ...NOTHING,
    materials: [
      { name: 'Brick', category: 'Masonry', conductivity: 0.77, source: 'by hand' },
      { name: 'Wool', category: 'Insulation', conductivity: 0.035, source: 'by hand' },
      { name: 'Membrane', category: '', resistance: 0.1, source: 'by hand' },
    ],
    frames: [{ name: 'Timber', uValue: 1.8, psiClear: 0.06, psiCoated: 0.08, source: 'by hand' }],
  },
  uValues: {},
  ownEntries: [],
} as unknown as LibraryAnswer;

const keepButton = () => screen.getByTestId<HTMLButtonElement>('keep-entry');
const entered = (label: string | RegExp) => screen.getByLabelText<HTMLInputElement>(label);

describe('a material of one’s own', () => {
  it('says what it lacks until it can be kept', async () => {
    const keep = vi.fn();
    const { user } = show(<DefineMaterial keep={keep} leave={vi.fn()} />);
    expect(screen.getByText('It needs a name.')).toBeTruthy();
    expect(keepButton().disabled).toBe(true);
    await user.type(screen.getByTestId('entry-name'), ' Hemp lime ');
    expect(screen.getByText(/needs a conductivity, or a resistance/)).toBeTruthy();
    await user.type(entered('Density'), '-5');
    expect(screen.getByText('Values are numbers above 0.')).toBeTruthy();
    await user.clear(entered('Density'));
    await user.type(entered('Conductivity'), '0,07');
    expect(keepButton().disabled).toBe(false);
    await user.type(entered('Density'), 'light');
    expect(entered('Density').getAttribute('aria-invalid')).toBe('true');
    expect(keepButton().disabled).toBe(true);
    await user.clear(entered('Density'));
    await user.type(entered('Group'), 'Bio');
    await user.click(keepButton());
    expect(keep).toHaveBeenCalledWith(
      {
        ...NOTHING,
        materials: [
          {
            name: 'Hemp lime',
            category: 'Bio',
            conductivity: 0.07,
            density: null,
            specificHeat: null,
            resistance: null,
            source: 'by hand',
          },
        ],
      },
      ['material:hemp lime'],
      false,
    );
  });

  it('keeps SI of what is typed in feet and pounds, for all projects if wanted', async () => {
    const keep = vi.fn();
    const { user } = show(<DefineMaterial keep={keep} leave={vi.fn()} />, { units: 'IP' });
    await user.type(screen.getByTestId('entry-name'), 'Board');
    await user.type(entered('Resistance, without conductivity'), '1');
    await user.click(screen.getByLabelText('for all projects'));
    await user.click(keepButton());
    const [entries, taken, shared] = keep.mock.calls[0] as [
      { materials: { resistance: number }[] },
      string[],
      boolean,
    ];
    expect(entries.materials[0].resistance).toBeCloseTo(0.176110183682306, 12);
    expect(taken).toEqual(['material:board']);
    expect(shared).toBe(true);
  });

  it('takes the conductivity of conditions of use, and says how in its source', async () => {
    const asked = answers({ 'POST /api/materials/conductivity': { conductivity: 0.0362 } });
    const keep = vi.fn();
    const { user } = show(<DefineMaterial keep={keep} leave={vi.fn()} />);
    await user.type(screen.getByTestId('entry-name'), 'Wool');
    await user.type(entered('Conductivity'), '0.035');
    await user.click(screen.getByRole('button', { name: /Convert to conditions of use/ }));
    await user.clear(entered('Warmer by'));
    const take = screen.getByRole<HTMLButtonElement>('button', {
      name: 'Take the converted conductivity',
    });
    expect(take.disabled).toBe(true);
    await user.type(entered('Warmer by'), '10');
    await user.click(take);
    await waitFor(() => expect(entered('Conductivity').value).toBe('0.0362'));
    expect(asked[0].body).toEqual({
      conductivity: 0.035,
      kelvin: 10,
      perKelvin: 0.0035,
      moisture: 0,
      perMoisture: 4,
    });
    expect(entered('Source of its values').value).toBe(
      'converted by ISO 10456: 10 K warmer, 0 moister',
    );
  });

  it('says why a conversion is refused', async () => {
    answers({ 'POST /api/materials/conductivity': new Error('That is too warm.') });
    const { user } = show(<DefineMaterial keep={vi.fn()} leave={vi.fn()} />);
    await user.type(entered('Conductivity'), '0.035');
    await user.click(screen.getByRole('button', { name: /Convert/ }));
    await user.click(screen.getByRole('button', { name: 'Take the converted conductivity' }));
    expect(await screen.findByText('That is too warm.')).toBeTruthy();
    expect(entered('Conductivity').value).toBe('0.035');
  });

  it('can be left', async () => {
    const leave = vi.fn();
    const { user } = show(<DefineMaterial keep={vi.fn()} leave={leave} />);
    await user.click(screen.getByRole('button', { name: 'Leave it' }));
    expect(leave).toHaveBeenCalledOnce();
  });
});

describe('a frame of one’s own', () => {
  it('needs a U-value; its edge may be left open', async () => {
    const keep = vi.fn();
    const { user } = show(<DefineFrame keep={keep} leave={vi.fn()} />);
    await user.type(screen.getByTestId('entry-name'), 'Ash');
    expect(screen.getByText('It needs a U-value above 0.')).toBeTruthy();
    await user.type(entered('U-value of the frame'), '1.5');
    await user.type(entered('ψ of the edge, uncoated glass'), 'x');
    expect(screen.getByText('Values must be numbers.')).toBeTruthy();
    await user.clear(entered('ψ of the edge, uncoated glass'));
    await user.type(entered('ψ of the edge, coated or gas-filled glass'), '0,08');
    await user.type(entered('Source of its values'), 'data sheet');
    await user.click(keepButton());
    expect(keep).toHaveBeenCalledWith(
      {
        ...NOTHING,
        frames: [
          { name: 'Ash', uValue: 1.5, psiClear: null, psiCoated: 0.08, source: 'data sheet' },
        ],
      },
      ['frame:ash'],
      false,
    );
  });
});

describe('a construction of one’s own', () => {
  const BREAKDOWN = {
    uValue: 0.31,
    steps: [
      { what: 'Brick', clause: '6.7.1', resistance: 0.13 },
      { what: 'Wool', clause: '6.7.1', resistance: 2.86 },
    ],
    assumptions: ['Air: taken for an air layer that is not ventilated.'],
    upper: 3.4,
    lower: 3.1,
  };

  async function withLayers(units: 'SI' | 'IP' = 'SI') {
    const asked = answers({
      'POST /api/projects/7/library/try': {
        breakdowns: { new: BREAKDOWN, 'Cavity wall': BREAKDOWN },
        problem: null,
      },
    });
    const keep = vi.fn();
    const shown = show(
      <DefineConstruction project="7" answer={LIBRARY} keep={keep} leave={vi.fn()} />,
      { units },
    );
    for (const name of ['Brick', 'Wool']) {
      await shown.user.click(screen.getByTestId('add-layer'));
      await shown.user.click(await screen.findByRole('option', { name: new RegExp(name) }));
    }
    return { asked, keep, ...shown };
  }

  it('grows layer by layer, with its U-value and what was assumed', async () => {
    const { asked, user, keep } = await withLayers();
    expect(screen.getAllByTestId('entry-layer')).toHaveLength(2);
    expect((await screen.findByTestId('entry-u')).textContent).toContain('U 0.31 W/m²K');
    expect(screen.getByText(BREAKDOWN.assumptions[0])).toBeTruthy();
    expect(screen.getByText(/upper limit 3.4, lower 3.1/)).toBeTruthy();
    expect(screen.getByText('It needs a name.')).toBeTruthy();
    await user.type(screen.getByTestId('entry-name'), 'Cavity wall');
    await user.selectOptions(screen.getByLabelText('For'), 'Roof');
    await user.click(keepButton());
    const [draft, taken] = keep.mock.calls[0] as [
      { constructions: { use: string; layers: unknown[] }[] },
      string[],
    ];
    expect(taken).toEqual(['construction:cavity wall']);
    expect(draft.constructions[0].use).toBe('Roof');
    expect(draft.constructions[0].layers).toEqual([
      { material: 'Brick', thickness: 0.1, share: null },
      { material: 'Wool', thickness: 0.1, share: null },
    ]);
    expect(asked.length).toBeGreaterThan(0);
  });

  it('orders its layers, takes them out, reads shares in percent', async () => {
    const { user, keep } = await withLayers();
    const names = () => screen.getAllByTestId('entry-layer').map((l) => l.textContent);
    await user.click(screen.getByLabelText('Layer 2 further out'));
    expect(names()[0]).toContain('Wool');
    await user.click(screen.getByLabelText('Layer 1 further in'));
    expect(names()[0]).toContain('Brick');
    expect(screen.getByLabelText<HTMLButtonElement>('Layer 1 further out').disabled).toBe(true);
    expect(screen.getByLabelText<HTMLButtonElement>('Layer 2 further in').disabled).toBe(true);
    await user.type(screen.getByLabelText(/Share of layer 2/), '85');
    const thick = screen.getByLabelText('Thickness of layer 1, mm');
    await user.clear(thick);
    await user.type(thick, 'much');
    await user.type(screen.getByTestId('entry-name'), 'Cavity wall');
    expect(screen.getByText('Thicknesses and shares are numbers.')).toBeTruthy();
    await user.clear(thick);
    await user.type(thick, '102,5');
    await user.click(keepButton());
    const [draft] = keep.mock.calls[0] as [{ constructions: { layers: unknown[] }[] }];
    expect(draft.constructions[0].layers).toEqual([
      { material: 'Brick', thickness: 0.1025, share: null },
      { material: 'Wool', thickness: 0.1, share: 0.85 },
    ]);
    await user.click(screen.getByLabelText('Take layer 1 out'));
    expect(screen.getAllByTestId('entry-layer')).toHaveLength(1);
  });

  it('is typed in inches where the project has them', async () => {
    await withLayers('IP');
    const thick = screen.getByLabelText<HTMLInputElement>('Thickness of layer 1, in');
    expect(thick.value).toBe('3.94');
    expect((await screen.findByTestId('entry-u')).textContent).toContain('Btu/(h ft² F)');
  });

  it('gives no thickness to a layer that only has a resistance', async () => {
    const { user } = await withLayers();
    await user.click(screen.getByTestId('add-layer'));
    await user.type(screen.getByLabelText('Narrow the list'), 'membr{Enter}');
    const third = screen.getAllByTestId('entry-layer')[2];
    expect(within(third).getByLabelText<HTMLInputElement>(/Thickness of layer 3/).value).toBe('');
  });

  it('says what the server refuses', async () => {
    answers({
      'POST /api/projects/7/library/try': { breakdowns: {}, problem: 'Brick is there twice.' },
    });
    const { user } = show(
      <DefineConstruction project="7" answer={LIBRARY} keep={vi.fn()} leave={vi.fn()} />,
    );
    await user.type(screen.getByTestId('entry-name'), 'Odd');
    expect(screen.getByText(/needs layers, from outside to inside/)).toBeTruthy();
    await user.click(screen.getByTestId('add-layer'));
    await user.click(await screen.findByRole('option', { name: /Brick/ }));
    expect(await screen.findByText('Brick is there twice.')).toBeTruthy();
    expect(keepButton().disabled).toBe(true);
  });
});

describe('a window type of one’s own', () => {
  const VALUES = {
    glassUValue: 1.1,
    frameShare: 0.3,
    edge: 4.2,
    uValue: 1.34,
    glassGain: 0.6,
    solarHeatGain: 0.42,
    visibleTransmittance: 0.56,
    shutteredUValue: null,
  };

  function define(units: 'SI' | 'IP' = 'SI', values: unknown = VALUES) {
    const asked = answers({ 'POST /api/windows': values });
    const keep = vi.fn();
    return {
      asked,
      keep,
      ...show(<DefineWindow answer={LIBRARY} keep={keep} leave={vi.fn()} />, { units }),
    };
  }

  it('shows its values as they are typed, and keeps them with their source', async () => {
    const { user, keep, asked } = define();
    expect((await screen.findByTestId('entry-u')).textContent).toContain(
      'U 1.34 W/m²K, solar gain 0.42 of the whole window',
    );
    expect(
      screen.getByText(/Glass U 1.1 W\/m²K; frame 30 % of the area; edge 4.200 m/),
    ).toBeTruthy();
    expect(asked[0].body).toMatchObject({ width: 1.23, height: 1.48, lights: 1, psi: 0.08 });
    await user.type(screen.getByTestId('entry-name'), 'Boat hall glazing');
    await user.click(keepButton());
    expect(keep).toHaveBeenCalledWith(
      {
        ...NOTHING,
        glazings: [
          {
            name: 'Boat hall glazing',
            category: 'Own',
            uValue: 1.34,
            solarHeatGain: 0.42,
            visibleTransmittance: 0.56,
            source: 'glass and frame, by ISO 10077-1 and EN 673',
          },
        ],
      },
      ['window type:boat hall glazing'],
      false,
    );
  });

  it('asks for what the choices need and nothing else', async () => {
    const { user } = define();
    expect(screen.queryByLabelText('Mullions between them')).toBeNull();
    await user.clear(entered('Lights side by side'));
    await user.type(entered('Lights side by side'), '3');
    expect(entered('Mullions between them')).toBeTruthy();
    await user.clear(entered('Panes, one behind the other'));
    await user.type(entered('Panes, one behind the other'), '1');
    expect(screen.queryByLabelText('Gaps')).toBeNull();
    await user.click(screen.getByLabelText('U-value known'));
    expect(entered('U-value of the glass').value).toBe('1.1');
    expect(screen.queryByLabelText('It lies')).toBeNull();
    await user.click(screen.getByLabelText('a second window behind it'));
    expect(entered('Its U-value').value).toBe('2.8');
  });

  it('takes g from what the panes do with the sun, of one or two panes', async () => {
    const { user, asked } = define();
    await user.click(screen.getByLabelText(/g from what the panes do/));
    expect(entered('Absorbed by the inner pane').value).toBe('0.05');
    await waitFor(() =>
      expect(asked.at(-1)!.body).toMatchObject({
        glass: { sun: { transmitted: 0.45, outer: 0.28, inner: 0.05 } },
      }),
    );
    await user.clear(entered('Panes, one behind the other'));
    await user.type(entered('Panes, one behind the other'), '3');
    expect(screen.queryByLabelText('Sun let through, 0 to 1')).toBeNull();
  });

  it('takes a frame of the library, its edge by the glass', async () => {
    const { user } = define();
    await user.click(screen.getByRole('button', { name: /Take one of the library/ }));
    await user.click(await screen.findByRole('option', { name: /Timber/ }));
    expect(entered('U-value of the frame').value).toBe('1.8');
    // coated glass
    expect(entered('ψ of the edge').value).toBe('0.08');
    await user.clear(entered(/Emissivity of the coated face/));
    await user.type(entered(/Emissivity of the coated face/), '0.837');
    await user.click(screen.getByRole('button', { name: /Timber/ }));
    await user.click(await screen.findByRole('option', { name: /Timber/ }));
    expect(entered('ψ of the edge').value).toBe('0.06');
  });

  it('refuses halves of panes, and says what the server refuses', async () => {
    const { user } = define('SI', new Error('The frame leaves no room for glass.'));
    await user.type(screen.getByTestId('entry-name'), 'Slit');
    expect(await screen.findByText('The frame leaves no room for glass.')).toBeTruthy();
    expect(screen.queryByTestId('entry-u')).toBeNull();
    await user.clear(entered('Panes, one behind the other'));
    await user.type(entered('Panes, one behind the other'), '2.5');
    expect(screen.getByText(/panes and lights whole ones/)).toBeTruthy();
  });

  it('speaks of inches where the project does', async () => {
    const { asked } = define('IP', { ...VALUES, shutteredUValue: 1 });
    expect(entered('Width').value).toBe('48.4');
    expect((await screen.findByTestId('entry-u')).textContent).toContain('U 0.236 Btu/(h ft² F)');
    expect(screen.getByText(/with the shutter closed U 0.176/)).toBeTruthy();
    const { width } = asked[0].body as { width: number };
    expect(width).toBeCloseTo(48.4 * 0.0254, 9);
  });
});
