import type { components } from './api.d';

type Schemas = components['schemas'];
export type Project = Schemas['ProjectView'];
export type Job = Schemas['JobView'];
export type Model = Schemas['ModelView'];
export type Surface = Schemas['SurfaceView'];
export type Opening = Schemas['OpeningView'];
export type Space = Schemas['SpaceView'];
export type Finding = Schemas['FindingView'];
export type Remedy = Schemas['RemedyView'];
export type Repair = Remedy['repair'];
export type Preview = Schemas['PreviewView'];
export type Handover = Schemas['HandoverView'];
export type SurfaceType = Schemas['SurfaceTypeView'];
export type Source = Schemas['SourceView'];

/** An answer that says what was wrong, as problem+json. */
export class ProblemError extends Error {
  readonly status: number;
  readonly kind: string;
  readonly details: Record<string, unknown>;

  constructor(status: number, kind: string, message: string, details: Record<string, unknown>) {
    super(message);
    this.status = status;
    this.kind = kind;
    this.details = details;
  }
}

const PERSON_KEY = 'yentra.person';

export function person(): string {
  return localStorage.getItem(PERSON_KEY) ?? '';
}

export function setPerson(name: string) {
  localStorage.setItem(PERSON_KEY, name.trim());
}

async function request<T>(method: string, path: string, body?: unknown): Promise<T> {
  const raw = body instanceof Blob;
  let answer: Response;
  try {
    answer = await fetch(path, {
      method,
      headers: {
        'X-Yentra-Person': encodeURIComponent(person()),
        ...(body === undefined
          ? {}
          : { 'Content-Type': raw ? 'application/octet-stream' : 'application/json' }),
      },
      body: body === undefined ? undefined : raw ? body : JSON.stringify(body),
    });
  } catch {
    throw new ProblemError(
      0,
      'offline',
      'The server does not answer. Is it running? Nothing was changed.',
      {},
    );
  }
  if (!answer.ok) {
    const problem = await answer.json().catch(() => ({}));
    throw new ProblemError(
      answer.status,
      String(problem.type ?? '').replace('urn:yentra:', ''),
      problem.detail ?? `The server answered with ${answer.status}.`,
      problem,
    );
  }
  return answer.json() as Promise<T>;
}

export const api = {
  projects: () => request<Project[]>('GET', '/api/projects'),
  project: (id: string) => request<Project>('GET', `/api/projects/${id}`),
  createProject: (name: string) => request<Project>('POST', '/api/projects', { name }),
  deliver: (project: string, file: File) =>
    request<Job>(
      'POST',
      `/api/projects/${project}/deliveries?name=${encodeURIComponent(file.name)}`,
      file,
    ),
  job: (id: string) => request<Job>('GET', `/api/jobs/${id}`),
  cancelJob: (id: string) => request<Job>('DELETE', `/api/jobs/${id}`),
  model: (delivery: string) => request<Model>('GET', `/api/deliveries/${delivery}/model`),
  surfaceTypes: () => request<SurfaceType[]>('GET', '/api/surface-types'),
  preview: (delivery: string, repair: Repair) =>
    request<Preview>('POST', `/api/deliveries/${delivery}/preview`, { repair }),
  repair: (delivery: string, basedOn: number, repair: Repair, finding?: string) =>
    request<Model>('POST', `/api/deliveries/${delivery}/repairs`, { basedOn, repair, finding }),
  undo: (delivery: string, basedOn: number) =>
    request<Model>('POST', `/api/deliveries/${delivery}/undo`, { basedOn }),
  redo: (delivery: string, basedOn: number) =>
    request<Model>('POST', `/api/deliveries/${delivery}/redo`, { basedOn }),
  handovers: (delivery: string) =>
    request<Handover[]>('GET', `/api/deliveries/${delivery}/handovers`),
  handOver: (delivery: string, basedOn: number, allowBlockers: boolean) =>
    request<Handover>('POST', `/api/deliveries/${delivery}/handovers`, { basedOn, allowBlockers }),
};
