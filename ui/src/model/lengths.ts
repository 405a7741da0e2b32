import table from './units.json';
import type { UnitSystem } from './units';

const row = (quantity: string) => table.find((r) => r.quantity === quantity)!;
const FEET = row('LENGTH').imperial.factor;
/** Millimetres of an inch, in metres. */
const INCHES = row('THICKNESS').imperial.factor / 1000;

/** Units that a length can be typed in, in metres. */
const METRES: Record<string, number> = {
  m: 1,
  cm: 0.01,
  mm: 0.001,
  ft: FEET,
  "'": FEET,
  '′': FEET,
  in: INCHES,
  '"': INCHES,
  '″': INCHES,
};

const PIECE = /^\s*([+-]?\d+(?:[.,]\d+)?)(?:\s+(\d+)\/(\d+))?\s*(mm|cm|m|ft|in|['′"″])?/i;

/**
 * A length as it is typed, in metres: "6.25", "6,25", "6250 mm", "20 ft 6 in", "20' 6 1/2\"". What has no unit is in metres, or in
 * feet where those are shown. Null when it is no length.
 */
export function lengthOf(text: string, system: UnitSystem): number | null {
  let rest = text.trim();
  let metres = 0;
  let unit: string | null = null;
  if (!rest) return null;
  for (let first = true; rest; first = false) {
    const m = PIECE.exec(rest);
    if (!m || (!first && /^[+-]/.test(m[1]))) return null;
    const number = Number(m[1].replace(',', '.')) + (m[2] ? Number(m[2]) / Number(m[3]) : 0);
    const now = m[4]?.toLowerCase();
    // of several pieces each says its unit, and each is smaller than the one before
    if (!first && (!now || !unit || METRES[now] >= METRES[unit])) return null;
    if (!Number.isFinite(number)) return null;
    const sign = metres < 0 ? -1 : 1;
    metres += sign * number * METRES[now ?? (system === 'IP' ? 'ft' : 'm')];
    unit = now ?? null;
    rest = rest.slice(m[0].length).trim();
  }
  return metres;
}

/** Degrees as they are typed: "45", "45°", "-12,5". */
export function degreesOf(text: string): number | null {
  const m = /^\s*([+-]?\d+(?:[.,]\d+)?)\s*°?\s*$/.exec(text);
  return m ? Number(m[1].replace(',', '.')) : null;
}
