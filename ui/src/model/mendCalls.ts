import { client, ok } from './http';

/** Calls about the repair plan. */
export const mendCalls = {
  /** What of a delivery can be put right without a judgement. */
  repairPlan: (delivery: string, run: string, signal: AbortSignal) =>
    ok(
      client.POST('/api/deliveries/{id}/repair-plan/{run}', {
        params: { path: { id: delivery, run } },
        signal,
      }),
    ),
  /** What becomes of the plan without some steps, and with answers to what it leaves open. */
  planOutcome: (
    delivery: string,
    run: string,
    basedOn: number,
    without: number[],
    answers: { finding: string; label: string }[],
    signal: AbortSignal,
  ) =>
    ok(
      client.POST('/api/deliveries/{id}/repair-plan/outcome/{run}', {
        params: { path: { id: delivery, run } },
        body: { basedOn, without, answers },
        signal,
      }),
    ),
};
