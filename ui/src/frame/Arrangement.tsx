import { useCallback, useMemo, useState } from 'react';
import { type Lead, leadOf, SIZES, sizeOf, turnLead, useLayout } from '../model/layout';
import { ArrangedContext } from '../shared/arrangement';
import { Separator } from '../shared/Separator';
import { isSmall, useWindow } from '../shared/useWindow';

const FOLDED = 31;

/** Rows of a window that is too small for parts beside each other: one under the other, to be scrolled. */
function stacked(h: number, lead: Lead, folded: boolean): React.CSSProperties {
  const stage = `${Math.max(220, 0.6 * h)}px`;
  const work = folded ? `${FOLDED}px` : `${Math.max(300, 0.75 * h)}px`;
  return {
    gridTemplateColumns: 'minmax(0, 1fr)',
    ...(lead === 'model'
      ? { gridTemplateAreas: '"stage" "work" "side"', gridTemplateRows: `${stage} ${work} auto` }
      : { gridTemplateAreas: '"work" "side" "stage"', gridTemplateRows: `${work} auto ${stage}` }),
    overflowY: 'auto',
  };
}

/**
 * The parts of a workspace in the order that its work needs: the model with the sheet beneath it, or the work with the model as an inset
 * above the dossier. The parts stay what they are when they change places: the model is not drawn anew.
 */
export function Arrangement({
  workspace,
  stage,
  work,
  side,
}: {
  workspace: string;
  stage: React.ReactNode;
  work: React.ReactNode;
  side: React.ReactNode;
}) {
  const layout = useLayout();
  const room = useWindow();
  const [w, h] = room;
  const small = isSmall(room);
  const lead = leadOf(layout, workspace);
  const modelFirst = lead === 'model';
  const folded = modelFirst && layout.sheetFolded;
  const sizes = {
    sheet: sizeOf('sheet', layout.sheet, h),
    side: sizeOf('side', layout.side, w),
    inset: sizeOf('inset', layout.inset, h),
  };
  const split = modelFirst ? 'sheet' : 'inset';
  const [slot, setSlot] = useState<HTMLElement | null>(null);
  const [taken, setTaken] = useState(0);
  const take = useCallback(() => {
    setTaken((n) => n + 1);
    return () => setTaken((n) => n - 1);
  }, []);
  const arranged = useMemo(
    () => ({
      lead,
      folded,
      fold: () => useLayout.getState().set({ sheetFolded: !folded }),
      turn: () => turnLead(workspace),
      slot,
      setSlot,
      taken: taken > 0,
      take,
    }),
    [lead, folded, workspace, slot, taken, take],
  );
  return (
    <ArrangedContext value={arranged}>
      <div
        className="arrangement grid min-h-0 min-w-0 flex-1"
        data-testid="arrangement"
        data-lead={lead}
        style={
          small
            ? stacked(h, lead, folded)
            : {
                gridTemplateColumns: `minmax(0, 1fr) ${sizes.side}px`,
                gridTemplateRows: modelFirst
                  ? `minmax(0, 1fr) ${folded ? FOLDED : sizes.sheet}px`
                  : `${sizes.inset}px minmax(0, 1fr)`,
                gridTemplateAreas: modelFirst
                  ? '"stage side" "work side"'
                  : '"work stage" "work side"',
              }
        }
      >
        <div
          className={`flex min-h-0 min-w-0 flex-col ${modelFirst ? '' : 'border-l border-line'}`}
          style={{ gridArea: 'stage' }}
        >
          {stage}
        </div>
        <div
          className={`flex min-h-0 min-w-0 flex-col bg-panel ${modelFirst ? 'border-t border-line' : ''}`}
          style={{ gridArea: 'work' }}
        >
          {work}
        </div>
        <div className="flex min-h-0 min-w-0 flex-col" style={{ gridArea: 'side' }}>
          {side}
        </div>
        {!folded && !small && (
          <Separator
            label={modelFirst ? 'Height of the sheet' : 'Height of the model'}
            along="y"
            grows={modelFirst ? -1 : 1}
            value={sizes[split]}
            least={SIZES[split].least}
            most={SIZES[split].most(h)}
            onChange={(v) => layout.set({ [split]: v })}
            style={{ gridArea: modelFirst ? 'work' : 'side', alignSelf: 'start' }}
          />
        )}
        {!small && (
          <Separator
            label="Width of the column at the right"
            along="x"
            grows={-1}
            value={sizes.side}
            least={SIZES.side.least}
            most={SIZES.side.most(w)}
            onChange={(v) => layout.set({ side: v })}
            style={{ gridColumn: 2, gridRow: '1 / 3', justifySelf: 'start' }}
          />
        )}
      </div>
    </ArrangedContext>
  );
}
