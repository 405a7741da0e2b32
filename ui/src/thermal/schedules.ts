import type { ScheduleProfile, SchedulePurpose } from '../model/api';
import { figures, type Units } from '../model/units';

export const PURPOSES: [SchedulePurpose, string][] = [
  ['PEOPLE', 'People'],
  ['LIGHT', 'Light'],
  ['EQUIPMENT', 'Equipment'],
  ['HEATING', 'Heating'],
  ['COOLING', 'Cooling'],
  ['AIR', 'Outdoor air'],
];

export const OF_SPACES = PURPOSES.slice(0, 3);
export const OF_ZONES = PURPOSES.slice(3);

/** gbXML's day types, and how people say them. */
export const DAYS: [string, string][] = [
  ['All', 'All days'],
  ['Weekday', 'Weekdays'],
  ['Weekend', 'Weekends'],
  ['WeekendOrHoliday', 'Weekends and holidays'],
  ['Holiday', 'Holidays'],
  ['Mon', 'Mondays'],
  ['Tue', 'Tuesdays'],
  ['Wed', 'Wednesdays'],
  ['Thu', 'Thursdays'],
  ['Fri', 'Fridays'],
  ['Sat', 'Saturdays'],
  ['Sun', 'Sundays'],
  ['HeatingDesignDay', 'Heating design day'],
  ['CoolingDesignDay', 'Cooling design day'],
];

export const dayLabel = (type: string) => DAYS.find(([k]) => k === type)?.[1] ?? type;

/** Kinds of values that a schedule can be given. */
const KINDS = ['Fraction', 'OnOff', 'Temp'];

/** These, and the one that a delivered schedule has. */
export const kindsWith = (type: string) => (KINDS.includes(type) ? KINDS : [type, ...KINDS]);

export const isTemperature = (type: string) => type === 'Temp';

export const kindLabel = (units: Units, type: string) =>
  type === 'Fraction'
    ? 'fraction'
    : type === 'OnOff'
      ? 'on or off'
      : isTemperature(type)
        ? units.temperature.unit
        : type || 'not said';

/** What the bars reach to, in the unit that is shown. */
export function scale(
  units: Units,
  type: string,
  values: number[],
): { from: number; to: number; step: number } {
  if (!isTemperature(type)) {
    return { from: 0, to: Math.max(1, ...values), step: type === 'OnOff' ? 1 : 0.05 };
  }
  const shown = values.map(units.temperature.to);
  const from = Math.min(units.temperature.to(5), ...shown);
  const to = Math.max(units.temperature.to(35), ...shown);
  return { from, to, step: 0.5 };
}

export const toShown = (units: Units, type: string, v: number) =>
  isTemperature(type) ? units.temperature.to(v) : v;
export const fromShown = (units: Units, type: string, v: number) =>
  isTemperature(type) ? units.temperature.from(v) : v;

/** All values of a day to type over, hours from midnight. */
export const typed = (units: Units, type: string, values: number[]) =>
  values.map((v) => figures(toShown(units, type, v))).join(' ');

/** Values as they were typed; null when something is no number. */
export function parsed(units: Units, type: string, text: string): number[] | null {
  const out = text
    .trim()
    .split(/[\s;]+/)
    .filter(Boolean)
    .map((t) => fromShown(units, type, Number(t.replace(',', '.'))));
  return out.length && out.every(Number.isFinite) ? out : null;
}

/** With other values for one kind of day. */
export function withDay(
  p: ScheduleProfile,
  period: number,
  day: number,
  values: number[],
): ScheduleProfile {
  return {
    ...p,
    periods: p.periods.map((x, i) =>
      i === period ? { ...x, days: x.days.map((d, j) => (j === day ? { ...d, values } : d)) } : x,
    ),
  };
}

const pad = (n: number) => String(n).padStart(2, '0');

/** The day before, as month and day; in a year of 365 days. */
export function dayBefore(monthDay: string): string {
  const d = new Date(
    Date.UTC(2018, Number(monthDay.slice(0, 2)) - 1, Number(monthDay.slice(3)) - 1),
  );
  return `${pad(d.getUTCMonth() + 1)}-${pad(d.getUTCDate())}`;
}

const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ');

/** "1 Jan" for 01-01. */
export const dateLabel = (monthDay: string) =>
  `${Number(monthDay.slice(3))} ${MONTHS[Number(monthDay.slice(0, 2)) - 1] ?? monthDay}`;

/** From a day on, the same as before but a part of its own; null when the day lies in none. */
export function splitAt(p: ScheduleProfile, from: string): ScheduleProfile | null {
  const at = p.periods.findIndex((x) => x.from < from && from <= x.to);
  if (at < 0) return null;
  const x = p.periods[at];
  return {
    ...p,
    periods: [
      ...p.periods.slice(0, at),
      { ...x, to: dayBefore(from) },
      { ...x, from },
      ...p.periods.slice(at + 1),
    ],
  };
}

/** One part goes; the one before it, or the one after the first, reaches over its days. */
export function withoutPeriod(p: ScheduleProfile, at: number): ScheduleProfile {
  const periods = p.periods.filter((_, i) => i !== at);
  if (at === 0) periods[0] = { ...periods[0], from: p.periods[0].from };
  else periods[at - 1] = { ...periods[at - 1], to: p.periods[at].to };
  return { ...p, periods };
}
