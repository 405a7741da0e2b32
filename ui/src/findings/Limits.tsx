import { useMemo, useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type CheckLimit, type Project } from '../model/api';
import type { ModelIndex } from '../model/model';
import { useView } from '../model/state';

import { useUnits } from '../model/units';
import { LIMIT_NAMES } from '../model/words';

const nameOf = (l: CheckLimit) => `${l.code}.${l.name}`;
const shown = (v: number) => String(Number(v.toPrecision(6)));

/** The limits of all checks; what others would do is seen before they are set. */
export function Limits({ index, project }: { index: ModelIndex; project: Project }) {
  const units = useUnits();
  const client = useQueryClient();
  const { id, version } = index.model.delivery;
  const set = useView((s) => s.set);
  const [draft, setDraft] = useState<Record<string, number> | null>(null);
  const [filter, setFilter] = useState('');
  const limits = useQuery({ queryKey: ['limits', id], queryFn: () => api.limits(id) });
  const saved = useMemo(
    () =>
      Object.fromEntries(
        (limits.data ?? []).flatMap((l) => (l.set == null ? [] : [[nameOf(l), l.set]])),
      ) as Record<string, number>,
    [limits.data],
  );
  const values = draft ?? saved;
  const effect = useQuery({
    queryKey: ['limits', id, version, 'try', draft],
    queryFn: ({ signal }) => api.tryLimits(id, draft!, signal),
    enabled: !!draft,
    retry: false,
  });
  const counts = useMemo(() => {
    const now = new Map<string, number>();
    for (const f of index.model.findings) now.set(f.code, (now.get(f.code) ?? 0) + 1);
    const then = new Map((effect.data ?? []).map((e) => [e.code, e.then]));
    return { now, then };
  }, [index, effect.data]);

  function take(l: CheckLimit, text: string) {
    const typed = Number(text.replace(',', '.'));
    const before = values[nameOf(l)] ?? l.standard;
    const u = units.of(l.unit);
    if (!text.trim() || !Number.isFinite(typed) || shown(typed) === shown(u.to(before))) return;
    const v = shown(typed) === shown(u.to(l.standard)) ? l.standard : u.from(typed);
    const next = { ...values };
    if (v === l.standard) delete next[nameOf(l)];
    else next[nameOf(l)] = v;
    setDraft(next);
  }

  async function save() {
    try {
      const m = await api.setLimits(id, project.version, draft ?? {});
      client.setQueryData(['model', id], m);
      setDraft(null);
      await client.invalidateQueries({ queryKey: ['limits', id] });
      await client.invalidateQueries({ queryKey: ['project', m.delivery.projectId] });
      set({ message: { text: 'The limits are set for the project.', bad: false } });
    } catch (e) {
      set({ message: { text: e instanceof Error ? e.message : String(e), bad: true } });
    }
  }

  const list = (limits.data ?? []).filter((l) =>
    `${l.code} ${l.check} ${l.name}`.toLowerCase().includes(filter.toLowerCase()),
  );
  return (
    <div className="flex min-h-0 flex-1 flex-col" data-testid="limits">
      <div className="flex h-[32px] shrink-0 items-center gap-2 border-b border-line bg-paper px-2 text-sm">
        <input
          className="field !h-6 w-48"
          placeholder="Filter"
          aria-label="Filter limits"
          data-filter="first"
          value={filter}
          onChange={(e) => setFilter(e.target.value)}
        />
        {draft && (
          <>
            <span data-testid="limits-effect">
              {effect.isFetching
                ? 'Working out the effect …'
                : effect.error
                  ? effect.error.message
                  : effect.data
                    ? summary(effect.data)
                    : ''}
            </span>
            <button
              className="btn btn-main ml-auto !h-[24px]"
              disabled={!effect.data || effect.isFetching}
              data-testid="limits-save"
              onClick={() => void save()}
            >
              Set for the project
            </button>
            <button className="btn !h-[24px]" onClick={() => setDraft(null)}>
              Leave them
            </button>
          </>
        )}
      </div>
      <div className="min-h-0 flex-1 overflow-y-auto">
        <table className="w-full text-sm">
          <thead className="sticky top-0 bg-paper text-left text-muted">
            <tr>
              <th className="px-2 py-1 font-semibold">Code</th>
              <th className="font-semibold">Finds</th>
              <th className="font-semibold">Limit</th>
              <th className="pr-12 text-right font-semibold">Value</th>
              <th className="pr-2 text-right font-semibold">Default</th>
              <th className="pr-2 text-right font-semibold">Range</th>
              <th className="pr-2 text-right font-semibold">Findings</th>
            </tr>
          </thead>
          <tbody>
            {list.map((l) => {
              const v = values[nameOf(l)] ?? l.standard;
              const u = units.of(l.unit);
              const text = (x: number) => shown(u.to(x));
              const now = counts.now.get(l.code) ?? 0;
              const then = draft ? (counts.then.get(l.code) ?? 0) : now;
              return (
                <tr key={nameOf(l)} className="border-b border-line/50">
                  <td className="px-2 font-mono text-[11px] whitespace-nowrap">{l.code}</td>
                  <td className="max-w-72 truncate pr-2 first-letter:uppercase" title={l.check}>
                    {l.check}
                  </td>
                  <td className="pr-2">{LIMIT_NAMES[l.name] ?? l.name}</td>
                  <td className="text-right whitespace-nowrap">
                    <input
                      key={v}
                      className={`field !h-6 w-20 text-right ${v === l.standard ? '' : 'font-semibold'}`}
                      aria-label={nameOf(l)}
                      defaultValue={text(v)}
                      onBlur={(e) => take(l, e.target.value)}
                      onKeyDown={(e) => e.key === 'Enter' && take(l, e.currentTarget.value)}
                    />{' '}
                    <span className="inline-block w-10 text-left text-muted">{u.unit}</span>
                  </td>
                  <td className="pr-2 text-right text-muted">{text(l.standard)}</td>
                  <td className="pr-2 text-right whitespace-nowrap text-muted">
                    {text(l.least)} – {text(l.most)}
                  </td>
                  <td className="pr-2 text-right">
                    {then === now ? (
                      now || ''
                    ) : (
                      <>
                        <span className="text-muted">{now} →</span> <b>{then}</b>
                      </>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </div>
  );
}

function summary(effect: { code: string; now: number; then: number }[]): string {
  const changed = effect.filter((e) => e.now !== e.then);
  if (!changed.length) return 'No finding comes or goes.';
  return changed.map((e) => `${e.code}: ${e.now} → ${e.then}`).join(', ') + '.';
}
