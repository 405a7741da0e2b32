import { useMemo, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type Repair } from '../model/api';
import type { ModelIndex } from '../model/model';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { useUnits, type Units } from '../model/units';
import { useChecks } from '../model/useChecks';
import { count } from '../model/words';
import { Table, type Column } from '../shared/Table';
import { keyOf, stepGroups, withDependents, type Refused, type Step } from './planSteps';

const LABEL = 'Repair plan';
const NONE: ReadonlySet<string> = new Set();

/** Shown in place of steps: what is left for a person. */
const LEFT = 'left';

/** What can be put right without a judgement, step by step; taken as one entry of the log. */
export function PlanSheet({ index, edits }: { index: ModelIndex; edits: Edits }) {
  const { id, version } = index.model.delivery;
  const found = useQuery({
    queryKey: ['repair-plan', id, version],
    queryFn: () => api.repairPlan(id),
  });
  if (found.isPending) return <p className="p-3 text-muted">Working out what can be put right …</p>;
  if (found.isError) return <p className="p-3 text-error">{found.error.message}</p>;
  return (
    <Steps
      key={`${id} ${version}`}
      steps={found.data.steps}
      refused={found.data.refused}
      edits={edits}
    />
  );
}

function Steps({
  steps: given,
  refused,
  edits,
}: {
  steps: Omit<Step, 'number'>[];
  refused: Refused[];
  edits: Edits;
}) {
  const units = useUnits();
  const checks = useChecks();
  const set = useView((s) => s.set);
  const [unticked, setUnticked] = useState<ReadonlySet<string>>(NONE);
  const [shown, setShown] = useState<string | null>(null);
  const [chosen, setChosen] = useState<string[]>([]);
  const steps = useMemo<Step[]>(() => given.map((s, i) => ({ ...s, number: i + 1 })), [given]);
  const groups = useMemo(() => stepGroups(steps), [steps]);
  const out = useMemo(() => withDependents(steps, unticked), [steps, unticked]);
  const taken = steps.filter((s) => !out.has(keyOf(s)));
  const rows = shown ? steps.filter((s) => s.code === shown) : steps;

  const columns = useMemo(() => {
    const tick = (some: Step[], on: boolean) =>
      setUnticked((old) => {
        const keys = new Set(old);
        for (const s of some)
          if (on) keys.delete(keyOf(s));
          else keys.add(keyOf(s));
        return keys;
      });
    return { tick, list: columnsIn(units, out, unticked, (s, on) => tick([s], on)) };
  }, [units, out, unticked]);

  function look() {
    const repairs: Repair[] = [];
    const findings: string[] = [];
    for (const s of taken)
      for (const r of s.repairs) {
        repairs.push(r);
        findings.push(s.finding);
      }
    edits.consider({ kind: 'Several', label: LABEL, repairs, findings }, 'Take the plan');
  }

  const row = (key: string | null, text: string, some: Step[], area: number | null) => (
    <li
      key={key ?? 'all'}
      className={`flex items-start gap-2 border-b border-line/50 px-2 text-sm leading-[17px] ${shown === key ? 'bg-kelp-soft font-semibold' : ''}`}
    >
      {some.length > 0 && (
        <Tick
          of={some.length}
          on={some.filter((s) => !out.has(keyOf(s))).length}
          label={`Take ${text}`}
          onChange={(on) => columns.tick(some, on)}
        />
      )}
      <button
        className="min-h-6 min-w-0 flex-1 py-1 text-left hover:underline"
        onClick={() => setShown(key)}
      >
        {text}
        {area !== null && area > 0 && (
          <span className="text-muted"> · {units.area.text(area)}</span>
        )}
      </button>
      {some.length > 0 && <span className="num py-1">{some.length}</span>}
    </li>
  );

  return (
    <div className="flex min-h-0 flex-1">
      <ul className="w-60 shrink-0 overflow-y-auto border-r border-line" data-testid="plan-groups">
        {row(null, 'All steps', steps, null)}
        {groups.map((g) => row(g.code, checks.get(g.code)?.finds ?? g.code, g.steps, g.area))}
        {refused.length > 0 &&
          row(LEFT, `Left for a person: ${count(refused.length, 'remedy', 'remedies')}`, [], null)}
      </ul>
      {shown === LEFT ? (
        <ul className="min-w-0 flex-1 overflow-y-auto p-2" data-testid="plan-left">
          {refused.map((r) => (
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
          columns={columns.list}
          keyOf={keyOf}
          selection={new Set(chosen)}
          onSelect={(keys) => {
            setChosen(keys);
            const of = steps.filter((s) => keys.includes(keyOf(s)));
            set({ selection: of.flatMap((s) => s.objects) });
          }}
          empty="Nothing that is open can be put right without a judgement: answer it in Findings."
          tools={
            <>
              <span className="ml-3" data-testid="plan-sum">
                {count(taken.length, 'step')} of {steps.length} taken
              </span>
              <button
                className="btn ml-3 !h-6"
                disabled={!taken.length || edits.busy}
                data-testid="plan-look"
                title="Shows what the steps would do, as one repair that is made or left"
                onClick={look}
              >
                Look at it …
              </button>
            </>
          }
        />
      )}
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
  out: ReadonlySet<string>,
  unticked: ReadonlySet<string>,
  tick: (step: Step, on: boolean) => void,
): Column<Step>[] {
  return [
    {
      id: 'take',
      head: 'Take',
      width: 46,
      value: (s) => (out.has(keyOf(s)) ? 0 : 1),
      show: (s) => {
        const follows = out.has(keyOf(s)) && !unticked.has(keyOf(s));
        return (
          <input
            type="checkbox"
            className="my-[5px] block size-4"
            checked={!out.has(keyOf(s))}
            disabled={follows}
            title={follows ? 'It builds on a step that is not taken' : ''}
            aria-label={`Take step ${s.number}`}
            onChange={(e) => tick(s, e.target.checked)}
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
      show: (s) => <span title={units.said(s.says)}>{units.said(s.says)}</span>,
    },
    {
      id: 'what',
      head: 'What is wrong',
      width: 250,
      value: (s) => s.message,
      show: (s) => <span title={units.said(s.message)}>{units.said(s.message)}</span>,
    },
    { id: 'resolves', head: 'Answers', width: 60, number: true, value: (s) => s.resolves },
  ];
}
