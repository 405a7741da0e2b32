import { spoken } from '../model/words';
import { useMemo } from 'react';
import type { Space } from '../model/api';
import type { ModelIndex } from '../model/model';
import { useSelection, useView } from '../model/state';
import { useUnits } from '../model/units';
import { Table, type Column } from '../shared/Table';

import { Faults } from './Faults';
import { faultCount, frame, keyOf } from './rows';

/** The spaces, with their measures and findings. */
export function SpaceTable({ index }: { index: ModelIndex }) {
  const units = useUnits();
  const select = useView((s) => s.select);
  const chosen = useSelection();
  const storey = useMemo(() => new Map(index.model.storeys.map((s) => [s.key, s.name])), [index]);
  const columns = useMemo<Column<Space>[]>(
    () => [
      { id: 'name', head: 'Space', width: 120, value: (s) => s.name },
      {
        id: 'storey',
        head: 'Storey',
        width: 88,
        value: (s) => (s.storey ? (storey.get(s.storey) ?? s.storey) : null),
      },
      {
        id: 'floor',
        head: 'Floor',
        unit: units.area.unit,
        width: 72,
        number: true,
        value: (s) => units.area.to(s.floorArea),
        show: (s) => units.area.figure(s.floorArea),
      },
      {
        id: 'stated',
        head: 'Stated',
        unit: units.area.unit,
        width: 72,
        number: true,
        value: (s) => (s.statedFloorArea == null ? null : units.area.to(s.statedFloorArea)),
        show: (s) => (s.statedFloorArea == null ? '–' : units.area.figure(s.statedFloorArea)),
      },
      {
        id: 'volume',
        head: 'Volume',
        unit: units.volume.unit,
        width: 76,
        number: true,
        value: (s) => (s.enclosed ? units.volume.to(s.volume) : null),
        show: (s) => (s.enclosed ? units.volume.figure(s.volume) : '–'),
      },
      {
        id: 'statedVolume',
        head: 'Stated',
        unit: units.volume.unit,
        width: 74,
        number: true,
        value: (s) => (s.statedVolume == null ? null : units.volume.to(s.statedVolume)),
        show: (s) => (s.statedVolume == null ? '–' : units.volume.figure(s.statedVolume)),
      },
      {
        id: 'enclosed',
        head: 'Enclosed',
        width: 70,
        value: (s) => (s.enclosed ? 'yes' : 'no'),
        show: (s) => (s.enclosed ? 'yes' : <b className="text-blocker">no</b>),
      },
      { id: 'surfaces', head: 'Surfaces', width: 66, number: true, value: (s) => s.surfaces },
      { id: 'use', head: 'Use', width: 76, value: (s) => spoken(s.use) },
      {
        id: 'faults',
        head: 'Findings',
        width: 66,
        number: true,
        value: (s) => faultCount(index, s.key),
        show: (s) => <Faults index={index} k={s.key} />,
      },
    ],
    [index, storey, units],
  );
  return (
    <Table
      name="spaces"
      rows={index.model.spaces}
      columns={columns}
      keyOf={keyOf}
      selection={chosen}
      onSelect={select}
      onOpen={frame}
    />
  );
}
