import * as THREE from 'three';
import type { Shape } from '../model/shapes';

/** Hatching in the plane of a face, so that a colour is never alone. */
export const PATTERNS = ['plain', 'slant', 'counter', 'cross', 'dots'] as const;
export type Pattern = (typeof PATTERNS)[number];

/** One drawn object: where its vertices, triangles and lines are, and how it looks. */
export interface Item {
  key: string;
  /** What shows and hides together with it: an opening's surface, else the key itself. */
  owner: string;
  /** Its entry of the legend. */
  group: string;
  /** Place of its storey in the list of levels, −1 for none. */
  level: number;
  firstVertex: number;
  vertices: number;
  firstTriangle: number;
  triangles: number;
  firstLine: number;
  lines: number;
  /** How many of its lines are its outline; the rest are marks on it. */
  outline: number;
  colour: string;
  opacity: number;
  dashed: boolean;
  pattern: Pattern;
  /** Of faces in one plane, that of the higher layer is seen: 0, 1 or 2. */
  layer: number;
  /** Drawn with faint lines, and picked only where nothing else is. */
  faint: boolean;
  /** Left out when the whole is framed. */
  far: boolean;
  /** Stands behind the subject: neither picked nor measured. */
  backdrop?: boolean;
}

/** Everything the stage can draw, as plain arrays: positions near the origin, vertex numbers of triangles and lines. */
export interface Drawing {
  items: Item[];
  origin: [number, number, number];
  positions: Float32Array<ArrayBuffer>;
  triangles: Uint32Array<ArrayBuffer>;
  lines: Uint32Array<ArrayBuffer>;
  levels: number[];
  /** The positions that it was made of where only some items have moved since, and the places of these. */
  since?: { was: Float32Array; moved: number[] };
}

/** Where an item is in a drawing, and how it looks. */
export type Place = Pick<
  Item,
  | 'key'
  | 'firstVertex'
  | 'vertices'
  | 'firstTriangle'
  | 'triangles'
  | 'firstLine'
  | 'lines'
  | 'outline'
>;

/** A drawing of which only the places of its items are known. */
export type Undressed = Omit<Drawing, 'items' | 'levels'> & { places: Place[] };

/** An array that grows by itself. */
class Growing<T extends Float64Array<ArrayBuffer> | Uint32Array<ArrayBuffer>> {
  length = 0;
  array: T;
  private readonly make: (n: number) => T;

  constructor(make: (n: number) => T) {
    this.make = make;
    this.array = make(1 << 12);
  }

  /** Room for so many more; gives where they begin. */
  room(n: number): number {
    const from = this.length;
    this.length += n;
    if (this.length > this.array.length) {
      const old = this.array;
      this.array = this.make(Math.max(this.length, 2 * old.length));
      this.array.set(old as never);
    }
    return from;
  }
}

/** Collects objects given as shapes. */
export class DrawingMaker {
  private readonly places: Place[] = [];
  private readonly positions = new Growing((n) => new Float64Array(n));
  private readonly triangles = new Growing((n) => new Uint32Array(n));
  private readonly lines = new Growing((n) => new Uint32Array(n));

  /**
   * @param faces whether it is seen as more than its outline
   * @param cross whether it is crossed from corner to corner
   */
  add(o: { key: string; shape: Shape }, faces = true, cross = false) {
    const { points, rings, corners } = o.shape;
    const firstVertex = this.positions.room(points.length) / 3;
    this.positions.array.set(points, 3 * firstVertex);
    const firstTriangle = this.triangles.room(faces ? corners.length : 0) / 3;
    if (faces)
      for (let i = 0; i < corners.length; i++)
        this.triangles.array[3 * firstTriangle + i] = firstVertex + corners[i];
    let outline = 0;
    for (const n of rings) outline += n;
    const crossed = cross && rings.length === 1 && outline === 4;
    const lines = outline + (crossed ? 2 : 0);
    const firstLine = this.lines.room(2 * lines) / 2;
    const ends = this.lines.array;
    let at = 2 * firstLine;
    let from = firstVertex;
    for (const n of rings) {
      for (let i = 0; i < n; i++) {
        ends[at++] = from + i;
        ends[at++] = from + ((i + 1) % n);
      }
      from += n;
    }
    if (crossed) for (const k of [0, 2, 1, 3]) ends[at++] = firstVertex + k;
    this.places.push({
      key: o.key,
      firstVertex,
      vertices: points.length / 3,
      firstTriangle,
      triangles: faces ? corners.length / 3 : 0,
      firstLine,
      lines,
      outline,
    });
  }

