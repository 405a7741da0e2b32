import { useMemo, useState } from 'react';
import type { GlazingRow, LibraryAnswer, Thermal } from '../model/api';
import { Actions } from '../shared/Form';
import { Detail } from '../shared/Detail';
import { Table, type Column } from '../shared/Table';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { count } from '../model/words';
import { figures, useUnits } from '../model/units';
import { GlazingPicker } from './ConstructionPicker';

const NONE = '';
const EMPTY: ReadonlySet<string> = new Set();

/** Window types, and openings that have none. */
export function Windows({
  thermal,
  library,
  edits,
}: {
  thermal: Thermal;
  library: LibraryAnswer | undefined;
  edits: Edits;
}) {
  const units = useUnits();
  const select = useView((s) => s.select);
  const [picked, setPicked] = useState<string | null>(null);
  const rows = useMemo<GlazingRow[]>(
    () =>
      thermal.unglazed.length
        ? [
            {
              key: NONE,
              name: 'No window type',
              uValue: null,
              solarHeatGain: null,
              visibleTransmittance: null,
              area: 0,
              objects: thermal.unglazed,
            },
            ...thermal.glazings,
          ]
        : thermal.glazings,
    [thermal],
  );
  const columns = useMemo<Column<GlazingRow>[]>(
    () => [
      {
        id: 'name',
        head: 'Window type',
        width: 220,
        value: (g) => g.name,
        show: (g) => <span className={g.key === NONE ? 'text-error' : ''}>{g.name}</span>,
      },
      {
        id: 'u',
        head: 'U of window',
        title: 'Of the whole window, frame and edge included',
        unit: units.uValue.unit,
        width: 118,
        number: true,
        value: (g) => (g.uValue == null ? null : units.uValue.to(g.uValue)),
        show: (g) => figures(g.uValue == null ? null : units.uValue.to(g.uValue)),
      },
      {
        id: 'g',
        head: 'Solar gain of window',
        title:
          'Solar heat gain coefficient of the whole window, frame included, at normal incidence',
        width: 132,
        number: true,
        value: (g) => g.solarHeatGain ?? null,
        show: (g) => figures(g.solarHeatGain),
      },
      {
        id: 'vt',
        head: 'Light of window',
        title: 'Visible transmittance of the whole window, frame included',
        width: 100,
        number: true,
        value: (g) => g.visibleTransmittance ?? null,
        show: (g) => figures(g.visibleTransmittance),
      },
      {
        id: 'area',
        head: 'Area',
        unit: units.area.unit,
        width: 76,
        number: true,
        value: (g) => units.area.to(g.area),
        show: (g) => (g.key === NONE ? '–' : units.area.figure(g.area)),
      },
      { id: 'n', head: 'Used by', width: 60, number: true, value: (g) => g.objects.length },
    ],
    [units],
  );
  const g = rows.find((x) => x.key === picked);
  return (
    <div className="flex min-h-0 flex-1">
      <Table
        name="windows"
        rows={rows}
        columns={columns}
        keyOf={(x) => x.key}
        selection={picked === null ? EMPTY : new Set([picked])}
        onSelect={(keys) => {
          const key = keys.at(-1) ?? null;
          setPicked(key);
          select(rows.find((x) => x.key === key)?.objects ?? []);
        }}
        empty="The delivery has no window types."
      />
      <Detail label="The window type">
        {!g ? (
          <p className="text-muted">Choose a window type to change its values.</p>
        ) : (
          <>
            <p className="font-semibold">{g.name}</p>
            <p className="text-sm text-muted">
              {count(g.objects.length, 'opening')}; they are selected.
            </p>
            <div className="mt-1.5">
              <GlazingPicker
                label={g.key === NONE ? 'Give all of them' : 'Use another for all of these'}
                thermal={{ ...thermal, glazings: thermal.glazings.filter((x) => x !== g) }}
                library={library}
                disabled={!g.objects.length}
                onPick={(glazing, name) =>
                  edits.consider(
                    { kind: 'GiveGlazing', openings: g.objects, glazing },
                    `Give them ${name}`,
                  )
                }
              />
            </div>
            {g.key !== NONE && (
              <Actions
                key={g.key}
                edits={edits}
                actions={[
                  {
                    label: 'Set its values',
                    hint: `U-value of the whole window in ${units.uValue.unit}; shares from 0 to 1.`,
                    fields: [
                      {
                        name: 'u',
                        label: 'U-value',
                        kind: 'number',
                        value: figures(g.uValue == null ? 1.3 : units.uValue.to(g.uValue)),
                      },
                      {
                        name: 'g',
                        label: 'Solar heat gain, whole window',
                        kind: 'number',
                        value: g.solarHeatGain ?? 0.6,
                      },
                      {
                        name: 'vt',
                        label: 'Visible transmittance, whole window',
                        kind: 'number',
                        value: g.visibleTransmittance ?? 0.75,
                      },
                    ],
                    make: (v) => ({
                      kind: 'AmendGlazing',
                      glazing: g.key,
                      uValue: units.uValue.from(Number(v.u)),
                      solarHeatGain: Number(v.g),
                      visibleTransmittance: Number(v.vt),
                      from: 'by hand',
                    }),
                  },
                ]}
              />
            )}
          </>
        )}
      </Detail>
    </div>
  );
}
