import type { ColourBy, Tinted } from '../model/state';
import type { Model, RevisionChange, Surface } from '../model/api';
import { indexOf } from '../model/model';
import { EXPOSURES } from '../model/words';
import type { Pattern } from './drawing';
import { type Units } from '../model/units';
import {
  EXPOSURE,
  GROUPS as PALETTE,
  NOTHING,
  OTHERS,
  SINCE,
  WARMTH as BAND_COLOURS,
} from '../model/colours';

/** What the surfaces on the stage are coloured by. */

export const COLOUR_BY: [ColourBy, string][] = [
  ['exposure', 'Other side of the surface'],
  ['uvalue', 'U-value'],
  ['construction', 'Construction'],
  ['use', 'Use of the space'],
  ['zone', 'Zone'],
  ['change', 'Since the revision before'],
  ['estimate', 'Figure of the estimate'],
];

export interface Tint {
  key: string;
  label: string;
  colour: string;
  opacity: number;
  dashed: boolean;
  pattern: Pattern;
}

/** An entry for every surface. */
export interface Colouring {
  entries: Tint[];
  of: (s: Surface) => Tint;
}

const plain = (
  key: string,
  label: string,
  colour: string,
  opacity = 1,
  pattern: Pattern = 'plain',
): Tint => ({
  key,
  label,
  colour,
  opacity,
  dashed: false,
  pattern,
});

const BY_EXPOSURE = EXPOSURES.map((e) => ({ ...e, dashed: e.key === 'none' }));

const exposure: Colouring = {
  entries: BY_EXPOSURE,
  of: (s) => BY_EXPOSURE.find((x) => x.key === s.exposure) ?? BY_EXPOSURE[6],
};

const ADDED = plain('added', 'Added', SINCE.added, 1, 'cross');
const MOVED = plain('moved', 'Moved', SINCE.moved, 1, 'slant');
const CHANGED = plain('changed', 'Changed', SINCE.changed, 1, 'counter');
const SAME = plain('same', 'As before', SINCE.same, 0.5);

/** What became of each surface since the revision before; one whose opening changed counts too. */
function byChange(changes: RevisionChange[]): Colouring {
  const tints: Record<string, Tint> = { ADDED, MOVED, CHANGED };
  const now = new Map(changes.flatMap((c) => (c.after ? [[c.after, c.change] as const] : [])));
  return {
    entries: [ADDED, MOVED, CHANGED, SAME],
    of: (s) => {
      const own = now.get(s.key);
      if (own && tints[own]) return tints[own];
      return s.openings.some((o) => now.has(o.key)) ? CHANGED : SAME;
    },
  };
}

/** So many groups have a colour of their own; the rarest share the last. */
const OTHER = plain('other', 'Others', OTHERS);
const NONE = { ...plain('', 'None', NOTHING, 0.35), dashed: true };

/** A colour for each of the most frequent groups. */
function byGroup(
  model: Model,
  group: (s: Surface) => string | null | undefined,
  label: (key: string) => string,
): Colouring {
  const counts = new Map<string, number>();
  for (const s of model.surfaces) {
    const k = group(s);
    if (k) counts.set(k, (counts.get(k) ?? 0) + 1);
  }
  const keys = [...counts.keys()].sort((a, b) => counts.get(b)! - counts.get(a)!);
  const tints = new Map(
    keys.slice(0, PALETTE.length).map((k, i) => [k, plain(k, label(k), PALETTE[i])] as const),
  );
  return {
    entries: [...tints.values(), OTHER, NONE],
    of: (s) => {
      const k = group(s);
      return k ? (tints.get(k) ?? OTHER) : NONE;
    },
  };
}

/** Bounds of the bands of U-values in W/(m²K), from warm to cold. */
const BANDS = [0.15, 0.25, 0.4, 0.8, 1.5, 3];

/** Bands of U-values; what has none is dashed. */
function byUValue(units: Units, values: Record<string, number>): Colouring {
  const text = (v: number) => String(Number(units.uValue.to(v).toPrecision(2)));
  const tints = BAND_COLOURS.map((colour, i) =>
    plain(
      `u${i}`,
      i === 0
        ? `below ${text(BANDS[0])}`
        : i === BANDS.length
          ? `${text(BANDS[i - 1])} and more`
          : `${text(BANDS[i - 1])} to ${text(BANDS[i])}`,
      colour,
    ),
  );
  tints[0].label += ` ${units.uValue.unit}`;
  const none = { ...NONE, label: 'Not known' };
  const shade = plain('shade', 'Shading', EXPOSURE.shade, 0.45, 'counter');
  return {
    entries: [...tints, none, shade],
    of: (s) => {
      if (s.exposure === 'shade') return shade;
      const u = values[s.key];
      if (u == null) return none;
      const i = BANDS.findIndex((b) => u < b);
      return tints[i < 0 ? BANDS.length : i];
    },
  };
}

/** Bands of a figure of the space that a surface bounds first. */
function byFigure(t: Tinted): Colouring {
  const last = t.bounds.length;
  const tints = BAND_COLOURS.map((colour, i) =>
    plain(
      `e${i}`,
      i === 0
        ? `below ${t.say(t.bounds[0])} ${t.unit}`
        : i === last
          ? `${t.say(t.bounds[last - 1])} and more`
          : `${t.say(t.bounds[i - 1])} to ${t.say(t.bounds[i])}`,
      colour,
    ),
  );
  const none = { ...NONE, label: 'None' };
  const shade = plain('shade', 'Shading', EXPOSURE.shade, 0.45, 'counter');
  return {
    entries: [...tints, none, shade],
    of: (s) => {
      if (s.exposure === 'shade') return shade;
      const v = t.values[s.spaces[0] ?? ''];
      if (v == null) return none;
      const i = t.bounds.findIndex((b) => v < b);
      return tints[i < 0 ? last : i];
    },
  };
}

/** What only some schemes need. */
export interface Known {
  changes: RevisionChange[];
  /** By key of surface or opening, W/(m²K). */
  uValues: Record<string, number>;
  tinted: Tinted | null;
}

export function colouring(units: Units, by: ColourBy, model: Model, known: Known): Colouring {
  const { spaces } = indexOf(model);
  const first = (s: Surface) => spaces.get(s.spaces[0] ?? '');
  switch (by) {
    case 'change':
      return byChange(known.changes);
    case 'estimate':
      return known.tinted ? byFigure(known.tinted) : exposure;
    case 'uvalue':
      return byUValue(units, known.uValues);
    case 'construction': {
      const names = new Map(model.constructions.map((c) => [c.key, c.name]));
      return byGroup(
        model,
        (s) => s.construction,
        (k) => names.get(k) ?? k,
      );
    }
    case 'use':
      return byGroup(
        model,
        (s) => first(s)?.use,
        (k) => k,
      );
    case 'zone':
      return byGroup(
        model,
        (s) => first(s)?.zone,
        (k) => k,
      );
    default:
      return exposure;
  }
}
