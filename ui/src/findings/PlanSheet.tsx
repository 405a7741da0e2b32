import { useMemo, useState } from 'react';
import type { ModelIndex } from '../model/model';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { useUnits, type Units } from '../model/units';
import { useChecks } from '../model/useChecks';
import { count } from '../model/words';
import { Table, type Column } from '../shared/Table';
import { PlanFigures } from './PlanFigures';
import { PlanQuestions } from './PlanQuestions';
import { keyOf, stepGroups, type Step } from './planSteps';
import { usePlan, type PlanWork } from './usePlan';

const LABEL = 'Repair plan';

/** Shown in place of steps: what a person decides, and what was tried and is not taken. */
const OPEN = 'open';
const LEFT = 'left';

/** What can be put right without a judgement, step by step, and what needs one; taken as one entry of the log. */
export function PlanSheet({ index, edits }: { index: ModelIndex; edits: Edits }) {
  const plan = usePlan(index);
  const { made } = plan;
  if (made.error) return <p className="p-3 text-error">{made.error.message}</p>;
  if (made.data) return <Steps plan={plan} edits={edits} />;
  return (
    <div className="max-w-md p-3" role="status">
      {made.givenUp ? (
        <>
          <p className="mb-2 text-muted">The plan was given up before it was whole.</p>
          <button className="btn" onClick={made.again}>
            Work it out
          </button>
        </>
      ) : (
        <>
          <label className="block text-muted">
            Trying what can be put right, step by step … {Math.round(made.share * 100)} %
            <progress className="mt-0.5 block h-1.5 w-full accent-kelp" value={made.share} />
          </label>
          <button className="btn mt-2" data-testid="plan-give-up" onClick={made.giveUp}>
            Give up
          </button>
        </>
      )}
    </div>
  );
}

function Steps({ plan, edits }: { plan: PlanWork; edits: Edits }) {
  const units = useUnits();
  const checks = useChecks();
  const set = useView((s) => s.set);
  const [shown, setShown] = useState<string | null>(null);
  const [chosen, setChosen] = useState<string[]>([]);
  const { steps, out, gone } = plan;
  const groups = useMemo(() => stepGroups(steps), [steps]);
  const rows = shown ? steps.filter((s) => s.code === shown) : steps;
  const { tick } = plan;
  const columns = useMemo(() => columnsIn(units, out, gone, tick), [units, out, gone, tick]);

  const row = (key: string | null, text: string, some: Step[], tail: string) => (
    <li
      key={key ?? 'all'}
      className={`flex items-start gap-2 border-b border-line/50 px-2 text-sm leading-[17px] ${shown === key ? 'bg-kelp-soft font-semibold' : ''}`}
    >
      {some.length > 0 && (
        <Tick
          of={some.length}
          on={some.filter((s) => !out.has(keyOf(s))).length}
          label={`Take ${text}`}
          onChange={(on) => plan.tick(some, on)}
        />
      )}
      <button
        className="min-h-6 min-w-0 flex-1 py-1 text-left hover:underline"
        onClick={() => setShown(key)}
      >
        {text}
        {tail && <span className="text-muted"> · {tail}</span>}
      </button>
      {some.length > 0 && <span className="num py-1">{some.length}</span>}
    </li>
  );

  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <Result plan={plan} edits={edits} />
      <div className="flex min-h-0 flex-1">
        <ul
          className="w-60 shrink-0 overflow-y-auto border-r border-line"
          data-testid="plan-groups"
        >
          {row(null, 'All steps', steps, '')}
          {plan.open.length > 0 &&
            row(
              OPEN,
              `For you to decide: ${count(plan.open.length + plan.more, 'question')}`,
              [],
              plan.answers.size ? `${plan.answers.size} answered` : '',
            )}
          {groups.map((g) =>
            row(
              g.code,
              checks.get(g.code)?.finds ?? g.code,
              g.steps,
              g.area > 0 ? units.area.text(g.area) : '',
            ),
          )}
          {plan.refused.length > 0 &&
            row(
              LEFT,
              `Tried and not taken: ${count(plan.refused.length, 'remedy', 'remedies')}`,
              [],
              '',
            )}
        </ul>
        {shown === OPEN ? (
          <PlanQuestions plan={plan} />
        ) : shown === LEFT ? (
          <ul className="min-w-0 flex-1 overflow-y-auto p-2" data-testid="plan-left">
            {plan.refused.map((r) => (
              <li key={r.finding + r.label} className="border-b border-line/50 py-1">
                <span className="font-mono text-[11px]">{r.code}</span> {r.label}:{' '}
                <span className="text-muted">{units.said(r.reason)}</span>
              </li>
            ))}
          </ul>
        ) : (
          <Table
            name="plan"
            rows={rows}
            columns={columns}
            keyOf={keyOf}
            selection={new Set(chosen)}
            onSelect={(keys) => {
              setChosen(keys);
              const of = steps.filter((s) => keys.includes(keyOf(s)));
              set({ selection: of.flatMap((s) => s.objects) });
            }}
            empty="Nothing that is open can be put right without a judgement: answer it in Findings."
            tools={
              gone.size > 0 && (
                <span className="ml-3 text-muted" data-testid="plan-gone">
                  {count(gone.size, 'step')} cannot be taken without those left out
                </span>
              )
            }
          />
        )}
      </div>
    </div>
  );
}

