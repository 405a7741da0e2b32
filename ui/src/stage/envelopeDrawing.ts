import type { Model, Opening, Surface } from '../model/api';
import { EXPOSURE, OPENING_COLOURS } from '../model/colours';
import type { Shape } from '../model/shapes';
import type { Colouring, Tint } from './colouring';
import {
  DrawingMaker,
  type Drawing,
  type Item,
  type Pattern,
  type Place,
  type Undressed,
} from './drawing';

/** An object as it is drawn. */
interface Entry {
  key: string;
  shape: Shape;
  /** Whether it is seen as more than its outline. */
  faces: boolean;
  cross: boolean;
}

/** A drawing with what it is of. */
interface Made {
  drawing: Undressed;
  entries: Entry[];
}

/** Drawings by the surfaces that they are of: colours change far more often than these. */
const made = new WeakMap<Surface[], Made>();
/** What was made last: the next one mostly differs from it in a few shapes. */
let last: Made | null = null;

/** Surfaces, each before its openings, then openings without a surface. */
export function undressed(model: Model): Undressed {
  const known = made.get(model.surfaces);
  if (known) return known.drawing;
  const entries: Entry[] = [];
  const opening = (o: Opening) =>
    entries.push({ key: o.key, shape: o.shape, faces: o.type !== 'Air', cross: o.glazed });
  for (const s of model.surfaces) {
    entries.push({ key: s.key, shape: s.shape, faces: true, cross: false });
    s.openings.forEach(opening);
  }
  model.orphans.forEach(opening);
  last = { drawing: (last && patched(last, entries)) ?? drawn(entries), entries };
  made.set(model.surfaces, last);
  return last.drawing;
}

function drawn(entries: Entry[]): Undressed {
  const maker = new DrawingMaker();
  for (const e of entries) maker.add(e, e.faces, e.cross);
  return maker.made();
}

/** The drawing before with other corners where shapes have moved; null where more than that has changed. */
function patched(before: Made, entries: Entry[]): Undressed | null {
  if (before.entries.length !== entries.length) return null;
  const moved: number[] = [];
  for (let i = 0; i < entries.length; i++) {
    const [a, b] = [before.entries[i], entries[i]];
    if (a.key !== b.key || a.faces !== b.faces || a.cross !== b.cross) return null;
    if (a.shape === b.shape) continue;
    if (!same(a.shape.corners, b.shape.corners) || !same(a.shape.rings, b.shape.rings)) return null;
    if (a.shape.points.length !== b.shape.points.length) return null;
    if (!same(a.shape.points, b.shape.points)) moved.push(i);
  }
  const old = before.drawing;
  if (!moved.length) return old;
  const positions = old.positions.slice();
  for (const i of moved) {
    const { points } = entries[i].shape;
    const at = 3 * old.places[i].firstVertex;
    for (let k = 0; k < points.length; k++) positions[at + k] = points[k] - old.origin[k % 3];
  }
  return { ...old, positions };
}

function same(a: ArrayLike<number>, b: ArrayLike<number>): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}

/** What was dressed last, with the surface that each item shows: mostly the next differs from it in a few. */
let dressed: { items: Item[]; of: (Surface | null)[]; places: Place[] } = {
  items: [],
  of: [],
  places: [],
};

/** Surfaces and openings in the colours of a scheme. Items that look as they did are the same objects as before. */
export function envelopeDrawing(model: Model, colours: Colouring): Drawing {
  const { places, ...geometry } = undressed(model);
  const levelOf = new Map(model.storeys.map((s, i) => [s.key, i]));
  const before = dressed;
  const items: Item[] = [];
  const of: (Surface | null)[] = [];
  for (const s of model.surfaces) {
    const e = colours.of(s);
    const level = s.storey == null ? -1 : (levelOf.get(s.storey) ?? -1);
    const n = items.length;
    const known = before.of[n] === s ? before.items[n] : null;
    if (known && before.places[n] === places[n] && wears(known, e) && known.level === level) {
      for (let i = n; i <= n + s.openings.length; i++) {
        items.push(before.items[i]);
        of.push(s);
      }
      continue;
    }
    // the whole is the building: what shades it may stand far away
    const far = s.exposure === 'shade';
    const add = (colour: string, opacity: number, pattern: Pattern, layer: number) => {
      items.push(item(places[items.length], s.key, e, level, far, colour, opacity, pattern, layer));
      of.push(s);
    };
    add(e.colour, e.opacity, e.pattern, 1);
    for (const o of s.openings)
      if (o.type === 'Air') add(e.colour, 1, e.pattern, 1);
      else add(o.glazed ? OPENING_COLOURS.glazed : OPENING_COLOURS.door, 1, 'plain', 2);
  }
  for (const o of model.orphans) {
    const place = places[items.length];
    items.push(item(place, o.key, LOST, -1, false, EXPOSURE.unresolved, 1, 'dots', 2));
    of.push(null);
  }
  dressed = { items, of, places };
  return { ...geometry, items, levels: model.storeys.map((s) => s.level ?? 0) };
}

const LOST = { key: 'unresolved', dashed: false };

const wears = (it: Item, e: Tint): boolean =>
  it.group === e.key &&
  it.colour === e.colour &&
  it.opacity === e.opacity &&
  it.dashed === e.dashed &&
  it.pattern === e.pattern;

/** Field by field: there are very many, and putting objects together is dear. */
function item(
  p: Place,
  owner: string,
  { key: group, dashed }: Pick<Tint, 'key' | 'dashed'>,
  level: number,
  far: boolean,
  colour: string,
  opacity: number,
  pattern: Pattern,
  layer: number,
): Item {
  return {
    key: p.key,
    owner,
    group,
    level,
    firstVertex: p.firstVertex,
    vertices: p.vertices,
    firstTriangle: p.firstTriangle,
    triangles: p.triangles,
    firstLine: p.firstLine,
    lines: p.lines,
    outline: p.outline,
    colour,
    opacity,
    dashed,
    pattern,
    layer,
    faint: false,
    far,
  };
}
