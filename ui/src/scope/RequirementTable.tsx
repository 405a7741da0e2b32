import { useMemo } from 'react';
import type { AskedOf } from '../model/api';
import { SeverityMark } from '../shared/SeverityMark';
import { Table, type Column } from '../shared/Table';
import { useView } from '../model/state';
import type { ScopeIndex } from './scopeModel';
import { useShallow } from 'zustand/react/shallow';

const keyOf = (r: AskedOf) => String(r.row);
const open = (r: AskedOf, missing: Set<number>) =>
  missing.has(r.row) ? Math.max(1, r.asked - r.met) : r.asked - r.met;

/** Each requirement of the sheet: of how many it is asked and how many meet it; a click selects those that do not. */
export function RequirementTable({ index }: { index: ScopeIndex }) {
  const { select, set } = useView(useShallow((s) => ({ select: s.select, set: s.set })));
  const missing = useMemo(
    () => new Set(index.scope.unmet.filter((f) => f.element < 0).map((f) => f.row)),
    [index],
  );
  const columns = useMemo<Column<AskedOf>[]>(
    () => [
      {
        id: 'state',
        head: 'State',
        width: 76,
        value: (r) => (open(r, missing) ? 'not met' : r.asked ? 'met' : 'not asked'),
        show: (r) =>
          open(r, missing) ? (
            <span className="inline-flex items-center gap-1.5">
              <SeverityMark severity={r.severity} size={11} /> not met
            </span>
          ) : (
            <span className={r.asked ? 'font-semibold text-kelp' : 'text-muted'}>
              {r.asked ? 'met' : 'not asked'}
            </span>
          ),
      },
      { id: 'title', head: 'Requirement', width: 150, value: (r) => r.title || r.what },
      { id: 'of', head: 'Asked of', width: 150, value: (r) => r.of },
      { id: 'what', head: 'What', width: 220, value: (r) => r.what || r.need },
      { id: 'need', head: 'Need', width: 70, value: (r) => r.need },
      { id: 'asked', head: 'Asked', width: 52, number: true, value: (r) => r.asked },
      { id: 'met', head: 'Met', width: 48, number: true, value: (r) => r.met },
      {
        id: 'open',
        head: 'Not met',
        width: 58,
        number: true,
        value: (r) => open(r, missing) || null,
        show: (r) => (open(r, missing) ? <b className="text-error">{open(r, missing)}</b> : ''),
      },
      { id: 'row', head: 'Row', width: 40, number: true, value: (r) => r.row },
    ],
    [missing],
  );
  const of = (row: number) =>
    index.scope.unmet
      .filter((f) => f.row === row && f.element >= 0)
      .map((f) => index.rows[f.element]);
  return (
    <Table
      name="requirements"
      rows={index.scope.requirements}
      columns={columns}
      keyOf={keyOf}
      selection={NONE}
      onSelect={([row]) => select(of(Number(row)).map((r) => r.key))}
      onOpen={(r) => {
        const entity = of(r.row)[0]?.entity;
        if (entity) set({ scopeTab: 'values', valueClass: entity });
      }}
      empty={
        index.scope.sheet
          ? 'This scope sheet asks for no values.'
          : 'No scope sheet is applied. Choose one to the right; it says which values are needed.'
      }
    />
  );
}

const NONE: ReadonlySet<string> = new Set();
