import { describe, expect, it } from 'vitest';
import { arranged, filter, sortKey } from './order';

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
    expect(sortKey('W-2') < sortKey('W-10')).toBe(true);
  });

  it('keeps empty values last and equal ones in order', () => {
    expect(names(arranged(rows, columns, {}, { column: 'size', down: true }))).toEqual([
      'Room 10',
      'Hall',
      null,
      'room 9',
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
