import {
  at,
  along,
  crossing,
  cross,
  direction,
  distance,
  dot,
  fine,
  heading,
  meeting,
  middle,
  minus,
  nearest,
  onLine,
  plus,
  times,
  unit,
  type Pt,
  type Seg,
} from './plane';

/** What a pointer can be drawn to. */
export interface Around {
  segments: Seg[];
  /** Corners that stand alone, such as those of the storey below. */
  points: Pt[];
}

export interface Snapped {
  at: Pt;
  /** What it was drawn to, in words; empty where nothing was near. */
  says: string;
  /** A line that shows why. */
  guide: Seg | null;
}

/** How near the pointer must be, in pixels. */
const REACH = 9;
const GRIDS = [0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10];

/** The grid for a scale in metres a pixel: some ten pixels apart. */
export const gridOf = (scale: number) => GRIDS.find((g) => g / scale >= 9) ?? 25;

const round = (v: number, grid: number) => Math.round(v / grid) * grid;

/**
 * Draws a pointer to what is near: corners first, then edges, then directions and extensions, then the grid.
 *
 * @param scale metres a pixel
 * @param from where the line that is being drawn begins, or null
 * @param square only along the axes, or along and across the side before
 */
export function snap(
  pointer: Pt,
  around: Around,
  scale: number,
  {
    from = null,
    before = null,
    square = false,
    free = false,
    traced = false,
  }: {
    from?: Pt | null;
    /** Where the side before began. */
    before?: Pt | null;
    square?: boolean;
    /** Nothing is drawn to. */
    free?: boolean;
    /** A picture is traced: where nothing is near, the pointer itself counts, not the grid. */
    traced?: boolean;
  } = {},
): Snapped {
  if (free) return { at: fine(pointer), says: '', guide: null };
  const reach = REACH * scale;
  const grid = gridOf(scale);
  if (square && from) return squared(pointer, around, from, before, reach, grid);
  return (
    corner(pointer, around, reach) ??
    edge(pointer, around, from, reach, grid) ??
    ray(pointer, around, from, before, reach, grid) ??
    extension(pointer, around, reach, grid) ??
    (traced ? found(pointer, '') : toGrid(pointer, grid))
  );
}

const found = (p: Pt, says: string, guide: Seg | null = null): Snapped => ({
  at: fine(p),
  says,
  guide,
});

function toGrid(p: Pt, grid: number): Snapped {
  return found([round(p[0], grid), round(p[1], grid)], 'grid');
}

function corner(p: Pt, around: Around, reach: number): Snapped | null {
  let best: Pt | null = null;
  let least = reach;
  for (const c of corners(around))
    if (distance(p, c) < least) {
      least = distance(p, c);
      best = c;
    }
  return best && found(best, 'corner');
}

function* corners(around: Around): Iterable<Pt> {
  for (const s of around.segments) {
    yield s.a;
    yield s.b;
  }
  yield* around.points;
}

/** On an edge: where others cross it, square to where the line began, in the middle, or at a round distance from its end. */
function edge(p: Pt, around: Around, from: Pt | null, reach: number, grid: number): Snapped | null {
  const near = around.segments
    .map((s) => ({ s, d: distance(p, nearest(p, s)) }))
    .filter((x) => x.d < reach)
    .sort((a, b) => a.d - b.d);
  if (!near.length) return null;
  const s = near[0].s;
  for (const o of near.slice(1)) {
    const c = meeting(s, o.s);
    if (c && distance(c, p) < reach) return found(c, 'crossing');
  }
  const u = unit(minus(s.b, s.a));
  if (!u) return null;
  if (from) {
    const foot = onLine(from, s.a, u);
    const t = along(foot, s);
    if (t > 0 && t < 1 && distance(foot, p) < reach && distance(foot, from) > reach)
      return found(foot, 'square to the edge', { a: from, b: foot });
  }
  const m = middle(s.a, s.b);
  if (distance(m, p) < reach) return found(m, 'middle of the edge');
  const length = distance(s.a, s.b);
  const t = along(p, s) * length;
  const end = t < length / 2 ? 0 : length;
  const d = Math.min(length, round(Math.abs(t - end), grid));
  return found(at(s, Math.abs(end - d) / length), 'on the edge');
}

