import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import type { Preview } from '../model/api';
import { count } from '../model/words';
import { useUnits } from '../model/units';
import { useShallow } from 'zustand/react/shallow';

const SAME = 0.005;

/** What changes in figures, if anything does. */
function Figures({ before, after }: { before: Preview['before']; after: Preview['after'] }) {
  const units = useUnits();
  const rows = [
    [
      'Floor area',
      units.area.text(before.floorArea),
      units.area.text(after.floorArea),
      before.floorArea - after.floorArea,
    ],
    [
      'Volume',
      units.volume.text(before.volume),
      units.volume.text(after.volume),
      before.volume - after.volume,
    ],
    [
      'To outdoor air',
      units.area.text(before.outdoorArea),
      units.area.text(after.outdoorArea),
      before.outdoorArea - after.outdoorArea,
    ],
    [
      'To the ground',
      units.area.text(before.groundArea),
      units.area.text(after.groundArea),
      before.groundArea - after.groundArea,
    ],
    [
      'Between spaces',
      units.area.text(before.interiorArea),
      units.area.text(after.interiorArea),
      before.interiorArea - after.interiorArea,
    ],
    [
      'Glazed',
      units.area.text(before.glazedArea),
      units.area.text(after.glazedArea),
      before.glazedArea - after.glazedArea,
    ],
  ] as const;
  const changed = rows.filter(([, , , d]) => Math.abs(d) > SAME);
  if (!changed.length) return null;
  return (
    <dl className="mt-1" data-testid="pending-figures">
      {changed.map(([label, a, b]) => (
        <div key={label} className="flex justify-between gap-3 leading-[20px]">
          <dt className="text-muted">{label}</dt>
          <dd>
            {a} → <b>{b}</b>
          </dd>
        </div>
      ))}
    </dl>
  );
}

/** A repair before it is made: what will change, which findings go and which come. */
export function PendingCard({ edits }: { edits: Edits }) {
  const units = useUnits();
  const { pending, set } = useView(useShallow((s) => ({ pending: s.pending, set: s.set })));
  if (!pending) return null;
  const p = pending.preview;
  return (
    <section
      className="sticky top-0 z-10 border-b-2 border-kelp bg-kelp-soft px-3 py-2"
      data-testid="pending"
    >
      <h3 className="kicker">{units.said(pending.label)}</h3>
      {pending.error && <p className="mt-1 font-semibold text-blocker">{pending.error}</p>}
      {!p && !pending.error && <p className="mt-1 text-muted">Working out what will change …</p>}
      {p && (
        <>
          <p className="mt-1 font-semibold" data-testid="pending-summary">
            {units.said(p.summary)}
          </p>
          <p className="mt-1">
            {p.resolved.length
              ? `Resolves ${count(p.resolved.length, 'finding')}`
              : 'Resolves no finding'}
            {p.added.length ? `, brings ${count(p.added.length, 'new one')}:` : '.'}
          </p>
          <Figures before={p.before} after={p.after} />
          {pending.left && pending.left.length > 0 && (
            <details className="mt-1" data-testid="left">
              <summary className="cursor-pointer">
                {count(pending.left.length, 'finding')} would stay
              </summary>
              {pending.left.slice(0, 20).map((l) => (
                <p key={l.finding} className="mt-0.5 text-sm">
                  {units.said(l.message)} <span className="text-muted">{units.said(l.reason)}</span>
                </p>
              ))}
            </details>
          )}
          {p.added.slice(0, 4).map((f) => (
            <p key={f.id} className="text-sm text-error">
              {units.said(f.message)}
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
            {units.said(pending.label)}{' '}
            {pending.finding && <kbd className="font-mono text-[11px]">E</kbd>}
          </button>
        )}
        <button className="btn" onClick={() => set({ pending: null })}>
          Leave it
        </button>
      </div>
    </section>
  );
}
