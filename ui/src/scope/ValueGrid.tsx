import { useMemo, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { ArrowDownToLine } from 'lucide-react';
import { api, type Model, type ValueRequest, type ValueTable } from '../model/api';
import { Table, type Column } from '../shared/Table';
import { useSelection, useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import type { ScopeIndex } from './scopeModel';
import { shownValue } from './values';
import { ValueWays } from './ValueWays';
import { useShallow } from 'zustand/react/shallow';

type Row = ValueTable['rows'][number];
type Cell = Row['cells'][number];
export type ValueColumn = ValueTable['columns'][number];

const keyOf = (r: Row) => r.key;

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
  const { valueClass, set, select } = useView(
    useShallow((s) => ({ valueClass: s.valueClass, set: s.set, select: s.select })),
  );
  const { id, version } = model.delivery;
  const chosen = useSelection();
  const [search, setSearch] = useState('');
  const [active, setActive] = useState<{ key: string; column: number } | null>(null);
  const [editing, setEditing] = useState<string | null>(null);
  const classes = useMemo(() => {
    const unmet = new Map<string, number>();
    for (const r of index.rows)
      if (r.isIn && r.unmet) unmet.set(r.entity, (unmet.get(r.entity) ?? 0) + r.unmet);
    return index.scope.counts
      .filter((c) => c.in)
      .map((c) => ({ ...c, unmet: unmet.get(c.entity) ?? 0 }))
      .sort((a, b) => b.unmet - a.unmet || b.in - a.in);
  }, [index]);
  const entity =
    valueClass && classes.some((c) => c.entity === valueClass)
      ? valueClass
      : (classes[0]?.entity ?? '');
  const table = useQuery({
    queryKey: ['values', id, version, entity],
    queryFn: () => api.values(id, entity),
    enabled: !!entity,
    staleTime: Infinity,
    placeholderData: (before) => (before?.entity === entity ? before : undefined),
  });
  const data = table.data;

  const inClass = useMemo(() => new Set(data?.rows.map((r) => r.key)), [data]);
  const targets = [...chosen].filter((k) => inClass.has(k));
  const column = active && data ? (data.columns[active.column] ?? null) : null;

  function change(request: ValueRequest) {
    setEditing(null);
    void edits.scope((d, v) => api.setValues(d, v, request));
  }

  function setText(keys: string[], c: ValueColumn, text: string) {
    change({
      keys,
      set: c.set,
      property: c.property,
      how: text.trim() ? 'set' : 'remove',
      text: text.trim(),
    });
  }

  const columns = useMemo<Column<Row>[]>(() => {
    if (!data) return [];
    const cellOf = data.rows.reduce((m, r) => {
      m.set(r.key, new Map(r.cells.map((c) => [c.column, c])));
      return m;
    }, new Map<string, Map<number, Cell>>());
    const wanted = search.trim().toLowerCase();
    return [
      { id: 'name', head: 'Name', width: 150, sticky: true, value: (r) => r.name || null },
      { id: 'storey', head: 'Storey', width: 90, value: (r) => r.storey || null },
      ...data.columns.flatMap((c, i): Column<Row>[] =>
        wanted && !`${c.set}.${c.property}`.toLowerCase().includes(wanted)
          ? []
          : [
              {
                id: `${c.set}.${c.property}`,
                head: c.property,
                unit: c.unit,
                width: Math.max(96, c.property.length * 6.5 + 26),
                title: `${c.set}.${c.property}${c.type ? `, ${c.type}` : ''}: ${c.filled} of ${data.rows.length} have a value${c.faults ? `, ${c.faults} missing or refused` : ''}. Click to sort.`,
                marked: c.faults > 0,
                value: (r) => {
                  const cell = cellOf.get(r.key)?.get(i);
                  const text = cell ? shownValue(cell.text) : '';
                  return text === '' ? (cell?.missing ? 'missing' : null) : text;
                },
                show: (r) => (
                  <ValueCell
                    cell={cellOf.get(r.key)?.get(i)}
                    active={active?.key === r.key && active.column === i}
                    editing={active?.key === r.key && active.column === i ? editing : null}
                    fixed={c.quantity}
                    onActivate={(edit) => {
                      setActive({ key: r.key, column: i });
                      setEditing(
                        edit && !c.quantity
                          ? shownValue(cellOf.get(r.key)?.get(i)?.text ?? '')
                          : null,
                      );
                    }}
                    onEdit={setEditing}
                    onDone={(text) => {
                      const before = shownValue(cellOf.get(r.key)?.get(i)?.text ?? '');
                      if (text === null || text.trim() === before) setEditing(null);
                      else setText([r.key], c, text);
                    }}
                  />
                ),
              },
            ],
      ),
    ];
    // the edit functions depend on nothing that the columns do not
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [data, search, active, editing]);

  /** The value of the topmost selected row goes to the other selected ones. */
  function fillDown(rows: Row[]) {
    if (!column || !active || column.quantity) return;
    const list = rows.filter((r) => chosen.has(r.key));
    const text = list[0]?.cells.find((c) => c.column === active.column)?.text;
    if (list.length < 2 || !text) {
      set({
        message: {
          text: 'Select several rows; the value of the first one is filled down.',
          bad: true,
        },
      });
      return;
    }
    setText(
      list.slice(1).map((r) => r.key),
      column,
      shownValue(text) + (column.unit ? ` ${column.unit}` : ''),
    );
  }

  function key(e: React.KeyboardEvent, rows: Row[]): boolean {
    if (!active || !data) return false;
    const command = e.ctrlKey || e.metaKey;
    if (command && e.key.toLowerCase() === 'd') {
      e.preventDefault();
      fillDown(rows);
      return true;
    }
    const step = e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0;
    if (step) {
      e.preventDefault();
      setActive({
        ...active,
        column: Math.max(0, Math.min(data.columns.length - 1, active.column + step)),
      });
      return true;
    }
    const down = e.key === 'ArrowDown' ? 1 : e.key === 'ArrowUp' ? -1 : 0;
    if (down) {
      const at = rows.findIndex((r) => r.key === active.key) + down;
      if (rows[at]) setActive({ ...active, key: rows[at].key });
      return false;
    }
    if (column?.quantity) return false;
    if (e.key === 'Enter' || e.key === 'F2') {
      e.preventDefault();
      e.stopPropagation();
      const row = rows.find((r) => r.key === active.key);
      setEditing(shownValue(row?.cells.find((c) => c.column === active.column)?.text ?? ''));
      return true;
    }
    if (e.key.length === 1 && !command && !e.altKey) {
      e.preventDefault();
      e.stopPropagation();
      setEditing(e.key);
      return true;
    }
    return false;
  }

  if (!entity)
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
          value={entity}
          onChange={(e) => {
            setActive(null);
            set({ valueClass: e.target.value });
          }}
        >
          {classes.map((c) => (
            <option key={c.entity} value={c.entity}>
              {c.entity} ({c.in}){c.unmet ? ` – ${c.unmet} not met` : ''}
            </option>
          ))}
        </select>
        {column ? (
          column.quantity ? (
            <span className="truncate text-muted">
              {column.set}.{column.property} is a quantity of the file; it is not edited.
            </span>
          ) : (
            <ForSelected
              key={`${column.set}.${column.property}`}
              column={column}
              n={targets.length}
              busy={edits.busy}
              onSet={(text) => setText(targets, column, text)}
            >
              <button
                className="btn"
                title="The value of the first selected row goes to the others (Ctrl D)"
                disabled={edits.busy || targets.length < 2}
                onClick={() => data && fillDown(data.rows)}
              >
                <ArrowDownToLine size={13} /> Fill down
              </button>
              <ValueWays
                column={column}
                columns={data?.columns ?? []}
                keys={targets.length > 1 ? targets : [...inClass]}
                onChange={change}
              />
            </ForSelected>
          )
        ) : (
          <span className="truncate text-muted">
            Click a value. Enter edits it; Shift and Ctrl select rows to set at once.
          </span>
        )}
      </div>
      {data ? (
        <Table
          name="values"
          rows={data.rows}
          columns={columns}
          keyOf={keyOf}
          selection={chosen}
          onSelect={select}
          onKey={key}
          tools={
            <input
              className="ml-2 h-[20px] w-36 rounded-sm border border-line bg-panel px-1.5"
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

/** One value for all selected rows. */
function ForSelected({
  column,
  n,
  busy,
  onSet,
  children,
}: {
  column: ValueColumn;
  n: number;
  busy: boolean;
  onSet: (text: string) => void;
  children: React.ReactNode;
}) {
  const [text, setText] = useState('');
  return (
    <form
      className="flex min-w-0 flex-1 items-center gap-1.5"
      onSubmit={(e) => {
        e.preventDefault();
        if (n && text.trim()) onSet(text);
      }}
    >
      <span
        className="min-w-0 flex-1 truncate text-right"
        title={`${column.set}.${column.property}, ${column.type}`}
      >
        <span className="text-muted">{column.set}.</span>
        <b>{column.property}</b>
      </span>
      <input
        className="field w-28"
        placeholder={column.unit ? `in ${column.unit}` : 'value'}
        aria-label="Value for all selected"
        data-testid="value-for-all"
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      <button
        className="btn btn-main"
        type="submit"
        disabled={busy || !n || !text.trim()}
        title="For all selected rows"
      >
        Set for {n}
      </button>
      {children}
    </form>
  );
}

function ValueCell({
  cell,
  active,
  editing,
  fixed,
  onActivate,
  onEdit,
  onDone,
}: {
  cell: Cell | undefined;
  active: boolean;
  editing: string | null;
  fixed: boolean;
  onActivate: (edit: boolean) => void;
  onEdit: (text: string) => void;
  onDone: (text: string | null) => void;
}) {
  if (editing !== null)
    return (
      <input
        autoFocus
        className="h-[22px] w-full rounded-sm border border-kelp bg-panel px-1"
        aria-label="Value"
        value={editing}
        onClick={(e) => e.stopPropagation()}
        onChange={(e) => onEdit(e.target.value)}
        onBlur={() => onDone(editing)}
        onKeyDown={(e) => {
          e.stopPropagation();
          if (e.key === 'Enter') onDone(editing);
          if (e.key === 'Escape') onDone(null);
        }}
      />
    );
  const bad = !!cell?.reason;
  const text = cell?.missing ? 'missing' : shownValue(cell?.text ?? '');
  return (
    <span
      className={`block h-full truncate ${active ? 'outline-2 -outline-offset-2 outline-kelp' : ''} ${bad ? 'font-semibold text-error' : cell?.inherited ? 'text-muted' : ''}`}
      title={
        cell?.reason ||
        (cell?.edited
          ? 'Set by hand; see the repair log'
          : cell?.inherited
            ? 'From the type'
            : undefined)
      }
      onClick={() => onActivate(false)}
      onDoubleClick={(e) => {
        e.stopPropagation();
        onActivate(true);
      }}
    >
      {bad && <span aria-hidden>▲ </span>}
      {text || (fixed ? '' : '–')}
      {cell?.edited && <sup className="text-kelp"> set</sup>}
    </span>
  );
}
