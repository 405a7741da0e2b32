/** Sorting and filtering of rows, quick enough for 100,000 of them at every key stroke. */

type Value = string | number | null;

/** Numbers within words are brought to this many digits. */
const ZEROS = '0'.repeat(12);
const FIRST_PLACE = 1e9;

/** Words so that plain comparison puts "Room 9" before "Room 10", whatever the capitals. */
export function sortKey(text: string): string {
  const s = text.toLowerCase();
  let out = '';
  let from = 0;
  for (let i = 0; i < s.length;) {
    const c = s.charCodeAt(i);
    if (c < 48 || c > 57) {
      i++;
      continue;
    }
    let end = i + 1;
    while (end < s.length && s.charCodeAt(end) >= 48 && s.charCodeAt(end) <= 57) end++;
    out += s.slice(from, i) + ZEROS.slice(end - i) + s.slice(i, end);
    from = i = end;
  }
  return out + s.slice(from);
}

/**
 * Places of the rows in sorted order; empty values come last either way, equal ones stay in order. The place is written behind the word
 * and the engine's own sort of strings does the rest: a comparison in script would take several times as long.
 */
export function sorted(places: Int32Array, values: Value[], down: boolean): Int32Array {
  const empty: number[] = [];
  const numbers: number[] = [];
  const tagged: string[] = [];
  for (const p of places) {
    const v = values[p];
    if (v === null || v === '') empty.push(p);
    else if (typeof v === 'number') numbers.push(p);
    else tagged.push(`${sortKey(v)}\u0001${FIRST_PLACE + p}`);
  }
  const sign = down ? -1 : 1;
  numbers.sort((a, b) => sign * ((values[a] as number) - (values[b] as number)) || a - b);
  tagged.sort();
  const words = tagged.map((t) => Number(t.slice(-10)) - FIRST_PLACE);
  if (down) turn(words, (i) => tagged[i].slice(0, -10));
  const filled = down ? [...words, ...numbers] : [...numbers, ...words];
  return Int32Array.from([...filled, ...empty]);
}

/** Turns a sorted list round, but leaves equal ones in their order. */
function turn(list: number[], key: (i: number) => string) {
  const keys = list.map((_, i) => key(i));
  const out: number[] = [];
  for (let end = list.length; end > 0;) {
    let start = end - 1;
    while (start > 0 && keys[start - 1] === keys[end - 1]) start--;
    for (let i = start; i < end; i++) out.push(list[i]);
    end = start;
  }
  for (let i = 0; i < list.length; i++) list[i] = out[i];
}

/** Whether a value passes what was typed: words it holds; for numbers also > 2, <= 3, 2..5. */
export function filter(typed: string, numeric: boolean): (v: Value) => boolean {
  const text = typed.trim().toLowerCase();
  if (numeric) {
    const bound = /^(>=|<=|>|<|=)\s*(-?[\d.]+)$/.exec(text);
    if (bound) {
      const n = Number(bound[2]);
      const test: Record<string, (v: number) => boolean> = {
        '>': (v) => v > n,
        '<': (v) => v < n,
        '>=': (v) => v >= n,
        '<=': (v) => v <= n,
        '=': (v) => v === n,
      };
      return (v) => typeof v === 'number' && test[bound[1]](v);
    }
    const range = /^(-?[\d.]+)\s*\.\.\s*(-?[\d.]+)$/.exec(text);
    if (range)
      return (v) => typeof v === 'number' && v >= Number(range[1]) && v <= Number(range[2]);
  }
  const known = new Map<string, boolean>();
  return (v) => {
    if (v === null) return text === '–' || text === '-';
    if (typeof v === 'number') return String(v).includes(text);
    let fits = known.get(v);
    if (fits === undefined) known.set(v, (fits = v.toLowerCase().includes(text)));
    return fits;
  };
}

export interface Order {
  column: string;
  down: boolean;
}

/** The rows that pass all filters, in order. */
export function arranged<T>(
  rows: T[],
  columns: { id: string; number?: boolean; value: (row: T) => Value }[],
  filters: Record<string, string>,
  order: Order | null,
): T[] {
  const set = columns.filter((c) => filters[c.id]?.trim());
  let places: Int32Array = Int32Array.from(rows.keys());
  for (const c of set) {
    const fits = filter(filters[c.id], !!c.number);
    places = places.filter((i) => fits(c.value(rows[i])));
  }
  const by = order && columns.find((c) => c.id === order.column);
  if (by) places = sorted(places, rows.map(by.value), order.down);
  if (!set.length && !by) return rows;
  return Array.from(places, (i) => rows[i]);
}
