// @vitest-environment happy-dom
import { act, waitFor } from '@testing-library/react';
import { useQuery } from '@tanstack/react-query';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { api } from '../model/api';
import { useView } from '../model/state';
import { model } from '../model/testModel';
import { eachAnew, show } from '../shared/testPage';
import { useProjectEvents } from './useProjectEvents';

eachAnew();

class Stream extends EventTarget {
  static all: Stream[] = [];
  closed = false;
  url: string;
  constructor(url: string) {
    super();
    this.url = url;
    Stream.all.push(this);
  }
  close() {
    this.closed = true;
  }
  tell(pulse: object) {
    this.dispatchEvent(new MessageEvent('project', { data: JSON.stringify(pulse) }));
  }
}

const entry = (id: string, summary: string) =>
  ({ id, summary, madeBy: 'Somebody', inForce: true }) as never;

function at(version: number, ...log: never[]) {
  const m = model({});
  return { ...m, delivery: { ...m.delivery, version }, log };
}

/** What the server has from now on. */
const shows = (m: ReturnType<typeof at>) => {
  const asked = vi.fn(() => Promise.resolve(m));
  vi.spyOn(api, 'model').mockImplementation(asked);
  return asked;
};

function Page() {
  useProjectEvents('p');
  const shown = useQuery({ queryKey: ['model', 'd'], queryFn: () => api.model('d') });
  return <p>version {shown.data?.delivery.version}</p>;
}

beforeEach(() => {
  Stream.all = [];
  vi.stubGlobal('EventSource', Stream);
});

describe('changes made elsewhere', () => {
  it('are shown with who made them', async () => {
    shows(at(1));
    const { findByText, unmount } = show(<Page />);
    await findByText('version 1');
    const asked = shows(at(2, entry('r1', 'Deletes a wall.')));
    act(() => Stream.all[0].tell({ version: 1, deliveries: { d: 2 } }));
    await findByText('version 2');
    await waitFor(() =>
      expect(useView.getState().message?.text).toBe(
        'Changed elsewhere by Somebody: Deletes a wall.',
      ),
    );
    // the same state again asks for nothing
    act(() => Stream.all[0].tell({ version: 1, deliveries: { d: 2 } }));
    await new Promise((done) => setTimeout(done, 600));
    expect(asked).toHaveBeenCalledTimes(1);
    unmount();
    expect(Stream.all[0].closed).toBe(true);
  });

  it('are not told as a repair when something was undone', async () => {
    shows(at(2, entry('r1', 'Deletes a wall.')));
    const { findByText } = show(<Page />);
    await findByText('version 2');
    shows(at(3, entry('r1', 'Deletes a wall.')));
    act(() => Stream.all[0].tell({ version: 1, deliveries: { d: 3 } }));
    await findByText('version 3');
    await waitFor(() =>
      expect(useView.getState().message?.text).toBe('The model was changed elsewhere.'),
    );
  });

  it('are not listened to by a page that is not seen', async () => {
    shows(at(1));
    const { findByText } = show(<Page />);
    await findByText('version 1');
    const seen = vi.spyOn(document, 'visibilityState', 'get');
    seen.mockReturnValue('hidden');
    document.dispatchEvent(new Event('visibilitychange'));
    expect(Stream.all[0].closed).toBe(true);
    seen.mockReturnValue('visible');
    document.dispatchEvent(new Event('visibilitychange'));
    expect(Stream.all).toHaveLength(2);
    expect(Stream.all[1].url).toBe('/api/projects/p/events');
    seen.mockRestore();
  });
});
