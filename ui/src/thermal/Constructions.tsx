import { useMemo, useState } from 'react';
import type { ConstructionRow, LibraryAnswer, Project, Thermal } from '../model/api';
import type { ModelIndex } from '../model/model';
import { Detail } from '../shared/Detail';
import { Table, type Column } from '../shared/Table';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';

import { figures, useUnits } from '../model/units';
import { OneConstruction } from './OneConstruction';
import { WithoutConstruction } from './WithoutConstruction';

/** The row that stands for surfaces without a construction. */
const NONE = '';

/** Constructions, what they come to, and what has none. */
export function Constructions({
  index,
  project,
  thermal,
  library,
  edits,
}: {
  index: ModelIndex;
  project: Project;
  thermal: Thermal;
  library: LibraryAnswer | undefined;
  edits: Edits;
}) {
  const units = useUnits();
  const select = useView((s) => s.select);
  const [picked, setPicked] = useState<string | null>(null);
  const rows = useMemo<ConstructionRow[]>(() => {
    const none: ConstructionRow = {
      key: NONE,
      name: 'No construction',
      objects: thermal.without,
      area: thermal.without.reduce((n, k) => n + (index.surfaces.get(k)?.netArea ?? 0), 0),
      types: [],
      layers: [],
      uValue: null,
      stated: null,
      thickness: null,
      heatCapacity: null,
      realThickness: null,
    };
    return thermal.without.length ? [none, ...thermal.constructions] : thermal.constructions;
  }, [thermal, index]);
  const columns = useMemo<Column<ConstructionRow>[]>(
    () => [
      {
        id: 'name',
        head: 'Construction',
        width: 130,
        sticky: true,
        value: (c) => c.name,
        show: (c) => <span className={c.key === NONE ? 'text-error' : ''}>{c.name}</span>,
      },
      {
        id: 'u',
        head: 'U',
        unit: units.uValue.unit,
        title: 'Of its layers where most of it is; a U-value that is stated counts instead',
        width: 78,
        number: true,
        value: (c) => (c.uValue == null ? null : units.uValue.to(c.uValue)),
        show: (c) => figures(c.uValue == null ? null : units.uValue.to(c.uValue)),
      },
      {
        id: 'thickness',
        head: 'Layers',
        unit: units.thickness.unit,
        width: 74,
        number: true,
        value: (c) => (c.thickness == null ? null : units.thickness.to(c.thickness)),
        show: (c) => figures(c.thickness == null ? null : units.thickness.to(c.thickness)),
      },
      {
        id: 'area',
        head: 'Area',
        unit: units.area.unit,
        width: 66,
        number: true,
        value: (c) => units.area.to(c.area),
        show: (c) => units.area.figure(c.area),
      },
      {
        id: 'objects',
        head: 'Used',
        width: 48,
        number: true,
        value: (c) => c.objects.length,
      },
      { id: 'types', head: 'As', width: 72, value: (c) => c.types.join(', ') || null },
      {
        id: 'stated',
        head: 'Stated',
        width: 58,
        number: true,
        value: (c) => (c.stated == null ? null : units.uValue.to(c.stated)),
        show: (c) => figures(c.stated == null ? null : units.uValue.to(c.stated)),
      },
    ],
    [units],
  );
  const chosen = rows.find((c) => c.key === picked) ?? null;
  return (
    <div className="flex min-h-0 flex-1">
      <Table
        name="constructions"
        rows={rows}
        columns={columns}
        keyOf={(c) => c.key}
        selection={picked === null ? EMPTY : new Set([picked])}
        onSelect={(keys) => {
          const key = keys.at(-1) ?? null;
          setPicked(key);
          select(rows.find((c) => c.key === key)?.objects ?? []);
        }}
        onOpen={() => window.dispatchEvent(new CustomEvent('yentra:frame'))}
        empty="The delivery has no constructions."
      />
      <Detail label="The construction" testId="construction">
        {chosen?.key === NONE ? (
          <WithoutConstruction
            project={project}
            thermal={thermal}
            library={library}
            edits={edits}
            objects={chosen.objects}
          />
        ) : chosen ? (
          <OneConstruction
            key={chosen.key}
            row={chosen}
            thermal={thermal}
            library={library}
            edits={edits}
          />
        ) : (
          <p className="text-muted">
            Choose a construction to see its layers and to change it for all that has it.
          </p>
        )}
      </Detail>
    </div>
  );
}

const EMPTY: ReadonlySet<string> = new Set();
