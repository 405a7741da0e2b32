import { useMemo, useState } from 'react';
import { ArrowDown, ArrowUp, Copy, Download } from 'lucide-react';
import type { Model } from '../../model/api';
import { useUnits, type Units } from '../../model/units';
import type { Variants, VariantRun } from '../../model/variantCalls';
import { tsv } from '../../shared/tsv';
import { Chart } from '../Chart';
import { base, lying, MONTHS, SERIES } from '../charts';
import { csv, save } from '../csv';
import { figure } from '../measures';
import { metricOf, shareText, tone } from './figures';

/** So many stand beside each other. */
const MOST = 6;

interface Column {
  id: string;
  name: string;
  run: VariantRun;
}

/** Variants beside the baseline: key figures, months, losses and gains, directions. */
export function BesideTab({
  model,
  variants: v,
}: {
  model: Model;
  variants: Variants | undefined;
}) {
  const units = useUnits();
  const [off, setOff] = useState<Set<string>>(new Set());
  const [by, setBy] = useState<{ metric: string; down: boolean } | null>(null);
  const all = useMemo(() => (v ? columnsOf(v) : []), [v]);
  const shown = all.filter((c) => !off.has(c.id)).slice(0, MOST);
  const columns = useMemo(() => sorted(shown, by), [shown, by]);
  if (!v) return <p className="p-3 text-muted">Opening the variants …</p>;
  if (all.length < 2)
    return (
      <p className="max-w-[60ch] p-4 text-muted">
        Nothing to compare yet: make variants and run them under Variants. Up to {MOST} stand beside
        each other here.
      </p>
    );
  const rows = v.metrics.map((m) => {
    const shownAs = metricOf(units, v.metrics, m.metric);
    return { metric: m.metric, ...shownAs };
  });
  const table = [
    ['', ...columns.map((c) => c.name)],
    ...rows.map((r) => [
      `${r.label}, ${r.unit}`,
      ...columns.map((c) => r.text(valueAt(c, r.metric)?.value)),
    ]),
  ];
  return (
    <div className="min-h-0 flex-1 overflow-y-auto px-4 py-2" data-testid="beside">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <fieldset className="flex flex-wrap items-center gap-x-3">
          <legend className="sr-only">Variants shown</legend>
          {all.map((c) => {
            const on = !off.has(c.id);
            const full = !on && shown.length >= MOST;
            return (
              <label
                key={c.id}
                className="flex items-center gap-1"
                title={full ? `At most ${MOST}` : undefined}
              >
                <input
                  type="checkbox"
                  checked={on && shown.includes(c)}
                  disabled={full}
                  onChange={() => {
                    const next = new Set(off);
                    if (on) next.add(c.id);
                    else next.delete(c.id);
                    setOff(next);
                  }}
                />
                {c.name}
              </label>
            );
          })}
        </fieldset>
        <span className="ml-auto flex gap-1">
          <button
            className="btn-quiet !px-1"
            title="Copy the table"
            onClick={() => void navigator.clipboard.writeText(tsv(table))}
          >
            <Copy size={13} /> Copy
          </button>
          <button
            className="btn-quiet !px-1"
            title="Save the table as CSV"
            onClick={() =>
              save(
                `${model.delivery.projectName}-variants.csv`,
                csv({ columns: table[0], rows: table.slice(1) }),
                'text/csv',
              )
            }
          >
            <Download size={13} /> CSV
          </button>
        </span>
      </div>
      <table className="mt-1.5 w-full" data-testid="beside-table">
        <thead>
          <tr className="border-b border-line text-left">
            <th className="w-[210px] py-0.5 text-sm font-normal text-muted">
              Click a figure to rank by it
            </th>
            {columns.map((c) => (
              <th key={c.id} className="px-1.5 py-0.5 text-right font-semibold">
                {c.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => {
            const target = v.targets.findIndex((t) => t.metric === r.metric);
            const on = by?.metric === r.metric;
            return (
              <tr key={r.metric} className="border-b border-line/60">
                <th
                  className="text-left font-normal"
                  aria-sort={on ? (by.down ? 'descending' : 'ascending') : undefined}
                >
                  <button
                    className={`flex items-center gap-1 py-[3px] ${on ? 'font-semibold' : ''}`}
                    onClick={() => setBy(on && by.down ? null : { metric: r.metric, down: on })}
                  >
                    {r.label} <span className="text-sm text-muted">{r.unit}</span>
                    {on && (by.down ? <ArrowDown size={12} /> : <ArrowUp size={12} />)}
                  </button>
                </th>
                {columns.map((c) => {
                  const m = valueAt(c, r.metric);
                  const met =
                    target < 0
                      ? null
                      : c.run.figures?.targets.find((t) => t.target === target)?.met;
                  return (
                    <td key={c.id} className="px-1.5 text-right whitespace-nowrap">
                      <span className={`mr-1.5 text-sm ${tone(m?.difference)}`}>
                        {c.id && shareText(m?.share)}
                      </span>
                      <span className="inline-block min-w-[3.5rem] font-semibold">
                        {r.text(m?.value)}
                      </span>
                      {met != null && (
                        <span className={`ml-1 ${met ? 'text-kelp' : 'text-blocker'}`}>
                          {met ? '✓' : '✗'}
                          <span className="sr-only">
                            {met ? ' meets the target' : ' misses the target'}
                          </span>
                        </span>
                      )}
                    </td>
                  );
                })}
              </tr>
            );
          })}
          {v.variants.some((x) => x.effort != null) && (
            <tr className="border-b border-line/60">
              <th className="py-[3px] text-left font-normal">Effort</th>
              {columns.map((c) => (
                <td key={c.id} className="px-1.5 text-right font-semibold">
                  {v.variants.find((x) => x.id === c.id)?.effort?.toLocaleString('en') ?? '–'}
                </td>
              ))}
            </tr>
          )}
        </tbody>
      </table>
      <Charts columns={columns} units={units} />
      <Sides columns={columns} units={units} />
    </div>
  );
}

function columnsOf(v: Variants): Column[] {
  return [
    { id: '', name: 'Baseline', run: v.baseline },
    ...v.variants.map((x) => ({ id: x.id, name: x.name, run: x.run })),
  ].filter((c) => c.run.figures);
}

const valueAt = (c: Column, metric: string) =>
  c.run.figures?.metrics.find((m) => m.metric === metric);

/** By a metric; the baseline stays first. */
function sorted(columns: Column[], by: { metric: string; down: boolean } | null): Column[] {
  if (!by) return columns;
  const of = (c: Column) => valueAt(c, by.metric)?.value ?? Infinity;
  const rest = columns
    .filter((c) => c.id)
    .sort((a, b) => (by.down ? of(b) - of(a) : of(a) - of(b)));
  return [...columns.filter((c) => !c.id), ...rest];
}

const TINTS = [
  SERIES.other,
  SERIES.heating,
  SERIES.cooling,
  SERIES.sun,
  SERIES.people,
  SERIES.ground,
  SERIES.light,
];

function Charts({ columns, units }: { columns: Column[]; units: Units }) {
  const charts = useMemo(() => pictures(columns, units), [columns, units]);
  return (
    <div className="mt-3 grid grid-cols-[repeat(auto-fit,minmax(420px,1fr))] gap-x-6 gap-y-3">
      {charts.map((c) => (
        <Chart key={c.title} {...c} />
      ))}
    </div>
  );
}

function pictures(columns: Column[], units: Units) {
  const heat = units.heat;
  const flow = (c: Column, name: string) => c.run.figures!.flows.find((f) => f.flow === name)!;
  const months = (name: string, sign: number) =>
    columns.map((c) => flow(c, name).months.map((x) => sign * heat.to(x)));
  const bars = (title: string, of: number[][]) => {
    const b = base();
    return {
      title,
      says: heat.unit,
      numbers: {
        columns: ['Month', ...columns.map((c) => c.name)],
        rows: MONTHS.map((m, i) => [m, ...of.map((x) => x[i])]),
      },
      option: {
        ...b,
        xAxis: { ...b.xAxis, type: 'category', data: MONTHS },
        series: columns.map((c, i) => ({
          type: 'bar',
          name: c.name,
          barGap: '8%',
          data: of[i].map(Math.round),
          color: TINTS[i % TINTS.length],
        })),
      },
    };
  };
  const b = base();
  const names = columns[0].run.figures!.flows.filter((f) =>
    columns.some((c) => Math.abs(sum(flow(c, f.flow).months)) > 0.5),
  );
  const flows = {
    title: 'Where heat comes from and goes to',
    says: `${heat.unit} in the year; losses to the left`,
    wide: true,
    height: 60 + 26 * names.length + 10 * columns.length,
    numbers: {
      columns: ['Flow', ...columns.map((c) => c.name)],
      rows: names.map((f) => [
        f.label,
        ...columns.map((c) => heat.to(sum(flow(c, f.flow).months))),
      ]),
    },
    option: {
      ...b,
      grid: { ...b.grid, top: 26 },
      ...lying(
        b,
        names.map((f) => f.label),
        280,
      ),
      series: columns.map((c, i) => ({
        type: 'bar',
        name: c.name,
        barGap: '8%',
        data: names.map((f) => Math.round(heat.to(sum(flow(c, f.flow).months)))),
        color: TINTS[i % TINTS.length],
      })),
    },
  };
  return [
    bars('Heating by month', months('HEATING', 1)),
    bars('Cooling by month', months('COOLING', -1)),
    flows,
  ];
}

const sum = (v: number[]) => v.reduce((a, b) => a + b, 0);

function Sides({ columns, units }: { columns: Column[]; units: Units }) {
  const sides = columns[0].run.figures!.sides.filter((_, i) =>
    columns.some((c) => c.run.figures!.sides[i].gross > 0),
  );
  return (
    <section className="mt-3">
      <h2 className="kicker">Outdoor walls by direction: area, and share that is glazed</h2>
      <table className="w-full">
        <thead>
          <tr className="text-right text-sm text-muted">
            <td />
            {columns.map((c) => (
              <th key={c.id} className="px-1.5 font-normal">
                {c.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {sides.map((s) => (
            <tr key={s.facing} className="border-t border-line/60">
              <th className="text-left font-normal">{s.facing}</th>
              {columns.map((c) => {
                const own = c.run.figures!.sides.find((x) => x.facing === s.facing)!;
                return (
                  <td key={c.id} className="px-1.5 text-right whitespace-nowrap">
                    {own.gross > 0 ? (
                      <>
                        {units.area.text(own.gross)},{' '}
                        <b>{figure((100 * own.glazed) / own.gross)} %</b>
                      </>
                    ) : (
                      '–'
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
