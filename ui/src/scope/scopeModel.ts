import type { AskedOf, Scope, Unmet } from '../model/api';
import type { Drawing, Item } from '../stage/drawing';
import { groundOf, heights, type Subject } from '../stage/subject';
import { counted } from '../model/words';
import { FAMILIES, familyOf, plain } from './families';
import { NOTHING } from '../model/colours';

/** One element as a row. */
export interface ElementRow {
  place: number;
  key: string;
  name: string;
  entity: string;
  predefined: string;
  type: string;
  storey: string;
  layer: string;
  material: string;
  isIn: boolean;
  byHand: boolean;
  reason: string;
  unmet: number;
}

/** Look-ups over the scope, made once per version. */
export interface ScopeIndex {
  scope: Scope;
  rows: ElementRow[];
  byKey: Map<string, ElementRow>;
  unmetOf: Map<number, Unmet[]>;
  requirements: Map<number, AskedOf>;
  isIn: number;
}

export function indexScope(scope: Scope): ScopeIndex {
  const word = (w: { words: string[]; of: number[] }, i: number) => w.words[w.of[i]];
  const rows = scope.keys.map((key, i) => ({
    place: i,
    key,
    name: scope.names[i],
    entity: word(scope.classes, i),
    predefined: word(scope.predefined, i),
    type: word(scope.types, i),
    storey: word(scope.storeys, i),
    layer: word(scope.layers, i),
    material: word(scope.materials, i),
    isIn: scope.in[i] === 1,
    byHand: scope.byHand[i] === 1,
    reason: word(scope.reasons, i),
    unmet: scope.faults[i],
  }));
  const unmetOf = new Map<number, Unmet[]>();
  for (const f of scope.unmet) {
    const list = unmetOf.get(f.element);
    if (list) list.push(f);
    else unmetOf.set(f.element, [f]);
  }
  return {
    scope,
    rows,
    byKey: new Map(rows.map((r) => [r.key, r])),
    unmetOf,
    requirements: new Map(scope.requirements.map((r) => [r.row, r])),
    isIn: rows.reduce((n, r) => n + (r.isIn ? 1 : 0), 0),
  };
}

/** Bodies of elements as the server sends them: see its description of the block. */
export interface Mesh {
  places: Int32Array;
  firsts: Int32Array;
  origin: [number, number, number];
  positions: Float32Array<ArrayBuffer>;
  triangles: Uint32Array<ArrayBuffer>;
  lines: Uint32Array<ArrayBuffer>;
}

export function readMesh(block: ArrayBuffer): Mesh {
  const head = new DataView(block);
  const [n, v, t, e] = [0, 4, 8, 12].map((at) => head.getInt32(at, true));
  const origin = [16, 24, 32].map((at) => head.getFloat64(at, true)) as [number, number, number];
  const table = new Int32Array(block, 40, n * 4);
  const at = 40 + n * 16;
  return {
    places: table.filter((_, i) => i % 4 === 0),
    firsts: table.filter((_, i) => i % 4 > 0),
    origin,
    positions: new Float32Array(block, at, v * 3),
    triangles: new Uint32Array(block, at + v * 12, t),
    lines: new Uint32Array(block, at + v * 12 + t * 4, e),
  };
}

const OUT = 'out';

/** All elements with a body: what is in by its family, what is out faintly. */
export function scopeDrawing(
  index: ScopeIndex,
  mesh: Mesh,
  storeys: string[],
  levels: number[],
): Drawing {
  const levelOf = new Map(storeys.map((s, i) => [s, i]));
  const n = mesh.places.length;
  const end = [mesh.positions.length / 3, mesh.triangles.length, mesh.lines.length];
  const first = (i: number, what: number) => (i < n ? mesh.firsts[i * 3 + what] : end[what]);
  const items: Item[] = [];
  for (let i = 0; i < n; i++) {
    const row = index.rows[mesh.places[i]];
    const family = familyOf(row.entity, row.predefined);
    const lines = (first(i + 1, 2) - first(i, 2)) / 2;
    items.push({
      key: row.key,
      owner: row.key,
      group: row.isIn ? family.key : OUT,
      level: levelOf.get(row.storey) ?? -1,
      firstVertex: first(i, 0),
      vertices: first(i + 1, 0) - first(i, 0),
      firstTriangle: first(i, 1) / 3,
      triangles: (first(i + 1, 1) - first(i, 1)) / 3,
      firstLine: first(i, 2) / 2,
      lines,
      outline: lines,
      colour: family.colour,
      opacity: row.isIn ? family.opacity : 0.1,
      dashed: false,
      pattern: family.pattern ?? 'plain',
      layer: family.layer ?? 1,
      faint: !row.isIn || family.opacity < 0.5,
      far: !row.isIn,
    });
  }
  if (items.every((it) => it.far)) for (const it of items) it.far = false;
  return {
    items,
    origin: mesh.origin,
    positions: mesh.positions,
    triangles: mesh.triangles,
    lines: mesh.lines,
    levels,
  };
}

export function elementSubject(
  index: ScopeIndex,
  mesh: Mesh,
  storeys: { name: string; level?: number | null }[],
): Subject {
  const drawing = scopeDrawing(
    index,
    mesh,
    storeys.map((s) => s.name),
    storeys.map((s) => s.level ?? 0),
  );
  const counts = new Map<string, number>();
  for (const it of drawing.items) counts.set(it.group, (counts.get(it.group) ?? 0) + 1);
  return {
    drawing,
    drawn: (key) => [key],
    named: (key) => {
      const r = index.byKey.get(key);
      return r ? `${plain(r.entity)} ${r.name} · ${r.isIn ? 'in' : 'out'}: ${r.reason}` : null;
    },
    legend: {
      title: 'In scope, with a body',
      entries: [
        ...FAMILIES.map((f) => ({ ...f, opacity: Math.max(0.45, f.opacity) })),
        { key: OUT, label: 'Out of scope', colour: NOTHING, opacity: 1, pattern: undefined },
      ]
        .filter((f) => counts.get(f.key))
        .map((f) => ({
          key: f.key,
          label: f.label,
          colour: f.colour,
          opacity: f.opacity,
          dashed: f.key === OUT,
          pattern: f.pattern ?? 'plain',
          count: String(counts.get(f.key)),
        })),
    },
    heights: heights(drawing),
    ground: groundOf(drawing, () => true),
    volumes: [],
    summary: `${counted(drawing.items.length)} elements, ${counted(index.isIn)} in scope`,
  };
}

/** What elements may have in common. */
export const LIKE: [keyof ElementRow & string, string][] = [
  ['entity', 'class'],
  ['type', 'type'],
  ['predefined', 'predefined type'],
  ['storey', 'storey'],
  ['name', 'name'],
  ['layer', 'layer'],
  ['material', 'material'],
  ['reason', 'reason'],
];

/** All elements that have the same as this one; of the same class too where the word alone says little. */
export function alike(index: ScopeIndex, row: ElementRow, what: keyof ElementRow): string[] {
  return index.rows.filter((r) => r[what] === row[what]).map((r) => r.key);
}
