import { useState } from 'react';
import { Dialog } from 'radix-ui';
import { useShallow } from 'zustand/react/shallow';
import { useView } from '../model/state';
import { found as matching, onThisPage, type Entry } from './commands';

/** So many are shown; more than that nobody reads. */
const MOST = 40;

/** Finds objects by name or id, and does things by name. */
export function CommandPalette({ entries }: { entries: () => Entry[] }) {
  const palette = useView((s) => s.palette);
  // what can be pressed is what stands on the page when the palette opens
  return palette ? <Open entries={entries} /> : null;
}

function Open({ entries }: { entries: () => Entry[] }) {
  const { palette, set } = useView(useShallow((s) => ({ palette: s.palette, set: s.set })));
  const [all] = useState(() => {
    const known = entries();
    const commands = known.findIndex((e) => /^(space|surface|opening) /.test(e.kind));
    const at = commands < 0 ? known.length : commands;
    return [...known.slice(0, at), ...onThisPage(known.slice(0, at)), ...known.slice(at)];
  });
  const [query, setQuery] = useState('');
  const [at, setAt] = useState(0);
  const found = matching(all, query, MOST);

  const close = () => set({ palette: false });

  function run(e: Entry | undefined) {
    if (!e) return;
    close();
    e.run();
  }

  return (
    <Dialog.Root open={palette} onOpenChange={(open) => !open && close()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/20" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[12vh] left-1/2 z-50 w-[min(600px,94vw)] -translate-x-1/2 rounded-sm border border-line bg-panel shadow-lg"
          data-testid="palette"
        >
          <Dialog.Title className="sr-only">Find or do</Dialog.Title>
          <input
            autoFocus
            className="h-11 w-full border-b border-line px-3 text-[15px] outline-none"
            placeholder="Something to do, or a space, surface, id or finding"
            role="combobox"
            aria-expanded
            aria-controls="found"
            aria-activedescendant={found.length ? `found-${at}` : undefined}
            aria-label="Find or do"
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
          <ul
            id="found"
            className="max-h-[60vh] overflow-y-auto py-1"
            role="listbox"
            aria-label="What was found"
          >
            {found.map((e, i) => (
              <li
                key={i}
                id={`found-${i}`}
                ref={i === at ? (el) => el?.scrollIntoView({ block: 'nearest' }) : undefined}
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
            {!found.length && (
              <li role="presentation" className="px-3 py-2 text-muted">
                Nothing is called that.
              </li>
            )}
          </ul>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
