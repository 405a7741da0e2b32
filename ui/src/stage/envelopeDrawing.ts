import type { Model } from '../model/api';
import { OPENING_COLOURS } from '../model/colours';
import type { Colouring } from './colouring';
import { DrawingMaker, type Drawing } from './drawing';
import { EXPOSURE } from '../model/colours';

/** Surfaces and openings in the colours of a scheme. */
export function envelopeDrawing(model: Model, colours: Colouring): Drawing {
  const maker = new DrawingMaker();
  const levelOf = new Map(model.storeys.map((s, i) => [s.key, i]));
  for (const s of model.surfaces) {
    const e = colours.of(s);
    const look = {
      owner: s.key,
      group: e.key,
      level: s.storey == null ? -1 : (levelOf.get(s.storey) ?? -1),
      colour: e.colour,
      opacity: e.opacity,
      dashed: e.dashed,
      pattern: e.pattern,
      layer: 1,
      faint: false,
      // the whole is the building: what shades it may stand far away
      far: s.exposure === 'shade',
    };
    maker.add(s, look);
    for (const o of s.openings) {
      if (o.type === 'Air') maker.add({ ...o, triangles: [] }, { ...look, opacity: 1 });
      else
        maker.add(
          o,
          {
            ...look,
            colour: o.glazed ? OPENING_COLOURS.glazed : OPENING_COLOURS.door,
            opacity: 1,
            pattern: 'plain',
            layer: 2,
          },
          o.glazed,
        );
    }
  }
  for (const o of model.orphans)
    maker.add(
      o,
      {
        owner: o.key,
        group: 'unresolved',
        level: -1,
        colour: EXPOSURE.unresolved,
        opacity: 1,
        dashed: false,
        pattern: 'dots',
        layer: 2,
        faint: false,
        far: false,
      },
      o.glazed,
    );
  return maker.drawing(model.storeys.map((s) => s.level ?? 0));
}
