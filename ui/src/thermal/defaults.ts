import type { Library, Thermal } from '../api';
import type { ModelIndex } from '../model';
import { existing, ofLibrary, type ConstructionSpec } from './specs';

/** What the library calls a construction for surfaces of a gbXML type. */
const KIND: Record<string, string> = {
  Roof: 'Roof',
  ExposedFloor: 'Exposed floor',
  RaisedFloor: 'Exposed floor',
  SlabOnGrade: 'Ground floor',
  UndergroundSlab: 'Ground floor',
  UndergroundWall: 'Wall in the ground',
  InteriorWall: 'Interior wall',
  InteriorFloor: 'Interior floor',
  Ceiling: 'Interior floor',
  UndergroundCeiling: 'Interior floor',
};

export interface Default {
  type: string;
  objects: string[];
  construction: ConstructionSpec;
  name: string;
  fromLibrary: boolean;
}

/** For surfaces without construction that of most of their type's area, else the library's first for it. */
export function defaults(index: ModelIndex, thermal: Thermal, library: Library): Default[] {
  const known = new Map(thermal.constructions.map((c) => [c.key, c]));
  const groups = new Map<string, string[]>();
  for (const k of thermal.without) {
    const s = index.surfaces.get(k);
    if (s) groups.set(s.type, [...(groups.get(s.type) ?? []), k]);
  }
  const out: Default[] = [];
  for (const [type, objects] of groups) {
    const areas = new Map<string, number>();
    for (const s of index.model.surfaces) {
      const c = s.construction ? known.get(s.construction) : undefined;
      if (c && s.type === type) areas.set(c.key, (areas.get(c.key) ?? 0) + s.netArea);
    }
    const best = [...areas].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]))[0]?.[0];
    const shipped = library.constructions.find((c) => c.use === (KIND[type] ?? 'Exterior wall'));
    if (best)
      out.push({
        type,
        objects,
        construction: existing(best),
        name: known.get(best)!.name,
        fromLibrary: false,
      });
    else if (shipped)
      out.push({
        type,
        objects,
        construction: ofLibrary(library, shipped),
        name: shipped.name,
        fromLibrary: true,
      });
  }
  return out;
}
