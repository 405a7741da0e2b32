import { useMemo, useState } from 'react';
import { COLD_TO_WARM } from '../../model/colours';
import { useUnits, type Units } from '../../model/units';
import type { Metric, MetricKind, Sweep, TargetSpec } from '../../model/variantCalls';
import { count } from '../../model/words';
import { Chart } from '../Chart';
import { base, pageStyle, SERIES } from '../charts';
import { figure, shownAs } from '../measures';
import { metricOf, valueOf } from './figures';
import { MetricChoice } from './Targets';

/** What a sweep has come to so far: a curve of one number, a map of two. */
export function SweepCharts({
  sweep: s,
  metrics,
  targets,
  judgedBy,
}: {
  sweep: Sweep;
  metrics: MetricKind[];
  targets: TargetSpec[];
  judgedBy: Metric;
}) {
  const units = useUnits();
  const [picked, setMetric] = useState<Metric | null>(null);
  const metric = picked ?? judgedBy;
  const m = metricOf(units, metrics, metric);
  const target = targets.findIndex((t) => t.metric === metric);
  const limit =
    target < 0
      ? null
      : (s.baseline.figures?.targets.find((t) => t.target === target)?.limit ?? null);
  const was = valueOf(s.baseline, metric)?.value;
  const map = s.grid && s.axes.length === 2;
  const charts = useMemo(
    () =>
      map
        ? [heat(units, s, metrics, metric, limit)]
        : s.axes.map((_, i) => curve(units, s, metrics, metric, i, limit)),
    [units, s, metrics, metric, limit, map],
  );
  const failed = s.points.filter((p) => p.state === 'failed' || p.state === 'refused');
  const met = s.points.filter((p) => p.met === true).length;
  return (
    <div data-testid="sweep" data-state={s.state} data-done={s.done}>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <h2 className="font-semibold">{s.name}</h2>
        <span className="text-muted">from {s.from === 'Baseline' ? 'the baseline' : s.from}</span>
        <MetricChoice metrics={metrics} value={metric} label="Figure shown" onChange={setMetric} />
        {was != null && (
          <span>
            Baseline <b>{m.text(was)}</b> {m.unit}
          </span>
        )}
        {limit != null && (
          <span>
            target <b>{m.text(limit)}</b> {m.unit}
          </span>
        )}
        {targets.length > 0 && s.done > 0 && (
          <span className={met ? 'text-kelp' : 'text-muted'}>
            {met
              ? `${count(met, 'run')} of ${s.done} meet${met === 1 ? 's' : ''} the target`
              : 'none meets the target yet'}
          </span>
        )}
      </div>
      {s.state !== 'done' && (
        <div className="mt-1 flex items-center gap-2">
          <progress
            className="w-56 accent-[var(--kelp)]"
            value={s.done}
            max={s.total}
            aria-label="Progress of the sweep"
          />
          <span className="text-sm">
            {s.done} of {s.total}
            {s.state === 'cancelled' && ', stopped'}
            {s.secondsLeft != null && `, about ${left(s.secondsLeft)} left`}
          </span>
        </div>
      )}
      {s.stale && (
        <p className="mt-1 font-semibold text-warning">
          The building or its settings have changed since: these runs are of the baseline as it was.
        </p>
      )}
      {!map &&
        s.meets.map((x) => {
          const a = s.axes[x.axis];
          const shown = shownAs(units, a.quantity, a.unit, a.label);
          const t = targets[x.target];
          return (
            t && (
              <p key={`${x.target} ${x.axis}`} className="mt-1" data-testid="meets">
                {metricOf(units, metrics, t.metric).label} meets its target at{' '}
                <b>
                  {figure(shown.to(x.value))} {shown.unit}
                </b>{' '}
                {a.label}, by straight lines between the runs.
              </p>
            )
          );
        })}
      <div className="mt-2 space-y-3">
        {charts.map((c) => (
          <Chart key={c.title} {...c} />
        ))}
      </div>
      {failed.length > 0 && (
        <p className="mt-2 text-blocker">
          {count(failed.length, 'run')} could not be made: {units.said(failed[0].message)}
        </p>
      )}
    </div>
  );
}

const left = (s: number) => (s < 90 ? `${Math.ceil(s / 5) * 5} s` : `${Math.ceil(s / 60)} min`);

function at(metrics: MetricKind[], metric: Metric) {
  return metrics.findIndex((m) => m.metric === metric);
}

