import { useMemo } from 'react';
import type { Finding, Model, ModelAnswer, Opening, Preview, Space, Surface } from './api';
import { shapeOf } from './shapes';

/** Look-ups over a model, made once per version. */
export interface ModelIndex {
  model: Model;
  spaces: Map<string, Space>;
  surfaces: Map<string, Surface>;
  openings: Map<string, Opening>;
  findings: Map<string, Finding>;
  findingsOf: Map<string, Finding[]>;
  surfacesOf: Map<string, Surface[]>;
}

const indexes = new WeakMap<Model, ModelIndex>();

export function indexModel(model: Model): ModelIndex {
  const openings = new Map<string, Opening>();
  const surfacesOf = new Map<string, Surface[]>();
  for (const s of model.surfaces) {
    for (const o of s.openings) openings.set(o.key, o);
    for (const k of new Set(s.spaces)) {
      const list = surfacesOf.get(k) ?? [];
      list.push(s);
      surfacesOf.set(k, list);
    }
  }
  for (const o of model.orphans) openings.set(o.key, o);
  return {
    model,
    spaces: byKey(model.spaces),
    surfaces: byKey(model.surfaces),
    openings,
    surfacesOf,
    ...findingsOf(model),
  };
}

const byKey = <T extends { key: string }>(list: T[]) => new Map(list.map((x) => [x.key, x]));

function findingsOf(model: Model): Pick<ModelIndex, 'findings' | 'findingsOf'> {
  const of = new Map<string, Finding[]>();
  for (const f of model.findings) {
    for (const o of f.objects) {
      const list = of.get(o.key) ?? [];
      list.push(f);
      of.set(o.key, list);
    }
  }
  return { findings: new Map(model.findings.map((f) => [f.id, f])), findingsOf: of };
}

/** A list with some of its members changed, gone or new; new ones come last. */
function updated<T extends { key: string }>(list: T[], changed: T[], gone: string[]): T[] {
  // what stays the same is not drawn anew
  if (!changed.length && !gone.length) return list;
  const news = new Map(changed.map((x) => [x.key, x]));
  const out = new Set(gone);
  const kept = list
    .filter((x) => !out.has(x.key))
    .map((x) => {
      const n = news.get(x.key);
      news.delete(x.key);
      return n ?? x;
    });
  return [...kept, ...news.values()];
}

type Drawn = { rings?: number[][] | null; triangles?: number[] | null };

/** An object with its outline and faces as one shape. */
function shaped<T extends Drawn>(o: T) {
  const { rings, triangles, ...rest } = o;
  return { ...rest, shape: shapeOf(rings ?? [], triangles ?? []) };
}

/** A surface of an answer. */
export const surfaceOf = (s: ModelAnswer['surfaces'][number]): Surface => ({
  ...shaped(s),
  openings: s.openings.map(shaped),
});

/** The whole model out of that before and what differs from it; null where an answer does not say that. */
export function merged(before: Model, answer: ModelAnswer): Model | null {
  const s = answer.since;
  if (!s) return null;
  const findings = new Map(before.findings.map((f) => [f.id, f]));
  for (const f of answer.findings) findings.set(f.id, f);
  const changed = answer.surfaces.map(surfaceOf);
  const next = {
    ...answer,
    since: undefined,
    spaces: updated(before.spaces, answer.spaces, s.goneSpaces),
    surfaces: updated(before.surfaces, changed, s.goneSurfaces),
    orphans: answer.orphans.map(shaped),
    findings: s.findings.map((id) => findings.get(id)!),
  };
  const known = indexes.get(before);
  if (known) indexes.set(next, reindexed(known, next, changed, s.goneSurfaces));
  return next;
}

/** The look-ups after some surfaces have changed, gone or come: only what concerns these is looked up anew. */
function reindexed(old: ModelIndex, model: Model, changed: Surface[], gone: string[]): ModelIndex {
  const surfaces = new Map(old.surfaces);
  const openings = new Map(old.openings);
  const surfacesOf = new Map(old.surfacesOf);
  const spaces = new Set<string>();
  for (const o of old.model.orphans) openings.delete(o.key);
  for (const key of [...gone, ...changed.map((s) => s.key)]) {
    const was = surfaces.get(key);
    was?.openings.forEach((o) => openings.delete(o.key));
    was?.spaces.forEach((k) => spaces.add(k));
  }
  gone.forEach((k) => surfaces.delete(k));
  for (const s of changed) {
    surfaces.set(s.key, s);
    s.openings.forEach((o) => openings.set(o.key, o));
    s.spaces.forEach((k) => spaces.add(k));
  }
  for (const o of model.orphans) openings.set(o.key, o);
  for (const k of spaces) surfacesOf.delete(k);
  for (const s of model.surfaces)
    for (const k of new Set(s.spaces))
      if (spaces.has(k)) surfacesOf.set(k, [...(surfacesOf.get(k) ?? []), s]);
  return {
    model,
    surfaces,
    openings,
    surfacesOf,
    spaces: model.spaces === old.model.spaces ? old.spaces : byKey(model.spaces),
    ...findingsOf(model),
  };
}

/** Of the repair that is looked at: few are at a time. */
const considered = new WeakMap<Preview, { of: ModelIndex; then: ModelIndex }>();

/** The surfaces and openings as a repair would leave them, for the stage; all else is as it is. */
export function afterRepair(index: ModelIndex, preview: Preview): ModelIndex {
  const known = considered.get(preview);
  if (known?.of === index) return known.then;
  const changed = preview.changedSurfaces.map(surfaceOf);
  const model = {
    ...index.model,
    surfaces: updated(index.model.surfaces, changed, preview.removedSurfaces),
    orphans: preview.orphans.map(shaped),
  };
  const then = reindexed(index, model, changed, preview.removedSurfaces);
  considered.set(preview, { of: index, then });
  return then;
}

/** The look-ups of a model, made once. */
export function indexOf(model: Model): ModelIndex {
  let known = indexes.get(model);
  if (!known) indexes.set(model, (known = indexModel(model)));
  return known;
}

export function useIndex(model: Model): ModelIndex {
  return useMemo(() => indexOf(model), [model]);
}

/** Keys of the drawn objects (surfaces and openings) that a selected key stands for. */
export function drawn(index: ModelIndex, key: string): string[] {
  if (index.surfaces.has(key) || index.openings.has(key)) return [key];
  return (index.surfacesOf.get(key) ?? []).map((s) => s.key);
}

/** The element of the architectural model that an object of the envelope comes from, or null. */
export function elementOf(index: ModelIndex, key: string): string | null {
  // spaces, surfaces and openings of gbXML are themselves what is chosen from
  if (index.model.delivery.format !== 'ifc') return key;
  const space = index.spaces.get(key);
  const part = index.surfaces.get(key) ?? index.openings.get(key);
  return space?.source.id ?? part?.element?.id ?? null;
}

/** Objects of the envelope that were made of an element. */
export function madeOf(index: ModelIndex, element: string): string[] {
  if (index.model.delivery.format !== 'ifc')
    return index.spaces.has(element) || index.surfaces.has(element) || index.openings.has(element)
      ? [element]
      : [];
  const is = (o: { element?: { id: string } | null }) => o.element?.id === element;
  return [
    ...index.model.spaces.filter((s) => s.source.id === element),
    ...index.model.surfaces.filter(is),
    ...[...index.openings.values()].filter(is),
  ].map((o) => o.key);
}
