/** Names and signs as the interface writes them; figures with a unit are made in units.ts. */
import { EXPOSURE } from './colours';

export const degrees = (v: number) => v.toFixed(1);

/** What lies on the other side of a surface: in words, in colour, and by a pattern for those who do not tell the colours apart. */
export const EXPOSURES = [
  { key: 'outdoor', label: 'Outdoor air', colour: EXPOSURE.outdoor, opacity: 1, pattern: 'plain' },
  { key: 'ground', label: 'Ground', colour: EXPOSURE.ground, opacity: 1, pattern: 'slant' },
  { key: 'space', label: 'Other space', colour: EXPOSURE.space, opacity: 1, pattern: 'plain' },
  {
    key: 'adiabatic',
    label: 'Construction only',
    colour: EXPOSURE.adiabatic,
    opacity: 1,
    pattern: 'cross',
  },
  { key: 'none', label: 'No barrier', colour: EXPOSURE.none, opacity: 0.25, pattern: 'plain' },
  { key: 'shade', label: 'Shading', colour: EXPOSURE.shade, opacity: 0.5, pattern: 'counter' },
  {
    key: 'unresolved',
    label: 'Unresolved',
    colour: EXPOSURE.unresolved,
    opacity: 1,
    pattern: 'dots',
  },
] as const;

export const SEVERITIES = ['blocker', 'error', 'warning', 'note'] as const;
export type Severity = (typeof SEVERITIES)[number];
/** A whole number with thin spaces between its thousands: "20 729". */
export function counted(n: number): string {
  return parted(String(n));
}

/** A written figure with thin spaces between the thousands before its point, from five digits on. */
export const parted = (figure: string): string =>
  figure.replace(/\d{5,}/, (whole, at: number) =>
    figure.lastIndexOf('.', at) >= 0 ? whole : whole.replace(/\B(?=(\d{3})+$)/g, '\u2009'),
  );

/** A word of a standard as words: "Lounge or recreation" for LoungeOrRecreation. */
export function spoken(code: string): string {
  const words = code.replace(/([a-z0-9])([A-Z])/g, '$1 $2').split(' ');
  return (
    words
      // WorkshopWorkshop is a workshop
      .filter((w, i) => w.toLowerCase() !== words[i - 1]?.toLowerCase())
      .map((w, i) => (i && !/^[A-Z]{2}/.test(w) ? w.toLowerCase() : w))
      .join(' ')
  );
}

/** "1 space", "3 spaces". */
export function count(n: number, one: string, many = one + 's'): string {
  return `${counted(n)} ${n === 1 ? one : many}`;
}

export function bytes(n: number): string {
  return n < 1000
    ? `${n} B`
    : n < 1e6
      ? `${(n / 1000).toFixed(0)} kB`
      : `${(n / 1e6).toFixed(1)} MB`;
}

export function moment(iso: string): string {
  return new Date(iso).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
}

const COMPASS = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW'];
/** Eighths of the compass, 0 for north, clockwise. */
export const octant = (azimuth: number) => Math.round(azimuth / 45) % 8;

export const compass = (azimuth: number) => COMPASS[octant(azimuth)];

/** Azimuth of an upright or sloping surface; a level one has none. */
export function facing(azimuth: number | null | undefined): string {
  return azimuth == null ? '–' : `${degrees(azimuth)} ${compass(azimuth)}`;
}

/** "IFC2X3", "gbXML 6.01". */
export function schemaName(format: string, schema: string): string {
  if (format === 'plan') return `plan document, version ${schema}`;
  const name = format === 'ifc' ? 'IFC' : 'gbXML';
  if (!schema) return `${name}, version not stated`;
  return schema.toUpperCase().startsWith(name.toUpperCase()) ? schema : `${name} ${schema}`;
}

/** What a note of the reader is about, in words. */
export const NOTE_KINDS: Record<string, string> = {
  'dangling reference': 'refers to nothing',
  'missing required': 'not stated',
  'duplicate id': 'same id twice',
  'bad value': 'not a value',
  'ground assumed': 'assumed',
  'unit assumed': 'assumed',
  'far away': 'far from the origin',
  'north twice': 'stated twice',
  'left out': 'not taken over',
  lost: 'not written back',
};

/** What a limit bounds, where its name alone says little. */
export const LIMIT_NAMES: Record<string, string> = {
  least: 'smallest accepted',
  most: 'largest accepted',
  shift: 'accepted shift',
  turn: 'accepted turn',
  share: 'share from which it counts',
  area: 'area from which it counts',
  distance: 'accepted distance',
  difference: 'accepted difference',
  overlap: 'accepted overlap',
  volume: 'volume from which it counts',
  width: 'width from which it counts',
  densityLow: 'smallest accepted density',
  densityHigh: 'largest accepted density',
  heatLow: 'smallest accepted heat capacity',
  heatHigh: 'largest accepted heat capacity',
  conductivityLow: 'smallest accepted conductivity',
  conductivityHigh: 'largest accepted conductivity',
  thinnest: 'smallest accepted thickness',
  thickest: 'largest accepted thickness',
};
