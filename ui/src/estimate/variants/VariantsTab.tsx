import { useState } from 'react';
import { Play, Plus, X } from 'lucide-react';
import { api, type Model } from '../../model/api';
import { useUnits } from '../../model/units';
import type { Variant, Variants } from '../../model/variantCalls';
import { count } from '../../model/words';
import { metricOf, shareText, tone, valueOf } from './figures';
import { Gains } from './Gains';
import { Lacks } from './Lacks';
import { TargetMark } from './TargetMark';
import { Targets } from './Targets';
import { freeName, isOpen, useAct, useChoices } from './useVariants';
import { VariantEditor } from './VariantEditor';

/** Variants of the baseline: what each changes, what it comes to, whether that is good enough. */
export function VariantsTab({
  model,
  variants: v,
  assume,
  onAssume,
}: {
  model: Model;
  variants: Variants | undefined;
  assume: boolean;
  onAssume: (yes: boolean) => void;
}) {
  const units = useUnits();
  const { id, projectId: project } = model.delivery;
  const { act, error, busy } = useAct(id);
  const choices = useChoices(model).data;
  const [picked, setPicked] = useState<string | null>(null);
  if (!v || !choices) return <p className="p-3 text-muted">Opening the variants …</p>;
  const chosen = v.variants.find((x) => x.id === picked) ?? v.variants[0] ?? null;
  const metric = metricOf(units, v.metrics, v.judgedBy);
  const rows: { id: string; name: string; of: Variant | null; run: Variants['baseline'] }[] = [
    { id: '', name: 'Baseline', of: null, run: v.baseline },
    ...v.variants.map((x) => ({ id: x.id, name: x.name, of: x, run: x.run })),
  ];
  const open = rows.filter((r) => isOpen(r.run)).length;
  const todo = rows.filter((r) => r.run.state === 'none').length;
  const lacks = v.baseline.missing.length > 0 ? v.baseline.missing : [];

  async function add() {
    const made = await act(() =>
      api.addVariant(project, { name: freeName(v!.variants), group: '', changes: [], parts: [] }),
    );
    if (made) setPicked(made.id);
  }

  return (
    <div className="flex min-h-0 flex-1 flex-col" data-testid="variants">
      <div className="shrink-0 border-b border-line px-4 py-2">
        <Targets project={project} targets={v.targets} metrics={v.metrics} act={act} />
        {error && (
          <p className="mt-1 font-semibold text-blocker" role="alert">
            {error}
          </p>
        )}
      </div>
      <div className="flex min-h-0 flex-1">
        <div className="flex w-[352px] shrink-0 flex-col border-r border-line">
          <div className="flex shrink-0 items-center gap-1.5 px-3 py-1.5">
            <button
              className="btn"
              onClick={() => void add()}
              disabled={busy}
              data-testid="add-variant"
            >
              <Plus size={13} /> New variant
            </button>
            {open > 0 ? (
              <button className="btn" onClick={() => void act(() => api.stopVariants(id))}>
                <X size={13} /> Stop {count(open, 'run')}
              </button>
            ) : (
              <button
                className="btn btn-main"
                disabled={busy || !v.weather}
                onClick={() => void act(() => api.runVariants(id, [], assume))}
                data-testid="run-variants"
              >
                <Play size={13} /> {todo > 0 ? `Run ${count(todo, 'state')}` : 'Run all'}
              </button>
            )}
          </div>
          {!v.weather && (
            <p className="px-3 text-muted">Choose a weather file first, under Climate.</p>
          )}
          <div className="min-h-0 flex-1 overflow-y-auto">
            <table className="w-full">
              <thead>
                <tr className="border-b border-line text-left text-sm text-muted">
                  <th className="py-0.5 pl-3 font-normal">Variant</th>
                  <th className="px-1 text-right font-normal" colSpan={2}>
                    {metric.label}, {metric.unit}
                  </th>
                  <td className="w-6" />
                </tr>
              </thead>
              <tbody>
                {rows.map((r) => {
                  const m = valueOf(r.run, v.judgedBy);
                  const on = r.of !== null && r.of === chosen;
                  return (
                    <tr
                      key={r.id}
                      className={`border-b border-line/60 ${on ? 'bg-kelp-soft/60' : ''}`}
                      data-testid="variant-row"
                      data-state={r.run.state}
                    >
                      <td className="max-w-[190px] pl-3">
                        {r.of ? (
                          <button
                            className="block w-full truncate py-[3px] text-left font-semibold"
                            aria-current={on}
                            title={r.of.changes.map((c) => c.label).join('\n')}
                            onClick={() => setPicked(r.id)}
                          >
                            {r.name}
                            {r.of.group && (
                              <span className="font-normal text-muted"> · {r.of.group}</span>
                            )}
                          </button>
                        ) : (
                          <span className="block py-[3px] text-muted">{r.name}</span>
                        )}
                      </td>
                      <td className="px-1 text-right font-semibold whitespace-nowrap">
                        {m?.value == null ? (
                          <span className="text-sm font-normal text-muted">
                            {short(r.run.state, r.of)}
                          </span>
                        ) : (
                          metric.text(m.value)
                        )}
                      </td>
                      <td
                        className={`w-16 px-1 text-right whitespace-nowrap ${tone(m?.difference)}`}
                      >
                        {r.of && shareText(m?.share)}
                      </td>
                      <td className="pr-2">
                        <TargetMark run={r.run} targets={v.targets.length} />
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
            {v.variants.length === 0 && (
              <p className="px-3 py-2 text-muted">
                A variant is this building with a few changes: more glass, thicker walls, deeper
                shades. It follows the building when that is repaired or revised.
              </p>
            )}
            {lacks.length > 0 && (
              <Lacks lacks={lacks} message={v.baseline.message} project={project}>
                <button
                  className="btn mt-1"
                  onClick={() => {
                    onAssume(true);
                    void act(() => api.runVariants(id, [], true));
                  }}
                >
                  Run with what is missing assumed
                </button>
              </Lacks>
            )}
            {assume && (
              <p className="px-3 py-1 text-sm text-muted">
                What has no U-value is assumed: the library’s usual construction of its type.{' '}
                <button className="text-kelp underline" onClick={() => onAssume(false)}>
                  Do not assume
                </button>
              </p>
            )}
            <Gains variants={v} />
          </div>
        </div>
        {chosen ? (
          <VariantEditor
            key={chosen.id}
            model={model}
            variant={chosen}
            all={v}
            choices={choices}
            act={act}
            onPick={setPicked}
          />
        ) : (
          <p className="p-4 text-muted">Make a first variant to see what a change would do.</p>
        )}
      </div>
    </div>
  );
}

/** What stands where there is no figure yet. */
function short(state: string, of: Variant | null): string {
  if (of && !of.applies) return 'does not apply';
  switch (state) {
    case 'none':
    case 'cancelled':
      return 'not run';
    case 'waiting':
      return 'waiting …';
    case 'running':
      return 'running …';
    case 'refused':
      return 'does not apply';
    default:
      return 'failed';
  }
}
