import { DropdownMenu } from 'radix-ui';
import { ChevronDown } from 'lucide-react';
import type { Conditions, LibraryAnswer, Space } from '../model/api';
import { Actions } from '../shared/Form';
import type { Edits } from '../model/useEdits';
import { count, spoken } from '../model/words';
import { figures, useUnits, type Units } from '../model/units';
import { CONDITIONS, airText, gainValues } from './conditions';
import { Picker } from './Picker';
import { SchedulePicker } from './SchedulePicker';
import { OF_SPACES } from './schedules';

const shown = (v: number | null | undefined, to: (v: number) => number = (x) => x) =>
  v == null ? '' : figures(to(v));
const power = (units: Units, v: number | null | undefined) =>
  figures(v == null ? null : units.powerDensity.to(v));

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
  const units = useUnits();
  const keys = spaces.map((s) => s.key);
  // of a single space its own values stand in the form
  const one = spaces.length === 1 ? conditions.gains[keys[0]] : undefined;
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
            label: spoken(u.name),
            detail: `${power(units, u.lighting)} + ${power(units, u.equipment)} ${units.powerDensity.unit}`,
            group: 'Uses, with light and equipment typical of them',
            title:
              (u.areaPerPerson ? `${units.area.text(u.areaPerPerson)} a person; ` : '') +
              `outdoor air ${airText(units, conditions.typical[u.name].air)}; ${u.source}`,
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
            label: 'People, light, equipment',
            hint: 'What is left empty stays. State people or the area for each, not both.',
            fields: [
              { name: 'people', label: 'People in each space', kind: 'text', value: '' },
              {
                name: 'area',
                label: `Floor for each person, ${units.area.unit}`,
                kind: 'text',
                value: shown(one?.areaPerPerson, units.area.to),
              },
              {
                name: 'sensible',
                label: 'Sensible heat a person, W',
                kind: 'text',
                value: shown(one?.sensiblePerPerson),
              },
              {
                name: 'latent',
                label: 'Latent heat a person, W',
                kind: 'text',
                value: shown(one?.latentPerPerson),
              },
              {
                name: 'light',
                label: `Light, ${units.powerDensity.unit}`,
                kind: 'text',
                value: shown(one?.lighting, units.powerDensity.to),
              },
              {
                name: 'equipment',
                label: `Equipment, ${units.powerDensity.unit}`,
                kind: 'text',
                value: shown(one?.equipment, units.powerDensity.to),
              },
            ],
            make: (v) => {
              const gains = gainValues(units, v);
              if (!gains) return 'Values must be numbers.';
              if (gains.people != null && gains.areaPerPerson != null)
                return 'State people or the area for each, not both.';
              return { kind: 'GiveUse', spaces: keys, gains };
            },
          },
          {
            label: 'A new zone for them',
            fields: [
              { name: 'name', label: 'Name', kind: 'text', value: spaces[0].name },
              {
                name: 'heat',
                label: `Heated to, ${units.temperature.unit}`,
                kind: 'number',
                value: figures(units.temperature.to(20)),
              },
              {
                name: 'cool',
                label: `Cooled to, ${units.temperature.unit}`,
                kind: 'number',
                value: figures(units.temperature.to(26)),
              },
            ],
            make: (v) => ({
              kind: 'GiveZone',
              spaces: keys,
              name: String(v.name),
              heating: units.temperature.from(Number(v.heat)),
              cooling: units.temperature.from(Number(v.cool)),
            }),
          },
        ]}
      />
      <h2 className="kicker mt-2">Schedules</h2>
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
        Without a selection uses are read from names and zones are proposed here.
      </p>
    </>
  );
}
