import type { Floor, HandType, Line, Outline, PlanDoc } from '../model/plan';
import { distance, fine, nearest, plus, within, type Pt, type Seg } from './plane';

/** Points nearer than this to what is moved go with it, m. */
const ON = 0.005;

/** Something of a drawing, by where it stands in the document. */
export type Ref =
  | { kind: 'ring'; floor: number; outline: number; /** −1: the outer edge */ hole: number }
  | { kind: 'line'; floor: number; line: number }
  | { kind: 'block'; item: number }
  | { kind: 'opening'; item: number }
  | { kind: 'label'; floor: number; label: number };

/** A corner or a side of something that has points. */
export interface Part {
  ref: Ref;
  corner?: number;
  side?: number;
}

export const sameRef = (a: Ref | undefined, b: Ref | undefined) =>
  JSON.stringify(a) === JSON.stringify(b);

/**
 * A document in which everything that surfaces are known by has a name, so that they keep theirs when something before it is deleted:
 * what has no id gets its place in the document, which is what it is called without one. Keys of rooms are the server's to say.
 */
export function prepared(doc: PlanDoc): PlanDoc {
  const floors = doc.floors.map((f, i) => ({
    ...f,
    outlines: f.outlines.map((o, j) => ({ ...o, id: o.id ?? `floors[${i}].outlines[${j}]` })),
    lines: (f.lines ?? []).map((l, j) => {
      const id = `floors[${i}].lines[${j}]`;
      return Array.isArray(l) ? { id, points: l } : { ...l, id: l.id ?? id };
    }),
    spaces: (f.spaces ?? [])
      .map((s) => ({ ...s, keys: undefined }))
      .filter((s) => s.id || s.name || s.use || s.rises?.length),
  }));
  const named = <T extends { id?: string }>(items: T[] | undefined, list: string) =>
    items?.map((x, i) => ({ ...x, id: x.id ?? `${list}[${i}]` }));
  return {
    ...doc,
    floors,
    roofs: named(doc.roofs as { id?: string }[] | undefined, 'roofs') as PlanDoc['roofs'],
    glazing: named(doc.glazing, 'glazing'),
    shading: named(doc.shading, 'shading'),
  };
}

export const linesOf = (f: Floor) => (f.lines ?? []) as Line[];

/** Ids that nothing in the document has. */
export function freeIds(doc: PlanDoc, kind: string, count: number): string[] {
  const text = JSON.stringify(doc);
  const out: string[] = [];
  for (let n = 1; out.length < count; n++)
    if (!text.includes(`"${kind}-${n}"`)) out.push(`${kind}-${n}`);
  return out;
}

const free = (doc: PlanDoc, kind: string) => freeIds(doc, kind, 1)[0];

const mapAt = <T>(items: T[], i: number, change: (t: T) => T) =>
  items.map((t, k) => (k === i ? change(t) : t));

const withFloor = (doc: PlanDoc, i: number, change: (f: Floor) => Floor): PlanDoc => ({
  ...doc,
  floors: mapAt(doc.floors, i, change),
});

/** Floors that are drawn on a storey, or copied to it. */
export const floorsOn = (doc: PlanDoc, storey: string) =>
  doc.floors.flatMap((f, i) => (f.storey === storey || f.copies?.includes(storey) ? [i] : []));

/** The storey whose plan a storey shows, where it has none of its own. */
export function copyOf(doc: PlanDoc, storey: string): string | null {
  const floors = floorsOn(doc, storey).map((i) => doc.floors[i]);
  return floors.length && floors.every((f) => f.storey !== storey) ? floors[0].storey : null;
}

/** The floor of a storey that something new is drawn on; made when there is none. */
function floorFor(doc: PlanDoc, storey: string): [PlanDoc, number] {
  const own = doc.floors.findIndex((f) => f.storey === storey);
  const i = own >= 0 ? own : (floorsOn(doc, storey)[0] ?? -1);
  if (i >= 0) return [doc, i];
  const floor: Floor = { id: free(doc, 'floor'), storey, outlines: [], lines: [], spaces: [] };
  return [{ ...doc, floors: [...doc.floors, floor] }, doc.floors.length];
}

const ringsOf = (o: Outline) => [o.corners, ...(o.holes ?? [])];

