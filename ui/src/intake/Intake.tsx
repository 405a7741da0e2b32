import type { Model, Project } from '../model/api';
import type { Edits } from '../model/useEdits';
import { bytes, moment, NOTE_KINDS, schemaName } from '../model/words';
import { useUnits } from '../model/units';
import { Drop } from './Drop';
import { MassFloors } from './MassFloors';
import { PartOfProject } from './PartOfProject';
import { TakeOver } from './TakeOver';
import { ProjectSettings } from './ProjectSettings';
import { useIntake } from '../shared/useIntake';

/** What was read from the delivery, and bringing in the next one. */
export function Intake({
  model,
  project,
  edits,
}: {
  model: Model;
  project: Project;
  edits: Edits;
}) {
  const units = useUnits();
  const intake = useIntake(project.id);
  const d = model.delivery;
  const r = model.report;
  return (
    <section
      className="flex min-h-0 flex-1 gap-8 overflow-y-auto px-4 py-3"
      data-testid="intake-report"
    >
      <div className="w-60 shrink-0">
        <ProjectSettings project={project} model={model} />
        <h2 className="kicker mt-3 mb-1">Next delivery</h2>
        <Drop intake={intake} />
      </div>
      <div className="w-52 shrink-0">
        <h2 className="text-title font-semibold">Intake report</h2>
        <p className="truncate font-semibold" title={d.fileName}>
          {d.fileName}
        </p>
        <p className="break-words text-muted">
          {schemaName(d.format, d.schema)}
          <br />
          {bytes(d.size)}, lengths in {r.lengthUnit.toLowerCase()}
          <br />
          read in {r.readMillis} ms
          <br />
          received {moment(d.receivedAt)} by {d.receivedBy}
        </p>
        <p
          className="mt-1 font-mono text-[11px] break-all text-muted"
          title="SHA-256 of the delivered bytes"
        >
          {d.sha256.slice(0, 24)}…
        </p>
        <PartOfProject model={model} project={project} edits={edits} />
        <MassFloors model={model} intake={intake} />
        <TakeOver model={model} edits={edits} />
        <h2 className="kicker mt-3">Read</h2>
        <dl>
          {r.read.map((c) => (
            <div key={c.what} className="flex justify-between leading-[21px]">
              <dt className="text-muted">{c.what}</dt>
              <dd>{c.count}</dd>
            </div>
          ))}
        </dl>
      </div>
      <div className="min-w-0 flex-1">
        <h2 className="kicker">Assumed, approximated or not understood ({r.notes.length})</h2>
        {r.notes.length ? (
          <ul>
            {r.notes.map((n, i) => (
              <li key={i} className="border-b border-line/60 py-1">
                {units.said(n.message)}{' '}
                <span className="text-sm whitespace-nowrap text-muted">
                  {n.line > 0 ? `line ${n.line}, ` : ''}
                  {NOTE_KINDS[n.kind] ?? n.kind}
                </span>
              </li>
            ))}
          </ul>
        ) : (
          <p>Nothing: the file said everything that was needed.</p>
        )}
      </div>
    </section>
  );
}
