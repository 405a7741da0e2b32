import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Copy, Download, Plus, Save, Trash2, X } from 'lucide-react';
import { api, ProblemError, type Model, type SheetCells, type SheetDetail } from '../model/api';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';

type Part = keyof SheetCells;
const PARTS: [Part, string, string][] = [
  ['about', 'About', 'About'],
  ['scope', 'Elements', 'Scope'],
  ['properties', 'Properties', 'Properties'],
];

interface Fault {
  sheet: string;
  row: number;
  column: string;
  message: string;
}

/** Scope sheets as cells: read, copied, written, compared. */
export function SheetEditor({ model, edits }: { model: Model; edits: Edits }) {
  const project = model.delivery.projectId;
  const sheets = useQuery({ queryKey: ['sheets', project], queryFn: () => api.sheets(project) });
  const [chosen, setChosen] = useState<string | null>(null);
  const applied = sheets.data?.find((s) => s.name === model.scope.sheet)?.id;
  const id = chosen ?? applied ?? sheets.data?.[0]?.id ?? '';
  const sheet = useQuery({
    queryKey: ['sheet', id],
    queryFn: () => api.sheet(id),
    enabled: !!id,
  });
  if (!sheet.data || !sheets.data)
    return <p className="px-3 py-4 text-muted">Opening the scope sheet …</p>;
  return (
    <Cells
      key={sheet.data.id}
      sheet={sheet.data}
      sheets={sheets.data}
      choose={setChosen}
      model={model}
      edits={edits}
    />
  );
}

