import { outer, type Point } from '../shared/geometry';
import type { Space, Surface } from '../model/api';
import type { ModelIndex } from '../model/model';

/** Faces so much higher than the lowest are part of the same floor, in metres. */
const STEP = 0.5;

/** A space as the stage knows it. There may be very many: what is asked of few is worked out when asked. */
export class Volume {
  readonly key: string;
  readonly name: string;
  private readonly around: Surface[];
  private floor: { ring: Point[]; area: number; z: number } | null | undefined;

  constructor(space: Space, around: Surface[]) {
    this.key = space.key;
    this.name = space.name;
    this.around = around;
  }

  /** Keys of the drawn surfaces around it. */
  get sides(): string[] {
    return this.around.map((s) => s.key);
  }

  /** A place on its floor where its name can stand, in model coordinates; null where it has none. */
  get place(): Point | null {
    const floor = this.largestFloor();
    return floor && inside(floor.ring);
  }

  /** How far its name may reach there, in metres. */
  get room(): number {
    return Math.sqrt(this.largestFloor()?.area ?? 0);
  }

  private largestFloor() {
    if (this.floor !== undefined) return this.floor;
    const floors = this.around
      .filter((s) => s.orientation !== 'side' && s.shape.rings.length > 0)
      .map((s) => ({ ring: outer(s.shape), area: s.grossArea }))
      .map((f) => ({ ...f, z: heightOf(f.ring) }));
    const lowest = Math.min(...floors.map((f) => f.z));
    return (this.floor = floors
      .filter((f) => f.z <= lowest + STEP)
      .reduce<(typeof floors)[number] | null>((a, b) => (a && a.area >= b.area ? a : b), null));
  }
}

/** By the surfaces around it: an edit leaves most as they are. */
const made = new WeakMap<Surface[], Volume>();

/** The spaces of a model in their order. */
export function volumesOf(index: ModelIndex): Volume[] {
  return index.model.spaces.map((space) => {
    const around = index.surfacesOf.get(space.key) ?? [];
    const known = made.get(around);
    if (known?.key === space.key && known.name === space.name) return known;
    const v = new Volume(space, around);
    made.set(around, v);
    return v;
  });
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
