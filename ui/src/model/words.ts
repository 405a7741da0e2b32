/** Names and signs as the interface writes them; figures with a unit are made in units.ts. */
export const degrees = (v: number) => v.toFixed(1);

export const EXPOSURES: { key: string; label: string; colour: string; opacity: number }[] = [
  { key: 'outdoor', label: 'Outdoor air', colour: '#C4622D', opacity: 1 },
  { key: 'ground', label: 'Ground', colour: '#6A4C93', opacity: 1 },
  { key: 'space', label: 'Other space', colour: '#8A949B', opacity: 1 },
  { key: 'adiabatic', label: 'Construction only', colour: '#B59F5B', opacity: 1 },
  { key: 'none', label: 'No barrier', colour: '#FFFFFF', opacity: 0.25 },
  { key: 'shade', label: 'Shading', colour: '#40525B', opacity: 0.45 },
  { key: 'unresolved', label: 'Unresolved', colour: '#C2185B', opacity: 1 },
];

export const OPENING_COLOURS = { glazed: '#F2D16B', door: '#7A4B2A' };

export const SEVERITIES = ['blocker', 'error', 'warning', 'note'] as const;
export type Severity = (typeof SEVERITIES)[number];
export const SEVERITY_COLOUR: Record<string, string> = {
  blocker: '#9B1C31',
  error: '#C2410C',
  warning: '#B7860B',
  note: '#52707A',
};

/** "1 space", "3 spaces". */
export function count(n: number, one: string, many = one + 's'): string {
  return `${n} ${n === 1 ? one : many}`;
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
