import { outer, type Point } from '../shared/geometry';
import type { Space } from '../model/api';
import type { ModelIndex } from '../model/model';

/** A space as the stage knows it: the drawn surfaces around it, and where its name can stand. */
export interface Volume {
  key: string;
  name: string;
  /** Keys of the surfaces around it. */
  sides: string[];
  /** A place on its floor, in model coordinates; null where it has none. */
  place: Point | null;
  /** How far its name may reach there, in metres. */
  room: number;
}

/** Faces so much higher than the lowest are part of the same floor, in metres. */
const STEP = 0.5;

const made = new WeakMap<ModelIndex, Volume[]>();

/** The spaces of a model in their order, made once. */
export function volumesOf(index: ModelIndex): Volume[] {
  let known = made.get(index);
  if (!known) made.set(index, (known = index.model.spaces.map((s) => volume(index, s))));
  return known;
}

function volume(index: ModelIndex, space: Space): Volume {
  const sides = index.surfacesOf.get(space.key) ?? [];
  const floors = sides
    .filter((s) => s.orientation !== 'side' && s.shape.rings.length > 0)
    .map((s) => ({ ring: outer(s.shape), area: s.grossArea }))
    .map((f) => ({ ...f, z: heightOf(f.ring) }));
  const lowest = Math.min(...floors.map((f) => f.z));
  const floor = floors
    .filter((f) => f.z <= lowest + STEP)
    .reduce<(typeof floors)[number] | null>((a, b) => (a && a.area >= b.area ? a : b), null);
  return {
    key: space.key,
    name: space.name,
    sides: sides.map((s) => s.key),
    place: floor && inside(floor.ring),
    room: floor ? Math.sqrt(floor.area) : 0,
  };
}

const heightOf = (ring: Point[]) => ring.reduce((z, p) => z + p.z, 0) / ring.length;

/** The middle of an outline; where that lies outside, the middle of the longest stretch inside at its height in plan. */
export function inside(ring: Point[]): Point {
  let [area, x, y] = [0, 0, 0];
  ring.forEach((a, i) => {
    const b = ring[(i + 1) % ring.length];
    const c = a.x * b.y - b.x * a.y;
    area += c / 2;
    x += ((a.x + b.x) * c) / 6;
    y += ((a.y + b.y) * c) / 6;
  });
  const z = heightOf(ring);
  if (Math.abs(area) < 1e-9) return { ...ring[0], z };
  const mid = { x: x / area, y: y / area, z };
  const crossings = ring
    .flatMap((a, i) => {
      const b = ring[(i + 1) % ring.length];
      return a.y > mid.y === b.y > mid.y ? [] : [a.x + ((mid.y - a.y) / (b.y - a.y)) * (b.x - a.x)];
    })
    .sort((a, b) => a - b);
  let best: [number, number] | null = null;
  for (let i = 0; i + 1 < crossings.length; i += 2) {
    const [from, to] = [crossings[i], crossings[i + 1]];
    if (mid.x > from && mid.x < to) return mid;
    if (!best || to - from > best[1] - best[0]) best = [from, to];
  }
  return best ? { ...mid, x: (best[0] + best[1]) / 2 } : mid;
}
