// @vitest-environment happy-dom
import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { useView } from '../model/state';
import { answers, eachAnew, fakeEdits, rooms, show } from '../shared/testPage';
import { RevisionSheet } from './RevisionSheet';

eachAnew();

const change = (what: string, more: Record<string, unknown>) => ({
  change: what,
  kind: 'surface',
  before: null,
  after: null,
  name: '',
  details: [],
  byGeometry: false,
  ...more,
});

const step = (index: number, outcome: string, more: Record<string, unknown> = {}) => ({
  index,
  summary: `Repair ${index}`,
  outcome,
  reason: '',
  objects: ['s1'],
  finding: null,
  repair: null,
  ...more,
});

const REVISION = {
  before: { id: 'd0', fileName: 'first.xml', revision: 1 },
  replayed: false,
  changes: [
    change('REMOVED', { before: 'gone', name: 'Roof of East', details: ['20.00 m²'] }),
    change('MOVED', {
      before: 's1',
      after: 's1',
      name: 'South wall',
      details: ['moved by 0.200 m'],
    }),
    change('CHANGED', {
      before: 'x',
      after: 's3',
      name: 'North wall',
      details: ['type Roof → Ceiling', 'area 1.00 → 2.00 m²'],
      byGeometry: true,
    }),
    change('ADDED', { after: 's2', name: 'Wall between' }),
  ],
  steps: [
    step(0, 'applied'),
    step(1, 'not needed', { reason: 'The fault is gone.' }),
    step(2, 'conflict', { repair: { kind: 'DeleteSurface', surface: 's1' } }),
    step(3, 'not possible', { finding: 'f1', reason: 'The wall is not in this revision.' }),
    step(4, 'not possible', { objects: ['s1', 'unknown'] }),
    step(5, 'not possible', { objects: ['unknown'] }),
  ],
};

function server(revision: unknown) {
  return answers({ 'GET /api/deliveries/d/revision': revision });
}

const rowWith = async (text: string) =>
  (await screen.findByText(text)).closest('[role=row]')?.textContent ?? '';

describe('the revision before', () => {
  it('is none for the first', async () => {
    server({ before: null, changes: [], steps: [], replayed: false });
    show(<RevisionSheet index={rooms()} edits={fakeEdits()} />);
    expect(screen.getByText(/Comparing with the revision before/)).toBeTruthy();
    expect(await screen.findByText(/This is the first revision/)).toBeTruthy();
    expect(useView.getState().colourBy).toBe('exposure');
  });

  it('is told object by object, with how it was recognised', async () => {
    server(REVISION);
    show(<RevisionSheet index={rooms()} edits={fakeEdits()} />);
    expect(await rowWith('South wall')).toContain('id');
    expect(await rowWith('North wall')).toContain('place');
    expect(await rowWith('North wall')).toContain('type Roof → Ceiling; area 1.00 → 2.00 m²');
    expect(await rowWith('Roof of East')).toContain('removed');
    expect(screen.getByText('removed').className).toContain('text-error');
  });

  it('colours the stage while it is looked at, and no longer', async () => {
    server(REVISION);
    const { unmount } = show(<RevisionSheet index={rooms()} edits={fakeEdits()} />);
    await waitFor(() => expect(useView.getState().colourBy).toBe('change'));
    unmount();
    expect(useView.getState().colourBy).toBe('exposure');
  });

  it('selects what is there, not what is gone', async () => {
    server(REVISION);
    const { user } = show(<RevisionSheet index={rooms()} edits={fakeEdits()} />);
    await user.click(await screen.findByText('Wall between'));
    expect(useView.getState().selection).toEqual(['s2']);
    await user.click(screen.getByText('Roof of East'));
    expect(useView.getState().selection).toEqual([]);
  });
});

describe('repairs of the revision before', () => {
  it('are summed up by what becomes of them', async () => {
    server(REVISION);
    show(<RevisionSheet index={rooms()} edits={fakeEdits()} />);
    expect(
      await screen.findByText(
        /1 can be made again, 1 no longer needed, 1 changed by the architect, too, 3 no longer possible\./,
      ),
    ).toBeTruthy();
  });

  it('are made again where they can be', async () => {
    server(REVISION);
    const edits = fakeEdits();
    const { user } = show(<RevisionSheet index={rooms()} edits={edits} />);
    await user.click(await screen.findByTestId('replay'));
    expect(edits.change).toHaveBeenCalledWith(
      expect.any(Function),
      'The repairs of the revision before were made again where they can be.',
    );
  });

  it('are not offered where none can be, or they were', async () => {
    server({ ...REVISION, steps: REVISION.steps.slice(1) });
    const { unmount } = show(<RevisionSheet index={rooms()} edits={fakeEdits()} />);
    await screen.findByTestId('revision');
    expect(screen.queryByTestId('replay')).toBeNull();
    unmount();
    server({ ...REVISION, replayed: true });
    show(<RevisionSheet index={rooms()} edits={fakeEdits()} />);
    expect(await screen.findByText(/1 made again/)).toBeTruthy();
    expect(screen.queryByTestId('replay')).toBeNull();
  });

  it('that both have changed can be made all the same', async () => {
    server(REVISION);
    const edits = fakeEdits();
    const { user } = show(<RevisionSheet index={rooms()} edits={edits} />);
    const conflict = await screen.findByTestId('step-conflict');
    await user.click(within(conflict).getByRole('button', { name: 'Make it all the same' }));
    expect(edits.consider).toHaveBeenCalledWith(REVISION.steps[2].repair, 'Repair 2');
  });

  it('that are no longer possible lead to their finding, or to what is left', async () => {
    server(REVISION);
    const { user } = show(<RevisionSheet index={rooms()} edits={fakeEdits()} />);
    const [finding, objects, nothing] = await screen.findAllByTestId('step-not-possible');
    await user.click(within(finding).getByRole('button', { name: 'Answer it here' }));
    expect(useView.getState().finding).toBe('f1');
    await user.click(within(objects).getByRole('button', { name: 'Show 1 object' }));
    expect(useView.getState().selection).toEqual(['s1']);
    expect(within(nothing).queryByRole('button')).toBeNull();
  });
});
