import { SeverityMark } from '../shared/SeverityMark';
import { useChecks } from '../model/useChecks';
import { useUnits } from '../model/units';
import { useView } from '../model/state';
import { counted } from '../model/words';
import { openGroups, type Open } from './planSteps';
import type { PlanWork } from './usePlan';

const LEAVE = '';

/** What the delivery does not determine: each question with its answers, and one for all that are alike. */
export function PlanQuestions({ plan }: { plan: PlanWork }) {
  const checks = useChecks();
  return (
    <div className="min-w-0 flex-1 overflow-y-auto" data-testid="plan-questions">
      {openGroups(plan.open).map((g) => (
        <section key={g.code} className="border-b border-line px-3 py-2">
          <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
            <h3 className="font-semibold">
              {checks.get(g.code)?.finds ?? g.code}{' '}
              <span className="text-muted">({g.open.length})</span>
            </h3>
            {g.common.length > 0 && (
              <select
                className="field !h-6 max-w-72"
                aria-label={`Answer all: ${g.code}`}
                value={LEAVE}
                onChange={(e) => {
                  const all = g.common.find((c) => c.label === e.target.value);
                  if (all)
                    plan.answer(
                      all.of.map((o) => o.finding),
                      all.label,
                    );
                  else if (e.target.value === 'none')
                    plan.answer(
                      g.open.map((o) => o.finding),
                      null,
                    );
                }}
              >
                <option value={LEAVE}>Answer several at once …</option>
                <option value="none">Leave all</option>
                {g.common.map((c) => (
                  <option key={c.label} value={c.label}>
                    {c.label} ({c.of.length})
                  </option>
                ))}
              </select>
            )}
          </div>
          <ul className="mt-1">
            {g.open.map((o) => (
              <Question key={o.finding} open={o} plan={plan} />
            ))}
          </ul>
        </section>
      ))}
      {plan.more > 0 && (
        <p className="px-3 py-2 text-muted">
          {counted(plan.more)} more are not listed. They are answered in Findings.
        </p>
      )}
    </div>
  );
}

function Question({ open: o, plan }: { open: Open; plan: PlanWork }) {
  const units = useUnits();
  const set = useView((s) => s.set);
  const refused = plan.unanswered.get(o.finding);
  return (
    <li className="flex flex-wrap items-start gap-x-3 gap-y-1 py-1 [content-visibility:auto]">
      <button
        className="flex min-w-56 flex-1 items-start gap-1.5 text-left hover:underline"
        title="Show where it is"
        onClick={() => set({ selection: o.objects })}
      >
        <span className="pt-1">
          <SeverityMark severity={o.severity} size={11} />
        </span>
        {units.said(o.message)}
      </button>
      <span className="w-60">
        <select
          className="field !h-6 w-full"
          aria-label={`What to do: ${units.said(o.message)}`}
          value={plan.answers.get(o.finding) ?? LEAVE}
          onChange={(e) => plan.answer([o.finding], e.target.value || null)}
        >
          <option value={LEAVE}>Leave it</option>
          {o.choices.map((c) => (
            <option key={c.label} value={c.label}>
              {units.said(c.label)}
            </option>
          ))}
        </select>
        {refused && (
          <span className="block text-sm text-error">Not taken: {units.said(refused)}</span>
        )}
      </span>
    </li>
  );
}
