import { useMemo, useRef, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { Download, Trash2 } from 'lucide-react';
import { api, type LibraryAnswer, type LibraryImport, type Model } from '../model/api';
import { Detail } from '../shared/Detail';
import { Table, type Column } from '../shared/Table';
import { useView } from '../model/state';
import { count } from '../model/words';
import type { Keep } from './entries';
import { DefineConstruction } from './DefineConstruction';
import { DefineFrame } from './DefineFrame';
import { DefineMaterial } from './DefineMaterial';
import { DefineWindow } from './DefineWindow';
import { Incoming } from './Incoming';
import { rowsOf, type Row } from './libraryRows';
import { useUnits } from '../model/units';

const EMPTY: ReadonlySet<string> = new Set();

/** Everything that can be used, where it is kept and where its values come from; files come in here. */
export function LibrarySheet({ model, answer }: { model: Model; answer: LibraryAnswer }) {
  const units = useUnits();
  const client = useQueryClient();
  const set = useView((s) => s.set);
  const file = useRef<HTMLInputElement>(null);
  const [incoming, setIncoming] = useState<LibraryImport | null>(null);
  const [defining, setDefining] = useState<
    'material' | 'construction' | 'window type' | 'frame' | null
  >(null);
  const [picked, setPicked] = useState<string | null>(null);
  const project = model.delivery.projectId;
  const rows = useMemo(() => rowsOf(units, answer), [answer, units]);
  const columns = useMemo<Column<Row>[]>(
    () => [
      { id: 'name', head: 'Name', width: 240, value: (r) => r.name },
      { id: 'kind', head: 'What', width: 90, value: (r) => r.kind },
      { id: 'group', head: 'For', width: 110, value: (r) => r.group || null },
      { id: 'value', head: 'Value', width: 120, value: (r) => r.value },
      { id: 'kept', head: 'Kept', width: 76, value: (r) => r.kept },
      {
        id: 'source',
        head: 'Source of its values',
        width: 220,
        value: (r) => r.source,
        show: (r) => <span title={r.source}>{r.source}</span>,
      },
    ],
    [],
  );
  const row = rows.find((r) => r.id === picked);

  async function attempt<T>(step: () => Promise<T>, done: (t: T) => void) {
    try {
      done(await step());
    } catch (e) {
      set({ message: { text: e instanceof Error ? e.message : String(e), bad: true } });
    }
  }

  const changed = (text: string) => (l: LibraryAnswer) => {
    client.setQueryData(['library', project], l);
    // what names of rooms stand for, and what is typical of uses, are of the library too
    void client.invalidateQueries({ queryKey: ['conditions'] });
    setIncoming(null);
    setDefining(null);
    set({ message: { text, bad: false } });
  };

  const keep: Keep = (entries, taken, shared) =>
    void attempt(
      () => api.takeLibrary(project, entries, taken, shared),
      changed('Kept in the library.'),
    );

  return (
    <div className="flex min-h-0 flex-1" data-testid="library">
      <Table
        name="library"
        rows={rows}
        columns={columns}
        keyOf={(r) => r.id}
        selection={picked ? new Set([picked]) : EMPTY}
        onSelect={(keys) => setPicked(keys.at(-1) ?? null)}
      />
      <input
        ref={file}
        type="file"
        className="hidden"
        data-testid="library-file"
        accept=".xlsx,.csv,.xml,.gbxml"
        onChange={(e) => {
          const f = e.target.files?.[0];
          e.target.value = '';
          if (f) void attempt(() => api.libraryFile(project, f), setIncoming);
        }}
      />
      <Beside wide={defining !== null}>
        {!incoming && !defining && (
          <div className="mb-2 flex flex-wrap gap-1.5">
            <button className="btn" onClick={() => file.current?.click()}>
              Bring in a file …
            </button>
            <button
              className="btn"
              title="Constructions, materials and window types of this delivery"
              onClick={() =>
                void attempt(() => api.libraryOfDelivery(model.delivery.id), setIncoming)
              }
            >
              From this delivery
            </button>
            {(['material', 'construction', 'window type', 'frame'] as const).map((k) => (
              <button key={k} className="btn" onClick={() => setDefining(k)}>
                New {k} …
              </button>
            ))}
            <a
              className="btn"
              href={`/api/projects/${project}/library/file`}
              download
              title="Everything as a spreadsheet, which can be brought in again"
            >
              <Download size={13} /> As spreadsheet
            </a>
          </div>
        )}
        {defining === 'material' ? (
          <DefineMaterial keep={keep} leave={() => setDefining(null)} />
        ) : defining === 'construction' ? (
          <DefineConstruction
            project={project}
            answer={answer}
            keep={keep}
            leave={() => setDefining(null)}
          />
        ) : defining === 'window type' ? (
          <DefineWindow answer={answer} keep={keep} leave={() => setDefining(null)} />
        ) : defining === 'frame' ? (
          <DefineFrame keep={keep} leave={() => setDefining(null)} />
        ) : incoming ? (
          <Incoming
            incoming={incoming}
            leave={() => setIncoming(null)}
            take={(taken, shared) =>
              void attempt(
                () => api.takeLibrary(project, incoming.incoming, taken, shared),
                changed(`${count(taken.length, 'entry', 'entries')} taken into the library.`),
              )
            }
          />
        ) : row ? (
          <>
            <p className="font-semibold">{row.name}</p>
            <p className="text-muted">
              {row.kind}
              {row.group && `, ${row.group.toLowerCase()}`}; {row.value}
            </p>
            <p className="mt-1 text-sm">{row.source || 'No source stated.'}</p>
            {row.kept !== 'shipped' && (
              <button
                className="btn mt-2 self-start"
                onClick={() =>
                  void attempt(
                    () => api.dropLibrary(project, row.id),
                    changed(`${row.name} is taken out of the library.`),
                  )
                }
              >
                <Trash2 size={13} /> Take it out
              </button>
            )}
          </>
        ) : (
          <p className="text-muted">
            XLSX, CSV or gbXML. What a file brings in is shown before it is taken: new, equal,
            different. The columns are those of the spreadsheet that can be saved here. A table of
            Use and Words in names alone says what use the names of rooms stand for.
          </p>
        )}
      </Beside>
    </div>
  );
}

/** Room for a form beside the table; what is only told stands where details stand. */
function Beside({ wide, children }: { wide: boolean; children: React.ReactNode }) {
  return wide ? (
    <div className="flex w-[560px] shrink-0 flex-col overflow-y-auto border-l border-line px-3 pb-2">
      {children}
    </div>
  ) : (
    <Detail label="The library">{children}</Detail>
  );
}
