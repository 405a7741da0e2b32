// @vitest-environment happy-dom
import { screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { useView } from '../model/state';
import { eachAnew, fakeEdits, rooms, show } from '../shared/testPage';
import { CommandPalette } from './CommandPalette';

eachAnew();

function palette() {
  useView.setState({ palette: true });
  const edits = fakeEdits();
  const index = rooms();
  const page = show(<CommandPalette index={index} edits={edits} project="1" />);
  const field = screen.getByPlaceholderText(/A space, surface/);
  const options = () => screen.getAllByRole('option').map((o) => o.firstChild?.textContent);
  return { ...page, edits, field, options };
}

describe('find or do', () => {
  it('is not there until it is asked for', () => {
    show(<CommandPalette index={rooms()} edits={fakeEdits()} project="1" />);
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
    await user.type(field, 'wall');
    await user.keyboard('{ArrowUp}');
    expect(screen.getByRole('option', { selected: true }).textContent).toContain('Wall s1');
    await user.keyboard('{ArrowDown}{ArrowDown}{ArrowDown}{ArrowDown}{ArrowDown}');
    expect(screen.getByRole('option', { selected: true }).textContent).toContain('Wall s3');
  });

  it('does things by name', async () => {
    const { user, field, edits } = palette();
    await user.type(field, 'undo{Enter}');
    expect(edits.undo).toHaveBeenCalledOnce();
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
