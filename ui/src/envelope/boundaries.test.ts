import { describe, expect, it } from 'vitest';
import { model, space, surface } from '../testModel';
import { boundaryRows } from './boundaries';

describe('boundaries of spaces', () => {
  it('are summed by what lies on the other side, for both spaces of a pair', () => {
    const rows = boundaryRows(
      model({
        spaces: [space('a'), space('b')],
        surfaces: [
          { ...surface('1', ['a']), kind: 'derived-2a', exposure: 'outdoor', grossArea: 4 },
          { ...surface('2', ['a', 'b']), kind: 'read', exposure: 'space', grossArea: 3 },
          { ...surface('3', ['b']), kind: 'derived-2b', exposure: 'adiabatic', grossArea: 0.5 },
          { ...surface('4', ['b', 'a']), kind: 'virtual', exposure: 'none', grossArea: 2 },
        ],
      }),
    );
    expect(rows.map((r) => [r.origin, r.outdoor, r.spaces, r.open, r.construction, r.sum])).toEqual(
      [
        ['both', 4, 3, 2, 0, 9],
        ['both', 0, 3, 2, 0.5, 5.5],
      ],
    );
  });

  it('are none where no surface names the space', () => {
    expect(boundaryRows(model({ spaces: [space('a')] }))[0].origin).toBe('none');
  });
});
