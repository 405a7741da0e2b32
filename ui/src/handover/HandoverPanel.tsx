import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { FileCheck } from 'lucide-react';
import { Link } from 'react-router';
import { api, ProblemError, type Model } from '../model/api';
import { SEVERITIES, count } from '../model/words';
import { WriteUpPanel } from '../report/WriteUpPanel';
import { SeverityMark } from '../shared/SeverityMark';
import { SheetFrame } from '../shared/SheetFrame';
import { useWorkspaceLink } from '../shared/useWorkspaceLink';
import { Balance } from './Balance';
import { Decision } from './Decision';
import { FormatChoice } from './FormatChoice';
import { HandedOver } from './HandedOver';
import { PartChoice } from './PartChoice';
import { Tokens } from './Tokens';
import { useLook, useWish } from './useWish';

type Tab = 'balance' | 'handed' | 'report' | 'fetch';

/** Says what goes out and in which formats, proves it, and keeps it with its record. */
export function HandoverPanel({ model, project }: { model: Model; project: string }) {
  const client = useQueryClient();
  const { id, version } = model.delivery;
  const list = useQuery({ queryKey: ['handovers', id], queryFn: () => api.handovers(id) });
  const formats = useQuery({
    queryKey: ['handover-formats'],
    queryFn: () => api.handoverFormats(),
    staleTime: Infinity,
  });
  const wish = useWish(model);
  const look = useLook(model, wish);
  const [tab, setTab] = useState<Tab>('balance');
  const [against, setAgainst] = useState<string[] | null>(null);
  const [busy, setBusy] = useState(false);
  const [error, setError] = useState<string | null>(null);

  async function write(allow: boolean) {
    setBusy(true);
    setError(null);
    try {
      await api.handOver(id, version, allow, wish.wish);
      setAgainst(null);
      setTab('handed');
      await client.invalidateQueries({ queryKey: ['handovers', id] });
      await client.invalidateQueries({ queryKey: ['balance', id] });
    } catch (e) {
      if (e instanceof ProblemError && e.kind === 'blockers-open') setAgainst([]);
      else if (e instanceof ProblemError && e.kind === 'not-proven')
        setAgainst((e.details.against as string[] | undefined) ?? [e.message]);
      else {
        setAgainst(null);
        setError(e instanceof Error ? e.message : String(e));
      }
    } finally {
      setBusy(false);
    }
  }

  const files = wish.empty ? [] : (look.data?.files ?? []);
  const looking = look.isFetching;
  const said = wish.empty ? null : look.error instanceof Error ? look.error.message : null;
  return (
    <section className="flex min-h-0 flex-1" data-testid="handover">
      <div className="w-[316px] shrink-0 overflow-y-auto border-r border-line px-4 py-2">
        <Standing model={model} project={project} />
        <PartChoice model={model} wish={wish} />
        {look.data && wish.by !== 'ALL' && !wish.empty && !said && (
          <ul className="mt-1 text-sm text-muted" data-testid="part-notes">
            {look.data.notes.map((n) => (
              <li key={n}>{n}</li>
            ))}
          </ul>
        )}
        {said && (
          <p className="mt-1 text-sm font-semibold text-blocker" role="alert">
            {said}
          </p>
        )}
        <FormatChoice
          formats={formats.data ?? []}
          wish={wish}
          files={said ? [] : files}
          busy={looking && look.isPlaceholderData}
        />
        <button
          className="btn btn-main mt-2"
          disabled={busy || wish.empty || !!said}
          onClick={() => void write(false)}
          data-testid="write"
        >
          <FileCheck size={14} />{' '}
          {busy ? 'Writing and proving …' : `Hand over ${count(wish.files, 'file')}`}
        </button>
        {looking && !busy && (
          <p className="mt-1 text-sm text-muted" role="status">
            Looking what the files would be …
          </p>
        )}
        {error && (
          <p className="mt-1 font-semibold text-blocker" role="alert">
            {error}
          </p>
        )}
      </div>
      <div className="flex min-w-0 flex-1 flex-col">
        <SheetFrame<Tab>
          tabs={[
            ['balance', 'Balance sheet', ''],
            ['handed', 'Handed over', list.data?.length ?? 0],
            ['report', 'Report', ''],
            ['fetch', 'Fetched by others', ''],
          ]}
          tab={tab}
          onTab={setTab}
        >
          {tab === 'balance' ? (
            <Balance model={model} project={project} />
          ) : tab === 'handed' ? (
            <HandedOver model={model} list={list.data} />
          ) : tab === 'report' ? (
            <WriteUpPanel model={model} purpose="report" />
          ) : (
            <Tokens project={project} />
          )}
        </SheetFrame>
      </div>
      <Decision
        blockers={model.severities.blocker ?? 0}
        against={against}
        busy={busy}
        onClose={() => setAgainst(null)}
        onAllTheSame={() => void write(true)}
      />
    </section>
  );
}

/** What is left open, and what that means for who gets the files. */
function Standing({ model, project }: { model: Model; project: string }) {
  const to = useWorkspaceLink(project);
  const { blocker = 0, error = 0 } = model.severities;
  return (
    <div className="mb-2">
      <ul className="flex flex-wrap gap-x-3">
        {SEVERITIES.map((s) => (
          <li key={s} className="flex items-center gap-1.5 leading-[22px]">
            <SeverityMark severity={s} /> {count(model.severities[s] ?? 0, s)} left
          </li>
        ))}
      </ul>
      {blocker > 0 ? (
        <p>
          A simulation would fail on these.{' '}
          <Link className="text-kelp underline" to={to('findings')}>
            Repair them first
          </Link>
          , or decide to hand over all the same.
        </p>
      ) : (
        error > 0 && (
          <p>
            A simulation runs on these, but its results will be wrong.{' '}
            <Link className="text-kelp underline" to={to('findings')}>
              Answer them first
            </Link>
            .
          </p>
        )
      )}
    </div>
  );
}
