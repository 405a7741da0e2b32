import { useMemo } from 'react';
import type { Project } from '../model/api';
import { BoundarySheet } from '../envelope/BoundarySheet';
import { FindingSheet } from '../findings/FindingSheet';
import { isOpen } from '../model/groups';
import { Limits } from '../findings/Limits';
import { LogSheet } from '../findings/LogSheet';
import { Messages } from '../findings/Messages';
import { PlanSheet } from '../findings/PlanSheet';
import { RevisionSheet } from '../findings/RevisionSheet';
import type { ModelIndex } from '../model/model';
import { type SheetTab, useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { TABLE_NAMES } from '../shared/workspaces';
import { SheetFrame } from '../shared/SheetFrame';

import { SpaceTable } from './SpaceTable';
import { SurfaceTable } from './SurfaceTable';
import { OpeningTable } from './OpeningTable';

/** The table under the stage: what the workspace is about. */
export function Sheet({
  index,
  project,
  edits,
  findings,
}: {
  index: ModelIndex;
  project: Project;
  edits: Edits;
  /** The workspace is that of findings. */
  findings: boolean;
}) {
  const tab = useView((s) => s.tab);
  const set = useView((s) => s.set);
  const m = index.model;
  const openings = useMemo(() => [...index.openings.values()], [index]);
  const open = m.findings.filter(isOpen).length;
  const objects: [SheetTab, string, number | string][] = [
    ['spaces', TABLE_NAMES.spaces, m.spaces.length],
    ['surfaces', TABLE_NAMES.surfaces, m.surfaces.length],
    ['openings', TABLE_NAMES.openings, openings.length],
  ];
  const tabs: [SheetTab, string, number | string][] = findings
    ? [
        ['findings', TABLE_NAMES.findings, open],
        ['plan', TABLE_NAMES.plan, ''],
        ...objects,
        ['messages', TABLE_NAMES.messages, ''],
        ['limits', TABLE_NAMES.limits, ''],
        ['log', TABLE_NAMES.log, m.delivery.logPosition],
        [
          'revision',
          m.delivery.revision > 1 ? `Since revision ${m.delivery.revision - 1}` : 'Next revision',
          '',
        ],
      ]
    : [
        ['boundaries', TABLE_NAMES.boundaries, m.spaces.length],
        ...objects,
        ['findings', TABLE_NAMES.findings, open],
      ];
  return (
    <SheetFrame tabs={tabs} tab={tab} onTab={(key) => set({ tab: key })}>
      {tab === 'boundaries' && <BoundarySheet index={index} project={project} edits={edits} />}
      {tab === 'spaces' && <SpaceTable index={index} />}
      {tab === 'surfaces' && <SurfaceTable index={index} />}
      {tab === 'openings' && <OpeningTable index={index} openings={openings} />}
      {tab === 'findings' && <FindingSheet index={index} edits={edits} />}
      {tab === 'plan' && <PlanSheet index={index} edits={edits} />}
      {tab === 'messages' && <Messages index={index} />}
      {tab === 'limits' && <Limits index={index} project={project} />}
      {tab === 'log' && <LogSheet index={index} edits={edits} />}
      {tab === 'revision' && <RevisionSheet index={index} edits={edits} />}
    </SheetFrame>
  );
}