function Cells({
  sheet,
  sheets,
  choose,
  model,
  edits,
}: {
  sheet: SheetDetail;
  sheets: { id: string; name: string; ships: boolean }[];
  choose: (id: string) => void;
  model: Model;
  edits: Edits;
}) {
  const client = useQueryClient();
  const set = useView((s) => s.set);
  const project = model.delivery.projectId;
  const [part, setPart] = useState<Part>('scope');
  const [draft, setDraft] = useState<SheetCells>(sheet.cells);
  const [fault, setFault] = useState<Fault | null>(null);
  const [all, setAll] = useState(false);
  const [against, setAgainst] = useState('');
  const changed = JSON.stringify(draft) !== JSON.stringify(sheet.cells);
  const rows = draft[part];
  const head = part === 'about' ? ['', ''] : rows[0];
  const width = head.length;
  const first = part === 'about' ? 0 : 1;
  const used = head.map(
    (_, c) =>
      all || part === 'about' || c < 4 || c === width - 1 || rows.slice(first).some((r) => r[c]),
  );

  async function run(step: () => Promise<void>) {
    try {
      await step();
      setFault(null);
    } catch (e) {
      const d = e instanceof ProblemError && e.kind === 'scope-sheet' ? e.details : null;
      const message = e instanceof Error ? e.message : String(e);
      if (d) {
        const at = PARTS.find((p) => p[2] === d.sheet);
        if (at) setPart(at[0]);
        setFault({
          sheet: String(d.sheet),
          row: Number(d.row),
          column: String(d.column),
          message,
        });
      }
      set({ message: { text: message, bad: true } });
    }
  }

  const refresh = () => client.invalidateQueries({ queryKey: ['sheets', project] });

  const copy = () =>
    run(async () => {
      const named = (r: string[]) => (r[0] === 'Name' ? ['Name', `${r[1]}, copy`] : r);
      const made = await api.addSheet(project, { ...draft, about: draft.about.map(named) });
      await refresh();
      choose(made.id);
    });

  const save = () =>
    run(async () => {
      const made = await api.changeSheet(sheet.id, draft);
      client.setQueryData(['sheet', sheet.id], made);
      setDraft(made.cells);
      await refresh();
      set({
        message: { text: `Saved ${made.name}. Apply it to sort the model by it.`, bad: false },
      });
    });

  const attempt = () =>
    run(async () => set({ tried: await api.trySheet(model.delivery.id, { cells: draft }) }));

  function edit(r: number, c: number, text: string) {
    const next = rows.map((row, i) =>
      i === r ? Array.from({ length: width }, (_, k) => (k === c ? text : (row[k] ?? ''))) : row,
    );
    setDraft({ ...draft, [part]: next });
  }

  function insert(after: number) {
    const next = [...rows];
    next.splice(
      after + 1,
      0,
      Array.from({ length: width }, () => ''),
    );
    setDraft({ ...draft, [part]: next });
  }

  function remove(r: number) {
    setDraft({ ...draft, [part]: rows.filter((_, i) => i !== r) });
  }

  const wrong = (r: number, c: number) =>
    fault !== null &&
    PARTS.find((p) => p[0] === part)![2] === fault.sheet &&
    r + 1 === fault.row &&
    (head[c] === fault.column || (part === 'about' && c === 1));

  return (
    <div className="flex min-h-0 flex-1 flex-col" data-testid="sheet-editor">
      <div className="flex h-[34px] shrink-0 items-center gap-1.5 border-b border-line px-2">
        <select
          className="field w-52"
          aria-label="Scope sheet"
          value={sheet.id}
          onChange={(e) => choose(e.target.value)}
        >
          {sheets.map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}
              {s.ships ? ' (ships)' : ''}
            </option>
          ))}
        </select>
        {PARTS.map(([key, label]) => (
          <button
            key={key}
            className={`btn-quiet ${part === key && !against ? 'bg-kelp-soft font-semibold' : ''}`}
            onClick={() => {
              setPart(key);
              setAgainst('');
            }}
          >
            {label}
          </button>
        ))}
        <div className="ml-auto flex items-center gap-1">
          <select
            className="field w-32"
            aria-label="Compare with"
            value={against}
            onChange={(e) => setAgainst(e.target.value)}
          >
            <option value="">Compare with …</option>
            {sheets
              .filter((s) => s.id !== sheet.id)
              .map((s) => (
                <option key={s.id} value={s.id}>
                  {s.name}
                </option>
              ))}
          </select>
          <button className="btn" onClick={() => void attempt()} disabled={edits.busy}>
            Try
          </button>
          {sheet.ships ? null : (
            <button
              className="btn btn-main"
              disabled={!changed}
              onClick={() => void save()}
              data-testid="save-sheet"
            >
              <Save size={13} /> Save
            </button>
          )}
          <button
            className="btn"
            onClick={() => void copy()}
            title="Make a sheet of your own of it"
          >
            <Copy size={13} /> Copy
          </button>
          <a
            className="btn"
            href={`/api/sheets/${sheet.id}/file`}
            download
            title="Save as a spreadsheet (XLSX)"
          >
            <Download size={13} /> XLSX
          </a>
          {!sheet.ships && (
            <button
              className="btn-quiet !px-1"
              title="Delete this sheet"
              onClick={() =>
                void run(async () => {
                  await api.dropSheet(sheet.id);
                  await refresh();
                  choose('geometry');
                })
              }
            >
              <Trash2 size={13} />
            </button>
          )}
        </div>
      </div>
      {against ? (
        <Comparison id={sheet.id} other={against} />
      ) : (
        <>
          {fault && <p className="px-3 py-1 text-blocker">{fault.message}</p>}
          <div className="min-h-0 flex-1 overflow-auto">
            <table className="border-separate border-spacing-0 text-sm">
              {part !== 'about' && (
                <thead>
                  <tr>
                    <th className="sticky top-0 z-10 w-8 border-b border-line bg-paper" />
                    {head.map(
                      (h, c) =>
                        used[c] && (
                          <th
                            key={c}
                            className="sticky top-0 z-10 border-b border-line bg-paper px-1.5 py-1 text-left font-semibold whitespace-nowrap text-muted"
                          >
                            {h}
                          </th>
                        ),
                    )}
                    <th className="sticky top-0 z-10 border-b border-line bg-paper">
                      <button className="btn-quiet !h-[20px]" onClick={() => setAll(!all)}>
                        {all ? 'Used columns' : 'All columns'}
                      </button>
                    </th>
                  </tr>
                </thead>
              )}
              <tbody>
                {rows.slice(first).map((row, i) => {
                  const r = i + first;
                  return (
                    <tr key={r}>
                      <td className="pr-1 text-right text-[11px] text-muted">{r + 1}</td>
                      {head.map(
                        (h, c) =>
                          used[c] && (
                            <td key={c} className="border-b border-line/60">
                              <input
                                aria-label={`${h || (c ? 'Content' : 'Line')}, row ${r + 1}`}
                                className={`h-[24px] rounded-sm px-1.5 ${wrong(r, c) ? 'bg-blocker/10 outline-1 outline-blocker' : 'bg-transparent hover:bg-kelp-soft/50'}`}
                                style={{ width: cellWidth(part, h, c) }}
                                readOnly={sheet.ships || (part === 'about' && c === 0)}
                                value={row[c] ?? ''}
                                title={row[c]}
                                onChange={(e) => edit(r, c, e.target.value)}
                              />
                            </td>
                          ),
                      )}
                      {!sheet.ships && part !== 'about' && (
                        <td className="whitespace-nowrap">
                          <button
                            className="btn-quiet !h-[20px] !px-1"
                            title="Add a row below"
                            onClick={() => insert(r)}
                          >
                            <Plus size={12} />
                          </button>
                          <button
                            className="btn-quiet !h-[20px] !px-1"
                            title="Remove this row"
                            onClick={() => remove(r)}
                          >
                            <X size={12} />
                          </button>
                        </td>
                      )}
                    </tr>
                  );
                })}
              </tbody>
            </table>
            {sheet.ships && (
              <p className="px-3 py-2 text-muted">
                This sheet ships with Yentra and stays as it is. Copy it to change it.
              </p>
            )}
            {!sheet.ships && part !== 'about' && rows.length <= 1 && (
              <button className="btn m-2" onClick={() => insert(rows.length - 1)}>
                <Plus size={12} /> Add the first row
              </button>
            )}
          </div>
        </>
      )}
    </div>
  );
}

function cellWidth(part: Part, head: string, column: number): number {
  if (part === 'about') return column ? 720 : 170;
  if (head === 'Class' || head === 'Note' || head === 'Part of') return 220;
  return head === 'In or out' || head === 'Subtypes' || head === 'Need' ? 76 : 130;
}

/** What two sheets have in common, and what only one of them has. */
function Comparison({ id, other }: { id: string; other: string }) {
  const c = useQuery({
    queryKey: ['compare', id, other],
    queryFn: () => api.compareSheets(id, other),
  });
  if (!c.data) return <p className="px-3 py-4 text-muted">Comparing …</p>;
  const only = (place: string) => c.data.lines.filter((l) => l.place === place);
  const list = (title: string, place: string) => (
    <div className="min-w-0 flex-1 overflow-y-auto px-3 py-2">
      <h3 className="kicker mb-1">
        {title} ({only(place).length})
      </h3>
      {only(place).map((l, i) => (
        <p key={i} className="border-b border-line/50 py-0.5 text-sm">
          <span className="text-muted">{l.part}</span> {l.text}
        </p>
      ))}
      {!only(place).length && <p className="text-muted">Nothing.</p>}
    </div>
  );
  return (
    <div className="flex min-h-0 flex-1 divide-x divide-line" data-testid="comparison">
      {list(`Only in ${c.data.first}`, 'FIRST')}
      {list(`Only in ${c.data.second}`, 'SECOND')}
      {list('In both', 'BOTH')}
    </div>
  );
}
