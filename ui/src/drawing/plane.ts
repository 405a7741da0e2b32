/** Points and lines of a drawing, in metres. */
export type Pt = [number, number];

export interface Seg {
  a: Pt;
  b: Pt;
}

export const minus = (p: Pt, q: Pt): Pt => [p[0] - q[0], p[1] - q[1]];
export const plus = (p: Pt, q: Pt): Pt => [p[0] + q[0], p[1] + q[1]];
export const times = (p: Pt, k: number): Pt => [p[0] * k, p[1] * k];
export const dot = (p: Pt, q: Pt) => p[0] * q[0] + p[1] * q[1];
export const cross = (p: Pt, q: Pt) => p[0] * q[1] - p[1] * q[0];
export const distance = (p: Pt, q: Pt) => Math.hypot(p[0] - q[0], p[1] - q[1]);
export const middle = (p: Pt, q: Pt): Pt => [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2];

/** A tenth of a millimetre is as fine as anybody draws. */
const rounded = (v: number) => Math.round(v * 1e4) / 1e4 + 0;
export const fine = (p: Pt): Pt => [rounded(p[0]), rounded(p[1])];

/** Degrees counter-clockwise from x, 0 to 360. */
export function direction(from: Pt, to: Pt): number {
  const d = (Math.atan2(to[1] - from[1], to[0] - from[0]) * 180) / Math.PI;
  return d < 0 ? d + 360 : d;
}

/** The unit vector of a direction in degrees; exact along the axes. */
export function heading(degrees: number): Pt {
  const quarter = ((degrees % 360) + 360) % 360;
  if (quarter % 90 === 0)
    return [[1, 0] as Pt, [0, 1] as Pt, [-1, 0] as Pt, [0, -1] as Pt][quarter / 90];
  const r = (degrees * Math.PI) / 180;
  return [Math.cos(r), Math.sin(r)];
}

export const unit = (v: Pt): Pt | null => {
  const l = Math.hypot(v[0], v[1]);
  return l < 1e-9 ? null : [v[0] / l, v[1] / l];
};

/** The point of a line nearest to p; the line goes through o along the unit vector u. */
export const onLine = (p: Pt, o: Pt, u: Pt): Pt => plus(o, times(u, dot(minus(p, o), u)));

/** Where on a segment p is nearest, from 0 at a to 1 at b. */
export function along(p: Pt, s: Seg): number {
  const d = minus(s.b, s.a);
  const l = dot(d, d);
  return l < 1e-18 ? 0 : Math.max(0, Math.min(1, dot(minus(p, s.a), d) / l));
}

export const at = (s: Seg, t: number): Pt => plus(s.a, times(minus(s.b, s.a), t));
export const nearest = (p: Pt, s: Seg): Pt => at(s, along(p, s));

/** Where two lines cross; null when they are parallel. */
export function crossing(o: Pt, u: Pt, q: Pt, v: Pt): Pt | null {
  const c = cross(u, v);
  return Math.abs(c) < 1e-9 ? null : plus(o, times(u, cross(minus(q, o), v) / c));
}

/** Where two segments cross within both. */
export function meeting(s: Seg, t: Seg): Pt | null {
  const u = minus(s.b, s.a);
  const v = minus(t.b, t.a);
  const c = cross(u, v);
  if (Math.abs(c) < 1e-9) return null;
  const d = minus(t.a, s.a);
  const k = cross(d, v) / c;
  const l = cross(d, u) / c;
  return k >= 0 && k <= 1 && l >= 0 && l <= 1 ? plus(s.a, times(u, k)) : null;
}

/** Whether a point lies within rings, of which all but the first are holes. */
export function within(p: Pt, rings: Pt[][]): boolean {
  let inside = false;
  for (const ring of rings)
    for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
      const [a, b] = [ring[i], ring[j]];
      if (
        a[1] > p[1] !== b[1] > p[1] &&
        p[0] < ((b[0] - a[0]) * (p[1] - a[1])) / (b[1] - a[1]) + a[0]
      )
        inside = !inside;
    }
  return inside;
}

/** The sides of a ring. */
export const sides = (ring: Pt[]): Seg[] =>
  ring.map((a, i) => ({ a, b: ring[(i + 1) % ring.length] }));
