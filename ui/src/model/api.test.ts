// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api, ProblemError, setPerson, type Repair } from './api';

const REPAIR = { kind: 'DeleteSurface', surface: 's1' } as Repair;
let requests: Request[] = [];

function answering(answer: () => Response | Promise<Response>) {
  vi.stubGlobal(
    'fetch',
    vi.fn((r: Request) => {
      requests.push(r);
      return Promise.resolve().then(answer);
    }),
  );
}

const json = (body: unknown, status = 200, headers: Record<string, string> = {}) =>
  new Response(JSON.stringify(body), { status, headers });

beforeEach(() => {
  requests = [];
  setPerson('Åsa Person');
});
afterEach(() => vi.unstubAllGlobals());

describe('requests', () => {
  it('say who asks, whatever they ask', async () => {
    answering(() => json({}));
    await api.project('7');
    await api.preview('d', REPAIR);
    await api.repair('d', 3, REPAIR, 'VOL-401:a');
    await api.deliver('7', new File(['x'], 'a b.ifc'));
    for (const r of requests) expect(r.headers.get('X-Yentra-Person')).toBe('%C3%85sa%20Person');
  });

  it('go to the address that is described, with what is asked', async () => {
    answering(() => json({}));
    await api.repair('d', 3, REPAIR, 'VOL-401:a');
    expect(requests[0].url).toBe(`${window.location.origin}/api/deliveries/d/repairs?changes=true`);
    expect(await requests[0].json()).toEqual({
      basedOn: 3,
      repair: REPAIR,
      finding: 'VOL-401:a',
    });
    await api.stations(50, null);
    await api.stations(50.5, -1.25);
    expect(requests[1].url).toMatch(/\/api\/stations$/);
    expect(requests[2].url).toMatch(/\/api\/stations\?latitude=50.5&longitude=-1.25$/);
  });

  it('send files as they are', async () => {
    answering(() => json({}));
    await api.deliver('7', new File(['ISO-10303-21;'], 'boat hall & slip.ifc'));
    expect(requests[0].url).toContain('name=boat%20hall%20%26%20slip.ifc');
    expect(requests[0].headers.get('Content-Type')).toBe('application/octet-stream');
    expect(await requests[0].text()).toBe('ISO-10303-21;');
  });
});

describe('answers', () => {
  it('that are refusals are errors with their kind, words and details', async () => {
    answering(() =>
      json({ type: 'urn:yentra:stale', detail: 'Somebody was first.', version: 4 }, 409),
    );
    const e = await api.undo('d', 3).catch((x: unknown) => x);
    expect(e).toBeInstanceOf(ProblemError);
    expect(e).toMatchObject({ status: 409, kind: 'stale', message: 'Somebody was first.' });
    expect((e as ProblemError).details.version).toBe(4);
  });

  it('that say nothing are told by their number', async () => {
    answering(() => new Response('<html>', { status: 502 }));
    await expect(api.checks()).rejects.toMatchObject({
      status: 502,
      message: 'The server answered with 502.',
    });
  });

  it('that do not come are told as such', async () => {
    answering(() => Promise.reject(new TypeError('fetch failed')));
    await expect(api.checks()).rejects.toMatchObject({ kind: 'offline', status: 0 });
  });

  it('that nobody waits for any more are no error of the server', async () => {
    const stop = new AbortController();
    answering(() => {
      stop.abort();
      return Promise.reject(new DOMException('aborted', 'AbortError'));
    });
    await expect(api.tryLimits('d', {}, stop.signal)).rejects.toMatchObject({
      name: 'AbortError',
    });
  });

  it('that are files come with their name', async () => {
    answering(
      () =>
        new Response('zip', {
          headers: { 'Content-Disposition': "attachment; filename*=UTF-8''boat%20hall.bcf" },
        }),
    );
    const { blob, name } = await api.bcf('d', '2.1');
    expect(name).toBe('boat hall.bcf');
    expect(await blob.text()).toBe('zip');
  });

  it('that are bytes come as bytes', async () => {
    answering(() => new Response(new Uint8Array([1, 2, 3])));
    expect(new Uint8Array(await api.mesh('d'))).toEqual(new Uint8Array([1, 2, 3]));
  });

  it('may be empty', async () => {
    answering(() => new Response(null, { status: 204 }));
    await expect(api.dropSheet('s')).resolves.toBeDefined();
  });
});
