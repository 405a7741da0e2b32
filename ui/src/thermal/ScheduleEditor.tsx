import { useState } from 'react';
import { Trash2 } from 'lucide-react';
import type { Conditions, ScheduleProfile, ScheduleRow } from '../model/api';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { count } from '../model/words';
import { DayBars } from './DayBars';
import { Picker } from './Picker';
import {
  DAYS,
  PURPOSES,
  dateLabel,
  dayLabel,
  kindLabel,
  kindsWith,
  parsed,
  splitAt,
  typed,
  withDay,
  withoutPeriod,
} from './schedules';
import { useUnits } from '../model/units';

/** One schedule: its parts of the year, its kinds of day, their values. */
export function ScheduleEditor({
  row,
  conditions,
  edits,
}: {
  row: ScheduleRow;
  conditions: Conditions;
  edits: Edits;
}) {
  const units = useUnits();
  const select = useView((s) => s.select);
  const [p, setP] = useState<ScheduleProfile>(row.profile);
  const [period, setPeriod] = useState(0);
  const [day, setDay] = useState(0);
  const [text, setText] = useState<string | null>(null);
  const [split, setSplit] = useState('');
  const part = p.periods[Math.min(period, p.periods.length - 1)];
  const d = part?.days[Math.min(day, part.days.length - 1)];
  const changed = p !== row.profile;
  const wrong = text !== null && d && !parsed(units, p.type, text);
  const zones = new Map(conditions.zones.map((z) => [z.key, z]));

  function days(next: { days: string; values: number[] }[]) {
    setP({ ...p, periods: p.periods.map((x) => (x === part ? { ...x, days: next } : x)) });
    setText(null);
  }

  return (
    <>
      <div className="flex gap-1.5">
        <input
          className="field min-w-0 flex-1 font-semibold"
          aria-label="Name of the schedule"
          value={p.name}
          onChange={(e) => setP({ ...p, name: e.target.value })}
        />
        <button
          className="btn btn-main shrink-0"
          disabled={!changed || !!wrong}
          data-testid="change-schedule"
          onClick={() =>
            edits.consider(
              { kind: 'AmendSchedule', schedule: row.key, profile: p },
              `Change ${row.profile.name}`,
            )
          }
        >
          See the change
        </button>
        <button
          className="btn shrink-0"
          disabled={!changed}
          onClick={() => {
            setP(row.profile);
            setPeriod(0);
            setDay(0);
            setText(null);
          }}
        >
          As it was
        </button>
      </div>
      <p className="mt-1 text-sm text-muted">
        <select
          className="field !h-6 text-sm"
          aria-label="Kind of values"
          value={p.type}
          onChange={(e) => setP({ ...p, type: e.target.value })}
        >
          {kindsWith(p.type).map((k) => (
            <option key={k} value={k}>
              {kindLabel(units, k)}
            </option>
          ))}
        </select>
        {PURPOSES.filter(([k]) => row.users[k]?.length).map(([k, label]) => {
          const keys = row.users[k]!;
          const spaces = keys.flatMap((x) => zones.get(x)?.spaces ?? [x]);
          return (
            <span key={k}>
              {' · '}
              <button
                className="text-kelp underline decoration-kelp/40 underline-offset-2"
                onClick={() => select(spaces)}
              >
                {label.toLowerCase()} of {count(keys.length, zones.has(keys[0]) ? 'zone' : 'space')}
              </button>
            </span>
          );
        })}
      </p>
      {row.problem && (
        <p className="mt-1 text-sm text-error">As delivered it is not complete: {row.problem}</p>
      )}

      <div className="mt-1 flex gap-3">
        <div className="w-[212px] shrink-0">
          <h2 className="kicker">Parts of the year</h2>
          <div className="flex flex-wrap gap-1.5">
            {p.periods.map((x, i) => (
              <button
                key={x.from}
                className={`btn ${x === part ? 'border-kelp bg-kelp-soft' : ''}`}
                aria-pressed={x === part}
                onClick={() => {
                  setPeriod(i);
                  setDay(0);
                  setText(null);
                }}
              >
                {dateLabel(x.from)} – {dateLabel(x.to)}
              </button>
            ))}
          </div>
          <div className="mt-1 flex items-center gap-1.5">
            <input
              className="field w-24"
              placeholder="05-01"
              aria-label="First day of a new part of the year, month and day"
              value={split}
              onChange={(e) => setSplit(e.target.value)}
            />
            <button
              className="btn"
              disabled={!/^\d\d-\d\d$/.test(split) || !splitAt(p, split)}
              title="From this day on (month-day) the values can be others"
              onClick={() => {
                setP(splitAt(p, split)!);
                setSplit('');
              }}
            >
              New part
            </button>
            {p.periods.length > 1 && (
              <button
                className="btn"
                title="Take this part of the year out; its neighbour reaches over it"
                onClick={() => {
                  setP(withoutPeriod(p, period));
                  setPeriod(0);
                }}
              >
                <Trash2 size={13} />
              </button>
            )}
          </div>

          <h2 className="kicker mt-2">Days</h2>
          <div className="flex flex-wrap items-center gap-1.5">
            {part?.days.map((x, i) => (
              <button
                key={x.days}
                className={`btn ${x === d ? 'border-kelp bg-kelp-soft' : ''}`}
                aria-pressed={x === d}
                onClick={() => {
                  setDay(i);
                  setText(null);
                }}
              >
                {dayLabel(x.days)}
              </button>
            ))}
            <Picker
              label="Other days"
              choices={DAYS.filter(([k]) => !part?.days.some((x) => x.days === k)).map(
                ([k, l]) => ({
                  id: k,
                  label: l,
                  group: 'Days with values of their own',
                }),
              )}
              onPick={(k) => {
                days([...(part?.days ?? []), { days: k, values: d?.values ?? Array(24).fill(0) }]);
                setDay(part?.days.length ?? 0);
              }}
            />
            {d && part.days.length > 1 && (
              <button
                className="btn"
                title={`Take ${dayLabel(d.days).toLowerCase()} out`}
                onClick={() => {
                  days(part.days.filter((x) => x !== d));
                  setDay(0);
                }}
              >
                <Trash2 size={13} />
              </button>
            )}
          </div>
        </div>
        {d && (
          <div className="min-w-0 flex-1">
            <DayBars
              key={`${period}/${day}`}
              type={p.type}
              values={d.values}
              label={`${p.name}, ${dayLabel(d.days)}`}
              onChange={(values) => {
                setP(withDay(p, period, day, values));
                setText(null);
              }}
            />
            <label className="mt-1 block text-sm text-muted">
              {d.values.length === 24 ? '24 values, hour by hour' : `${d.values.length} values`}
              <textarea
                className="field mt-0.5 h-12 w-full text-[12px] tabular-nums"
                data-testid="day-values"
                value={text ?? typed(units, p.type, d.values)}
                onChange={(e) => {
                  setText(e.target.value);
                  const v = parsed(units, p.type, e.target.value);
                  if (v) setP(withDay(p, period, day, v));
                }}
              />
            </label>
            {wrong && <p className="text-sm text-error">Write numbers with blanks between them.</p>}
          </div>
        )}
      </div>
    </>
  );
}
