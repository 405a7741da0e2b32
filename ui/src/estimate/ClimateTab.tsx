import { useMemo, useRef, useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Upload } from 'lucide-react';
import { api, ProblemError, type Project } from '../model/api';
import type { Climate } from '../model/estimateCalls';
import { COLD_TO_WARM } from '../model/colours';
import { figures, useUnits, type Units } from '../model/units';
import { counted } from '../model/words';
import { Chart } from './Chart';
import { base, MONTHS, noMinus, pageStyle, SERIES } from './charts';

/** Chooses the weather that the project is estimated with. */
export function ChooseWeather({ project, chosen }: { project: Project; chosen: string | null }) {
  const client = useQueryClient();
  const files = useQuery({ queryKey: ['weather'], queryFn: () => api.weatherFiles() });
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<string | null>(null);

  async function change(work: () => Promise<unknown>, file?: string) {
    setBusy(true);
    setFault(null);
    try {
      await work();
      await client.invalidateQueries({ queryKey: ['weather'] });
      await client.invalidateQueries({ queryKey: ['climate'] });
    } catch (e) {
      const p = e instanceof ProblemError ? e : null;
      const line = Number(p?.details.line ?? 0);
      setFault(
        `${file ? `${file}: ` : ''}${e instanceof Error ? e.message : String(e)}${line ? ` (line ${line}, field ${String(p!.details.column)})` : ''}`,
      );
    } finally {
      setBusy(false);
    }
  }

  return (
    <div>
      <div className="flex flex-wrap items-center gap-2">
        <select
          className="field h-[28px] max-w-full rounded-sm border border-line bg-panel px-1.5"
          aria-label="Weather file"
          data-testid="weather"
          value={chosen ?? ''}
          disabled={busy}
          onChange={(e) => void change(() => api.chooseWeather(project.id, e.target.value))}
        >
          {!chosen && <option value="">Choose a weather file …</option>}
          {(files.data ?? []).map((f) => (
            <option key={f.id} value={f.id}>
              {f.label}
            </option>
          ))}
        </select>
        <button className="btn" disabled={busy} onClick={() => input.current?.click()}>
          <Upload size={13} /> {busy ? 'Reading …' : 'Bring an EPW file in …'}
        </button>
        <input
          ref={input}
          type="file"
          accept=".epw"
          className="hidden"
          data-testid="weather-file"
          onChange={(e) => {
            const file = e.target.files?.[0];
            e.target.value = '';
            if (file) void change(() => api.addWeather(project.id, file), file.name);
          }}
        />
      </div>
      {fault && (
        <p className="mt-1 font-semibold text-blocker" role="alert">
          {fault}
        </p>
      )}
    </div>
  );
}

const degrees = (v: number, plus: string, minus: string) =>
  `${Math.abs(v).toFixed(2)}° ${v < 0 ? minus : plus}`;

function place(c: Climate, units: Units): string {
  const parts = [
    `${degrees(c.latitude, 'N', 'S')}, ${degrees(c.longitude, 'E', 'W')}`,
    units.measured(c.elevation, 'm').replace('.000', ''),
  ];
  if (c.distance != null) parts.push(`${figures(c.distance)} km from the site`);
  if (c.higher != null)
    parts.push(
      Math.abs(c.higher) < 1
        ? 'at the height of the site'
        : `${units.measured(Math.abs(c.higher), 'm').replace('.000', '')} ${c.higher > 0 ? 'below' : 'above'} the site`,
    );
  return parts.join(' · ');
}

/** The weather of the project's place. */
export function ClimateTab({
  project,
  climate,
}: {
  project: Project;
  climate: Climate | null | undefined;
}) {
  if (climate === undefined) return <p className="p-3 text-muted">Opening the climate …</p>;
  return (
    <div className="min-h-0 flex-1 overflow-y-auto px-4 py-3" data-testid="climate">
      <ChooseWeather project={project} chosen={climate?.weather ?? null} />
      {climate === null ? (
        <p className="mt-3 max-w-[72ch] text-muted">
          Loads and the hourly year need the weather of a whole year: an EPW file, which weather
          services give for most places. It is kept for all projects.
        </p>
      ) : (
        <Shown climate={climate} />
      )}
    </div>
  );
}

