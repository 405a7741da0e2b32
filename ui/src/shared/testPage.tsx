import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter, useLocation } from 'react-router';
import { afterEach, beforeEach, vi } from 'vitest';
import { indexModel } from '../model/model';
import { resetView, useView } from '../model/state';
import { finding, model, opening, space, surface } from '../model/testModel';
import { UnitsContext, unitsOf, type UnitSystem } from '../model/units';
import type { Edits } from '../model/useEdits';

/** Edits that only remember what they were asked for. */
export function fakeEdits(): Edits {
  return {
    busy: false,
    delivery: 'd',
    version: 1,
    again: vi.fn(),
    apply: vi.fn(() => Promise.resolve(true)),
    consider: vi.fn(),
    sweep: vi.fn(),
    change: vi.fn(() => Promise.resolve(true)),
    scope: vi.fn(() => Promise.resolve(true)),
    place: vi.fn(),
    undo: vi.fn(),
    redo: vi.fn(),
  };
}

/** Two rooms, three walls, a window, two findings. */
export function rooms() {
  return indexModel(
    model({
      spaces: [space('a'), space('b')],
      surfaces: [
        surface('s1', ['a'], [opening('o1', 's1')]),
        surface('s2', ['a', 'b']),
        surface('s3', ['b']),
      ],
      findings: [finding('f1', 's1'), finding('f2', 's3')],
    }),
  );
}

/** What answers the first finding of these rooms, of {@link answers}. */
export const REMEDIES = {
  'POST /api/deliveries/d/remedies': [
    {
      finding: 'f1',
      remedies: [{ label: 'Delete it', repair: { kind: 'DeleteSurface', surface: 's1' } }],
    },
  ],
};

/** Where the page has gone. */
function Address() {
  const { pathname, search } = useLocation();
  return <output data-testid="address">{pathname + search}</output>;
}

/** Shows a part of the page as the application does: with data, and an address. */
export function show(
  part: React.ReactNode,
  { at = '/p/1/findings?delivery=d', units = 'SI' }: { at?: string; units?: UnitSystem } = {},
) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const user = userEvent.setup();
  const shown = render(
    <QueryClientProvider client={client}>
      <MemoryRouter initialEntries={[at]}>
        <UnitsContext value={unitsOf(units)}>{part}</UnitsContext>
        <Address />
      </MemoryRouter>
    </QueryClientProvider>,
  );
  return { user, client, ...shown };
}

/** What the server would answer, by method and address. */
export function answers(table: Record<string, unknown>) {
  const asked: { method: string; path: string; body: unknown }[] = [];
  vi.stubGlobal(
    'fetch',
    vi.fn(async (request: Request) => {
      const { method } = request;
      const path = request.url.slice(window.location.origin.length);
      const text = await request.text();
      const body: unknown = text.startsWith('{') || text.startsWith('[') ? JSON.parse(text) : text;
      asked.push({ method, path, body });
      const answer = table[`${method} ${path}`];
      const refused = answer instanceof Error;
      return new Response(
        JSON.stringify(
          answer === undefined
            ? { status: 404, detail: `nothing at ${method} ${path}` }
            : refused
              ? { status: 422, detail: answer.message }
              : answer,
        ),
        {
          status: answer === undefined ? 404 : refused ? 422 : 200,
          headers: {
            'Content-Type': refused ? 'application/problem+json' : 'application/json',
          },
        },
      );
    }),
  );
  return asked;
}

/** Every test begins with an untouched view, in a window that has a size. */
export function eachAnew() {
  beforeEach(() => {
    resetView();
    useView.setState({ tab: 'spaces' });
    // happy-dom lays nothing out: everything is as large as a window
    vi.spyOn(HTMLElement.prototype, 'clientHeight', 'get').mockReturnValue(600);
    vi.spyOn(HTMLElement.prototype, 'clientWidth', 'get').mockReturnValue(900);
    vi.spyOn(HTMLElement.prototype, 'offsetHeight', 'get').mockReturnValue(600);
    vi.spyOn(HTMLElement.prototype, 'offsetWidth', 'get').mockReturnValue(900);
    vi.spyOn(Element.prototype, 'getBoundingClientRect').mockReturnValue(
      new DOMRect(0, 0, 900, 600),
    );
  });
  afterEach(() => {
    cleanup();
    vi.restoreAllMocks();
    vi.unstubAllGlobals();
  });
}
