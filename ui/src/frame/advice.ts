import type { Finding } from '../model/api';
import { isOpen } from '../model/groups';
import type { ModelIndex } from '../model/model';
import type { Checks } from '../model/useChecks';
import { count, SEVERITIES } from '../model/words';
import { WORKSPACES, type Workspace } from '../shared/workspaces';

/** What to do next: a finding to answer here, another workspace to go on in, or nothing at all. */
export interface Advice {
  text: string;
  finding?: Finding;
  workspace?: Workspace;
  label: string;
}

/** Findings that have to be answered, the worst first; notes may stay. */
function openOf(index: ModelIndex, checks: Checks, workspace: Workspace): Finding[] {
  return index.model.findings.filter(
    (f) =>
      isOpen(f) &&
      f.severity !== 'note' &&
      (workspace === 'findings' || checks.get(f.code)?.workspace === workspace),
  );
}

export function advice(index: ModelIndex, checks: Checks, workspace: Workspace): Advice | null {
  const open = openOf(index, checks, workspace);
  const rank = (f: Finding) => SEVERITIES.indexOf(f.severity as never);
  const worst = open.reduce<Finding | null>((w, f) => (!w || rank(f) < rank(w) ? f : w), null);
  if (worst)
    return {
      text: `${count(open.length, 'finding')} to answer here. The worst: ${worst.message}`,
      finding: worst,
      label: 'Show it',
    };
  const all = openOf(index, checks, 'findings');
  if (all.length) {
    const after = index.model.path.find(
      (p) => p.mark === 'open' && p.workspace !== workspace && p.workspace !== 'handover',
    );
    const to = (after?.workspace ?? 'findings') as Workspace;
    return {
      text:
        workspace === 'handover'
          ? `${count(all.length, 'finding')} would go with the file.`
          : 'Nothing is open here.',
      workspace: to,
      label: `On to ${WORKSPACES.find(([k]) => k === to)![1]}${after ? `: ${after.text}` : ''}`,
    };
  }
  return workspace === 'handover'
    ? { text: 'Nothing is open. Write the file; it is read back before it is offered.', label: '' }
    : { text: 'Nothing is open.', workspace: 'handover', label: 'On to Handover' };
}
