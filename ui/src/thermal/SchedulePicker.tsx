import type { Conditions, LibraryAnswer, SchedulePurpose } from '../model/api';
import type { Edits } from '../model/useEdits';
import { Picker } from './Picker';
import { kindLabel } from './schedules';
import { useUnits } from '../model/units';

const NONE = 'none';

/** Gives spaces or zones a schedule, of the delivery or of the library, or takes it away. */
export function SchedulePicker({
  purpose,
  label,
  targets,
  conditions,
  library,
  edits,
}: {
  purpose: SchedulePurpose;
  label: string;
  targets: string[];
  conditions: Conditions;
  library: LibraryAnswer | undefined;
  edits: Edits;
}) {
  const units = useUnits();
  const degrees = purpose === 'HEATING' || purpose === 'COOLING';
  const fits = (type: string) => !degrees || type === 'Temp' || type === '' || type === 'OnOff';
  const used = conditions.schedules.some((s) =>
    (s.users[purpose] ?? []).some((k) => targets.includes(k)),
  );
  const choices = [
    ...(used ? [{ id: NONE, label: 'No schedule', group: 'Take it away' }] : []),
    ...conditions.schedules
      .filter((s) => fits(s.profile.type))
      .map((s) => ({
        id: `own:${s.key}`,
        label: s.profile.name,
        detail: kindLabel(units, s.profile.type),
        group: 'In the model',
      })),
    ...(library?.library.schedules ?? [])
      .filter((s) => (degrees ? s.profile.type === 'Temp' : s.profile.type !== 'Temp'))
      .map((s) => ({
        id: `library:${s.profile.name}`,
        label: s.profile.name,
        detail: kindLabel(units, s.profile.type),
        group: 'Library',
        title: s.source,
      })),
  ];
  return (
    <Picker
      label={label}
      testId={`schedule-${purpose}`}
      choices={choices}
      onPick={(id) => {
        const name = id.slice(id.indexOf(':') + 1);
        const profile = library?.library.schedules.find((s) => s.profile.name === name)?.profile;
        edits.consider(
          {
            kind: 'GiveSchedule',
            purpose,
            targets,
            ...(id === NONE ? {} : id.startsWith('own:') ? { schedule: name } : { profile }),
          },
          id === NONE ? 'Take the schedule away' : 'Give the schedule',
        );
      }}
    />
  );
}
