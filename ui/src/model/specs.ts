import type { Library, Repair } from './api';

export type ConstructionSpec = NonNullable<
  Extract<Repair, { kind: 'GiveConstruction' }>['construction']
>;
export type GlazingSpec = NonNullable<Extract<Repair, { kind: 'GiveGlazing' }>['glazing']>;
type LibraryConstruction = Library['constructions'][number];
type LibraryGlazing = Library['glazings'][number];

/** A construction that the model has. */
export const existing = (key: string): ConstructionSpec => ({
  key,
  name: '',
  layers: [],
  uValue: null,
  source: '',
});

/** One of the library, with the values of its materials. */
export function ofLibrary(library: Library, c: LibraryConstruction): ConstructionSpec {
  const materials = new Map(library.materials.map((m) => [plain(m.name), m]));
  return {
    key: '',
    name: c.name,
    layers: c.layers.map((l) => {
      const m = materials.get(plain(l.material));
      return {
        name: m?.name ?? l.material,
        thickness: l.thickness,
        conductivity: m?.conductivity,
        density: m?.density,
        specificHeat: m?.specificHeat,
        resistance: m?.conductivity == null ? m?.resistance : null,
        share: l.share,
      };
    }),
    uValue: c.uValue,
    source: c.source,
  };
}

export const existingGlazing = (key: string): GlazingSpec => ({
  key,
  name: '',
  uValue: null,
  solarHeatGain: null,
  visibleTransmittance: null,
  source: '',
});

export const glazingOfLibrary = (g: LibraryGlazing): GlazingSpec => ({
  key: '',
  name: g.name,
  uValue: g.uValue,
  solarHeatGain: g.solarHeatGain,
  visibleTransmittance: g.visibleTransmittance,
  source: g.source,
});

export const plain = (name: string) => name.trim().replace(/\s+/g, ' ').toLowerCase();
