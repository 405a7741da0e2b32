import createClient from 'openapi-fetch';
import type { paths } from './api.d';
import { awaited } from './underway';

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

/** Says who asks; what is not an answer is thrown as a {@link ProblemError}. */
async function sent(request: Request): Promise<Response> {
  request.headers.set('X-Yentra-Person', encodeURIComponent(person()));
  let answer: Response;
  try {
    answer = await awaited(fetch(request));
  } catch (e) {
    if (request.signal.aborted) throw e;
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
  return answer;
}

/** Paths, parameters and answers are those of the server's description of itself. */
export const client = createClient<paths>({ baseUrl: window.location.origin, fetch: sent });

/** The answer itself: all else is thrown. */
export const ok = async <T>(call: Promise<{ data?: T }>): Promise<T> => (await call).data as T;

/** A file as the body, which the description says nothing of. */
export const raw = (file: Blob) => ({
  body: file as never,
  bodySerializer: (body: unknown) => body as Blob,
  headers: { 'Content-Type': 'application/octet-stream' },
});
