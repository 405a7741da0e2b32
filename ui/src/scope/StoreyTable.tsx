import { useQuery } from '@tanstack/react-query';
import { api, type Model, type StoreyCount } from '../model/api';
import { Table, type Column } from '../shared/Table';
import { useView } from '../model/state';

import { useUnits } from '../model/units';
import type { ScopeIndex } from './scopeModel';

const KINDS: Record<string, [string, RegExp]> = {
  WALL: ['Walls', /^IfcWall/],
  WINDOW: ['Windows', /^IfcWindow/],
  DOOR: ['Doors', /^IfcDoor/],
};
const NONE: ReadonlySet<string> = new Set();
const keyOf = (r: StoreyCount) => `${r.storey} ${r.kind}`;

/** Share by which the bodies measure more than the file states, in percent; null where nothing is stated. */
const off = (r: StoreyCount) =>
  r.stated && r.statedArea ? (100 * (r.measuredArea - r.statedArea)) / r.statedArea : null;

/** Walls, windows and doors by storey, against the quantities in the file; a click selects them. */
export function StoreyTable({
  model,
  index,
  tools,
}: {
  model: Model;
  index: ScopeIndex;
  tools: React.ReactNode;
}) {
  const units = useUnits();
  const select = useView((s) => s.select);
  const { id, version } = model.delivery;
  const rows = useQuery({
    queryKey: ['storeys', id, version],
    queryFn: () => api.storeyCounts(id),
    staleTime: Infinity,
  });
  const columns: Column<StoreyCount>[] = [
    { id: 'storey', head: 'Storey', width: 130, value: (r) => r.storey || null },
    { id: 'kind', head: 'Kind', width: 90, value: (r) => KINDS[r.kind][0] },
    { id: 'count', head: 'In scope', width: 70, number: true, value: (r) => r.count },
    {
      id: 'stated',
      head: 'With an area',
      width: 90,
      number: true,
      value: (r) => r.stated,
      title: 'How many of them state an area in a quantity set',
    },
    {
      id: 'statedArea',
      head: 'Stated',
      unit: units.area.unit,
      width: 90,
      number: true,
      value: (r) => (r.stated ? units.area.to(r.statedArea) : null),
      show: (r) => (r.stated ? units.area.figure(r.statedArea) : '–'),
    },
    {
      id: 'measured',
      head: 'Measured',
      unit: units.area.unit,
      width: 90,
      number: true,
      value: (r) => (r.stated ? units.area.to(r.measuredArea) : null),
      show: (r) => (r.stated ? units.area.figure(r.measuredArea) : '–'),
      title: 'One side of the bodies of the same elements',
    },
    {
      id: 'off',
      head: 'Difference',
      unit: '%',
      width: 90,
      number: true,
      value: off,
      show: (r) => {
        const d = off(r);
        if (d === null) return '–';
        const text = `${d < 0 ? '−' : '+'}${Math.abs(d).toFixed(1)}`;
        return Math.abs(d) > 1 ? <b className="text-warning">{text}</b> : text;
      },
    },
  ];
  return (
    <Table
      name="storeys"
      rows={rows.data ?? []}
      columns={columns}
      keyOf={keyOf}
      selection={NONE}
      onSelect={([key]) => {
        const r = rows.data?.find((x) => keyOf(x) === key);
        if (r)
          select(
            index.rows
              .filter((x) => x.isIn && x.storey === r.storey && KINDS[r.kind][1].test(x.entity))
              .map((x) => x.key),
          );
      }}
      tools={tools}
      empty={rows.isPending ? 'Measuring …' : 'No walls, windows or doors are in scope.'}
    />
  );
}
