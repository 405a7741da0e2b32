import type { Measure, Units } from '../model/units';

export type Shown = Pick<Measure, 'unit' | 'to' | 'from'>;

export const PLAIN: Shown = { unit: '', to: (v) => v, from: (v) => v };
export const PERCENT: Shown = { unit: '%', to: (v) => 100 * v, from: (v) => v / 100 };
export const with_ = (unit: string): Shown => ({ ...PLAIN, unit });

/** A number of a change or a metric as it is shown: shares in percent, lengths of layers in millimetres. */
export function shownAs(units: Units, quantity: string, unit: string, label = ''): Shown {
  if (quantity === 'SHARE') return PERCENT;
  if (quantity === 'LENGTH' && label === 'thickness') return units.thickness;
  return quantity ? units.of(unit) : with_(unit);
}

/** Three significant digits; whole numbers from a thousand on. */
export const figure = (v: number) =>
  (Math.abs(v) >= 1000 ? String(Math.round(v)) : String(Number(v.toPrecision(3)))).replace(
    '-',
    '−',
  );