/** What is taken, what it comes to, and the way on. */
function Result({ plan, edits }: { plan: PlanWork; edits: Edits }) {
  const { outcome } = plan;
  return (
    <div className="flex items-start gap-3 border-b border-line px-2 py-1 text-sm">
      <div className="flex min-w-0 flex-1 flex-wrap gap-x-4">
        <p className="font-semibold" data-testid="plan-sum">
          {plan.taken} of {count(plan.steps.length, 'step')} taken
          {plan.answers.size > 0 && `, ${count(plan.answered, 'question')} answered`}
        </p>
        {outcome.error ? (
          <p className="text-error">{outcome.error.message}</p>
        ) : outcome.data && !outcome.working ? (
          <PlanFigures outcome={outcome.data} />
        ) : (
          <p className="text-muted" role="status">
            Working out what it comes to … {Math.round(outcome.share * 100)} %
          </p>
        )}
      </div>
      <button
        className="btn btn-main"
        disabled={!(plan.taken + plan.answered) || edits.busy || !outcome.data || outcome.working}
        data-testid="plan-look"
        title="Shows in the model what would be done, as one repair that is made or left"
        onClick={() => edits.consider(plan.repair(LABEL), 'Take the plan')}
      >
        Look at it …
      </button>
    </div>
  );
}

/** A box for several: neither ticked nor empty when only some are taken. */
function Tick({
  of,
  on,
  label,
  onChange,
}: {
  of: number;
  on: number;
  label: string;
  onChange: (on: boolean) => void;
}) {
  return (
    <input
      type="checkbox"
      className="my-[5px] block size-4 shrink-0"
      aria-label={label}
      checked={on === of}
      ref={(el) => {
        if (el) el.indeterminate = on > 0 && on < of;
      }}
      onChange={(e) => onChange(e.target.checked)}
    />
  );
}

function columnsIn(
  units: Units,
  out: PlanWork['out'],
  gone: PlanWork['gone'],
  tick: PlanWork['tick'],
): Column<Step>[] {
  const said = (text: string) => <span title={units.said(text)}>{units.said(text)}</span>;
  return [
    {
      id: 'take',
      head: 'Take',
      width: 46,
      value: (s) => (out.has(keyOf(s)) ? 0 : 1),
      show: (s) => {
        const why = gone.get(keyOf(s));
        return (
          <input
            type="checkbox"
            className="my-[5px] block size-4"
            checked={!out.has(keyOf(s))}
            disabled={why !== undefined}
            title={why && `It builds on what is left out: ${units.said(why)}`}
            aria-label={`Take step ${s.number}`}
            onChange={(e) => tick([s], e.target.checked)}
            onClick={(e) => e.stopPropagation()}
          />
        );
      },
    },
    { id: 'n', head: 'No.', width: 40, number: true, value: (s) => s.number },
    {
      id: 'code',
      head: 'For',
      width: 66,
      value: (s) => s.code,
      show: (s) => <span className="font-mono text-[11px]">{s.code}</span>,
    },
    {
      id: 'says',
      head: 'What is done',
      width: 270,
      value: (s) => s.says,
      show: (s) => said(s.says),
    },
    {
      id: 'what',
      head: 'What is wrong',
      width: 250,
      value: (s) => s.message,
      show: (s) => said(s.message),
    },
    { id: 'resolves', head: 'Answers', width: 60, number: true, value: (s) => s.resolves },
  ];
}
