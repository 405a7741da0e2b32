import { createContext, useContext } from 'react';
import table from './units.json';
import { parted } from './words';

/** Metres and kelvins, or feet and pounds; the server always speaks SI. */
export type UnitSystem = 'SI' | 'IP';

interface Unit {
  symbol: string;
  spellings: string[];
  factor: number;
  shift: number;
}
interface Row {
  quantity: string;
  si: Unit;
  imperial: Unit;
}
/** The core's table of units, as it is written by ./yentra api. */
const ROWS: Row[] = table;

/** A quantity in the unit that is shown. */
export interface Measure {
  unit: string;
  /** From SI to what is shown, for sorting, filtering and copying. */
  to: (si: number) => number;
  /** From what is typed to SI. */
  from: (shown: number) => number;
  /** The figure alone. */
  figure: (si: number) => string;
  /** The figure with its unit. */
  text: (si: number) => string;
}

type Named =
  | 'area'
  | 'volume'
  | 'length'
  | 'distance'
  | 'uValue'
  | 'resistance'
  | 'linear'
  | 'conductivity'
  | 'density'
  | 'specificHeat'
  | 'thickness'
  | 'heatLoss'
  | 'powerDensity'
  | 'power'
  | 'speed'
  | 'difference'
  | 'temperature'
  | 'airFlow'
  | 'airFlowByArea'
  | 'heat'
  | 'heatByArea';

/** Figures and sentences in the units that are shown. */
export interface Units extends Record<Named, Measure> {
  system: UnitSystem;
  /** A height to the centimetre, or in feet and inches. */
  level: (metres: number) => string;
  /** What is measured in a unit that the server names; a unit without another stays as it is. */
  of: (unit: string) => Pick<Measure, 'unit' | 'to' | 'from'>;
  /** A measured figure with its unit, with no more digits than the tolerance supports. */
  measured: (si: number | null | undefined, unit: string) => string;
  /** A sentence of the server's with its quantities in the units shown. */
  said: (sentence: string) => string;
}

const SAME = (v: number) => v;

/** Of the quantity that writes its SI unit so; the first of two. */
const rowOf = (unit: string) =>
  unit && ROWS.find((r) => r.si.symbol === unit || r.si.spellings.includes(unit));

const SIGNS: Record<string, string> = { deg: '°', count: '' };

/** A unit's symbol: m² for m2. */
export const symbol = (unit: string) =>
  SIGNS[unit] ?? (rowOf(unit) || { si: { symbol: unit } }).si.symbol;

/** Three significant digits, without an exponent. */
export const figures = (v: number | null | undefined) =>
  v == null ? '–' : String(Number(v.toPrecision(3)));

/** What has another unit in feet and pounds, by how a sentence writes it; the longest first. */
const SPOKEN = new Map(
  [...ROWS]
    .reverse()
    .filter((r) => r.si.symbol !== r.imperial.symbol)
    .flatMap((r) => [r.si.symbol, ...r.si.spellings].map((s) => [s, r] as const)),
);
const QUANTITY = new RegExp(
  `(?<![\\w.,#-])([-+−]?\\d+(?:,\\d{3})*(?:\\.\\d+)?)([ \u00a0])(${[...SPOKEN.keys()]
    .sort((a, b) => b.length - a.length)
    .map((u) => u.replace(/[.*+?^${}()|[\]\\/]/g, '\\$&'))
    .join('|')})(?![\\w²³/·])`,
  'g',
);

/** As many significant digits as were said, three at least. */
function significant(v: number, said: string): string {
  const n = Math.max(3, said.replace(/^[-+−]?0*\.?0*/, '').replace(/[^\d]/g, '').length);
  return String(Number(v.toPrecision(Math.min(n, 6))));
}

