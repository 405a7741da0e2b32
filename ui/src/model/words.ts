/** Figures and names as the interface writes them: no more digits than the tolerance supports. */
let ip = false;

/** How figures are shown from now on; the server always speaks SI. */
export function showIn(units: string | null | undefined) {
  ip = units === 'IP';
}

const FOOT = 0.3048;
/** W/(m²K) per Btu/(h ft² F), from 1 Btu = 1055.05585262 J. */
const U_IP = 5.678263341113488;
/** Btu in/(h ft² F) per W/(mK). */
const CONDUCTIVITY_IP = 6.933471798515978;
/** kg/m³ per lb/ft³. */
const DENSITY_IP = 16.018463373960142;

export const areaUnit = () => (ip ? 'ft²' : 'm²');
export const volumeUnit = () => (ip ? 'ft³' : 'm³');
export const area = (v: number) => (ip ? (v / FOOT ** 2).toFixed(1) : v.toFixed(2));
export const volume = (v: number) => (ip ? (v / FOOT ** 3).toFixed(1) : v.toFixed(2));
/** A figure in the unit that is shown, for sorting, filtering and copying. */
export const areaValue = (v: number) => (ip ? v / FOOT ** 2 : v);
export const fromArea = (v: number) => (ip ? v * FOOT ** 2 : v);
export const volumeValue = (v: number) => (ip ? v / FOOT ** 3 : v);
export const areaText = (v: number) => `${area(v)} ${areaUnit()}`;
export const volumeText = (v: number) => `${volume(v)} ${volumeUnit()}`;

export const lengthUnit = () => (ip ? 'ft' : 'm');
export const toLength = (v: number) => (ip ? v / FOOT : v);
export const fromLength = (v: number) => (ip ? v * FOOT : v);

/** Metres, or feet and inches to a sixteenth. */
export function lengthText(v: number): string {
  if (!ip) return `${v.toFixed(3)} m`;
  const sixteenths = Math.round((Math.abs(v) / FOOT) * 12 * 16);
  const feet = Math.floor(sixteenths / 192);
  const inches = Math.floor((sixteenths % 192) / 16);
  const rest = sixteenths % 16;
  const part = rest ? ` ${fraction(rest)}` : '';
  return `${v < 0 ? '−' : ''}${feet} ft ${inches}${part} in`;
}

/** A height to the centimetre, or in feet and inches. */
export const levelText = (v: number) => (ip ? lengthText(v) : `${v.toFixed(2)} m`);

/** Between places: kilometres, or miles. */
export const distanceText = (km: number) =>
  ip ? `${(km / 1.609344).toFixed(0)} mi` : `${km.toFixed(0)} km`;

