import { useMemo, useState } from 'react';
import type { ConstructionRow, LayerRow, LibraryAnswer, Thermal } from '../api';
import type { ModelIndex } from '../model';
import { Actions } from '../repair/Form';
import { several } from '../repair/several';
import { Table, type Column } from '../sheet/Table';
import { useView } from '../state';
import type { Edits } from '../useEdits';
import {
  area,
  areaUnit,
  areaValue,
  conductivityUnit,
  count,
  figures,
  fromUValue,
  resistanceUnit,
  thicknessUnit,
  toConductivity,
  toResistance,
  toThickness,
  toUValue,
  uValueUnit,
} from '../words';
import { ConstructionPicker } from './ConstructionPicker';
import { LayerDiagram } from './LayerDiagram';

/** The row that stands for surfaces without a construction. */
const NONE = '';

/** Apart by this share, the layers and the elements they stand for are said to differ. */
const THICKNESS_OFF = 0.1;

/** Constructions, what they come to, and what has none. */
export function Constructions({
  index,
  thermal,
  library,
  edits,
}: {
  index: ModelIndex;
  thermal: Thermal;
  library: LibraryAnswer | undefined;
  edits: Edits;
}) {
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
        unit: uValueUnit(),
        title: 'Of its layers where most of it is; a U-value that is stated counts instead',
        width: 78,
        number: true,
        value: (c) => (c.uValue == null ? null : toUValue(c.uValue)),
        show: (c) => figures(c.uValue == null ? null : toUValue(c.uValue)),
      },
      {
        id: 'thickness',
        head: 'Layers',
        unit: thicknessUnit(),
        width: 74,
        number: true,
        value: (c) => (c.thickness == null ? null : toThickness(c.thickness)),
        show: (c) => figures(c.thickness == null ? null : toThickness(c.thickness)),
      },
      {
        id: 'area',
        head: 'Area',
        unit: areaUnit(),
        width: 66,
        number: true,
        value: (c) => areaValue(c.area),
        show: (c) => area(c.area),
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
        value: (c) => (c.stated == null ? null : toUValue(c.stated)),
        show: (c) => figures(c.stated == null ? null : toUValue(c.stated)),
      },
    ],
    [],
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
      <aside
        className="flex w-[350px] shrink-0 flex-col overflow-y-auto border-l border-line px-3 py-2"
        data-testid="construction"
      >
        {chosen?.key === NONE ? (
          <Without thermal={thermal} library={library} edits={edits} objects={chosen.objects} />
        ) : chosen ? (
          <One key={chosen.key} row={chosen} thermal={thermal} library={library} edits={edits} />
        ) : (
          <p className="text-muted">
            Choose a construction to see its layers and to change it for all that has it.
          </p>
        )}
      </aside>
    </div>
  );
}

const EMPTY: ReadonlySet<string> = new Set();

function Without({
  thermal,
  library,
  edits,
  objects,
}: {
  thermal: Thermal;
  library: LibraryAnswer | undefined;
  edits: Edits;
  objects: string[];
}) {
  const given = thermal.defaults;
  return (
    <>
      <p className="font-semibold">
        {count(objects.length, 'surface')} without construction. They are selected.
      </p>
      <div className="mt-1.5 flex flex-wrap gap-1.5">
        <ConstructionPicker
          label="Give all of them"
          thermal={thermal}
          library={library}
          testId="give-all"
          onPick={(construction, name) =>
            edits.consider({ kind: 'GiveConstruction', objects, construction }, `Give them ${name}`)
          }
        />
        {given.length > 0 && (
          <button
            className="btn btn-main"
            data-testid="give-defaults"
            onClick={() =>
              edits.consider(
                several(
                  'Gives surfaces without construction that of their type',
                  given.map((g) => ({
                    kind: 'GiveConstruction' as const,
                    objects: g.surfaces,
                    construction: g.construction,
                  })),
                ),
                'Give each type its usual one',
              )
            }
          >
            Give each type its usual one
          </button>
        )}
      </div>
      {given.length > 0 && (
        <dl className="mt-2 text-sm">
          {given.map((g) => (
            <div key={g.type} className="flex gap-2 leading-[20px]">
              <dt className="w-40 shrink-0 text-muted">
                {g.surfaces.length} × {g.type}
              </dt>
              <dd className="min-w-0 truncate" title={g.name}>
                {g.name}
                {g.fromLibrary && <span className="text-muted"> (library)</span>}
              </dd>
            </div>
          ))}
        </dl>
      )}
    </>
  );
}

