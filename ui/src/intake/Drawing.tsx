import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api } from '../model/api';
import type { PlanDoc } from '../model/plan';
import type { Edits } from '../model/useEdits';
import { PlanFields } from './PlanFields';
import { PlanFigures } from './PlanFigures';
import { useTried } from './useTried';

/** A drawn building as numbers that can be changed; what was given to its rooms stays with them. */
export function Drawing({ edits }: { edits: Edits }) {
  const plan = useQuery({
    queryKey: ['plan', edits.delivery, edits.version],
    queryFn: () => api.plan(edits.delivery),
  });
  if (plan.error) return <p className="text-blocker">{plan.error.message}</p>;
  if (!plan.data) return <p className="text-muted">Opening the drawing …</p>;
  return (
    <Changed
      key={plan.data.document}
      doc={JSON.parse(plan.data.document) as PlanDoc}
      edits={edits}
    />
  );
}

function Changed({ doc, edits }: { doc: PlanDoc; edits: Edits }) {
  const [draft, setDraft] = useState(doc);
  const [changed, setChanged] = useState<string[]>([]);
  const of = useTried(draft);
  const dirty = changed.length > 0;
  const draw = () =>
    void edits.scope((id, version) =>
      api.draw(id, version, JSON.stringify(draft), `Draws anew: ${changed.join(', ')}.`),
    );
  return (
    <div data-testid="drawing">
      <h2 className="text-title font-semibold">Drawing</h2>
      <PlanFields
        doc={draft}
        onChange={(next, what) => {
          setDraft(next);
          setChanged((w) => (w.includes(what) ? w : [...w, what]));
        }}
      />
      <h3 className="kicker mt-2 mb-1">What it comes to</h3>
      <PlanFigures of={of} />
      <div className="sticky -bottom-3 mt-2 flex gap-1.5 border-t border-line bg-panel py-2">
        <button
          className="btn btn-main"
          disabled={!dirty || edits.busy || !!of.fault || !of.current}
          onClick={draw}
        >
          Draw anew
        </button>
        {dirty && (
          <button
            className="btn"
            onClick={() => {
              setDraft(doc);
              setChanged([]);
            }}
          >
            Leave it
          </button>
        )}
      </div>
    </div>
  );
}