function curve(
  units: Units,
  s: Sweep,
  metrics: MetricKind[],
  metric: Metric,
  axis: number,
  limit: number | null,
) {
  const b = base();
  const style = pageStyle();
  const a = s.axes[axis];
  const x = shownAs(units, a.quantity, a.unit, a.label);
  const m = metricOf(units, metrics, metric);
  const k = at(metrics, metric);
  const points = s.points
    .filter((p) => p.values[axis] != null && p.figures[k] != null)
    .map(
      (p) =>
        [Number(x.to(p.values[axis]!).toPrecision(6)), m.to(p.figures[k]!)] as [number, number],
    );
  const xs = points.map((p) => p[0]);
  const lines = limit == null ? [] : [{ yAxis: m.to(limit), name: 'target' }];
  return {
    title: `${m.label} by ${a.label}`,
    says: `${m.unit}; ${a.change}`,
    height: 300,
    numbers: { columns: [`${a.label}, ${x.unit}`, `${m.label}, ${m.unit}`], rows: points },
    option: {
      ...b,
      legend: undefined,
      grid: { ...b.grid, top: 12, bottom: 22 },
      xAxis: {
        ...b.xAxis,
        type: 'value',
        min: Math.min(...xs),
        max: Math.max(...xs),
        name: x.unit ? `${a.label}, ${x.unit}` : a.label,
        nameLocation: 'middle',
        nameGap: 22,
        nameTextStyle: { color: style.muted },
      },
      yAxis: { ...b.yAxis, scale: true },
      series: [
        {
          type: 'line',
          name: m.label,
          data: points,
          color: SERIES.heating,
          symbolSize: 7,
          markLine: {
            silent: true,
            symbol: 'none',
            data: lines,
            lineStyle: { color: style.ink, type: 'dashed' },
            label: { formatter: 'target', position: 'insideEndTop', color: style.ink },
          },
        },
      ],
    },
  };
}

function heat(units: Units, s: Sweep, metrics: MetricKind[], metric: Metric, limit: number | null) {
  const b = base();
  const style = pageStyle();
  const [a, c] = s.axes;
  const x = shownAs(units, a.quantity, a.unit, a.label);
  const y = shownAs(units, c.quantity, c.unit, c.label);
  const m = metricOf(units, metrics, metric);
  const k = at(metrics, metric);
  const name = (shown: typeof x, v: number) => String(Number(shown.to(v).toPrecision(4)));
  const known = s.points
    .map((p, i) => ({ i, p, v: p.figures[k] == null ? null : m.to(p.figures[k]!) }))
    .filter((q) => q.v != null);
  const values = known.map((q) => q.v!);
  const cells = known.map(({ i, v, p }) => ({
    value: [Math.floor(i / c.values.length), i % c.values.length, v!],
    itemStyle:
      limit != null && p.figures[k]! <= limit * (1 + 1e-9)
        ? { borderColor: style.ink, borderWidth: 2 }
        : { borderColor: style.panel, borderWidth: 1 },
  }));
  return {
    title: `${m.label} by ${a.label} and ${c.label}`,
    says: `${m.unit}${limit == null ? '' : '; outlined: at or below the target'}`,
    height: Math.min(460, 110 + 28 * c.values.length),
    numbers: {
      columns: [`${a.label}, ${x.unit}`, `${c.label}, ${y.unit}`, `${m.label}, ${m.unit}`],
      rows: known.map(({ p, v }) => [x.to(p.values[0]!), y.to(p.values[1]!), v!]),
    },
    option: {
      ...b,
      legend: undefined,
      grid: { ...b.grid, top: 8, bottom: 24, left: 26, right: 86 },
      tooltip: {
        ...b.tooltip,
        trigger: 'item',
        formatter: (o: { data: { value: number[] } }) =>
          `${a.label} ${name(x, a.values[o.data.value[0]])} ${x.unit}<br>${c.label} ${name(y, c.values[o.data.value[1]])} ${y.unit}<br><b>${figure(o.data.value[2])} ${m.unit}</b>`,
      },
      visualMap: {
        type: 'continuous',
        min: values.length ? Math.min(...values) : 0,
        max: values.length ? Math.max(...values) : 1,
        calculable: false,
        orient: 'vertical',
        right: 0,
        top: 'middle',
        itemHeight: 110,
        itemWidth: 12,
        precision: 1,
        text: [m.unit, ''],
        textStyle: { color: style.ink, fontSize: 11 },
        inRange: { color: COLD_TO_WARM },
      },
      xAxis: {
        ...b.xAxis,
        type: 'category',
        data: a.values.map((v) => name(x, v)),
        name: `${a.label}, ${x.unit}`,
        nameLocation: 'middle',
        nameGap: 24,
        nameTextStyle: { color: style.muted },
        splitLine: { show: false },
      },
      yAxis: {
        ...b.xAxis,
        type: 'category',
        data: c.values.map((v) => name(y, v)),
        name: `${c.label}, ${y.unit}`,
        nameLocation: 'middle',
        nameGap: 38,
        nameTextStyle: { color: style.muted },
        splitLine: { show: false },
      },
      series: [
        {
          type: 'heatmap',
          data: cells,
          label: {
            show: cells.length <= 240,
            fontSize: 11,
            formatter: (o: { data: { value: number[] } }) => figure(o.data.value[2]),
          },
        },
      ],
    },
  };
}
