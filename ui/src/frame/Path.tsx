import { ChevronsLeft, ChevronsRight, Circle, CircleCheck, CircleDot } from 'lucide-react';
import { NavLink } from 'react-router';
import { useWorkspaceLink } from './useWorkspaceLink';
import type { Model } from '../api';
import { useView } from '../state';
import { count } from '../words';
import { WORKSPACES, type Workspace } from './workspaces';

type Mark = 'nothing' | 'open' | 'clear';

function figure(w: Workspace, m: Model): [string, Mark] {
  const f = (code: string) => m.findings.filter((x) => x.code === code).length;
  switch (w) {
    case 'intake':
      return [`Revision ${m.delivery.revision}`, 'clear'];
    case 'scope': {
      const s = m.scope;
      if (!s.elements) return ['Everything', 'clear'];
      return [
        s.faults ? `${s.in} in, ${s.faults} not met` : `${s.in} of ${s.elements} in`,
        s.faults ? 'open' : s.sheet ? 'clear' : 'nothing',
      ];
    }
    case 'envelope': {
      const open = m.spaces.filter((s) => !s.enclosed).length;
      return [open ? `${open} not enclosed` : 'All enclosed', open ? 'open' : 'clear'];
    }
    case 'findings': {
      const [b, e] = [m.severities.blocker, m.severities.error];
      return [
        b ? count(b, 'blocker') : e ? count(e, 'error') : 'No faults',
        b || e ? 'open' : 'clear',
      ];
    }
    case 'thermal': {
      const n = f('THM-701');
      return [n ? `${n} unassigned` : 'Constructions set', n ? 'open' : 'clear'];
    }
    case 'handover':
      return [
        m.severities.blocker ? 'Blockers open' : 'Ready',
        m.severities.blocker ? 'open' : 'clear',
      ];
    default:
      return ['Not built yet', 'nothing'];
  }
}

/** The seven workspaces in the order of the work, each with the one figure that matters there. */
export function Path({ project, model }: { project: string; model: Model | null }) {
  const to = useWorkspaceLink(project);
  const folded = useView((s) => s.pathFolded);
  const set = useView((s) => s.set);
  return (
    <nav
      className={`flex shrink-0 flex-col border-r border-line bg-paper py-2 ${folded ? 'w-12' : 'w-[168px]'}`}
      aria-label="Workspaces"
    >
      {WORKSPACES.map(([key, label], i) => {
        const [text, mark] = model ? figure(key, model) : ['', 'nothing' as Mark];
        const Icon = mark === 'clear' ? CircleCheck : mark === 'open' ? CircleDot : Circle;
        return (
          <NavLink
            key={key}
            to={to(key)}
            title={`${label} (${i + 1})${text ? ': ' + text : ''}`}
            className={({ isActive }) =>
              `mx-1.5 mb-0.5 flex min-h-[42px] items-center gap-2 rounded-sm px-2 ${isActive ? 'bg-kelp-soft font-semibold' : 'hover:bg-kelp-soft/60'}`
            }
          >
            <Icon
              size={15}
              className={
                mark === 'open'
                  ? 'shrink-0 text-error'
                  : mark === 'clear'
                    ? 'shrink-0 text-kelp'
                    : 'shrink-0 text-muted'
              }
              aria-label={
                mark === 'open' ? 'open points' : mark === 'clear' ? 'clear' : 'nothing yet'
              }
            />
            {!folded && (
              <span className="min-w-0">
                <span className="block">
                  {i + 1} {label}
                </span>
                <span className="block truncate text-sm font-normal text-muted">{text}</span>
              </span>
            )}
          </NavLink>
        );
      })}
      <button
        className="btn-quiet mx-1.5 mt-auto"
        onClick={() => set({ pathFolded: !folded })}
        title={folded ? 'Unfold the path' : 'Fold the path'}
      >
        {folded ? (
          <ChevronsRight size={14} />
        ) : (
          <>
            <ChevronsLeft size={14} /> Fold
          </>
        )}
      </button>
    </nav>
  );
}
