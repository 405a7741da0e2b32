import { useEffect } from 'react';
import { X } from 'lucide-react';
import { useQueryClient } from '@tanstack/react-query';
import { indexOf } from '../model/model';
import { nextFinding } from '../model/next';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import type { Model, Preview } from '../model/api';
import { bringForward, leave, type Pending } from '../model/pending';
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

/** Repairs before they are made: of the one in front what will change, which findings go and which come; the others wait. */
export function PendingCard({ edits }: { edits: Edits }) {
  const units = useUnits();
  const { pending, waiting } = useView(
    useShallow((s) => ({ pending: s.pending, waiting: s.waiting })),
  );
  const stale = pending !== null && pending.version !== edits.version;
  useEffect(() => {
    if (stale) edits.again(useView.getState().pending!);
    // once for each version
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [stale, pending?.id]);
  if (!pending && !waiting.length) return null;
  return (
    <section
      className="sticky top-0 z-10 max-h-[70%] shrink-0 overflow-y-auto border-b-2 border-kelp bg-kelp-soft px-3 py-2"
      aria-label="Repairs being considered"
      data-testid="pending"
    >
      {pending && <InFront pending={pending} edits={edits} />}
      {waiting.length > 0 && (
        <div className={pending ? 'mt-2 border-t border-kelp/30 pt-1.5' : ''} data-testid="waiting">
          <h2 className="kicker">Waiting ({waiting.length})</h2>
          <ul>
            {waiting.map((p) => (
              <li key={p.id} className="flex items-center gap-1">
                <button
                  className="btn-quiet min-w-0 flex-1 !px-1 text-left"
                  title="Look at it again"
                  onClick={() => bringForward(p.id)}
                >
                  <span className="truncate">{units.said(p.preview?.summary ?? p.label)}</span>
                </button>
                <button
                  className="btn-quiet !px-1"
                  title="Leave it"
                  aria-label={`Leave ${units.said(p.label)}`}
                  onClick={() => leave(p.id)}
                >
                  <X size={13} />
                </button>
              </li>
            ))}
          </ul>
        </div>
      )}
    </section>
  );
}

function InFront({ pending, edits }: { pending: Pending; edits: Edits }) {
  const units = useUnits();
  const client = useQueryClient();
  const p = pending.preview;

  async function makeAndGoOn() {
    if (!(await edits.apply(pending.made ?? pending.repair, pending.finding))) return;
    const model = client.getQueryData<Model>(['model', edits.delivery]);
    if (model) nextFinding(indexOf(model), 1);
  }

  return (
    <>
      <h2 className="kicker">{units.said(pending.label)}</h2>
      {pending.error && <p className="mt-1 font-semibold text-blocker">{pending.error}</p>}
      {!p && !pending.error && (
        <p className="mt-1 text-muted" role="status">
          {pending.wanted
            ? 'It is made as soon as it is clear that it brings no new finding …'
            : 'Working out what will change …'}
        </p>
      )}
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
            onClick={() => void edits.apply(pending.made ?? pending.repair, pending.finding)}
            data-testid="apply"
          >
            {units.said(pending.label)}{' '}
            {pending.finding && <kbd className="font-mono text-[11px]">E</kbd>}
          </button>
        )}
        {p && pending.finding && (
          <button
            className="btn"
            disabled={edits.busy}
            title="Make it and show the next finding"
            onClick={() => void makeAndGoOn()}
            data-testid="apply-next"
          >
            … and the next
          </button>
        )}
        <button className="btn" onClick={() => leave(pending.id)}>
          Leave it
        </button>
      </div>
    </>
  );
}
