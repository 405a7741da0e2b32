import { ArrowRight } from 'lucide-react';
import { Link } from 'react-router';
import type { ModelIndex } from '../model/model';
import { useView } from '../model/state';
import { useUnits } from '../model/units';
import { useChecks } from '../model/useChecks';
import { useWorkspaceLink } from '../shared/useWorkspaceLink';
import type { Workspace } from '../shared/workspaces';
import { advice } from './advice';

/** The next step of the workspace at hand, always in sight under the path. */
export function Next({
  index,
  workspace,
  project,
}: {
  index: ModelIndex;
  workspace: Workspace;
  project: string;
}) {
  const units = useUnits();
  const checks = useChecks();
  const to = useWorkspaceLink(project);
  const set = useView((s) => s.set);
  if (!checks.size) return null;
  const next = advice(index, checks, workspace);
  if (!next) return null;
  const button =
    'btn mt-1 !h-auto !min-h-[26px] w-full !whitespace-normal text-left py-0.5 leading-[17px]';
  return (
    <section
      className="mx-1.5 mt-3 border-t border-line px-2 pt-2"
      aria-label="Next"
      data-testid="next"
    >
      <h2 className="kicker">Next</h2>
      <p className="mt-0.5 line-clamp-5 text-sm" title={units.said(next.text)}>
        {units.said(next.text)}
      </p>
      {next.finding ? (
        <button
          className={button}
          data-testid="next-step"
          onClick={() => set({ finding: next.finding!.id, selection: [], tab: 'findings' })}
        >
          <ArrowRight size={13} className="shrink-0" /> {next.label}
        </button>
      ) : next.workspace ? (
        <Link className={button} data-testid="next-step" to={to(next.workspace)}>
          <ArrowRight size={13} className="shrink-0" /> {next.label}
        </Link>
      ) : null}
    </section>
  );
}
