// @vitest-environment happy-dom
import { screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Model } from '../../model/api';
import { model, space } from '../../model/testModel';
import type { Choices, Variant, VariantRun, Variants } from '../../model/variantCalls';
import { answers, eachAnew, show } from '../../shared/testPage';
import { BesideTab } from './BesideTab';
import { VariantsTab } from './VariantsTab';

eachAnew();

const METRICS = [
  { metric: 'HEATING', label: 'Heating demand', quantity: 'HEAT_BY_AREA', unit: 'kWh/m²' },
  { metric: 'WARM_HOURS', label: 'Hours above 26 °C', quantity: '', unit: 'h' },
] as Variants['metrics'];

const CHOICES: Choices = {
  sides: [{ facing: 'SOUTH', label: 'south', gross: 40, share: 0.2 }],
  constructions: [
    { name: 'Wall', uValue: 0.3, materials: [{ name: 'Mineral wool', thickness: 0.16 }] },
  ],
  types: [],
  storeys: [],
  weather: [{ id: 'w', label: 'Sandling' }],
  carriers: [{ carrier: 'GAS', label: 'gas' }],
  numbers: [],
  lighting: null,
  equipment: null,
};

/** A run with its heating demand beside a baseline of 50 kWh/m². */
const run = (state: string, heating?: number, met?: boolean) =>
  ({
    ask: state,
    state,
    message: state,
    missing: [],
    figures:
      heating === undefined
        ? null
        : {
            floorArea: 100,
            metrics: [
              {
                metric: 'HEATING',
                value: heating,
                difference: heating - 50,
                share: heating / 50 - 1,
              },
              { metric: 'WARM_HOURS', value: 0, difference: 0, share: null },
            ],
            targets: [{ target: 0, limit: 40, met: met ?? false, by: 40 - heating }],
            parts: [],
            flows: [
              { flow: 'HEATING', label: 'heating', months: Array<number>(12).fill(100) },
              { flow: 'COOLING', label: 'cooling', months: Array<number>(12).fill(0) },
            ],
            sides: [{ facing: 'south', gross: 40, glazed: 8 }],
            bought: [],
            warmest: '',
            assumptions: [],
          },
  }) as VariantRun;

const variant = (name: string, of: Partial<Variant> = {}): Variant => ({
  id: name,
  name,
  group: '',
  parts: [],
  changes: [],
  applies: true,
  effort: null,
  run: run('none'),
  ...of,
});

const variants = (list: Variant[], more: Partial<Variants> = {}): Variants => ({
  version: 1,
  weather: 'Sandling',
  drawn: false,
  baseline: run('done', 50),
  variants: list,
  targets: [{ metric: 'HEATING', most: null, below: 0.2 }],
  metrics: METRICS,
  judgedBy: 'HEATING',
  gains: [],
  sweeps: [],
  ...more,
});

const rooms = () => model({ spaces: [space('a')] }) as Model;

beforeEach(() => {
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe() {}
      disconnect() {}
    },
  );
});

function tab(v: Variants, table: Record<string, unknown> = {}) {
  const asked = answers({
    'GET /api/deliveries/d/change-choices': CHOICES,
    'GET /api/projects/p/library': { library: { constructions: [], glazings: [], materials: [] } },
    ...table,
  });
  return {
    asked,
    ...show(<VariantsTab model={rooms()} variants={v} assume={false} onAssume={() => {}} />),
  };
}

describe('variants', () => {
  it('stand beside the baseline, with what meets the target', async () => {
    tab(
      variants([
        variant('Thick', { run: run('done', 38, true) }),
        variant('Glass', { run: run('done', 55) }),
      ]),
    );
    const rows = await screen.findAllByTestId('variant-row');
    expect(rows.map((r) => r.dataset.state)).toEqual(['done', 'done', 'done']);
    expect(within(rows[1]).getByText('38')).toBeTruthy();
    expect(within(rows[1]).getByText('−24 %')).toBeTruthy();
    expect(within(rows[1]).getByLabelText('meets the target')).toBeTruthy();
    expect(within(rows[2]).getByText('+10 %')).toBeTruthy();
    expect(within(rows[2]).getByLabelText('misses the target')).toBeTruthy();
  });

  it('show no figure and no tick where there is none', async () => {
    tab(variants([variant('New'), variant('Odd', { applies: false, run: run('refused') })]));
    const rows = await screen.findAllByTestId('variant-row');
    expect(within(rows[1]).getByText('not run')).toBeTruthy();
    expect(within(rows[2]).getByText('does not apply')).toBeTruthy();
    expect(within(rows[1]).queryByLabelText(/target/)).toBeNull();
    expect(screen.getByTestId('run-variants').textContent).toContain('Run 1 state');
  });

  it('say why a change does not apply, and cannot be made the baseline then', async () => {
    const change = {
      change: { kind: 'StatedUValue', construction: 'Gone', uValue: 0.2 },
      effort: null,
      label: 'U-value of Gone 0.2 W/m²K',
      from: null,
      said: [],
      refused: 'There is no construction called Gone.',
      repairs: 0,
    } as Variant['changes'][number];
    tab(variants([variant('Odd', { applies: false, changes: [change] })]));
    expect((await screen.findByTestId('change')).textContent).toContain(
      'no construction called Gone',
    );
    expect((screen.getByTestId('adopt') as HTMLButtonElement).disabled).toBe(true);
    expect((screen.getByTestId('look') as HTMLButtonElement).disabled).toBe(true);
  });

  it('take a change that begins with what is there now', async () => {
    const { user, asked } = tab(variants([variant('Thick')]), { 'PUT /api/variants/Thick': null });
    await user.selectOptions(await screen.findByTestId('add-change'), 'Thickness of a layer');
    await waitFor(() => expect(asked.some((a) => a.method === 'PUT')).toBe(true));
    expect(asked.find((a) => a.method === 'PUT')!.body).toMatchObject({
      changes: [{ change: { construction: 'Wall', material: 'Mineral wool', thickness: 0.16 } }],
    });
  });

  it('refuse a change that this building cannot have, in words', async () => {
    const { user } = tab(variants([variant('High')]));
    await user.selectOptions(await screen.findByTestId('add-change'), 'Storey height');
    expect(await screen.findByText(/building that was drawn/)).toBeTruthy();
  });
});

describe('side by side', () => {
  it('ranks by a figure, the baseline first', async () => {
    const v = variants([
      variant('Glass', { run: run('done', 55) }),
      variant('Thick', { run: run('done', 38, true) }),
      variant('Later'),
    ]);
    const { user } = show(<BesideTab model={rooms()} variants={v} />);
    const names = () =>
      [...screen.getByTestId('beside-table').querySelectorAll('thead th')]
        .map((h) => h.textContent)
        .slice(1);
    expect(names()).toEqual(['Baseline', 'Glass', 'Thick']);
    await user.click(screen.getByRole('button', { name: /Heating demand/ }));
    expect(names()).toEqual(['Baseline', 'Thick', 'Glass']);
    await user.click(screen.getByRole('button', { name: /Heating demand/ }));
    expect(names()).toEqual(['Baseline', 'Glass', 'Thick']);
    await user.click(screen.getByLabelText('Glass'));
    expect(names()).toEqual(['Baseline', 'Thick']);
  });

  it('says what to do while there is nothing to compare', () => {
    show(<BesideTab model={rooms()} variants={variants([])} />);
    expect(screen.getByText(/run them under Variants/)).toBeTruthy();
  });
});
