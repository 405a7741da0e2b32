import { describe, expect, it } from 'vitest';
import type { Model, Surface } from '../model/api';
import { shapeOf } from '../model/shapes';
import { model, opening, surface } from '../model/testModel';
import { unitsOf } from '../model/units';
import { colouring } from './colouring';
import { envelopeDrawing, undressed } from './envelopeDrawing';

const NOTHING_KNOWN = { changes: [], uValues: {}, tinted: null };

/** A wall of two triangles; turned, its corners run the other way round. */
function wall(key: string, x: number, turned = false): Surface {
  const ring = [x, 0, 0, x + 4, 0, 0, x + 4, 0, 3, x, 0, 3];
  const back = [0, 3, 2, 1].flatMap((k) => ring.slice(3 * k, 3 * k + 3));
  const r = turned ? back : ring;
  const faces = [...r.slice(0, 9), ...r.slice(0, 3), ...r.slice(6, 12)];
  return { ...surface(key, ['s'], [opening(`${key}-o`, key)]), shape: shapeOf([r], faces) };
}

const draw = (m: Model) =>
  envelopeDrawing(m, colouring(unitsOf('SI'), 'exposure', m, NOTHING_KNOWN));

/** The same as if nothing had been drawn before. */
function anew(m: Model) {
  draw(model({}));
  return draw({ ...m, surfaces: [...m.surfaces] });
}

describe('the drawing of an envelope', () => {
  it('is patched where a shape is turned or moved, and equals one made anew', () => {
    const before = model({ surfaces: [wall('a', 0), wall('b', 5), wall('c', 10)] });
    const first = draw(before);
    const [a, , c] = before.surfaces;
    const after = { ...before, surfaces: [a, wall('b', 6, true), c] };
    const second = draw(after);
    expect(second.since).toEqual({ was: first.positions, moved: [2] });
    expect(second.items[0]).toBe(first.items[0]);
    expect(second.items[5]).toBe(first.items[5]);
    const { positions, triangles, lines, items } = anew(after);
    expect(second.positions).toEqual(positions);
    expect(second.triangles).toEqual(triangles);
    expect(second.lines).toEqual(lines);
    expect(second.items).toEqual(items);
  });

  it('dresses anew what looks different, and nothing else', () => {
    const before = model({ surfaces: [wall('a', 0), wall('b', 5)] });
    const first = draw(before);
    const [a, b] = before.surfaces;
    const ground: Surface = { ...b, exposure: 'ground' };
    const second = draw({ ...before, surfaces: [a, ground] });
    expect(second.positions).toBe(first.positions);
    expect(second.items[0]).toBe(first.items[0]);
    expect(second.items[2].group).toBe('ground');
    expect(first.items[2].group).toBe('outdoor');
  });

  it('is made anew where there is more or less to draw', () => {
    const before = model({ surfaces: [wall('a', 0), wall('b', 5)] });
    draw(before);
    const fewer = { ...before, surfaces: before.surfaces.slice(1) };
    expect(undressed(fewer).since).toBeUndefined();
    expect(draw(fewer).items.map((it) => it.key)).toEqual(['b', 'b-o']);
    const bare: Surface = { ...before.surfaces[1], openings: [] };
    expect(draw({ ...before, surfaces: [bare] }).items.map((it) => it.key)).toEqual(['b']);
  });
});
