import { describe, expect, it } from 'vitest';
import { roundLength } from './scale';

describe('the scale', () => {
  it('is the longest of 1, 2, 5 and their tenfolds that fits', () => {
    expect(roundLength(0.1, 100)).toEqual({ length: 10, pixels: 100 });
    expect(roundLength(0.09, 100).length).toBe(5);
    expect(roundLength(0.004, 100).length).toBeCloseTo(0.2);
    expect(roundLength(3, 100).length).toBe(200);
  });

  it('fits whatever the view is', () => {
    for (let k = -4; k < 4; k += 0.37) {
      const { pixels } = roundLength(10 ** k, 120);
      expect(pixels).toBeLessThanOrEqual(120.001);
      expect(pixels).toBeGreaterThan(120 / 2.6);
    }
  });
});
