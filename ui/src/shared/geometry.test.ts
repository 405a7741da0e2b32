import { describe, expect, it } from 'vitest';
import { axes, extent, points, rectangle, snapped } from './geometry';

const WALL = points([4, 0, 0, 8, 0, 0, 8, 0, 3, 4, 0, 3]);

describe('places in the plane of a wall', () => {
  it('are told from its lowest left corner, seen from outside', () => {
    const a = axes(WALL);
    expect(a.origin).toEqual({ x: 4, y: 0, z: 0 });
    expect(extent(a, WALL)).toEqual({ left: 0, sill: 0, width: 4, height: 3 });
    const window = rectangle(a, 1, 0.9, 1.5, 1.2);
    expect(window[0]).toEqual({ x: 5, y: 0, z: 0.9 });
    expect(extent(a, window)).toMatchObject({ left: 1, sill: 0.9 });
    expect(extent(a, window).width).toBeCloseTo(1.5);
  });

  it('run the other way for the wall that faces north', () => {
    const a = axes([...WALL].reverse());
    expect(a.origin.x).toBeCloseTo(8);
    expect(rectangle(a, 1, 0, 1, 1)[1].x).toBeCloseTo(6);
  });

  it('work for floors and roofs', () => {
    const a = axes(points([0, 0, 3, 4, 0, 3, 4, 5, 3, 0, 5, 3]));
    expect(extent(a, points([0, 0, 3, 4, 5, 3])).width).toBeCloseTo(4);
  });
});

describe('a corner that goes to another outline', () => {
  const p = { x: 4.1, y: 0.2, z: 1 };

  it('finds the nearest corner within reach', () => {
    const low = { x: 4.1, y: 0.1, z: 0.2 };
    expect(snapped(low, [WALL], 'corner', 0.6)).toEqual({ x: 4, y: 0, z: 0 });
    expect(snapped(p, [WALL], 'corner', 0.6)).toBeNull();
  });

  it('finds the nearest place on an edge', () => {
    expect(snapped(p, [WALL], 'edge', 0.6)).toEqual({ x: 4, y: 0, z: 1 });
  });

  it('finds the foot on the plane', () => {
    const foot = snapped(p, [WALL], 'plane', 0.6)!;
    expect(foot.x).toBeCloseTo(4.1);
    expect(foot.y).toBeCloseTo(0);
    expect(foot.z).toBeCloseTo(1);
    expect(snapped({ ...p, y: 2 }, [WALL], 'plane', 0.6)).toBeNull();
  });
});
