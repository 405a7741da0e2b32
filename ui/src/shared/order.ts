/** Sorting and filtering of rows, quick enough for 100,000 of them at every key stroke. */

type Value = string | number | null;

/** Numbers within words are brought to this many digits. */
const DIGITS = 12;
const ZERO = 48;

/** Characters of a word that fit into one unsigned number of 32 bits, seven bits each. */
const PACKED = 4;

/**
 * Words in one array of characters, written so that plain comparison puts "Room 9" before "Room 10", whatever the capitals: strings of
 * their own would take several times as long to make and to compare.
 */
class Words {
  private codes = new Uint16Array(1 << 16);
  private readonly from: Uint32Array;
  private readonly to: Uint32Array;
  private used = 0;
  private last: string | null = null;
  private count = 0;

  constructor(most: number) {
    this.from = new Uint32Array(most);
    this.to = new Uint32Array(most);
  }

  add(word: string) {
    const i = this.count++;
    if (word === this.last) {
      this.from[i] = this.from[i - 1];
      this.to[i] = this.to[i - 1];
      return;
    }
    this.last = word;
    this.from[i] = this.used;
    this.write(word.toLowerCase());
    this.to[i] = this.used;
  }

  private write(s: string) {
    const room = this.used + s.length * (DIGITS + 1);
    if (room > this.codes.length) {
      const more = new Uint16Array(2 * room);
      more.set(this.codes);
      this.codes = more;
    }
    const codes = this.codes;
    let at = this.used;
    for (let i = 0; i < s.length;) {
      const c = s.charCodeAt(i);
      if (!digit(c)) {
        codes[at++] = c;
        i++;
        continue;
      }
      let end = i + 1;
      while (end < s.length && digit(s.charCodeAt(end))) end++;
      for (let zeros = DIGITS - (end - i); zeros > 0; zeros--) codes[at++] = ZERO;
      while (i < end) codes[at++] = s.charCodeAt(i++);
    }
    this.used = at;
  }

  /** Length of the beginning that all words have in common. */
  private common(): number {
    let n = this.count ? this.to[0] - this.from[0] : 0;
    for (let w = 1; w < this.count; w++) {
      const start = this.from[w];
      n = Math.min(n, this.to[w] - start);
      let i = 0;
      while (i < n && this.codes[start + i] === this.codes[i]) i++;
      n = i;
    }
    return n;
  }

  /** Characters of a word as a number; numbers are in the order of the words, where they differ. */
  private packed(word: number, offset: number): number {
    const start = this.from[word] + offset;
    const end = this.to[word];
    let n = 0;
    for (let i = start; i < start + PACKED; i++)
      n = n * 128 + (i < end ? Math.min(127, Math.max(1, this.codes[i])) : 0);
    return n;
  }

  private compare(a: number, b: number): number {
    let i = this.from[a];
    let j = this.from[b];
    while (i < this.to[a] && j < this.to[b]) {
      const d = this.codes[i++] - this.codes[j++];
      if (d) return d;
    }
    return this.to[a] - i - (this.to[b] - j);
  }

  /** The words in ascending order and, for each place in it, whether it begins a new value. */
  order(): Ascending {
    const n = this.count;
    const prefix = this.common();
    const high = new Uint32Array(n);
    const low = new Uint32Array(n);
    for (let i = 0; i < n; i++) {
      high[i] = this.packed(i, prefix);
      low[i] = this.packed(i, prefix + PACKED);
    }
    const order = radix(high, low);
    // what begins alike may still differ further on
    for (let start = 0; start < n;) {
      const first = order[start];
      let end = start + 1;
      let alike = true;
      while (end < n && high[order[end]] === high[first] && low[order[end]] === low[first]) {
        alike &&= this.compare(order[end], first) === 0;
        end++;
      }
      if (!alike) order.subarray(start, end).sort((a, b) => this.compare(a, b) || a - b);
      start = end;
    }
    const begins = new Uint8Array(n);
    for (let i = 0; i < n; i++) begins[i] = i && !this.compare(order[i - 1], order[i]) ? 0 : 1;
    return { order, begins };
  }
}

interface Ascending {
  order: Uint32Array;
  begins: Uint8Array;
}

function digit(c: number): boolean {
  return c >= ZERO && c < ZERO + 10;
}

/** Numbers in ascending order: their bits, turned so that they compare as whole numbers. */
function numberOrder(list: number[]): Ascending {
  const n = list.length;
  // zero has two signs of which only one is wanted
  const values = Float64Array.from(list, (v) => v + 0);
  const bits = new BigUint64Array(values.buffer);
  const high = new Uint32Array(n);
  const low = new Uint32Array(n);
  for (let i = 0; i < n; i++) {
    const h = Number(bits[i] >> 32n);
    const l = Number(bits[i] & 0xffffffffn);
    const negative = h >= 2 ** 31;
    high[i] = negative ? ~h : h + 2 ** 31;
    low[i] = negative ? ~l : l;
  }
  const order = radix(high, low);
  const begins = new Uint8Array(n);
  for (let i = 0; i < n; i++) begins[i] = i && values[order[i - 1]] === values[order[i]] ? 0 : 1;
  return { order, begins };
}

/** Places in ascending order of a number in two halves, equal ones in their order: 16 bits at a time. */
function radix(high: Uint32Array, low: Uint32Array): Uint32Array {
  const n = high.length;
  let order = Uint32Array.from(high.keys());
  let next = new Uint32Array(n);
  const starts = new Uint32Array(65537);
  for (const half of [low, high]) {
    for (const shift of [0, 16]) {
      starts.fill(0);
      for (let i = 0; i < n; i++) starts[((half[i] >>> shift) & 65535) + 1]++;
      for (let d = 0; d < 65536; d++) starts[d + 1] += starts[d];
      for (let i = 0; i < n; i++) {
        const at = order[i];
        next[starts[(half[at] >>> shift) & 65535]++] = at;
      }
      [order, next] = [next, order];
    }
  }
  return order;
}

/** Places of the rows in sorted order; empty values come last either way, equal ones stay in order. */
export function sorted(places: Int32Array, values: Value[], down: boolean): Int32Array {
  const empty: number[] = [];
  const numbers: number[] = [];
  const numbered: number[] = [];
  const worded: number[] = [];
  const words = new Words(places.length);
  for (const p of places) {
    const v = values[p];
    if (v === null || v === '') empty.push(p);
    else if (typeof v === 'number') {
      numbers.push(v);
      numbered.push(p);
    } else {
      worded.push(p);
      words.add(v);
    }
  }
  const out = new Int32Array(places.length);
  let at = 0;
  const put = (rows: number[], { order, begins }: Ascending) => {
    if (!down) for (const i of order) out[at++] = rows[i];
    else
      for (let end = order.length; end > 0;) {
        let start = end - 1;
        while (!begins[start]) start--;
        for (let i = start; i < end; i++) out[at++] = rows[order[i]];
        end = start;
      }
  };
  const parts = [() => put(numbered, numberOrder(numbers)), () => put(worded, words.order())];
  for (const part of down ? parts.reverse() : parts) part();
  out.set(empty, at);
  return out;
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
