import { useUnits } from '../model/units';
import { useMemo, useState } from 'react';
import { Dialog } from 'radix-ui';
import { useNavigate } from 'react-router';
import { useWorkspaceLink } from '../shared/useWorkspaceLink';
import { nextFinding } from '../model/next';
import type { ModelIndex } from '../model/model';
import { hide, isolate, showAll } from '../stage/visibility';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { WORKSPACES } from '../shared/workspaces';
import { useShallow } from 'zustand/react/shallow';

interface Entry {
  label: string;
  kind: string;
  run: () => void;
}

/** Finds objects by name or id, and does things by name. */
export function CommandPalette({
  index,
  edits,
  project,
}: {
  index: ModelIndex;
  edits: Edits;
  project: string;
}) {
  const units = useUnits();
  const { palette, set, select } = useView(
    useShallow((s) => ({ palette: s.palette, set: s.set, select: s.select })),
  );
  const navigate = useNavigate();
  const to = useWorkspaceLink(project);
  const [query, setQuery] = useState('');
  const [at, setAt] = useState(0);

  const entries = useMemo<Entry[]>(() => {
    const go = (key: string) => () => {
      select([key]);
      window.dispatchEvent(new CustomEvent('yentra:frame'));
    };
    return [
      ...WORKSPACES.map(([key, label], i) => ({
        label: `Go to ${label}`,
        kind: String(i + 1),
        run: () => void navigate(to(key)),
      })),
      { label: 'Next finding', kind: 'N', run: () => nextFinding(index, 1) },
      { label: 'Undo', kind: 'Ctrl Z', run: edits.undo },
      { label: 'Redo', kind: 'Ctrl Shift Z', run: edits.redo },
      { label: 'Show only the selection', kind: 'I', run: isolate },
      { label: 'Hide the selection', kind: 'H', run: hide },
      { label: 'Show everything', kind: 'A', run: showAll },
      { label: 'Measure', kind: 'M', run: () => set({ measure: 'distance' }) },
      { label: 'Shortcuts', kind: '?', run: () => set({ help: true }) },
      ...index.model.spaces.map((s) => ({
        label: s.name,
        kind: `space ${s.fileId}`,
        run: go(s.key),
      })),
      ...index.model.surfaces.map((s) => ({
        label: s.label,
        kind: `surface ${s.fileId}`,
        run: go(s.key),
      })),
      ...[...index.openings.values()].map((o) => ({
        label: o.label,
        kind: `opening ${o.fileId}`,
        run: go(o.key),
      })),
      ...index.model.findings.map((f) => ({
        label: units.said(f.message),
        kind: f.code,
        run: () => set({ finding: f.id, selection: [], tab: 'findings' as const }),
      })),
    ];
  }, [index, edits, navigate, to, select, set, units]);

  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  const found = entries
    .filter((e) => words.every((w) => `${e.label} ${e.kind}`.toLowerCase().includes(w)))
    .slice(0, 40);

  function close() {
    set({ palette: false });
    setQuery('');
    setAt(0);
  }

  function run(e: Entry | undefined) {
    if (!e) return;
    close();
    e.run();
  }

  return (
    <Dialog.Root open={palette} onOpenChange={(open) => (open ? set({ palette: true }) : close())}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/20" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-20 left-1/2 z-50 w-[560px] -translate-x-1/2 rounded-sm border border-line bg-panel shadow-lg"
          data-testid="palette"
        >
          <Dialog.Title className="sr-only">Find or do</Dialog.Title>
          <input
            autoFocus
            className="h-11 w-full border-b border-line px-3 text-[15px] outline-none"
            placeholder="A space, surface, id, finding, or something to do"
            value={query}
            onChange={(e) => {
              setQuery(e.target.value);
              setAt(0);
            }}
            onKeyDown={(e) => {
              if (e.key === 'ArrowDown') setAt(Math.min(found.length - 1, at + 1));
              else if (e.key === 'ArrowUp') setAt(Math.max(0, at - 1));
              else if (e.key === 'Enter') run(found[at]);
              else return;
              e.preventDefault();
            }}
          />
          <ul className="max-h-80 overflow-y-auto py-1" role="listbox">
            {found.map((e, i) => (
              <li
                key={i}
                role="option"
                aria-selected={i === at}
                className={`flex h-[28px] cursor-pointer items-center justify-between gap-3 px-3 ${i === at ? 'bg-kelp-soft' : ''}`}
                onMouseEnter={() => setAt(i)}
                onClick={() => run(e)}
              >
                <span className="truncate">{e.label}</span>
                <span className="shrink-0 font-mono text-[11px] text-muted">{e.kind}</span>
              </li>
            ))}
            {!found.length && <li className="px-3 py-2 text-muted">Nothing is called that.</li>}
          </ul>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
