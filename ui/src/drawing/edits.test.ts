import { describe, expect, it } from 'vitest';
import {
  firstBlock,
  roofOf,
  withoutTopStorey,
  withRoof,
  type Floor,
  type PlanDoc,
  type Underlay,
} from '../model/plan';
import {
  addBlock,
  addLine,
  addOpening,
  addOutline,
  addRectangle,
  canJoin,
  copyOf,
  joined,
  moved,
  nameRoom,
  pointsOf,
  prepared,
  refsOn,
  removed,
  segmentsOf,
  split,
  whyNot,
  type Ref,
} from './edits';
import type { Pt } from './plane';
import { banded, copiedUp, differing, renamedStorey } from './storeys';
import {
  alignedSheet,
  levelledSheet,
  movedSheet,
  scaledSheet,
  sheetPixel,
  sheetPoint,
} from './underlays';

const doc = () => prepared(firstBlock('Store'));
const ring: Ref = { kind: 'ring', floor: 0, outline: 0, hole: -1 };
const line = (f: Floor, i: number) => f.lines![i] as { id: string; points: Pt[] };

describe('a drawing that is changed', () => {
  it('names what has no id by its place, once', () => {
    const bare = {
      ...firstBlock('x'),
      floors: [
        {
          storey: 'Ground',
          outlines: [{ corners: [[0, 0] as Pt, [1, 0] as Pt, [1, 1] as Pt] }],
          lines: [[[0, 0] as Pt, [1, 1] as Pt]],
          spaces: [{ at: [0.5, 0.2] as Pt, keys: { Ground: 'space-1' } }],
        },
      ],
    };
    const p = prepared(bare);
    expect(p.floors[0].outlines[0].id).toBe('floors[0].outlines[0]');
    expect(p.floors[0].lines![0]).toEqual({
      id: 'floors[0].lines[0]',
      points: [
        [0, 0],
        [1, 1],
      ],
    });
    expect(p.floors[0].spaces).toEqual([]);
    expect(prepared(p)).toEqual(p);
  });

  it('gets outlines, courtyards, walls, rooms, blocks, each with an id of its own', () => {
    let [d, says] = addOutline(doc(), 'Ground', [
      [30, 0],
      [40, 0],
      [40, 5],
    ]);
    expect(says).toBe('Draws an outline on Ground.');
    expect(d.floors[0].outlines.map((o) => o.id)).toEqual(['outline-1', 'outline-2']);
    [d, says] = addOutline(d, 'Ground', [
      [10, 4],
      [14, 4],
      [14, 8],
      [10, 8],
    ]);
    expect(says).toBe('Draws a courtyard on Ground.');
    expect(d.floors[0].outlines[0].holes).toHaveLength(1);
    [d] = addLine(
      d,
      'Ground',
      [
        [5, 0],
        [5, 12],
      ],
      false,
    );
    [d, says] = addRectangle(d, 'Ground', [4, 3], [0, 0], false);
    expect(says).toBe('Draws a wall on Ground.');
    expect(line(d.floors[0], 1).points).toHaveLength(5);
    [d, says] = addRectangle(d, 'Ground', [50, 0], [60, 9], false);
    expect(says).toBe('Draws an outline on Ground.');
    [d] = addBlock(
      d,
      [
        [0, 30],
        [9, 30],
        [9, 40],
      ],
      7,
    );
    expect(d.shading!.at(-1)).toMatchObject({ id: 'block-1', block: { height_m: 7, level_m: 0 } });
    [d] = addOpening(d, 'Ground', [12, 0], { type: 'door', width: 1, sill: 0, head: 2.1 });
    expect(refsOn(d, 'Ground').map((r) => r.kind)).toEqual([
      'ring',
      'ring',
      'ring',
      'ring',
      'line',
      'line',
      'opening',
      'block',
    ]);
    // a storey that shows the plan of another has the same, but what is fitted by hand
    expect(refsOn(d, 'Storey 2').map((r) => r.kind)).not.toContain('opening');
  });

  it('draws on a storey without a plan', () => {
    const empty: PlanDoc = { ...doc(), floors: [] };
    const [d] = addOutline(empty, 'Storey 2', [
      [0, 0],
      [4, 0],
      [4, 4],
    ]);
    expect(d.floors).toMatchObject([{ id: 'floor-1', storey: 'Storey 2' }]);
  });

  it('names a room, and names it anew', () => {
    const rings: Pt[][] = [
      [
        [0, 0],
        [5, 0],
        [5, 12],
        [0, 12],
      ],
    ];
    let [d] = nameRoom(doc(), 'Ground', [1, 1], rings, 'Crew room', 'Lounge');
    expect(d.floors[0].spaces).toEqual([
      { id: 'room-1', at: [1, 1], name: 'Crew room', use: 'Lounge' },
    ]);
    [d] = nameRoom(d, 'Ground', [2, 2], rings, 'Office', '');
    expect(d.floors[0].spaces).toEqual([
      { id: 'room-1', at: [1, 1], name: 'Office', use: undefined },
    ]);
  });

  it('stretches a side with what ends on it', () => {
    let [d] = addLine(
      doc(),
      'Ground',
      [
        [5, 0],
        [5, 12],
      ],
      false,
    );
    [d] = addOpening(d, 'Ground', [12, 12], { type: 'window', width: 1, sill: 1, head: 2 });
    const m = moved(d, 'Ground', { ref: ring, side: 2 }, [0, 2]);
    expect(pointsOf(m, ring).points).toEqual([
      [0, 0],
      [24, 0],
      [24, 14],
      [0, 14],
    ]);
    expect(line(m.floors[0], 0).points).toEqual([
      [5, 0],
      [5, 14],
    ]);
    expect(m.glazing!.at(-1)!.at).toEqual([12, 14]);
    const c = moved(d, 'Ground', { ref: ring, corner: 1 }, [1, -1]);
    expect(pointsOf(c, ring).points[1]).toEqual([25, -1]);
    const whole = moved(d, 'Ground', { ref: { kind: 'line', floor: 0, line: 0 } }, [1, 0]);
    expect(line(whole.floors[0], 0).points).toEqual([
      [6, 0],
      [6, 12],
    ]);
    expect(pointsOf(whole, ring)).toEqual(pointsOf(d, ring));
  });

  it('splits a side and joins it again', () => {
    const s = split(doc(), ring, 0, [10, 0]);
    expect(pointsOf(s, ring).points).toHaveLength(5);
    expect(canJoin(s, { ref: ring, corner: 1 })).toBe(true);
    expect(joined(s, { ref: ring, corner: 1 })).toEqual(doc());
    const [l] = addLine(
      doc(),
      'Ground',
      [
        [5, 0],
        [5, 12],
      ],
      false,
    );
    expect(canJoin(l, { ref: { kind: 'line', floor: 0, line: 0 }, corner: 0 })).toBe(false);
    expect(segmentsOf(l, { kind: 'line', floor: 0, line: 0 })).toHaveLength(1);
  });

  it('deletes anything but the last outline', () => {
    expect(whyNot(doc(), ring)).toContain('only outline');
    let [d] = addOutline(doc(), 'Ground', [
      [30, 0],
      [40, 0],
      [40, 5],
    ]);
    expect(whyNot(d, ring)).toBeNull();
    d = removed(d, ring);
    expect(d.floors[0].outlines.map((o) => o.id)).toEqual(['outline-2']);
    const [l] = addLine(
      d,
      'Ground',
      [
        [5, 0],
        [5, 12],
      ],
      true,
    );
    expect(removed(l, { kind: 'line', floor: 0, line: 0 }).floors[0].lines).toEqual([]);
  });

  it('copies a floor up and lets one differ', () => {
    const up = copiedUp(
      {
        ...doc(),
        roofs: [
          { storey: 'Ground', kind: 'flat' },
          { storey: 'Storey 2', kind: 'hip' },
        ],
      },
      'Ground',
      2,
    );
    expect(up.storeys.map((s) => [s.name, s.level_m])).toEqual([
      ['Ground', 0],
      ['Storey 3', 3.4],
      ['Storey 4', 6.8],
      ['Storey 2', 10.2],
    ]);
    expect(up.floors[0].copies).toEqual(['Storey 2', 'Storey 3', 'Storey 4']);
    expect(up.roofs!.map((r) => r.storey)).toEqual(['Ground', 'Storey 2']);
    expect(copyOf(up, 'Storey 3')).toBe('Ground');
    const [named] = nameRoom(
      up,
      'Ground',
      [1, 1],
      [
        [
          [0, 0],
          [5, 0],
          [5, 5],
        ],
      ],
      'Hall',
      '',
    );
    const own = differing(named, 'Storey 3');
    expect(copyOf(own, 'Storey 3')).toBeNull();
    expect(own.floors[0].copies).toEqual(['Storey 2', 'Storey 4']);
    expect(own.floors[1]).toMatchObject({
      storey: 'Storey 3',
      outlines: [{ id: 'outline-2' }],
      spaces: [{ id: 'room-2', name: 'Hall, Storey 3' }],
    });
    expect(JSON.stringify(own)).not.toContain('"ids"');
  });

  it('gains a storey with the plan of the topmost, and its roof, and loses it again', () => {
    const d = copiedUp(withRoof(doc(), { storey: 'Storey 2', kind: 'hip' }), 'Storey 2', 1);
    expect(d.floors[0].copies).toEqual(['Storey 2', 'Storey 3']);
    expect(roofOf(d)).toMatchObject({ storey: 'Storey 3', kind: 'hip', pitch_deg: 30 });
    const back = withoutTopStorey(d);
    expect(back.storeys).toEqual(doc().storeys);
    expect(roofOf(back)).toMatchObject({ storey: 'Storey 2', kind: 'hip' });
  });

  it('cuts a band on one storey and the ones that have its plan', () => {
    const own = differing(copiedUp(doc(), 'Storey 2', 1), 'Storey 3');
    expect(banded(own, 'Storey 3', 2).floors.map((f) => f.bands?.depth_m)).toEqual([4, 2]);
    expect(banded(own, 'Storey 2', 0).floors.map((f) => f.bands?.depth_m)).toEqual([undefined, 4]);
  });

  it('renames a storey wherever it is named', () => {
    const d = renamedStorey({ ...doc(), roofs: [{ storey: 'Storey 2' }] }, 'Storey 2', 'First');
    expect(JSON.stringify(d)).not.toContain('"Storey 2"');
    expect(d.floors[0].copies).toEqual(['First']);
  });
});

