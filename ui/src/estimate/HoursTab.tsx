import { useMemo, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import { api } from '../model/api';
import type { Estimate, EstimateRun, Hours } from '../model/estimateCalls';
import { useView } from '../model/state';
import { useUnits, type Units } from '../model/units';
import { Chart } from './Chart';
import { base, dayOf, SERIES } from './charts';

const WEEK = 168;

/** A week of one space, hour by hour. */
export function HoursTab({ run, result }: { run: EstimateRun; result: Estimate }) {
  const units = useUnits();
  const selection = useView((s) => s.selection);
  const select = useView((s) => s.select);
  const chosen =
    result.spaces.find((s) => selection.includes(s.key)) ??
    result.spaces.find((s) => s.heated || s.cooled) ??
    result.spaces[0];
  const [week, setWeek] = useState(2);
  const weeks = Math.floor(result.hours / WEEK);
  const from = week * WEEK;
  const hours = useQuery({
    queryKey: ['hours', run.id, chosen?.key, from],
    queryFn: () => api.hours(run.id, chosen.key, from),
    enabled: !!chosen,
    staleTime: Infinity,
  });
  const charts = useMemo(
    () => (hours.data ? pictures(hours.data, units) : []),
    [hours.data, units],
  );
  if (!chosen) return <p className="p-3 text-muted">The model has no spaces.</p>;
  return (
    <div className="min-h-0 flex-1 overflow-y-auto px-4 py-3" data-testid="hours">
      <div className="flex flex-wrap items-center gap-2">
        <select
          className="field"
          aria-label="Space"
          value={chosen.key}
          onChange={(e) => select([e.target.value])}
        >
          {result.spaces.map((s) => (
            <option key={s.key} value={s.key}>
              {s.label}
            </option>
          ))}
        </select>
        <button
          className="btn !px-1.5"
          disabled={week === 0}
          onClick={() => setWeek(week - 1)}
          title="The week before"
        >
          <ChevronLeft size={14} />
        </button>
        <input
          type="range"
          className="w-56 accent-[var(--kelp)]"
          min={0}
          max={weeks - 1}
          value={week}
          aria-label="Week of the year"
          onChange={(e) => setWeek(Number(e.target.value))}
        />
        <button
          className="btn !px-1.5"
          disabled={week === weeks - 1}
          onClick={() => setWeek(week + 1)}
          title="The week after"
        >
          <ChevronRight size={14} />
        </button>
        <span className="font-semibold">
          {dayOf(from)} to {dayOf(from + WEEK - 1)}
        </span>
      </div>
      <div className="mt-2 space-y-3">
        {charts.map((c) => (
          <Chart key={c.title} {...c} wide />
        ))}
      </div>
    </div>
  );
}

function pictures(h: Hours, units: Units) {
  const t = units.temperature;
  const w = units.power;
  const labels = h.air.map((_, i) => `${dayOf(h.from + i)}, ${i % 24}–${(i % 24) + 1} h`);
  const axis = (b: ReturnType<typeof base>) => ({
    ...b.xAxis,
    type: 'category',
    data: labels,
    axisLabel: {
      ...b.xAxis.axisLabel,
      interval: (i: number) => i % 24 === 12,
      formatter: (v: string) => v.split(',')[0],
    },
  });
  const line = (
    name: string,
    data: number[],
    color: string,
    to: (v: number) => number,
    dashed = false,
  ) => ({
    type: 'line',
    name,
    symbol: 'none',
    data: data.map((v) => Number(to(v).toFixed(2))),
    color,
    lineStyle: { width: 1.5, type: dashed ? 'dashed' : 'solid' },
  });
  const bt = base();
  const bw = base();
  return [
    {
      title: 'Temperatures of the week',
      says: t.unit,
      numbers: {
        columns: ['Hour', `Outdoors, ${t.unit}`, `Air, ${t.unit}`, `Operative, ${t.unit}`],
        rows: labels.map((l, i) => [l, t.to(h.outdoors[i]), t.to(h.air[i]), t.to(h.operative[i])]),
      },
      option: {
        ...bt,
        xAxis: axis(bt),
        yAxis: { ...bt.yAxis, scale: true },
        series: [
          line('Operative', h.operative, SERIES.heating, t.to),
          line('Air', h.air, SERIES.light, t.to, true),
          line('Outdoors', h.outdoors, SERIES.cooling, t.to),
        ],
      },
    },
    {
      title: 'Heat of the week',
      says: w.unit,
      numbers: {
        columns: ['Hour', ...['Heating', 'Cooling', 'Sun', 'Gains'].map((n) => `${n}, ${w.unit}`)],
        rows: labels.map((l, i) => [
          l,
          w.to(h.heating[i]),
          w.to(h.cooling[i]),
          w.to(h.sun[i]),
          w.to(h.internal[i]),
        ]),
      },
      option: {
        ...bw,
        xAxis: axis(bw),
        series: [
          line('Heating', h.heating, SERIES.heating, w.to),
          line('Cooling', h.cooling, SERIES.cooling, w.to),
          line('Sun', h.sun, SERIES.light, w.to),
          line('Gains', h.internal, SERIES.equipment, w.to, true),
        ],
      },
    },
  ];
}
