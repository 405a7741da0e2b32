import * as THREE from 'three';
import type { Drawing, Item } from './drawing';

/** So much wider than the building may the picture be for what stands around it. */
const WIDER = 2;

/** The box around the items that count, in model coordinates. */
export function boxAround(
  drawing: Drawing,
  boxes: Float32Array,
  counts: (it: Item) => boolean,
): THREE.Box3 {
  const box = new THREE.Box3();
  drawing.items.forEach((it, i) => {
    if (it.vertices && counts(it)) box.union(boxAt(boxes, i));
  });
  return box.isEmpty() ? box : box.translate(new THREE.Vector3().fromArray(drawing.origin));
}

/**
 * Corners of the whole in the scene. What stands around belongs to the picture, unless it is so far off that the building would be small
 * in it.
 *
 * @param at the model's point that is the scene's origin, and where the drawing stands in the scene
 * @param rough one box for all of it
 */
export function wholeOf(
  drawing: Drawing,
  boxes: Float32Array,
  at: { centre: THREE.Vector3; offset: THREE.Vector3 },
  rough: boolean,
): number[] {
  const near = boxAround(drawing, boxes, (it) => !it.far);
  const all = boxAround(drawing, boxes, (it) => !it.backdrop);
  const size = (b: THREE.Box3) => b.getSize(new THREE.Vector3()).length();
  const wide = near.isEmpty() || size(all) <= WIDER * size(near);
  const box = wide ? all : near;
  if (rough || box.isEmpty()) return box.isEmpty() ? [] : corners(box, at.centre);
  const origin = at.offset.clone().negate();
  return drawing.items.flatMap((it, i) =>
    it.vertices && !it.backdrop && (wide || !it.far) ? corners(boxAt(boxes, i), origin) : [],
  );
}

function boxAt(boxes: Float32Array, i: number): THREE.Box3 {
  const at = (k: number) => new THREE.Vector3().fromArray(boxes, i * 6 + k);
  return new THREE.Box3(at(0), at(3));
}

/** The eight corners of a box, from an origin. */
export function corners(b: THREE.Box3, origin: THREE.Vector3): number[] {
  return Array.from({ length: 8 }, (_, i) => [
    (i & 1 ? b.max : b.min).x - origin.x,
    (i & 2 ? b.max : b.min).y - origin.y,
    (i & 4 ? b.max : b.min).z - origin.z,
  ]).flat();
}