/** "3/8" of six sixteenths. */
function fraction(n: number): string {
  let [top, bottom] = [n, 16];
  while (top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  return `${top}/${bottom}`;
}

/** U-values to three significant digits. */
export function uValueText(v: number): string {
  return `${toUValue(v).toPrecision(3)} ${uValueUnit()}`;
}
export const uValueUnit = () => (ip ? 'Btu/(h ft² F)' : 'W/m²K');
export const toUValue = (v: number) => (ip ? v / U_IP : v);
export const fromUValue = (v: number) => (ip ? v * U_IP : v);
/** Resistances are the inverse of U-values, in their units too. */
export const resistanceUnit = () => (ip ? 'h ft² F/Btu' : 'm²K/W');
export const toResistance = (v: number) => (ip ? v * U_IP : v);
export const fromResistance = (v: number) => (ip ? v / U_IP : v);
const PSI_IP = 1.7307346663713912;
export const psiUnit = () => (ip ? 'Btu/(h ft F)' : 'W/mK');
export const toPsi = (v: number) => (ip ? v / PSI_IP : v);
export const fromPsi = (v: number) => (ip ? v * PSI_IP : v);
export const conductivityUnit = () => (ip ? 'Btu in/(h ft² F)' : 'W/mK');
export const toConductivity = (v: number) => (ip ? v * CONDUCTIVITY_IP : v);
export const fromConductivity = (v: number) => (ip ? v / CONDUCTIVITY_IP : v);
export const densityUnit = () => (ip ? 'lb/ft³' : 'kg/m³');
export const toDensity = (v: number) => (ip ? v / DENSITY_IP : v);
export const fromDensity = (v: number) => (ip ? v * DENSITY_IP : v);
export const heatUnit = () => (ip ? 'Btu/(lb F)' : 'J/kgK');
export const toHeat = (v: number) => (ip ? v / 4186.8 : v);
export const fromHeat = (v: number) => (ip ? v * 4186.8 : v);
/** Thicknesses of layers: millimetres or inches. */
export const thicknessUnit = () => (ip ? 'in' : 'mm');
export const toThickness = (v: number) => (ip ? v / 0.0254 : v * 1000);
export const fromThickness = (v: number) => (ip ? v * 0.0254 : v / 1000);
/** Heat loss by temperature difference: W/K or Btu/(h F). */
export const lossUnit = () => (ip ? 'Btu/(h F)' : 'W/K');
export const toLoss = (v: number) => (ip ? (v * 3.412141633127942) / 1.8 : v);
/** Light and equipment by floor area. */
export const densityOfPowerUnit = () => (ip ? 'W/ft²' : 'W/m²');
export const toPowerDensity = (v: number) => (ip ? v * FOOT ** 2 : v);
export const fromPowerDensity = (v: number) => (ip ? v / FOOT ** 2 : v);
export const heatFlowUnit = () => (ip ? 'Btu/h' : 'W');
export const toHeatFlow = (v: number) => (ip ? v * 3.412141633127942 : v);
export const speedUnit = () => (ip ? 'ft/s' : 'm/s');
export const differenceUnit = () => (ip ? '°F' : 'K');
export const toDifference = (v: number) => (ip ? v * 1.8 : v);
export const fromDifference = (v: number) => (ip ? v / 1.8 : v);
export const temperatureUnit = () => (ip ? '°F' : '°C');
export const toTemperature = (v: number) => (ip ? v * 1.8 + 32 : v);
export const fromTemperature = (v: number) => (ip ? (v - 32) / 1.8 : v);
/** Three significant digits, without an exponent. */
const CFM = 0.4719474432;
export const flowUnit = () => (ip ? 'cfm' : 'l/s');
export const flow = (v: number) => (ip ? v / CFM : v);
export const fromFlow = (v: number) => (ip ? v * CFM : v);
export const flowPerAreaUnit = () => (ip ? 'cfm/ft²' : 'l/(s·m²)');
export const flowPerArea = (v: number) => (ip ? v / 5.08 : v);
export const fromFlowPerArea = (v: number) => (ip ? v * 5.08 : v);

export function figures(v: number | null | undefined): string {
  return v == null ? '–' : String(Number(v.toPrecision(3)));
}
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

export function unit(u: string): string {
  return { m2: 'm²', m3: 'm³', deg: '°', count: '', '%': '%', m: 'm' }[u] ?? u;
}

/** Quantities with a unit of their own other than lengths, areas and volumes, in imperial units. */
const IMPERIAL: Record<string, [(v: number) => number, () => string]> = {
  'W/m²K': [toUValue, uValueUnit],
  'W/m2K': [toUValue, uValueUnit],
  'm²K/W': [toResistance, resistanceUnit],
  'm2K/W': [toResistance, resistanceUnit],
  'W/mK': [toConductivity, conductivityUnit],
  'kg/m³': [toDensity, densityUnit],
  'kg/m3': [toDensity, densityUnit],
  'J/kgK': [toHeat, heatUnit],
  // 1 Btu/(ft² F) is 20.4418 kJ/(m²K)
  'kJ/m²K': [(v) => v / 20.441748, () => 'Btu/(ft² F)'],
  'W/K': [toLoss, lossUnit],
  'W/m²': [toPowerDensity, densityOfPowerUnit],
  '°C': [toTemperature, temperatureUnit],
  'l/s': [flow, flowUnit],
  'l/(s·m²)': [flowPerArea, flowPerAreaUnit],
  mm: [(v) => v / 25.4, () => 'in'],
  m: [(v) => v / FOOT, () => 'ft'],
  'm²': [(v) => v / FOOT ** 2, areaUnit],
  'm³': [(v) => v / FOOT ** 3, volumeUnit],
};
const QUANTITY = new RegExp(
  `(?<![\\w.,#-])([-+−]?\\d+(?:,\\d{3})*(?:\\.\\d+)?)([ \u00a0])(${Object.keys(IMPERIAL)
    .sort((a, b) => b.length - a.length)
    .map((u) => u.replace(/[.*+?^${}()|[\]\\/]/g, '\\$&'))
    .join('|')})(?![\\w²³/·])`,
  'g',
);

/** A limit in the unit that is shown, and back; what has no other unit stays as it is. */
export function inUnit(u: string): {
  name: string;
  to: (v: number) => number;
  from: (v: number) => number;
} {
  const known = ip ? IMPERIAL[unit(u)] : undefined;
  if (!known) return { name: unit(u), to: (v) => v, from: (v) => v };
  const [to, name] = known;
  const [zero, step] = [to(0), to(1) - to(0)];
  return { name: name(), to, from: (v) => (v - zero) / step };
}

/** A sentence of the server's, which always speaks SI, with its quantities in the units shown. */
export function said(sentence: string): string {
  if (!ip) return sentence;
  return sentence.replace(QUANTITY, (all, digits: string, gap: string, u: string) => {
    const v = Number(digits.replaceAll(',', '').replace('−', '-'));
    if (!Number.isFinite(v)) return all;
    const [to, name] = IMPERIAL[u];
    const sign = digits.startsWith('+') ? '+' : '';
    return `${sign}${significant(to(v), digits)}${gap}${name()}`;
  });
}

/** As many significant digits as were said, three at least. */
function significant(v: number, said: string): string {
  const n = Math.max(3, said.replace(/^[-+−]?0*\.?0*/, '').replace(/[^\d]/g, '').length);
  return String(Number(v.toPrecision(Math.min(n, 6))));
}

export function measured(value: number | null | undefined, u: string): string {
  if (value == null) return '–';
  if (ip && u === 'm2') return areaText(value);
  if (ip && u === 'm3') return volumeText(value);
  if (ip && u === 'm') return lengthText(value);
  if (ip && IMPERIAL[u]) return `${figures(IMPERIAL[u][0](value))} ${IMPERIAL[u][1]()}`;
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
/** Eighths of the compass, 0 for north, clockwise. */
export const octant = (azimuth: number) => Math.round(azimuth / 45) % 8;

export const compass = (azimuth: number) => COMPASS[octant(azimuth)];

/** Azimuth of an upright or sloping surface; a level one has none. */
export function facing(azimuth: number | null | undefined): string {
  return azimuth == null ? '–' : `${degrees(azimuth)} ${compass(azimuth)}`;
}
