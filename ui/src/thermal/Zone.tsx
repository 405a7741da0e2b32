import type { Conditions, LibraryAnswer, ZoneRow } from '../model/api';
import { Actions } from '../shared/Form';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { count } from '../model/words';
import { figures, useUnits } from '../model/units';
import { airText, temperature, zoneValues } from './conditions';
import { SchedulePicker } from './SchedulePicker';
import { OF_ZONES } from './schedules';

const inField = (v: number | null | undefined, to: (v: number) => number = (x) => x) =>
  v == null ? '' : figures(to(v));

/** A zone: what it is kept at, what air it gets, and when. */
export function Zone({
  zone: z,
  conditions,
  library,
  edits,
}: {
  zone: ZoneRow;
  conditions: Conditions;
  library: LibraryAnswer | undefined;
  edits: Edits;
}) {
  const units = useUnits();
  const select = useView((s) => s.select);
  const name = (key: string | null | undefined) =>
    conditions.schedules.find((s) => s.key === key)?.profile.name;
  const schedules = [
    ['heated', name(z.schedules.heating)],
    ['cooled', name(z.schedules.cooling)],
    ['aired', name(z.schedules.air)],
  ].filter(([, n]) => n);
  const humidity = [
    z.air.leastHumidity != null && `not below ${figures(z.air.leastHumidity)} %`,
    z.air.mostHumidity != null && `not above ${figures(z.air.mostHumidity)} %`,
  ].filter(Boolean);
  return (
    <div className="mt-1.5 border-t border-line/60 pt-1" data-testid="zone">
      <button
        className="text-left text-kelp underline decoration-kelp/40 underline-offset-2"
        onClick={() => select(z.spaces)}
      >
        {z.name}
      </button>{' '}
      <span className="text-sm text-muted">
        {count(z.spaces.length, 'space')}
        {z.heating != null &&
          `, heated to ${temperature(units, z.heating)} ${units.temperature.unit}`}
        {z.cooling != null &&
          `, cooled to ${temperature(units, z.cooling)} ${units.temperature.unit}`}
        {z.heating == null && z.cooling == null && ', no set-points given'}
        {z.airFlow != null &&
          `; outdoor air ${airText(units, z.air)}: ${figures(units.airFlow.to(z.airFlow))} ${units.airFlow.unit} in all`}
        {humidity.length > 0 && `; humidity ${humidity.join(', ')}`}
        {schedules.length > 0 && `; ${schedules.map(([k, n]) => `${k}: ${n}`).join(', ')}`}
      </span>
      <Actions
        edits={edits}
        actions={[
          {
            label: 'Values',
            hint: 'Name, set-points, outdoor air and humidity; what is left empty stays.',
            fields: [
              { name: 'name', label: 'Name', kind: 'text', value: z.name },
              {
                name: 'heat',
                label: `Heated to, ${units.temperature.unit}`,
                kind: 'text',
                value: inField(z.heating, units.temperature.to),
              },
              {
                name: 'cool',
                label: `Cooled to, ${units.temperature.unit}`,
                kind: 'text',
                value: inField(z.cooling, units.temperature.to),
              },
              {
                name: 'perPerson',
                label: `Outdoor air a person, ${units.airFlow.unit}`,
                kind: 'text',
                value: inField(z.air.perPerson, units.airFlow.to),
              },
              {
                name: 'perArea',
                label: `Outdoor air by area, ${units.airFlowByArea.unit}`,
                kind: 'text',
                value: inField(z.air.perArea, units.airFlowByArea.to),
              },
              {
                name: 'total',
                label: `Outdoor air beside that, ${units.airFlow.unit}`,
                kind: 'text',
                value: inField(z.air.total, units.airFlow.to),
              },
              {
                name: 'least',
                label: 'Humidity not below, %',
                kind: 'text',
                value: inField(z.air.leastHumidity),
              },
              {
                name: 'most',
                label: 'Humidity not above, %',
                kind: 'text',
                value: inField(z.air.mostHumidity),
              },
            ],
            make: (v) => {
              const values = zoneValues(units, v);
              return values
                ? { kind: 'AmendZone', zone: z.key, name: String(v.name), ...values }
                : 'Set-points, air and humidity must be numbers.';
            },
          },
          ...(z.spaces.length > 1
            ? [
                {
                  label: 'Merge its spaces',
                  hint: 'One space of all that touch each other: simpler, and kept in the log',
                  fields: [],
                  make: () => ({ kind: 'MergeSpaces' as const, spaces: z.spaces }),
                },
              ]
            : []),
        ]}
      />
      <div className="mt-1 flex flex-wrap items-center gap-1.5">
        <span className="text-sm text-muted">When:</span>
        {OF_ZONES.map(([purpose, label]) => (
          <SchedulePicker
            key={purpose}
            purpose={purpose}
            label={purpose === 'AIR' ? 'Air' : label}
            targets={[z.key]}
            conditions={conditions}
            library={library}
            edits={edits}
          />
        ))}
      </div>
    </div>
  );
}
