import { useMemo, useState } from 'react';
import type { Conditions, ScheduleProfile, ScheduleRow } from '../model/api';
import type { ModelIndex } from '../model/model';
import { Detail } from '../shared/Detail';
import { Table, type Column } from '../shared/Table';
import type { Edits } from '../model/useEdits';
import { PURPOSES, isTemperature, kindLabel, scale, toShown } from './schedules';
import { ScheduleEditor } from './ScheduleEditor';
import { useConditions } from './useThermal';
import { useUnits } from '../model/units';

const EMPTY: ReadonlySet<string> = new Set();

/** When people are there, light and equipment are on, and rooms are heated, cooled and aired. */
export function Schedules({ index, edits }: { index: ModelIndex; edits: Edits }) {
  const { data } = useConditions(index.model);
  return data ? (
    <Loaded conditions={data} edits={edits} />
  ) : (
    <p className="p-3 text-muted">Opening schedules …</p>
  );
}

function Loaded({ conditions, edits }: { conditions: Conditions; edits: Edits }) {
  const units = useUnits();
  const [picked, setPicked] = useState<string | null>(null);
  const columns = useMemo<Column<ScheduleRow>[]>(
    () => [
      { id: 'name', head: 'Schedule', width: 132, value: (s) => s.profile.name },
      {
        id: 'shape',
        head: 'A day',
        width: 84,
        value: () => null,
        show: (s) => <Shape profile={s.profile} />,
      },
      {
        id: 'kind',
        head: 'Values',
        width: 80,
        value: (s) => kindLabel(units, s.profile.type),
      },
      {
        id: 'hours',
        head: 'Full load',
        unit: 'h/a',
        title: 'Sum over a year of the fractions times the hours they hold',
        width: 84,
        number: true,
        value: (s) => (isTemperature(s.profile.type) ? null : (s.hours ?? null)),
        show: (s) => (isTemperature(s.profile.type) || s.hours == null ? '–' : s.hours.toFixed(0)),
      },
      ...PURPOSES.map(([purpose, label]) => ({
        id: purpose,
        head: label,
        width: 76,
        number: true,
        title: `How many ${purpose === 'PEOPLE' || purpose === 'LIGHT' || purpose === 'EQUIPMENT' ? 'spaces' : 'zones'} have it for this`,
        value: (s: ScheduleRow) => s.users[purpose]?.length ?? null,
      })),
    ],
    [units],
  );
  const row = conditions.schedules.find((s) => s.key === picked);
  return (
    <div className="flex min-h-0 flex-1" data-testid="schedules">
      <Table
        name="schedules"
        rows={conditions.schedules}
        columns={columns}
        keyOf={(s) => s.key}
        selection={picked ? new Set([picked]) : EMPTY}
        onSelect={(keys) => setPicked(keys.at(-1) ?? null)}
        empty="No schedules yet. Uses bring theirs along; or select spaces under Uses and zones and give them one."
      />
      {row ? (
        <div className="flex w-[560px] shrink-0 flex-col overflow-y-auto border-l border-line px-3 py-2">
          <ScheduleEditor
            key={row.key + JSON.stringify(row.profile)}
            row={row}
            conditions={conditions}
            edits={edits}
          />
        </div>
      ) : (
        <Detail label="Schedules">
          <p className="text-muted">
            Choose a schedule to see and change its days. Spaces and zones are given schedules under
            Uses and zones.
          </p>
        </Detail>
      )}
    </div>
  );
}

/** The first kind of day, small. */
function Shape({ profile }: { profile: ScheduleProfile }) {
  const units = useUnits();
  const values = profile.periods[0]?.days[0]?.values ?? [];
  const { from, to } = scale(units, profile.type, values);
  return (
    <svg
      viewBox={`0 0 ${Math.max(1, values.length)} 10`}
      preserveAspectRatio="none"
      className="h-[18px] w-full"
      aria-hidden
    >
      {values.map((v, i) => {
        const h = (10 * (toShown(units, profile.type, v) - from)) / (to - from || 1);
        return <rect key={i} x={i} width={1} y={10 - h} height={h} className="fill-kelp/70" />;
      })}
    </svg>
  );
}
