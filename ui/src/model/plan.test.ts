import { describe, expect, it } from 'vitest';
import {
  canLoseStorey,
  firstBlock,
  fromBelow,
  overhangOf,
  sizeOf,
  windowsOf,
  withBands,
  withHeight,
  withOverhang,
  withRoof,
  withSize,
  withWindows,
  type PlanDoc,
} from './plan';

const block = () => firstBlock('Net store');
const levels = (d: PlanDoc) => fromBelow(d).map((s) => [s.name, s.level_m, s.height_m]);

describe('a drawn block', () => {
  it('takes another size, and knows when it is no rectangle', () => {
    const d = withSize(block(), 30, 10.5);
    expect(sizeOf(d)).toEqual({ width: 30, depth: 10.5 });
    const l = structuredClone(d);
    l.floors[0].outlines[0].corners.push([-1, 5]);
    expect(sizeOf(l)).toBeNull();
    expect(sizeOf({ ...d, floors: [{ ...d.floors[0], lines: [[]] }] })).toBeNull();
  });

  it('moves the storeys above with a height', () => {
    const d = withHeight(
      {
        ...block(),
        storeys: [...block().storeys, { name: 'Storey 3', level_m: 6.8, height_m: 3.4 }],
      },
      'Storey 2',
      3,
    );
    expect(levels(d)).toEqual([
      ['Ground', 0, 3.4],
      ['Storey 2', 3.4, 3],
      ['Storey 3', 6.4, 3.4],
    ]);
  });

  it('keeps a top storey that has a plan or a rule of its own', () => {
    const d = block();
    expect(canLoseStorey(d)).toBe(true);
    expect(canLoseStorey({ ...d, storeys: d.storeys.slice(0, 1) })).toBe(false);
    expect(
      canLoseStorey({ ...d, floors: [...d.floors, { storey: 'Storey 2', outlines: [] }] }),
    ).toBe(false);
    const named = { id: 'mine', where: { storeys: ['Storey 2'] }, ratio: 0.5 };
    expect(canLoseStorey({ ...d, glazing: [named] })).toBe(false);
  });

  it('changes one side of the windows and leaves other rules alone', () => {
    const mine = { id: 'mine', where: { roofs: true }, ratio: 0.05 };
    const d = { ...block(), glazing: [mine, ...block().glazing!] };
    const next = withWindows(d, 'south', { ratio: 0.6 });
    expect(windowsOf(next, 'south')).toMatchObject({ ratio: 0.6, sill_m: 0.9 });
    expect(windowsOf(next, 'north')).toMatchObject({ ratio: 0.3 });
    expect(next.glazing).toContain(mine);
    const made = withWindows({ ...d, glazing: [mine] }, 'east', { ratio: 0.2 });
    expect(windowsOf(made, 'east')).toMatchObject({ where: { facing_deg: [45, 135] }, ratio: 0.2 });
  });

  it('takes bands and overhangs away again', () => {
    expect(withBands(block(), null).floors[0].bands).toBeUndefined();
    const d = withOverhang(block(), 0.8);
    expect(overhangOf(d)).toBe(0.8);
    expect(withOverhang(d, 0).shading).toEqual([]);
  });

  it('lays the ridge along the longer side', () => {
    expect(withRoof(block(), { storey: 'Storey 2', kind: 'gable' }).roofs![0].ridge_deg).toBe(90);
    const deep = withSize(block(), 8, 20);
    expect(withRoof(deep, { storey: 'Storey 2', kind: 'gable' }).roofs![0].ridge_deg).toBe(0);
  });
});
