import { useEffect } from 'react';
import { type QueryClient, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { nextFinding } from '../model/next';
import type { ModelIndex } from '../model/model';
import { hide, isolate, showAll } from '../stage/visibility';
import { leave, renew } from '../model/pending';
import { useView } from '../model/state';
import { remediesOf } from '../model/useRemedies';
import type { Edits } from '../model/useEdits';
import { typing, usePageKeys } from './usePageKeys';
import { useWorkspaceLink } from '../shared/useWorkspaceLink';
import { WORKSPACES, type Workspace } from '../shared/workspaces';
import { turnLead } from '../model/layout';

/** The keyboard: see the shortcuts dialog for what each key does. */
export function useShortcuts(
  index: ModelIndex,
  edits: Edits,
  project: string,
  workspace: Workspace,
) {
  usePageKeys();
  const navigate = useNavigate();
  const client = useQueryClient();
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
      const run = action(e.key, { index, edits, workspace, client });
      if (run) {
        e.preventDefault();
        run();
      } else if (/^[1-7]$/.test(e.key)) {
        void navigate(to(WORKSPACES[Number(e.key) - 1][0]));
      }
    }
    window.addEventListener('keydown', key);
    return () => window.removeEventListener('keydown', key);
  }, [index, edits, navigate, to, workspace, client]);
}

interface At {
  index: ModelIndex;
  edits: Edits;
  workspace: Workspace;
  client: QueryClient;
}

function action(key: string, at: At): (() => void) | null {
  const { index, workspace } = at;
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
      return () => void firstRemedy(at);
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
      return () => turnLead(workspace);
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

/** The finding whose remedies are on their way, and whether the first is to be made at once. */
let asking: { finding: string; made: boolean } | null = null;

async function firstRemedy({ client, index, edits }: Omit<At, 'workspace'>): Promise<void> {
  const { pending, finding } = useView.getState();
  // what is looked at belongs to the finding that is shown, or to none
  if (pending && (!pending.finding || !finding || pending.finding === finding)) {
    // what was worked out for an older state is first worked out anew
    if (pending.preview && pending.version === edits.version)
      void edits.apply(pending.made ?? pending.repair, pending.finding);
    else if (!pending.error) renew(pending.id, { wanted: true });
    return;
  }
  const f = finding ? index.findings.get(finding) : undefined;
  if (!f) return;
  if (asking?.finding === f.id) {
    asking.made = true;
    return;
  }
  const mine = (asking = { finding: f.id, made: false });
  const [first] = await remediesOf(client, index.model, f).catch((e: Error) => {
    useView.setState({ message: { text: e.message, bad: true } });
    return [];
  });
  if (asking === mine) asking = null;
  if (useView.getState().finding !== f.id) return;
  if (first) {
    edits.consider(first.repair, first.label, f.id);
    if (mine.made) await firstRemedy({ index, edits, client });
  }
  // what no repair answers is answered elsewhere: the same key leads there
  else document.querySelector<HTMLElement>('[data-testid="answered-elsewhere"]')?.click();
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
