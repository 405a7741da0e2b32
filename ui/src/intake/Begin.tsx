import { useState } from 'react';
import { Link } from 'react-router';
import type { Project } from '../model/api';
import type { useIntake } from '../shared/useIntake';
import { Drop } from './Drop';

/** A project without a delivery: a file is brought in, or a building is drawn. */
export function Begin({
  project,
  intake,
  block,
}: {
  project: Project;
  intake: ReturnType<typeof useIntake>;
  /** A building by numbers. */
  block: React.ReactNode;
}) {
  const [byNumbers, setByNumbers] = useState(false);
  return (
    <section className="min-w-80 flex-1">
      <h2 className="text-title font-semibold">Bring in a delivery</h2>
      <p className="mb-4 text-muted">
        The architect’s IFC or gbXML file. It is kept as it came; everything made of it can be
        undone.
      </p>
      <Drop intake={intake} wide />
      <h2 className="mt-6 text-title font-semibold">Or draw a building</h2>
      <p className="mb-2 text-muted">
        Where there is no model yet: traced from a plan or drawn by lengths, storey by storey, or
        begun as a block by numbers. Everything can be changed later, and what was given to its
        rooms stays with them.
      </p>
      <div className="mb-3 flex gap-2">
        <Link
          className="btn btn-main"
          to={{ pathname: `/p/${project.id}/intake`, search: '?draw' }}
          data-testid="draw-plan"
        >
          Draw a plan …
        </Link>
        <button
          className="btn"
          aria-expanded={byNumbers}
          onClick={() => setByNumbers(!byNumbers)}
          data-testid="draw"
        >
          A block by numbers …
        </button>
      </div>
      {byNumbers && block}
    </section>
  );
}
