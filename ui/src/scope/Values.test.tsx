// @vitest-environment happy-dom
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { Model } from '../model/api';
import { useView } from '../model/state';
import { model } from '../model/testModel';
import { answers, eachAnew, fakeEdits, show } from '../shared/testPage';
import { indexScope } from './scopeModel';
import { ValueGrid } from './ValueGrid';

eachAnew();

const words = (...list: string[]) => ({ words: list, of: list.map((_, i) => i) });
const nothing = { words: [''], of: [0, 0, 0, 0] };

/** Two doors and two windows; the doors have the more unmet requirements. */
const index = (faults: number[]) =>
  indexScope({
    version: 1,
    keys: ['d1', 'd2', 'w1', 'w2'],
    names: ['Door 1', 'Door 2', 'Window 1', 'Window 2'],
    classes: { words: ['IfcDoor', 'IfcWindow'], of: [0, 0, 1, 1] },
    predefined: nothing,
    types: nothing,
    storeys: nothing,
    layers: nothing,
    materials: nothing,
    in: [1, 1, 1, 1],
    byHand: [0, 0, 0, 0],
    reasons: words('in', 'in', 'in', 'in'),
    faults,
    counts: [
      { entity: 'IfcDoor', in: 2, all: 2 },
      { entity: 'IfcWindow', in: 2, all: 2 },
    ] as never,
    requirements: [],
    unmet: [],
    writable: true,
  });

const row = (key: string, name: string, ...cells: object[]) => ({ key, name, storey: 'G', cells });
const cell = (column: number, text: string, more = {}) => ({ column, text, ...more });

const DOORS = {
  entity: 'IfcDoor',
  columns: [
    { set: 'Pset_Door', property: 'Fire', type: 'IfcLabel', unit: '', filled: 1, faults: 1 },
    { set: 'Qto', property: 'Area', type: 'Area', unit: 'm²', filled: 2, quantity: true },
  ],
  rows: [
    row('d1', 'Door 1', cell(0, 'EI 30'), cell(1, '2.1')),
    row('d2', 'Door 2', cell(0, '', { missing: true, reason: 'is missing' }), cell(1, '2.1')),
  ],
};
const WINDOWS = { ...DOORS, entity: 'IfcWindow', rows: [row('w1', 'Window 1', cell(0, 'x'))] };

function grid(faults = [1, 1, 0, 0]) {
  const asked = answers({
    'GET /api/deliveries/d/scope/values?entity=IfcDoor': DOORS,
    'GET /api/deliveries/d/scope/values?entity=IfcWindow': WINDOWS,
    'POST /api/deliveries/d/scope/values': {},
  });
  const edits = fakeEdits();
  edits.scope = vi.fn((step) => step('d', 1).then(() => true));
  const m = model({}) as Model;
  const page = (f: number[]) => <ValueGrid model={m} index={index(f)} edits={edits} />;
  const shown = show(page(faults));
  return { ...shown, asked, edits, page };
}

const changes = (asked: { method: string; body: unknown }[]) =>
  asked.filter((a) => a.method === 'POST').map((a) => a.body);

describe('values side by side', () => {
  it('begin with the class that has the most to mend, and say what is missing', async () => {
    grid();
    await screen.findByText('Door 1');
    expect((screen.getByTestId('value-class') as HTMLSelectElement).value).toBe('IfcDoor');
    expect(screen.getByTitle('is missing').textContent).toContain('missing');
  });

  it('are typed in place, and kept with Enter', async () => {
    const { user, asked } = grid();
    await user.dblClick(await screen.findByText('EI 30'));
    const field = screen.getByRole('textbox', { name: 'Value' });
    await user.clear(field);
    await user.type(field, 'EI 60{Enter}');
    await waitFor(() =>
      expect(changes(asked)).toMatchObject([
        { keys: ['d1'], set: 'Pset_Door', property: 'Fire', how: 'set', text: 'EI 60' },
      ]),
    );
  });

  it('stay as they were with Escape, or when nothing else was typed', async () => {
    const { user, asked } = grid();
    await user.dblClick(await screen.findByText('EI 30'));
    await user.type(screen.getByRole('textbox', { name: 'Value' }), 'x{Escape}');
    await user.dblClick(screen.getByText('EI 30'));
    await user.keyboard('{Enter}');
    expect(changes(asked)).toEqual([]);
    expect(screen.queryByRole('textbox', { name: 'Value' })).toBeNull();
  });

  it('of the file’s quantities are not edited', async () => {
    const { user } = grid();
    await user.dblClick((await screen.findAllByText('2.1'))[0]);
    expect(screen.queryByRole('textbox', { name: 'Value' })).toBeNull();
    expect(screen.getByText(/is a quantity of the file/)).toBeTruthy();
  });

  it('are set for all selected rows, and say for how many', async () => {
    const { user, asked } = grid();
    await user.click(await screen.findByText('EI 30'));
    act(() => useView.getState().select(['d1', 'd2']));
    await user.type(screen.getByTestId('value-for-all'), 'EI 90');
    await user.click(screen.getByRole('button', { name: 'Set for 2 rows' }));
    await waitFor(() =>
      expect(changes(asked)).toMatchObject([{ keys: ['d1', 'd2'], text: 'EI 90' }]),
    );
  });

  it('are filled down from the first selected row', async () => {
    const { user, asked } = grid();
    await user.click(await screen.findByText('EI 30'));
    act(() => useView.getState().select(['d1', 'd2']));
    fireEvent.keyDown(screen.getByRole('grid'), { key: 'd', ctrlKey: true });
    await waitFor(() => expect(changes(asked)).toMatchObject([{ keys: ['d2'], text: 'EI 30' }]));
  });

  it('stay on their class when another has the more to mend after a change', async () => {
    const { user, page, rerender } = grid();
    await user.dblClick(await screen.findByText('EI 30'));
    await user.type(screen.getByRole('textbox', { name: 'Value' }), ' and more{Enter}');
    expect(useView.getState().valueClass).toBe('IfcDoor');
    rerender(<></>);
    show(page([0, 0, 2, 2]));
    expect((screen.getByTestId('value-class') as HTMLSelectElement).value).toBe('IfcDoor');
  });

  it('keep a filter for each class', async () => {
    const { user } = grid();
    await screen.findByText('Door 1');
    await user.type(screen.getByLabelText('Filter by name'), 'Door 2');
    await waitFor(() => expect(screen.queryByText('Door 1')).toBeNull());
    await user.selectOptions(screen.getByTestId('value-class'), 'IfcWindow');
    await screen.findByText('Window 1');
    await user.selectOptions(screen.getByTestId('value-class'), 'IfcDoor');
    await screen.findByText('Door 2');
    expect(within(screen.getByRole('grid')).queryByText('Door 1')).toBeNull();
  });
});
