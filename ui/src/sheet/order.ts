/** Sorting and filtering of rows, quick enough for 100,000 of them at every key stroke. */

type Value = string | number | null;

/** Numbers within words are brought to this many digits. */
const ZEROS = '0'.repeat(12);

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

/** Characters of a word that are packed into one number, seven bits each. */
const PACKED = 7;

/** The first characters of a word behind a prefix as a number; numbers are in the order of the words, where they differ. */
function packed(word: string, from: number): number {
  let n = 0;
  for (let i = from; i < from + PACKED; i++)
    n = n * 128 + (i < word.length ? Math.min(127, Math.max(1, word.charCodeAt(i))) : 0);
  return n;
}

/** Length of the prefix that all words have in common. */
function common(words: string[]): number {
  let n = words[0]?.length ?? 0;
  for (const w of words) {
    let i = 0;
    while (i < n && w.charCodeAt(i) === words[0].charCodeAt(i)) i++;
    n = i;
  }
  return n;
}

/** Places of numbers below 2^49 in ascending order, equal ones in their order: a radix sort of 16 bits at a time. */
function ascending(list: Float64Array): Uint32Array {
  const n = list.length;
  let order = Uint32Array.from(list.keys());
  let next = new Uint32Array(n);
  const starts = new Uint32Array(65537);
  for (let unit = 1; unit < 2 ** 49; unit *= 65536) {
    starts.fill(0);
    for (let i = 0; i < n; i++) starts[(Math.floor(list[i] / unit) % 65536) + 1]++;
    for (let d = 0; d < 65536; d++) starts[d + 1] += starts[d];
    for (let i = 0; i < n; i++) {
      const at = order[i];
      next[starts[Math.floor(list[at] / unit) % 65536]++] = at;
    }
    [order, next] = [next, order];
  }
  return order;
}

/** Places of words in ascending order, equal ones in their order. */
function wordOrder(keys: string[]): Uint32Array {
  const prefix = common(keys);
  const first = Float64Array.from(keys, (k) => packed(k, prefix));
  const order = ascending(first);
  // what begins alike may still differ further on
  for (let start = 0; start < order.length;) {
    let end = start + 1;
    let alike = true;
    while (end < order.length && first[order[end]] === first[order[start]]) {
      alike &&= keys[order[end]] === keys[order[start]];
      end++;
    }
    if (!alike)
      order
        .subarray(start, end)
        .sort((a, b) => (keys[a] < keys[b] ? -1 : keys[a] > keys[b] ? 1 : a - b));
    start = end;
  }
  return order;
}

/**
 * Places of the rows in sorted order; empty values come last either way, equal ones stay in order. Words are sorted by what their first
 * characters are as a number: comparing words would take several times as long.
 */
export function sorted(places: Int32Array, values: Value[], down: boolean): Int32Array {
  const empty: number[] = [];
  const numbers: number[] = [];
  const worded: number[] = [];
  const keys: string[] = [];
  let last = '';
  let key = '';
  for (const p of places) {
    const v = values[p];
    if (v === null || v === '') empty.push(p);
    else if (typeof v === 'number') numbers.push(p);
    else {
      if (v !== last) key = sortKey((last = v));
      worded.push(p);
      keys.push(key);
    }
  }
  const sign = down ? -1 : 1;
  numbers.sort((a, b) => sign * ((values[a] as number) - (values[b] as number)) || a - b);
  const order = wordOrder(keys);
  const words = Array.from(order, (i) => worded[i]);
  if (down) turn(words, (i) => keys[order[i]]);
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
