import { useMemo, useState } from 'react';
import type { Underlay } from '../model/plan';
import { useView } from '../model/state';
import { useBoard, type Tool } from './board';
import {
  addBlock,
  addLine,
  addOpening,
  addOutline,
  addRectangle,
  floorsOn,
  refsOn,
  segmentsOf,
} from './edits';
import {
  direction,
  distance,
  fine,
  heading,
  nearest,
  plus,
  times,
  within,
  type Pt,
  type Seg,
} from './plane';
import { snap, type Around, type Snapped } from './snap';
import { alignedSheet, levelledSheet, movedSheet, scaledSheet } from './underlays';
import type { Act, Drawn } from './useDrawing';

/** Where the pointer is, and which keys are held. */
export interface Pointer {
  at: Pt;
  square: boolean;
  free: boolean;
}

/** How far from a wall an opening is still meant for it, in pixels. */
const WALL = 40;

/** Points of a picture that is scaled, turned or laid on the drawing: nothing is drawn to. */
const isLoose = (tool: Tool, count: number) =>
  tool === 'scale' || tool === 'level' || (tool === 'align' && count % 2 === 0);

/** How many points a tool takes; 0 for as many as a person likes. */
const TAKES: Partial<Record<Tool, number>> = {
  rectangle: 2,
  scale: 2,
  level: 2,
  align: 4,
  shift: 2,
  opening: 1,
};

export interface Tracing {
  points: Pt[];
  spot: Snapped | null;
  /** What there is to draw to. */
  around: Around;
  point: (p: Pointer | null) => void;
  click: (p: Pointer) => void;
  finish: () => void;
  /** Takes the last point back; false when there is none. */
  back: () => boolean;
  clear: () => void;
  /** The next point by length and direction; what is null follows the pointer. */
  place: (length: number | null, degrees: number | null) => void;
  /** The other corner of a rectangle by width and depth. */
  corner: (width: number | null, depth: number | null) => void;
  /** How long the line between the two points is in truth. */
  scale: (metres: number) => void;
}

