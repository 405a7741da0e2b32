import { useMemo } from 'react';
import type { SpaceEstimate } from '../model/estimateCalls';
import { useUnits } from '../model/units';
import { Chart } from './Chart';
import { base, lying, SERIES } from './charts';

/** A space, or several together. */
export interface LoadRow {
  key: string;
  label: string;
  keys: string[];
  area: number;
  heatLoad: number | null;
  coolLoad: number | null;
  heating: number;
  cooling: number;
  warm: number;
  unmet: number;
  free: [number, number];
  one: SpaceEstimate | null;
}

/** More bars than this cannot be told apart: the greatest are drawn. */
const MOST = 40;

/** Design loads as bars, the greatest first. */
export function LoadsChart({ rows, by }: { rows: LoadRow[]; by: string }) {
  const units = useUnits();
  const chart = useMemo(() => {
    const w = units.power;
    const shown = [...rows]
      .sort((a, b) => (b.heatLoad ?? 0) + (b.coolLoad ?? 0) - (a.heatLoad ?? 0) - (a.coolLoad ?? 0))
      .slice(0, MOST);
    const b = base();
    const bars = (name: string, color: string, of: (r: LoadRow) => number | null) => ({
      type: 'bar',
      name,
      color,
      data: shown.map((r) => Math.round(w.to(of(r) ?? 0))),
    });
    return {
      title: `Design loads by ${by}`,
      says: `${w.unit}${rows.length > MOST ? `, the ${MOST} greatest of ${rows.length}` : ''}`,
      height: Math.max(200, 60 + 34 * shown.length),
      numbers: {
        columns: ['Name', `Heating, ${w.unit}`, `Cooling, ${w.unit}`],
        rows: rows.map((r) => [r.label, w.to(r.heatLoad ?? 0), w.to(r.coolLoad ?? 0)]),
      },
      option: {
        ...b,
        ...lying(
          b,
          shown.map((r) => r.label),
          180,
        ),
        series: [
          bars('Heating', SERIES.heating, (r) => r.heatLoad),
          bars('Cooling', SERIES.cooling, (r) => r.coolLoad),
        ],
      },
    };
  }, [rows, by, units]);
  return <Chart {...chart} wide />;
}
