// @vitest-environment happy-dom
import { fireEvent, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { Separator } from './Separator';
import { eachAnew, show } from './testPage';

eachAnew();

function handle(grows: 1 | -1, along: 'x' | 'y' = 'y') {
  const onChange = vi.fn();
  const page = show(
    <Separator
      label="Height of the sheet"
      along={along}
      value={300}
      least={120}
      most={340}
      grows={grows}
      onChange={onChange}
    />,
  );
  const at = screen.getByRole('separator', { name: 'Height of the sheet' });
  at.focus();
  return { ...page, at, onChange };
}

describe('a handle between two parts', () => {
  it('says what it stands for, how large it is, and its bounds', () => {
    const { at } = handle(-1);
    expect(at.getAttribute('aria-valuenow')).toBe('300');
    expect(at.getAttribute('aria-valuemin')).toBe('120');
    expect(at.getAttribute('aria-valuemax')).toBe('340');
    expect(at.getAttribute('aria-orientation')).toBe('horizontal');
  });

  it('moves by arrow keys the way it looks, and not beyond its bounds', async () => {
    const { user, onChange } = handle(-1);
    await user.keyboard('{ArrowUp}');
    expect(onChange).toHaveBeenLastCalledWith(320);
    await user.keyboard('{ArrowDown}');
    expect(onChange).toHaveBeenLastCalledWith(280);
    await user.keyboard('{Shift>}{ArrowUp}{/Shift}');
    expect(onChange).toHaveBeenLastCalledWith(340);
  });

  it('gives the usual size back with Home or a double click', async () => {
    const { user, at, onChange } = handle(1);
    await user.keyboard('{Home}');
    expect(onChange).toHaveBeenLastCalledWith(null);
    onChange.mockClear();
    await user.dblClick(at);
    expect(onChange).toHaveBeenLastCalledWith(null);
  });

  it('is dragged until the pointer is let go', () => {
    const { at, onChange } = handle(1, 'x');
    fireEvent.pointerDown(at, { clientX: 100, clientY: 0 });
    fireEvent.pointerMove(window, { clientX: 90, clientY: 50 });
    expect(onChange).toHaveBeenLastCalledWith(290);
    fireEvent.pointerMove(window, { clientX: -900, clientY: 50 });
    expect(onChange).toHaveBeenLastCalledWith(120);
    fireEvent.pointerUp(window);
    onChange.mockClear();
    fireEvent.pointerMove(window, { clientX: 130, clientY: 50 });
    expect(onChange).not.toHaveBeenCalled();
  });

  it('leaves other keys to the page', async () => {
    const { user, onChange } = handle(1);
    await user.keyboard('n{ArrowLeft}');
    expect(onChange).not.toHaveBeenCalled();
  });
});