describe('a picture under it', () => {
  const u: Underlay = {
    storey: 'Ground',
    file: 'a.png',
    scale_m_per_px: 0.02,
    origin_px: [100, 900],
    turn_deg: 10,
  };
  it('is where the drawing says, and back', () => {
    const p = sheetPoint(u, [350, 200]);
    expect(sheetPixel(u, p)[0]).toBeCloseTo(350, 6);
    expect(sheetPixel(u, p)[1]).toBeCloseTo(200, 6);
  });
  const near = (p: Pt, q: Pt) => {
    expect(p[0]).toBeCloseTo(q[0], 4);
    expect(p[1]).toBeCloseTo(q[1], 4);
  };
  it('is scaled by two points and a length', () => {
    const [a, b]: Pt[] = [
      [1, 2],
      [4, 6],
    ];
    const s = scaledSheet(u, a, b, 12.5);
    near(sheetPoint(s, sheetPixel(u, a)), a);
    const q = sheetPoint(s, sheetPixel(u, b));
    expect(Math.hypot(q[0] - a[0], q[1] - a[1])).toBeCloseTo(12.5, 3);
  });
  it('is levelled, aligned and moved', () => {
    const [a, b]: Pt[] = [
      [1, 2],
      [11, 2.4],
    ];
    const l = levelledSheet(u, a, b);
    near(sheetPoint(l, sheetPixel(u, a)), a);
    expect(sheetPoint(l, sheetPixel(u, b))[1]).toBeCloseTo(2, 3);
    const t = alignedSheet(u, a, b, [0, 0], [0, 20]);
    near(sheetPoint(t, sheetPixel(u, a)), [0, 0]);
    near(sheetPoint(t, sheetPixel(u, b)), [0, 20]);
    near(sheetPoint(movedSheet(u, [3, -1]), sheetPixel(u, [5, 5])), [8, 4]);
  });
});
