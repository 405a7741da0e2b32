// @vitest-environment happy-dom
import { screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { Actions, type Action } from './Form';
import { eachAnew, fakeEdits, show } from './testPage';

eachAnew();

const LIFT: Action = {
  label: 'Lift',
  hint: 'Moves it up.',
  fields: [
    { name: 'by', label: 'By', kind: 'length', value: 0.5 },
    { name: 'name', label: 'Name', kind: 'text', value: 'Roof' },
    {
      name: 'way',
      label: 'Way',
      kind: 'choice',
      value: 'up',
      choices: [
        ['up', 'Upwards'],
        ['down', 'Downwards'],
      ],
    },
    {
      name: 'least',
      label: 'Least height',
      kind: 'number',
      unit: '%',
      value: 10,
      when: (t) => t.way === 'down',
    },
  ],
  make: (v) => (Number(v.by) > 5 ? 'That is too far.' : ({ kind: 'Lift', ...v } as never)),
};
const DELETE: Action = { label: 'Delete', fields: [], make: () => ({ kind: 'Delete' }) as never };

describe('repairs by hand', () => {
  it('are shown at once when they ask for nothing', async () => {
    const edits = fakeEdits();
    const { user } = show(<Actions actions={[DELETE, LIFT]} edits={edits} />);
    await user.click(screen.getByRole('button', { name: 'Delete' }));
    expect(edits.consider).toHaveBeenCalledWith({ kind: 'Delete' }, 'Delete');
  });

  it('unfold their form, fold it again, and say so', async () => {
    const { user } = show(<Actions actions={[LIFT]} edits={fakeEdits()} />);
    const button = screen.getByRole('button', { name: 'Lift …' });
    expect(button.getAttribute('aria-expanded')).toBe('false');
    await user.click(button);
    expect(button.getAttribute('aria-expanded')).toBe('true');
    expect(screen.getByText('Moves it up.')).toBeTruthy();
    await user.click(button);
    expect(screen.queryByText('Moves it up.')).toBeNull();
  });

  it('hand over what was typed, with a decimal comma too', async () => {
    const edits = fakeEdits();
    const { user } = show(<Actions actions={[LIFT]} edits={edits} />);
    await user.click(screen.getByRole('button', { name: 'Lift …' }));
    const by = screen.getByLabelText(/By/);
    await user.clear(by);
    await user.type(by, '1,25');
    await user.click(screen.getByTestId('show-repair'));
    expect(edits.consider).toHaveBeenCalledWith(
      { kind: 'Lift', by: 1.25, name: 'Roof', way: 'up' },
      'Lift',
    );
  });

  it('ask only for what the other fields make necessary', async () => {
    const edits = fakeEdits();
    const { user } = show(<Actions actions={[LIFT]} edits={edits} />);
    await user.click(screen.getByRole('button', { name: 'Lift …' }));
    expect(screen.queryByLabelText(/Least height/)).toBeNull();
    await user.selectOptions(screen.getByLabelText(/Way/), 'down');
    await user.click(screen.getByTestId('show-repair'));
    expect(edits.consider).toHaveBeenCalledWith(
      expect.objectContaining({ way: 'down', least: 10 }),
      'Lift',
    );
  });

  it('say what is wrong and make nothing of it', async () => {
    const edits = fakeEdits();
    const { user } = show(<Actions actions={[LIFT]} edits={edits} />);
    await user.click(screen.getByRole('button', { name: 'Lift …' }));
    const by = screen.getByLabelText(/By/);
    await user.clear(by);
    await user.type(by, 'high');
    await user.click(screen.getByTestId('show-repair'));
    expect(screen.getByText('By must be a number.')).toBeTruthy();
    await user.clear(by);
    await user.type(by, '6');
    await user.click(screen.getByTestId('show-repair'));
    expect(screen.getByText('That is too far.')).toBeTruthy();
    expect(edits.consider).not.toHaveBeenCalled();
  });

  it('take lengths in feet where the project has them', async () => {
    const edits = fakeEdits();
    const { user } = show(<Actions actions={[LIFT]} edits={edits} />, { units: 'IP' });
    await user.click(screen.getByRole('button', { name: 'Lift …' }));
    const by = screen.getByLabelText<HTMLInputElement>(/By/);
    expect(by.value).toBe('1.6404');
    await user.clear(by);
    await user.type(by, '10');
    await user.click(screen.getByTestId('show-repair'));
    const [repair] = callsOf(edits.consider)[0];
    expect((repair as { by: number }).by).toBeCloseTo(3.048, 9);
  });
});

function callsOf(f: unknown): unknown[][] {
  return (f as { mock: { calls: unknown[][] } }).mock.calls;
}
