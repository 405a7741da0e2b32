import { useMemo } from 'react';
import type { Estimate } from '../model/estimateCalls';
import { figures, useUnits, type Units } from '../model/units';
import { counted } from '../model/words';
import { Chart } from './Chart';
import { base, lying, MONTHS, SERIES } from './charts';

const whole = (v: number) => counted(Math.round(v));
const sum = (v: number[]) => v.reduce((a, b) => a + b, 0);

/** What the year comes to: the figures first, then where heat comes from and goes to. */
export function YearTab({ result: r }: { result: Estimate }) {
  const units = useUnits();
  const heat = units.heat;
  const flow = (name: string) => r.flows.find((f) => f.flow === name)!.months;
  const heating = sum(flow('HEATING'));
  const cooling = -sum(flow('COOLING'));
  const charts = useMemo(() => pictures(r, units), [r, units]);
  return (
    <div className="min-h-0 flex-1 overflow-y-auto px-4 py-3" data-testid="year">
      <div className="flex flex-wrap items-baseline gap-x-8 gap-y-1">
        <p>
          <span className="text-[28px] leading-8 font-semibold" data-testid="per-area">
            {figures(units.heatByArea.to(r.perArea))}
          </span>{' '}
          {units.heatByArea.unit} in the year, of {units.area.text(r.floorArea)} heated or cooled
        </p>
        <p>
          Heating <b>{heat.text(heating)}</b>, up to <b>{units.power.text(r.peakHeating)}</b>
        </p>
        <p>
          Cooling <b>{heat.text(cooling)}</b>, up to <b>{units.power.text(r.peakCooling)}</b>
        </p>
        <p>
          Light <b>{heat.text(sum(flow('LIGHTING')))}</b>, equipment{' '}
          <b>{heat.text(sum(flow('EQUIPMENT')))}</b>, fans <b>{heat.text(r.fans)}</b>, hot water{' '}
          <b>{heat.text(r.hotWater)}</b>
        </p>
        <p>
          Cost <b>{whole(r.cost)}</b>, carbon <b>{whole(r.carbon)}</b> kg
        </p>
      </div>
      {r.disagreement && (
        <p className="mt-1 max-w-[100ch] font-semibold text-warning" role="note">
          {units.said(r.disagreement)}
        </p>
      )}
      <div className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(360px,1fr))] gap-x-6 gap-y-3">
        {charts.map((c) => (
          <Chart key={c.title} {...c} />
        ))}
      </div>
      <div className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(320px,1fr))] gap-x-8 gap-y-3">
        <section>
          <h3 className="kicker">Bought in the year</h3>
          <table className="w-full">
            <tbody>
              {r.carriers.map((c) => (
                <tr key={c.label} className="border-b border-line/60">
                  <td>{c.label}</td>
                  <td className="text-right">{heat.text(c.bought)}</td>
                  <td className="text-right">{whole(c.cost)}</td>
                  <td className="text-right">{whole(c.carbon)} kg</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
        <section>
          <h3 className="kicker">Second opinions</h3>
          <table className="w-full">
            <tbody>
              {[{ method: 'hourly method', heating, cooling }, ...r.opinions].map((o) => (
                <tr key={o.method} className="border-b border-line/60">
                  <td>{o.method}</td>
                  <td className="text-right">heating {heat.text(o.heating)}</td>
                  <td className="text-right">cooling {heat.text(o.cooling)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="text-sm text-muted">
            The balance of every hour closes to {r.balanceError.toExponential(0)} of its heat flows.
          </p>
        </section>
        <section className="col-span-full">
          <h3 className="kicker">Assumed ({r.assumptions.length})</h3>
          <ul className="list-disc pl-5">
            {r.assumptions.map((a) => (
              <li key={a}>{units.said(a)}</li>
            ))}
          </ul>
        </section>
      </div>
    </div>
  );
}

const COLOURS: Record<string, string> = {
  HEATING: SERIES.heating,
  COOLING: SERIES.cooling,
  SUN: SERIES.sun,
  PEOPLE: SERIES.people,
  LIGHTING: SERIES.light,
  EQUIPMENT: SERIES.equipment,
  OPAQUE: SERIES.opaque,
  WINDOWS: SERIES.air,
  GROUND: SERIES.ground,
  BRIDGES: SERIES.bridges,
  LEAKS: SERIES.leaks,
  FRESH_AIR: SERIES.freshAir,
  NEIGHBOURS: SERIES.other,
};

function pictures(r: Estimate, units: Units) {
  const heat = units.heat;
  const power = units.power;
  const b = base();
  const flow = (name: string) => r.flows.find((f) => f.flow === name)!.months;
  const heating = flow('HEATING').map(heat.to);
  const cooling = flow('COOLING').map((v) => heat.to(-v));
  const months = {
    title: 'Heating and cooling by month',
    says: heat.unit,
    numbers: {
      columns: ['Month', `Heating, ${heat.unit}`, `Cooling, ${heat.unit}`],
      rows: MONTHS.map((m, i) => [m, heating[i], cooling[i]]),
    },
    option: {
      ...b,
      xAxis: { ...b.xAxis, type: 'category', data: MONTHS },
      series: [
        { type: 'bar', name: 'Heating', data: heating.map(Math.round), color: SERIES.heating },
        { type: 'bar', name: 'Cooling', data: cooling.map(Math.round), color: SERIES.cooling },
      ],
    },
  };
  const w = base();
  const n = r.heatingDuration.length - 1;
  const at = r.heatingDuration.map((_, i) => Math.round((i / n) * r.hours));
  const duration = {
    title: 'Load duration',
    says: `${power.unit}, by hours of the year`,
    numbers: {
      columns: ['Hours', `Heating, ${power.unit}`, `Cooling, ${power.unit}`],
      rows: at.map((h, i) => [h, power.to(r.heatingDuration[i]), power.to(r.coolingDuration[i])]),
    },
    option: {
      ...w,
      xAxis: { ...w.xAxis, type: 'value', min: 0, max: r.hours },
      series: (
        [
          ['Heating', r.heatingDuration, SERIES.heating],
          ['Cooling', r.coolingDuration, SERIES.cooling],
        ] as const
      ).map(([name, data, color]) => ({
        type: 'line',
        name,
        symbol: 'none',
        data: data.map((v, i) => [at[i], Math.round(power.to(v))]),
        color,
      })),
    },
  };
  const flows = r.flows
    .map((f) => ({ ...f, months: f.months.map(heat.to), total: heat.to(sum(f.months)) }))
    .filter((f) => Math.abs(f.total) > 0.5);
  const balance = {
    title: 'Where heat comes from and goes to',
    wide: true,
    says: `${heat.unit} in the year; losses to the left`,
    height: 300,
    numbers: {
      columns: ['Flow', ...MONTHS, `Year, ${heat.unit}`],
      rows: flows.map((f) => [f.label, ...f.months, f.total]),
    },
    option: {
      ...b,
      legend: undefined,
      grid: { ...b.grid, top: 6 },
      ...lying(
        b,
        flows.map((f) => f.label),
        280,
      ),
      series: [
        {
          type: 'bar',
          name: heat.unit,
          data: flows.map((f) => ({
            value: Math.round(f.total),
            itemStyle: { color: COLOURS[f.flow] },
          })),
        },
      ],
    },
  };
  return [months, duration, balance];
}
