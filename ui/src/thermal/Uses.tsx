import { useMemo, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { DropdownMenu } from 'radix-ui';
import { ChevronDown } from 'lucide-react';
import { api, type Conditions, type Space, type ZoneBy, type ZoneRow } from '../api';
import type { ModelIndex } from '../model';
import { Actions } from '../repair/Form';
import { several } from '../repair/several';
import { Table, type Column } from '../sheet/Table';
import { useSelection, useView } from '../state';
import type { Edits } from '../useEdits';
import {
  area,
  areaUnit,
  areaValue,
  count,
  densityOfPowerUnit,
  figures,
  fromTemperature,
  toPowerDensity,
  temperatureUnit,
  toTemperature,
} from '../words';
import { Picker } from './Picker';
import { RoomDataSheet } from './RoomDataSheet';

/** How gbXML says that spaces are conditioned, and how people say it. */
const CONDITIONS: [string, string][] = [
  ['HeatedAndCooled', 'heated and cooled'],
  ['Heated', 'heated'],
  ['Cooled', 'cooled'],
  ['NaturallyVentedOnly', 'naturally vented only'],
  ['Vented', 'vented'],
  ['Unconditioned', 'unconditioned'],
];

const power = (v: number | null | undefined) => (v == null ? null : toPowerDensity(v));
const temperature = (v: number | null | undefined) => (v == null ? '–' : figures(toTemperature(v)));

/** What spaces are used for, how they are conditioned, and the zones they are in. */
export function Uses({ index, edits }: { index: ModelIndex; edits: Edits }) {
  const { id, version } = index.model.delivery;
  const { data } = useQuery({
    queryKey: ['conditions', id, version],
    queryFn: () => api.conditions(id),
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
  return data ? (
    <Loaded index={index} edits={edits} conditions={data} />
  ) : (
    <p className="p-3 text-muted">Opening uses and zones …</p>
  );
}

function Loaded({
  index,
  edits,
  conditions,
}: {
  index: ModelIndex;
  edits: Edits;
  conditions: Conditions;
}) {
  const select = useView((s) => s.select);
  const selection = useSelection();
  const m = index.model;
  const zoneOf = useMemo(() => {
    const map = new Map<string, ZoneRow>();
    for (const z of conditions.zones) for (const k of z.spaces) map.set(k, z);
    return map;
  }, [conditions]);
  const storeys = useMemo(() => new Map(m.storeys.map((s) => [s.key, s.name])), [m.storeys]);
  const columns = useMemo<Column<Space>[]>(
    () => [
      { id: 'name', head: 'Space', width: 110, value: (s) => s.name },
      {
        id: 'storey',
        head: 'Storey',
        width: 84,
        value: (s) => (s.storey ? (storeys.get(s.storey) ?? s.storey) : null),
      },
      { id: 'use', head: 'Use', width: 120, value: (s) => s.use || null },
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
        unit: temperatureUnit(),
        width: 58,
        number: true,
        value: (s) => zoneOf.get(s.key)?.heating ?? null,
        show: (s) => temperature(zoneOf.get(s.key)?.heating),
      },
      {
        id: 'cooling',
        head: 'Cool',
        unit: temperatureUnit(),
        width: 58,
        number: true,
        value: (s) => zoneOf.get(s.key)?.cooling ?? null,
        show: (s) => temperature(zoneOf.get(s.key)?.cooling),
      },
      {
        id: 'people',
        head: 'Per person',
        unit: areaUnit(),
        title: 'Floor area per person, or the number of people where that is stated',
        width: 92,
        number: true,
        value: (s) => {
          const g = conditions.gains[s.key];
          return g?.areaPerPerson == null ? null : areaValue(g.areaPerPerson);
        },
        show: (s) => {
          const g = conditions.gains[s.key];
          return g?.people != null
            ? count(g.people, 'person', 'people')
            : figures(g?.areaPerPerson == null ? null : areaValue(g.areaPerPerson));
        },
      },
      {
        id: 'light',
        head: 'Light',
        unit: densityOfPowerUnit(),
        width: 74,
        number: true,
        value: (s) => power(conditions.gains[s.key]?.lighting),
        show: (s) => figures(power(conditions.gains[s.key]?.lighting)),
      },
      {
        id: 'equipment',
        head: 'Equipment',
        unit: densityOfPowerUnit(),
        width: 96,
        number: true,
        value: (s) => power(conditions.gains[s.key]?.equipment),
        show: (s) => figures(power(conditions.gains[s.key]?.equipment)),
      },
      {
        id: 'floor',
        head: 'Floor',
        unit: areaUnit(),
        width: 72,
        number: true,
        value: (s) => areaValue(s.floorArea),
        show: (s) => area(s.floorArea),
      },
    ],
    [storeys, zoneOf, conditions.gains],
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
      <aside className="flex w-[350px] shrink-0 flex-col overflow-y-auto border-l border-line px-3 py-2">
        {chosen.length ? (
          <Chosen spaces={chosen} conditions={conditions} edits={edits} />
        ) : (
          <All index={index} conditions={conditions} edits={edits} />
        )}
      </aside>
    </div>
  );
}

/** For everything: uses by name, zones by proposal, set-points by zone. */
function All({
  index,
  conditions,
  edits,
}: {
  index: ModelIndex;
  conditions: Conditions;
  edits: Edits;
}) {
  const set = useView((s) => s.set);
  const spaces = index.model.spaces;
  const [by, setBy] = useState<ZoneBy[]>(['USE']);
  const [again, setAgain] = useState(false);
  const asked = spaces.filter((s) => again || !s.use);
  const said = new Map<string, string[]>();
  for (const s of asked) {
    const use = conditions.byName[s.key];
    if (use && use !== s.use) said.set(use, [...(said.get(use) ?? []), s.key]);
  }
  const unknown = asked.filter((s) => !conditions.byName[s.key]);

  async function propose() {
    try {
      const { repair } = await api.proposeZones(index.model.delivery.id, by, []);
      edits.consider(repair, 'Propose zones');
    } catch (e) {
      set({ message: { text: e instanceof Error ? e.message : String(e), bad: true } });
    }
  }

  return (
    <>
      <h3 className="kicker">Uses by name</h3>
      <p>
        {said.size
          ? `${count([...said.values()].flat().length, 'space')} can be told by name.`
          : asked.length
            ? 'No name says a use that is not given yet.'
            : 'Every space has a use.'}
      </p>
      {unknown.length > 0 && (
        <p className="text-sm text-muted" data-testid="unknown-uses">
          Not recognised: {unknown.map((s) => s.name).join(', ')}
        </p>
      )}
      <div className="mt-1 flex items-center gap-2">
        <button
          className="btn"
          disabled={!said.size}
          data-testid="uses-by-name"
          title={[...said].map(([u, k]) => `${u}: ${k.length}`).join('\n')}
          onClick={() =>
            edits.consider(
              several(
                'Gives spaces the use that their names say',
                [...said].map(([use, keys]) => ({
                  kind: 'GiveUse' as const,
                  spaces: keys,
                  use,
                  gains: conditions.typical[use],
                })),
              ),
              'Give the uses that names say',
            )
          }
        >
          Give them
        </button>
        <label className="flex items-center gap-1.5">
          <input
            type="checkbox"
            className="accent-kelp"
            checked={again}
            onChange={(e) => setAgain(e.target.checked)}
          />
          also where one is given
        </label>
      </div>
      <h3 className="kicker mt-3">Zones</h3>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        {(
          [
            ['USE', 'use'],
            ['STOREY', 'storey'],
            ['FACING', 'facing'],
          ] as const
        ).map(([k, label]) => (
          <label key={k} className="flex items-center gap-1.5">
            <input
              type="checkbox"
              className="accent-kelp"
              checked={by.includes(k)}
              onChange={(e) => setBy(e.target.checked ? [...by, k] : by.filter((x) => x !== k))}
            />
            by {label}
          </label>
        ))}
        <button
          className="btn"
          data-testid="propose-zones"
          disabled={!by.length}
          onClick={() => void propose()}
        >
          Propose zones
        </button>
      </div>
      <RoomDataSheet index={index} edits={edits} />
      {conditions.zones.map((z) => (
        <Zone key={z.key} zone={z} edits={edits} />
      ))}
    </>
  );
}

function Zone({ zone: z, edits }: { zone: ZoneRow; edits: Edits }) {
  const select = useView((s) => s.select);
  return (
    <div className="mt-1.5 border-t border-line/60 pt-1" data-testid="zone">
      <button
        className="text-left text-kelp underline decoration-kelp/40 underline-offset-2"
        onClick={() => select(z.spaces)}
      >
        {z.name}
      </button>{' '}
      <span className="text-sm text-muted">
        {count(z.spaces.length, 'space')}, heated to {temperature(z.heating)}, cooled to{' '}
        {temperature(z.cooling)} {temperatureUnit()}
      </span>
      <Actions
        edits={edits}
        actions={[
          {
            label: 'Name and set-points',
            hint: `Set-points in ${temperatureUnit()}; what is left empty stays.`,
            fields: [
              { name: 'name', label: 'Name', kind: 'text', value: z.name },
              {
                name: 'heat',
                label: 'Heated to',
                kind: 'text',
                value: z.heating == null ? '' : figures(toTemperature(z.heating)),
              },
              {
                name: 'cool',
                label: 'Cooled to',
                kind: 'text',
                value: z.cooling == null ? '' : figures(toTemperature(z.cooling)),
              },
            ],
            make: (v) => {
              const given = (k: string) =>
                String(v[k]).trim() === ''
                  ? null
                  : fromTemperature(Number(String(v[k]).replace(',', '.')));
              const [heating, cooling] = [given('heat'), given('cool')];
              if ([heating, cooling].some((t) => t != null && !Number.isFinite(t)))
                return 'Set-points must be numbers.';
              return { kind: 'AmendZone', zone: z.key, name: String(v.name), heating, cooling };
            },
          },
        ]}
      />
    </div>
  );
}

/** For the spaces that are selected. */
function Chosen({
  spaces,
  conditions,
  edits,
}: {
  spaces: Space[];
  conditions: Conditions;
  edits: Edits;
}) {
  const keys = spaces.map((s) => s.key);
  return (
    <>
      <p className="font-semibold">
        {spaces.length === 1 ? spaces[0].name : count(spaces.length, 'space')}
      </p>
      <div className="mt-1.5 flex flex-wrap gap-1.5">
        <Picker
          label="Use"
          testId="give-use"
          choices={conditions.uses.map((u) => ({
            id: u.name,
            label: u.name.replace(/([a-z])([A-Z])/g, '$1 $2'),
            detail: `${figures(toPowerDensity(u.lighting))} + ${figures(toPowerDensity(u.equipment))} ${densityOfPowerUnit()}`,
            group: 'Uses, with light and equipment typical of them',
            title:
              (u.areaPerPerson ? `${figures(u.areaPerPerson)} m² per person; ` : '') +
              `outdoor air ${figures(u.airPerPerson)} l/s per person and ${figures(u.airPerArea)} l/s·m²`,
          }))}
          onPick={(use) =>
            edits.consider(
              { kind: 'GiveUse', spaces: keys, use, gains: conditions.typical[use] },
              `Give the use ${use}`,
            )
          }
        />
        <DropdownMenu.Root>
          <DropdownMenu.Trigger className="btn" data-testid="give-condition">
            Conditioned <ChevronDown size={13} />
          </DropdownMenu.Trigger>
          <DropdownMenu.Portal>
            <DropdownMenu.Content className="menu" align="start">
              {CONDITIONS.map(([condition, label]) => (
                <DropdownMenu.Item
                  key={condition}
                  className="menu-item"
                  onSelect={() =>
                    edits.consider({ kind: 'GiveUse', spaces: keys, condition }, `Take as ${label}`)
                  }
                >
                  {label}
                </DropdownMenu.Item>
              ))}
            </DropdownMenu.Content>
          </DropdownMenu.Portal>
        </DropdownMenu.Root>
        <Picker
          label="Zone"
          testId="give-zone"
          choices={conditions.zones.map((z) => ({
            id: z.key,
            label: z.name,
            detail: count(z.spaces.length, 'space'),
            group: 'Zones',
          }))}
          onPick={(zone) =>
            edits.consider({ kind: 'GiveZone', spaces: keys, zone }, 'Put into the zone')
          }
        />
      </div>
      <Actions
        key={keys.join()}
        edits={edits}
        actions={[
          {
            label: 'A new zone for them',
            fields: [
              { name: 'name', label: 'Name', kind: 'text', value: spaces[0].name },
              {
                name: 'heat',
                label: `Heated to, ${temperatureUnit()}`,
                kind: 'number',
                value: figures(toTemperature(20)),
              },
              {
                name: 'cool',
                label: `Cooled to, ${temperatureUnit()}`,
                kind: 'number',
                value: figures(toTemperature(26)),
              },
            ],
            make: (v) => ({
              kind: 'GiveZone',
              spaces: keys,
              name: String(v.name),
              heating: fromTemperature(Number(v.heat)),
              cooling: fromTemperature(Number(v.cool)),
            }),
          },
        ]}
      />
      <p className="mt-2 text-sm text-muted">
        Without a selection uses are told by name and zones are proposed here.
      </p>
    </>
  );
}
