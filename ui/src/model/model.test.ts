import { beforeEach, describe, expect, it } from 'vitest';
import { leaveAnswered, nextFinding } from './next';
import { drawn, indexModel, merged } from './model';
import { resetView, useView } from './state';
import { finding, model, surface, TWO_ROOMS } from './testModel';
import type { Finding, ModelAnswer, Surface } from './api';
import { ringsOf } from './shapes';

const index = indexModel(TWO_ROOMS);

beforeEach(() => {
  resetView();
  useView.setState({ drawn: (k) => drawn(index, k) });
});

describe('the index of a model', () => {
  it('finds surfaces by their spaces, each once', () => {
    expect(index.surfacesOf.get('a')!.map((s) => s.key)).toEqual(['s1', 's2']);
    expect(index.surfacesOf.get('b')!.map((s) => s.key)).toEqual(['s2', 's3']);
  });

  it('finds openings in surfaces and those in none', () => {
    expect([...index.openings.keys()]).toEqual(['o1', 'o9']);
  });

  it('finds the findings of an object', () => {
    expect(index.findingsOf.get('o1')!.map((f) => f.id)).toEqual(['f1']);
    expect(index.findingsOf.get('s3')).toBeUndefined();
  });

  it('knows what is drawn for a key', () => {
    expect(drawn(index, 'a')).toEqual(['s1', 's2']);
    expect(drawn(index, 's2')).toEqual(['s2']);
    expect(drawn(index, 'o9')).toEqual(['o9']);
    expect(drawn(index, 'nothing')).toEqual([]);
  });
});

describe('selection', () => {
  it('replaces, adds and takes away', () => {
    const { select } = useView.getState();
    select(['s1']);
    select(['s2'], true);
    expect(useView.getState().selection).toEqual(['s1', 's2']);
    select(['s1'], true);
    expect(useView.getState().selection).toEqual(['s2']);
    select([]);
    expect(useView.getState().selection).toEqual([]);
  });

  it('leaves a finding, but no repair that is being looked at', () => {
    useView.setState({
      finding: 'f1',
      pending: {
        id: 1,
        version: 1,
        repair: { kind: 'DeleteSurface', surface: 's1' },
        label: '',
        preview: null,
        error: null,
      },
    });
    useView.getState().select(['s2']);
    expect(useView.getState()).toMatchObject({
      finding: null,
      pending: { id: 1 },
      selection: ['s2'],
    });
  });
});

describe('going through findings', () => {
  it('goes round in both directions', () => {
    nextFinding(index, 1);
    expect(useView.getState().finding).toBe('f1');
    nextFinding(index, 1);
    nextFinding(index, 1);
    expect(useView.getState().finding).toBe('f3');
    nextFinding(index, 1);
    expect(useView.getState().finding).toBe('f1');
    nextFinding(index, -1);
    expect(useView.getState().finding).toBe('f3');
  });

  it('begins at the end when going back', () => {
    nextFinding(index, -1);
    expect(useView.getState().finding).toBe('f3');
  });

  it('goes on from the first when the one shown is gone', () => {
    useView.setState({ finding: 'answered' });
    nextFinding(index, 1);
    expect(useView.getState().finding).toBe('f1');
  });

  const left = (...ids: string[]) =>
    model({ findings: index.model.findings.filter((f) => ids.includes(f.id)) });

  it('goes on where the answered one stood', () => {
    useView.setState({ finding: 'f2' });
    leaveAnswered(index.model, left('f1', 'f3'));
    expect(useView.getState().finding).toBeNull();
    nextFinding(indexModel(left('f1', 'f3')), 1);
    expect(useView.getState().finding).toBe('f3');

    useView.setState({ finding: 'f2' });
    leaveAnswered(index.model, left('f1', 'f3'));
    nextFinding(indexModel(left('f1', 'f3')), -1);
    expect(useView.getState().finding).toBe('f1');
  });

  it('begins again after the last was answered', () => {
    useView.setState({ finding: 'f3' });
    leaveAnswered(index.model, left('f1', 'f2'));
    nextFinding(indexModel(left('f1', 'f2')), 1);
    expect(useView.getState().finding).toBe('f1');
  });

  it('stays where a change did not answer it', () => {
    useView.setState({ finding: 'f2' });
    leaveAnswered(index.model, left('f2', 'f3'));
    expect(useView.getState().finding).toBe('f2');
    expect(useView.getState().answered).toBeNull();
  });

  it('goes on after one that is taken as it is', () => {
    useView.setState({ finding: 'f2' });
    const taken = index.model.findings.map((f) =>
      f.id === 'f2' ? { ...f, accepted: { holds: true } as Finding['accepted'] } : f,
    );
    leaveAnswered(index.model, { ...index.model, findings: taken });
    expect(useView.getState().finding).toBeNull();
    expect(useView.getState().answered).toBe(1);
  });

  it('says so when none is left', () => {
    nextFinding(indexModel(model({})), 1);
    expect(useView.getState().message?.text).toContain('No findings');
    expect(useView.getState().finding).toBeNull();
  });
});

describe('an answer that holds only what differs', () => {
  it('is put into the model before', () => {
    const [a, b, c] = ['a', 'b', 'c'].map((k) => surface(k, ['s']));
    const before = model({
      surfaces: [a, b, c],
      findings: [finding('1', 'a'), finding('2', 'b'), finding('3', 'c')],
    });
    const changed = { ...b, grossArea: 99 };
    const fresh = surface('d', ['s']);
    const sent = ({ shape, ...s }: Surface) => ({
      ...s,
      openings: [],
      rings: ringsOf(shape),
      triangles: [],
    });
    const answer: ModelAnswer = {
      ...model({ findings: [{ ...finding('2', 'b'), message: 'anew' }] }),
      surfaces: [sent(changed), sent(fresh)],
      orphans: [],
      since: { goneSpaces: [], goneSurfaces: ['a'], findings: ['3', '2'] },
    };
    const m = merged(before, answer)!;
    expect(m.surfaces).toEqual([changed, c, fresh]);
    expect(m.findings.map((f) => f.message)).toEqual(['Fault 3', 'anew']);
    expect(m.since).toBeUndefined();
    expect(merged(before, { ...answer, since: undefined })).toBeNull();
    const none = { ...answer.since!, goneSurfaces: [] };
    expect(merged(before, { ...answer, surfaces: [], since: none })!.surfaces).toBe(
      before.surfaces,
    );
  });
});
