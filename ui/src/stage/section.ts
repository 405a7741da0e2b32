import * as THREE from 'three';
import type { Drawing } from './drawing';
import type { Point } from '../shared/geometry';
import { inside, type Volume } from './volumes';

/** What a cut shows of the spaces, in model coordinates. */
export interface Section {
  /** Where surfaces are cut: ends of lines as x, y, z. */
  lines: number[];
  /** The insides of spaces that are closed there, as triangles. A space with a gap has none. */
  fill: number[];
  /** The spaces that are closed there: where on the cut a name can stand, and how far it may reach, in metres. */
  closed: Map<string, { place: Point; room: number }>;
}

/** Ends of cut surfaces so near to each other meet, in metres. */
const MEET = 2e-3;

/**
 * Cuts the volumes with a plane.
 *
 * @param boxes of the items, as lowest and highest corner in drawing coordinates
 * @param shown whether an item is drawn
 */
export function sectionOf(
  drawing: Drawing,
  boxes: Float32Array,
  volumes: Volume[],
  plane: THREE.Plane,
  shown: (item: number) => boolean,
): Section {
  const origin = new THREE.Vector3().fromArray(drawing.origin);
  const local = plane.clone().translate(origin.clone().negate());
  const cut = new Map<string, THREE.Vector3[]>();
  const lines: number[] = [];
  drawing.items.forEach((it, i) => {
    // what shades the building is not part of it
    if (it.key !== it.owner || it.far || !it.triangles || !shown(i)) return;
    if (!crosses(boxes, i, local)) return;
    const ends = cutThrough(drawing, it.firstTriangle, it.triangles, local);
    if (!ends.length) return;
    cut.set(it.key, ends);
    for (const p of ends) lines.push(p.x + origin.x, p.y + origin.y, p.z + origin.z);
  });
  const fill: number[] = [];
  const closed: Section['closed'] = new Map();
  const frame = axesOf(local.normal);
  for (const v of volumes) {
    const ends = v.sides.flatMap((k) => cut.get(k) ?? []);
    if (ends.length < 6) continue;
    const loops = chained(ends.map((p) => new THREE.Vector2(p.dot(frame.u), p.dot(frame.v))));
    if (!loops?.length) continue;
    const back = (p: { x: number; y: number }) =>
      frame.u
        .clone()
        .multiplyScalar(p.x)
        .addScaledVector(frame.v, p.y)
        .addScaledVector(local.normal, -local.constant)
        .add(origin);
    for (const p of filled(loops)) fill.push(...back(p).toArray());
    const widest = loops.reduce((a, b) => (size(a) >= size(b) ? a : b));
    const { x, y, z } = back(inside(widest.map((p) => ({ x: p.x, y: p.y, z: 0 }))));
    closed.set(v.key, { place: { x, y, z }, room: Math.sqrt(size(widest)) });
  }
  return { lines, fill, closed };
}

function axesOf(n: THREE.Vector3): { u: THREE.Vector3; v: THREE.Vector3 } {
  const u =
    Math.abs(n.z) > 0.9
      ? new THREE.Vector3(1, 0, 0)
      : new THREE.Vector3(0, 0, 1).cross(n).normalize();
  return { u, v: n.clone().cross(u).normalize() };
}

function crosses(boxes: Float32Array, i: number, plane: THREE.Plane): boolean {
  const o = i * 6;
  const n = plane.normal.toArray();
  let [low, high] = [plane.constant, plane.constant];
  for (let k = 0; k < 3; k++) {
    const [a, b] = [n[k] * boxes[o + k], n[k] * boxes[o + 3 + k]];
    low += Math.min(a, b);
    high += Math.max(a, b);
  }
  return low <= 0 && high >= 0;
}

/** The ends of what a plane cuts out of an item's triangles, two by two; faces in the plane itself are not cut. */
function cutThrough(d: Drawing, first: number, count: number, plane: THREE.Plane): THREE.Vector3[] {
  const ends: THREE.Vector3[] = [];
  for (let t = first * 3; t < (first + count) * 3; t += 3) {
    const at = [0, 1, 2].map((k) =>
      new THREE.Vector3().fromArray(d.positions, d.triangles[t + k] * 3),
    );
    const off = at.map((p) => plane.distanceToPoint(p));
    // a corner in the plane counts as above it: then a triangle is cut in none or in two of its edges
    const through = [0, 1, 2].flatMap((k) => {
      const m = (k + 1) % 3;
      if (off[k] >= 0 === off[m] >= 0) return [];
      return [at[k].clone().lerp(at[m], off[k] / (off[k] - off[m]))];
    });
    if (through.length === 2 && through[0].distanceTo(through[1]) > 1e-6) ends.push(...through);
  }
  return ends;
}

/** Lines put together to loops; null where ends are left over. */
export function chained(ends: THREE.Vector2[]): THREE.Vector2[][] | null {
  const left = new Set(ends.map((_, i) => i >> 1));
  const loops: THREE.Vector2[][] = [];
  for (const start of left) {
    left.delete(start);
    const loop = [ends[2 * start]];
    let at = ends[2 * start + 1];
    while (at.distanceTo(loop[0]) > MEET) {
      loop.push(at);
      let next = -1;
      let nearest = MEET;
      let other = at;
      for (const s of left)
        for (const side of [0, 1]) {
          const d = ends[2 * s + side].distanceTo(at);
          if (d <= nearest) [nearest, next, other] = [d, s, ends[2 * s + 1 - side]];
        }
      if (next < 0) return null;
      left.delete(next);
      at = other;
    }
    if (loop.length >= 3) loops.push(loop);
  }
  return loops;
}

const size = (loop: THREE.Vector2[]): number => Math.abs(THREE.ShapeUtils.area(loop));

/** The corners of triangles that fill loops; a loop within another is a hole of it. */
function filled(loops: THREE.Vector2[][]): THREE.Vector2[] {
  const bySize = [...loops].sort((a, b) => size(b) - size(a));
  const outers: { ring: THREE.Vector2[]; holes: THREE.Vector2[][] }[] = [];
  for (const ring of bySize) {
    const around = outers.filter((o) => within(ring[0], o.ring));
    const into = around.find((o) => !o.holes.some((h) => within(ring[0], h)));
    if (into) into.holes.push(ring);
    else outers.push({ ring, holes: [] });
  }
  return outers.flatMap(({ ring, holes }) => {
    const all = [ring, ...holes].flat();
    return THREE.ShapeUtils.triangulateShape(ring, holes).flatMap((t) => t.map((i) => all[i]));
  });
}

function within(p: THREE.Vector2, ring: THREE.Vector2[]): boolean {
  let odd = false;
  ring.forEach((a, i) => {
    const b = ring[(i + 1) % ring.length];
    if (a.y > p.y !== b.y > p.y && p.x < a.x + ((p.y - a.y) / (b.y - a.y)) * (b.x - a.x))
      odd = !odd;
  });
  return odd;
}
