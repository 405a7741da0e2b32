// @vitest-environment happy-dom
import { screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { eachAnew, show } from '../shared/testPage';
import { Picker } from './Picker';

eachAnew();

const CHOICES = [
  { id: 'b', label: 'Brick', group: 'Masonry', detail: '0.77' },
  { id: 's', label: 'Stone', group: 'Masonry' },
  { id: 'w', label: 'Wool', group: 'Insulation' },
];

async function opened(onPick = vi.fn()) {
  const shown = show(<Picker label="Take one" choices={CHOICES} onPick={onPick} />);
  await shown.user.click(screen.getByRole('button', { name: /Take one/ }));
  return { onPick, ...shown };
}

const marked = () =>
  screen.getAllByRole('option').find((o) => o.getAttribute('aria-selected') === 'true')
    ?.textContent;

describe('a list to pick from', () => {
  it('is gone through by arrows, round its ends', async () => {
    const { user, onPick } = await opened();
    expect(marked()).toBe('Brick0.77');
    await user.keyboard('{ArrowDown}');
    expect(marked()).toBe('Stone');
    await user.keyboard('{ArrowDown}{ArrowDown}');
    expect(marked()).toBe('Brick0.77');
    await user.keyboard('{ArrowUp}');
    expect(marked()).toBe('Wool');
    const box = screen.getByRole('combobox');
    expect(box.getAttribute('aria-activedescendant')).toBe(screen.getAllByRole('option')[2].id);
    await user.keyboard('{Enter}');
    expect(onPick).toHaveBeenCalledWith('w');
    expect(screen.queryByRole('option')).toBeNull();
  });

  it('is narrowed by words of names and groups, and begins at its first', async () => {
    const { user, onPick } = await opened();
    await user.keyboard('{ArrowDown}{ArrowDown}');
    await user.keyboard('masonry st');
    expect(screen.getAllByRole('option')).toHaveLength(1);
    expect(marked()).toBe('Stone');
    await user.keyboard('{Enter}');
    expect(onPick).toHaveBeenCalledWith('s');
  });

  it('says that nothing has these words, and takes nothing', async () => {
    const { user, onPick } = await opened();
    await user.keyboard('cork{ArrowDown}{Enter}');
    expect(screen.getByText('Nothing has these words.')).toBeTruthy();
    expect(onPick).not.toHaveBeenCalled();
  });

  it('tells its groups and what stands behind a name', async () => {
    const { user, onPick } = await opened();
    expect(screen.getByText('Masonry')).toBeTruthy();
    expect(screen.getByText('Insulation')).toBeTruthy();
    await user.click(screen.getByRole('option', { name: /Brick/ }));
    expect(onPick).toHaveBeenCalledWith('b');
  });
});
