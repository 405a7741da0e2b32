import { fromBelow, type Floor, type PlanDoc } from '../model/plan';
import { floorsOn, freeIds, linesOf } from './edits';

/** A storey gets a plan of its own, like the one that it showed until now. */
export function differing(doc: PlanDoc, storey: string): PlanDoc {
  let next = doc;
  for (const i of floorsOn(doc, storey)) {
    const f = doc.floors[i];
    if (f.storey === storey) continue;
    next = {
      ...next,
      floors: next.floors.map((x, k) =>
        k === i ? { ...x, copies: x.copies?.filter((c) => c !== storey) } : x,
      ),
    };
    const anew = <T extends { id?: string }>(items: T[], kind: string) => {
      const ids = freeIds(next, kind, items.length);
      return items.map((x, k) => ({ ...x, id: ids[k] }));
    };
    const own: Floor = {
      ...f,
      id: freeIds(next, 'floor', 1)[0],
      storey,
      copies: [],
      outlines: anew(f.outlines, 'outline'),
      lines: anew(linesOf(f), 'line'),
      spaces: anew(f.spaces ?? [], 'room').map((s) => ({
        ...s,
        name: s.name && `${s.name}, ${storey}`,
        rises: undefined,
      })),
    };
    next = { ...next, floors: [...next.floors, own] };
  }
  return next;
}

/** A band along the outer walls of a storey, so deep; 0 for none. */
export function banded(doc: PlanDoc, storey: string, depth: number): PlanDoc {
  const on = floorsOn(doc, storey);
  return {
    ...doc,
    floors: doc.floors.map((f, i) =>
      on.includes(i) ? { ...f, bands: depth ? { depth_m: depth } : undefined } : f,
    ),
  };
}

/** The plan of a storey on so many new ones above it; what was above moves up, and a roof with it. */
export function copiedUp(doc: PlanDoc, storey: string, times: number): PlanDoc {
  const from = doc.storeys.find((s) => s.name === storey)!;
  const top = fromBelow(doc).at(-1)!.name === storey;
  const up = times * from.height_m;
  const mm = (v: number) => Math.round(v * 1000) / 1000;
  const storeys = doc.storeys.map((s) =>
    s.level_m >= from.level_m + from.height_m - 1e-6 ? { ...s, level_m: mm(s.level_m + up) } : s,
  );
  const added: string[] = [];
  let n = storeys.length + 1;
  for (let k = 1; k <= times; k++) {
    while (storeys.some((s) => s.name === `Storey ${n}` || s.id === `storey-${n}`)) n++;
    added.push(`Storey ${n}`);
    storeys.push({
      id: `storey-${n}`,
      name: `Storey ${n}`,
      level_m: mm(from.level_m + k * from.height_m),
      height_m: from.height_m,
    });
  }
  return {
    ...doc,
    storeys: storeys.sort((a, b) => a.level_m - b.level_m),
    floors: doc.floors.map((f) =>
      f.storey === storey || f.copies?.includes(storey)
        ? { ...f, copies: [...(f.copies ?? []), ...added] }
        : f,
    ),
    roofs: top
      ? doc.roofs?.map((r) => (r.storey === storey ? { ...r, storey: added.at(-1)! } : r))
      : doc.roofs,
  };
}

/** Another name of a storey, wherever it is named. */
export function renamedStorey(doc: PlanDoc, from: string, to: string): PlanDoc {
  const one = (s: string) => (s === from ? to : s);
  const list = (s?: string[]) => s?.map(one);
  const where = <T extends object>(x: T): T => {
    const w = (x as { where?: { storeys?: string[] } }).where;
    return w?.storeys ? { ...x, where: { ...w, storeys: list(w.storeys) } } : x;
  };
  return {
    ...doc,
    storeys: doc.storeys.map((s) => ({ ...s, name: one(s.name) })),
    floors: doc.floors.map((f) => ({
      ...f,
      storey: one(f.storey),
      copies: list(f.copies),
      spaces: f.spaces?.map((s) => ({ ...s, rises: list(s.rises) })),
    })),
    roofs: doc.roofs?.map((r) => ({ ...r, storey: one(r.storey) })),
    glazing: doc.glazing?.map((g) => where({ ...g, ...(g.storey && { storey: one(g.storey) }) })),
    shading: doc.shading?.map(where),
    underlay: doc.underlay?.map((u) => ({ ...u, storey: one(u.storey) })),
  };
}
