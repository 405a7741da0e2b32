import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { nextFinding } from '../model/next';
import type { ModelIndex } from '../model/model';
import { hide, isolate, showAll } from '../stage/visibility';
import { leave, renew } from '../model/pending';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { typing, usePageKeys } from './usePageKeys';
import { useWorkspaceLink } from '../shared/useWorkspaceLink';
import { WORKSPACES } from '../shared/workspaces';

/** The keyboard: see the shortcuts dialog for what each key does. */
export function useShortcuts(index: ModelIndex, edits: Edits, project: string) {
  usePageKeys();
  const navigate = useNavigate();
  const to = useWorkspaceLink(project);
  useEffect(() => {
    function key(e: KeyboardEvent) {
      const v = useView.getState();
      const target = e.target as HTMLElement;
      const command = e.ctrlKey || e.metaKey;
      if (v.palette || v.help || target.closest('[role=menu],[role=dialog]')) return;
      if (typing(target)) {
        if (e.key === 'Escape') target.blur();
        return;
      }
      if (command && e.key.toLowerCase() === 'z') {
        e.preventDefault();
        (e.shiftKey ? edits.redo : edits.undo)();
        return;
      }
      if (command || e.altKey) return;
      const run = action(e.key, index, edits);
      if (run) {
        e.preventDefault();
        run();
      } else if (/^[1-7]$/.test(e.key)) {
        void navigate(to(WORKSPACES[Number(e.key) - 1][0]));
      }
    }
    window.addEventListener('keydown', key);
    return () => window.removeEventListener('keydown', key);
  }, [index, edits, navigate, to]);
}

function action(key: string, index: ModelIndex, edits: Edits): (() => void) | null {
  const v = useView.getState();
  switch (key) {
    case 'n':
    case 'N':
      return () => nextFinding(index, 1);
    case 'p':
    case 'P':
      return () => nextFinding(index, -1);
    case 'e':
    case 'E':
      return () => firstRemedy(index, edits);
    case 'f':
    case 'F':
      return () => window.dispatchEvent(new CustomEvent('yentra:frame'));
    case '0':
      return () => window.dispatchEvent(new CustomEvent('yentra:frame', { detail: 'all' }));
    case 'i':
    case 'I':
      return isolate;
    case 'h':
    case 'H':
      return hide;
    case 'a':
    case 'A':
      return showAll;
    case 'm':
    case 'M':
      return () => v.set({ measure: v.measure ? null : 'distance' });
    case 'b':
    case 'B':
      return () => v.set({ elements: !v.elements });
    case 'v':
    case 'V':
      return () => document.querySelector<HTMLElement>('[data-testid=turn]')?.click();
    case '/':
      return () => document.querySelector<HTMLInputElement>('[data-filter=first]')?.focus();
    case 'Enter':
      // a focused control keeps its own Enter
      return document.activeElement?.matches('button,a,[role=slider],[role=tab]')
        ? null
        : () => goIn(index);
    case 'Backspace':
      return () => goOut(index);
    case 'Escape':
      return () =>
        v.measure
          ? v.set({ measure: null })
          : v.pending
            ? leave(v.pending.id)
            : v.set({ selection: [], finding: null, sweep: null });
    default:
      return null;
  }
}

function firstRemedy(index: ModelIndex, edits: Edits) {
  const { pending, finding } = useView.getState();
  // what is looked at belongs to the finding that is shown, or to none
  if (pending && (!pending.finding || !finding || pending.finding === finding)) {
    if (pending.preview) void edits.apply(pending.made ?? pending.repair, pending.finding);
    else if (!pending.error) renew(pending.id, { wanted: true });
    return;
  }
  const f = finding ? index.findings.get(finding) : undefined;
  if (f?.remedies.length) edits.consider(f.remedies[0].repair, f.remedies[0].label, f.id);
  // what no repair answers is answered elsewhere: the same key leads there
  else if (f) document.querySelector<HTMLElement>('[data-testid="answered-elsewhere"]')?.click();
}

/** Space → its surfaces → their openings. */
function goIn(index: ModelIndex) {
  const v = useView.getState();
  const next = v.selection.flatMap((k) =>
    index.spaces.has(k)
      ? (index.surfacesOf.get(k) ?? []).map((s) => s.key)
      : (index.surfaces.get(k)?.openings.map((o) => o.key) ?? []),
  );
  if (next.length) v.select([...new Set(next)]);
}

/** Opening → its surface → its first space. */
function goOut(index: ModelIndex) {
  const v = useView.getState();
  const next = v.selection.flatMap(
    (k) => index.openings.get(k)?.surface ?? index.surfaces.get(k)?.spaces[0] ?? [],
  );
  v.select([...new Set(next)]);
}
