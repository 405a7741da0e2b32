import { useState } from 'react';
import { useMutation, useQuery } from '@tanstack/react-query';
import { api, type HeatLossSettings, type Model } from '../model/api';
import { useSettings } from '../model/useSettings';

import { figures, useUnits } from '../model/units';
import { NumberField } from './EntryFields';
import { useNumbers } from './useNumbers';
import { toNumber } from './entries';

const EDGE = { vertical: true, depth: 1, thickness: 0.06, conductivity: 0.035 };
const SUSPENDED = { height: 0.5, wallUValue: 1.7, vents: 0.002, wind: 4, shelter: 0.05, cover: 0 };
const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ');

/** What no delivery says of the ground and of unheated spaces; kept for the project. */
export function GroundSettings({ model }: { model: Model }) {
  const units = useUnits();
  const projectId = model.delivery.projectId;
  const { data: project } = useQuery({
    queryKey: ['project', projectId],
    queryFn: () => api.project(projectId),
  });
  const settings = useSettings(project);
  const [year, setYear] = useState(false);
  if (!project) return null;
  const now = project.settings.heatLoss ?? {};

  const save = (change: Partial<HeatLossSettings>) =>
    settings({ heatLoss: { ...now, ...change } }, 'Kept for the whole project.');

  return (
    <div className="mt-3 border-t border-line pt-2" data-testid="ground-settings">
      <h3 className="kicker">Ground and unheated spaces</h3>
      <Choice
        label="The ground is"
        value={now.ground ?? 'SAND'}
        choices={[
          ['SAND', 'sand or gravel'],
          ['CLAY', 'clay or silt'],
          ['ROCK', 'rock'],
        ]}
        onPick={(v) => void save({ ground: v as 'SAND' })}
      />
      <Figure
        label="Air changes of unheated spaces, 1/h"
        value={now.airChanges ?? 0.5}
        onSave={(v) => void save({ airChanges: v })}
      />
      <Choice
        label="Edge of slabs"
        value={!now.edge ? 'NONE' : now.edge.vertical ? 'DOWN' : 'IN'}
        choices={[
          ['NONE', 'not insulated'],
          ['DOWN', 'insulated downwards'],
          ['IN', 'insulated inwards'],
        ]}
        onPick={(v) =>
          void save({
            edge: v === 'NONE' ? undefined : { ...(now.edge ?? EDGE), vertical: v === 'DOWN' },
          })
        }
      />
      {now.edge && (
        <>
          <Figure
            label={`Depth, ${units.length.unit}`}
            value={units.length.to(now.edge.depth)}
            onSave={(v) => void save({ edge: { ...now.edge!, depth: units.length.from(v) } })}
          />
          <Figure
            label={`Thickness, ${units.thickness.unit}`}
            value={units.thickness.to(now.edge.thickness)}
            onSave={(v) =>
              void save({ edge: { ...now.edge!, thickness: units.thickness.from(v) } })
            }
          />
          <Figure
            label={`Conductivity, ${units.conductivity.unit}`}
            value={units.conductivity.to(now.edge.conductivity)}
            onSave={(v) =>
              void save({ edge: { ...now.edge!, conductivity: units.conductivity.from(v) } })
            }
          />
        </>
      )}
      <Choice
        label="Raised floors"
        value={now.suspended ? 'SPACE' : 'OPEN'}
        choices={[
          ['OPEN', 'over outdoor air'],
          ['SPACE', 'over a ventilated space'],
        ]}
        onPick={(v) => void save({ suspended: v === 'SPACE' ? SUSPENDED : undefined })}
      />
      {now.suspended && (
        <>
          <Figure
            label={`Floor above the ground, ${units.length.unit}`}
            value={units.length.to(now.suspended.height)}
            onSave={(v) =>
              void save({ suspended: { ...now.suspended!, height: units.length.from(v) } })
            }
          />
          <Figure
            label={`U-value of its walls, ${units.uValue.unit}`}
            value={units.uValue.to(now.suspended.wallUValue)}
            onSave={(v) =>
              void save({ suspended: { ...now.suspended!, wallUValue: units.uValue.from(v) } })
            }
          />
          <Figure
            label={`Openings, ${units.area.unit} per ${units.length.unit}`}
            value={units.length.to(now.suspended.vents)}
            onSave={(v) =>
              void save({ suspended: { ...now.suspended!, vents: units.length.from(v) } })
            }
          />
          <Figure
            label={`Wind, ${units.speed.unit}`}
            value={units.length.to(now.suspended.wind)}
            onSave={(v) =>
              void save({ suspended: { ...now.suspended!, wind: units.length.from(v) } })
            }
          />
          <Choice
            label="Shelter"
            value={String(now.suspended.shelter)}
            choices={[
              ['0.02', 'sheltered'],
              ['0.05', 'average'],
              ['0.1', 'exposed'],
            ]}
            onPick={(v) => void save({ suspended: { ...now.suspended!, shelter: Number(v) } })}
          />
          <Figure
            label={`Cover of the ground, ${units.resistance.unit}`}
            value={units.resistance.to(now.suspended.cover)}
            onSave={(v) =>
              void save({ suspended: { ...now.suspended!, cover: units.resistance.from(v) } })
            }
          />
        </>
      )}
      <button className="btn-quiet mt-1" onClick={() => setYear(!year)} aria-expanded={year}>
        Slabs through the year …
      </button>
      {year && <Year delivery={model.delivery.id} />}
    </div>
  );
}

