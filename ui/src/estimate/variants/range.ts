/** Values from one to another by a step; the server has the same rule and the last word. */
export function rangeOf(from: number, to: number, step: number): number[] {
  const n = (to - from) / step;
  if (!Number.isFinite(n) || n < 0 || n >= 1000) return [];
  return Array.from({ length: Math.floor(n + 1e-9) + 1 }, (_, i) =>
    Number((from + i * step).toPrecision(12)),
  );
}

const NUMBER = String.raw`[-+]?\d+(?:[.,]\d+)?`;
const RANGE = new RegExp(
  `^(${NUMBER})\\s*(?:to|–|\\.\\.)\\s*(${NUMBER})\\s*(?:by|step)\\s*(${NUMBER})$`,
  'i',
);
const number = (t: string) => Number(t.replace(',', '.'));

/** What a person types: "0.1 to 0.5 by 0.1", or numbers with spaces or semicolons between; null where it is neither. */
export function valuesOf(text: string): number[] | null {
  const t = text.trim();
  const range = RANGE.exec(t);
  if (range) {
    const out = rangeOf(number(range[1]), number(range[2]), number(range[3]));
    return out.length ? out : null;
  }
  const parts = t.split(/[\s;]+/).filter(Boolean);
  const out = parts.map(number);
  return out.length && out.every(Number.isFinite) ? [...new Set(out)] : null;
}

/** Values as a person would type them: a range where they have one step. */
export function textOf(values: number[]): string {
  const show = (v: number) => String(Number(v.toPrecision(6)));
  if (values.length > 2) {
    const step = values[1] - values[0];
    const even = values.every(
      (v, i) => Math.abs(v - values[0] - i * step) < 1e-9 + 1e-6 * Math.abs(step),
    );
    if (even && step > 0)
      return `${show(values[0])} to ${show(values[values.length - 1])} by ${show(step)}`;
  }
  return values.map(show).join(' ');
}
