import { DropdownMenu } from 'radix-ui';
import { ChevronDown } from 'lucide-react';
import type { Conditions, LibraryAnswer, Space } from '../api';
import { Actions } from '../repair/Form';
import type { Edits } from '../useEdits';
import {
  areaText,
  count,
  densityOfPowerUnit,
  figures,
  fromTemperature,
  temperatureUnit,
  toPowerDensity,
  toTemperature,
} from '../words';
import { CONDITIONS, airText } from './conditions';
import { Picker } from './Picker';
import { SchedulePicker } from './SchedulePicker';
import { OF_SPACES } from './schedules';

const power = (v: number | null | undefined) => figures(v == null ? null : toPowerDensity(v));

/** For the spaces that are selected. */
export function ChosenSpaces({
  spaces,
  conditions,
  library,
  edits,
}: {
  spaces: Space[];
  conditions: Conditions;
  library: LibraryAnswer | undefined;
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
            detail: `${power(u.lighting)} + ${power(u.equipment)} ${densityOfPowerUnit()}`,
            group: 'Uses, with light and equipment typical of them',
            title:
              (u.areaPerPerson ? `${areaText(u.areaPerPerson)} a person; ` : '') +
              `outdoor air ${airText(conditions.typical[u.name].air)}; ${u.source}`,
          }))}
          onPick={(use) =>
            edits.consider(
              {
                kind: 'GiveUse',
                spaces: keys,
                use,
                gains: conditions.typical[use].gains,
                times: conditions.typical[use].times,
              },
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
              <DropdownMenu.Item
                className="menu-item"
                onSelect={() =>
                  edits.consider(
                    { kind: 'GiveUse', spaces: keys, use: 'Plenum', condition: 'Unconditioned' },
                    'Take as a ceiling void or shaft',
                  )
                }
              >
                plenum: ceiling void or shaft
              </DropdownMenu.Item>
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
      <h3 className="kicker mt-2">Schedules</h3>
      <div className="flex flex-wrap gap-1.5">
        {OF_SPACES.map(([purpose, label]) => (
          <SchedulePicker
            key={purpose}
            purpose={purpose}
            label={label}
            targets={keys}
            conditions={conditions}
            library={library}
            edits={edits}
          />
        ))}
      </div>
      <p className="mt-2 text-sm text-muted">
        Without a selection uses are told by name and zones are proposed here.
      </p>
    </>
  );
}
