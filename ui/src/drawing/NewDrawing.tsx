import { useState } from 'react';
import { Link } from 'react-router';
import { firstDrawing, type PlanDoc } from '../model/plan';
import type { useIntake } from '../shared/useIntake';
import { Board } from './Board';
import { DrawingSide } from './DrawingSide';
import { prepared } from './edits';
import type { Drawn } from './useDrawing';

const KEY = (project: string) => `yentra.drawing.${project}`;

/** Steps of a drawing that is not a delivery yet; kept in the browser until it is one. */
function begun(project: string, name: string): PlanDoc[] {
  const kept = localStorage.getItem(KEY(project));
  try {
    if (kept) return JSON.parse(kept) as PlanDoc[];
  } catch (e) {
    console.warn('a drawing that was kept cannot be read', e);
  }
  return [prepared(firstDrawing(name))];
}

/** A building from nothing: with its first outline it becomes a delivery like any other. */
export function NewDrawing({
  project,
  name,
  intake,
}: {
  project: string;
  name: string;
  intake: ReturnType<typeof useIntake>;
}) {
  const [steps, setSteps] = useState(() => begun(project, name));
  const doc = steps.at(-1)!;
  const waiting = intake.sending !== null || intake.job !== null;
  const keep = (next: PlanDoc[]) => {
    setSteps(next);
    localStorage.setItem(KEY(project), JSON.stringify(next.slice(-20)));
  };
  const drawn: Drawn = {
    doc,
    sheet: null,
    waiting,
    project,
    delivery: null,
    undo: () => steps.length > 1 && keep(steps.slice(0, -1)),
    act: (make) => {
      const [next] = make(doc);
      keep([...steps, next]);
      if (!next.floors.length || waiting) return;
      const file = new File([JSON.stringify(next)], `${name || 'Drawn building'}.json`, {
        type: 'application/json',
      });
      void intake.bring(file).then(() => localStorage.removeItem(KEY(project)));
    },
  };
  return (
    <main className="flex min-h-0 min-w-0 flex-1">
      <h1 className="sr-only">A drawing for {name}</h1>
      <div className="flex min-h-0 min-w-0 flex-1 flex-col">
        <Board drawn={drawn} north={null} />
      </div>
      <aside
        className="flex min-h-0 w-[320px] flex-col gap-3 overflow-y-auto border-l border-line bg-panel px-3 py-2"
        aria-label="Drawing"
        data-testid="drawing-side"
      >
        <div>
          <h2 className="text-title font-semibold">A new drawing</h2>
          <p className="text-muted">
            Draw the outline of the first storey, or bring in a plan to trace it from. From then on
            the building is checked while it is drawn.
          </p>
          <Link className="btn mt-1" to={{ pathname: `/p/${project}/intake` }}>
            Back
          </Link>
          {intake.fault && (
            <p className="mt-1 text-blocker" role="alert">
              {intake.fault.message}
            </p>
          )}
        </div>
        <DrawingSide drawn={drawn} />
      </aside>
    </main>
  );
}
