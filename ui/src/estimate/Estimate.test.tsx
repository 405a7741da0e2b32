// @vitest-environment happy-dom
import { screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Model, Project } from '../model/api';
import type { EstimateRun, SpaceEstimate } from '../model/estimateCalls';
import { model, space } from '../model/testModel';
import { unitsOf } from '../model/units';
import { answers, eachAnew, show } from '../shared/testPage';
import { Chart } from './Chart';
import { dayOf, noMinus } from './charts';
import { csv } from './csv';
import { RunsTab } from './RunsTab';
import { tintOf } from './tints';

eachAnew();

const PROJECT = { id: 'p' } as Project;

const SETTINGS = {
  airChange: null,
  heating: null,
  cooling: null,
  gains: null,
  heatRecovery: 0,
  absorptance: 0.6,
  thermalBridges: true,
  heatingCarrier: 'GAS',
  heatingEfficiency: 0.9,
  coolingEfficiency: 3,
  waterCarrier: 'GAS',
  waterEfficiency: 0.85,
  fanPower: 1.5,
  carriers: [{ carrier: 'GAS', label: 'gas', cost: 0.07, carbon: 0.2 }],
};

const run = (id: string, more: Partial<EstimateRun> = {}): EstimateRun => ({
  id,
  deliveryId: 'd',
  name: `Run ${id}`,
  state: 'done',
  progress: 1,
  message: 'Done',
  lacks: [],
  stale: false,
  assumeMissing: false,
  steps: 3,
  weather: 'w',
  weatherLabel: 'Sandling',
  askedBy: 'Ada',
  askedAt: '2026-12-01T00:00:00Z',
  perArea: 45.6,
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

function runs(list: EstimateRun[], ready = true) {
  const chosen: string[] = [];
  const shown = show(
    <RunsTab
      model={rooms()}
      project={PROJECT}
      runs={list}
      chosen={null}
      onChoose={(id) => chosen.push(id)}
      ready={ready}
    />,
  );
  return { ...shown, chosen };
}

describe('runs', () => {
  it('cannot begin without weather, and say so', async () => {
    answers({ 'GET /api/projects/p/estimate-settings': SETTINGS });
    runs([], false);
    expect(screen.getByTestId<HTMLButtonElement>('run').disabled).toBe(true);
    expect(screen.getByText(/Choose a weather file first/)).toBeTruthy();
    await screen.findByTestId('run-settings');
  });

  it('name what has no U-value, lead to it, and can be run with it assumed', async () => {
    const asked = answers({
      'GET /api/projects/p/estimate-settings': SETTINGS,
      'POST /api/deliveries/d/estimates': run('2', { state: 'waiting' }),
    });
    const { user, chosen } = runs([
      run('1', {
        state: 'failed',
        message: '1 surface or opening has no U-value.',
        lacks: [{ key: 's1', label: 'north wall' }],
      }),
    ]);
    await user.click(screen.getByTestId('assume'));
    await waitFor(() => expect(chosen).toEqual(['2']));
    expect(asked.find((a) => a.method === 'POST')?.body).toEqual({
      name: '',
      assumeMissing: true,
    });
    await user.click(screen.getByTestId('lack'));
    expect(screen.getByTestId('address').textContent).toContain('/thermal');
  });

  it('of an earlier state are marked, those that go on show how far they are', () => {
    answers({ 'GET /api/projects/p/estimate-settings': SETTINGS });
    runs([
      run('1', { stale: true }),
      run('2', { state: 'running', progress: 0.4, message: '3,504 of 8,760 hours' }),
    ]);
    const [first, second] = screen.getAllByTestId('run-row');
    expect(within(first).getByTestId('stale').textContent).toContain('has changed since');
    expect(within(first).getByText('45.6 kWh/m²')).toBeTruthy();
    expect(within(second).getByText('3,504 of 8,760 hours')).toBeTruthy();
    expect(within(second).getByTitle('Cancel Run 2')).toBeTruthy();
  });

  it('take settings when a field is left, and leave what is no number', async () => {
    answers({
      'GET /api/projects/p/estimate-settings': SETTINGS,
      'PUT /api/projects/p/estimate-settings': { ...SETTINGS, heating: 18 },
    });
    const { user } = runs([]);
    const field = await screen.findByLabelText<HTMLInputElement>(/Heated to/);
    await user.type(field, '18{Enter}');
    await waitFor(() => expect(field.value).toBe('18'));
    await user.clear(field);
    await user.type(field, 'warm{Enter}');
    await waitFor(() => expect(field.value).toBe('18'));
  });
});

describe('a chart', () => {
  it('has its numbers as a table', async () => {
    const { user } = show(
      <Chart
        title="Heating by month"
        option={{}}
        numbers={{ columns: ['Month', 'kWh'], rows: [['Jan', 12.3456]] }}
      />,
    );
    await user.click(screen.getByTitle('Show the numbers'));
    expect(screen.getByRole('table').textContent).toBe('MonthkWhJan12.35');
    await user.click(screen.getByTitle('Show the picture'));
    expect(screen.getByRole('img').getAttribute('aria-label')).toBe('Heating by month');
  });

  it('has them as a file', () => {
    expect(csv({ columns: ['a', 'b'], rows: [['x, "y"', 1 / 3]] })).toBe(
      'a,b\r\n"x, ""y""",0.3333333\r\n',
    );
  });

  it('names days and figures', () => {
    expect(dayOf(0)).toBe('Jan 1');
    expect(dayOf(59 * 24)).toBe('Mar 1');
    expect(noMinus('-0.0')).toBe('0.0');
    expect(noMinus('-0.4')).toBe('-0.4');
  });
});

describe('the colours of an estimate', () => {
  const spaces = [
    { key: 'a', floorArea: 20, heatingLoad: { total: 1000 }, heated: true, heating: 900 },
    { key: 'b', floorArea: 0, heatingLoad: { total: 10 }, heated: true, heating: 5 },
    { key: 'c', floorArea: 10, heated: false, heating: 0 },
  ] as SpaceEstimate[];

  it('are by floor area, of what has one', () => {
    const t = tintOf(unitsOf('SI'), 'heatLoad', spaces);
    expect(t.values).toEqual({ a: 50 });
    expect(t.unit).toBe('W/m²');
    expect(tintOf(unitsOf('SI'), 'heating', spaces).values).toEqual({ a: 45 });
  });

  it('are said in the units that are shown', () => {
    const t = tintOf(unitsOf('IP'), 'heatLoad', spaces);
    expect(t.unit).not.toBe('W/m²');
    expect(t.say(100)).not.toBe('100');
  });
});