/** "3/8" of six sixteenths. */
function fraction(n: number): string {
  let [top, bottom] = [n, 16];
  while (top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  return `${top}/${bottom}`;
}

/** Feet and inches to a sixteenth. */
function feetAndInches(metres: number): string {
  const sixteenths = Math.round((Math.abs(metres) / 0.0254) * 16);
  const feet = Math.floor(sixteenths / 192);
  const inches = Math.floor((sixteenths % 192) / 16);
  const rest = sixteenths % 16;
  const part = rest ? ` ${fraction(rest)}` : '';
  return `${metres < 0 ? '−' : ''}${feet} ft ${inches}${part} in`;
}

function made(system: UnitSystem): Units {
  const ip = system === 'IP';
  const toShown = (r: Row) => (v: number) => (ip ? v / r.imperial.factor - r.imperial.shift : v);
  const toSi = (r: Row) => (v: number) => (ip ? (v + r.imperial.shift) * r.imperial.factor : v);
  const measure = (quantity: string, digits: (v: number) => string = figures): Measure => {
    const r = ROWS.find((x) => x.quantity === quantity)!;
    const unit = (ip ? r.imperial : r.si).symbol;
    const to = toShown(r);
    const figure = (v: number) => parted(digits(to(v)));
    return { unit, to, from: toSi(r), figure, text: (v) => `${figure(v)} ${unit}` };
  };
  const fixed = (si: number, imperial: number) => (v: number) => v.toFixed(ip ? imperial : si);
  const millimetres = measure('THICKNESS');
  const length = measure('LENGTH', fixed(3, 3));
  const named: Record<Named, Measure> = {
    area: measure('AREA', fixed(2, 1)),
    volume: measure('VOLUME', fixed(2, 1)),
    length: ip ? { ...length, text: feetAndInches } : length,
    distance: measure('DISTANCE', fixed(0, 0)),
    uValue: measure('U_VALUE', (v) => v.toPrecision(3)),
    resistance: measure('RESISTANCE'),
    linear: measure('LINEAR_TRANSMITTANCE'),
    conductivity: measure('CONDUCTIVITY'),
    density: measure('DENSITY'),
    specificHeat: measure('SPECIFIC_HEAT'),
    // layers are kept in metres and said in millimetres
    thickness: {
      ...millimetres,
      to: (v) => millimetres.to(v * 1000),
      from: (v) => millimetres.from(v) / 1000,
      figure: (v) => millimetres.figure(v * 1000),
      text: (v) => millimetres.text(v * 1000),
    },
    heatLoss: measure('HEAT_LOSS'),
    powerDensity: measure('POWER_DENSITY'),
    power: measure('POWER'),
    speed: measure('SPEED'),
    difference: measure('TEMPERATURE_DIFFERENCE'),
    temperature: measure('TEMPERATURE'),
    airFlow: measure('AIR_FLOW'),
    airFlowByArea: measure('AIR_FLOW_BY_AREA'),
    heat: measure('HEAT', (v) => v.toFixed(0)),
    heatByArea: measure('HEAT_BY_AREA'),
  };

  function measured(v: number | null | undefined, unit: string): string {
    if (v == null) return '–';
    if (unit === 'ratio') return `${(100 * v).toFixed(1)} %`;
    if (v === 0) return `0 ${symbol(unit)}`.trim();
    const r = rowOf(unit);
    if (ip && unit === 'm') return named.length.text(v);
    if (ip && r && r.quantity === 'AREA') return named.area.text(v);
    if (ip && r && r.quantity === 'VOLUME') return named.volume.text(v);
    if (ip && r && SPOKEN.has(unit)) return `${figures(toShown(r)(v))} ${r.imperial.symbol}`;
    const digits =
      unit === 'count'
        ? 0
        : unit === 'm'
          ? 3
          : unit === 'm2'
            ? v < 0.1
              ? 4
              : 2
            : unit === 'deg'
              ? 1
              : 2;
    return `${v.toFixed(digits)} ${symbol(unit)}`.trim();
  }

  return {
    ...named,
    system,
    level: (v) => (ip ? feetAndInches(v) : `${v.toFixed(2)} m`),
    of: (unit) => {
      const r = rowOf(unit);
      return r && SPOKEN.has(unit)
        ? { unit: (ip ? r.imperial : r.si).symbol, to: toShown(r), from: toSi(r) }
        : { unit: symbol(unit), to: SAME, from: SAME };
    },
    measured,
    said: (sentence) =>
      ip
        ? sentence.replace(QUANTITY, (all, digits: string, gap: string, unit: string) => {
            const v = Number(digits.replaceAll(',', '').replace('−', '-'));
            const r = SPOKEN.get(unit)!;
            const sign = digits.startsWith('+') ? '+' : '';
            return Number.isFinite(v)
              ? `${sign}${significant(toShown(r)(v), digits)}${gap}${r.imperial.symbol}`
              : all;
          })
        : sentence,
  };
}

const MADE: Record<UnitSystem, Units> = { SI: made('SI'), IP: made('IP') };

/** The units that a project is shown in. */
export const unitsOf = (system: string | null | undefined) => MADE[system === 'IP' ? 'IP' : 'SI'];

export const UnitsContext = createContext(MADE.SI);

/** The units of the project that is open. */
export const useUnits = () => useContext(UnitsContext);
