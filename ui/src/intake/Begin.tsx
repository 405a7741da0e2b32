import { useState } from 'react';
import type { Project } from '../model/api';
import { DrawBlock } from './DrawBlock';
import { Drop } from './Drop';
import { useIntake } from './useIntake';

/** A project without a delivery: a file is brought in, or a building is drawn. */
export function Begin({ project }: { project: Project }) {
  const intake = useIntake(project.id);
  const [drawing, setDrawing] = useState(false);
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
        Where there is no model yet: storeys, a perimeter band, a roof and windows by numbers.
        Everything can be changed later, and what was given to its rooms stays with them.
      </p>
      {drawing ? (
        <DrawBlock name={project.name} intake={intake} />
      ) : (
        <button className="btn" onClick={() => setDrawing(true)} data-testid="draw">
          Draw a building …
        </button>
      )}
    </section>
  );
}
