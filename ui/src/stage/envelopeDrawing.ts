import type { Model, Opening, Surface } from '../model/api';
import { EXPOSURE, OPENING_COLOURS } from '../model/colours';
import type { Shape } from '../model/shapes';
import type { Colouring } from './colouring';
import { DrawingMaker, type Drawing, type Item, type ItemLook, type Undressed } from './drawing';

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

/** Surfaces and openings in the colours of a scheme. */
export function envelopeDrawing(model: Model, colours: Colouring): Drawing {
  const { places, ...geometry } = undressed(model);
  const levelOf = new Map(model.storeys.map((s, i) => [s.key, i]));
  const items: Item[] = [];
  const dress = (look: ItemLook) => items.push({ ...places[items.length], ...look });
  for (const s of model.surfaces) {
    const e = colours.of(s);
    const look: ItemLook = {
      owner: s.key,
      group: e.key,
      level: s.storey == null ? -1 : (levelOf.get(s.storey) ?? -1),
      colour: e.colour,
      opacity: e.opacity,
      dashed: e.dashed,
      pattern: e.pattern,
      layer: 1,
      faint: false,
      // the whole is the building: what shades it may stand far away
      far: s.exposure === 'shade',
    };
    dress(look);
    for (const o of s.openings)
      if (o.type === 'Air') dress({ ...look, opacity: 1 });
      else
        dress({
          ...look,
          colour: o.glazed ? OPENING_COLOURS.glazed : OPENING_COLOURS.door,
          opacity: 1,
          pattern: 'plain',
          layer: 2,
        });
  }
  for (const o of model.orphans)
    dress({
      owner: o.key,
      group: 'unresolved',
      level: -1,
      colour: EXPOSURE.unresolved,
      opacity: 1,
      dashed: false,
      pattern: 'dots',
      layer: 2,
      faint: false,
      far: false,
    });
  return { ...geometry, items, levels: model.storeys.map((s) => s.level ?? 0) };
}
