// @vitest-environment happy-dom
import { act, screen, waitFor } from '@testing-library/react';
import { useEffect } from 'react';
import { describe, expect, it } from 'vitest';
import { answers, eachAnew, show } from './testPage';
import type { Model, Repair } from '../model/api';
import { model } from '../model/testModel';
import { leave, renew } from '../model/pending';
import { useView } from '../model/state';
import { useEdits, type Edits } from '../model/useEdits';

eachAnew();

const DELETE = { kind: 'DeleteSurface', surface: 's1' } as Repair;
const OTHER = { kind: 'ReverseSurface', surface: 's1' } as Repair;

/** The newest edits of the page. */
const taken: Edits[] = [];
const take = (e: Edits) => taken.push(e);
const now = () => taken[taken.length - 1];

function Editor({ of }: { of: Model }) {
  const edits = useEdits(of);
  useEffect(() => void take(edits));
  return <output data-testid="busy">{String(edits.busy)}</output>;
}

/** What an edit is answered with: what differs, here nothing but the log. */
const next = (version: number) => {
  const m = model({
    log: [{ index: 0, summary: 'Deletes a wall of 3.00 m².', inForce: true }] as Model['log'],
    since: { goneSpaces: [], goneSurfaces: [], findings: [] },
  });
  return { ...m, delivery: { ...m.delivery, version } };
};

const PREVIEW = { summary: 'Deletes a wall.', gone: [], added: [], changedSurfaces: [] };

describe('edits', () => {
  it('carry the version that they are based on, and say what was done', async () => {
    const asked = answers({ 'POST /api/deliveries/d/repairs?changes=true': next(2) });
    show(<Editor of={model({})} />);
    let made: boolean | undefined;
    await act(async () => {
      made = await now().apply(DELETE, 'VOL-401:a');
    });
    expect(made).toBe(true);
    expect(asked[0].body).toEqual({ basedOn: 1, repair: DELETE, finding: 'VOL-401:a' });
    expect(useView.getState().message).toEqual({
      text: 'Deletes a wall of 3.00 m².',
      bad: false,
    });
    expect(screen.getByTestId('busy').textContent).toBe('false');
  });

  it('speak the units of the project', async () => {
    answers({ 'POST /api/deliveries/d/repairs?changes=true': next(2) });
    show(<Editor of={model({})} />, { units: 'IP' });
    await act(async () => void (await now().apply(DELETE)));
    expect(useView.getState().message?.text).toBe('Deletes a wall of 32.3 ft².');
  });

  it('that come too late say who was first, and show the newest state', async () => {
    answers({
      'POST /api/deliveries/d/undo?changes=true': new Error('A. Person was first.'),
    });
    const { client } = show(<Editor of={model({})} />);
    client.setQueryData(['model', 'd'], model({}));
    act(() => now().undo());
    await waitFor(() =>
      expect(useView.getState().message).toEqual({ text: 'A. Person was first.', bad: true }),
    );
    expect(screen.getByTestId('busy').textContent).toBe('false');
  });

  it('are made one at a time', async () => {
    const asked = answers({ 'POST /api/deliveries/d/repairs?changes=true': next(2) });
    show(<Editor of={model({})} />);
    let second: boolean | undefined;
    await act(async () => {
      const first = now().apply(DELETE);
      await Promise.resolve();
      await first;
    });
    await act(async () => {
      const running = now().apply(DELETE);
      second = await running;
    });
    expect(second).toBe(true);
    expect(asked).toHaveLength(2);
  });

  it('undone and made again are told, and settings are asked for anew', async () => {
    const m = model({});
    const delivery = { ...m.delivery, undoes: 'Deletes a wall.', redoes: 'Turns a wall.' };
    answers({
      'POST /api/deliveries/d/undo?changes=true': next(2),
      'POST /api/deliveries/d/redo?changes=true': next(3),
    });
    show(<Editor of={{ ...m, delivery }} />);
    act(() => now().undo());
    await waitFor(() => expect(useView.getState().message?.text).toBe('Undone: Deletes a wall.'));
    // a second edit is not begun while the first is on its way
    await waitFor(() => expect(screen.getByTestId('busy').textContent).toBe('false'));
    act(() => now().redo());
    await waitFor(() => expect(useView.getState().message?.text).toBe('Made again: Turns a wall.'));
  });

  it('of the part say which it is now', async () => {
    const asked = answers({
      'PUT /api/deliveries/d/part': {
        ...next(2),
        delivery: { ...next(2).delivery, part: 2, revision: 1 },
      },
    });
    show(<Editor of={model({})} />);
    act(() => now().place(null));
    await waitFor(() => expect(useView.getState().message?.text).toBe('Part 2, revision 1'));
    expect(asked[0].body).toEqual({ basedOn: 1, part: null });
  });
});

