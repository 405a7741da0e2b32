import type { ColourBy } from '../model/state';
import type { ModelIndex } from '../model/model';
import { drawn } from '../model/model';
import { type Units } from '../model/units';

import { COLOUR_BY, colouring, type Known } from './colouring';
import { counted } from '../model/words';
import type { Drawing, Item, Pattern } from './drawing';
import { volumesOf, type Volume } from './volumes';
import { envelopeDrawing } from './envelopeDrawing';

export interface LegendEntry {
  key: string;
  label: string;
  colour: string;
  opacity: number;
  dashed: boolean;
  pattern: Pattern;
  count: string;
}

/** What the stage shows: the envelope, or the elements it is made of. */
export interface Subject {
  drawing: Drawing;
  /** Keys that are drawn for a selected key. */
  drawn: (key: string) => string[];
  /** What hovering says of an object. */
  named: (key: string) => string | null;
  legend: { title: string; by?: ColourBy; entries: LegendEntry[] };
  /** Lowest and highest place of what the storey ladder cuts, in metres. */
  heights: [number, number];
  /** Height of the ground that the building stands on, in metres. */
  ground: number;
  /** The spaces whose volumes it closes; none where elements are drawn. */
  volumes: Volume[];
  /** What is drawn, in words. */
  summary: string;
}

/** Lowest and highest z of the items that are not far off. */
export function heights(d: Drawing): [number, number] {
  let low = Infinity;
  let high = -Infinity;
  for (const it of d.items) {
    if (it.far) continue;
    for (let v = it.firstVertex * 3 + 2; v < (it.firstVertex + it.vertices) * 3; v += 3) {
      low = Math.min(low, d.positions[v]);
      high = Math.max(high, d.positions[v]);
    }
  }
  return [low + d.origin[2], high + d.origin[2]];
}

/** The lowest place of the items that stand on the ground; of all when none does. */
export function groundOf(d: Drawing, stands: (it: Item) => boolean): number {
  const some = d.items.filter((it) => !it.far && it.vertices > 0);
  const standing = some.filter(stands);
  let low = Infinity;
  for (const it of standing.length ? standing : some)
    for (let v = it.firstVertex * 3 + 2; v < (it.firstVertex + it.vertices) * 3; v += 3)
      low = Math.min(low, d.positions[v]);
  return Number.isFinite(low) ? low + d.origin[2] : 0;
}

export function envelopeSubject(
  units: Units,
  index: ModelIndex,
  by: ColourBy,
  known: Known,
): Subject {
  const colours = colouring(units, by, index.model, known);
  const drawing = envelopeDrawing(index.model, colours);
  const counts = new Map<string, number>();
  for (const s of index.model.surfaces) {
    const { key } = colours.of(s);
    counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  return {
    drawing,
    drawn: (key) => drawn(index, key),
    named: (key) => {
      const o = index.surfaces.get(key) ?? index.openings.get(key);
      return o ? `${o.label} · ${units.area.text('grossArea' in o ? o.grossArea : o.area)}` : null;
    },
    legend: {
      title: COLOUR_BY.find(([k]) => k === by)![1],
      by,
      entries: colours.entries
        .filter((e) => counts.get(e.key))
        .map((e) => ({
          ...e,
          opacity: Math.max(0.6, e.dashed ? 1 : e.opacity),
          count: String(counts.get(e.key)),
        })),
    },
    heights: heights(drawing),
    ground: groundOf(drawing, (it) => index.surfaces.get(it.owner)?.exposure === 'outdoor'),
    volumes: volumesOf(index),
    summary: `${counted(index.model.spaces.length)} spaces, ${counted(index.model.surfaces.length)} surfaces, ${counted(index.openings.size)} openings`,
  };
}
