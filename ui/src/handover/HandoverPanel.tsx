import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { Download, FileCheck } from 'lucide-react';
import { Link } from 'react-router';
import { useWorkspaceLink } from '../shared/useWorkspaceLink';
import { api, ProblemError, type Handover, type Model } from '../model/api';
import { SeverityMark } from '../shared/SeverityMark';
import { Balance } from './Balance';
import { SEVERITIES, bytes, count, moment } from '../model/words';
import { useUnits } from '../model/units';

/** What was open when a file was written. */
function leftOpen(h: Handover): string {
  const open = [
    [h.blockers, 'blocker'] as const,
    [h.errors, 'error'] as const,
    [h.warnings, 'warning'] as const,
  ].filter(([n]) => n > 0);
  return open.length
    ? `${open.map(([n, what]) => count(n, what)).join(', ')} open`
    : 'nothing open';
}

/** Writes gbXML, reads it back, and offers it; open blockers need a decision. */
export function HandoverPanel({ model, project }: { model: Model; project: string }) {
  const units = useUnits();
  const client = useQueryClient();
  const to = useWorkspaceLink(project);
  const id = model.delivery.id;
  const list = useQuery({ queryKey: ['handovers', id], queryFn: () => api.handovers(id) });
  const [asking, setAsking] = useState(false);
  const [busy, setBusy] = useState(false);
  const [error, setError] = useState<string | null>(null);

  async function write(allow: boolean) {
    setBusy(true);
    setError(null);
    try {
      await api.handOver(id, model.delivery.version, allow);
      setAsking(false);
      await client.invalidateQueries({ queryKey: ['handovers', id] });
    } catch (e) {
      if (e instanceof ProblemError && e.kind === 'blockers-open') setAsking(true);
      else {
        setAsking(false);
        setError(e instanceof Error ? e.message : String(e));
      }
    } finally {
      setBusy(false);
    }
  }

  const blockers = model.severities.blocker;
  return (
    <section className="flex min-h-0 flex-1 gap-8 overflow-y-auto px-4 py-3" data-testid="handover">
      <div className="w-80 shrink-0">
        <h2 className="text-title font-semibold">Handover</h2>
        <ul className="my-1">
          {SEVERITIES.map((s) => (
            <li key={s} className="flex items-center gap-2 leading-[22px]">
              <SeverityMark severity={s} /> {count(model.severities[s], s)} left
            </li>
          ))}
        </ul>
        {blockers === 0 && model.severities.error > 0 && (
          <p className="mb-1">
            A simulation runs on these, but its results will be wrong.{' '}
            <Link className="text-kelp underline" to={to('findings')}>
              Answer them first
            </Link>
            .
          </p>
        )}
        {blockers > 0 && (
          <p className="mb-1">
            A simulation would fail on these.{' '}
            <Link className="text-kelp underline" to={to('findings')}>
              Repair them first
            </Link>
            , or decide to hand over all the same.
          </p>
        )}
        <button
          className="btn btn-main"
          disabled={busy}
          onClick={() => void write(false)}
          data-testid="write"
        >
          <FileCheck size={14} /> {busy ? 'Writing and reading back …' : 'Write gbXML 6.01'}
        </button>
        {error && (
          <p className="mt-1 font-semibold text-blocker" role="alert">
            {error}
          </p>
        )}
        <h2 className="kicker mt-3">Handed over ({list.data?.length ?? 0})</h2>
        {list.data?.length ? (
          <ul>
            {list.data.map((h) => (
              <li
                key={h.id}
                className="flex items-center gap-4 border-b border-line/60 py-1.5"
                data-testid="handover-row"
              >
                <div className="min-w-0 flex-1">
                  <p className="truncate font-semibold">{h.fileName}</p>
                  <p>
                    {h.format}, {bytes(h.size)}, {leftOpen(h)}, read back equal
                  </p>
                  {h.accepted.length > 0 && (
                    <details>
                      <summary className="cursor-pointer">
                        {count(h.accepted.length, 'accepted finding')}
                      </summary>
                      {h.accepted.map((a, i) => (
                        <p key={i} className="text-sm">
                          <span className="font-mono text-[11px]">{a.code}</span>{' '}
                          {units.said(a.message)}{' '}
                          <span className="text-muted">
                            {a.reason} ({a.by})
                          </span>
                        </p>
                      ))}
                    </details>
                  )}
                  <p className="text-sm text-muted">
                    {h.version === model.delivery.version
                      ? 'The present state'
                      : 'The model has changed since'}
                    ; {h.madeBy}, {moment(h.madeAt)}
                  </p>
                </div>
                <a
                  className="btn shrink-0"
                  href={`/api/handovers/${h.id}/file`}
                  download
                  data-testid="download"
                >
                  <Download size={13} /> Download
                </a>
              </li>
            ))}
          </ul>
        ) : (
          <p className="text-muted">
            Nothing yet. A file is written from the present state, read back, and offered here when
            both say the same.
          </p>
        )}
      </div>
      <Balance model={model} />
      <Dialog.Root open={asking} onOpenChange={setAsking}>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
          <Dialog.Content
            className="fixed top-1/2 left-1/2 z-50 w-[420px] -translate-x-1/2 -translate-y-1/2 rounded-sm border border-line bg-panel p-4 shadow-lg"
            data-testid="decision"
          >
            <Dialog.Title className="text-title font-semibold">
              {count(blockers, 'blocker')} open
            </Dialog.Title>
            <Dialog.Description className="mt-1">
              A simulation of this file will fail or be wrong. The handover will say so beside the
              file.
            </Dialog.Description>
            <div className="mt-3 flex gap-2">
              <Dialog.Close className="btn btn-main">Repair first</Dialog.Close>
              <button
                className="btn"
                disabled={busy}
                onClick={() => void write(true)}
                data-testid="all-the-same"
              >
                Hand over all the same
              </button>
            </div>
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </section>
  );
}
