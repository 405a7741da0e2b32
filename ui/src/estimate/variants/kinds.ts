import type { Change, Choices } from '../../model/variantCalls';
import type { LibraryAnswer } from '../../model/api';
import { ofLibrary } from '../../model/specs';

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

/** Numbers of each kind that can run through values, with what they are called; bounds are the server's. */
export const SWEPT: Record<
  Kind,
  {
    member: string;
    label: string;
    quantity: string;
    unit: string;
    from: number;
    to: number;
    step: number;
  }[]
> = {
  GlazingShare: [
    {
      member: 'share',
      label: 'glazing share',
      quantity: 'SHARE',
      unit: '',
      from: 0.1,
      to: 0.6,
      step: 0.1,
    },
    {
      member: 'sill',
      label: 'sill height',
      quantity: 'LENGTH',
      unit: 'm',
      from: 0.2,
      to: 1,
      step: 0.2,
    },
  ],
  WindowType: [
    {
      member: 'uValue',
      label: 'U-value of windows',
      quantity: 'U_VALUE',
      unit: 'W/m²K',
      from: 0.6,
      to: 1.4,
      step: 0.2,
    },
    {
      member: 'solarHeatGain',
      label: 'solar heat gain',
      quantity: 'SHARE',
      unit: '',
      from: 0.2,
      to: 0.6,
      step: 0.1,
    },
  ],
  WindowShades: [
    {
      member: 'overhang',
      label: 'depth of overhangs',
      quantity: 'LENGTH',
      unit: 'm',
      from: 0,
      to: 1.5,
      step: 0.25,
    },
    {
      member: 'fin',
      label: 'depth of fins',
      quantity: 'LENGTH',
      unit: 'm',
      from: 0,
      to: 1,
      step: 0.25,
    },
  ],
  ConstructionOfType: [
    {
      member: 'uValue',
      label: 'U-value',
      quantity: 'U_VALUE',
      unit: 'W/m²K',
      from: 0.1,
      to: 0.3,
      step: 0.05,
    },
  ],
  LayerThickness: [
    {
      member: 'thickness',
      label: 'thickness',
      quantity: 'LENGTH',
      unit: 'm',
      from: 0.1,
      to: 0.3,
      step: 0.02,
    },
  ],
  StatedUValue: [
    {
      member: 'uValue',
      label: 'U-value',
      quantity: 'U_VALUE',
      unit: 'W/m²K',
      from: 0.1,
      to: 0.3,
      step: 0.05,
    },
  ],
  Leakage: [
    {
      member: 'airChanges',
      label: 'air through leaks',
      quantity: '',
      unit: '1/h',
      from: 0,
      to: 0.5,
      step: 0.1,
    },
  ],
  SetPoints: [
    {
      member: 'heating',
      label: 'set-point for heating',
      quantity: 'TEMPERATURE',
      unit: '°C',
      from: 18,
      to: 22,
      step: 1,
    },
    {
      member: 'cooling',
      label: 'set-point for cooling',
      quantity: 'TEMPERATURE',
      unit: '°C',
      from: 24,
      to: 28,
      step: 1,
    },
  ],
  LightAndEquipment: [
    {
      member: 'lighting',
      label: 'light',
      quantity: 'POWER_DENSITY',
      unit: 'W/m²',
      from: 2,
      to: 12,
      step: 2,
    },
    {
      member: 'equipment',
      label: 'equipment',
      quantity: 'POWER_DENSITY',
      unit: 'W/m²',
      from: 2,
      to: 12,
      step: 2,
    },
  ],
  HeatRecovery: [
    {
      member: 'share',
      label: 'heat recovery',
      quantity: 'SHARE',
      unit: '',
      from: 0,
      to: 0.9,
      step: 0.15,
    },
  ],
  SystemsOf: [
    {
      member: 'heatingEfficiency',
      label: 'efficiency of heating',
      quantity: '',
      unit: '',
      from: 2.5,
      to: 5,
      step: 0.5,
    },
    {
      member: 'coolingEfficiency',
      label: 'efficiency of cooling',
      quantity: '',
      unit: '',
      from: 2,
      to: 6,
      step: 1,
    },
    {
      member: 'hotWaterEfficiency',
      label: 'efficiency of hot water',
      quantity: '',
      unit: '',
      from: 0.8,
      to: 3,
      step: 0.2,
    },
    {
      member: 'fanPower',
      label: 'power of fans',
      quantity: '',
      unit: 'W/(l/s)',
      from: 0.5,
      to: 2.5,
      step: 0.5,
    },
  ],
  Turned: [
    { member: 'degrees', label: 'turn', quantity: '', unit: '°', from: 0, to: 330, step: 30 },
  ],
  StoreyHeight: [
    {
      member: 'height',
      label: 'height of storeys',
      quantity: 'LENGTH',
      unit: 'm',
      from: 2.6,
      to: 4,
      step: 0.2,
    },
  ],
  OtherClimate: [],
};

export const labelOf = (kind: Kind) => KINDS.find((k) => k.kind === kind)!.label;
