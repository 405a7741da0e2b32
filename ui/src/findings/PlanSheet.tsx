import { useMemo, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type Repair } from '../model/api';
import type { ModelIndex } from '../model/model';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { useUnits } from '../model/units';
import { count } from '../model/words';
import { Table, type Column } from '../shared/Table';
import { keyOf, withDependents, type Step } from './planSteps';

/** What can be put right without a judgement, step by step; taken as one entry of the log. */
export function PlanSheet({ index, edits }: { index: ModelIndex; edits: Edits }) {
  const units = useUnits();
  const set = useView((s) => s.set);
  const { id, version } = index.model.delivery;
  const found = useQuery({
    queryKey: ['repair-plan', id, version],
    queryFn: () => api.repairPlan(id),
  });
  const [unticked, setUnticked] = useState<{ version: number; keys: ReadonlySet<string> }>({
    version,
    keys: new Set(),
  });
  const [chosen, setChosen] = useState<string[]>([]);
  const steps = useMemo<Step[]>(
    () => (found.data?.steps ?? []).map((s, i) => ({ ...s, number: i + 1 })),
    [found.data],
  );
  const asked = unticked.version === version ? unticked.keys : NONE;
  const out = useMemo(() => withDependents(steps, asked), [steps, asked]);
  const taken = steps.filter((s) => !out.has(keyOf(s)));
  const columns = useMemo<Column<Step>[]>(() => {
    const tick = (s: Step) => {
      const keys = new Set(asked);
      if (!keys.delete(keyOf(s))) keys.add(keyOf(s));
      setUnticked({ version, keys });
    };
    return [
      {
        id: 'take',
        head: 'Take',
        width: 46,
        value: (s) => (out.has(keyOf(s)) ? 0 : 1),
        show: (s) => (
          <input
            type="checkbox"
            className="block size-4 my-[5px]"
            checked={!out.has(keyOf(s))}
            disabled={out.has(keyOf(s)) && !asked.has(keyOf(s))}
            title={
              out.has(keyOf(s)) && !asked.has(keyOf(s))
                ? 'It builds on a step that is not taken'
                : ''
            }
            aria-label={`Take step ${s.number}`}
            onChange={() => tick(s)}
            onClick={(e) => e.stopPropagation()}
          />
        ),
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
        id: 'what',
        head: 'What is wrong',
        width: 250,
        value: (s) => s.message,
        show: (s) => <span title={units.said(s.message)}>{units.said(s.message)}</span>,
      },
      {
        id: 'says',
        head: 'What is done',
        width: 270,
        value: (s) => s.says,
        show: (s) => <span title={units.said(s.says)}>{units.said(s.says)}</span>,
      },
      { id: 'resolves', head: 'Answers', width: 60, number: true, value: (s) => s.resolves },
    ];
  }, [out, asked, version, units]);

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

  if (found.isPending) return <p className="p-3 text-muted">Working out what can be put right …</p>;
  if (found.isError) return <p className="p-3 text-error">{found.error.message}</p>;
  const refused = found.data.refused.length;
  return (
    <Table
      name="plan"
      rows={steps}
      columns={columns}
      keyOf={keyOf}
      selection={new Set(chosen)}
      onSelect={(keys) => {
        setChosen(keys);
        const objects = steps.filter((s) => keys.includes(keyOf(s))).flatMap((s) => s.objects);
        set({ selection: objects });
      }}
      empty="Nothing that is open can be put right without a judgement: answer it in Findings."
      tools={
        <>
          <span className="ml-3" data-testid="plan-sum">
            {count(taken.length, 'step')} of {steps.length} taken
            {refused > 0 &&
              `; ${count(refused, 'remedy', 'remedies')} tried and left, since a person has to decide`}
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
  );
}

const LABEL = 'Repair plan';
const NONE: ReadonlySet<string> = new Set();
