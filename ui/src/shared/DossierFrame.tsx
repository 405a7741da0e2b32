import { X } from 'lucide-react';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
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
  const { pending, set } = useView(useShallow((s) => ({ pending: s.pending, set: s.set })));
  return (
    <aside
      className="flex w-80 shrink-0 flex-col overflow-y-auto border-l border-line bg-panel"
      aria-label="Dossier"
      data-testid="dossier"
    >
      {pending && <PendingCard edits={edits} />}
      {children}
      {clearable && (
        <button
          className="btn-quiet mx-2 mt-auto mb-2 self-end"
          onClick={() => set({ selection: [], finding: null, pending: null })}
        >
          <X size={13} /> Clear (Esc)
        </button>
      )}
    </aside>
  );
}
