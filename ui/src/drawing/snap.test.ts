import { describe, expect, it } from 'vitest';
import { gridOf, snap, type Around } from './snap';
import type { Pt } from './plane';
import { sides, within } from './plane';

/** 0.02 m a pixel: 9 pixels are 0.18 m, the grid is 0.25 m. */
const SCALE = 0.02;
const box: Around = {
  segments: sides([
    [0, 0],
    [10, 0],
    [10, 6.13],
    [0, 6.13],
  ]),
  points: [[14, 3]],
};
const at = (p: Pt, more = {}) => snap(p, box, SCALE, more);

describe('what a pointer is drawn to', () => {
  it('corners first', () => {
    expect(at([9.9, 0.1])).toMatchObject({ at: [10, 0], says: 'corner' });
    expect(at([14.1, 3.1])).toMatchObject({ at: [14, 3], says: 'corner' });
  });
  it('edges: their middle, round distances from the nearer end, square to where a line began', () => {
    expect(at([5.1, 0.1])).toMatchObject({ at: [5, 0], says: 'middle of the edge' });
    expect(at([2.6, 0.1])).toMatchObject({ at: [2.5, 0], says: 'on the edge' });
    expect(at([10.1, 4.6])).toMatchObject({ at: [10, 4.63] });
    expect(at([3.4, 6.1], { from: [3.33, 2] })).toMatchObject({
      at: [3.33, 6.13],
      says: 'square to the edge',
    });
  });
  it('a crossing of edges', () => {
    const crossed = {
      ...box,
      segments: [...box.segments, { a: [3.3, -1] as Pt, b: [3.3, 7] as Pt }],
    };
    expect(snap([3.35, 0.05], crossed, SCALE)).toMatchObject({ at: [3.3, 0], says: 'crossing' });
  });
  it('directions of other edges, with round lengths, or as long as an edge', () => {
    expect(at([13.05, 8.1], { from: [12, 8] })).toMatchObject({ at: [13, 8], says: 'level' });
    expect(at([12.05, 14.1], { from: [12, 8] })).toMatchObject({
      at: [12, 14.13],
      says: 'upright, as long as that edge',
    });
    const slant: Around = { segments: [{ a: [0, 0], b: [8, 6] }], points: [] };
    const p = snap([24.1, 8.0], slant, SCALE, { from: [20, 5] });
    expect(p.says).toBe('parallel');
    expect((p.at[1] - 5) / (p.at[0] - 20)).toBeCloseTo(0.75, 3);
    const q = snap([17.0, 9.1], slant, SCALE, { from: [20, 5] });
    expect(q.says).toContain('square to that edge');
  });
  it('as far as a corner, and to the edge', () => {
    expect(at([11.9, 6.1], { from: [11.9, 8] }).at).toEqual([11.9, 6.13]);
    expect(at([4.05, 0.3], { from: [4, 3] }).at[1]).toBe(0.25);
    expect(at([9.7, 3], { from: [4, 3] })).toMatchObject({ at: [9.75, 3] });
  });
  it('the extension of an edge, then the grid', () => {
    expect(at([12.1, 0.05])).toMatchObject({ at: [12, 0], says: 'in line with that edge' });
    expect(at([12.1, 8.9])).toMatchObject({ at: [12, 9], says: 'grid' });
  });
  it('only square when that is wanted, to nothing when it is free', () => {
    expect(at([7.2, 3.9], { from: [4, 3], square: true }).at[1]).toBe(3);
    expect(at([7.2, 3.9], { from: [4, 3], before: [2, 1], square: true }).at).not.toContain(3);
    expect(at([9.9, 0.12345], { free: true })).toEqual({
      at: [9.9, 0.1235],
      says: '',
      guide: null,
    });
  });
  it('leaves the grid where a picture is traced', () => {
    expect(at([12.1, 8.9], { traced: true })).toEqual({ at: [12.1, 8.9], says: '', guide: null });
    expect(at([9.9, 0.1], { traced: true }).says).toBe('corner');
  });
  it('grids by scale', () => {
    expect(gridOf(0.005)).toBe(0.05);
    expect(gridOf(0.02)).toBe(0.25);
    expect(gridOf(5)).toBe(25);
  });
  it('is within rings and not within their holes', () => {
    const ring: Pt[] = [
      [0, 0],
      [4, 0],
      [4, 4],
      [0, 4],
    ];
    const hole: Pt[] = [
      [1, 1],
      [2, 1],
      [2, 2],
      [1, 2],
    ];
    expect(within([3, 3], [ring, hole])).toBe(true);
    expect(within([1.5, 1.5], [ring, hole])).toBe(false);
    expect(within([5, 1], [ring])).toBe(false);
  });
});
