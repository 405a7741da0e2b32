import { describe, expect, it } from 'vitest';
import { rangeOf, textOf, valuesOf } from './range';

describe('values of a sweep', () => {
  it('are a range or a list, as a person types them', () => {
    expect(valuesOf('0.1 to 0.5 by 0.1')).toEqual([0.1, 0.2, 0.3, 0.4, 0.5]);
    expect(valuesOf('100 – 300 step 100')).toEqual([100, 200, 300]);
    expect(valuesOf('3 1 2; 2')).toEqual([3, 1, 2]);
    expect(valuesOf('0,5 1')).toEqual([0.5, 1]);
    expect(valuesOf('-10 to 10 by 10')).toEqual([-10, 0, 10]);
  });

  it('are refused where they make no sense', () => {
    for (const text of [
      '',
      'many',
      '1 to 2',
      '2 to 1 by 1',
      '0 to 1 by 0',
      '0 to 1 by 0.0001',
      '1 x',
    ])
      expect(valuesOf(text), text).toBeNull();
    expect(rangeOf(0, 1, Number.NaN)).toEqual([]);
  });

  it('are written as they would be typed', () => {
    expect(textOf([0.1, 0.2, 0.3])).toBe('0.1 to 0.3 by 0.1');
    expect(textOf([1, 2, 4])).toBe('1 2 4');
    expect(textOf([3, 2, 1])).toBe('3 2 1');
    expect(textOf([7])).toBe('7');
    for (const values of [
      [0.08, 0.12, 0.16, 0.2],
      [5, 1, 9],
      [18, 19, 20],
    ])
      expect(valuesOf(textOf(values))).toEqual(values);
  });
});
