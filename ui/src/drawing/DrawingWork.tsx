import { useEffect, useState } from 'react';
import { Detail } from '../shared/Detail';
import { SheetFrame } from '../shared/SheetFrame';
import type { Edits } from '../model/useEdits';
import { resetBoard } from './board';
import { Board } from './Board';
import { DrawingSide } from './DrawingSide';
import { useDrawing } from './useDrawing';

type Page = 'drawing' | 'report';

/** A drawn building: the board with its numbers, and what was read when it came. */
export function DrawingWork({
  edits,
  project,
  north,
  report,
}: {
  edits: Edits;
  project: string;
  north: number | null;
  report: React.ReactNode;
}) {
  const [page, setPage] = useState<Page>('drawing');
  const drawn = useDrawing(edits, project);
  // another building is another board
  useEffect(() => resetBoard, [edits.delivery]);
  return (
    <SheetFrame
      tabs={[
        ['drawing', 'Drawing', ''],
        ['report', 'Intake report', ''],
      ]}
      tab={page}
      onTab={setPage}
    >
      {page === 'report' ? (
        report
      ) : !drawn ? (
        <p className="px-4 py-6 text-muted">Opening the drawing …</p>
      ) : 'fault' in drawn ? (
        <p className="px-4 py-6 text-blocker">{drawn.fault}</p>
      ) : (
        <div className="flex min-h-0 flex-1">
          <div className="flex min-h-0 min-w-0 flex-1 flex-col">
            <Board drawn={drawn} north={north} />
          </div>
          <Detail label="Drawing" testId="drawing-side">
            <DrawingSide drawn={drawn} />
          </Detail>
        </div>
      )}
    </SheetFrame>
  );
}
