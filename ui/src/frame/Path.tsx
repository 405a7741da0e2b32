import { ChevronsLeft, ChevronsRight, Circle, CircleCheck, CircleDot } from 'lucide-react';
import { NavLink } from 'react-router';
import { useWorkspaceLink } from '../shared/useWorkspaceLink';
import type { Model } from '../model/api';
import type { EstimateRun } from '../model/estimateCalls';
import { figures, useUnits, type Units } from '../model/units';
import { isOpen, useRunsOf } from '../estimate/useEstimate';
import { useLayout } from '../model/layout';
import { isSmall, useWindow } from '../shared/useWindow';
import { WORKSPACES } from '../shared/workspaces';

const NOTHING = { text: '', mark: 'nothing' };

/** The estimate's one figure: of the newest run of the present state, or how far a run has come. */
function estimateMark(runs: EstimateRun[] | undefined, units: Units) {
  const newest = runs?.[0];
  if (!newest) return { text: 'Nothing run', mark: 'nothing' };
  if (isOpen(newest)) return { text: 'Running', mark: 'nothing' };
  const done = runs.find((r) => r.state === 'done' && !r.stale);
  const energy = units.heatByArea;
  if (done?.perArea != null)
    return { text: `${figures(energy.to(done.perArea))} ${energy.unit}`, mark: 'clear' };
  if (newest.lacks.length)
    return { text: `${newest.lacks.length} without a U-value`, mark: 'open' };
  return { text: runs.some((r) => r.stale) ? 'Envelope has changed' : 'Nothing run', mark: 'open' };
}

/** The seven workspaces in the order of the work, each with the one figure that matters there. */
export function Path({
  project,
  model,
  children,
}: {
  project: string;
  model: Model | null;
  /** What stands under the workspaces while there is room. */
  children?: React.ReactNode;
}) {
  const to = useWorkspaceLink(project);
  const small = isSmall(useWindow());
  const folded = useLayout((s) => s.pathFolded) || small;
  const set = useLayout((s) => s.set);
  const units = useUnits();
  const runs = useRunsOf(model).data;
  return (
    <nav
      className={`flex shrink-0 flex-col overflow-y-auto print:hidden border-r border-line bg-paper py-2 ${folded ? 'w-12' : 'w-[168px]'}`}
      aria-label="Workspaces"
    >
      {WORKSPACES.map(([key, label], i) => {
        const { text, mark } =
          key === 'estimate'
            ? estimateMark(runs, units)
            : (model?.path.find((p) => p.workspace === key) ?? NOTHING);
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
      {!folded && children}
      {!small && (
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
      )}
    </nav>
  );
}
