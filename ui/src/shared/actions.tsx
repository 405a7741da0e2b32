import type { Opening, Repair, Space, Surface } from '../model/api';
import type { ModelIndex } from '../model/model';
import type { Action, Field } from './Form';
import { at, axes, extent, outer, rectangle } from './geometry';
import { OutlineEditor } from './OutlineEditor';
import { several } from './several';

const OPENING_TYPES: [string, string][] = [
  ['FIXED_WINDOW', 'fixed window (FixedWindow)'],
  ['OPERABLE_WINDOW', 'window that opens (OperableWindow)'],
  ['FIXED_SKYLIGHT', 'fixed rooflight (FixedSkylight)'],
  ['OPERABLE_SKYLIGHT', 'rooflight that opens (OperableSkylight)'],
  ['SLIDING_DOOR', 'glazed door (SlidingDoor)'],
  ['NON_SLIDING_DOOR', 'door (NonSlidingDoor)'],
  ['AIR', 'hole (Air)'],
];

type OpeningType = Extract<Repair, { kind: 'RetypeOpening' }>['type'];

const length = (name: string, label: string, value: number): Field => ({
  name,
  label,
  kind: 'length',
  value: Number(value.toFixed(4)),
});

const spaceChoices = (index: ModelIndex): [string, string][] => [
  ['', 'none'],
  ...index.model.spaces.map((s): [string, string] => [s.key, s.name]),
];

const GLAZING: Field[] = [
  { name: 'ratio', label: 'Glazed share', kind: 'number', unit: '%', value: 30 },
  length('sill', 'Sill height', 0.9),
];

/** Windows by share on walls. */
export function glazing(surfaces: string[]): Action {
  return {
    label: 'Windows by share',
    hint: 'A band of windows from the sill up. Windows that are there go, doors stay.',
    fields: GLAZING,
    make: (v) => ({
      kind: 'GlazeWalls',
      surfaces,
      ratio: Number(v.ratio) / 100,
      sill: Number(v.sill),
    }),
  };
}

/** Only construction lies behind. */
function adiabatic(surfaces: string[]): Action {
  return {
    label: 'Adiabatic',
    hint: 'Only construction lies behind: no heat flows through it.',
    fields: [],
    make: () =>
      several(
        'Make adiabatic',
        surfaces.map((surface) => ({ kind: 'MakeAdiabatic', surface })),
      ),
  };
}

/** Names by a rule. */
export function naming(spaces: string[]): Action {
  return {
    label: 'Name by a rule',
    hint: 'Text with {storey}, {number}, {use}, {facing} and {name}. Names given twice are told as findings before it is made.',
    fields: [{ name: 'rule', label: 'Rule', kind: 'text', value: '{storey} {number}' }],
    make: (v) => ({ kind: 'NameSpaces', rule: String(v.rule), spaces }),
  };
}

