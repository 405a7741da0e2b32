import { useView } from '../state';
import type { Edits } from '../useEdits';
import { count } from '../words';

/** A repair before it is made: what will change, which findings go and which come. */
export function PendingCard({ edits }: { edits: Edits }) {
  const { pending, set } = useView();
  if (!pending) return null;
  const p = pending.preview;
  return (
    <section className="border-b-2 border-kelp bg-kelp-soft px-3 py-2" data-testid="pending">
      <h3 className="kicker">{pending.label}</h3>
      {pending.error && <p className="mt-1 font-semibold text-blocker">{pending.error}</p>}
      {!p && !pending.error && <p className="mt-1 text-muted">Working out what will change …</p>}
      {p && (
        <>
          <p className="mt-1 font-semibold" data-testid="pending-summary">
            {p.summary}
          </p>
          <p className="mt-1">
            {p.resolved.length
              ? `Resolves ${count(p.resolved.length, 'finding')}`
              : 'Resolves no finding'}
            {p.added.length ? `, brings ${count(p.added.length, 'new one')}:` : '.'}
          </p>
          {p.added.slice(0, 4).map((f) => (
            <p key={f.id} className="text-sm text-error">
              {f.message}
            </p>
          ))}
        </>
      )}
      <div className="mt-2 flex flex-wrap gap-1.5">
        {p && (
          <button
            className="btn btn-main"
            disabled={edits.busy}
            onClick={() => void edits.apply(pending.repair, pending.finding)}
            data-testid="apply"
          >
            {pending.label} {pending.finding && <kbd className="font-mono text-[11px]">E</kbd>}
          </button>
        )}
        <button className="btn" onClick={() => set({ pending: null })}>
          Leave it
        </button>
      </div>
    </section>
  );
}