/** Heat loss of slabs by month (ISO 13370), for temperatures that are typed. */
function Year({ delivery }: { delivery: string }) {
  const units = useUnits();
  const {
    values: n,
    allNumbers,
    field,
  } = useNumbers(() => ({
    indoors: figures(units.temperature.to(20)),
    outdoors: figures(units.temperature.to(10)),
    swing: figures(units.difference.to(8)),
    coldest: '1',
  }));
  const ask = useMutation({
    mutationFn: () =>
      api.groundYear(delivery, {
        indoors: units.temperature.from(n.indoors),
        swingIndoors: 0,
        outdoors: units.temperature.from(n.outdoors),
        swingOutdoors: units.difference.from(n.swing),
        coldest: n.coldest,
      }),
  });
  const most = Math.max(1, ...(ask.data?.months.map(Math.abs) ?? []));
  return (
    <div className="mt-1 flex flex-col gap-1" data-testid="ground-year">
      {field('indoors', 'Mean indoors', units.temperature.unit)}
      {field('outdoors', 'Mean outdoors', units.temperature.unit)}
      {field('swing', 'Swing of the months outdoors', units.difference.unit)}
      {field('coldest', 'Coldest month, 1 to 12')}
      <button className="btn self-start" disabled={!allNumbers} onClick={() => ask.mutate()}>
        Reckon the months
      </button>
      {ask.error && <p className="text-sm text-error">{ask.error.message}</p>}
      {ask.data && (
        <>
          {ask.data.area === 0 && <p className="text-sm text-muted">No slab lies on the ground.</p>}
          {ask.data.area > 0 && (
            <table className="text-sm">
              <tbody>
                {ask.data.months.map((w, i) => (
                  <tr key={MONTHS[i]}>
                    <td className="w-10 text-muted">{MONTHS[i]}</td>
                    <td>
                      <div
                        className="h-2 bg-kelp"
                        style={{ width: `${(100 * Math.abs(w)) / most}%` }}
                      />
                    </td>
                    <td className="w-20 text-right tabular-nums">
                      {units.power.to(w).toFixed(0)} {units.power.unit}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          {ask.data.leftOut > 0 && (
            <p className="text-sm text-muted">
              {ask.data.leftOut === 1 ? '1 floor is' : `${ask.data.leftOut} floors are`} left out:
              in a basement, or without a known resistance.
            </p>
          )}
        </>
      )}
    </div>
  );
}

function Choice({
  label,
  value,
  choices,
  onPick,
}: {
  label: string;
  value: string;
  choices: [string, string][];
  onPick: (v: string) => void;
}) {
  return (
    <label className="mt-1 flex items-center gap-2 text-sm">
      <span className="min-w-0 flex-1 text-muted">{label}</span>
      <select
        className="field w-36"
        aria-label={label}
        value={value}
        onChange={(e) => onPick(e.target.value)}
      >
        {choices.map(([k, name]) => (
          <option key={k} value={k}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}

/** A number that is kept with Enter or when the field is left. */
function Figure({
  label,
  value,
  onSave,
}: {
  label: string;
  value: number;
  onSave: (v: number) => void;
}) {
  const [draft, setDraft] = useState<string | null>(null);
  const done = () => {
    if (draft === null) return;
    const v = toNumber(draft);
    setDraft(null);
    if (Number.isFinite(v) && v !== value) onSave(v);
  };
  return (
    <div
      className="mt-1"
      onBlur={done}
      onKeyDown={(e) => {
        if (e.key === 'Enter') done();
        if (e.key === 'Escape') setDraft(null);
      }}
    >
      <NumberField label={label} value={draft ?? figures(value)} onChange={setDraft} />
    </div>
  );
}