/** Along a direction that other edges have: its length as another edge's, to an extension, or round. */
function ray(
  p: Pt,
  around: Around,
  from: Pt | null,
  before: Pt | null,
  reach: number,
  grid: number,
): Snapped | null {
  if (!from || distance(p, from) < reach) return null;
  const ways: { u: Pt; says: string; like: Seg | null }[] = [
    { u: [1, 0], says: 'level', like: null },
    { u: [0, 1], says: 'upright', like: null },
  ];
  const last = before && unit(minus(from, before));
  if (last) ways.push({ u: [-last[1], last[0]], says: 'square to the side before', like: null });
  for (const s of around.segments) {
    const u = unit(minus(s.b, s.a));
    if (u && !ways.some((w) => Math.abs(cross(w.u, u)) < 1e-4)) {
      ways.push({ u, says: 'parallel', like: s });
      ways.push({ u: [-u[1], u[0]], says: 'square to that edge', like: s });
    }
    if (ways.length > 60) break;
  }
  let best: (typeof ways)[number] | null = null;
  let least = reach;
  for (const w of ways) {
    const d = Math.abs(cross(w.u, minus(p, from)));
    if (d < least) {
      least = d;
      best = w;
    }
  }
  if (!best) return null;
  return onRay(p, around, from, best.u, best.says, best.like, reach, grid);
}

function onRay(
  p: Pt,
  around: Around,
  from: Pt,
  u: Pt,
  says: string,
  like: Seg | null,
  reach: number,
  grid: number,
): Snapped {
  const t = dot(minus(p, from), u);
  const spot = plus(from, times(u, t));
  const sign = t < 0 ? -1 : 1;
  // an edge that is crossed
  for (const s of around.segments) {
    const v = unit(minus(s.b, s.a));
    const c = v && crossing(from, u, s.a, v);
    if (c && distance(c, spot) < reach && distance(c, nearest(c, s)) < 1e-6)
      return found(c, `${says}, to the edge`, like ?? { a: from, b: c });
  }
  // level with a corner, or in line with an edge
  for (const c of corners(around)) {
    const foot = onLine(c, from, u);
    if (distance(foot, spot) < reach && distance(foot, from) > reach && distance(foot, c) > 1e-6)
      return found(foot, `${says}, as far as that corner`, { a: c, b: foot });
  }
  for (const s of around.segments) {
    const l = distance(s.a, s.b);
    if (Math.abs(Math.abs(t) - l) < reach && l > reach && Math.abs(round(l, grid) - l) > 1e-6)
      return found(plus(from, times(u, sign * l)), `${says}, as long as that edge`, s);
  }
  return found(plus(from, times(u, sign * round(Math.abs(t), grid))), says, like);
}

/** In line with an edge beyond its end, or level with a corner. */
function extension(p: Pt, around: Around, reach: number, grid: number): Snapped | null {
  for (const s of around.segments) {
    const u = unit(minus(s.b, s.a));
    if (!u) continue;
    const foot = onLine(p, s.a, u);
    if (distance(foot, p) > reach / 2) continue;
    const t = dot(minus(foot, s.a), u);
    const l = distance(s.a, s.b);
    if (t >= 0 && t <= l) continue;
    const end = t < 0 ? s.a : s.b;
    const out = t < 0 ? -t : t - l;
    if (out > 12 + l) continue;
    const d = round(out, grid) * (t < 0 ? -1 : 1);
    return found(plus(end, times(u, d)), 'in line with that edge', { a: end, b: foot });
  }
  return null;
}

/** Only along the axes, or along and across the side before. */
function squared(
  p: Pt,
  around: Around,
  from: Pt,
  before: Pt | null,
  reach: number,
  grid: number,
): Snapped {
  const base = before && distance(before, from) > 1e-6 ? direction(before, from) : 0;
  const ways = [0, 90].map((d) => heading(base % 90 === 0 ? d : base + d));
  const way = ways.reduce((a, b) =>
    Math.abs(cross(a, minus(p, from))) <= Math.abs(cross(b, minus(p, from))) ? a : b,
  );
  return onRay(p, around, from, way, 'square', null, reach, grid);
}
