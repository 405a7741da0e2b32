import type { api } from '../model/api';

export type Plan = Awaited<ReturnType<typeof api.repairPlan>>;
export type Outcome = Awaited<ReturnType<typeof api.planOutcome>>;

/** A step of the repair plan with its number, from 1. */
export type Step = Plan['steps'][number] & { number: number };

/** What the plan leaves for a judgement. */
export type Open = Plan['open'][number];

export const keyOf = (s: Pick<Step, 'finding' | 'number'>) => s.finding + s.number;

/** Steps for one kind of fault. */
export interface StepGroup {
  code: string;
  steps: Step[];
  /** Of the surfaces concerned, m². */
  area: number;
}

/** By the code of their findings, in the order of the plan. */
export function stepGroups(steps: readonly Step[]): StepGroup[] {
  const out = new Map<string, StepGroup>();
  for (const s of steps) {
    const g = out.get(s.code) ?? { code: s.code, steps: [], area: 0 };
    g.steps.push(s);
    g.area += s.area;
    out.set(s.code, g);
  }
  return [...out.values()];
}

/** Questions of one kind, with the choices that several of them have in common. */
export interface OpenGroup {
  code: string;
  open: Open[];
  common: { label: string; of: Open[] }[];
}

export function openGroups(open: readonly Open[]): OpenGroup[] {
  const out = new Map<string, OpenGroup>();
  for (const o of open) {
    const g = out.get(o.code) ?? { code: o.code, open: [], common: [] };
    g.open.push(o);
    out.set(o.code, g);
  }
  for (const g of out.values()) {
    const labels = new Map<string, Open[]>();
    for (const o of g.open)
      for (const c of o.choices) labels.set(c.label, [...(labels.get(c.label) ?? []), o]);
    g.common = [...labels].filter(([, of]) => of.length > 1).map(([label, of]) => ({ label, of }));
  }
  return [...out.values()];
}
