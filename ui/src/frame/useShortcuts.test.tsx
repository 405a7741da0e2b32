// @vitest-environment happy-dom
import { screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { useView } from '../model/state';
import { answers, eachAnew, fakeEdits, REMEDIES, rooms, show } from '../shared/testPage';
import { useShortcuts } from './useShortcuts';

eachAnew();

function page() {
  answers(REMEDIES);
  const edits = fakeEdits();
  const index = rooms();
  function Page() {
    useShortcuts(index, edits, '1', 'findings');
    return (
      <>
        <input aria-label="A field" />
        <button>A button</button>
        <input aria-label="A filter" data-filter="first" />
      </>
    );
  }
  return { ...show(<Page />), edits };
}

const view = () => useView.getState();

describe('the keyboard', () => {
  it('goes through the findings with N and P', async () => {
    const { user } = page();
    await user.keyboard('n');
    expect(view().finding).toBe('f1');
    await user.keyboard('N');
    expect(view().finding).toBe('f2');
    await user.keyboard('p');
    expect(view().finding).toBe('f1');
  });

  it('shows the first remedy with E, and makes it with the next E', async () => {
    const { user, edits } = page();
    await user.keyboard('ne');
    await waitFor(() =>
      expect(edits.consider).toHaveBeenCalledWith(
        { kind: 'DeleteSurface', surface: 's1' },
        'Delete it',
        'f1',
      ),
    );
    const pending = {
      version: 1,
      repair: { kind: 'X' },
      label: 'L',
      finding: 'f1',
      preview: {},
      error: null,
    };
    useView.setState({ pending: pending as never });
    await user.keyboard('e');
    expect(edits.apply).toHaveBeenCalledWith({ kind: 'X' }, 'f1');
  });

  it('waits with E for a preview that is not there yet, and begins another for another finding', async () => {
    const { user, edits } = page();
    const pending = { id: 7, version: 1, repair: { kind: 'X' }, label: 'L', finding: 'f1' };
    useView.setState({
      finding: 'f1',
      pending: { ...pending, preview: null, error: null } as never,
    });
    await user.keyboard('e');
    expect(edits.apply).not.toHaveBeenCalled();
    expect(view().pending?.wanted).toBe(true);
    useView.setState({
      pending: { ...pending, finding: 'f0', preview: null, error: null } as never,
    });
    await user.keyboard('e');
    await waitFor(() => expect(edits.consider).toHaveBeenCalled());
  });

  it('goes in to surfaces and openings, and out again', async () => {
    const { user } = page();
    view().select(['a']);
    await user.keyboard('{Enter}');
    expect(view().selection).toEqual(['s1', 's2']);
    await user.keyboard('{Enter}');
    expect(view().selection).toEqual(['o1']);
    await user.keyboard('{Backspace}');
    expect(view().selection).toEqual(['s1']);
    await user.keyboard('{Backspace}');
    expect(view().selection).toEqual(['a']);
  });

  it('leaves Enter to a button that has the focus', async () => {
    const { user } = page();
    view().select(['a']);
    screen.getByRole('button').focus();
    await user.keyboard('{Enter}');
    expect(view().selection).toEqual(['a']);
  });

  it('is silent while somebody types', async () => {
    const { user, edits } = page();
    await user.type(screen.getByLabelText('A field'), 'nemo 4');
    expect(view().finding).toBeNull();
    expect(edits.consider).not.toHaveBeenCalled();
    expect(screen.getByTestId('address').textContent).toContain('/findings');
    await user.keyboard('{Escape}');
    expect(document.activeElement).toBe(document.body);
  });

  it('is silent while a menu or a dialog is open', async () => {
    const { user } = page();
    useView.setState({ help: true });
    await user.keyboard('n');
    expect(view().finding).toBeNull();
  });

  it('undoes and redoes', async () => {
    const { user, edits } = page();
    await user.keyboard('{Control>}z{/Control}');
    expect(edits.undo).toHaveBeenCalledOnce();
    await user.keyboard('{Control>}{Shift>}Z{/Shift}{/Control}');
    expect(edits.redo).toHaveBeenCalledOnce();
  });

  it('opens and closes the palette from everywhere', async () => {
    const { user } = page();
    screen.getByLabelText('A field').focus();
    await user.keyboard('{Control>}k{/Control}');
    expect(view().palette).toBe(true);
    await user.keyboard('{Control>}k{/Control}');
    expect(view().palette).toBe(false);
  });

  it('goes to workspaces by number', async () => {
    const { user } = page();
    await user.keyboard('7');
    expect(screen.getByTestId('address').textContent).toBe('/p/1/handover?delivery=d');
  });

  it('frames, measures, shows the elements, opens the help', async () => {
    const { user } = page();
    const framed = vi.fn();
    window.addEventListener('yentra:frame', framed);
    await user.keyboard('f0');
    window.removeEventListener('yentra:frame', framed);
    expect(framed.mock.calls.map(([e]) => (e as CustomEvent).detail)).toEqual([null, 'all']);
    await user.keyboard('m');
    expect(view().measure).toBe('distance');
    await user.keyboard('b');
    expect(view().elements).toBe(true);
    await user.keyboard('?');
    expect(view().help).toBe(true);
  });

  it('hides, isolates and shows all', async () => {
    const { user } = page();
    view().select(['s1']);
    await user.keyboard('h');
    expect([...view().hidden]).toContain('s1');
    await user.keyboard('a');
    expect(view().hidden.size).toBe(0);
    view().select(['s2']);
    await user.keyboard('i');
    expect([...(view().isolated ?? [])]).toContain('s2');
  });

  it('leaves one thing after the other with Escape', async () => {
    const { user } = page();
    view().select(['s1']);
    useView.setState({
      measure: 'area',
      pending: { id: 1, version: 1, repair: {} as never, label: '', preview: null, error: null },
    });
    await user.keyboard('{Escape}');
    expect(view().measure).toBeNull();
    expect(view().pending).not.toBeNull();
    await user.keyboard('{Escape}');
    expect(view().pending).toBeNull();
    expect(view().selection).toEqual(['s1']);
    await user.keyboard('{Escape}');
    expect(view().selection).toEqual([]);
  });

  it('leads to the filter of the table with a slash', async () => {
    const { user } = page();
    await user.keyboard('/');
    expect(document.activeElement).toBe(screen.getByLabelText('A filter'));
  });
});
