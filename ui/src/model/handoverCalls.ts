import type { components } from './api.d';
import { client, ok } from './http';

type Schemas = components['schemas'];
export type Handover = Schemas['HandoverView'];
export type HandoverFile = Schemas['FileView'];
export type HandoverLook = Schemas['LookView'];
export type HandoverFormat = Schemas['FormatView'];
export type HandoverAgain = Schemas['AgainView'];
export type HandoverWish = Omit<Schemas['HandoverRequest'], 'basedOn' | 'allowBlockers'>;
export type PartBy = Schemas['PartView']['by'];
export type Token = Schemas['TokenView'];
export type BalanceLine = Schemas['BalanceLine'];

/** Calls about files that are handed over. */
export const handoverCalls = {
  balance: (delivery: string) =>
    ok(client.GET('/api/deliveries/{id}/balance', { params: { path: { id: delivery } } })),
  handovers: (delivery: string) =>
    ok(client.GET('/api/deliveries/{id}/handovers', { params: { path: { id: delivery } } })),
  handoverFormats: () => ok(client.GET('/api/handover-formats')),
  /** What would be handed over, with what is to be said of it beforehand. */
  lookAtHandover: (delivery: string, basedOn: number, wish: HandoverWish, signal: AbortSignal) =>
    ok(
      client.POST('/api/deliveries/{id}/handovers/look', {
        params: { path: { id: delivery } },
        body: { basedOn, allowBlockers: true, ...wish },
        signal,
      }),
    ),
  handOver: (delivery: string, basedOn: number, allowBlockers: boolean, wish: HandoverWish) =>
    ok(
      client.POST('/api/deliveries/{id}/handovers', {
        params: { path: { id: delivery } },
        body: { basedOn, allowBlockers, ...wish },
      }),
    ),
  /** Makes the files again from the record and compares them. */
  handOverAgain: (id: string) =>
    ok(client.POST('/api/handovers/{id}/again', { params: { path: { id } } })),
  tokens: (project: string) =>
    ok(client.GET('/api/projects/{id}/tokens', { params: { path: { id: project } } })),
  makeToken: (project: string, label: string) =>
    ok(
      client.POST('/api/projects/{id}/tokens', {
        params: { path: { id: project } },
        body: { label },
      }),
    ),
  dropToken: (project: string, token: string) =>
    client.DELETE('/api/projects/{id}/tokens/{token}', {
      params: { path: { id: project, token } },
    }),
};
