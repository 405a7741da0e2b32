import { useEffect, useMemo } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { api, type ReplayStep, type RevisionChange } from '../model/api';
import type { ModelIndex } from '../model/model';
import { Table, type Column } from '../shared/Table';
import { useSelection, useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { count } from '../model/words';
import { useUnits } from '../model/units';
import { useRevision } from './useRevision';

const keyOf = (c: RevisionChange) => c.after ?? `before:${c.before}`;

const outcomes = (done: boolean): Record<string, string> => ({
  applied: done ? 'made again' : 'can be made again',
  'not needed': 'no longer needed',
  conflict: 'changed by the architect, too',
  'not possible': 'no longer possible',
});

/** What changed since the revision before, and what becomes of its repairs. */
export function RevisionSheet({ index, edits }: { index: ModelIndex; edits: Edits }) {
  const client = useQueryClient();
  const { id } = index.model.delivery;
  const set = useView((s) => s.set);
  const select = useView((s) => s.select);
  const chosen = useSelection();
  const revision = useRevision(index.model);
  const revised = !!revision.data?.before;

  // while it is looked at, the stage shows what changed
  useEffect(() => {
    if (!revised) return;
    set({ colourBy: 'change', groupsOff: new Set() });
    return () => set({ colourBy: 'exposure', groupsOff: new Set() });
  }, [revised, set]);
  const columns = useMemo<Column<RevisionChange>[]>(
    () => [
      {
        id: 'change',
        head: 'Change',
        width: 62,
        value: (c) => c.change.toLowerCase(),
        show: (c) => (
          <span className={c.change === 'REMOVED' ? 'text-error' : ''}>
            {c.change.toLowerCase()}
          </span>
        ),
      },
      { id: 'kind', head: 'What', width: 58, value: (c) => c.kind },
      { id: 'name', head: 'Object', width: 140, value: (c) => c.name },
      {
        id: 'details',
        head: 'How',
        width: 140,
        value: (c) => c.details.join('; '),
        show: (c) => <span title={c.details.join('\n')}>{c.details.join('; ')}</span>,
      },
      {
        id: 'by',
        head: 'By',
        title: 'By what it was recognised',
        width: 48,
        value: (c) => (c.before && c.after ? (c.byGeometry ? 'place' : 'id') : null),
      },
    ],
    [],
  );
  const r = revision.data;
  if (!r) return <p className="p-3 text-muted">Comparing with the revision before …</p>;
  if (!r.before)
    return (
      <p className="p-3 text-muted" data-testid="revision">
        This is the first revision. When the next one is brought in, what changed is listed here,
        and the repairs made so far can be made again on it.
      </p>
    );
  return (
    <div className="flex min-h-0 flex-1" data-testid="revision">
      <Table
        name="changes"
        rows={r.changes}
        columns={columns}
        keyOf={keyOf}
        selection={chosen}
        onSelect={(keys, add) =>
          select(
            keys.filter((k) => !k.startsWith('before:')),
            add,
          )
        }
        onOpen={() => window.dispatchEvent(new CustomEvent('yentra:frame'))}
        empty={`Nothing differs from ${r.before.fileName}.`}
      />
      <div className="flex w-76 shrink-0 flex-col overflow-y-auto border-l border-line px-3 py-2">
        <p>
          <span className="text-muted">Repairs of revision {r.before.revision}: </span>
          {summary(r.steps, r.replayed)}
        </p>
        {!r.replayed && r.steps.some((s) => s.outcome === 'applied') && (
          <button
            className="btn btn-main mt-1.5 self-start"
            disabled={edits.busy}
            data-testid="replay"
            onClick={() =>
              void edits
                .change(
                  (d, v) => api.replay(d, v),
                  'The repairs of the revision before were made again where they can be.',
                )
                .then(() => client.invalidateQueries({ queryKey: ['revision', id] }))
            }
          >
            Make them again here
          </button>
        )}
        {['conflict', 'not possible', 'not needed', 'applied'].map((o) => (
          <Steps
            key={o}
            outcome={o}
            label={outcomes(r.replayed)[o]}
            steps={r.steps.filter((s) => s.outcome === o)}
            index={index}
            edits={edits}
          />
        ))}
      </div>
    </div>
  );
}

function summary(steps: ReplayStep[], done: boolean): string {
  if (!steps.length) return 'none.';
  return (
    Object.entries(outcomes(done))
      .map(([key, label]) => [steps.filter((s) => s.outcome === key).length, label] as const)
      .filter(([n]) => n)
      .map(([n, label]) => `${n} ${label}`)
      .join(', ') + '.'
  );
}

function Steps({
  outcome,
  label,
  steps,
  index,
  edits,
}: {
  outcome: string;
  label: string;
  steps: ReplayStep[];
  index: ModelIndex;
  edits: Edits;
}) {
  const units = useUnits();
  const select = useView((s) => s.select);
  const set = useView((s) => s.set);
  if (!steps.length) return null;
  const known = (k: string) =>
    index.spaces.has(k) || index.surfaces.has(k) || index.openings.has(k);
  return (
    <details
      className="mt-2 border-t border-line pt-1.5"
      open={outcome === 'not possible' || outcome === 'conflict'}
    >
      <summary className="kicker cursor-pointer">
        {label} ({steps.length})
      </summary>
      {steps.map((s) => {
        const objects = s.objects.filter(known);
        const finding = s.finding ? index.findings.get(s.finding) : undefined;
        return (
          <div
            key={s.index}
            className="mt-1 text-sm"
            data-testid={`step-${outcome.replace(' ', '-')}`}
          >
            <p>{units.said(s.summary)}</p>
            {s.reason && <p className="text-muted">{units.said(s.reason)}</p>}
            {s.repair && (
              <button
                className="btn mt-0.5 !h-6 !text-sm"
                onClick={() => edits.consider(s.repair!, s.summary)}
              >
                Make it all the same
              </button>
            )}
            {outcome === 'not possible' &&
              (finding ? (
                <button
                  className="btn mt-0.5 !h-6 !text-sm"
                  onClick={() => set({ finding: finding.id, selection: [] })}
                >
                  Answer it here
                </button>
              ) : objects.length > 0 ? (
                <button className="btn mt-0.5 !h-6 !text-sm" onClick={() => select(objects)}>
                  Show {count(objects.length, 'object')}
                </button>
              ) : null)}
          </div>
        );
      })}
    </details>
  );
}
