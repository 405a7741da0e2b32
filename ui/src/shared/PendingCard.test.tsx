// @vitest-environment happy-dom
import { act, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Preview } from '../model/api';
import { begin, type Pending } from '../model/pending';
import { useView } from '../model/state';
import { finding, model } from '../model/testModel';
import { PendingCard } from './PendingCard';
import { eachAnew, fakeEdits, show } from './testPage';

eachAnew();

const FIGURES = {
  floorArea: 20,
  volume: 60,
  outdoorArea: 30,
  groundArea: 20,
  interiorArea: 10,
  glazedArea: 4,
};

function preview(parts: Partial<Preview>): Preview {
  return {
    summary: 'Deletes the wall s1.',
    resolved: [],
    added: [],
    before: FIGURES,
    after: FIGURES,
    ...parts,
  } as Preview;
}

function card(pending: Partial<Pending>) {
  useView.setState({
    pending: {
      id: -1,
      version: 1,
      repair: { kind: 'DeleteSurface', surface: 's1' } as never,
      label: 'Delete it',
      finding: 'f1',
      preview: null,
      error: null,
      ...pending,
    },
  });
  const edits = fakeEdits();
  return { ...show(<PendingCard edits={edits} />), edits };
}

describe('a repair before it is made', () => {
  it('is not there when nothing is pending', () => {
    show(<PendingCard edits={fakeEdits()} />);
    expect(screen.queryByTestId('pending')).toBeNull();
  });

  it('says that it is being worked out, and cannot be made yet', () => {
    card({});
    expect(screen.getByText('Working out what will change …')).toBeTruthy();
    expect(screen.queryByTestId('apply')).toBeNull();
  });

  it('says why it cannot be made', () => {
    card({ error: 'The plane does not cross the room.' });
    expect(screen.getByText('The plane does not cross the room.')).toBeTruthy();
    expect(screen.queryByText(/Working out/)).toBeNull();
    expect(screen.queryByTestId('apply')).toBeNull();
  });

  it('is made, and the next finding shown', async () => {
    const { user, edits, client } = card({ preview: preview({ resolved: [finding('f1')] }) });
    client.setQueryData(['model', 'd'], model({ findings: [finding('f2'), finding('f3')] }));
    useView.setState({ finding: null, answered: 1 });
    await user.click(screen.getByTestId('apply-next'));
    expect(edits.apply).toHaveBeenCalled();
    expect(useView.getState().finding).toBe('f3');
  });

  it('says what it does, resolves and brings', () => {
    card({
      preview: preview({ resolved: [finding('f1'), finding('f2')], added: [finding('f9')] }),
    });
    expect(screen.getByTestId('pending-summary').textContent).toBe('Deletes the wall s1.');
    const text = screen.getByTestId('pending').textContent;
    expect(text).toContain('Resolves 2 findings, brings 1 new one:');
    expect(text).toContain('Fault f9');
  });

  it('shows only the figures that change', () => {
    card({
      preview: preview({ after: { ...FIGURES, floorArea: 25, outdoorArea: 30.004 } as never }),
    });
    const figures = screen.getByTestId('pending-figures').textContent;
    expect(figures).toContain('Floor area');
    expect(figures).toContain('20.00 m² → 25.00 m²');
    expect(figures).not.toContain('To outdoor air');
  });

  it('shows no figures when none changes', () => {
    card({ preview: preview({}) });
    expect(screen.queryByTestId('pending-figures')).toBeNull();
    expect(screen.getByTestId('pending').textContent).toContain('Resolves no finding.');
  });

  it('is made when a person says so', async () => {
    const { user, edits } = card({ preview: preview({}) });
    await user.click(screen.getByTestId('apply'));
    expect(edits.apply).toHaveBeenCalledWith({ kind: 'DeleteSurface', surface: 's1' }, 'f1');
  });

  it('is left alone', async () => {
    const { user, edits } = card({ preview: preview({}) });
    await user.click(screen.getByRole('button', { name: 'Leave it' }));
    expect(useView.getState().pending).toBeNull();
    expect(edits.apply).not.toHaveBeenCalled();
  });

  it('waits when another is begun, comes forward again, and is taken or left on its own', async () => {
    const of = (surface: string) => ({ kind: 'DeleteSurface', surface }) as never;
    const { user } = card({ preview: preview({}) });
    act(() => void begin({ repair: of('s2'), label: 'Delete the other', version: 1 }));
    expect(screen.getByTestId('waiting').textContent).toContain('Deletes the wall s1.');
    await user.click(screen.getByTitle('Look at it again'));
    expect(screen.getByTestId('pending-summary').textContent).toBe('Deletes the wall s1.');
    expect(screen.getByTestId('waiting').textContent).toContain('Delete the other');
    await user.click(screen.getByRole('button', { name: 'Leave Delete the other' }));
    expect(screen.queryByTestId('waiting')).toBeNull();
    // the same again does not come twice
    act(() => void begin({ repair: of('s1'), label: 'Delete it', version: 1 }));
    expect(screen.queryByTestId('waiting')).toBeNull();
  });

  it('is worked out anew when the model has changed since', () => {
    const { edits } = card({ preview: preview({}), version: 0 });
    expect(edits.again).toHaveBeenCalledTimes(1);
  });

  it('names the findings that a remedy for many leaves', () => {
    card({
      preview: preview({}),
      left: [{ finding: 'f7', message: 'Fault f7', reason: 'It is too small.' }] as never,
    });
    expect(screen.getByTestId('left').textContent).toContain('1 finding would stay');
    expect(screen.getByTestId('left').textContent).toContain('It is too small.');
  });
});
