import { client, ok } from './http';

/** Calls about work that is waited for, by the name that it was begun under. */
export const attemptCalls = {
  /** How far it has come, 0 to 1. */
  share: (run: string) =>
    ok(client.GET('/api/attempts/{run}', { params: { path: { run } } })).then((s) => s.share),
  giveUp: (run: string) => client.DELETE('/api/attempts/{run}', { params: { path: { run } } }),
};
