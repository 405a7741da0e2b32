import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type HeatLossSettings, type Model } from '../model/api';
import { useSettings } from '../model/useSettings';

import { useUnits } from '../model/units';
import { GroundYear } from './GroundYear';
import { Choice, Figure } from './KeptFields';

const EDGE = { vertical: true, depth: 1, thickness: 0.06, conductivity: 0.035 };
const SUSPENDED = { height: 0.5, wallUValue: 1.7, vents: 0.002, wind: 4, shelter: 0.05, cover: 0 };

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
      <h2 className="kicker">Ground and unheated spaces</h2>
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
      {year && <GroundYear delivery={model.delivery.id} />}
    </div>
  );
}