export function surfaceActions(s: Surface, index: ModelIndex): Action[] {
  const ring = outer(s.shape);
  const a = axes(ring);
  const size = extent(a, ring);
  const upright = s.orientation === 'side';
  const out: Action[] = [
    {
      label: 'Outline',
      fields: [],
      make: () => '',
      body: (done) => <OutlineEditor key={s.key} surface={s} index={index} onDone={done} />,
    },
    {
      label: 'Split',
      hint: upright
        ? 'Along an upright line, so far from its left end seen from outside.'
        : 'Along a line across, so far from its left end.',
      fields: [length('along', 'From the left', size.width / 2)],
      make: (v) => ({
        kind: 'SplitSurface',
        surface: s.key,
        from: at(a, Number(v.along), 0),
        to: at(a, Number(v.along), size.height),
      }),
    },
    {
      label: 'Extend or trim',
      hint: 'To the plane of another surface of the same space.',
      fields: [
        {
          name: 'to',
          label: 'To',
          kind: 'choice',
          value: '',
          choices: [
            ['', 'choose'],
            ...s.spaces
              .flatMap((k) => index.surfacesOf.get(k) ?? [])
              .filter((o, i, all) => o.key !== s.key && all.indexOf(o) === i)
              .map((o): [string, string] => [o.key, o.label]),
          ],
        },
      ],
      make: (v) =>
        v.to
          ? { kind: 'ExtendSurface', surface: s.key, to: String(v.to) }
          : 'Choose the surface to end at.',
    },
    ...(s.spaces.length === 1 && s.exposure !== 'adiabatic' ? [adiabatic([s.key])] : []),
    {
      label: 'Neighbours',
      hint: 'The first is the space that the outline faces out of.',
      fields: [
        {
          name: 'first',
          label: 'First',
          kind: 'choice',
          value: s.spaces[0] ?? '',
          choices: spaceChoices(index),
        },
        {
          name: 'second',
          label: 'Second',
          kind: 'choice',
          value: s.spaces[1] ?? '',
          choices: spaceChoices(index),
        },
      ],
      make: (v) => ({
        kind: 'SetNeighbours',
        surface: s.key,
        spaces: [v.first, v.second].filter(Boolean).map(String),
      }),
    },
    {
      label: 'Add an opening',
      hint: 'Measured from the left end and the lowest edge, seen from outside.',
      fields: [
        {
          name: 'type',
          label: 'Type',
          kind: 'choice',
          value: 'FIXED_WINDOW',
          choices: OPENING_TYPES,
        },
        length('left', 'From the left', Math.max(0, size.width / 2 - 0.6)),
        length('sill', 'From below', 0.9),
        length('width', 'Width', 1.2),
        length('height', 'Height', 1.2),
      ],
      make: (v) => ({
        kind: 'AddOpening',
        surface: s.key,
        type: v.type as OpeningType,
        outline: rectangle(a, Number(v.left), Number(v.sill), Number(v.width), Number(v.height)),
      }),
    },
    {
      label: 'Mend the outline',
      hint: 'Corners into one plane, close corners one, no crossing.',
      fields: [],
      make: () => ({ kind: 'CleanOutline', object: s.key, shortest: 0.001 }),
    },
  ];
  if (upright) out.push(glazing([s.key]));
  return out;
}

export function openingActions(o: Opening, index: ModelIndex): Action[] {
  const parent = o.surface ? index.surfaces.get(o.surface) : undefined;
  const retype: Action = {
    label: 'Retype',
    fields: [
      {
        name: 'type',
        label: 'Type',
        kind: 'choice',
        value: 'FIXED_WINDOW',
        choices: OPENING_TYPES,
      },
    ],
    make: (v) => ({ kind: 'RetypeOpening', opening: o.key, type: v.type as OpeningType }),
  };
  if (!parent) return [retype];
  const a = axes(outer(parent.shape));
  const e = extent(a, outer(o.shape));
  return [
    {
      label: 'Move or size',
      hint: 'Measured from the left end and the lowest edge of its surface, seen from outside.',
      fields: [
        length('left', 'From the left', e.left),
        length('sill', 'From below', e.sill),
        length('width', 'Width', e.width),
        length('height', 'Height', e.height),
      ],
      make: (v) => ({
        kind: 'ReshapeOpening',
        opening: o.key,
        outline: rectangle(a, Number(v.left), Number(v.sill), Number(v.width), Number(v.height)),
      }),
    },
    retype,
  ];
}

export function spaceActions(s: Space, index: ModelIndex): Action[] {
  const corners = (index.surfacesOf.get(s.key) ?? []).flatMap((x) => outer(x.shape));
  const middle = (axis: 'x' | 'y' | 'z') => {
    const v = corners.map((p) => p[axis]);
    return v.length ? (Math.min(...v) + Math.max(...v)) / 2 : 0;
  };
  return [
    {
      label: 'Split',
      hint: 'By a plane; what lies beyond it becomes a space of its own, open to the rest.',
      fields: [
        {
          name: 'axis',
          label: 'Across',
          kind: 'choice',
          value: 'x',
          choices: [
            ['x', 'the x axis'],
            ['y', 'the y axis'],
            ['z', 'the height'],
          ],
        },
        length('at', 'At the coordinate', middle('x')),
        { name: 'name', label: 'Name of the new one', kind: 'text', value: `${s.name} 2` },
      ],
      make: (v) => ({
        kind: 'SplitSpace',
        space: s.key,
        point: {
          x: v.axis === 'x' ? Number(v.at) : 0,
          y: v.axis === 'y' ? Number(v.at) : 0,
          z: v.axis === 'z' ? Number(v.at) : 0,
        },
        normal: {
          x: v.axis === 'x' ? 1 : 0,
          y: v.axis === 'y' ? 1 : 0,
          z: v.axis === 'z' ? 1 : 0,
        },
        name: String(v.name),
      }),
    },
    {
      label: 'Bring corners together',
      fields: [length('distance', 'Corners at most apart', 0.02)],
      make: (v) => ({ kind: 'SnapVertices', spaces: [s.key], distance: Number(v.distance) }),
    },
    naming([s.key]),
    {
      label: 'Delete',
      fields: [],
      make: () => ({ kind: 'DeleteSpace', space: s.key }),
    },
  ];
}

