import { X } from 'lucide-react';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { useArranged } from './arrangement';
import { PendingCard } from './PendingCard';
import { useShallow } from 'zustand/react/shallow';

/** The right-hand column: a change that is considered, then what is selected, then clearing it. */
export function DossierFrame({
  edits,
  clearable,
  children,
}: {
  edits: Edits;
  clearable: boolean;
  children: React.ReactNode;
}) {
  const { setSlot, taken } = useArranged();
  const { some, set } = useView(
    useShallow((s) => ({ some: !!s.pending || s.waiting.length > 0, set: s.set })),
  );
  return (
    <aside
      className="@container flex min-h-0 flex-1 flex-col overflow-y-auto border-l border-line bg-panel"
      aria-label="Dossier"
      data-testid="dossier"
    >
      {some && <PendingCard edits={edits} />}
      <div ref={setSlot} />
      {(!taken || clearable) && (
        // where there is room, what is known beside what can be done
        <div className="@xl:columns-2 @xl:gap-0 *:break-inside-avoid">{children}</div>
      )}
      {clearable && (
        <button
          className="btn-quiet mx-2 mt-auto mb-2 self-end"
          onClick={() => set({ selection: [], finding: null })}
        >
          <X size={13} /> Clear (Esc)
        </button>
      )}
    </aside>
  );
}
