import { describe, expect, it } from 'vitest';
import { linesOf, readModel } from './rows';
import { readShapes, ringsOf, shapeOf } from './shapes';

const MEMBERS = {
  space: ['key', 'name', 'zone', 'source'],
  surface: ['key', 'openings', 'source', 'element'],
  opening: ['key', 'source', 'element'],
  source: ['id', 'line'],
};
const HEAD = {
  tag: '"7"',
  members: MEMBERS,
  model: { spaces: [], surfaces: [], orphans: [], findings: [], log: ['kept'] },
};
const LINES = [
  HEAD,
  { spaces: [['a', 'Hall', null, ['ga', 3]]] },
  {
    surfaces: [
      ['s1', [['o1', ['go', 5], ['e', 6]]], ['gs', 4], null],
      ['s2', [], ['gt', 7], null],
    ],
  },
  { orphans: [['lost', ['gl', 8], null]] },
  { findings: [{ id: 'f1' }] },
].map((l) => JSON.stringify(l));

/** A block of shapes as the server writes it: a square with a hole, a triangle, a square, a triangle. */
function block(): ArrayBuffer {
  const square = [0, 0, 0, 4, 0, 0, 4, 0, 3, 0, 0, 3];
  const corner = [1, 0, 1, 2, 0, 1, 2, 0, 2];
  const shapes = [
    shapeOf([square, corner], [...square.slice(0, 9)]),
    shapeOf([corner], corner),
    shapeOf([square], []),
    shapeOf([corner], corner),
  ];
  const words = [
    shapes.length,
    ...(['rings', 'points', 'corners'] as const).map((k) =>
      shapes.reduce((n, s) => n + s[k].length / (k === 'points' ? 3 : 1), 0),
    ),
    ...shapes.flatMap((s) => [s.rings.length, s.points.length / 3, s.corners.length]),
    ...shapes.flatMap((s) => [...s.rings]),
    ...shapes.flatMap((s) => [...s.corners]),
  ];
  if (words.length % 2) words.push(0);
  const points = shapes.flatMap((s) => [...s.points]);
  const out = new ArrayBuffer(4 * words.length + 8 * points.length);
  new Uint32Array(out, 0, words.length).set(words);
  new Float64Array(out, 4 * words.length).set(points);
  return out;
}

async function* from(lines: string[]) {
  for (const l of lines) yield l;
}

describe('a model in rows', () => {
  it('is made of its lines and its shapes', async () => {
    const m = (await readModel(from(LINES), block(), '"7"'))!;
    expect(m.log).toEqual(['kept']);
    expect(m.spaces).toEqual([{ key: 'a', name: 'Hall', source: { id: 'ga', line: 3 } }]);
    expect(m.surfaces.map((s) => s.key)).toEqual(['s1', 's2']);
    expect(m.surfaces[0].openings[0].element).toEqual({ id: 'e', line: 6 });
    expect(ringsOf(m.surfaces[0].shape)).toHaveLength(2);
    expect(ringsOf(m.surfaces[0].openings[0].shape)[0]).toEqual([1, 0, 1, 2, 0, 1, 2, 0, 2]);
    expect(m.surfaces[1].shape.rings).toEqual(Uint32Array.of(4));
    expect(m.orphans[0].shape.corners).toEqual(Uint32Array.of(0, 1, 2));
    expect(m.findings).toEqual([{ id: 'f1' }]);
  });

  it('of another state than its shapes is none', async () => {
    expect(await readModel(from(LINES), block(), '"8"')).toBeNull();
  });

  it('that breaks off is refused, not shown in part', async () => {
    await expect(readModel(from(LINES.slice(0, 3)), block(), '"7"')).rejects.toThrow('incomplete');
    await expect(readModel(from([]), block(), '"7"')).rejects.toThrow('incomplete');
    expect(() => readShapes(block().slice(0, -8))).toThrow('incomplete');
  });

  it('is not sent on when enough has been heard', async () => {
    let cancelled = false;
    const body = new ReadableStream<Uint8Array>({
      pull: (c) => c.enqueue(new TextEncoder().encode('a line\n')),
      cancel: () => void (cancelled = true),
    });
    for await (const l of linesOf(body)) {
      expect(l).toBe('a line');
      break;
    }
    expect(cancelled).toBe(true);
  });

  it('comes in pieces of any length', async () => {
    const text = new TextEncoder().encode(LINES.join('\n') + '\n');
    for (const size of [1, 7, 64, 10_000]) {
      const body = new ReadableStream<Uint8Array>({
        start(c) {
          for (let i = 0; i < text.length; i += size) c.enqueue(text.slice(i, i + size));
          c.close();
        },
      });
      const got: string[] = [];
      for await (const l of linesOf(body)) got.push(l);
      expect(got).toEqual(LINES);
    }
  });
});

describe('a shape', () => {
  it('has each corner of its faces once', () => {
    const s = shapeOf([[0, 0, 0, 1, 0, 0, 0, 1, 0]], [0, 0, 0, 1, 0, 0, 5, 5, 5]);
    expect([...s.corners]).toEqual([0, 1, 3]);
    expect(s.points).toHaveLength(12);
    expect(ringsOf(s)).toEqual([[0, 0, 0, 1, 0, 0, 0, 1, 0]]);
  });
});
