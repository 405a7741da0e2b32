import { useMemo, useState } from 'react';
import type { LibraryAnswer, MaterialRow, Thermal } from '../model/api';
import { Actions, type Field } from '../shared/Form';
import { Detail } from '../shared/Detail';
import { Table, type Column } from '../shared/Table';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { count } from '../model/words';
import { figures, useUnits, type Units } from '../model/units';
import { Picker } from './Picker';
import { given } from './entries';

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
  const units = useUnits();
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
      figure('t', 'Thick', units.thickness.unit, 70, (m) => shown(m.thickness, units.thickness.to)),
      figure('c', 'Conductivity', units.conductivity.unit, 120, (m) =>
        shown(m.conductivity, units.conductivity.to),
      ),
      figure('d', 'Density', units.density.unit, 96, (m) => shown(m.density, units.density.to)),
      figure('h', 'Specific heat', units.specificHeat.unit, 110, (m) =>
        shown(m.specificHeat, units.specificHeat.to),
      ),
      figure('r', 'Stated R', units.resistance.unit, 96, (m) =>
        shown(m.resistance, units.resistance.to),
      ),
      { id: 'in', head: 'In', width: 140, value: (m) => m.constructions.join(', ') || null },
    ];
  }, [units]);
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
      <Detail label="The material">
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
                      : `${figures(units.conductivity.to(x.conductivity))} ${units.conductivity.unit}`,
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
                  fields: fields(units, m),
                  make: (v) => {
                    const r = {
                      kind: 'AmendMaterial' as const,
                      material: m.key,
                      thickness: given(v.t ?? '', units.thickness.from),
                      conductivity: given(v.c ?? '', units.conductivity.from),
                      density: given(v.d ?? '', units.density.from),
                      specificHeat: given(v.h ?? '', units.specificHeat.from),
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
      </Detail>
    </div>
  );
}

function fields(units: Units, m: MaterialRow): Field[] {
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
    field('t', 'Thickness', units.thickness.unit, m.thickness, units.thickness.to),
    field('c', 'Conductivity', units.conductivity.unit, m.conductivity, units.conductivity.to),
    field('d', 'Density', units.density.unit, m.density, units.density.to),
    field('h', 'Specific heat', units.specificHeat.unit, m.specificHeat, units.specificHeat.to),
  ];
}
