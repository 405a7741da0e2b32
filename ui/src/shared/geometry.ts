import type { Shape } from '../model/shapes';

/** A point in model coordinates, metres. */
export interface Point {
  x: number;
  y: number;
  z: number;
}

/** The corners of the first ring of a shape. */
export const outer = (s: Shape): Point[] => points(s.points.subarray(0, 3 * (s.rings[0] ?? 0)));

/** The corners of a flat list x, y, z. */
export function points(flat: ArrayLike<number>): Point[] {
  const out: Point[] = [];
  for (let i = 0; i + 2 < flat.length; i += 3)
    out.push({ x: flat[i], y: flat[i + 1], z: flat[i + 2] });
  return out;
}

const minus = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y, z: a.z - b.z });
const cross = (a: Point, b: Point): Point => ({
  x: a.y * b.z - a.z * b.y,
  y: a.z * b.x - a.x * b.z,
  z: a.x * b.y - a.y * b.x,
});
const dot = (a: Point, b: Point) => a.x * b.x + a.y * b.y + a.z * b.z;
const unit = (a: Point): Point => {
  const l = Math.hypot(a.x, a.y, a.z) || 1;
  return { x: a.x / l, y: a.y / l, z: a.z / l };
};

/** Axes in the plane of an outline: along it (to the right, seen from outside) and up it. */
export interface Axes {
  origin: Point;
  u: Point;
  v: Point;
  /** The normal, outwards. */
  n: Point;
}

/** The frame of an outline with its lowest left corner as the origin. */
export function axes(ring: Point[]): Axes {
  let n = { x: 0, y: 0, z: 0 };
  for (let i = 0; i < ring.length; i++) {
    const c = cross(ring[i], ring[(i + 1) % ring.length]);
    n = { x: n.x + c.x, y: n.y + c.y, z: n.z + c.z };
  }
  n = unit(n);
  let u = cross({ x: 0, y: 0, z: 1 }, n);
  u = Math.hypot(u.x, u.y, u.z) < 1e-6 ? { x: 1, y: 0, z: 0 } : unit(u);
  const v = cross(n, u);
  const [us, vs] = [ring.map((p) => dot(p, u)), ring.map((p) => dot(p, v))];
  const [u0, v0] = [Math.min(...us), Math.min(...vs)];
  const d = dot(ring[0], n);
  return {
    origin: {
      x: u.x * u0 + v.x * v0 + n.x * d,
      y: u.y * u0 + v.y * v0 + n.y * d,
      z: u.z * u0 + v.z * v0 + n.z * d,
    },
    u,
    v,
    n,
  };
}

/** The corner of the plane at so far along and up. */
export function at(a: Axes, along: number, up: number): Point {
  return {
    x: a.origin.x + a.u.x * along + a.v.x * up,
    y: a.origin.y + a.u.y * along + a.v.y * up,
    z: a.origin.z + a.u.z * along + a.v.z * up,
  };
}

/** A rectangle in the plane. */
export function rectangle(a: Axes, left: number, sill: number, width: number, height: number) {
  return [
    at(a, left, sill),
    at(a, left + width, sill),
    at(a, left + width, sill + height),
    at(a, left, sill + height),
  ];
}

/** Where a ring lies in a frame: left, lowest, width, height. */
export function extent(a: Axes, ring: Point[]) {
  const us = ring.map((p) => dot(minus(p, a.origin), a.u));
  const vs = ring.map((p) => dot(minus(p, a.origin), a.v));
  const [left, sill] = [Math.min(...us), Math.min(...vs)];
  return { left, sill, width: Math.max(...us) - left, height: Math.max(...vs) - sill };
}

export type SnapTo = 'corner' | 'edge' | 'plane';

/** The place nearest to a point on the corners, edges or planes of other outlines, within a distance. */
export function snapped(p: Point, others: Point[][], to: SnapTo, within: number): Point | null {
  let best: Point | null = null;
  let least = within;
  const offer = (o: Point) => {
    const d = Math.hypot(o.x - p.x, o.y - p.y, o.z - p.z);
    if (d > 1e-9 && d <= least) {
      least = d;
      best = o;
    }
  };
  for (const ring of others) {
    if (to === 'corner') ring.forEach(offer);
    else if (to === 'edge')
      ring.forEach((a, i) => offer(onEdge(p, a, ring[(i + 1) % ring.length])));
    else offer(onPlane(p, axes(ring)));
  }
  return best;
}

function onEdge(p: Point, a: Point, b: Point): Point {
  const d = minus(b, a);
  const long = dot(d, d);
  const t = long > 0 ? Math.min(1, Math.max(0, dot(minus(p, a), d) / long)) : 0;
  return { x: a.x + d.x * t, y: a.y + d.y * t, z: a.z + d.z * t };
}

function onPlane(p: Point, { origin, n }: Axes): Point {
  const d = dot(minus(p, origin), n);
  return { x: p.x - n.x * d, y: p.y - n.y * d, z: p.z - n.z * d };
}