/** The outline of a storey that holds all of these points. */
function around(doc: PlanDoc, storey: string, points: Pt[]): [number, number] | null {
  for (const i of floorsOn(doc, storey))
    for (const [j, o] of doc.floors[i].outlines.entries())
      if (points.every((p) => within(p, ringsOf(o)) || on(p, o.corners))) return [i, j];
  return null;
}

const on = (p: Pt, ring: Pt[]) =>
  ring.some((a, i) => distance(p, nearest(p, { a, b: ring[(i + 1) % ring.length] })) < ON);

/** A ring: the edge of a floor, or a courtyard when it lies within one. */
export function addOutline(doc: PlanDoc, storey: string, corners: Pt[]): [PlanDoc, string] {
  const outer = around(doc, storey, corners);
  if (outer)
    return [
      withFloor(doc, outer[0], (f) => ({
        ...f,
        outlines: mapAt(f.outlines, outer[1], (o) => ({
          ...o,
          holes: [...(o.holes ?? []), corners],
        })),
      })),
      `Draws a courtyard on ${storey}.`,
    ];
  const [made, i] = floorFor(doc, storey);
  const outline = { id: free(doc, 'outline'), corners };
  return [
    withFloor(made, i, (f) => ({ ...f, outlines: [...f.outlines, outline] })),
    `Draws an outline on ${storey}.`,
  ];
}

export function addLine(
  doc: PlanDoc,
  storey: string,
  points: Pt[],
  air: boolean,
): [PlanDoc, string] {
  const [made, i] = floorFor(doc, storey);
  const line: Line = { id: free(doc, 'line'), points, ...(air && { air }) };
  return [
    withFloor(made, i, (f) => ({ ...f, lines: [...linesOf(f), line] })),
    `Draws a ${air ? 'line without a wall' : 'wall'} on ${storey}.`,
  ];
}

export const rectangle = (p: Pt, q: Pt): Pt[] => [
  [Math.min(p[0], q[0]), Math.min(p[1], q[1])],
  [Math.max(p[0], q[0]), Math.min(p[1], q[1])],
  [Math.max(p[0], q[0]), Math.max(p[1], q[1])],
  [Math.min(p[0], q[0]), Math.max(p[1], q[1])],
];

/** A rectangle: an outline, or, within one, the walls of a room. */
export function addRectangle(
  doc: PlanDoc,
  storey: string,
  p: Pt,
  q: Pt,
  air: boolean,
): [PlanDoc, string] {
  const corners = rectangle(p, q);
  return around(doc, storey, corners)
    ? addLine(doc, storey, [...corners, corners[0]], air)
    : addOutline(doc, storey, corners);
}

export interface OpeningSize {
  type: HandType;
  width: number;
  sill: number;
  head: number;
}

export function addOpening(
  doc: PlanDoc,
  storey: string,
  at: Pt,
  size: OpeningSize,
): [PlanDoc, string] {
  const opening = {
    id: free(doc, 'opening'),
    by: 'hand',
    storey,
    at,
    type: size.type,
    width_m: size.width,
    sill_m: size.sill,
    head_m: size.head,
  };
  return [
    { ...doc, glazing: [...(doc.glazing ?? []), opening] },
    `Fits a ${size.type.replace('-', ' ')} on ${storey}.`,
  ];
}

export function addBlock(doc: PlanDoc, corners: Pt[], height: number): [PlanDoc, string] {
  const block = {
    id: free(doc, 'block'),
    block: { corners, level_m: doc.ground_m ?? 0, height_m: height },
  };
  return [{ ...doc, shading: [...(doc.shading ?? []), block] }, 'Draws a neighbouring block.'];
}

/** Gives the room over a point a name and a use. */
export function nameRoom(
  doc: PlanDoc,
  storey: string,
  at: Pt,
  rings: Pt[][],
  name: string,
  use: string,
): [PlanDoc, string] {
  const said = { name: name || undefined, use: use || undefined };
  for (const i of floorsOn(doc, storey)) {
    const there = (doc.floors[i].spaces ?? []).findIndex((s) => within(s.at, rings));
    if (there >= 0)
      return [
        withFloor(doc, i, (f) => ({
          ...f,
          spaces: mapAt(f.spaces!, there, (s) => ({ ...s, ...said })),
        })),
        `Names ${name || 'a room'} on ${storey}.`,
      ];
  }
  const [made, i] = floorFor(doc, storey);
  const label = { id: free(doc, 'room'), at, ...said };
  return [
    withFloor(made, i, (f) => ({ ...f, spaces: [...(f.spaces ?? []), label] })),
    `Names ${name || 'a room'} on ${storey}.`,
  ];
}

