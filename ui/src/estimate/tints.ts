import type { SpaceEstimate } from '../model/estimateCalls';
import type { Tinted } from '../model/state';
import type { Units } from '../model/units';

/** Figures of a space that the model can show. */
export const TINTS = [
  { key: 'heatLoad', label: 'Heating load' },
  { key: 'coolLoad', label: 'Cooling load' },
  { key: 'heating', label: 'Heating in the year' },
  { key: 'cooling', label: 'Cooling in the year' },
  { key: 'warm', label: 'Hours over 26 °C' },
] as const;

type Key = (typeof TINTS)[number]['key'];

/** Bounds between the seven colours. */
const BOUNDS: Record<Key, number[]> = {
  heatLoad: [10, 20, 35, 50, 75, 100],
  coolLoad: [5, 15, 30, 50, 80, 150],
  heating: [10, 25, 50, 75, 110, 160],
  cooling: [2, 5, 10, 20, 40, 80],
  warm: [1, 25, 100, 250, 500, 1000],
};

const perArea = (v: number | undefined, s: SpaceEstimate) =>
  v === undefined || !(s.floorArea > 0) ? null : v / s.floorArea;

const OF: Record<Key, (s: SpaceEstimate) => number | null> = {
  heatLoad: (s) => perArea(s.heatingLoad?.total, s),
  coolLoad: (s) => perArea(s.coolingLoad?.peak, s),
  heating: (s) => (s.heated ? perArea(s.heating, s) : null),
  cooling: (s) => (s.cooled ? perArea(s.cooling, s) : null),
  warm: (s) => s.warm,
};

/** A figure of the spaces as the stage colours them. */
export function tintOf(units: Units, key: Key, spaces: SpaceEstimate[]): Tinted {
  const unit = key === 'warm' ? null : key.endsWith('Load') ? units.powerDensity : units.heatByArea;
  const values: Record<string, number> = {};
  for (const s of spaces) {
    const v = OF[key](s);
    if (v != null) values[s.key] = v;
  }
  return {
    values,
    bounds: BOUNDS[key],
    unit: unit?.unit ?? 'h',
    say: (v) => String(Number((unit ? unit.to(v) : v).toPrecision(2))),
  };
}
