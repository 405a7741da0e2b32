import * as THREE from 'three';

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
}

/** Collects objects given as rings and triangle corners. */
export class DrawingMaker {
  private readonly items: Item[] = [];
  private readonly positions: number[] = [];
  private readonly triangles: number[] = [];
  private readonly lines: number[] = [];

  add(
    o: { key: string; rings: number[][]; triangles: number[] },
    look: Pick<
      Item,
      | 'owner'
      | 'group'
      | 'level'
      | 'colour'
      | 'opacity'
      | 'dashed'
      | 'pattern'
      | 'layer'
      | 'faint'
      | 'far'
    >,
    cross = false,
  ) {
    const item: Item = {
      ...look,
      key: o.key,
      firstVertex: this.positions.length / 3,
      vertices: 0,
      firstTriangle: this.triangles.length / 3,
      triangles: o.triangles.length / 9,
      firstLine: this.lines.length / 2,
      lines: 0,
      outline: 0,
    };
    for (let i = 0; i < o.triangles.length / 3; i++) this.triangles.push(item.firstVertex + i);
    for (const v of o.triangles) this.positions.push(v);
    for (const ring of o.rings) {
      const from = this.positions.length / 3;
      const n = ring.length / 3;
      for (const v of ring) this.positions.push(v);
      for (let i = 0; i < n; i++) this.lines.push(from + i, from + ((i + 1) % n));
      if (cross && n === 4) this.lines.push(from, from + 2, from + 1, from + 3);
      item.outline += n;
    }
    item.lines = this.lines.length / 2 - item.firstLine;
    item.outline = cross ? Math.min(item.lines, item.outline) : item.lines;
    item.vertices = this.positions.length / 3 - item.firstVertex;
    this.items.push(item);
  }

  drawing(levels: number[]): Drawing {
    const origin: [number, number, number] = [0, 1, 2].map((i) =>
      Math.round(this.positions[i] ?? 0),
    ) as [number, number, number];
    const positions = new Float32Array(this.positions.length);
    this.positions.forEach((v, i) => (positions[i] = v - origin[i % 3]));
    return {
      items: this.items,
      origin,
      positions,
      triangles: Uint32Array.from(this.triangles),
      lines: Uint32Array.from(this.lines),
      levels,
    };
  }
}

/** Boxes of all items and what a ray meets first: a test of boxes, then of the triangles of the few that are met. */
export class Picking {
  readonly boxes: Float32Array;
  private readonly drawing: Drawing;

  constructor(drawing: Drawing) {
    this.drawing = drawing;
    this.boxes = new Float32Array(drawing.items.length * 6);
    drawing.items.forEach((it, i) => {
      const b = this.boxes;
      const o = i * 6;
      b.fill(Infinity, o, o + 3);
      b.fill(-Infinity, o + 3, o + 6);
      for (let v = it.firstVertex * 3; v < (it.firstVertex + it.vertices) * 3; v += 3) {
        for (let k = 0; k < 3; k++) {
          const x = drawing.positions[v + k];
          if (x < b[o + k]) b[o + k] = x;
          if (x > b[o + 3 + k]) b[o + 3 + k] = x;
        }
      }
    });
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
      if (m.at > reach) break;
      const hit = this.triangle(m.item, ray, lift(items[m.item]), accept);
      const distance = hit ? hit.distanceTo(ray.origin) : Infinity;
      if (hit && distance < reach) {
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