/** The points of something, and whether the last is joined to the first. */
export function pointsOf(doc: PlanDoc, ref: Ref): { points: Pt[]; closed: boolean } {
  switch (ref.kind) {
    case 'ring': {
      const o = doc.floors[ref.floor]?.outlines[ref.outline];
      return { points: (o && ringsOf(o)[ref.hole + 1]) ?? [], closed: true };
    }
    case 'line':
      return { points: linesOf(doc.floors[ref.floor])[ref.line]?.points ?? [], closed: false };
    case 'block':
      return { points: doc.shading?.[ref.item]?.block?.corners ?? [], closed: true };
    case 'opening':
      return {
        points: doc.glazing?.[ref.item]?.at ? [doc.glazing[ref.item].at!] : [],
        closed: false,
      };
    case 'label': {
      const l = doc.floors[ref.floor]?.spaces?.[ref.label];
      return { points: l ? [l.at] : [], closed: false };
    }
  }
}

export function withPoints(doc: PlanDoc, ref: Ref, points: Pt[]): PlanDoc {
  switch (ref.kind) {
    case 'ring':
      return withFloor(doc, ref.floor, (f) => ({
        ...f,
        outlines: mapAt(f.outlines, ref.outline, (o) =>
          ref.hole < 0
            ? { ...o, corners: points }
            : { ...o, holes: mapAt(o.holes ?? [], ref.hole, () => points) },
        ),
      }));
    case 'line':
      return withFloor(doc, ref.floor, (f) => ({
        ...f,
        lines: mapAt(linesOf(f), ref.line, (l) => ({ ...l, points })),
      }));
    case 'block':
      return {
        ...doc,
        shading: mapAt(doc.shading ?? [], ref.item, (s) => ({
          ...s,
          block: { ...s.block!, corners: points },
        })),
      };
    case 'opening':
      return {
        ...doc,
        glazing: mapAt(doc.glazing ?? [], ref.item, (g) => ({ ...g, at: points[0] })),
      };
    case 'label':
      return withFloor(doc, ref.floor, (f) => ({
        ...f,
        spaces: mapAt(f.spaces ?? [], ref.label, (l) => ({ ...l, at: points[0] })),
      }));
  }
}

/** All that has points on a storey. */
export function refsOn(doc: PlanDoc, storey: string): Ref[] {
  const out: Ref[] = [];
  for (const floor of floorsOn(doc, storey)) {
    const f = doc.floors[floor];
    f.outlines.forEach((o, outline) =>
      ringsOf(o).forEach((_, k) => out.push({ kind: 'ring', floor, outline, hole: k - 1 })),
    );
    linesOf(f).forEach((_, line) => out.push({ kind: 'line', floor, line }));
    f.spaces?.forEach((_, label) => out.push({ kind: 'label', floor, label }));
  }
  doc.glazing?.forEach((g, item) => {
    if (g.by === 'hand' && g.storey === storey) out.push({ kind: 'opening', item });
  });
  doc.shading?.forEach((s, item) => {
    if (s.block) out.push({ kind: 'block', item });
  });
  return out;
}

/** The segments of something. */
export function segmentsOf(doc: PlanDoc, ref: Ref): Seg[] {
  const { points, closed } = pointsOf(doc, ref);
  const n = closed ? points.length : points.length - 1;
  return Array.from({ length: Math.max(0, n) }, (_, i) => ({
    a: points[i],
    b: points[(i + 1) % points.length],
  }));
}

