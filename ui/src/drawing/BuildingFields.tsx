import { useState } from 'react';
import type { PlanDoc } from '../model/plan';
import { PlanFields } from './PlanFields';
import { PlanFigures } from './PlanFigures';
import type { Drawn } from './useDrawing';
import { useTried } from './useTried';

/**
 * The building as numbers: what is typed shows its effect at once and is drawn when the field is left or with Enter; a choice is drawn
 * at once.
 */
export function BuildingFields({ drawn }: { drawn: Drawn }) {
  const [draft, setDraft] = useState<{ doc: PlanDoc; what: string } | null>(null);
  const doc = draft?.doc ?? drawn.doc;
  const of = useTried(doc);
  const draw = (next: { doc: PlanDoc; what: string }) => {
    drawn.act(() => [next.doc, `Draws anew: ${next.what}.`]);
    setDraft(null);
  };
  const commit = () => {
    if (draft && !of.fault) draw(draft);
  };
  return (
    <div
      data-testid="drawing"
      onBlur={commit}
      onKeyDown={(e) => {
        // leaving the field draws it, and the keys are the board's again
        if (e.key === 'Enter' && (e.target as HTMLElement).tagName === 'INPUT')
          (e.target as HTMLElement).blur();
        if (e.key === 'Escape') setDraft(null);
      }}
    >
      <PlanFields
        doc={doc}
        storeys={false}
        onChange={(next, what) => {
          const typing = document.activeElement?.tagName === 'INPUT';
          if (typing) setDraft({ doc: next, what });
          else draw({ doc: next, what });
        }}
      />
      <h3 className="kicker mt-2 mb-1">What it comes to</h3>
      {drawn.doc.floors.length ? (
        <PlanFigures of={of} />
      ) : (
        <p className="text-muted">Nothing yet: draw the outline of a storey.</p>
      )}
    </div>
  );
}
