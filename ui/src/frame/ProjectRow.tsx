import { useState } from 'react';
import { DropdownMenu } from 'radix-ui';
import { MoreHorizontal } from 'lucide-react';
import { Link } from 'react-router';
import type { ListedProject, Shelf } from '../model/api';
import { count, counted, moment, SEVERITIES } from '../model/words';
import { placeOf } from './placeOf';
import { SeverityMark } from '../shared/SeverityMark';

/** A project in the list: how it looks, what it is, how it stands, and what can be done with it. */
export function ProjectRow({
  project: p,
  put,
  rename,
  copy,
}: {
  project: ListedProject;
  put: (to: Shelf) => void;
  rename: (to: string) => void;
  copy: () => void;
}) {
  const [name, setName] = useState<string | null>(null);
  const gone = p.shelf === 'DELETED';
  return (
    <li className="relative flex items-center gap-3 border-b border-line hover:bg-kelp-soft/60">
      <Opened to={gone ? null : placeOf(p)}>
        <span className="flex h-[60px] w-24 shrink-0 items-center justify-center">
          {p.picture && (
            <img
              src={`/api/projects/${p.id}/picture`}
              alt=""
              className="max-h-full max-w-full"
              loading="lazy"
            />
          )}
        </span>
        <span className="min-w-0 flex-1">
          {name === null && (
            <span className="block truncate text-[15px] font-semibold">{p.name}</span>
          )}
          {name === null && (
            <span className="block truncate text-sm text-muted">
              {p.deliveries.length
                ? `${p.deliveries[0].fileName}, ${count(p.deliveries.length, 'delivery', 'deliveries')}`
                : 'no delivery yet'}
              {p.standing &&
                ` · ${counted(p.standing.spaces)} spaces, ${counted(Math.round(p.standing.floorArea))} m²`}
            </span>
          )}
        </span>
        <Standing project={p} />
        <span className="w-40 shrink-0 text-right text-sm text-muted" title="Last change">
          {moment(p.touchedAt)}
        </span>
      </Opened>
      {name !== null && (
        <form
          className="absolute left-28 flex gap-1.5"
          onSubmit={(e) => {
            e.preventDefault();
            if (name.trim() && name.trim() !== p.name) rename(name.trim());
            setName(null);
          }}
        >
          <input
            className="field w-80"
            aria-label={`New name of ${p.name}`}
            autoFocus
            maxLength={120}
            value={name}
            onChange={(e) => setName(e.target.value)}
            onKeyDown={(e) => e.key === 'Escape' && setName(null)}
          />
          <button className="btn btn-main" disabled={!name.trim()}>
            Rename
          </button>
        </form>
      )}
      <DropdownMenu.Root>
        <DropdownMenu.Trigger
          className="btn-quiet mr-1"
          aria-label={`More about ${p.name}`}
          data-testid="project-menu"
        >
          <MoreHorizontal size={16} />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            className="menu"
            align="end"
            onCloseAutoFocus={(e) => name !== null && e.preventDefault()}
          >
            {!gone && (
              <>
                <Item onSelect={() => setName(p.name)}>Rename …</Item>
                <Item onSelect={copy}>Copy with all deliveries</Item>
              </>
            )}
            {p.shelf !== 'OPEN' && <Item onSelect={() => put('OPEN')}>Take back</Item>}
            {p.shelf === 'OPEN' && <Item onSelect={() => put('ARCHIVED')}>Archive</Item>}
            {!gone && <Item onSelect={() => put('DELETED')}>Delete</Item>}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </li>
  );
}

const ROW = 'flex min-w-0 flex-1 items-center gap-3 py-1.5';

function Opened({ to, children }: { to: string | null; children: React.ReactNode }) {
  return to ? (
    <Link to={to} className={ROW} data-testid="project">
      {children}
    </Link>
  ) : (
    <span className={ROW}>{children}</span>
  );
}

function Item({ onSelect, children }: { onSelect: () => void; children: React.ReactNode }) {
  return (
    <DropdownMenu.Item className="menu-item" onSelect={onSelect}>
      {children}
    </DropdownMenu.Item>
  );
}

/** Open findings by severity, as they were last seen. */
function Standing({ project: p }: { project: ListedProject }) {
  if (!p.standing) return null;
  const open = SEVERITIES.filter((s) => p.standing!.open[s]);
  return (
    <span className="flex shrink-0 gap-2.5 text-sm" data-testid="standing">
      {open.length
        ? open.map((s) => (
            <span
              key={s}
              className="flex items-center gap-1"
              title={count(p.standing!.open[s], `${s} open`, `${s}s open`)}
            >
              <SeverityMark severity={s} size={12} /> {counted(p.standing!.open[s])}
            </span>
          ))
        : 'nothing open'}
    </span>
  );
}
