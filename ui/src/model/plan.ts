/** A plan document, as `docs/formats.md` describes it; members that no form asks for are carried along. */
export interface PlanDoc {
  yentraPlan: 1;
  name?: string;
  place?: Record<string, unknown>;
  ground_m?: number;
  storeys: Storey[];
  floors: Floor[];
  roofs?: Roof[];
  glazing?: Glazing[];
  shading?: Shading[];
  underlay?: Underlay[];
  [more: string]: unknown;
}

export interface Storey {
  id?: string;
  name: string;
  level_m: number;
  height_m: number;
  [more: string]: unknown;
}

type Point = [number, number];

export interface Outline {
  id?: string;
  corners: Point[];
  holes?: Point[][];
  [more: string]: unknown;
}

export interface Line {
  id?: string;
  points: Point[];
  /** Nothing stands there. */
  air?: boolean;
}

/** What is said of the room over a point. */
export interface Label {
  id?: string;
  at: Point;
  name?: string;
  use?: string;
  rises?: string[];
  /** By storey the key that the room had before; the server's to say. */
  keys?: Record<string, string>;
}

export interface Underlay {
  id?: string;
  storey: string;
  file: string;
  scale_m_per_px: number;
  /** The pixel, from the left and from the top, at the drawing's origin. */
  origin_px: Point;
  /** Counter-clockwise. */
  turn_deg?: number;
  fade?: number;
}

export interface Floor {
  id?: string;
  storey: string;
  outlines: Outline[];
  lines?: (Point[] | Line)[];
  bands?: { depth_m: number };
  spaces?: Label[];
  copies?: string[];
  [more: string]: unknown;
}

export type RoofKind = 'flat' | 'shed' | 'gable' | 'hip';

export interface Roof {
  storey: string;
  kind?: RoofKind;
  pitch_deg?: number;
  ridge_deg?: number;
  space?: 'own' | 'joined';
  [more: string]: unknown;
}

export interface Glazing {
  id?: string;
  by?: string;
  where?: { facing_deg?: Point; roofs?: boolean; [more: string]: unknown };
  ratio?: number;
  sill_m?: number;
  head_m?: number;
  form?: 'band' | 'single' | 'each';
  bay_m?: number;
  /** Of what is fitted by hand: where its middle is, and what it is. */
  storey?: string;
  at?: Point;
  type?: HandType;
  width_m?: number;
  [more: string]: unknown;
}

export type HandType = 'window' | 'door' | 'glazed-door';

export interface Shading {
  id?: string;
  overhang_m?: number;
  block?: Block;
  [more: string]: unknown;
}

/** A neighbouring building. */
export interface Block {
  name?: string;
  corners: Point[];
  level_m?: number;
  height_m: number;
}

/** A quarter of the compass with the azimuths that it reaches over. */
export const QUARTERS: [name: string, facing: Point][] = [
  ['north', [315, 45]],
  ['east', [45, 135]],
  ['south', [135, 225]],
  ['west', [225, 315]],
];

const glazingId = (quarter: string) => `windows-${quarter}`;
const OVERHANG = 'overhangs';

/** A block to begin with: two storeys of 24 by 12 m, windows in all walls. */
export function firstBlock(name: string): PlanDoc {
  return {
    yentraPlan: 1,
    name,
    ground_m: 0,
    storeys: [
      { id: 'storey-1', name: 'Ground', level_m: 0, height_m: 3.4 },
      { id: 'storey-2', name: 'Storey 2', level_m: 3.4, height_m: 3.4 },
    ],
    floors: [
      {
        id: 'floor-1',
        storey: 'Ground',
        outlines: [{ id: 'outline-1', corners: rectangle(24, 12) }],
        bands: { depth_m: 4 },
        copies: ['Storey 2'],
      },
    ],
    roofs: [],
    glazing: QUARTERS.map(([quarter, facing]) => ({
      id: glazingId(quarter),
      where: { facing_deg: facing },
      ratio: 0.3,
      sill_m: 0.9,
      head_m: 2.7,
      form: 'band',
      bay_m: 3,
    })),
    shading: [],
  };
}

/** A drawing to begin with: one storey, nothing drawn. */
export function firstDrawing(name: string): PlanDoc {
  const block = firstBlock(name);
  return { ...block, storeys: block.storeys.slice(0, 1), floors: [], glazing: [] };
}

function rectangle(width: number, depth: number): Point[] {
  return [
    [0, 0],
    [width, 0],
    [width, depth],
    [0, depth],
  ];
}

/** Width and depth of a drawing whose only outline is a rectangle that begins at 0, 0; null of any other. */
export function sizeOf(doc: PlanDoc): { width: number; depth: number } | null {
  const [floor, ...more] = doc.floors;
  const [outline, ...others] = floor?.outlines ?? [];
  if (more.length || others.length || !outline || outline.holes?.length || floor.lines?.length)
    return null;
  const c = outline.corners;
  const [width, depth] = c[2] ?? [0, 0];
  const same = rectangle(width, depth).every((p, i) => p[0] === c[i]?.[0] && p[1] === c[i]?.[1]);
  return c.length === 4 && same && width > 0 && depth > 0 ? { width, depth } : null;
}

