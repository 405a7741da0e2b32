import { useMemo, useState } from 'react';
import type { Model } from '../model/api';
import { Table, type Column } from '../shared/Table';
import { useView } from '../model/state';
import { familyOf } from './families';
import type { ScopeIndex } from './scopeModel';
import { StoreyTable } from './StoreyTable';
import { useShallow } from 'zustand/react/shallow';

interface ClassRow {
  entity: string;
  family: string;
  all: number;
  isIn: number;
  unmet: number;
}

const keyOf = (r: ClassRow) => r.entity;

const COLUMNS: Column<ClassRow>[] = [
  { id: 'entity', head: 'Class', width: 170, value: (r) => r.entity },
  { id: 'family', head: 'Kind', width: 130, value: (r) => r.family },
  { id: 'all', head: 'All', width: 60, number: true, value: (r) => r.all },
  { id: 'in', head: 'In', width: 60, number: true, value: (r) => r.isIn },
  { id: 'out', head: 'Out', width: 60, number: true, value: (r) => r.all - r.isIn },
  {
    id: 'share',
    head: 'Share in',
    unit: '%',
    width: 150,
    number: true,
    value: (r) => Math.round((100 * r.isIn) / r.all),
    show: (r) => (
      <span className="flex items-center justify-end gap-2">
        <span className="h-[7px] w-24 bg-line/60">
          <span className="block h-full bg-kelp" style={{ width: `${(100 * r.isIn) / r.all}%` }} />
        </span>
        <span className="w-8">{Math.round((100 * r.isIn) / r.all)}</span>
      </span>
    ),
  },
  {
    id: 'unmet',
    head: 'Requirements not met',
    width: 120,
    number: true,
    value: (r) => r.unmet || null,
    show: (r) => (r.unmet ? <b className="text-error">{r.unmet}</b> : ''),
  },
];

/** Counts and shares per class; a click selects the class, a double click shows its values. */
export function ClassTable({ model, index }: { model: Model; index: ScopeIndex }) {
  const [byStorey, setByStorey] = useState(false);
  const { selection, select, set } = useView(
    useShallow((s) => ({ selection: s.selection, select: s.select, set: s.set })),
  );
  const rows = useMemo(() => {
    const unmet = new Map<string, number>();
    for (const r of index.rows)
      if (r.unmet) unmet.set(r.entity, (unmet.get(r.entity) ?? 0) + r.unmet);
    return index.scope.counts.map((c) => ({
      entity: c.entity,
      family: familyOf(c.entity).label,
      all: c.all,
      isIn: c.in,
      unmet: unmet.get(c.entity) ?? 0,
    }));
  }, [index]);
  const chosen = useMemo(
    () => new Set(selection.flatMap((k) => index.byKey.get(k)?.entity ?? [])),
    [selection, index],
  );
  const turn = (
    <button
      className="btn ml-2 !h-6"
      title="Walls, windows and doors by storey, against the quantities in the file"
      onClick={() => setByStorey(!byStorey)}
      data-testid="by-storey"
    >
      {byStorey ? 'Count by class' : 'Count by storey'}
    </button>
  );
  if (byStorey) return <StoreyTable model={model} index={index} tools={turn} />;
  return (
    <Table
      name="classes"
      rows={rows}
      columns={COLUMNS}
      keyOf={keyOf}
      selection={chosen}
      onSelect={(entities, add) =>
        select(
          index.rows.filter((r) => entities.includes(r.entity)).map((r) => r.key),
          add,
        )
      }
      onOpen={(r) => set({ scopeTab: 'values', valueClass: r.entity })}
      tools={turn}
    />
  );
}
