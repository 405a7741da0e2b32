// @vitest-environment happy-dom
import { act, cleanup, render, waitFor } from '@testing-library/react';
import { BrowserRouter, Link, useLocation } from 'react-router';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { resetView, useView } from '../model/state';
import { useAddress } from './useAddress';

function Page() {
  const { pathname } = useLocation();
  useAddress(pathname.split('/').at(-1)!);
  return (
    <>
      <Link to="/p/1/findings?delivery=d">Findings</Link>
      <Link to="/p/1/scope?delivery=d">Scope</Link>
    </>
  );
}

const view = () => useView.getState();
const params = () => new URLSearchParams(window.location.search);

function open(address: string) {
  window.history.pushState(null, '', address);
  return render(
    <BrowserRouter>
      <Page />
    </BrowserRouter>,
  );
}

beforeEach(() => {
  resetView();
  useView.setState({ tab: 'spaces', scopeTab: 'elements' });
});
afterEach(cleanup);

describe('address and view', () => {
  it('are the same when an address is opened', () => {
    open('/p/1/envelope?delivery=d&tab=surfaces&on=s1&on=s2&finding=f1&where=surfaces.name%3Dhall');
    expect(view()).toMatchObject({
      tab: 'surfaces',
      selection: ['s1', 's2'],
      finding: 'f1',
      filters: { surfaces: { name: 'hall' } },
    });
  });

  it('stay the same when the view changes, with the delivery', async () => {
    open('/p/1/envelope?delivery=d');
    act(() => view().select(['s7']));
    await waitFor(() => expect(params().getAll('on')).toEqual(['s7']));
    expect(params().get('delivery')).toBe('d');
    expect(params().get('tab')).toBe('spaces');
  });

  it('go back and forward together', async () => {
    open('/p/1/envelope?delivery=d');
    await waitFor(() => expect(params().get('tab')).toBe('spaces'));
    act(() => view().select(['s1']));
    await waitFor(() => expect(params().getAll('on')).toEqual(['s1']));
    act(() => view().select(['s2']));
    await waitFor(() => expect(params().getAll('on')).toEqual(['s2']));
    const past = window.location.href.replace('on=s2', 'on=s1');
    act(() => {
      window.history.replaceState({ idx: 0 }, '', past);
      window.dispatchEvent(new PopStateEvent('popstate', { state: { idx: 0 } }));
    });
    await waitFor(() => expect(view().selection).toEqual(['s1']));
  });

  it('of another workspace begin with its table, and keep what is selected', async () => {
    const { getByText } = open('/p/1/envelope?delivery=d&tab=openings&on=o1');
    act(() => getByText('Findings').click());
    await waitFor(() => expect(view().tab).toBe('findings'));
    expect(view().selection).toEqual(['o1']);
    await waitFor(() => expect(params().getAll('on')).toEqual(['o1']));
    expect(window.location.pathname).toBe('/p/1/findings');
  });

  it('are not written over where somebody goes at the same moment', async () => {
    const { getByText } = open('/p/1/envelope?delivery=d');
    act(() => view().select(['s1']));
    act(() => getByText('Scope').click());
    await new Promise((done) => setTimeout(done, 600));
    expect(window.location.pathname).toBe('/p/1/scope');
    expect(params().get('tab')).toBe('elements');
  });
});
