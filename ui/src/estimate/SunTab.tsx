import { useEffect, useMemo, useState } from 'react';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, type Model } from '../model/api';
import type { ModelIndex } from '../model/model';
import { useSelection, useView } from '../model/state';
import { Table, type Column } from '../shared/Table';
import { MONTHS } from './charts';

/** An opening counts as sunlit from this share on. */
const LIT = 0.02;

interface Row {
  key: string;
  label: string;
  on: string;
  hours: number;
  share: number;
}

const COLUMNS: Column<Row>[] = [
  { id: 'label', head: 'Opening', width: 260, value: (r) => r.label },
  { id: 'on', head: 'In', width: 260, value: (r) => r.on },
  {
    id: 'hours',
    head: 'Sun on the day',
    unit: 'h',
    width: 110,
    number: true,
    value: (r) => r.hours,
    show: (r) => r.hours.toFixed(1),
    title: 'Hours of sun on the 21st under a clear sky, counted by the sunlit share',
  },
  {
    id: 'share',
    head: 'Sunlit now',
    unit: '%',
    width: 90,
    number: true,
    value: (r) => 100 * r.share,
    show: (r) => Math.round(100 * r.share),
  },
];

/** Sun on the openings for an hour and a day, shaded by everything outdoors. */
export function SunTab({ model, index }: { model: Model; index: ModelIndex }) {
  const select = useView((s) => s.select);
  const selection = useSelection();
  const set = useView((s) => s.set);
  const [month, setMonth] = useState(6);
  const [hour, setHour] = useState(12);
  const { data, error } = useQuery({
    queryKey: ['sunlight', model.delivery.id, model.delivery.version, month, hour],
    queryFn: () => api.sunlight(model.delivery.id, month, hour),
    placeholderData: keepPreviousData,
    retry: false,
  });
  const rows = useMemo<Row[]>(() => {
    const parents = new Map(
      model.surfaces.flatMap((s) => s.openings.map((o) => [o.key, s.label] as const)),
    );
    return (data?.openings ?? []).map((o) => ({
      ...o,
      label: index.openings.get(o.key)?.label ?? o.key,
      on: parents.get(o.key) ?? '',
    }));
  }, [data, index, model]);
  useEffect(() => {
    const lines: number[][] = [];
    for (const o of data?.openings ?? []) {
      const shape = o.share > LIT ? index.openings.get(o.key)?.shape : null;
      if (shape) {
        const ring = [...shape.points.slice(0, 3 * shape.rings[0])];
        lines.push([...ring, ...ring.slice(0, 3)]);
      }
    }
    set({ lit: { areas: [], lines, points: [] } });
    return () => set({ lit: null });
  }, [data, index, set]);
  if (error) return <p className="p-3 font-semibold text-blocker">{(error as Error).message}</p>;
  return (
    <div className="flex min-h-0 flex-1 flex-col" data-testid="sun">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 px-3 py-1.5">
        <label className="flex items-center gap-1.5">
          On the 21st of
          <select
            className="field"
            value={month}
            onChange={(e) => setMonth(Number(e.target.value))}
          >
            {MONTHS.map((m, i) => (
              <option key={m} value={i + 1}>
                {m}
              </option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-1.5">
          <input
            type="range"
            min={0}
            max={23}
            value={hour}
            className="w-48 accent-[var(--kelp)]"
            onChange={(e) => setHour(Number(e.target.value))}
            aria-label="Hour of the day"
          />
          <b className="w-16">
            {hour}–{hour + 1} h
          </b>
        </label>
        {data && (
          <span className="text-muted">
            {data.altitude > 0
              ? `The sun stands ${Math.round(data.altitude)}° high, ${Math.round(data.azimuth)}° from north`
              : 'The sun is down'}
            ; sunlit openings are marked on the model.
          </span>
        )}
      </div>
      <Table
        name="sun"
        rows={rows}
        columns={COLUMNS}
        keyOf={(r) => r.key}
        selection={selection}
        onSelect={select}
        empty="No openings look outdoors."
      />
    </div>
  );
}
