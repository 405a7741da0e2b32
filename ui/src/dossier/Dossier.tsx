import type { ModelIndex } from '../model/model';
import { useView } from '../model/state';
import { modelActions, SIMPLIFICATIONS } from '../shared/actions';
import { Actions } from '../shared/Form';
import type { Edits } from '../model/useEdits';
import type { Workspace } from '../shared/workspaces';
import { useShallow } from 'zustand/react/shallow';

import { schemaName } from '../model/words';
import { useUnits } from '../model/units';
import { FindingCard } from '../shared/FindingCard';
import { DossierFrame } from '../shared/DossierFrame';
import { Several } from './Several';
import { SpaceFacts } from './SpaceFacts';
import { OpeningFacts, SurfaceFacts } from './SurfaceFacts';
import { RepairLog, Row, Section, Title } from '../shared/dossierParts';

/** Everything about what is selected, and what can be done with it. */
export function Dossier({
  index,
  edits,
  workspace,
}: {
  index: ModelIndex;
  edits: Edits;
  workspace: Workspace;
}) {
  const { selection, finding } = useView(
    useShallow((s) => ({ selection: s.selection, finding: s.finding })),
  );
  const f = finding ? index.findings.get(finding) : undefined;
  const one = selection.length === 1 ? selection[0] : null;
  const space = one ? index.spaces.get(one) : undefined;
  const surface = one ? index.surfaces.get(one) : undefined;
  const opening = one ? index.openings.get(one) : undefined;
  return (
    <DossierFrame edits={edits} clearable={selection.length > 0 || !!f}>
      {f ? (
        <FindingCard finding={f} index={index} edits={edits} />
      ) : space ? (
        <SpaceFacts space={space} index={index} edits={edits} />
      ) : surface ? (
        <SurfaceFacts surface={surface} index={index} edits={edits} />
      ) : opening ? (
        <OpeningFacts opening={opening} index={index} edits={edits} />
      ) : selection.length > 1 ? (
        <Several index={index} edits={edits} keys={selection} />
      ) : (
        <Overview index={index} edits={edits} repairs={workspace === 'envelope'} />
      )}
    </DossierFrame>
  );
}

/** The building; where the envelope is made, what can be done with all of it. */
function Overview({
  index,
  edits,
  repairs,
}: {
  index: ModelIndex;
  edits: Edits;
  repairs: boolean;
}) {
  const units = useUnits();
  const m = index.model;
  const rooms = m.spaces.filter((s) => !s.groups);
  return (
    <>
      <Title
        sub={`${schemaName(m.delivery.format, m.delivery.schema)}, revision ${m.delivery.revision}`}
      >
        {m.delivery.fileName}
      </Title>
      <Section title="The building">
        <dl>
          <Row label="Spaces">
            {m.spaces.length}
            {rooms.length < m.spaces.length &&
              `, ${m.spaces.length - rooms.length} of them only group others`}
          </Row>
          <Row label="Floor area">
            {units.area.text(rooms.reduce((n, s) => n + s.floorArea, 0))}
          </Row>
          <Row label="Volume of enclosed spaces">
            {units.volume.text(rooms.filter((s) => s.enclosed).reduce((n, s) => n + s.volume, 0))}
          </Row>
          <Row label="Surfaces">{m.surfaces.length}</Row>
          <Row label="Openings">{index.openings.size}</Row>
        </dl>
      </Section>
      {repairs && (
        <>
          <Section title="Simplify" acts>
            {SIMPLIFICATIONS.map(({ label, title, repair }) => (
              <button
                key={label}
                className="btn mt-1.5 first:mt-0"
                title={units.said(title)}
                onClick={() => edits.consider(repair, label)}
              >
                {label}
              </button>
            ))}
          </Section>
          <Section title="Repair as a whole" acts>
            <Actions actions={modelActions()} edits={edits} />
          </Section>
        </>
      )}
      <RepairLog index={index} />
      <p className="px-3 py-2 text-sm text-muted print:hidden">
        Click a surface in the model or a row in the sheet to see its facts. N goes to the next
        finding.
      </p>
    </>
  );
}
