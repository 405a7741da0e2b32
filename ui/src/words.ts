/** Figures and names as the interface writes them: no more digits than the tolerance supports. */
export const area = (v: number) => v.toFixed(2);
export const volume = (v: number) => v.toFixed(2);
export const length = (v: number) => v.toFixed(3);
export const degrees = (v: number) => v.toFixed(1);

export const EXPOSURES: { key: string; label: string; colour: string; opacity: number }[] = [
  { key: 'outdoor', label: 'Outdoor air', colour: '#C4622D', opacity: 1 },
  { key: 'ground', label: 'Ground', colour: '#6A4C93', opacity: 1 },
  { key: 'space', label: 'Other space', colour: '#8A949B', opacity: 1 },
  { key: 'adiabatic', label: 'Adiabatic', colour: '#B59F5B', opacity: 1 },
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

export function unit(u: string): string {
  return { m2: 'm²', m3: 'm³', deg: '°', count: '', '%': '%', m: 'm' }[u] ?? u;
}

export function measured(value: number | null | undefined, u: string): string {
  if (value == null) return '–';
  const digits =
    u === 'count' ? 0 : u === 'm' ? 3 : u === 'm2' ? (value < 0.1 ? 4 : 2) : u === 'deg' ? 1 : 2;
  return `${value.toFixed(digits)} ${unit(u)}`.trim();
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
export const compass = (azimuth: number) => COMPASS[Math.round(azimuth / 45) % 8];

/** Azimuth of an upright or sloping surface; a level one has none. */
export function orientation(tilt: number, azimuth: number): string {
  return tilt < 1 || tilt > 179 ? '–' : `${degrees(azimuth)} ${compass(azimuth)}`;
}

/** The limit in its own unit: an open space is measured by its hole's area, but judged by the width of the gap. */
export function limitText(f: { code: string; limit?: number | null; unit: string }): string {
  return measured(f.limit, f.code === 'SPC-401' ? 'm' : f.unit);
}
