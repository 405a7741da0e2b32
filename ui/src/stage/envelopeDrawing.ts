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

/** An object that is drawn. */
interface Drawn {
  key: string;
  shape: Shape;
}

/** A drawing with what it is of. */
interface Made {
  drawing: Undressed;
  surfaces: Surface[];
  orphans: Opening[];
}

/** Drawings by the surfaces that they are of: colours change far more often than these. */
const made = new WeakMap<Surface[], Made>();
/** What was made last: the next one mostly differs from it in a few shapes. */
let last: Made | null = null;

/** Surfaces, each before its openings, then openings without a surface. */
export function undressed(model: Model): Undressed {
  const known = made.get(model.surfaces);
  if (known) return known.drawing;
  const { surfaces, orphans } = model;
  last = { drawing: (last && patched(last, model)) ?? drawn(model), surfaces, orphans };
  made.set(surfaces, last);
  return last.drawing;
}

/** Whether an opening is seen as more than its outline. */
const solid = (o: Opening) => o.type !== 'Air';

function drawn({ surfaces, orphans }: Model): Undressed {
  const maker = new DrawingMaker();
  const opening = (o: Opening) => maker.add(o, solid(o), o.glazed);
  for (const s of surfaces) {
    maker.add(s);
    s.openings.forEach(opening);
  }
  orphans.forEach(opening);
  return maker.made();
}

/** The drawing before with other corners where shapes have moved or turned; null where more than that has changed. */
function patched(before: Made, { surfaces, orphans }: Model): Undressed | null {
  if (before.surfaces.length !== surfaces.length || before.orphans.length !== orphans.length)
    return null;
  const moved = new Map<number, Shape>();
  let at = 0;
  const same = (a: Drawn, b: Drawn): boolean => {
    if (a.key !== b.key || !fits(a.shape, b.shape)) return false;
    if (a.shape !== b.shape && !equal(a.shape, b.shape)) moved.set(at, b.shape);
    at++;
    return true;
  };
  const sameOpening = (a: Opening, b: Opening) =>
    solid(a) === solid(b) && a.glazed === b.glazed && same(a, b);
  for (let i = 0; i < surfaces.length; i++) {
    const [a, b] = [before.surfaces[i], surfaces[i]];
    if (a === b) at += 1 + b.openings.length;
    else if (a.openings.length !== b.openings.length || !same(a, b)) return null;
    else if (!b.openings.every((o, k) => sameOpening(a.openings[k], o))) return null;
  }
  if (!orphans.every((o, k) => sameOpening(before.orphans[k], o))) return null;
  const old = before.drawing;
  if (!moved.size) return old;
  const positions = old.positions.slice();
  const triangles = old.triangles.slice();
  for (const [place, { points, corners }] of moved) {
    const { firstVertex, firstTriangle, triangles: faces } = old.places[place];
    for (let k = 0; k < points.length; k++)
      positions[3 * firstVertex + k] = points[k] - old.origin[k % 3];
    for (let k = 0; k < 3 * faces; k++) triangles[3 * firstTriangle + k] = firstVertex + corners[k];
  }
  return { ...old, positions, triangles, since: { was: old.positions, moved: [...moved.keys()] } };
}

/** Whether one shape can take the place of another. */
const fits = (a: Shape, b: Shape): boolean =>
  a === b ||
  (a.points.length === b.points.length &&
    a.corners.length === b.corners.length &&
    alike(a.rings, b.rings));

const equal = (a: Shape, b: Shape): boolean =>
  alike(a.points, b.points) && alike(a.corners, b.corners);

function alike(a: ArrayLike<number>, b: ArrayLike<number>): boolean {
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
