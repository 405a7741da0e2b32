import { useMemo, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type Model, type ValueRequest, type ValueTable } from '../model/api';
import { useSelection, useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import type { ScopeIndex } from './scopeModel';
import { shownValue } from './values';

export type ValueRow = ValueTable['rows'][number];
export type ValueColumn = ValueTable['columns'][number];

/** The classes in scope, those with the most unmet requirements first. */
function classesOf(index: ScopeIndex) {
  const unmet = new Map<string, number>();
  for (const r of index.rows)
    if (r.isIn && r.unmet) unmet.set(r.entity, (unmet.get(r.entity) ?? 0) + r.unmet);
  return index.scope.counts
    .filter((c) => c.in)
    .map((c) => ({ ...c, unmet: unmet.get(c.entity) ?? 0 }))
    .sort((a, b) => b.unmet - a.unmet || b.in - a.in);
}

/** The values of one class: which cell is active, what is typed into it, and what changes them. */
export function useValueGrid(model: Model, index: ScopeIndex, edits: Edits) {
  const valueClass = useView((s) => s.valueClass);
  const set = useView((s) => s.set);
  const { id, version } = model.delivery;
  const chosen = useSelection();
  const [active, setActive] = useState<{ key: string; column: number } | null>(null);
  const [editing, setEditing] = useState<string | null>(null);
  const classes = useMemo(() => classesOf(index), [index]);
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
  const cells = useMemo(
    () =>
      new Map(data?.rows.map((r) => [r.key, new Map(r.cells.map((c) => [c.column, c]))] as const)),
    [data],
  );
  const cellAt = (key: string, at: number) => cells.get(key)?.get(at);
  const textAt = (key: string, at: number) => shownValue(cellAt(key, at)?.text ?? '');

  function chooseClass(next: string) {
    setActive(null);
    set({ valueClass: next });
  }

  function change(request: ValueRequest) {
    setEditing(null);
    // the request pins the class: an empty first place in the list must not move the person to another
    set({ valueClass: entity });
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

  function activate(key: string, at: number, edit: boolean) {
    setActive({ key, column: at });
    setEditing(edit && !data?.columns[at]?.quantity ? textAt(key, at) : null);
  }

  /** What was typed into a cell counts when it differs; null leaves it as it was. */
  function done(key: string, at: number, text: string | null) {
    if (text === null || text.trim() === textAt(key, at)) setEditing(null);
    else setText([key], data!.columns[at], text);
  }

  /** The value of the topmost selected row goes to the other selected ones. */
  function fillDown(rows: ValueRow[]) {
    if (!column || !active || column.quantity) return;
    const list = rows.filter((r) => chosen.has(r.key));
    const text = list[0] && textAt(list[0].key, active.column);
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
      text + (column.unit ? ` ${column.unit}` : ''),
    );
  }

  /** Keys of the grid; true when the table has nothing more to do. */
  function key(e: React.KeyboardEvent, rows: ValueRow[]): boolean {
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
    const typed = e.key.length === 1 && !command && !e.altKey;
    if (!typed && e.key !== 'Enter' && e.key !== 'F2') return false;
    e.preventDefault();
    e.stopPropagation();
    setEditing(typed ? e.key : textAt(active.key, active.column));
    return true;
  }

  return {
    entity,
    classes,
    chooseClass,
    data,
    inClass,
    chosen,
    targets,
    column,
    active,
    editing,
    setEditing,
    cellAt,
    activate,
    done,
    setText,
    change,
    fillDown,
    key,
  };
}

export type ValueGridState = ReturnType<typeof useValueGrid>;
