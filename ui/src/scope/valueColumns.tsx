import type { Column } from '../shared/Table';
import type { ValueGridState, ValueRow } from './useValueGrid';
import { ValueCell } from './ValueCell';
import { shownValue } from './values';

/** Name and storey, then a column for every property that the search leaves. */
export function valueColumns(grid: ValueGridState, search: string): Column<ValueRow>[] {
  const { data, active } = grid;
  if (!data) return [];
  const wanted = search.trim().toLowerCase();
  return [
    { id: 'name', head: 'Name', width: 150, sticky: true, value: (r) => r.name || null },
    { id: 'storey', head: 'Storey', width: 90, value: (r) => r.storey || null },
    ...data.columns.flatMap((c, i): Column<ValueRow>[] => {
      if (wanted && !`${c.set}.${c.property}`.toLowerCase().includes(wanted)) return [];
      const here = (r: ValueRow) => active?.key === r.key && active.column === i;
      return [
        {
          id: `${c.set}.${c.property}`,
          head: c.property,
          unit: c.unit,
          width: Math.max(96, c.property.length * 6.5 + 26),
          title: `${c.set}.${c.property}${c.type ? `, ${c.type}` : ''}: ${c.filled} of ${data.rows.length} have a value${c.faults ? `, ${c.faults} missing or refused` : ''}. Click to sort.`,
          marked: c.faults > 0,
          value: (r) => {
            const cell = grid.cellAt(r.key, i);
            const text = cell ? shownValue(cell.text) : '';
            return text === '' ? (cell?.missing ? 'missing' : null) : text;
          },
          show: (r) => (
            <ValueCell
              cell={grid.cellAt(r.key, i)}
              active={here(r)}
              editing={here(r) ? grid.editing : null}
              fixed={c.quantity}
              onActivate={(edit) => grid.activate(r.key, i, edit)}
              onEdit={grid.setEditing}
              onDone={(text) => grid.done(r.key, i, text)}
            />
          ),
        },
      ];
    }),
  ];
}
