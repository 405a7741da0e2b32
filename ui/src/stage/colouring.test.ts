import { describe, expect, it } from 'vitest';
import type { Model, RevisionChange } from '../model/api';
import { GROUPS, OTHERS } from '../model/colours';
import { model, opening, space, surface } from '../model/testModel';
import { unitsOf } from '../model/units';
import { colouring, type Known } from './colouring';

const SI = unitsOf('SI');
const NOTHING_KNOWN: Known = { changes: [], uValues: {}, tinted: null };

const wall = (key: string, more: Partial<ReturnType<typeof surface>> = {}) => ({
  ...surface(key, ['a']),
  ...more,
});

function house(): Model {
  return model({
    spaces: [
      { ...space('a'), use: 'Workshop', zone: 'North' },
      { ...space('b'), use: 'Store' },
    ],
    constructions: [{ key: 'c1', name: 'Brick' }] as Model['constructions'],
    surfaces: [
      wall('s1', { construction: 'c1' }),
      wall('s2', { construction: 'c1', exposure: 'ground' }),
      { ...surface('s3', ['b'], [opening('o3', 's3')]), exposure: 'space' },
      wall('s4', { exposure: 'shade', spaces: [] }),
    ],
  });
}

const of = (by: Parameters<typeof colouring>[1], known = NOTHING_KNOWN) => {
  const m = house();
  const c = colouring(SI, by, m, known);
  return { c, label: (key: string) => c.of(m.surfaces.find((s) => s.key === key)!).label };
};

describe('colours of surfaces', () => {
  it('are those of what lies behind them', () => {
    const { label } = of('exposure');
    expect(['s1', 's2', 's3', 's4'].map(label)).toEqual([
      'Outdoor air',
      'Ground',
      'Other space',
      'Shading',
    ]);
  });

  it('are those of their construction, by its name', () => {
    const { c, label } = of('construction');
    expect(label('s1')).toBe('Brick');
    expect(label('s3')).toBe('None');
    expect(c.of(house().surfaces[0]).colour).toBe(GROUPS[0]);
  });

  it('are those of the use or zone of their space', () => {
    expect(of('use').label('s1')).toBe('Workshop');
    expect(of('use').label('s3')).toBe('Store');
    expect(of('zone').label('s1')).toBe('North');
    expect(of('zone').label('s3')).toBe('None');
  });

  it('of more groups than there are colours fall together', () => {
    const m = house();
    m.spaces = Array.from({ length: 20 }, (_, i) => ({ ...space(`p${i}`), use: `Use ${i}` }));
    m.surfaces = m.spaces.map((s) => surface(`s-${s.key}`, [s.key]));
    const c = colouring(SI, 'use', m, NOTHING_KNOWN);
    const colours = m.surfaces.map((s) => c.of(s).colour);
    expect(new Set(colours).size).toBeLessThanOrEqual(GROUPS.length + 1);
    expect(colours).toContain(OTHERS);
  });

  it('are bands of U-values, in the unit that is shown', () => {
    const known = { changes: [], uValues: { s1: 0.1, s2: 0.3, s3: 9 }, tinted: null };
    const { label } = of('uvalue', known);
    expect(label('s1')).toBe('below 0.15 W/m²K');
    expect(label('s2')).toBe('0.25 to 0.4');
    expect(label('s3')).toBe('3 and more');
    expect(label('s4')).toBe('Shading');
    const ip = colouring(unitsOf('IP'), 'uvalue', house(), known);
    expect(ip.entries[0].label).toBe('below 0.026 Btu/(h ft² F)');
    expect(of('uvalue').label('s1')).toBe('Not known');
  });

  it('a value on a bound belongs to the colder band', () => {
    expect(of('uvalue', { changes: [], uValues: { s1: 0.25 }, tinted: null }).label('s1')).toBe(
      '0.25 to 0.4',
    );
  });

  it('are those of what has changed; a changed opening changes its wall', () => {
    const changes = [
      { change: 'ADDED', after: 's1' },
      { change: 'MOVED', after: 's2', before: 's2' },
      { change: 'CHANGED', after: 'o3', before: 'o3' },
      { change: 'REMOVED', before: 's4' },
    ] as RevisionChange[];
    const { label } = of('change', { changes, uValues: {}, tinted: null });
    expect(['s1', 's2', 's3', 's4'].map(label)).toEqual(['Added', 'Moved', 'Changed', 'As before']);
  });
});