function Shown({ climate: c }: { climate: Climate }) {
  const units = useUnits();
  const t = units.temperature;
  const degree = (v: number) => `${noMinus(t.to(v).toFixed(1))} ${t.unit}`;
  const [p004, , , p996] = c.design;
  const charts = useMemo(() => pictures(c, units), [c, units]);
  return (
    <>
      <h2 className="mt-3 text-title font-semibold">{c.label}</h2>
      <p className="text-muted">
        {place(c, units)}
        {c.source && ` · ${c.source}`}
      </p>
      <dl className="my-2 grid grid-cols-[repeat(auto-fit,minmax(150px,1fr))] gap-x-6 gap-y-1">
        <Fact name="Mean of the year" value={degree(c.mean)} />
        <Fact
          name="Coldest, warmest hour"
          value={`${t.to(c.min).toFixed(1)} to ${degree(c.max)}`}
        />
        <Fact name="Colder 0.4 % of the hours" value={degree(p004)} />
        <Fact name="Warmer 0.4 % of the hours" value={degree(p996)} />
        <Fact
          name={`Heating degree days to ${t.text(18)}`}
          value={`${counted(Math.round(units.difference.to(c.heatingDegreeDays)))} ${units.difference.unit}d`}
        />
        <Fact
          name={`Cooling degree days to ${t.text(18)}`}
          value={`${counted(Math.round(units.difference.to(c.coolingDegreeDays)))} ${units.difference.unit}d`}
        />
      </dl>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(360px,1fr))] gap-x-6 gap-y-3">
        {charts.map((x) => (
          <Chart key={x.title} {...x} />
        ))}
      </div>
      {(c.missing.length > 0 || c.notes.length > 0) && (
        <ul className="mt-2 list-disc pl-5">
          {c.missing.map((m) => (
            <li key={m}>Missing in the file: {m}</li>
          ))}
          {c.notes.map((n) => (
            <li key={n}>{units.said(n)}</li>
          ))}
        </ul>
      )}
    </>
  );
}

function Fact({ name, value }: { name: string; value: string }) {
  return (
    <div>
      <dt className="text-sm text-muted">{name}</dt>
      <dd className="font-semibold">{value}</dd>
    </div>
  );
}

const HOURS = Array.from({ length: 24 }, (_, h) => `${h}–${h + 1}`);
const round = (v: number, digits = 1) => Number(v.toFixed(digits));

