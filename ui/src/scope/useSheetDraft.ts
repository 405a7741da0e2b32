import { useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { api, ProblemError, type Model, type SheetCells, type SheetDetail } from '../model/api';
import { useView } from '../model/state';

export type Part = keyof SheetCells;

/** The parts of a sheet, as they are told here and named in the file. */
export const PARTS: { part: Part; label: string; inFile: string }[] = [
  { part: 'about', label: 'About', inFile: 'About' },
  { part: 'scope', label: 'Elements', inFile: 'Scope' },
  { part: 'properties', label: 'Properties', inFile: 'Properties' },
];

interface Fault {
  sheet: string;
  row: number;
  column: string;
  message: string;
}

/** A sheet being written: its cells, where it is wrong, and what becomes of it. */
export function useSheetDraft(sheet: SheetDetail, model: Model, choose: (id: string) => void) {
  const client = useQueryClient();
  const set = useView((s) => s.set);
  const project = model.delivery.projectId;
  const [part, setPart] = useState<Part>('scope');
  const [draft, setDraft] = useState<SheetCells>(sheet.cells);
  const [fault, setFault] = useState<Fault | null>(null);
  const changed = JSON.stringify(draft) !== JSON.stringify(sheet.cells);
  const rows = draft[part];
  const head = part === 'about' ? ['', ''] : rows[0];
  const width = head.length;

  async function run(step: () => Promise<void>) {
    try {
      await step();
      setFault(null);
    } catch (e) {
      const d = e instanceof ProblemError && e.kind === 'scope-sheet' ? e.details : null;
      const message = e instanceof Error ? e.message : String(e);
      if (d) {
        const at = PARTS.find((p) => p.inFile === d.sheet);
        if (at) setPart(at.part);
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

  const drop = () =>
    run(async () => {
      await api.dropSheet(sheet.id);
      await refresh();
      choose('geometry');
    });

  const put = (next: string[][]) => setDraft({ ...draft, [part]: next });
  const blank = () => Array.from({ length: width }, () => '');

  function edit(r: number, c: number, text: string) {
    put(
      rows.map((row, i) =>
        i === r ? blank().map((_, k) => (k === c ? text : (row[k] ?? ''))) : row,
      ),
    );
  }

  const insert = (after: number) =>
    put([...rows.slice(0, after + 1), blank(), ...rows.slice(after + 1)]);
  const remove = (r: number) => put(rows.filter((_, i) => i !== r));

  /** Whether the last refusal was about this cell. */
  const wrong = (r: number, c: number) =>
    fault !== null &&
    PARTS.find((p) => p.part === part)!.inFile === fault.sheet &&
    r + 1 === fault.row &&
    (head[c] === fault.column || (part === 'about' && c === 1));

  return {
    part,
    setPart,
    rows,
    head,
    changed,
    fault,
    wrong,
    edit,
    insert,
    remove,
    copy,
    save,
    attempt,
    drop,
  };
}

export type SheetDraft = ReturnType<typeof useSheetDraft>;
