import { useState } from 'react';
import type { LibraryImport } from '../model/api';
import { count } from '../model/words';
import { plain } from '../model/specs';

/** What a file would bring in, entry by entry, against what is known. */
export function Incoming({
  incoming,
  take,
  leave,
}: {
  incoming: LibraryImport;
  take: (taken: string[], shared: boolean) => void;
  leave: () => void;
}) {
  const id = (e: { kind: string; name: string }) => `${e.kind}:${plain(e.name)}`;
  const [taken, setTaken] = useState(
    () => new Set(incoming.entries.filter((e) => e.status === 'NEW').map(id)),
  );
  const [shared, setShared] = useState(false);
  const of = (status: string) => incoming.entries.filter((e) => e.status === status);

  function toggle(key: string) {
    const next = new Set(taken);
    if (!next.delete(key)) next.add(key);
    setTaken(next);
  }

  return (
    <div data-testid="incoming">
      <p className="font-semibold">
        {of('NEW').length} new, {of('DIFFERENT').length} different, {of('EQUAL').length} equal
        {incoming.faults.length > 0 && `, ${count(incoming.faults.length, 'row')} left out`}
      </p>
      {incoming.faults.map((f, i) => (
        <p key={i} className="mt-1 text-sm text-error" data-testid="library-fault">
          {[f.sheet && `Sheet ${f.sheet}`, f.row > 0 && `row ${f.row}`, f.column]
            .filter(Boolean)
            .join(', ')}
          : {f.message}
        </p>
      ))}
      {(['DIFFERENT', 'NEW'] as const).map((status) => (
        <div key={status}>
          {of(status).length > 0 && (
            <h4 className="kicker mt-1.5">
              {status === 'NEW' ? 'New' : 'Different; ticked ones replace what is there'}
            </h4>
          )}
          {of(status).map((e) => (
            <label key={id(e)} className="flex items-start gap-2 text-sm leading-[20px]">
              <input
                type="checkbox"
                className="mt-1 accent-kelp"
                checked={taken.has(id(e))}
                onChange={() => toggle(id(e))}
              />
              <span>
                {e.name} <span className="text-muted">{e.kind}</span>
                {e.differences.map((d) => (
                  <span key={d} className="block text-muted">
                    {d}
                  </span>
                ))}
              </span>
            </label>
          ))}
        </div>
      ))}
      <label className="mt-2 flex items-center gap-2">
        <input
          type="checkbox"
          className="accent-kelp"
          checked={shared}
          onChange={(e) => setShared(e.target.checked)}
        />
        For all projects
      </label>
      <div className="mt-1.5 flex gap-1.5">
        <button
          className="btn btn-main"
          disabled={!taken.size}
          data-testid="take-library"
          onClick={() => take([...taken], shared)}
        >
          Take {count(taken.size, 'entry', 'entries')}
        </button>
        <button className="btn" onClick={leave}>
          Leave them
        </button>
      </div>
    </div>
  );
}
