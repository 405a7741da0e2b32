// @vitest-environment happy-dom
import { fireEvent, renderHook, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Preview } from '../model/api';
import { indexModel } from '../model/model';
import { begin, renew } from '../model/pending';
import { useView } from '../model/state';
import { model, surface } from '../model/testModel';
import { eachAnew, show } from '../shared/testPage';
import { Compare } from './Compare';
import { useSeen } from './useSeen';

eachAnew();

const preview = (changed: string[], removed: string[]) =>
  ({
    changedSurfaces: changed.map((key) => ({ ...surface(key, ['r']), rings: [], triangles: [] })),
    removedSurfaces: removed,
    orphans: [],
  }) as unknown as Preview;

const look = (p: Preview) => {
  const { id } = begin({
    repair: { kind: 'DeleteSurface', surface: 's1' },
    label: 'Delete it',
    version: 1,
  });
  renew(id, { preview: p });
};

describe('a repair that is looked at', () => {
  it('is compared only where it changes surfaces', () => {
    look(preview([], []));
    show(<Compare />);
    expect(screen.queryByTestId('compare')).toBeNull();
  });

  it('is looked at before, between and after', () => {
    look(preview(['s2'], ['s1']));
    show(<Compare />);
    expect(useView.getState().between).toBe(0.5);
    fireEvent.click(screen.getByText('As it would be'));
    expect(useView.getState().between).toBe(1);
    expect(screen.getByText('As it would be').getAttribute('aria-pressed')).toBe('true');
    fireEvent.keyDown(screen.getByRole('slider'), { key: 'Home' });
    expect(useView.getState().between).toBe(0);
    // the next one is between again
    look(preview(['s1'], []));
    expect(useView.getState().between).toBe(0.5);
  });

  it('is drawn as it would leave the building once past the middle', () => {
    const index = indexModel(model({ surfaces: [surface('s1', ['r']), surface('s2', ['r'])] }));
    look(preview(['s2', 's3'], ['s1']));
    const { result, rerender } = renderHook(() => useSeen(index));
    expect(result.current).toBe(index);
    useView.setState({ between: 0.6 });
    rerender();
    expect([...result.current.surfaces.keys()]).toEqual(['s2', 's3']);
    expect(result.current.surfaces.get('s2')).not.toBe(index.surfaces.get('s2'));
    expect(result.current.spaces).toBe(index.spaces);
    const seen = result.current;
    useView.setState({ between: 1 });
    rerender();
    expect(result.current).toBe(seen);
  });
});
