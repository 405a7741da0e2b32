import { client, ok } from './http';

/** Calls about the repair plan. */
export const mendCalls = {
  /** What of a delivery can be put right without a judgement. */
  repairPlan: (delivery: string) =>
    ok(client.GET('/api/deliveries/{id}/repair-plan', { params: { path: { id: delivery } } })),
};