describe('a repair that is considered', () => {
  it('waits for its preview', async () => {
    answers({ 'POST /api/deliveries/d/preview': PREVIEW });
    show(<Editor of={model({})} />);
    act(() => now().consider(DELETE, 'Delete it', 'f1'));
    expect(useView.getState().pending).toMatchObject({
      label: 'Delete it',
      finding: 'f1',
      preview: null,
    });
    await waitFor(() =>
      expect(useView.getState().pending?.preview).toMatchObject({ summary: 'Deletes a wall.' }),
    );
  });

  it('says why it cannot be made', async () => {
    answers({ 'POST /api/deliveries/d/preview': new Error('The surface is gone.') });
    show(<Editor of={model({})} />);
    act(() => now().consider(DELETE, 'Delete it'));
    await waitFor(() => expect(useView.getState().pending?.error).toBe('The surface is gone.'));
  });

  it('waits when another is begun; each has a preview of its own, and what was left stays so', async () => {
    answers({ 'POST /api/deliveries/d/preview': PREVIEW });
    show(<Editor of={model({})} />);
    act(() => now().consider(DELETE, 'Delete it'));
    act(() => now().consider(OTHER, 'Turn it round'));
    await waitFor(() => expect(useView.getState().pending?.preview).not.toBeNull());
    expect(useView.getState().pending?.label).toBe('Turn it round');
    await waitFor(() => expect(useView.getState().waiting[0]?.preview).not.toBeNull());
    expect(useView.getState().waiting.map((p) => p.label)).toEqual(['Delete it']);
    act(() => now().consider(DELETE, 'Delete it'));
    expect(useView.getState().waiting.map((p) => p.label)).toEqual(['Turn it round']);
    act(() => leave(useView.getState().pending!.id));
    await new Promise((done) => setTimeout(done, 20));
    expect(useView.getState().pending).toBeNull();
  });

  it('is made as soon as its preview is there, when that was asked for and it brings nothing', async () => {
    const asked = answers({
      'POST /api/deliveries/d/preview': { ...PREVIEW, added: [] },
      'POST /api/deliveries/d/repairs?changes=true': next(2),
    });
    show(<Editor of={model({})} />);
    act(() => now().consider(DELETE, 'Delete it', 'f1'));
    act(() => void renew(useView.getState().pending!.id, { wanted: true }));
    await waitFor(() => expect(useView.getState().pending).toBeNull());
    expect(asked.map((a) => a.path.split('/').at(-1))).toEqual(['preview', 'repairs?changes=true']);
  });

  it('is not made unseen when it would bring a new finding', async () => {
    const asked = answers({
      'POST /api/deliveries/d/preview': { ...PREVIEW, added: [{ id: 'f9' }] },
    });
    show(<Editor of={model({})} />);
    act(() => now().consider(DELETE, 'Delete it', 'f1'));
    act(() => void renew(useView.getState().pending!.id, { wanted: true }));
    await waitFor(() => expect(useView.getState().pending?.preview).not.toBeNull());
    expect(asked).toHaveLength(1);
  });

  it('for many says which it leaves', async () => {
    answers({
      'POST /api/deliveries/d/findings/sweep': {
        repair: { kind: 'Several', label: 'x', repairs: [] },
        left: [{ finding: 'f2', message: 'm', reason: 'r' }],
        preview: PREVIEW,
      },
    });
    show(<Editor of={model({})} />);
    act(() => now().sweep(['f1', 'f2'], DELETE, 'Delete them'));
    await waitFor(() => expect(useView.getState().pending?.left).toHaveLength(1));
    expect(useView.getState().pending?.made?.kind).toBe('Several');
    expect(useView.getState().pending?.repair).toEqual(DELETE);
    expect(useView.getState().pending?.error).toBeNull();
  });

  it('for many may work for none', async () => {
    answers({
      'POST /api/deliveries/d/findings/sweep': { repair: null, left: [], preview: null },
    });
    show(<Editor of={model({})} />);
    act(() => now().sweep(['f1'], DELETE, 'Delete them'));
    await waitFor(() =>
      expect(useView.getState().pending?.error).toBe('It works for none of them.'),
    );
    answers({ 'POST /api/deliveries/d/findings/sweep': new Error('Too many.') });
    act(() => now().sweep(['f1'], OTHER, 'Turn them'));
    await waitFor(() => expect(useView.getState().pending?.error).toBe('Too many.'));
  });
});