/** For the model as a whole. */
export function modelActions(): Action[] {
  return [
    {
      label: 'Match all facing surfaces',
      hint: 'Surfaces of two spaces that look at each other become one; where outlines differ both are split.',
      fields: [length('distance', 'At most apart', 0.6)],
      make: (v) => ({ kind: 'MatchFacing', distance: Number(v.distance) }),
    },
    {
      label: 'Bring close corners together',
      fields: [length('distance', 'Corners at most apart', 0.02)],
      make: (v) => ({ kind: 'SnapVertices', spaces: [], distance: Number(v.distance) }),
    },
    {
      label: 'Add a space',
      hint: 'A rectangle in plan; other shapes by splitting and merging.',
      fields: [
        { name: 'name', label: 'Name', kind: 'text', value: '' },
        length('x0', 'x from', 0),
        length('x1', 'x to', 4),
        length('y0', 'y from', 0),
        length('y1', 'y to', 4),
        length('floor', 'Floor at', 0),
        length('height', 'Height', 3),
      ],
      make: (v) =>
        v.name
          ? {
              kind: 'AddSpace',
              name: String(v.name),
              footprint: [
                { x: Number(v.x0), y: Number(v.y0), z: 0 },
                { x: Number(v.x1), y: Number(v.y0), z: 0 },
                { x: Number(v.x1), y: Number(v.y1), z: 0 },
                { x: Number(v.x0), y: Number(v.y1), z: 0 },
              ],
              floor: Number(v.floor),
              height: Number(v.height),
            }
          : 'Give the space a name.',
    },
    naming([]),
  ];
}

/** The same for each of several surfaces. */
export function surfacesActions(
  keys: string[],
  types: { name: string; gbxml: string }[],
  constructions: { key: string; name: string }[],
  upright: boolean,
): Action[] {
  const each = (label: string, make: (k: string) => Repair) => several(label, keys.map(make));
  const out: Action[] = [
    {
      label: 'Retype',
      fields: [
        {
          name: 'type',
          label: 'Type',
          kind: 'choice',
          value: types[0]?.name ?? '',
          choices: types.map((t): [string, string] => [t.name, t.gbxml]),
        },
      ],
      make: (v) =>
        each('Retype', (k) => ({ kind: 'RetypeSurface', surface: k, type: v.type as never })),
    },
    adiabatic(keys),
    {
      label: 'Turn them round',
      fields: [],
      make: () => each('Turn them round', (k) => ({ kind: 'ReverseSurface', surface: k })),
    },
    {
      label: 'Delete',
      fields: [],
      make: () => each('Delete', (k) => ({ kind: 'DeleteSurface', surface: k })),
    },
  ];
  if (constructions.length)
    out.splice(1, 0, {
      label: 'Construction',
      fields: [
        {
          name: 'construction',
          label: 'Construction',
          kind: 'choice',
          value: constructions[0].key,
          choices: constructions.map((c): [string, string] => [c.key, c.name]),
        },
      ],
      make: (v) =>
        each('Assign a construction', (k) => ({
          kind: 'AssignConstruction',
          surface: k,
          construction: String(v.construction),
        })),
    });
  if (upright) out.push(glazing(keys));
  return out;
}

/** Repairs of the whole envelope that make it simpler. */
export const SIMPLIFICATIONS: { label: string; title: string; words?: string; repair: Repair }[] = [
  {
    label: 'Join surfaces side by side',
    title: 'Surfaces side by side in one plane, between the same spaces, of the same construction',
    words: 'merge coplanar',
    repair: { kind: 'MergeCoplanar' },
  },
  {
    label: 'Join slivers to their neighbours',
    title:
      'Strips below 0.05 m² or 20 mm go to the surface of the same spaces beside them, in its plane',
    repair: { kind: 'AbsorbSlivers', area: 0.05, width: 0.02 },
  },
  {
    label: 'Fewer facets on curved walls',
    title: 'Walls that are curved in plan get fewer facets; they move by at most 50 mm',
    repair: { kind: 'StraightenFacets', chord: 0.05 },
  },
];
