import { describe, expect, it } from 'vitest';
import { degreesOf, lengthOf } from './lengths';

describe('typed lengths', () => {
  it.each([
    ['6.25', 6.25],
    ['6,25', 6.25],
    [' 6250 mm', 6.25],
    ['625cm', 6.25],
    ['20 ft 6 in', 6.2484],
    ['20\' 6"', 6.2484],
    ['6 1/2 in', 0.1651],
    ['6 m 25 cm', 6.25],
    ['-2', -2],
    ['-2 m 50 cm', -2.5],
  ])('%s', (text, metres) => expect(lengthOf(text, 'SI')).toBeCloseTo(metres, 9));
  it.each(['', 'six', '6 7', '6 in 2 ft', '6 m 2', '1e9', '2..5', '6 m -2 cm', '1 1/0 in'])(
    'is no length: %s',
    (text) => expect(lengthOf(text, 'SI')).toBeNull(),
  );
  it('takes feet where feet are shown', () => expect(lengthOf('10', 'IP')).toBeCloseTo(3.048, 9));
  it('takes degrees', () => {
    expect(degreesOf('45°')).toBe(45);
    expect(degreesOf('-12,5')).toBe(-12.5);
    expect(degreesOf('N')).toBeNull();
  });
});
