import * as THREE from 'three';
import { describe, expect, it } from 'vitest';
import { shapeOf } from '../model/shapes';
import { DrawingMaker, Picking, type Item } from './drawing';
import { boxAround, wholeOf } from './extent';
import { chosen, FAINT, FIRM, NONE } from './choice';
import { groundOf, heights } from './subject';
import { LOOK } from './testDrawing';

/** A wall of 4 × 3 m whose lower corner stands at a place. */
function wall(maker: DrawingMaker, key: string, x: number, z: number) {
  const ring = [x, 0, z, x + 4, 0, z, x + 4, 0, z + 3, x, 0, z + 3];
  const triangles = [...ring.slice(0, 9), ...ring.slice(0, 3), ...ring.slice(6, 12)];
  maker.add({ key, shape: shapeOf([ring], triangles) });
}

function drawn(...walls: [string, number, number, Partial<Item>?][]) {
  const maker = new DrawingMaker();
  for (const [key, x, z] of walls) wall(maker, key, x, z);
  const { places, ...made } = maker.made();
  const items = places.map((p, i) => ({ ...LOOK, ...p, owner: p.key, ...walls[i][3] }));
  const drawing = { ...made, items, levels: [] };
  return { drawing, boxes: new Picking(drawing).boxes };
}

const AT = { centre: new THREE.Vector3(), offset: new THREE.Vector3() };
const widest = (points: number[]) => Math.max(...points.filter((_, i) => i % 3 === 0));

describe('the whole', () => {
  it('has what stands around, unless the building would be small in it', () => {
    const near = drawn(['a', 0, 0], ['shade', 5, 0, { far: true }]);
    expect(widest(wholeOf(near.drawing, near.boxes, AT, false))).toBeCloseTo(9);
    const off = drawn(['a', 0, 0], ['shade', 500, 0, { far: true }]);
    expect(widest(wholeOf(off.drawing, off.boxes, AT, false))).toBeCloseTo(4);
  });

  it('of very much is one box, of nothing nothing', () => {
    const many = drawn(['a', 0, 0], ['b', 6, 0]);
    expect(wholeOf(many.drawing, many.boxes, AT, false)).toHaveLength(48);
    expect(wholeOf(many.drawing, many.boxes, AT, true)).toHaveLength(24);
    const none = drawn();
    expect(wholeOf(none.drawing, none.boxes, AT, false)).toEqual([]);
  });

  it('is a box in model coordinates, however far from the origin', () => {
    const far = drawn(['a', 51_000, 12]);
    const box = boxAround(far.drawing, far.boxes, (it) => it.key === 'a');
    expect(box.min.toArray().map(Math.round)).toEqual([51_000, 0, 12]);
    expect(box.max.z).toBeCloseTo(15);
  });
});

describe('the ground', () => {
  it('is where what stands on it begins, not the floor of a basement', () => {
    const { drawing } = drawn(['wall', 0, 2], ['basement', 0, -1]);
    expect(groundOf(drawing, (it) => it.key === 'wall')).toBeCloseTo(2);
    expect(heights(drawing).map(Math.round)).toEqual([-1, 5]);
  });

  it('is the lowest place where nothing stands on it', () => {
    const { drawing } = drawn(['a', 0, 2], ['b', 0, -1]);
    expect(groundOf(drawing, () => false)).toBeCloseTo(-1);
  });
});

describe('what is drawn', () => {
  const counts = (lists: Uint32Array[]) => lists.map((l) => l.at(-1));

  it('is all of it in a small drawing: firm and faint faces, firm and faint edges', () => {
    const { drawing, boxes } = drawn(['a', 0, 0], ['b', 6, 0], ['c', 12, 0]);
    const into = [6, 6, 8, 8].map((n) => new Uint32Array(3 * n));
    const facing = Int8Array.of(FIRM, FAINT, NONE);
    const lining = Int8Array.of(FIRM, FAINT, NONE);
    expect(counts(chosen(drawing, boxes, facing, lining, null, into))).toEqual([6, 6, 8, 8]);
    expect([...into[1].slice(0, 3)]).toEqual([...drawing.triangles.subarray(6, 9)]);
  });

  it('begins with the largest, and leaves out what is too small to be seen', () => {
    const { drawing, boxes } = drawn(['far', 9000, 0], ['near', 0, 0]);
    const eye = { at: new THREE.Vector3(-8998, -20, 0), scale: 1000 };
    const into = [0, 1, 2, 3].map(() => new Uint32Array(64));
    const all = Int8Array.of(FIRM, FIRM);
    const upTo = chosen(drawing, boxes, all, all, eye, into);
    expect(upTo[0].at(-1)).toBe(6);
    expect(into[0][0]).toBe(drawing.items[1].firstVertex);
  });
});
