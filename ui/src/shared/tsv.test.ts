import { describe, expect, it } from 'vitest';
import { cell, tsv } from './tsv';

describe('tab-separated text', () => {
  it('leaves numbers and words as they are', () => {
    expect([-3.5, '-3.5', '+4', '1e-5', 'Boat hall', '', null, undefined].map(cell)).toEqual([
      '-3.5',
      '-3.5',
      '+4',
      '1e-5',
      'Boat hall',
      '',
      '',
      '',
    ]);
  });

  it('never writes a formula', () => {
    expect(cell('=HYPERLINK("x")')).toBe('\'=HYPERLINK("x")');
    expect(cell('+cmd')).toBe("'+cmd");
    expect(cell('-2+3')).toBe("'-2+3");
    expect(cell('@sum')).toBe("'@sum");
    expect(cell('\t=1+1')).toBe("' =1+1");
  });

  it('keeps a row on one line', () => {
    expect(
      tsv([
        ['a\tb', 'c\nd'],
        [1, 2],
      ]),
    ).toBe('a b\tc d\n1\t2');
  });
});
