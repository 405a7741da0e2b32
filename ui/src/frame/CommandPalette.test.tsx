// @vitest-environment happy-dom
import { act, screen } from '@testing-library/react';
import { useNavigate } from 'react-router';
import { describe, expect, it, vi } from 'vitest';
import type { Project } from '../model/api';
import { unitsOf } from '../model/units';
import type { Edits } from '../model/useEdits';
import { useWorkspaceLink } from '../shared/useWorkspaceLink';
import { useView } from '../model/state';
import { eachAnew, fakeEdits, rooms, show } from '../shared/testPage';
import { CommandPalette } from './CommandPalette';
import { commands, objects } from './commands';

eachAnew();

function Palette({ edits }: { edits: Edits }) {
  const index = rooms();
  const navigate = useNavigate();
  const to = useWorkspaceLink('1');
  const project = { id: '1', name: 'P', deliveries: [], settings: {} } as never as Project;
  return (
    <CommandPalette
      entries={() => [
        ...commands(project, index.model, index, edits, 'findings', navigate, to),
        ...objects(index, unitsOf('SI')),
      ]}
    />
  );
}

function palette() {
  useView.setState({ palette: true });
  const edits = fakeEdits();
  const page = show(<Palette edits={edits} />);
  const field = screen.getByPlaceholderText(/a space, surface/);
  const options = () => screen.getAllByRole('option').map((o) => o.firstChild?.textContent);
  return { ...page, edits, field, options };
}

describe('find or do', () => {
  it('is not there until it is asked for', () => {
    show(<Palette edits={fakeEdits()} />);
    expect(screen.queryByTestId('palette')).toBeNull();
  });

  it('offers workspaces and commands first', () => {
    expect(palette().options().slice(0, 3)).toEqual([
      'Go to Intake',
      'Go to Scope',
      'Go to Envelope',
    ]);
  });

  it('finds objects by all words that were typed, in any order', async () => {
    const { user, field, options } = palette();
    await user.type(field, 's2 wall');
    expect(options()).toEqual(['Wall s2']);
    await user.clear(field);
    await user.type(field, 'nothing like it');
    expect(screen.queryAllByRole('option')).toEqual([]);
    expect(screen.getByText('Nothing is called that.')).toBeTruthy();
  });

  it('selects what was found with Enter, and closes', async () => {
    const { user, field } = palette();
    await user.type(field, 'room b{Enter}');
    expect(useView.getState().selection).toEqual(['b']);
    expect(useView.getState().palette).toBe(false);
  });

  it('goes down and up by arrow keys, and stops at the ends', async () => {
    const { user, field } = palette();
    await user.type(field, 'wall s');
    await user.keyboard('{ArrowUp}');
    expect(screen.getByRole('option', { selected: true }).textContent).toContain('Wall s1');
    await user.keyboard('{ArrowDown}{ArrowDown}');
    expect(screen.getByRole('option', { selected: true }).textContent).toContain('Wall s3');
    await user.keyboard('{ArrowDown}{ArrowDown}{ArrowDown}');
    expect(screen.getAllByRole('option').at(-1)!.getAttribute('aria-selected')).toBe('true');
  });

  it('does things by name', async () => {
    const { user, field, edits } = palette();
    await user.type(field, 'slivers{Enter}');
    expect(edits.consider).toHaveBeenCalledOnce();
  });

  it('puts what begins with the words first, then other commands, objects, findings', async () => {
    const { user, field, options } = palette();
    await user.type(field, 'con');
    expect(options()[0]).toBe('Constructions');
    expect(options()).toContain('Give a construction');
  });

  it('knows what can be pressed on the page, and the fields above the columns', async () => {
    const pressed = vi.fn();
    HTMLElement.prototype.checkVisibility = () => true;
    const { user } = show(
      <main>
        <button onClick={pressed}>
          Accept all <kbd>X</kbd>
        </button>
        <button disabled>Not now</button>
        <input aria-label="Filter by volume" />
        <Palette edits={fakeEdits()} />
      </main>,
    );
    act(() => useView.setState({ palette: true }));
    await user.type(screen.getByRole('combobox'), 'accept all{Enter}');
    expect(pressed).toHaveBeenCalledOnce();
    act(() => useView.setState({ palette: true }));
    await user.type(screen.getByRole('combobox'), 'not now');
    expect(screen.queryAllByRole('option')).toEqual([]);
    await user.clear(screen.getByRole('combobox'));
    await user.type(screen.getByRole('combobox'), 'filter volume{Enter}');
    expect(document.activeElement?.getAttribute('aria-label')).toBe('Filter by volume');
  });

  it('goes to a workspace and keeps the delivery', async () => {
    const { user, field } = palette();
    await user.type(field, 'go to thermal{Enter}');
    expect(screen.getByTestId('address').textContent).toBe('/p/1/thermal?delivery=d');
  });

  it('shows a finding by its code or its words', async () => {
    const { user, field } = palette();
    await user.type(field, 'adj-506 f2{Enter}');
    expect(useView.getState().finding).toBe('f2');
    expect(useView.getState().tab).toBe('findings');
  });
});
