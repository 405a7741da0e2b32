import { useMemo } from 'react';
import type { Finding, Model, Opening, Space, Surface } from './api';

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
  const findingsOf = new Map<string, Finding[]>();
  for (const f of model.findings) {
    for (const o of f.objects) {
      const list = findingsOf.get(o.key) ?? [];
      list.push(f);
      findingsOf.set(o.key, list);
    }
  }
  return {
    model,
    spaces: new Map(model.spaces.map((s) => [s.key, s])),
    surfaces: new Map(model.surfaces.map((s) => [s.key, s])),
    openings,
    findings: new Map(model.findings.map((f) => [f.id, f])),
    findingsOf,
    surfacesOf,
  };
}

/** A list with some of its members changed, gone or new; new ones come last. */
function updated<T extends { key: string }>(list: T[], changed: T[], gone: string[]): T[] {
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

/** The whole model of an answer that may hold only what differs from the state before. */
export function merged(before: Model, answer: Model): Model {
  const s = answer.since;
  if (!s) return answer;
  const findings = new Map(before.findings.map((f) => [f.id, f]));
  for (const f of answer.findings) findings.set(f.id, f);
  return {
    ...answer,
    since: undefined,
    spaces: updated(before.spaces, answer.spaces, s.goneSpaces),
    surfaces: updated(before.surfaces, answer.surfaces, s.goneSurfaces),
    findings: s.findings.map((id) => findings.get(id)!),
  };
}

export function useIndex(model: Model): ModelIndex {
  return useMemo(() => indexModel(model), [model]);
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
