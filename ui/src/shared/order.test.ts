import { describe, expect, it } from 'vitest';
import { arranged, filter, sorted } from './order';

interface Row {
  name: string | null;
  size: number | null;
}
const columns = [
  { id: 'name', value: (r: Row) => r.name },
  { id: 'size', number: true, value: (r: Row) => r.size },
];
const rows: Row[] = [
  { name: 'Room 10', size: 3 },
  { name: 'room 9', size: null },
  { name: null, size: 1 },
  { name: 'Hall', size: 3 },
];
const names = (list: Row[]) => list.map((r) => r.name);

describe('the order of rows', () => {
  it('takes numbers within words as numbers, and no notice of capitals', () => {
    expect(names(arranged(rows, columns, {}, { column: 'name', down: false }))).toEqual([
      'Hall',
      'room 9',
      'Room 10',
      null,
    ]);
  });

  it('keeps empty values last and equal ones in order', () => {
    expect(names(arranged(rows, columns, {}, { column: 'size', down: true }))).toEqual([
      'Room 10',
      'Hall',
      null,
      'room 9',
    ]);
  });

  const order = (values: (string | number | null)[], down: boolean) =>
    [...sorted(Int32Array.from(values.keys()), values, down)].map((i) => values[i]);

  it('puts numbers before words, below zero and tiny ones included', () => {
    const values = ['b', 2, -1e300, 1e-320, 0, -0.5, 'a', null, -3, '', 2.5];
    expect(order(values, false)).toEqual([-1e300, -3, -0.5, 0, 1e-320, 2, 2.5, 'a', 'b', null, '']);
    expect(order(values, true)).toEqual(['b', 'a', 2.5, 2, 1e-320, 0, -0.5, -3, -1e300, null, '']);
  });

  it('looks as far into a word as is needed', () => {
    const long = 'Wall in the boat hall ';
    const values = [
      `${long}12 b`,
      `${long}12 a`,
      `${long}2`,
      long,
      'Wall',
      `${long}Ω2`,
      `${long}Ω10`,
    ];
    expect(order(values, false)).toEqual([
      'Wall',
      long,
      `${long}2`,
      `${long}12 a`,
      `${long}12 b`,
      `${long}Ω2`,
      `${long}Ω10`,
    ]);
  });

  it('leaves the rows alone when nothing is asked', () => {
    expect(arranged(rows, columns, { name: ' ' }, null)).toBe(rows);
  });

  it('filters by several columns at once', () => {
    expect(names(arranged(rows, columns, { name: 'r', size: '>2' }, null))).toEqual(['Room 10']);
  });
});

describe('a filter', () => {
  it.each([
    ['> 2', 3, true],
    ['>3', 3, false],
    ['>=3', 3, true],
    ['2..3', 3, true],
    ['2..2.5', 3, false],
    ['<0', -1, true],
    ['3', 13, true],
    ['-', null, true],
  ])('%s on %s gives %s', (typed, value, passes) => {
    expect(filter(typed, true)(value)).toBe(passes);
  });

  it('takes signs in words as words', () => {
    expect(filter('>2', false)('a >2 b')).toBe(true);
  });
});
