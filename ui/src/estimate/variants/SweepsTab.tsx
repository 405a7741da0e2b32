import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { Play, RotateCw, Trash2, X } from 'lucide-react';
import { api, type Model } from '../../model/api';
import { useUnits } from '../../model/units';
import type { Change, Choices, Variants } from '../../model/variantCalls';
import { count } from '../../model/words';
import { useAct, useChoices } from './useVariants';
import { AxisForm, type AxisWish } from './AxisForm';
import { beginning, KINDS, numbersOf } from './kinds';
import { useLibrary } from './useLibrary';
import { Lacks } from './Lacks';
import { SweepCharts } from './SweepCharts';

/** Numbers of changes run through values: asked for, watched as they arrive, read from curves and maps. */
export function SweepsTab({
  model,
  variants: v,
  assume,
}: {
  model: Model;
  variants: Variants | undefined;
  assume: boolean;
}) {
  const { id, projectId: project } = model.delivery;
  const { act, error, busy } = useAct(id);
  const choices = useChoices(model).data;
  const library = useLibrary(project);
  const units = useUnits();
  const [from, setFrom] = useState('');
  const [axes, setAxes] = useState<AxisWish[]>([]);
  const [grid, setGrid] = useState(true);
  const [picked, setPicked] = useState<string | null>(null);
  const [why, setWhy] = useState<string | null>(null);
  const chosen = v?.sweeps.find((s) => s.id === picked) ?? v?.sweeps[0] ?? null;
  const sweep = useQuery({
    queryKey: ['sweep', chosen?.id],
    queryFn: () => api.sweepOf(chosen!.id),
    enabled: !!chosen,
    placeholderData: (old) => (old?.id === chosen?.id ? old : undefined),
  }).data;
  if (!v || !choices) return <p className="p-3 text-muted">Opening the sweeps …</p>;

  const wishes = axes.length
    ? axes
    : [
        wishOf(choices, KINDS.find((k) => k.kind === 'LayerThickness')!.fresh(choices, library)),
      ].filter((w): w is AxisWish => w !== null);
  const runs = wishes.map((w) => w.values.length);
  const total = grid ? runs.reduce((a, b) => a * b, 1) : runs.reduce((a, b) => a + b, 0);

  function another() {
    const made = KINDS.find(
      (k) =>
        k.kind === (wishes[0]?.change.kind === 'WindowShades' ? 'GlazingShare' : 'WindowShades'),
    )!.fresh(choices!, library);
    const wish = wishOf(choices!, made);
    setWhy(typeof made === 'string' ? made : null);
    if (wish) setAxes([...wishes, wish]);
  }

  async function run() {
    const made = await act(() =>
      api.askSweep(id, {
        name: null,
        variant: from || null,
        grid,
        assumeMissing: assume,
        axes: wishes.map((w) => ({
          change: w.change,
          member: w.member,
          values: w.values,
          from: null,
          to: null,
          step: null,
        })),
      }),
    );
    if (made) setPicked(made.id);
  }

  return (
    <div className="flex min-h-0 flex-1" data-testid="sweeps">
      <div className="w-[352px] shrink-0 overflow-y-auto border-r border-line px-3 py-2">
        <label className="flex items-center gap-2">
          <span className="w-20 shrink-0 text-muted">Starts from</span>
          <select
            className="field min-w-0 flex-1"
            value={from}
            onChange={(e) => setFrom(e.target.value)}
          >
            <option value="">the baseline</option>
            {v.variants.map((x) => (
              <option key={x.id} value={x.id}>
                {x.name}
              </option>
            ))}
          </select>
        </label>
        {wishes.map((w, i) => (
          <AxisForm
            key={i}
            place={i}
            wish={w}
            choices={choices}
            project={project}
            onKind={(kind) => {
              const made = KINDS.find((k) => k.kind === kind)!.fresh(choices, library);
              const wish = wishOf(choices!, made);
              setWhy(typeof made === 'string' ? made : null);
              if (wish) setAxes(wishes.map((x, k) => (k === i ? wish : x)));
            }}
            onChange={(wish) => setAxes(wishes.map((x, k) => (k === i ? wish : x)))}
            onRemove={
              wishes.length > 1 ? () => setAxes(wishes.filter((_, k) => k !== i)) : undefined
            }
          />
        ))}
        {why && <p className="font-semibold text-blocker">{why}</p>}
        {wishes.length < 2 ? (
          <button className="btn mt-1.5" onClick={another} data-testid="second-axis">
            Vary a second number …
          </button>
        ) : (
          <fieldset className="mt-1.5 flex gap-3">
            <legend className="sr-only">How both vary</legend>
            <label className="flex items-center gap-1">
              <input type="radio" checked={grid} onChange={() => setGrid(true)} /> every value with
              every other
            </label>
            <label className="flex items-center gap-1">
              <input type="radio" checked={!grid} onChange={() => setGrid(false)} /> one at a time
            </label>
          </fieldset>
        )}
        <div className="mt-2 flex items-center gap-2">
          <button
            className="btn btn-main"
            disabled={busy || total === 0 || total > 1000 || !v.weather}
            onClick={() => void run()}
            data-testid="run-sweep"
          >
            <Play size={13} /> Run {count(total, 'state')}
          </button>
          {total > 1000 && <span className="font-semibold text-blocker">At most 1,000 runs.</span>}
          {!v.weather && <span className="text-muted">Choose a weather file first.</span>}
        </div>
        {error && (
          <p className="mt-1 font-semibold text-blocker" role="alert">
            {units.said(error)}
          </p>
        )}
        {v.sweeps.length > 0 && <h2 className="kicker mt-4">Sweeps</h2>}
        <ul>
          {v.sweeps.map((s) => (
            <li
              key={s.id}
              className={`flex items-center gap-1 border-b border-line/60 ${s.id === chosen?.id ? 'bg-kelp-soft/60' : ''}`}
              data-testid="sweep-row"
              data-state={s.state}
            >
              <button
                className="min-w-0 flex-1 truncate py-[3px] pl-1 text-left"
                aria-current={s.id === chosen?.id}
                onClick={() => setPicked(s.id)}
              >
                <span className="font-semibold">{s.name}</span>{' '}
                <span className="text-sm text-muted">
                  {s.state === 'done' ? count(s.total, 'run') : `${s.done} of ${s.total}`}
                  {s.stale && ' · of an earlier baseline'}
                </span>
              </button>
              {s.state === 'running' && (
                <button
                  className="btn-quiet !px-1"
                  title={`Stop ${s.name}; what is done stays`}
                  onClick={() => void act(() => api.stopSweep(s.id))}
                >
                  <X size={14} />
                </button>
              )}
              {s.state === 'cancelled' && (
                <button
                  className="btn-quiet !px-1"
                  title={`Go on with ${s.name}`}
                  onClick={() => void act(() => api.resumeSweep(s.id))}
                >
                  <RotateCw size={13} />
                </button>
              )}
              <button
                className="btn-quiet !px-1"
                title={`Take ${s.name} away`}
                onClick={() => void act(() => api.deleteSweep(s.id))}
              >
                <Trash2 size={13} />
              </button>
            </li>
          ))}
        </ul>
      </div>
      <div className="min-h-0 min-w-0 flex-1 overflow-y-auto px-4 py-2">
        {sweep ? (
          <>
            {sweep.baseline.missing.length > 0 && (
              <Lacks
                lacks={sweep.baseline.missing}
                message={sweep.baseline.message}
                project={project}
              />
            )}
            <SweepCharts
              key={sweep.id}
              sweep={sweep}
              metrics={v.metrics}
              targets={v.targets}
              judgedBy={v.judgedBy}
            />
          </>
        ) : (
          <p className="max-w-[60ch] text-muted">
            A sweep runs the building for each of a list of values: how thick is worth it, how much
            glass is too much. One number gives a curve, two give a map.
          </p>
        )}
      </div>
    </div>
  );
}

/** An axis of a change's first number; null where the change cannot be made here, or has none. */
function wishOf(choices: Choices, change: Change | string): AxisWish | null {
  if (typeof change === 'string') return null;
  const numbers = numbersOf(choices, change.kind);
  if (!numbers.length) return null;
  const q = numbers[0];
  return { change, member: q.member, text: null, values: beginning(q) };
}