function pictures(c: Climate, units: Units) {
  const style = pageStyle();
  const t = units.temperature;
  const b = base(style);
  const months = { ...b.xAxis, type: 'category', data: MONTHS };
  const values = c.dryBulb.flatMap((row, m) => row.map((v, h) => [h, m, round(t.to(v))]));
  const all = values.map((v) => v[2]);
  const heat = {
    title: 'Dry bulb by month and hour',
    says: t.unit,
    numbers: {
      columns: ['Month', ...HOURS],
      rows: c.dryBulb.map((r, m) => [MONTHS[m], ...r.map((v) => t.to(v))]),
    },
    option: {
      ...b,
      grid: { ...b.grid, top: 6, bottom: 34 },
      legend: undefined,
      tooltip: { ...b.tooltip, trigger: 'item' },
      xAxis: { ...b.xAxis, type: 'category', data: HOURS.map((_, h) => String(h)) },
      yAxis: { ...b.xAxis, type: 'category', data: MONTHS, inverse: true },
      visualMap: {
        min: Math.min(...all),
        max: Math.max(...all),
        calculable: false,
        orient: 'horizontal',
        left: 'center',
        bottom: 0,
        itemWidth: 10,
        itemHeight: 160,
        textStyle: { color: style.muted, fontSize: 11 },
        inRange: { color: COLD_TO_WARM },
      },
      series: [{ type: 'heatmap', data: values }],
    },
  };
  const sun = {
    title: 'Radiation by month',
    says: units.heatByArea.unit,
    numbers: {
      columns: ['Month', 'Global horizontal', 'Direct normal', 'Diffuse horizontal'],
      rows: MONTHS.map((m, i) => [
        m,
        ...[c.global, c.direct, c.diffuse].map((x) => units.heatByArea.to(x[i])),
      ]),
    },
    option: {
      ...b,
      xAxis: months,
      yAxis: b.yAxis,
      series: (
        [
          ['Global horizontal', c.global, SERIES.light],
          ['Direct normal', c.direct, SERIES.heating],
          ['Diffuse horizontal', c.diffuse, SERIES.air],
        ] as const
      ).map(([name, data, color]) => ({
        type: 'bar',
        name,
        data: data.map((v) => round(units.heatByArea.to(v))),
        itemStyle: { color },
      })),
    },
  };
  const ground = {
    title: 'Air and ground by month',
    says: t.unit,
    numbers: {
      columns: ['Month', 'Air', 'Ground'],
      rows: MONTHS.map((m, i) => [
        m,
        t.to(c.monthly[i]),
        c.ground.length ? t.to(c.ground[i]) : '–',
      ]),
    },
    option: {
      ...b,
      xAxis: months,
      series: [
        {
          type: 'line',
          name: 'Air',
          symbol: 'none',
          data: c.monthly.map((v) => round(t.to(v))),
          color: SERIES.heating,
        },
        ...(c.ground.length
          ? [
              {
                type: 'line',
                name: 'Ground',
                symbol: 'none',
                data: c.ground.map((v) => round(t.to(v))),
                color: SERIES.ground,
                lineStyle: { type: 'dashed' },
              },
            ]
          : []),
      ],
    },
  };
  const humidity = {
    title: 'Relative humidity by month',
    says: '%',
    numbers: {
      columns: ['Month', 'Relative humidity'],
      rows: c.humidity.map((v, i) => [MONTHS[i], v]),
    },
    option: {
      ...b,
      legend: undefined,
      grid: { ...b.grid, top: 12 },
      xAxis: months,
      yAxis: { ...b.yAxis, max: 100 },
      series: [
        {
          type: 'line',
          name: 'Relative humidity',
          symbol: 'none',
          data: c.humidity.map((v) => round(v)),
          color: SERIES.cooling,
        },
      ],
    },
  };
  const wind = {
    title: 'Wind by where it comes from',
    says: `share of the hours, %${c.windMean == null ? '' : `; mean ${units.speed.text(c.windMean)}`}; calm ${figures(100 * c.calm)} %`,
    numbers: {
      columns: ['From, °', 'Share, %', `Mean, ${units.speed.unit}`],
      rows: c.wind.map((w) => [w.from, 100 * w.share, units.speed.to(w.speed)]),
    },
    option: {
      animation: false,
      textStyle: b.textStyle,
      tooltip: { ...b.tooltip, trigger: 'item' },
      polar: { radius: '78%' },
      angleAxis: {
        type: 'category',
        data: 'N,NNE,NE,ENE,E,ESE,SE,SSE,S,SSW,SW,WSW,W,WNW,NW,NNW'.split(','),
        startAngle: 101.25,
        axisLine: { lineStyle: { color: style.line } },
        axisLabel: { color: style.muted, fontSize: 11 },
      },
      radiusAxis: { axisLabel: { color: style.muted, fontSize: 10 }, splitNumber: 3 },
      series: [
        {
          type: 'bar',
          coordinateSystem: 'polar',
          data: c.wind.map((w) => round(100 * w.share, 2)),
          itemStyle: { color: SERIES.cooling },
        },
      ],
    },
  };
  return [
    heat,
    sun,
    ground,
    ...(c.humidity.length ? [humidity] : []),
    ...(c.wind.length ? [wind] : []),
  ];
}