function One({
  row: c,
  thermal,
  library,
  edits,
}: {
  row: ConstructionRow;
  thermal: Thermal;
  library: LibraryAnswer | undefined;
  edits: Edits;
}) {
  const r = c.layers.every((l) => l.resistance != null)
    ? c.layers.reduce((n, l) => n + (l.share < 1 ? 0 : l.resistance!), 0)
    : null;
  const off =
    c.realThickness != null && c.thickness != null
      ? Math.abs(c.realThickness - c.thickness) / c.realThickness
      : 0;
  return (
    <>
      <p className="font-semibold">{c.name}</p>
      <p className="text-sm text-muted">
        {count(c.objects.length, 'object')} {c.objects.length === 1 ? 'has' : 'have'} it
        {c.heatCapacity != null &&
          `; ${figures(c.heatCapacity / 1000)} kJ/m²K effective inside (ISO 13786)`}
      </p>
      {c.layers.length > 0 && <LayerDiagram layers={c.layers} />}
      <div className="mt-1.5 flex flex-wrap gap-1.5">
        <ConstructionPicker
          label="Use another for all of these"
          thermal={{ ...thermal, constructions: thermal.constructions.filter((x) => x !== c) }}
          library={library}
          testId="replace"
          onPick={(by, name) =>
            edits.consider(
              { kind: 'ReplaceConstruction', construction: c.key, by },
              `Use ${name} instead`,
            )
          }
        />
        {c.layers.length > 1 && (
          <button
            className="btn"
            title="The outermost layer becomes the innermost"
            onClick={() =>
              edits.consider(
                { kind: 'ReverseLayers', construction: c.key },
                'List the layers the other way round',
              )
            }
          >
            Other way round
          </button>
        )}
        {c.layers.length > 0 && (
          <button
            className="btn"
            title="One layer without mass, of the same resistance"
            onClick={() =>
              edits.consider({ kind: 'MakeMassless', construction: c.key }, 'Without mass')
            }
          >
            Without mass
          </button>
        )}
        {c.stated != null && c.layers.length > 0 && (
          <button
            className="btn"
            onClick={() =>
              edits.consider(
                { kind: 'StateUValue', construction: c.key },
                'Take the stated U-value away',
              )
            }
          >
            Let the layers count
          </button>
        )}
      </div>
      {c.layers.length > 0 && (
        <>
          <Layers layers={c.layers} edits={edits} />
          {r != null && c.layers.every((l) => l.share === 1) && (
            <p className="mt-0.5 text-right text-sm">
              Layers together: {figures(toResistance(r))} {resistanceUnit()}
            </p>
          )}
        </>
      )}
      {!c.layers.length && (
        <p className="mt-1">{c.stated == null ? 'Neither layers nor a U-value.' : 'No layers.'}</p>
      )}
      {off > THICKNESS_OFF && (
        <p className="mt-1 text-error" data-testid="thickness-off">
          The elements are {figures(toThickness(c.realThickness!))} {thicknessUnit()} thick, the
          layers {figures(toThickness(c.thickness!))} {thicknessUnit()}.
        </p>
      )}
      <Actions
        edits={edits}
        actions={[
          {
            label: 'State a U-value',
            hint: `In ${uValueUnit()}. It counts instead of the layers.`,
            fields: [
              {
                name: 'u',
                label: 'U-value',
                kind: 'number',
                value: figures(toUValue(c.stated ?? c.uValue ?? 1)),
              },
            ],
            make: (v) => ({
              kind: 'StateUValue',
              construction: c.key,
              uValue: fromUValue(Number(v.u)),
            }),
          },
        ]}
      />
    </>
  );
}

function Layers({ layers, edits }: { layers: LayerRow[]; edits: Edits }) {
  return (
    <table className="mt-1 w-full text-sm">
      <thead>
        <tr className="text-right text-muted">
          <th className="text-left font-normal">From outside</th>
          <th className="font-normal">{thicknessUnit()}</th>
          <th className="font-normal">{conductivityUnit()}</th>
          <th className="font-normal">{resistanceUnit()}</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {layers.map((l, i) => (
          <tr key={i} className="border-t border-line/50 text-right">
            <td className="max-w-36 truncate text-left" title={l.name}>
              {l.name}
              {l.share < 1 && <span className="text-muted"> {(100 * l.share).toFixed(0)} %</span>}
            </td>
            <td>{figures(l.thickness == null ? null : toThickness(l.thickness))}</td>
            <td>{figures(l.conductivity == null ? null : toConductivity(l.conductivity))}</td>
            <td>{figures(l.resistance == null ? null : toResistance(l.resistance))}</td>
            <td>
              {layers.length > 1 && l.share === 1 && (
                <button
                  className="btn-quiet !h-[20px] !px-1"
                  title="Merge it into its neighbour, keeping resistance and heat capacity"
                  aria-label={`Merge ${l.name} into its neighbour`}
                  onClick={() =>
                    edits.consider(
                      { kind: 'MergeThinLayer', material: l.material },
                      `Merge ${l.name} into its neighbour`,
                    )
                  }
                >
                  Merge
                </button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
