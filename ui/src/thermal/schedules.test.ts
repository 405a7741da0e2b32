import { describe, expect, it } from 'vitest';
import type { ScheduleProfile } from '../model/api';
import { unitsOf } from '../model/units';
import {
  dateLabel,
  dayBefore,
  dayLabel,
  kindsWith,
  parsed,
  scale,
  splitAt,
  typed,
  withDay,
  withoutPeriod,
} from './schedules';

const SI = unitsOf('SI');
const IP = unitsOf('IP');

const profile: ScheduleProfile = {
  name: 'x',
  type: 'Fraction',
  periods: [{ from: '01-01', to: '12-31', days: [{ days: 'All', values: [0, 0.5] }] }],
};

describe('schedules', () => {
  it('values are typed with points or commas, blanks or semicolons', () => {
    expect(parsed(SI, 'Fraction', '0 0,5;1\n 0.25')).toEqual([0, 0.5, 1, 0.25]);
    expect(parsed(SI, 'Fraction', '0 half')).toBeNull();
    expect(parsed(SI, 'Fraction', '  ')).toBeNull();
  });

  it('temperatures are typed in the unit that is shown', () => {
    expect(parsed(IP, 'Temp', '68')).toEqual([20]);
    expect(typed(IP, 'Temp', [20, 26])).toBe('68 78.8');
    expect(typed(SI, 'Temp', [20, 15.6])).toBe('20 15.6');
  });

  it('a day gets other values and the rest stays', () => {
    const next = withDay(profile, 0, 0, [1, 1]);
    expect(next.periods[0].days[0].values).toEqual([1, 1]);
    expect(profile.periods[0].days[0].values).toEqual([0, 0.5]);
  });

  it('a year is split at a day and put together again', () => {
    const two = splitAt(profile, '05-01')!;
    expect(two.periods.map((p) => [p.from, p.to])).toEqual([
      ['01-01', '04-30'],
      ['05-01', '12-31'],
    ]);
    const three = splitAt(two, '10-01')!;
    expect(three.periods.map((p) => p.from)).toEqual(['01-01', '05-01', '10-01']);
    expect(withoutPeriod(three, 1).periods.map((p) => [p.from, p.to])).toEqual([
      ['01-01', '09-30'],
      ['10-01', '12-31'],
    ]);
    expect(withoutPeriod(two, 0).periods).toEqual([{ ...two.periods[1], from: '01-01' }]);
    expect(splitAt(profile, '01-01')).toBeNull();
  });

  it('says days and dates in words', () => {
    expect(dayLabel('WeekendOrHoliday')).toBe('Weekends and holidays');
    expect(dayLabel('Tides')).toBe('Tides');
    expect(dateLabel('01-31')).toBe('31 Jan');
    expect(dayBefore('03-01')).toBe('02-28');
    expect(dayBefore('01-01')).toBe('12-31');
  });

  it('a kind of values that is not known can be kept or changed', () => {
    expect(kindsWith('Fraction')).toEqual(['Fraction', 'OnOff', 'Temp']);
    expect(kindsWith('ResetRatio')).toEqual(['ResetRatio', 'Fraction', 'OnOff', 'Temp']);
  });

  it('bars reach to 1, temperatures to what is there', () => {
    expect(scale(SI, 'Fraction', [0.2])).toMatchObject({ from: 0, to: 1 });
    expect(scale(SI, 'OnOff', [1]).step).toBe(1);
    expect(scale(SI, 'Temp', [40])).toMatchObject({ from: 5, to: 40 });
  });
});
