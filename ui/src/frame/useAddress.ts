import { useEffect, useRef } from 'react';
import { useLocation, useNavigate, useNavigationType } from 'react-router';
import { fromAddress, tableOf, toAddress } from './address';
import { useView, type View } from '../model/state';

/** Changes that follow each other so quickly are one step back. */
const PAUSE = 250;

/** What makes a step of its own in the history; the rest only changes the address. */
const STEPS: (keyof View)[] = [
  'tab',
  'scopeTab',
  'thermalTab',
  'estimateTab',
  'selection',
  'finding',
];

/** Keeps the address and the view the same: what is looked at can be passed on, and back and forward go through it. */
export function useAddress(workspace: string) {
  const { search, key } = useLocation();
  const how = useNavigationType();
  const navigate = useNavigate();
  /** The address that the view was written to last. */
  const written = useRef<string | null>(null);
  /** The workspace that was shown last. */
  const at = useRef<string | null>(null);

  // opened, or gone back or forward to: the view follows the address; a workspace that was gone to begins with its own table
  useEffect(() => {
    const entered = at.current !== workspace;
    at.current = workspace;
    const begun = (v: View) => (entered ? { tab: tableOf(workspace, v.tab) } : {});
    if (how === 'POP' && (entered || search !== written.current)) {
      useView.setState((v) => ({
        ...begun(v),
        ...fromAddress(new URLSearchParams(search), workspace),
      }));
      written.current = search;
    } else if (entered) useView.setState(begun);
    // once for each entry of the history
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, workspace]);

  // the view has changed: the address follows
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let step = false;
    const write = () => {
      // somebody may be on the way to another workspace already, which is not drawn yet
      if (!window.location.pathname.endsWith(`/${workspace}`)) return;
      const now = window.location.search;
      const next = toAddress(useView.getState(), workspace, new URLSearchParams(now));
      if (next === now) return;
      written.current = next;
      void navigate({ search: next }, { replace: !step });
      step = false;
    };
    const later = () => {
      clearTimeout(timer);
      timer = setTimeout(write, PAUSE);
    };
    later();
    const stop = useView.subscribe((now, before) => {
      if (STEPS.some((k) => now[k] !== before[k])) step = true;
      later();
    });
    return () => {
      clearTimeout(timer);
      stop();
    };
  }, [workspace, search, navigate]);
}
