import { spoken } from '../model/words';
import { useMemo } from 'react';
import type { Opening } from '../model/api';
import type { ModelIndex } from '../model/model';
import { useSelection, useView } from '../model/state';
import { useUnits } from '../model/units';
import { Table, type Column } from '../shared/Table';

import { Faults } from './Faults';
import { faultCount, frame, keyOf } from './rows';

/** Windows, doors and holes. */
export function OpeningTable({ index, openings }: { index: ModelIndex; openings: Opening[] }) {
  const units = useUnits();
  const select = useView((s) => s.select);
  const chosen = useSelection();
  const columns = useMemo<Column<Opening>[]>(
    () => [
      { id: 'label', head: 'Opening', width: 260, value: (o) => o.label },
      { id: 'type', head: 'Type', width: 110, value: (o) => spoken(o.type) || 'not stated' },
      {
        id: 'area',
        head: 'Area',
        unit: units.area.unit,
        width: 68,
        number: true,
        value: (o) => units.area.to(o.area),
        show: (o) => units.area.figure(o.area),
      },
      { id: 'parent', head: 'In surface', width: 86, value: (o) => o.surface ?? null },
      {
        id: 'glazing',
        head: 'Window type or construction',
        width: 170,
        value: (o) => o.glazing ?? o.construction ?? null,
      },
      {
        id: 'faults',
        head: 'Findings',
        width: 64,
        number: true,
        value: (o) => faultCount(index, o.key),
        show: (o) => <Faults index={index} k={o.key} />,
      },
      {
        id: 'id',
        head: 'Id',
        width: 86,
        value: (o) => o.fileId,
        show: (o) => <span className="font-mono text-[11px]">{o.fileId}</span>,
      },
    ],
    [index, units],
  );
  return (
    <Table
      name="openings"
      rows={openings}
      columns={columns}
      keyOf={keyOf}
      selection={chosen}
      onSelect={select}
      onOpen={frame}
    />
  );
}
