import { useState } from 'react';
import { firstBlock } from '../model/plan';
import { PlanFields } from './PlanFields';
import { PlanFigures } from './PlanFigures';
import { useTried } from './useTried';
import type { useIntake } from '../shared/useIntake';

/** A building by numbers, for a project without a model: its effect at once, then a delivery like any other. */
export function DrawBlock({
  name,
  intake,
}: {
  name: string;
  intake: ReturnType<typeof useIntake>;
}) {
  const [doc, setDoc] = useState(() => firstBlock(name));
  const of = useTried(doc);
  const busy = intake.sending !== null || intake.job !== null;
  const bring = () =>
    void intake.bring(
      new File([JSON.stringify(doc)], `${name || 'Drawn building'}.json`, {
        type: 'application/json',
      }),
    );
  return (
    <div className="flex flex-wrap gap-x-8 gap-y-3" data-testid="draw-block">
      <div className="w-72">
        <PlanFields doc={doc} onChange={setDoc} />
      </div>
      <div className="w-72">
        <h3 className="kicker mb-1">What it comes to</h3>
        <PlanFigures of={of} />
        <button
          className="btn btn-main mt-3"
          disabled={busy || !!of.fault || !of.current}
          onClick={bring}
        >
          Make this building
        </button>
      </div>
    </div>
  );
}
