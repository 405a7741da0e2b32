import { useMemo } from 'react';
import type { Surface } from '../model/api';
import type { ModelIndex } from '../model/model';
import { useSelection, useView } from '../model/state';
import { degrees, EXPOSURES, facing, spoken } from '../model/words';
import { useUnits } from '../model/units';
import { Table, type Column } from '../shared/Table';

import { Faults } from './Faults';
import { faultCount, frame, keyOf } from './rows';

const exposure = (key: string) => EXPOSURES.find((e) => e.key === key)?.label ?? key;

/** The surfaces, with what lies behind them. */
export function SurfaceTable({ index }: { index: ModelIndex }) {
  const units = useUnits();
  const select = useView((s) => s.select);
  const chosen = useSelection();
  const constructions = useMemo(
    () => new Map(index.model.constructions.map((c) => [c.key, c.name])),
    [index],
  );
  const columns = useMemo<Column<Surface>[]>(
    () => [
      { id: 'label', head: 'Surface', width: 130, value: (s) => s.label },
      { id: 'type', head: 'Type', width: 82, value: (s) => spoken(s.type) || 'not stated' },
      { id: 'exposure', head: 'Other side', width: 74, value: (s) => exposure(s.exposure) },
      {
        id: 'gross',
        head: 'Gross',
        unit: units.area.unit,
        width: 66,
        number: true,
        value: (s) => units.area.to(s.grossArea),
        show: (s) => units.area.figure(s.grossArea),
      },
      {
        id: 'net',
        head: 'Net',
        unit: units.area.unit,
        width: 56,
        number: true,
        value: (s) => units.area.to(s.netArea),
        show: (s) => units.area.figure(s.netArea),
      },
      {
        id: 'tilt',
        head: 'Tilt',
        unit: '°',
        width: 52,
        number: true,
        value: (s) => s.tilt,
        show: (s) => degrees(s.tilt),
      },
      {
        id: 'azimuth',
        head: 'Azimuth',
        unit: '°',
        width: 72,
        number: true,
        value: (s) => s.azimuth ?? null,
        show: (s) => facing(s.azimuth),
      },
      {
        id: 'construction',
        head: 'Construction',
        width: 84,
        value: (s) =>
          s.construction ? (constructions.get(s.construction) ?? s.construction) : null,
      },
      {
        id: 'openings',
        head: 'Openings',
        width: 68,
        number: true,
        value: (s) => s.openings.length || null,
        show: (s) => s.openings.length || '',
      },
      {
        id: 'faults',
        head: 'Findings',
        width: 60,
        number: true,
        value: (s) => faultCount(index, s.key),
        show: (s) => <Faults index={index} k={s.key} />,
      },
      {
        id: 'id',
        head: 'Id',
        width: 42,
        value: (s) => s.fileId,
        show: (s) => <span className="font-mono text-[11px]">{s.fileId}</span>,
      },
    ],
    [index, constructions, units],
  );
  return (
    <Table
      name="surfaces"
      rows={index.model.surfaces}
      columns={columns}
      keyOf={keyOf}
      selection={chosen}
      onSelect={select}
      onOpen={frame}
    />
  );
}