/** What is being traced on a storey, from its first point to its last. */
export function useTracing(drawn: Drawn, storey: string, scale: number): Tracing {
  const { doc, sheet, act } = drawn;
  const tool = useBoard((s) => s.tool);
  const [traced, setTraced] = useState<{ tool: Tool; storey: string; points: Pt[] } | null>(null);
  const [pointer, setPointer] = useState<Pointer | null>(null);
  // another tool or storey begins anew
  const points = traced?.tool === tool && traced.storey === storey ? traced.points : NONE;
  const setPoints = (p: Pt[]) => setTraced(p.length ? { tool, storey, points: p } : null);

  const around = useMemo<Around>(() => {
    const segments: Seg[] = refsOn(doc, storey).flatMap((r) => segmentsOf(doc, r));
    const corners: Pt[] = (sheet?.rooms ?? [])
      .filter((r) => r.storey === storey || isBelow(doc.storeys, r.storey, storey))
      .flatMap((r) => r.rings.flat().map((p): Pt => [p.x, p.y]));
    points.forEach((p, i) => i > 0 && segments.push({ a: points[i - 1], b: p }));
    return { segments, points: points.length ? [...corners, points[0]] : corners };
  }, [doc, sheet, storey, points]);

  /** Walls that something can be fitted in. */
  const walls = useMemo(
    () =>
      refsOn(doc, storey)
        .filter((r) => r.kind === 'ring' || r.kind === 'line')
        .flatMap((r) => segmentsOf(doc, r)),
    [doc, storey],
  );

  function spotOf(p: Pointer): Snapped | null {
    if (tool === 'opening') return onWall(p.at, walls, scale, around, p.free);
    return snap(p.at, around, scale, {
      from: isLoose(tool, points.length) ? null : (points.at(-1) ?? null),
      before: points.at(-2) ?? null,
      square: p.square,
      free: p.free || isLoose(tool, points.length),
      traced: !!doc.underlay?.some((u) => u.storey === storey),
    });
  }

  function make(done: Act) {
    act(done);
    setPoints([]);
  }

  function finishWith(all: Pt[]) {
    const { air, blockHeight } = useBoard.getState();
    if (tool === 'line' && all.length > 1) make((d) => addLine(d, storey, all, air));
    else if (tool === 'outline' && all.length > 2) make((d) => addOutline(d, storey, all));
    else if (tool === 'block' && all.length > 2) make((d) => addBlock(d, all, blockHeight));
    else setPoints([]);
  }

  function place(at: Pt, says: string) {
    const { air, opening } = useBoard.getState();
    const last = points.at(-1);
    if (last && distance(at, last) < 1e-4) return;
    const all = [...points, at];
    if (tool === 'opening') {
      make((d) => addOpening(d, storey, at, opening));
    } else if (tool === 'rectangle' && all.length === 2) {
      const [p, q] = all;
      if (Math.abs(p[0] - q[0]) > 0.01 && Math.abs(p[1] - q[1]) > 0.01)
        make((d) => addRectangle(d, storey, p, q, air));
    } else if ((tool === 'outline' || tool === 'block') && closes(all)) {
      finishWith(points);
    } else if (tool === 'line' && all.length > 1 && ends(says, at)) {
      finishWith(all);
    } else if (all.length === TAKES[tool] && tool !== 'scale') {
      laid(all);
    } else if (tool !== 'scale' || all.length <= 2) setPoints(all);
  }

  const closes = (all: Pt[]) => all.length > 3 && distance(all.at(-1)!, all[0]) < 1e-4;

  /** A wall that meets another one is at its end. */
  const ends = (says: string, at: Pt) =>
    /corner|crossing|edge/.test(says) &&
    !/as (far|long) as/.test(says) &&
    walls.some((w) => distance(at, nearest(at, w)) < 1e-3);

  /** A picture is laid anew. */
  function laid(p: Pt[]) {
    if (tool === 'level') relaid((u) => levelledSheet(u, p[0], p[1]), 'Turns');
    if (tool === 'align') relaid((u) => alignedSheet(u, p[0], p[2], p[1], p[3]), 'Aligns');
    if (tool === 'shift')
      relaid((u) => movedSheet(u, [p[1][0] - p[0][0], p[1][1] - p[0][1]]), 'Moves');
  }

  function relaid(change: (u: Underlay) => Underlay, does: string) {
    const { sheet: item } = useBoard.getState();
    make((d) => [
      { ...d, underlay: d.underlay?.map((u, i) => (i === item ? change(u) : u)) },
      `${does} the picture under ${storey}.`,
    ]);
    useBoard.setState({ tool: 'select' });
  }

  const resting = tool === 'select' || tool === 'name' || (tool === 'scale' && points.length === 2);
  return {
    points,
    spot: pointer && !resting ? spotOf(pointer) : null,
    around,
    point: setPointer,
    click: (p) => {
      const s = spotOf(p);
      if (s) place(s.at, s.says);
      else if (tool === 'opening' && !walls.length)
        useView.setState({ message: { text: 'There is no wall on this storey.', bad: true } });
    },
    finish: () => finishWith(points),
    back: () => {
      if (points.length) setPoints(points.slice(0, -1));
      return points.length > 0;
    },
    clear: () => setPoints([]),
    place: (length, degrees) => {
      const from = points.at(-1);
      const to = pointer && spotOf(pointer)?.at;
      if (!from || (length === null && !to)) return;
      const way = degrees ?? (to ? direction(from, to) : 0);
      const l = length ?? distance(from, to!);
      place(fine(plus(from, times(heading(way), l))), '');
    },
    corner: (width, depth) => {
      const from = points.at(-1);
      const to = pointer ? (spotOf(pointer)?.at ?? pointer.at) : null;
      if (!from) return;
      const sign = (k: 0 | 1) => (to && to[k] < from[k] ? -1 : 1);
      const dx = width ?? (to ? Math.abs(to[0] - from[0]) : 0);
      const dy = depth ?? (to ? Math.abs(to[1] - from[1]) : 0);
      place(fine([from[0] + sign(0) * dx, from[1] + sign(1) * dy]), '');
    },
    scale: (metres) => {
      if (points.length === 2 && metres > 0)
        relaid((u) => scaledSheet(u, points[0], points[1], metres), 'Scales');
    },
  };
}

const NONE: Pt[] = [];

/** The storey directly below another one. */
export function isBelow(
  storeys: { name: string; level_m: number }[],
  name: string,
  of: string,
): boolean {
  const level = storeys.find((s) => s.name === of)?.level_m ?? 0;
  const below = storeys.filter((s) => s.level_m < level).sort((a, b) => b.level_m - a.level_m);
  return below[0]?.name === name;
}

function onWall(p: Pt, walls: Seg[], scale: number, around: Around, free: boolean): Snapped | null {
  const near = walls
    .map((s) => ({ s, at: nearest(p, s) }))
    .sort((a, b) => distance(a.at, p) - distance(b.at, p))[0];
  if (!near || distance(near.at, p) > WALL * scale) return null;
  const s = free ? null : snap(near.at, { segments: [near.s], points: around.points }, scale);
  const at = s && s.says !== 'corner' ? s.at : fine(near.at);
  return { at, says: s && s.says !== 'corner' ? s.says : '', guide: near.s };
}

/** The room over a point. */
export function roomAt(drawn: Drawn, storey: string, p: Pt) {
  return drawn.sheet?.rooms.find(
    (r) =>
      r.storey === storey &&
      within(
        p,
        r.rings.map((ring) => ring.map((q): Pt => [q.x, q.y])),
      ),
  );
}

/** Whether anything is drawn on a storey. */
export const isDrawn = (drawn: Drawn, storey: string) => floorsOn(drawn.doc, storey).length > 0;
