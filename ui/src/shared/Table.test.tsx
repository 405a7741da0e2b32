// @vitest-environment happy-dom
import { act, screen, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { usePrinting } from '../model/printing';
import { Table, type Column } from './Table';
import { eachAnew, show } from './testPage';

interface Room {
  key: string;
  name: string;
  area: number | null;
}

const ROOMS: Room[] = [
  { key: 'a', name: 'Slipway', area: 40 },
  { key: 'b', name: 'Boat hall', area: 220.5 },
  { key: 'c', name: 'Crew room', area: 31 },
  { key: 'd', name: 'Store', area: null },
];
const COLUMNS: Column<Room>[] = [
  { id: 'name', head: 'Room', width: 100, value: (r) => r.name },
  { id: 'area', head: 'Floor', unit: 'm²', width: 60, number: true, value: (r) => r.area },
];

eachAnew();

function table(selection: string[] = []) {
  const onSelect = vi.fn();
  const onOpen = vi.fn();
  const page = show(
    <Table
      name="rooms"
      rows={ROOMS}
      columns={COLUMNS}
      keyOf={(r) => r.key}
      selection={new Set(selection)}
      onSelect={onSelect}
      onOpen={onOpen}
    />,
  );
  const names = () =>
    screen
      .getAllByRole('row')
      .slice(1)
      .map((r) => within(r).getAllByRole('gridcell')[0].textContent);
  return { ...page, onSelect, onOpen, names };
}

describe('a table', () => {
  it('shows its rows in their order and says how many there are', () => {
    const { names } = table();
    expect(names()).toEqual(['Slipway', 'Boat hall', 'Crew room', 'Store']);
    expect(screen.getByText('4 rows')).toBeTruthy();
    expect(screen.getByRole('grid').getAttribute('aria-rowcount')).toBe('5');
  });

  it('has all rows on paper, and few of very many on the screen', () => {
    const many = Array.from({ length: 400 }, (_, i) => ({ key: `k${i}`, name: `R${i}`, area: i }));
    show(
      <Table
        name="rooms"
        rows={many}
        columns={COLUMNS}
        keyOf={(r) => r.key}
        selection={new Set()}
        onSelect={() => {}}
      />,
    );
    expect(screen.getAllByRole('row').length).toBeLessThan(100);
    act(() => usePrinting.setState({ on: true }));
    expect(screen.getAllByRole('row')).toHaveLength(401);
    act(() => usePrinting.setState({ on: false }));
    expect(screen.getAllByRole('row').length).toBeLessThan(100);
  });

  it('shows a dash for what is not known', () => {
    table();
    const store = screen.getAllByRole('row')[4];
    expect(within(store).getAllByRole('gridcell')[1].textContent).toBe('–');
  });

  it('sorts up, down, and back to the order of the delivery', async () => {
    const { user, names } = table();
    const head = screen.getByRole('button', { name: /Floor/ });
    await user.click(head);
    expect(names()).toEqual(['Crew room', 'Slipway', 'Boat hall', 'Store']);
    expect(screen.getAllByRole('columnheader')[1].getAttribute('aria-sort')).toBe('ascending');
    await user.click(head);
    expect(names()[0]).toBe('Boat hall');
    await user.click(head);
    expect(names()).toEqual(['Slipway', 'Boat hall', 'Crew room', 'Store']);
  });

  it('keeps the rows that fit all filters, and says so', async () => {
    const { user, names } = table();
    await user.type(screen.getByLabelText('Filter by floor'), '> 35');
    expect(names()).toEqual(['Slipway', 'Boat hall']);
    await user.type(screen.getByLabelText('Filter by room'), 'hall');
    expect(names()).toEqual(['Boat hall']);
    expect(screen.getByText('1 of 4 rows')).toBeTruthy();
    await user.type(screen.getByLabelText('Filter by room'), 'x');
    expect(screen.getByText('Nothing fits the filters.')).toBeTruthy();
  });

  it('selects a row, adds with Ctrl, and all from the last click with Shift', async () => {
    const { user, onSelect } = table();
    const row = (name: string) => screen.getByText(name);
    await user.click(row('Slipway'));
    expect(onSelect).toHaveBeenLastCalledWith(['a'], false);
    await user.keyboard('{Control>}');
    await user.click(row('Store'));
    await user.keyboard('{/Control}');
    expect(onSelect).toHaveBeenLastCalledWith(['d'], true);
    await user.keyboard('{Shift>}');
    await user.click(row('Boat hall'));
    await user.keyboard('{/Shift}');
    expect(onSelect).toHaveBeenLastCalledWith(['b', 'c', 'd'], false);
  });

  it('goes through the rows by arrow keys and takes all with Ctrl A', async () => {
    const { user, onSelect } = table(['b']);
    screen.getByRole('grid').focus();
    await user.keyboard('{ArrowDown}');
    expect(onSelect).toHaveBeenLastCalledWith(['c'], false);
    await user.keyboard('{ArrowUp}');
    expect(onSelect).toHaveBeenLastCalledWith(['a'], false);
    await user.keyboard('{Control>}a{/Control}');
    expect(onSelect).toHaveBeenLastCalledWith(['a', 'b', 'c', 'd'], false);
  });

  it('says how many are selected and marks them', () => {
    table(['a', 'c']);
    expect(screen.getByText(/2 selected/)).toBeTruthy();
    expect(screen.getAllByRole('row', { selected: true })).toHaveLength(2);
  });

  it('opens a row by a double click', async () => {
    const { user, onOpen } = table();
    await user.dblClick(screen.getByText('Crew room'));
    expect(onOpen).toHaveBeenCalledWith(ROOMS[2]);
  });

  it('copies what is shown, with heads and units, for a spreadsheet', async () => {
    const { user } = table();
    await user.type(screen.getByLabelText('Filter by room'), 'slip');
    await user.click(screen.getByRole('button', { name: 'Copy' }));
    expect(await navigator.clipboard.readText()).toBe('Room\tFloor [m²]\nSlipway\t40');
    expect(screen.getByRole('button', { name: 'Copied' })).toBeTruthy();
  });
});