  made(): Undressed {
    const all = this.positions.array;
    const n = this.positions.length;
    const origin: [number, number, number] = [0, 1, 2].map((i) => (n ? Math.round(all[i]) : 0)) as [
      number,
      number,
      number,
    ];
    const positions = new Float32Array(n);
    for (let i = 0; i < n; i += 3) {
      positions[i] = all[i] - origin[0];
      positions[i + 1] = all[i + 1] - origin[1];
      positions[i + 2] = all[i + 2] - origin[2];
    }
    return {
      places: this.places,
      origin,
      positions,
      triangles: this.triangles.array.slice(0, this.triangles.length),
      lines: this.lines.array.slice(0, this.lines.length),
    };
  }
}

/** Faces that a ray meets so near to each other are in one plane, in metres. */
const SAME = 1e-3;

/** Boxes of all items and what a ray meets first: a test of boxes, then of the triangles of the few that are met. */
export class Picking {
  readonly boxes: Float32Array;
  private drawing: Drawing;

  constructor(drawing: Drawing) {
    this.drawing = drawing;
    this.boxes = new Float32Array(drawing.items.length * 6);
    drawing.items.forEach((_, i) => this.box(i));
  }

  private box(i: number) {
    const it = this.drawing.items[i];
    const { positions } = this.drawing;
    const b = this.boxes;
    const o = i * 6;
    b.fill(Infinity, o, o + 3);
    b.fill(-Infinity, o + 3, o + 6);
    for (let v = it.firstVertex * 3; v < (it.firstVertex + it.vertices) * 3; v += 3) {
      for (let k = 0; k < 3; k++) {
        const x = positions[v + k];
        if (x < b[o + k]) b[o + k] = x;
        if (x > b[o + 3 + k]) b[o + 3 + k] = x;
      }
    }
  }

  /** Takes the same items with other looks, some of them moved. */
  redress(drawing: Drawing, moved: number[]) {
    this.drawing = drawing;
    moved.forEach((i) => this.box(i));
  }

  /**
   * The nearest hit of a ray in drawing coordinates.
   *
   * @param counts which items count
   * @param lift how much higher an item is drawn than it stands
   * @param accept whether a point is not cut away
   */
  first(
    ray: THREE.Ray,
    counts: (place: number, item: Item) => boolean,
    lift: (item: Item) => number,
    accept: (p: THREE.Vector3) => boolean,
  ): { item: number; point: THREE.Vector3 } | null {
    const met: { item: number; at: number }[] = [];
    const o = ray.origin.toArray();
    const d = ray.direction.toArray().map((x) => (Math.abs(x) < 1e-12 ? 1e-12 : x));
    const items = this.drawing.items;
    for (let i = 0; i < items.length; i++) {
      if (!items[i].triangles || !counts(i, items[i])) continue;
      const at = this.enters(i, o, d, lift(items[i]));
      if (at < Infinity) met.push({ item: i, at });
    }
    met.sort((a, b) => a.at - b.at);
    let best: { item: number; point: THREE.Vector3 } | null = null;
    let reach = Infinity;
    for (const m of met) {
      if (m.at > reach + SAME) break;
      const hit = this.triangle(m.item, ray, lift(items[m.item]), accept);
      const distance = hit ? hit.distanceTo(ray.origin) : Infinity;
      // of faces in one plane, that of the higher layer is seen
      const over =
        best && Math.abs(distance - reach) <= SAME
          ? items[m.item].layer > items[best.item].layer
          : distance < reach;
      if (hit && over) {
        reach = distance;
        best = { item: m.item, point: hit };
      }
    }
    return best;
  }

  private enters(i: number, o: number[], d: number[], up: number): number {
    let near = 0;
    let far = Infinity;
    for (let k = 0; k < 3; k++) {
      const shift = k === 2 ? up : 0;
      const a = (this.boxes[i * 6 + k] + shift - o[k]) / d[k];
      const b = (this.boxes[i * 6 + 3 + k] + shift - o[k]) / d[k];
      near = Math.max(near, Math.min(a, b));
      far = Math.min(far, Math.max(a, b));
    }
    // flat items have boxes without depth
    return near <= far + 1e-4 ? near : Infinity;
  }

  private triangle(
    i: number,
    ray: THREE.Ray,
    up: number,
    accept: (p: THREE.Vector3) => boolean,
  ): THREE.Vector3 | null {
    const { positions, triangles, items } = this.drawing;
    const it = items[i];
    const [a, b, c, p] = [0, 1, 2, 3].map(() => new THREE.Vector3());
    let best: THREE.Vector3 | null = null;
    for (let t = it.firstTriangle * 3; t < (it.firstTriangle + it.triangles) * 3; t += 3) {
      a.fromArray(positions, triangles[t] * 3);
      b.fromArray(positions, triangles[t + 1] * 3);
      c.fromArray(positions, triangles[t + 2] * 3);
      a.z += up;
      b.z += up;
      c.z += up;
      if (
        ray.intersectTriangle(a, b, c, false, p) &&
        accept(p) &&
        (!best || p.distanceToSquared(ray.origin) < best.distanceToSquared(ray.origin))
      )
        best = p.clone();
    }
    return best;
  }
}
