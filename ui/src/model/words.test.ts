import { describe, expect, it } from 'vitest';
import { EXPOSURES, bytes, compass, count, counted, facing, parted, spoken } from './words';
import { SEVERITY_COLOUR } from './colours';

describe('words', () => {
  it('write sizes of files', () => {
    expect(bytes(0)).toBe('0 B');
    expect(bytes(128_271)).toBe('128 kB');
    expect(bytes(4_065_749)).toBe('4.1 MB');
  });

  it('part thousands by a thin space', () => {
    expect([7, 2311, 20_729, 1_234_567].map(counted)).toEqual([
      '7',
      '2311',
      '20\u2009729',
      '1\u2009234\u2009567',
    ]);
  });

  it('part the thousands of figures, not their decimals', () => {
    expect(['1468.80', '12345.678901', '−200000.00', '0.123456', '12 ft 3 in'].map(parted)).toEqual(
      ['1468.80', '12\u2009345.678901', '−200\u2009000.00', '0.123456', '12 ft 3 in'],
    );
  });

  it('say the words of standards', () => {
    expect(
      ['LoungeOrRecreation', 'WorkshopWorkshop', 'Museum', 'HVACPlant', ''].map(spoken),
    ).toEqual(['Lounge or recreation', 'Workshop', 'Museum', 'HVACPlant', '']);
  });

  it('count in words', () => {
    expect(count(1, 'blocker')).toBe('1 blocker');
    expect(count(0, 'blocker')).toBe('0 blockers');
    expect(count(2, 'new one')).toBe('2 new ones');
  });
});

describe('facing', () => {
  it('names the eight quarters', () => {
    expect([0, 45, 90, 135, 180, 225, 270, 315, 359].map(compass)).toEqual([
      'N',
      'NE',
      'E',
      'SE',
      'S',
      'SW',
      'W',
      'NW',
      'N',
    ]);
  });

  it('is none for what lies level', () => {
    expect(facing(null)).toBe('–');
    expect(facing(192)).toBe('192.0 S');
  });
});

describe('colours', () => {
  it('are never alone: exposures of one pattern differ in lightness, which colour-blindness and print leave', () => {
    for (const a of EXPOSURES)
      for (const b of EXPOSURES)
        if (a !== b && a.pattern === b.pattern)
          expect(contrast(a.colour, b.colour), `${a.label} and ${b.label}`).toBeGreaterThan(1.3);
  });

  it('are readable: severities stand out from the panel', () => {
    for (const colour of Object.values(SEVERITY_COLOUR))
      expect(contrast(colour, '#FFFFFF')).toBeGreaterThan(3);
  });
});

/** Contrast ratio by WCAG 2.1. */
function contrast(a: string, b: string): number {
  const light = (hex: string) => {
    const [r, g, bl] = [1, 3, 5].map((i) => {
      const c = parseInt(hex.slice(i, i + 2), 16) / 255;
      return c <= 0.03928 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
    });
    return 0.2126 * r + 0.7152 * g + 0.0722 * bl;
  };
  const [x, y] = [light(a), light(b)].sort((p, q) => q - p);
  return (x + 0.05) / (y + 0.05);
}
