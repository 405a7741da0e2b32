import type { Change, Choices } from '../../model/variantCalls';
import type { LibraryAnswer } from '../../model/api';
import { ofLibrary } from '../../model/specs';
import { rangeOf } from './range';

export type Kind = Change['kind'];
export type Of<K extends Kind> = Extract<Change, { kind: K }>;

/** A kind of change: what it is called, and one to begin with; a sentence where it makes no sense here. */
interface ChangeKind {
  kind: Kind;
  label: string;
  fresh: (c: Choices, library: LibraryAnswer | undefined) => Change | string;
}

const first = (c: Choices) => c.constructions.find((x) => x.materials.length);

/** The thickest layer is the one that people mean when they say insulation: most resistance for its thickness. */
function insulation(c: Choices) {
  const of = first(c);
  const m = of?.materials.find((x) => /wool|insul|foam|fibre/i.test(x.name)) ?? of?.materials[0];
  return of && m
    ? { construction: of.name, material: m.name, thickness: m.thickness ?? 0.1 }
    : null;
}

export const KINDS: ChangeKind[] = [
  {
    kind: 'GlazingShare',
    label: 'Glazing share',
    fresh: (c) => {
      const south =
        c.sides.find((s) => s.facing === 'SOUTH' && s.gross > 0) ??
        c.sides.find((s) => s.gross > 0);
      return south
        ? {
            kind: 'GlazingShare',
            facing: [south.facing],
            share: Math.round(20 * south.share) / 20 || 0.2,
            sill: 0.8,
          }
        : 'There is no outdoor wall.';
    },
  },
  {
    kind: 'WindowType',
    label: 'Window type',
    fresh: (_, l) => {
      const g = l?.library.glazings.find((x) => (x.uValue ?? 9) < 1) ?? l?.library.glazings[0];
      return {
        kind: 'WindowType',
        facing: [],
        name: g?.name ?? 'Triple glazing',
        uValue: g?.uValue ?? 0.8,
        solarHeatGain: g?.solarHeatGain ?? 0.5,
        visibleTransmittance: g?.visibleTransmittance ?? null,
        source: g?.source ?? '',
      };
    },
  },
  {
    kind: 'WindowShades',
    label: 'Shades at windows',
    fresh: () => ({ kind: 'WindowShades', facing: ['SOUTH'], overhang: 0.6, fin: 0 }),
  },
  {
    kind: 'ConstructionOfType',
    label: 'Construction by type',
    fresh: (c, l) => {
      const type = c.types.find((t) => t.type === 'EXTERIOR_WALL') ?? c.types[0];
      const of = l?.library.constructions[0];
      return type && l && of
        ? { kind: 'ConstructionOfType', type: type.type, construction: ofLibrary(l.library, of) }
        : 'There is no surface, or no construction in the library.';
    },
  },
  {
    kind: 'LayerThickness',
    label: 'Thickness of a layer',
    fresh: (c) => {
      const at = insulation(c);
      return at
        ? { kind: 'LayerThickness', ...at }
        : 'No construction has layers with a conductivity.';
    },
  },
  {
    kind: 'StatedUValue',
    label: 'U-value',
    fresh: (c) =>
      c.constructions.length
        ? {
            kind: 'StatedUValue',
            construction: c.constructions[0].name,
            uValue: Number((c.constructions[0].uValue ?? 0.3).toFixed(3)),
          }
        : 'There is no construction.',
  },
  {
    kind: 'Leakage',
    label: 'Air through leaks',
    fresh: () => ({ kind: 'Leakage', airChanges: 0.1 }),
  },
  {
    kind: 'SetPoints',
    label: 'Set-points',
    fresh: () => ({ kind: 'SetPoints', heating: 20, cooling: null }),
  },
  {
    kind: 'LightAndEquipment',
    label: 'Light and equipment',
    fresh: (c) => ({
      kind: 'LightAndEquipment',
      lighting: c.lighting == null ? 6 : Number(c.lighting.toFixed(1)),
      equipment: null,
    }),
  },
  {
    kind: 'HeatRecovery',
    label: 'Heat recovery',
    fresh: () => ({ kind: 'HeatRecovery', share: 0.75 }),
  },
  {
    kind: 'SystemsOf',
    label: 'Systems',
    fresh: () => ({ kind: 'SystemsOf', heating: 'ELECTRICITY', heatingEfficiency: 3.5 }),
  },
  { kind: 'Turned', label: 'Turn of the building', fresh: () => ({ kind: 'Turned', degrees: 90 }) },
  {
    kind: 'StoreyHeight',
    label: 'Storey height',
    fresh: (c) =>
      c.storeys.length
        ? { kind: 'StoreyHeight', storey: '', height: c.storeys[0].height }
        : 'Storeys can be made higher of a building that was drawn.',
  },
  {
    kind: 'OtherClimate',
    label: 'Other climate',
    fresh: (c) =>
      c.weather.length > 1
        ? {
            kind: 'OtherClimate',
            climate: c.weather[c.weather.length - 1].id,
            name: c.weather[c.weather.length - 1].label,
          }
        : 'There is no other weather file: add one under Climate.',
  },
];

/** Values that a sweep begins with, in SI; what the numbers are called and counted in, the server says. */
const BEGINNINGS: Record<string, [from: number, to: number, step: number]> = {
  'GlazingShare share': [0.1, 0.6, 0.1],
  'GlazingShare sill': [0.2, 1, 0.2],
  'WindowType uValue': [0.6, 1.4, 0.2],
  'WindowType solarHeatGain': [0.2, 0.6, 0.1],
  'WindowShades overhang': [0, 1.5, 0.25],
  'WindowShades fin': [0, 1, 0.25],
  'LayerThickness thickness': [0.1, 0.3, 0.02],
  'Leakage airChanges': [0, 0.5, 0.1],
  'SetPoints heating': [18, 22, 1],
  'SetPoints cooling': [24, 28, 1],
  'HeatRecovery share': [0, 0.9, 0.15],
  'SystemsOf heatingEfficiency': [2.5, 5, 0.5],
  'SystemsOf coolingEfficiency': [2, 6, 1],
  'SystemsOf hotWaterEfficiency': [0.8, 3, 0.2],
  'SystemsOf fanPower': [0.5, 2.5, 0.5],
  'Turned degrees': [0, 330, 30],
  'StoreyHeight height': [2.6, 4, 0.2],
};
const OF_UNIT: Record<string, [number, number, number]> = {
  'W/m²K': [0.1, 0.3, 0.05],
  'W/m²': [2, 12, 2],
};

/** The numbers of a kind that can run through values. */
export const numbersOf = (choices: Choices, kind: Kind) =>
  choices.numbers.filter((n) => n.kind === kind);

/** Values that a number begins with. */
export function beginning(n: Choices['numbers'][number]): number[] {
  const [from, to, step] = BEGINNINGS[`${n.kind} ${n.member}`] ??
    OF_UNIT[n.unit] ?? [n.least, n.most, (n.most - n.least) / 4];
  return rangeOf(from, to, step);
}

export const labelOf = (kind: Kind) => KINDS.find((k) => k.kind === kind)!.label;
