import { useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { Play, Trash2, X } from 'lucide-react';
import { Link } from 'react-router';
import { api, type Model, type Project } from '../model/api';
import type { EstimateRun } from '../model/estimateCalls';
import { useView } from '../model/state';
import { useUnits } from '../model/units';
import { count, counted, moment } from '../model/words';
import { useWorkspaceLink } from '../shared/useWorkspaceLink';
import { RunSettingsForm } from './RunSettingsForm';
import { isOpen } from './useEstimate';

/** Runs of the hourly year: asked for, watched, chosen. */
export function RunsTab({
  model,
  project,
  runs,
  chosen,
  onChoose,
  ready,
}: {
  model: Model;
  project: Project;
  runs: EstimateRun[];
  chosen: string | null;
  onChoose: (run: string) => void;
  /** Weather is chosen. */
  ready: boolean;
}) {
  const client = useQueryClient();
  const [error, setError] = useState<string | null>(null);
  const id = model.delivery.id;
  const again = () => client.invalidateQueries({ queryKey: ['estimates', id] });

  async function run(assumeMissing: boolean) {
    setError(null);
    try {
      onChoose((await api.runEstimate(id, '', assumeMissing)).id);
      await again();
    } catch (e) {
      setError(e instanceof Error ? e.message : String(e));
    }
  }

  async function end(r: EstimateRun) {
    setError(null);
    try {
      await api.endRun(r.id);
      await again();
    } catch (e) {
      setError(e instanceof Error ? e.message : String(e));
    }
  }

  return (
    <div className="min-h-0 flex-1 overflow-y-auto px-4 py-3" data-testid="runs">
      <div className="flex flex-wrap items-center gap-2">
        <button
          className="btn btn-main"
          disabled={!ready || model.spaces.length === 0}
          onClick={() => void run(false)}
          data-testid="run"
        >
          <Play size={13} /> Run loads and the hourly year
        </button>
        {!ready && <span className="text-muted">Choose a weather file first, under Climate.</span>}
      </div>
      {error && (
        <p className="mt-1 font-semibold text-blocker" role="alert">
          {error}
        </p>
      )}
      {runs.length > 0 && (
        <ul className="mt-2">
          {runs.map((r) => (
            <Run
              key={r.id}
              run={r}
              project={project.id}
              chosen={r.id === chosen}
              onChoose={() => onChoose(r.id)}
              onEnd={() => void end(r)}
              onAssume={() => void run(true)}
            />
          ))}
        </ul>
      )}
      <RunSettingsForm project={project} />
    </div>
  );
}

function Run({
  run: r,
  project,
  chosen,
  onChoose,
  onEnd,
  onAssume,
}: {
  run: EstimateRun;
  project: string;
  chosen: boolean;
  onChoose: () => void;
  onEnd: () => void;
  onAssume: () => void;
}) {
  const energy = useUnits().heatByArea;
  return (
    <li
      className={`border-b border-line/60 py-1.5 ${chosen ? 'bg-kelp-soft/50' : ''}`}
      data-testid="run-row"
      data-state={r.state}
    >
      <div className="flex items-center gap-2 px-1.5">
        <label className="flex min-w-0 flex-1 items-center gap-2">
          <input
            type="radio"
            name="run"
            checked={chosen}
            disabled={r.state !== 'done'}
            onChange={onChoose}
            aria-label={`Show ${r.name}`}
          />
          <span className="font-semibold">{r.name}</span>
          <span className="truncate text-sm text-muted">
            {r.weatherLabel} · {count(r.steps, 'step')} made · {r.askedBy}, {moment(r.askedAt)}
            {r.assumeMissing && ' · with what was missing assumed'}
          </span>
        </label>
        {r.state === 'done' && r.perArea != null && (
          <span className="shrink-0 font-semibold">
            {Number(energy.to(r.perArea).toPrecision(3))} {energy.unit}
          </span>
        )}
        {isOpen(r) && (
          <>
            <progress
              className="w-40 shrink-0 accent-[var(--kelp)]"
              value={r.progress}
              aria-label={`Progress of ${r.name}`}
            />
            <span className="w-36 shrink-0 text-sm">{r.message}</span>
          </>
        )}
        <button
          className="btn-quiet shrink-0 !px-1"
          onClick={onEnd}
          title={isOpen(r) ? `Cancel ${r.name}` : `Take ${r.name} away`}
        >
          {isOpen(r) ? <X size={14} /> : <Trash2 size={13} />}
        </button>
      </div>
      {r.stale && r.state === 'done' && (
        <p className="px-1.5 pl-7 text-sm font-semibold text-warning" data-testid="stale">
          The envelope has changed since; run it again for its present state.
        </p>
      )}
      {r.state === 'cancelled' && <p className="px-1.5 pl-7 text-sm text-muted">Cancelled</p>}
      {r.state === 'failed' && <Failed run={r} project={project} onAssume={onAssume} />}
    </li>
  );
}

/** Why a run could not start, and the way to what is missing. */
function Failed({
  run: r,
  project,
  onAssume,
}: {
  run: EstimateRun;
  project: string;
  onAssume: () => void;
}) {
  const to = useWorkspaceLink(project);
  const select = useView((s) => s.select);
  return (
    <div className="px-1.5 pl-7">
      <p className="font-semibold text-blocker" role="alert">
        {r.message}
      </p>
      {r.lacks.length > 0 && (
        <>
          <ul className="max-h-28 overflow-y-auto">
            {r.lacks.map((l) => (
              <li key={l.key}>
                <Link
                  className="text-kelp underline"
                  to={to('thermal')}
                  onClick={() => select([l.key])}
                  data-testid="lack"
                >
                  {l.label}
                </Link>
              </li>
            ))}
          </ul>
          <button className="btn mt-1" onClick={onAssume} data-testid="assume">
            Run with what is missing assumed
          </button>
          <span className="ml-2 text-sm text-muted">
            {counted(r.lacks.length)} take the library’s usual construction of their type; it is
            written beside the result, the model stays as it is.
          </span>
        </>
      )}
    </div>
  );
}
