import type * as THREE from 'three';
import type { Drawing } from './drawing';

/** How the faces or the edges of an item are drawn. */
export const NONE = -1;
export const FIRM = 0;
export const FAINT = 1;

/**
 * What looks smaller than so many pixels is left out: edges, which would only blacken the picture, and faces that could not be seen.
 */
const LEAST_PIXELS = { edges: 14, faces: 0.7, faintFaces: 3 };
/** Items are ordered by size in halvings of their apparent size; of so many at a time a frame may leave off. */
const HALVINGS = 48;
const STEP = 128;

/** From where the drawing is seen, in its own coordinates, and how many pixels one radian is. */
export interface Eye {
  at: THREE.Vector3;
  scale: number;
}

/**
 * Writes the vertex numbers of what is drawn: firm faces, faint faces, firm edges, faint edges.
 *
 * @param boxes six numbers for every item
 * @param facing which faces an item has, by its place
 * @param lining which edges
 * @param eye for drawings of very many items: the largest come first, and the smallest are left out
 * @param into a list for each of the four, long enough for the whole drawing
 * @return for each of the four: how many numbers are written after each step through the items, at last all of them
 */
export function chosen(
  drawing: Drawing,
  boxes: Float32Array,
  facing: Int8Array,
  lining: Int8Array,
  eye: Eye | null,
  into: (Uint32Array | undefined)[],
): Uint32Array[] {
  const count = drawing.items.length;
  const sizes = eye && sizesSeen(boxes, count, eye);
  const order = sizes && bySize(sizes);
  const n = [0, 0, 0, 0];
  // item by item a few numbers: a view of each list would cost more than the copying
  const take = (which: number, list: Uint32Array, from: number, to: number) => {
    const out = into[which]!;
    let at = n[which];
    for (let i = from; i < to; i++) out[at++] = list[i];
    n[which] = at;
  };
  const upTo = n.map(() => new Uint32Array(Math.ceil(count / STEP) + 1));
  for (let k = 0; k < count; k++) {
    if (k % STEP === 0) n.forEach((v, m) => (upTo[m][k / STEP] = v));
    const i = order ? order[k] : k;
    if (facing[i] === NONE) continue;
    const it = drawing.items[i];
    const size = sizes ? sizes[i] : Infinity;
    if (size >= (it.faint ? LEAST_PIXELS.faintFaces : LEAST_PIXELS.faces))
      take(
        facing[i],
        drawing.triangles,
        it.firstTriangle * 3,
        (it.firstTriangle + it.triangles) * 3,
      );
    if (lining[i] !== NONE && size >= LEAST_PIXELS.edges)
      take(2 + lining[i], drawing.lines, it.firstLine * 2, (it.firstLine + it.lines) * 2);
  }
  upTo.forEach((list, m) => (list[list.length - 1] = n[m]));
  return upTo;
}

/** How large each item looks, in pixels: its diagonal over its distance. */
function sizesSeen(b: Float32Array, count: number, { at, scale }: Eye): Float32Array {
  const out = new Float32Array(count);
  for (let i = 0; i < count; i++) {
    const o = i * 6;
    const size = Math.hypot(b[o + 3] - b[o], b[o + 4] - b[o + 1], b[o + 5] - b[o + 2]);
    const away = Math.hypot(
      at.x - (b[o] + b[o + 3]) / 2,
      at.y - (b[o + 1] + b[o + 4]) / 2,
      at.z - (b[o + 2] + b[o + 5]) / 2,
    );
    out[i] = away > 0 ? (scale * size) / away : Infinity;
  }
  return out;
}

/** Places of the items, the largest on the screen first: sorted into halvings of their size. */
function bySize(pixels: Float32Array): Uint32Array {
  const n = pixels.length;
  const group = new Uint8Array(n);
  const starts = new Uint32Array(HALVINGS + 1);
  for (let i = 0; i < n; i++) {
    // two groups to a halving, from 4096 pixels down
    const g = Math.floor(2 * (12 - Math.log2(pixels[i])));
    group[i] = Math.min(HALVINGS - 1, Math.max(0, g));
    starts[group[i] + 1]++;
  }
  for (let g = 0; g < HALVINGS; g++) starts[g + 1] += starts[g];
  const order = new Uint32Array(n);
  for (let i = 0; i < n; i++) order[starts[group[i]]++] = i;
  return order;
}
