import type { api } from '../model/api';

type Plan = Awaited<ReturnType<typeof api.repairPlan>>;

/** A step of the repair plan with its number, from 1. */
export type Step = Plan['steps'][number] & { number: number };

export type Refused = Plan['refused'][number];

export const keyOf = (s: Pick<Step, 'finding' | 'number'>) => s.finding + s.number;

/** Keys of the steps that are not taken: those given, and later ones that change what these change. */
export function withDependents(
  steps: readonly Pick<Step, 'finding' | 'number' | 'objects'>[],
  out: ReadonlySet<string>,
): Set<string> {
  const all = new Set(out);
  const touched = new Set<string>();
  for (const s of steps)
    if (all.has(keyOf(s)) || s.objects.some((o) => touched.has(o))) {
      all.add(keyOf(s));
      s.objects.forEach((o) => touched.add(o));
    }
  return all;
}

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
