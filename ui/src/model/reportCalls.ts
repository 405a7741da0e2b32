import type { components } from './api.d';
import { client, ok, raw } from './http';

type Schemas = components['schemas'];
export type WriteUp = Schemas['WriteUp'];
export type WriteUps = Schemas['WriteUpsView'];
export type KeptWriteUp = Schemas['WriteUpView'];
export type Block = WriteUp['blocks'][number];
export type StagePicture = Schemas['PictureView'];

/** Calls about reports and write-ups. */
export const reportCalls = {
  writeUps: (project: string) =>
    ok(client.GET('/api/projects/{id}/write-ups', { params: { path: { id: project } } })),
  addWriteUp: (project: string, body: WriteUp) =>
    ok(client.POST('/api/projects/{id}/write-ups', { params: { path: { id: project } }, body })),
  changeWriteUp: (id: string, basedOn: number, body: WriteUp) =>
    ok(client.PUT('/api/write-ups/{id}', { params: { path: { id } }, body: { basedOn, body } })),
  deleteWriteUp: (id: string) =>
    ok(client.DELETE('/api/write-ups/{id}', { params: { path: { id } } })),
  pictures: (delivery: string) =>
    ok(client.GET('/api/deliveries/{id}/pictures', { params: { path: { id: delivery } } })),
  keepPicture: (delivery: string, look: string, png: Blob, again?: string) =>
    ok(
      client.POST('/api/deliveries/{id}/pictures', {
        params: { path: { id: delivery }, query: { look, again } },
        ...raw(png),
      }),
    ),
  /** The report as a file. */
  report: (delivery: string, format: 'pdf' | 'html', assumeMissing: boolean, body: WriteUp) =>
    ok(
      client.POST('/api/deliveries/{id}/report', {
        params: { path: { id: delivery } },
        body: { format, assumeMissing, body },
        parseAs: 'blob',
      }) as Promise<{ data?: Blob }>,
    ),
  deletePicture: (id: string) =>
    ok(client.DELETE('/api/pictures/{id}', { params: { path: { id } } })),
};
