import { beforeEach, describe, expect, it } from 'vitest';
import { drawn, indexModel } from '../model/model';
import { hide, isolate, showAll } from './visibility';
import { resetView, useView } from '../model/state';
import { TWO_ROOMS } from '../model/testModel';

const index = indexModel(TWO_ROOMS);

beforeEach(() => {
  resetView();
  useView.setState({ drawn: (k) => drawn(index, k) });
});

describe('visibility', () => {
  it('shows only a space by its surfaces', () => {
    useView.getState().select(['a']);
    isolate();
    expect(useView.getState().isolated).toEqual(new Set(['s1', 's2']));
  });

  it('does nothing without a selection', () => {
    isolate();
    expect(useView.getState().isolated).toBeNull();
  });

  it('hides more and more, and shows all again', () => {
    useView.getState().select(['s1']);
    hide();
    useView.getState().select(['b']);
    hide();
    expect(useView.getState().hidden).toEqual(new Set(['s1', 's2', 's3']));
    expect(useView.getState().selection).toEqual([]);
    useView.setState({ cut: [0, 3], apart: true, groupsOff: new Set(['shade']) });
    showAll();
    expect(useView.getState()).toMatchObject({ isolated: null, cut: null, apart: false });
    expect(useView.getState().hidden.size + useView.getState().groupsOff.size).toBe(0);
  });
});