/** Moves a whole thing, one of its sides, or a corner; what ends on it or is fitted in it goes with it. */
export function moved(doc: PlanDoc, storey: string, part: Part, by: Pt): PlanDoc {
  const { ref, corner, side } = part;
  const { points } = pointsOf(doc, ref);
  const taken =
    corner !== undefined
      ? [corner]
      : side !== undefined
        ? [side, (side + 1) % points.length]
        : points.map((_, i) => i);
  const stretched = (p: Pt, i: number): Pt => (taken.includes(i) ? fine(plus(p, by)) : p);
  let next = withPoints(doc, ref, points.map(stretched));
  if (ref.kind === 'opening' || ref.kind === 'label' || ref.kind === 'block') return next;
  const held: Seg[] =
    corner !== undefined
      ? [{ a: points[corner], b: points[corner] }]
      : side !== undefined
        ? [segmentsOf(doc, ref)[side]]
        : segmentsOf(doc, ref);
  for (const other of refsOn(doc, storey)) {
    if (sameRef(other, ref) || other.kind === 'label' || other.kind === 'block') continue;
    const its = pointsOf(doc, other).points;
    if (its.some((p) => isOn(p, held)))
      next = withPoints(
        next,
        other,
        its.map((p) => (isOn(p, held) ? fine(plus(p, by)) : p)),
      );
  }
  return next;
}

const isOn = (p: Pt, held: Seg[]) => held.some((s) => distance(p, nearest(p, s)) < ON);

/** A corner more in a side, to draw it elsewhere. */
export function split(doc: PlanDoc, ref: Ref, side: number, at: Pt): PlanDoc {
  const { points } = pointsOf(doc, ref);
  return withPoints(doc, ref, [...points.slice(0, side + 1), fine(at), ...points.slice(side + 1)]);
}

/** Whether a corner can go, so that the sides that meet in it are one. */
export function canJoin(doc: PlanDoc, { ref, corner }: Part): boolean {
  const { points, closed } = pointsOf(doc, ref);
  return (
    corner !== undefined &&
    (closed ? points.length > 3 : points.length > 2 && corner > 0 && corner < points.length - 1)
  );
}

export function joined(doc: PlanDoc, { ref, corner }: Part): PlanDoc {
  const { points } = pointsOf(doc, ref);
  return withPoints(
    doc,
    ref,
    points.filter((_, i) => i !== corner),
  );
}

/** What something is called. */
export function nameOf(doc: PlanDoc, ref: Ref): string {
  switch (ref.kind) {
    case 'ring':
      return ref.hole < 0 ? 'outline' : 'courtyard';
    case 'line':
      return linesOf(doc.floors[ref.floor])[ref.line]?.air ? 'line without a wall' : 'wall';
    case 'block':
      return 'neighbouring block';
    case 'opening':
      return (doc.glazing?.[ref.item]?.type ?? 'window').replace('-', ' ');
    case 'label':
      return 'name of a room';
  }
}

/** Why something cannot be deleted; null when it can. */
export function whyNot(doc: PlanDoc, ref: Ref): string | null {
  if (ref.kind !== 'ring' || ref.hole >= 0) return null;
  return doc.floors.reduce((n, f) => n + f.outlines.length, 0) > 1
    ? null
    : 'It is the only outline: without it nothing is left of the building.';
}

export function removed(doc: PlanDoc, ref: Ref): PlanDoc {
  const without = <T>(items: T[] | undefined, i: number) => (items ?? []).filter((_, k) => k !== i);
  switch (ref.kind) {
    case 'ring': {
      if (ref.hole >= 0)
        return withFloor(doc, ref.floor, (f) => ({
          ...f,
          outlines: mapAt(f.outlines, ref.outline, (o) => ({
            ...o,
            holes: without(o.holes, ref.hole),
          })),
        }));
      const next = withFloor(doc, ref.floor, (f) => ({
        ...f,
        outlines: without(f.outlines, ref.outline),
      }));
      return { ...next, floors: next.floors.filter((f) => f.outlines.length) };
    }
    case 'line':
      return withFloor(doc, ref.floor, (f) => ({ ...f, lines: without(linesOf(f), ref.line) }));
    case 'block':
      return { ...doc, shading: without(doc.shading, ref.item) };
    case 'opening':
      return { ...doc, glazing: without(doc.glazing, ref.item) };
    case 'label':
      return withFloor(doc, ref.floor, (f) => ({ ...f, spaces: without(f.spaces, ref.label) }));
  }
}
