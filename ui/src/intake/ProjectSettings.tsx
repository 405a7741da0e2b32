import { spoken } from '../model/words';
import { useUnits } from '../model/units';
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type Model, type Project, type Settings } from '../model/api';
import { useSettings } from '../model/useSettings';

type Figure = 'latitude' | 'longitude' | 'elevation' | 'north' | 'groundLevel';

/** What is decided for the project as a whole; blank fields leave it to the delivery, where there is one. */
export function ProjectSettings({ project, model }: { project: Project; model: Model | null }) {
  const units = useUnits();
  const now = project.settings;
  const d: Partial<Model['delivered']> = model?.delivered ?? {};
  const latitude = now.latitude ?? d.latitude;
  const longitude = now.longitude ?? d.longitude;
  const stations = useQuery({
    queryKey: ['stations', latitude, longitude],
    queryFn: () => api.stations(latitude, longitude),
    staleTime: Infinity,
  });

  const change = useSettings(project);
  const save = (what: Partial<Settings>) => change(what, 'Kept for the whole project.');

  /** Latitude and longitude go together: the other one is taken from the delivery. */
  function place(which: Figure, v: number | undefined) {
    if (which === 'latitude' || which === 'longitude') {
      const other = which === 'latitude' ? 'longitude' : 'latitude';
      const fill = v === undefined ? undefined : (now[other] ?? d[other] ?? 0);
      void save({ [which]: v, [other]: fill });
    } else void save({ [which]: v });
  }

  const uses = useQuery({
    queryKey: ['building-uses'],
    queryFn: api.buildingUses,
    staleTime: Infinity,
  });
  const nearest = stations.data?.[0];
  return (
    <div data-testid="project-settings">
      {model && <h2 className="text-title font-semibold">Project</h2>}
      <FigureField
        label="Latitude"
        unit="°N"
        value={now.latitude}
        delivered={d.latitude}
        onSave={(v) => place('latitude', v)}
      />
      <FigureField
        label="Longitude"
        unit="°E"
        value={now.longitude}
        delivered={d.longitude}
        onSave={(v) => place('longitude', v)}
      />
      <FigureField
        label="Elevation"
        unit={units.length.unit}
        to={units.length.to}
        from={units.length.from}
        value={now.elevation}
        delivered={d.elevation}
        onSave={(v) => place('elevation', v)}
      />
      <FigureField
        label="y axis azimuth"
        unit="°"
        value={now.north}
        delivered={d.north}
        onSave={(v) => place('north', v)}
      />
      <FigureField
        label="Ground level"
        unit={units.length.unit}
        to={units.length.to}
        from={units.length.from}
        value={now.groundLevel}
        delivered={null}
        onSave={(v) => place('groundLevel', v)}
      />
      <label className="mt-1 flex items-center justify-between gap-2">
        <span className="text-muted">Use</span>
        <select
          className="field w-36"
          value={now.use ?? ''}
          onChange={(e) => void save({ use: e.target.value || undefined })}
        >
          <option value="">{d.use ? `${spoken(d.use)} (delivered)` : 'not stated'}</option>
          {uses.data?.map((u) => (
            <option key={u} value={u}>
              {spoken(u)}
            </option>
          ))}
        </select>
      </label>
      <label className="mt-1 flex items-center justify-between gap-2">
        <span className="text-muted">Weather</span>
        <select
          className="field w-36"
          value={now.station ?? ''}
          onChange={(e) => void save({ station: e.target.value || undefined })}
        >
          <option value="">{nearest ? `nearest: ${nearest.name}` : '–'}</option>
          {stations.data?.map((s) => (
            <option key={s.name} value={s.name}>
              {s.name}
              {s.distance == null ? '' : `, ${units.distance.text(s.distance)}`}
            </option>
          ))}
        </select>
      </label>
    </div>
  );
}

const same = (v: number) => v;

/** No more digits than a person has typed or measured; the value itself keeps them. */
const digits = (v: number) => String(Number(v.toFixed(6)));

/** A number that may be left blank; Enter or leaving the field keeps it. */
function FigureField({
  label,
  unit,
  value,
  delivered,
  to = same,
  from = same,
  onSave,
}: {
  label: string;
  unit: string;
  value: number | null | undefined;
  delivered: number | null | undefined;
  /** Into the unit that is shown, and back. */
  to?: (v: number) => number;
  from?: (v: number) => number;
  onSave: (v: number | undefined) => void;
}) {
  const shown = value == null ? '' : digits(to(value));
  const [draft, setDraft] = useState<string | null>(null);
  const text = draft ?? shown;
  const parsed = text.trim() === '' ? undefined : Number(text.trim().replace(',', '.'));
  const bad = parsed !== undefined && !Number.isFinite(parsed);

  function done() {
    if (draft === null || bad) return;
    setDraft(null);
    if (draft.trim() !== shown) onSave(parsed === undefined ? undefined : from(parsed));
  }

  return (
    <label className="mt-1 flex items-center justify-between gap-2">
      <span className="text-muted">{label}</span>
      <span className="flex items-center gap-1">
        <input
          className={`field w-28 text-right ${bad ? 'border-blocker' : ''}`}
          aria-invalid={bad}
          value={text}
          placeholder={delivered == null ? 'not stated' : digits(to(delivered))}
          title={bad ? 'Write a number, such as 51.5' : 'Blank: as the delivery states it'}
          onChange={(e) => setDraft(e.target.value)}
          onBlur={done}
          onKeyDown={(e) => {
            if (e.key === 'Enter') done();
            if (e.key === 'Escape') setDraft(null);
          }}
        />
        <span className="w-6 text-muted">{unit}</span>
      </span>
    </label>
  );
}
