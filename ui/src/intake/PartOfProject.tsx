import type { Model, Project } from '../model/api';
import { otherParts } from '../model/parts';
import type { Edits } from '../model/useEdits';

/** Which part of the project the delivery is about, why it was taken for that, and the way to change it. */
export function PartOfProject({
  model,
  project,
  edits,
}: {
  model: Model;
  project: Project;
  edits: Edits;
}) {
  const d = model.delivery;
  if (project.deliveries.length < 2) return null;
  const alone = project.deliveries.every((o) => o.id === d.id || o.part !== d.part);
  return (
    <div data-testid="part">
      <h2 className="kicker mt-3">Part of the project</h2>
      <select
        className="field mt-0.5 w-full"
        aria-label="Part of the project"
        value={d.part}
        disabled={edits.busy}
        onChange={(e) => edits.place(e.target.value === 'own' ? null : Number(e.target.value))}
      >
        <option value={d.part}>
          Part {d.part}, revision {d.revision}
        </option>
        {otherParts(d, project).map((o) => (
          <option key={o.part} value={o.part}>
            Next revision of part {o.part} ({o.fileName})
          </option>
        ))}
        {!alone && <option value="own">A part of its own</option>}
      </select>
      <p className="mt-0.5 text-sm break-words text-muted">Because {d.placed}.</p>
    </div>
  );
}
