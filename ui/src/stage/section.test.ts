import * as THREE from 'three';
import { describe, expect, it } from 'vitest';
import { indexModel } from '../model/model';
import { shapeOf } from '../model/shapes';
import { model, space, surface } from '../model/testModel';
import { DrawingMaker, type Item, Picking } from './drawing';
import { free } from './labels';
import { chained, sectionOf } from './section';
import { LOOK } from './testDrawing';
import { inside, Volume, volumesOf } from './volumes';

/** Walls of 3 m over the edges of plans, with the spaces they go around. */
function rooms(...plans: { key: string; plan: [number, number][][]; without?: number }[]) {
  const maker = new DrawingMaker();
  const volumes = plans.map(({ key, plan, without }): Volume => {
    const sides: string[] = [];
    plan.forEach((ring, r) =>
      ring.forEach(([x, y], i) => {
        if (r === 0 && i === without) return;
        const [u, v] = ring[(i + 1) % ring.length];
        const wall = [x, y, 0, u, v, 0, u, v, 3, x, y, 3];
        const faces = [...wall.slice(0, 9), ...wall.slice(0, 3), ...wall.slice(6, 12)];
        sides.push(`${key}/${r}/${i}`);
        maker.add({ key: sides[sides.length - 1], shape: shapeOf([wall], faces) });
      }),
    );
    return new Volume(
      space(key),
      sides.map((k) => surface(k, [key])),
    );
  });
  const { places, ...made } = maker.made();
  const items = places.map((p): Item => ({ ...LOOK, ...p, owner: p.key }));
  const drawing = { ...made, items, levels: [] };
  const { boxes } = new Picking(drawing);
  return (plane: THREE.Plane, shown: (i: number) => boolean = () => true) =>
    sectionOf(drawing, boxes, volumes, plane, shown);
}

const at = (z: number) => new THREE.Plane(new THREE.Vector3(0, 0, -1), z);
const square = (x: number, y: number, a: number): [number, number][] => [
  [x, y],
  [x + a, y],
  [x + a, y + a],
  [x, y + a],
];

function area(fill: number[]): number {
  let sum = 0;
  const p = (i: number) => new THREE.Vector3().fromArray(fill, 3 * i);
  for (let i = 0; i + 2 < fill.length / 3; i += 3)
    sum += new THREE.Triangle(p(i), p(i + 1), p(i + 2)).getArea();
  return sum;
}

describe('a cut', () => {
  it('fills what is closed at its height, far from the origin too', () => {
    const { fill, lines } = rooms({ key: 'a', plan: [square(5000, 300, 4)] })(at(1.2));
    expect(area(fill)).toBeCloseTo(16, 3);
    expect(fill.filter((_, i) => i % 3 === 2).every((z) => Math.abs(z - 1.2) < 1e-5)).toBe(true);
    expect(Math.min(...fill.filter((_, i) => i % 3 === 0))).toBeCloseTo(5000);
    expect(lines.length / 6).toBe(8);
  });

  it('leaves out a courtyard, and fills what stands in it', () => {
    const ring = rooms({ key: 'a', plan: [square(0, 0, 10), square(2, 2, 6), square(4, 4, 2)] });
    expect(area(ring(at(1)).fill)).toBeCloseTo(100 - 36 + 4, 3);
  });

  it('fills no space with a gap, and none of which a wall is hidden', () => {
    const both = { plan: [square(0, 0, 4)] };
    const cut = rooms({ key: 'open', ...both, without: 2 }, { key: 'b', plan: [square(9, 0, 3)] });
    expect(area(cut(at(1)).fill)).toBeCloseTo(9, 3);
    expect(area(cut(at(1), (i) => i !== 4).fill)).toBe(0);
    expect(cut(at(1), (i) => i !== 4).lines.length).toBe(cut(at(1)).lines.length - 12);
  });

  it('goes through upright planes too, and meets nothing above', () => {
    // without a floor the section of a room is two upright lines
    const cut = rooms({ key: 'a', plan: [square(0, 0, 4)] });
    const upright = cut(new THREE.Plane(new THREE.Vector3(-1, 0, 0), 1));
    expect(upright.lines.length / 6).toBe(4);
    expect(upright.fill).toEqual([]);
    expect(cut(at(3.5)).lines).toEqual([]);
  });

  it('puts lines together whichever way they run', () => {
    const v = (x: number, y: number) => new THREE.Vector2(x, y);
    const lines = [v(0, 0), v(1, 0), v(1, 1), v(1, 0), v(1, 1), v(0, 1), v(0, 0), v(0, 1)];
    expect(chained(lines)).toHaveLength(1);
    expect(chained(lines.slice(0, 6))).toBeNull();
  });
});

describe('the name of a space', () => {
  it('stands in the middle of its largest floor, within it', () => {
    const floor = (key: string, z: number, a: number) => ({
      ...surface(key, ['s']),
      orientation: 'down' as const,
      grossArea: a * a,
      shape: shapeOf([[0, 0, z, a, 0, z, a, a, z, 0, a, z]], []),
    });
    const m = model({
      spaces: [space('s'), space('none')],
      surfaces: [floor('ceiling', 3, 4), floor('ledge', 0.2, 1), floor('floor', 0, 4)],
    });
    const [s, none] = volumesOf(indexModel(m));
    expect(s.place).toEqual({ x: 2, y: 2, z: 0 });
    expect(s.room).toBe(4);
    expect(none.place).toBeNull();
    const p = (x: number, y: number) => ({ x, y, z: 0 });
    const u = [p(0, 0), p(9, 0), p(9, 6), p(8, 6), p(8, 1), p(2, 1), p(2, 6), p(0, 6)];
    const { x } = inside(u);
    expect(x > 0 && x < 2).toBe(true);
  });

  it('stands clear of others: those with most room first, of what is seen', () => {
    const l = (key: string, x: number, room: number) => ({ key, name: 'Boat hall', x, y: 0, room });
    const all = [l('a', 0, 80), l('b', 20, 90), l('c', 200, 70), l('d', 400, 99)];
    const keys = free(all, 9, (x) => x.key !== 'd').map((x) => x.key);
    expect(keys).toEqual(['b', 'c']);
    expect(free(all, 1, () => true).map((x) => x.key)).toEqual(['d']);
  });
});
