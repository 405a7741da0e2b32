import { useMemo } from 'react';
import { Table, type Column } from '../shared/Table';
import { useSelection, useView } from '../model/state';
import type { ElementRow, ScopeIndex } from './scopeModel';

const keyOf = (r: ElementRow) => r.key;

const COLUMNS: Column<ElementRow>[] = [
  {
    id: 'in',
    head: 'Scope',
    width: 46,
    value: (r) => (r.isIn ? 'in' : 'out'),
    show: (r) => (
      <span className={r.isIn ? 'font-semibold text-kelp' : 'text-muted'}>
        {r.isIn ? 'in' : 'out'}
      </span>
    ),
  },
  { id: 'entity', head: 'Class', width: 116, value: (r) => r.entity },
  { id: 'name', head: 'Name', width: 120, value: (r) => r.name || null },
  {
    id: 'reason',
    head: 'Why',
    width: 182,
    value: (r) => r.reason,
    show: (r) => <span title={r.reason}>{r.reason}</span>,
  },
  { id: 'predefined', head: 'Predefined', width: 74, value: (r) => r.predefined || null },
  { id: 'type', head: 'Type', width: 70, value: (r) => r.type || null },
  { id: 'storey', head: 'Storey', width: 80, value: (r) => r.storey || null },
  { id: 'material', head: 'Material', width: 92, value: (r) => r.material || null },
  { id: 'layer', head: 'Layer', width: 56, value: (r) => r.layer || null },
  {
    id: 'unmet',
    head: 'Not met',
    width: 54,
    number: true,
    value: (r) => r.unmet || null,
    show: (r) => (r.unmet ? <b className="text-error">{r.unmet}</b> : ''),
    title: 'How many requirements of the sheet it does not meet',
  },
];

/** Every element of the delivery, in or out, and why. */
export function ElementTable({ index }: { index: ScopeIndex }) {
  const select = useView((s) => s.select);
  const chosen = useSelection();
  // columns in which the delivery says nothing are left out
  const columns = useMemo(
    () => COLUMNS.filter((c) => c.id === 'unmet' || index.rows.some((r) => c.value(r) != null)),
    [index],
  );
  return (
    <Table
      name="elements"
      rows={index.rows}
      columns={columns}
      keyOf={keyOf}
      selection={chosen}
      onSelect={select}
      onOpen={() => window.dispatchEvent(new CustomEvent('yentra:frame'))}
      empty="The delivery holds no elements."
    />
  );
}