export function withSize(doc: PlanDoc, width: number, depth: number): PlanDoc {
  const [floor] = doc.floors;
  const outlines = [{ ...floor.outlines[0], corners: rectangle(width, depth) }];
  return { ...doc, floors: [{ ...floor, outlines }] };
}

/** The storeys from the bottom. */
export const fromBelow = (doc: PlanDoc) =>
  [...doc.storeys].sort((a, b) => a.level_m - b.level_m || a.name.localeCompare(b.name));

const mm = (metres: number) => Math.round(metres * 1000) / 1000;

/** Another height of a storey; those that begin at its top or above move with it. */
export function withHeight(doc: PlanDoc, name: string, height: number): PlanDoc {
  const of = doc.storeys.find((s) => s.name === name)!;
  const top = of.level_m + of.height_m - 1e-6;
  const shift = height - of.height_m;
  return {
    ...doc,
    storeys: doc.storeys.map((s) =>
      s.name === name
        ? { ...s, height_m: height }
        : s.level_m >= top
          ? { ...s, level_m: mm(s.level_m + shift) }
          : s,
    ),
  };
}

/** Whether the topmost storey can go: it is only a copy of another one, and no rule names it. */
export function canLoseStorey(doc: PlanDoc): boolean {
  const top = fromBelow(doc).at(-1)!.name;
  const named = JSON.stringify([doc.glazing, doc.shading, doc.floors.map((f) => f.spaces)]);
  return (
    doc.storeys.length > 1 &&
    doc.floors.every((f) => f.storey !== top) &&
    !named.includes(JSON.stringify(top))
  );
}

export function withoutTopStorey(doc: PlanDoc): PlanDoc {
  const [below, top] = fromBelow(doc).slice(-2);
  return {
    ...doc,
    storeys: doc.storeys.filter((s) => s.name !== top.name),
    floors: doc.floors.map((f) => ({ ...f, copies: f.copies?.filter((c) => c !== top.name) })),
    roofs: (doc.roofs ?? []).map((r) => (r.storey === top.name ? { ...r, storey: below.name } : r)),
  };
}

/** Depth of the perimeter band of all floors; null for none. */
export function withBands(doc: PlanDoc, depth: number | null): PlanDoc {
  return {
    ...doc,
    floors: doc.floors.map((f) => ({ ...f, bands: depth ? { depth_m: depth } : undefined })),
  };
}

/** The roof over the topmost storey. */
export function roofOf(doc: PlanDoc): Roof {
  const top = fromBelow(doc).at(-1)!.name;
  return doc.roofs?.filter((r) => r.storey === top).at(-1) ?? { storey: top, kind: 'flat' };
}

export function withRoof(doc: PlanDoc, roof: Roof): PlanDoc {
  const size = sizeOf(doc);
  const whole: Roof = {
    ...roof,
    pitch_deg: roof.kind === 'flat' ? undefined : (roof.pitch_deg ?? 30),
    // along the longer side, where nothing else was said
    ridge_deg: roof.ridge_deg ?? (size && size.depth > size.width ? 0 : 90),
    space: roof.space ?? 'own',
  };
  return {
    ...doc,
    roofs: [...(doc.roofs ?? []).filter((r) => r.storey !== roof.storey), whole],
  };
}

/** The rule for windows that face a quarter, where a form made it. */
export const windowsOf = (doc: PlanDoc, quarter: string) =>
  doc.glazing?.find((g) => g.id === glazingId(quarter));

/** Another share of windows in the walls that face a quarter. */
export function withWindows(doc: PlanDoc, quarter: string, change: Partial<Glazing>): PlanDoc {
  const facing = QUARTERS.find(([q]) => q === quarter)![1];
  const like = doc.glazing?.find((g) => g.id?.startsWith('windows-'));
  const now = windowsOf(doc, quarter) ?? {
    sill_m: 0.9,
    head_m: 2.7,
    form: 'band',
    ...like,
    id: glazingId(quarter),
    where: { facing_deg: facing },
    ratio: 0,
  };
  const next = { ...now, ...change };
  const others = (doc.glazing ?? []).filter((g) => g.id !== next.id);
  return { ...doc, glazing: [...others, next] };
}

/** The same of all windows that forms made. */
export function withAllWindows(doc: PlanDoc, change: Partial<Glazing>): PlanDoc {
  return {
    ...doc,
    glazing: (doc.glazing ?? []).map((g) =>
      g.id?.startsWith('windows-') ? { ...g, ...change } : g,
    ),
  };
}

export const overhangOf = (doc: PlanDoc) =>
  doc.shading?.find((s) => s.id === OVERHANG)?.overhang_m ?? 0;

/** Overhangs over all windows; 0 for none. */
export function withOverhang(doc: PlanDoc, depth: number): PlanDoc {
  const others = (doc.shading ?? []).filter((s) => s.id !== OVERHANG);
  return {
    ...doc,
    shading: depth > 0 ? [...others, { id: OVERHANG, overhang_m: depth }] : others,
  };
}
