import { useMemo, useState } from 'react';
import { ArrowDownToLine } from 'lucide-react';
import type { Model } from '../model/api';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { Table } from '../shared/Table';
import { ForSelected } from './ForSelected';
import type { ScopeIndex } from './scopeModel';
import { useValueGrid, type ValueGridState, type ValueRow } from './useValueGrid';
import { valueColumns } from './valueColumns';
import { ValueWays } from './ValueWays';

const keyOf = (r: ValueRow) => r.key;

/** The properties of one class side by side, edited in place or many at once. */
export function ValueGrid({
  model,
  index,
  edits,
}: {
  model: Model;
  index: ScopeIndex;
  edits: Edits;
}) {
  const select = useView((s) => s.select);
  const grid = useValueGrid(model, index, edits);
  const [search, setSearch] = useState('');
  const { data, active, editing } = grid;
  // the functions of the grid depend on nothing that the columns do not
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const columns = useMemo(() => valueColumns(grid, search), [data, search, active, editing]);
  if (!grid.entity)
    return (
      <p className="px-3 py-4 text-muted">
        Nothing is in scope. Apply a scope sheet, or put elements in.
      </p>
    );
  return (
    <div className="flex min-h-0 flex-1 flex-col" data-testid="values">
      <div className="flex h-[34px] shrink-0 items-center gap-2 border-b border-line px-2">
        <select
          className="field w-44 shrink-0"
          aria-label="Class"
          data-testid="value-class"
          value={grid.entity}
          onChange={(e) => grid.chooseClass(e.target.value)}
        >
          {grid.classes.map((c) => (
            <option key={c.entity} value={c.entity}>
              {c.entity} ({c.in}){c.unmet ? ` – ${c.unmet} not met` : ''}
            </option>
          ))}
        </select>
        <ColumnTools grid={grid} busy={edits.busy} />
      </div>
      {data ? (
        <Table
          name="values"
          kept={`values ${grid.entity}`}
          rows={data.rows}
          columns={columns}
          keyOf={keyOf}
          selection={grid.chosen}
          onSelect={select}
          onKey={grid.key}
          tools={
            <input
              className="ml-2 h-6 w-36 rounded-sm border border-line bg-panel px-1.5"
              placeholder="Find a property"
              aria-label="Find a property"
              value={search}
              onChange={(e) => setSearch(e.target.value)}
            />
          }
        />
      ) : (
        <p className="px-3 py-4 text-muted">Reading the values …</p>
      )}
    </div>
  );
}

/** What can be done with the column of the active cell. */
function ColumnTools({ grid, busy }: { grid: ValueGridState; busy: boolean }) {
  const { column, data, targets } = grid;
  if (!column || !data)
    return (
      <span className="truncate text-muted">
        Click a value. Enter edits it; Shift and Ctrl select rows to set at once.
      </span>
    );
  if (column.quantity)
    return (
      <span className="truncate text-muted">
        {column.set}.{column.property} is a quantity of the file; it is not edited.
      </span>
    );
  return (
    <ForSelected
      key={`${column.set}.${column.property}`}
      column={column}
      n={targets.length}
      busy={busy}
      onSet={(text) => grid.setText(targets, column, text)}
    >
      <button
        className="btn"
        title="The value of the first selected row goes to the others (Ctrl D)"
        disabled={busy || targets.length < 2}
        onClick={() => grid.fillDown(data.rows)}
      >
        <ArrowDownToLine size={13} /> Fill down
      </button>
      <ValueWays
        column={column}
        columns={data.columns}
        keys={targets.length > 1 ? targets : [...grid.inClass]}
        onChange={grid.change}
      />
    </ForSelected>
  );
}
