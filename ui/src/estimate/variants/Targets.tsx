import { useState } from 'react';
import { Plus, X } from 'lucide-react';
import { api } from '../../model/api';
import { useUnits } from '../../model/units';
import type { Metric, MetricKind, TargetSpec } from '../../model/variantCalls';
import { NumberField } from '../NumberField';
import { PERCENT, shownAs } from '../measures';

/** What is good enough, said where the variants are judged. */
export function Targets({
  project,
  targets,
  metrics,
  act,
}: {
  project: string;
  targets: TargetSpec[];
  metrics: MetricKind[];
  act: (what: () => Promise<unknown>) => Promise<unknown>;
}) {
  const units = useUnits();
  const [more, setMore] = useState(false);
  const set = (list: TargetSpec[]) => void act(() => api.setTargets(project, list));
  const change = (i: number, t: TargetSpec) => set(targets.map((x, k) => (k === i ? t : x)));
  return (
    <section aria-label="Targets" data-testid="targets">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <h2 className="kicker">Target</h2>
        {targets.map((t, i) => {
          const m = metrics.find((x) => x.metric === t.metric)!;
          const share = t.below != null;
          return (
            <span key={i} className="flex items-center gap-1.5" data-testid="target">
              <MetricChoice
                metrics={metrics}
                value={t.metric}
                onChange={(metric) => change(i, { metric, most: null, below: 0.2 })}
              />
              <select
                className="field"
                aria-label={`How ${m.label} is bounded`}
                value={share ? 'below' : 'most'}
                onChange={(e) =>
                  change(
                    i,
                    e.target.value === 'below'
                      ? { metric: t.metric, most: null, below: 0.2 }
                      : { metric: t.metric, most: 50, below: null },
                  )
                }
              >
                <option value="below">below the baseline by</option>
                <option value="most">at most</option>
              </select>
              <NumberField
                key={`${t.metric} ${share}`}
                wide={false}
                label=""
                aria={`Target for ${m.label}`}
                value={share ? t.below! : t.most!}
                measure={share ? PERCENT : shownAs(units, m.quantity, m.unit)}
                onChange={(v) =>
                  v !== null && change(i, share ? { ...t, below: v } : { ...t, most: v })
                }
              />
              <button
                className="btn-quiet !px-0.5"
                title={`Take the target for ${m.label} away`}
                onClick={() => set(targets.filter((_, k) => k !== i))}
              >
                <X size={13} />
              </button>
            </span>
          );
        })}
        {(more || targets.length === 0) && (
          <span className="flex items-center gap-1.5">
            {targets.length === 0 && <span className="text-muted">None yet: judge by</span>}
            <MetricChoice
              metrics={metrics}
              value=""
              onChange={(metric) => {
                setMore(false);
                set([...targets, { metric, most: null, below: 0.2 }]);
              }}
            />
          </span>
        )}
        {targets.length > 0 && !more && (
          <button className="btn-quiet !px-1 text-sm" onClick={() => setMore(true)}>
            <Plus size={12} /> another
          </button>
        )}
      </div>
    </section>
  );
}

export function MetricChoice({
  metrics,
  value,
  label = 'Figure that counts',
  onChange,
}: {
  metrics: MetricKind[];
  value: Metric | '';
  label?: string;
  onChange: (m: Metric) => void;
}) {
  return (
    <select
      className="field"
      aria-label={label}
      value={value}
      onChange={(e) => onChange(e.target.value as Metric)}
    >
      {value === '' && <option value="">Choose a figure …</option>}
      {metrics.map((m) => (
        <option key={m.metric} value={m.metric}>
          {m.label}
        </option>
      ))}
    </select>
  );
}
