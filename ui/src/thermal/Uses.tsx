import { useMemo } from 'react';
import type { Conditions, LibraryAnswer, Space, ZoneRow } from '../model/api';
import type { ModelIndex } from '../model/model';
import { Detail } from '../shared/Detail';
import { Table, type Column } from '../shared/Table';
import { useSelection, useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { count, spoken } from '../model/words';
import { figures, useUnits, type Units } from '../model/units';
import { ChosenSpaces } from './ChosenSpaces';
import { CONDITIONS, airText, temperature } from './conditions';
import { UsesOfAll } from './UsesOfAll';
import { useConditions } from './useThermal';

const power = (units: Units, v: number | null | undefined) =>
  v == null ? null : units.powerDensity.to(v);

/** What spaces are used for, how they are conditioned, and the zones they are in. */
export function Uses({
  index,
  library,
  edits,
}: {
  index: ModelIndex;
  library: LibraryAnswer | undefined;
  edits: Edits;
}) {
  const { data } = useConditions(index.model);
  return data ? (
    <Loaded index={index} library={library} edits={edits} conditions={data} />
  ) : (
    <p className="p-3 text-muted">Opening uses and zones …</p>
  );
}

function Loaded({
  index,
  library,
  edits,
  conditions,
}: {
  index: ModelIndex;
  library: LibraryAnswer | undefined;
  edits: Edits;
  conditions: Conditions;
}) {
  const units = useUnits();
  const select = useView((s) => s.select);
  const selection = useSelection();
  const m = index.model;
  const zoneOf = useMemo(() => {
    const map = new Map<string, ZoneRow>();
    for (const z of conditions.zones) for (const k of z.spaces) map.set(k, z);
    return map;
  }, [conditions]);
  const storeys = useMemo(() => new Map(m.storeys.map((s) => [s.key, s.name])), [m.storeys]);
  const times = useMemo(
    () => new Map(conditions.schedules.map((s) => [s.key, s.profile.name])),
    [conditions.schedules],
  );
  const columns = useMemo<Column<Space>[]>(
    () => [
      { id: 'name', head: 'Space', width: 110, value: (s) => s.name },
      {
        id: 'storey',
        head: 'Storey',
        width: 84,
        value: (s) => (s.storey ? (storeys.get(s.storey) ?? s.storey) : null),
      },
      { id: 'use', head: 'Use', width: 120, value: (s) => spoken(s.use) || null },
      {
        id: 'condition',
        head: 'Conditioned',
        width: 100,
        value: (s) => CONDITIONS.find(([k]) => k === s.condition)?.[1] ?? (s.condition || null),
      },
      { id: 'zone', head: 'Zone', width: 96, value: (s) => zoneOf.get(s.key)?.name ?? null },
      {
        id: 'heating',
        head: 'Heat',
        unit: units.temperature.unit,
        width: 58,
        number: true,
        value: (s) => zoneOf.get(s.key)?.heating ?? null,
        show: (s) => temperature(units, zoneOf.get(s.key)?.heating),
      },
      {
        id: 'cooling',
        head: 'Cool',
        unit: units.temperature.unit,
        width: 58,
        number: true,
        value: (s) => zoneOf.get(s.key)?.cooling ?? null,
        show: (s) => temperature(units, zoneOf.get(s.key)?.cooling),
      },
      {
        id: 'people',
        head: 'Per person',
        unit: units.area.unit,
        title: 'Floor area per person, or the number of people where that is stated',
        width: 92,
        number: true,
        value: (s) => {
          const g = conditions.gains[s.key];
          return g?.areaPerPerson == null ? null : units.area.to(g.areaPerPerson);
        },
        show: (s) => {
          const g = conditions.gains[s.key];
          return g?.people != null
            ? count(g.people, 'person', 'people')
            : figures(g?.areaPerPerson == null ? null : units.area.to(g.areaPerPerson));
        },
      },
      {
        id: 'light',
        head: 'Light',
        unit: units.powerDensity.unit,
        width: 74,
        number: true,
        value: (s) => power(units, conditions.gains[s.key]?.lighting),
        show: (s) => figures(power(units, conditions.gains[s.key]?.lighting)),
      },
      {
        id: 'equipment',
        head: 'Equipment',
        unit: units.powerDensity.unit,
        width: 96,
        number: true,
        value: (s) => power(units, conditions.gains[s.key]?.equipment),
        show: (s) => figures(power(units, conditions.gains[s.key]?.equipment)),
      },
      {
        id: 'air',
        head: 'Outdoor air',
        title: 'Outdoor air of its zone',
        width: 120,
        value: (s) => airText(units, zoneOf.get(s.key)?.air) || null,
      },
      {
        id: 'times',
        head: 'People when',
        title: 'Schedule of people',
        width: 110,
        value: (s) => times.get(conditions.gains[s.key]?.schedules.people ?? '') ?? null,
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
    ],
    [storeys, zoneOf, times, conditions.gains, units],
  );
  const chosen = m.spaces.filter((s) => selection.has(s.key));
  return (
    <div className="flex min-h-0 flex-1" data-testid="uses">
      <Table
        name="uses"
        rows={m.spaces}
        columns={columns}
        keyOf={(s) => s.key}
        selection={selection}
        onSelect={select}
        onOpen={() => window.dispatchEvent(new CustomEvent('yentra:frame'))}
      />
      <Detail label="Uses">
        {chosen.length ? (
          <ChosenSpaces spaces={chosen} conditions={conditions} library={library} edits={edits} />
        ) : (
          <UsesOfAll index={index} conditions={conditions} library={library} edits={edits} />
        )}
      </Detail>
    </div>
  );
}
