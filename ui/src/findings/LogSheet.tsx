import { useMemo, useState } from 'react';
import { Dialog } from 'radix-ui';
import { api, type Dependent, type LogEntry, type Model } from '../model/api';
import type { ModelIndex } from '../model/model';
import { Table, type Column } from '../shared/Table';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { count, moment } from '../model/words';
import { useUnits } from '../model/units';

/** An entry of the log, or a change of the project's settings that stands between two of them. */
interface Row extends Pick<LogEntry, 'summary' | 'madeBy' | 'madeAt' | 'inForce' | 'undoneBy'> {
  key: string;
  /** What it is in the log; settings are undone, but not taken out. */
  entry: LogEntry | null;
}

const keyOf = (r: Row) => r.key;

/** In the order in which things were done. */
function rows(model: Model): Row[] {
  const entries = model.log.map((e): Row => ({ ...e, key: String(e.index), entry: e }));
  const out: Row[] = [];
  const settings = model.settingsLog.map((s, i): Row => ({ ...s, key: `s${i}`, entry: null }));
  for (const e of entries) {
    while (settings.length && settings[0].madeAt < e.madeAt) out.push(settings.shift()!);
    out.push(e);
  }
  return [...out, ...settings];
}

/** The repair log: what, why, who, when and its figures; to any point, and entries out of it. */
export function LogSheet({ index, edits }: { index: ModelIndex; edits: Edits }) {
  const units = useUnits();
  const { id, version, logPosition } = index.model.delivery;
  const set = useView((s) => s.set);
  const [chosen, setChosen] = useState<string[]>([]);
  const [out, setOut] = useState<{ entries: number[]; dependents: Dependent[] } | null>(null);
  const selection = useMemo(() => new Set(chosen), [chosen]);
  const columns = useMemo<Column<Row>[]>(
    () => [
      {
        id: 'n',
        head: 'No.',
        width: 40,
        number: true,
        value: (e) => (e.entry ? e.entry.index + 1 : null),
        show: ({ entry }) =>
          !entry ? (
            ''
          ) : entry.inForce ? (
            entry.index + 1
          ) : (
            <s className="text-muted">{entry.index + 1}</s>
          ),
      },
      {
        id: 'what',
        head: 'What was done',
        width: 290,
        value: (e) => e.summary,
        show: (e) => (
          <span className={e.inForce ? '' : 'text-muted'} title={units.said(e.summary)}>
            {!e.inForce && <span>undone{e.undoneBy ? ` by ${e.undoneBy}` : ''}: </span>}
            {e.entry?.carried && <span className="text-muted">carried over: </span>}
            {units.said(e.summary)}
          </span>
        ),
      },
      {
        id: 'why',
        head: 'For',
        width: 66,
        value: (e) => e.entry?.finding?.split(':')[0] ?? null,
        show: ({ entry }) =>
          !entry ? (
            'project'
          ) : entry.finding ? (
            <span className="font-mono text-[11px]">{entry.finding.split(':')[0]}</span>
          ) : (
            'by hand'
          ),
      },
      {
        id: 'findings',
        head: 'Findings',
        width: 70,
        number: true,
        value: ({ entry: e }) =>
          e?.figures ? e.figures.findingsNew - e.figures.findingsGone : null,
        show: ({ entry: e }) =>
          e?.figures ? `−${e.figures.findingsGone} +${e.figures.findingsNew}` : '–',
      },
      {
        id: 'area',
        head: 'Floor',
        unit: units.area.unit,
        width: 64,
        number: true,
        value: ({ entry: e }) =>
          e?.figures ? e.figures.floorAreaAfter - e.figures.floorAreaBefore : null,
        show: ({ entry: e }) => {
          const d = e?.figures ? e.figures.floorAreaAfter - e.figures.floorAreaBefore : 0;
          return Math.abs(d) > 0.005
            ? `${d > 0 ? '+' : '−'}${units.area.figure(Math.abs(d))}`
            : '–';
        },
      },
      { id: 'who', head: 'By', width: 80, value: (e) => e.madeBy },
      {
        id: 'when',
        head: 'When',
        width: 128,
        value: (e) => e.madeAt,
        show: (e) => moment(e.madeAt),
      },
    ],
    [units],
  );
  const list = useMemo(() => rows(index.model), [index]);
  const entries = chosen.map(Number).filter((n) => n < logPosition);

  async function ask() {
    try {
      const dependents = await api.dependents(id, entries);
      setOut({ entries, dependents });
    } catch (e) {
      set({ message: { text: e instanceof Error ? e.message : String(e), bad: true } });
    }
  }

  const to = chosen.length === 1 && !chosen[0].startsWith('s') ? Number(chosen[0]) + 1 : null;
  return (
    <>
      <Table
        name="log"
        rows={list}
        columns={columns}
        keyOf={keyOf}
        selection={selection}
        onSelect={(keys, add) => setChosen(add ? [...new Set([...chosen, ...keys])] : keys)}
        empty="Nothing has been changed yet. Each change is listed here and can be undone."
        tools={
          <>
            <button
              className="btn-quiet ml-3 !h-6"
              disabled={to === null || to === logPosition || edits.busy}
              data-testid="log-here"
              title="Undoes or makes again up to and with the entry chosen"
              onClick={() =>
                void edits.change(
                  (d, v) => api.position(d, v, to!),
                  `The model is as it was after entry ${to}.`,
                )
              }
            >
              Back to this point
            </button>
            <button
              className="btn-quiet !h-6"
              disabled={!entries.length || edits.busy}
              data-testid="log-out"
              onClick={() => void ask()}
            >
              Take out {entries.length > 1 ? entries.length : ''}
            </button>
          </>
        }
      />
      <Dialog.Root open={!!out} onOpenChange={(open) => !open && setOut(null)}>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
          <Dialog.Content
            className="fixed top-1/2 left-1/2 z-50 max-h-[80vh] w-[480px] -translate-x-1/2 -translate-y-1/2 overflow-y-auto rounded-sm border border-line bg-panel p-4 shadow-lg"
            data-testid="log-dialog"
          >
            <Dialog.Title className="text-title font-semibold">
              Take {count(out?.entries.length ?? 0, 'entry', 'entries')} out of the log
            </Dialog.Title>
            <Dialog.Description className="mt-1">
              {out?.dependents.length
                ? 'These depend on what is taken out, and go with it:'
                : 'No other entry depends on what is taken out.'}
            </Dialog.Description>
            {out?.dependents.map((d) => (
              <p key={d.index} className="mt-1 text-sm">
                {d.index + 1}. {units.said(d.summary)}{' '}
                <span className="text-muted">{d.reason}</span>
              </p>
            ))}
            <div className="mt-3 flex gap-2">
              <button
                className="btn btn-main"
                data-testid="log-confirm"
                disabled={edits.busy}
                onClick={() => {
                  const which = out!.entries;
                  setOut(null);
                  setChosen([]);
                  void edits.change((d) => api.without(d, version, which), 'Taken out of the log.');
                }}
              >
                Take out
              </button>
              <Dialog.Close className="btn">Leave the log as it is</Dialog.Close>
            </div>
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </>
  );
}
