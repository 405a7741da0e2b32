import { fromBelow } from '../model/plan';
import { useUnits } from '../model/units';
import { useBoard } from './board';
import { copyOf } from './edits';
import type { Drawn } from './useDrawing';

/** The storeys from the top; the one that is chosen is drawn on. */
export function StoreyList({ drawn, storey }: { drawn: Drawn; storey: string }) {
  const units = useUnits();
  const set = useBoard((s) => s.set);
  return (
    <div
      className="flex w-[104px] shrink-0 flex-col overflow-y-auto border-r border-line bg-paper"
      role="group"
      aria-label="Storeys"
      data-testid="storey-list"
    >
      <span className="kicker px-2 pt-1.5 pb-0.5">Storeys</span>
      {fromBelow(drawn.doc)
        .reverse()
        .map((s) => {
          const copy = copyOf(drawn.doc, s.name);
          return (
            <button
              key={s.name}
              aria-pressed={s.name === storey}
              data-storey={s.name}
              className={`border-l-2 px-2 py-1 text-left ${s.name === storey ? 'border-kelp bg-kelp-soft font-semibold' : 'border-transparent hover:bg-panel'}`}
              title={`${s.name}, ${units.level(s.level_m)}`}
              onClick={() => set({ storey: s.name, part: null })}
            >
              <span className="block truncate">{s.name}</span>
              <span className="block truncate text-[11px] font-normal text-muted">
                {copy ? `as ${copy}` : units.level(s.level_m)}
              </span>
            </button>
          );
        })}
    </div>
  );
}
