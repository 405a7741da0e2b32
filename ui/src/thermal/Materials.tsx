import { useMemo, useState } from 'react';
import type { LibraryAnswer, MaterialRow, Thermal } from '../model/api';
import { Actions, type Field } from '../shared/Form';
import { Table, type Column } from '../shared/Table';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import {
  conductivityUnit,
  count,
  densityUnit,
  figures,
  fromConductivity,
  fromDensity,
  fromHeat,
  fromThickness,
  heatUnit,
  resistanceUnit,
  thicknessUnit,
  toConductivity,
  toDensity,
  toHeat,
  toResistance,
  toThickness,
} from '../model/words';
import { Picker } from './Picker';

const EMPTY: ReadonlySet<string> = new Set();
const shown = (v: number | null | undefined, to: (x: number) => number) =>
  v == null ? null : to(v);

/** Materials of the model, with their values. */
export function Materials({
  thermal,
  library,
  edits,
}: {
  thermal: Thermal;
  library: LibraryAnswer | undefined;
  edits: Edits;
}) {
  const select = useView((s) => s.select);
  const [picked, setPicked] = useState<string | null>(null);
  const columns = useMemo<Column<MaterialRow>[]>(() => {
    const figure = (
      id: string,
      head: string,
      unit: string,
      width: number,
      value: (m: MaterialRow) => number | null,
    ): Column<MaterialRow> => ({
      id,
      head,
      unit,
      width,
      number: true,
      value,
      show: (m) => figures(value(m)),
    });
    return [
      { id: 'name', head: 'Material', width: 180, value: (m) => m.name },
      figure('t', 'Thick', thicknessUnit(), 70, (m) => shown(m.thickness, toThickness)),
      figure('c', 'Conductivity', conductivityUnit(), 120, (m) =>
        shown(m.conductivity, toConductivity),
      ),
      figure('d', 'Density', densityUnit(), 96, (m) => shown(m.density, toDensity)),
      figure('h', 'Specific heat', heatUnit(), 110, (m) => shown(m.specificHeat, toHeat)),
      figure('r', 'Stated R', resistanceUnit(), 96, (m) => shown(m.resistance, toResistance)),
      { id: 'in', head: 'In', width: 140, value: (m) => m.constructions.join(', ') || null },
    ];
  }, []);
  const m = thermal.materials.find((x) => x.key === picked);
  return (
    <div className="flex min-h-0 flex-1">
      <Table
        name="materials"
        rows={thermal.materials}
        columns={columns}
        keyOf={(x) => x.key}
        selection={picked === null ? EMPTY : new Set([picked])}
        onSelect={(keys) => {
          const key = keys.at(-1) ?? null;
          setPicked(key);
          select(
            thermal.constructions
              .filter((c) => c.layers.some((l) => l.material === key))
              .flatMap((c) => c.objects),
          );
        }}
        empty="The delivery has no materials."
      />
      <aside className="flex w-[320px] shrink-0 flex-col overflow-y-auto border-l border-line px-3 py-2">
        {!m ? (
          <p className="text-muted">Choose a material to change its values.</p>
        ) : (
          <>
            <p className="font-semibold">{m.name}</p>
            <p className="text-sm text-muted">In {count(m.constructions.length, 'construction')}</p>
            <div className="mt-1.5">
              <Picker
                label="Take the values of"
                choices={(library?.library.materials ?? []).map((x) => ({
                  id: x.name,
                  label: x.name,
                  detail:
                    x.conductivity == null
                      ? undefined
                      : `${figures(toConductivity(x.conductivity))} ${conductivityUnit()}`,
                  group: x.category || 'Library',
                  title: x.source,
                }))}
                onPick={(name) => {
                  const x = library!.library.materials.find((y) => y.name === name)!;
                  edits.consider(
                    {
                      kind: 'AmendMaterial',
                      material: m.key,
                      conductivity: x.conductivity,
                      density: x.density,
                      specificHeat: x.specificHeat,
                      resistance: x.conductivity == null ? x.resistance : null,
                      from: x.name,
                    },
                    `Take the values of ${x.name}`,
                  );
                }}
              />
            </div>
            <Actions
              key={m.key}
              edits={edits}
              actions={[
                {
                  label: 'Set its values',
                  hint: 'What is left empty stays as it is.',
                  fields: fields(m),
                  make: (v) => {
                    const given = (name: string, from: (x: number) => number) => {
                      const text = String(v[name] ?? '').replace(',', '.');
                      return text.trim() === '' ? null : from(Number(text));
                    };
                    const r = {
                      kind: 'AmendMaterial' as const,
                      material: m.key,
                      thickness: given('t', fromThickness),
                      conductivity: given('c', fromConductivity),
                      density: given('d', fromDensity),
                      specificHeat: given('h', fromHeat),
                      resistance: null,
                      from: 'by hand',
                    };
                    return [r.thickness, r.conductivity, r.density, r.specificHeat].some(
                      (x) => x != null && !Number.isFinite(x),
                    )
                      ? 'Values must be numbers.'
                      : r;
                  },
                },
              ]}
            />
          </>
        )}
      </aside>
    </div>
  );
}

function fields(m: MaterialRow): Field[] {
  const field = (
    name: string,
    label: string,
    unit: string,
    v: number | null | undefined,
    to: (x: number) => number,
  ): Field => ({
    name,
    label: `${label}, ${unit}`,
    kind: 'text',
    value: v == null ? '' : String(Number(to(v).toPrecision(6))),
  });
  return [
    field('t', 'Thickness', thicknessUnit(), m.thickness, toThickness),
    field('c', 'Conductivity', conductivityUnit(), m.conductivity, toConductivity),
    field('d', 'Density', densityUnit(), m.density, toDensity),
    field('h', 'Specific heat', heatUnit(), m.specificHeat, toHeat),
  ];
}
