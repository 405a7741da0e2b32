import { useCallback, useMemo } from 'react';
import { create } from 'zustand';
import { api, type Repair } from '../model/api';
import type { ModelIndex } from '../model/model';
import { useAttempt } from '../model/useAttempt';
import { keyOf, type Step } from './planSteps';

/** What somebody chose of one plan; it stays while other things are looked at. */
interface Choice {
  /** The delivery and the steps of the plan. */
  of: string;
  /** Numbers of the steps that are not taken, from 0. */
  without: ReadonlySet<number>;
  /** Labels of the choices that were made, by finding. */
  answers: ReadonlyMap<string, string>;
}

const NOTHING: Choice = { of: '', without: new Set(), answers: new Map() };
const useChoice = create<Choice>()(() => NOTHING);

const choiceOf = (c: Choice, of: string) => (c.of === of ? c : NOTHING);

const parts = (r: Repair): Repair[] => (r.kind === 'Several' ? (r.repairs as Repair[]) : [r]);

/** The repair plan of a delivery, what is chosen of it, and what becomes of it then. */
export function usePlan(index: ModelIndex) {
  const { id, version } = index.model.delivery;
  // nothing is done about what was accepted
  const accepted = useMemo(
    () => index.model.findings.filter((f) => f.accepted?.holds).map((f) => f.id),
    [index],
  );
  const key = ['repair-plan', id, version, accepted];
  const made = useAttempt(key, (run, signal) => api.repairPlan(id, run, signal));
  // what was undone comes back with what was chosen of it
  const of = useMemo(
    () => `${id} ${made.data?.steps.map((s) => s.finding).join()}`,
    [id, made.data],
  );
  const stored = useChoice();
  const { without, answers: chosen } = stored.of === of ? stored : NOTHING;
  // what was answered elsewhere meanwhile is no question any more
  const answers = useMemo(() => {
    const open = new Map(made.data?.open.map((o) => [o.finding, o.choices]));
    return new Map([...chosen].filter(([f, label]) => open.get(f)?.some((c) => c.label === label)));
  }, [chosen, made.data]);
  const steps = useMemo<Step[]>(
    () => made.data?.steps.map((s, i) => ({ ...s, number: i + 1 })) ?? [],
    [made.data],
  );
  const given = {
    without: steps.flatMap((_, i) => (without.has(i) ? i : [])),
    answers: [...answers].map(([finding, label]) => ({ finding, label })),
  };
  const outcome = useAttempt(
    made.data ? [...key, 'outcome', given] : null,
    (run, signal) => api.planOutcome(id, run, version, given.without, given.answers, signal),
    [...key, 'outcome'],
  );
  /** Why a step that builds on others cannot be taken without them. */
  const gone = useMemo(
    () => new Map(outcome.data?.gone.map((g) => [keyOf(steps[g.step]), g.reason])),
    [outcome.data, steps],
  );
  const unanswered = useMemo(
    () => new Map(outcome.data?.unanswered.map((u) => [u.finding, u.reason])),
    [outcome.data],
  );
  const out = useMemo(
    () => new Set([...steps.filter((s) => without.has(s.number - 1)).map(keyOf), ...gone.keys()]),
    [steps, without, gone],
  );

  /** All that is taken, as one repair. */
  function repair(label: string): Repair {
    const repairs: Repair[] = [];
    const findings: string[] = [];
    const add = (finding: string, some: Repair[]) =>
      some.forEach((r) => {
        repairs.push(r);
        findings.push(finding);
      });
    for (const s of steps) if (!out.has(keyOf(s))) add(s.finding, s.repairs);
    for (const o of made.data?.open ?? []) {
      const c = o.choices.find((x) => x.label === answers.get(o.finding));
      if (c && !unanswered.has(o.finding)) add(o.finding, parts(c.repair));
    }
    return { kind: 'Several', label, repairs, findings };
  }

  const tick = useCallback(
    (some: Step[], on: boolean) => {
      const was = choiceOf(useChoice.getState(), of);
      const next = new Set(was.without);
      for (const s of some)
        if (on) next.delete(s.number - 1);
        else next.add(s.number - 1);
      useChoice.setState({ ...was, of, without: next });
    },
    [of],
  );

  /** Answers questions, or leaves them. */
  function answer(findings: string[], label: string | null) {
    const was = choiceOf(useChoice.getState(), of);
    const next = new Map(was.answers);
    for (const f of findings)
      if (label === null) next.delete(f);
      else next.set(f, label);
    useChoice.setState({ ...was, of, answers: next });
  }

  const answered = [...answers.keys()].filter((f) => !unanswered.has(f)).length;
  return {
    made,
    outcome,
    steps,
    refused: made.data?.refused ?? [],
    open: made.data?.open ?? [],
    more: made.data?.more ?? 0,
    /** Keys of the steps that are not taken. */
    out,
    gone,
    answers,
    unanswered,
    /** How many steps are taken, and how many questions answered. */
    taken: steps.length - out.size,
    answered,
    repair,
    tick,
    answer,
  };
}

export type PlanWork = ReturnType<typeof usePlan>;
