import { client, ok, raw } from './http';

/** Calls about drawn buildings. */
export const planCalls = {
  plan: (delivery: string) =>
    ok(client.GET('/api/deliveries/{id}/plan', { params: { path: { id: delivery } } })),
  /** Draws a building anew. */
  draw: (delivery: string, basedOn: number, document: string, says: string) =>
    ok(
      client.PUT('/api/deliveries/{id}/plan', {
        params: { path: { id: delivery } },
        body: { basedOn, document, says },
      }),
    ),
  /** What a plan document comes to; nothing is kept. */
  tryPlan: (document: string, signal: AbortSignal) =>
    ok(client.POST('/api/plans/try', { params: {}, body: { document }, signal })),
  /** Floors of a delivery that brings a body and no rooms; of the storeys it states, or of one height. */
  mass: (delivery: string, height: number | null) =>
    ok(
      client.GET('/api/deliveries/{id}/mass', {
        params: { path: { id: delivery }, query: height === null ? {} : { height } },
      }),
    ),
  /** Pictures that drawings of the project can be traced from. */
  underlays: (project: string) =>
    ok(client.GET('/api/projects/{id}/underlays', { params: { path: { id: project } } })),
  addUnderlay: (project: string, file: File, page: number) =>
    ok(
      client.POST('/api/projects/{id}/underlays', {
        params: { path: { id: project }, query: { name: file.name, page } },
        ...raw(file),
      }),
    ),
};

/** Where a picture is fetched from. */
export const underlayUrl = (project: string, name: string) =>
  `/api/projects/${project}/underlays/${encodeURIComponent(name)}`;
