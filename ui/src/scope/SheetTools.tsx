import { Copy, Download, Save, Trash2 } from 'lucide-react';
import type { SheetDetail } from '../model/api';
import { PARTS, type SheetDraft } from './useSheetDraft';

export interface SheetName {
  id: string;
  name: string;
  ships: boolean;
}

/** Which sheet, which part of it, and what can be done with it. */
export function SheetTools({
  sheet,
  sheets,
  choose,
  draft,
  against,
  setAgainst,
  busy,
}: {
  sheet: SheetDetail;
  sheets: SheetName[];
  choose: (id: string) => void;
  draft: SheetDraft;
  against: string;
  setAgainst: (id: string) => void;
  busy: boolean;
}) {
  return (
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
            {s.ships ? ', comes with Yentra' : ''}
          </option>
        ))}
      </select>
      {PARTS.map(({ part, label }) => (
        <button
          key={part}
          className={`btn-quiet ${draft.part === part && !against ? 'bg-kelp-soft font-semibold' : ''}`}
          onClick={() => {
            draft.setPart(part);
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
        <button className="btn" onClick={() => void draft.attempt()} disabled={busy}>
          Try
        </button>
        {sheet.ships ? null : (
          <button
            className="btn btn-main"
            disabled={!draft.changed}
            onClick={() => void draft.save()}
            data-testid="save-sheet"
          >
            <Save size={13} /> Save
          </button>
        )}
        <button
          className="btn"
          onClick={() => void draft.copy()}
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
            onClick={() => void draft.drop()}
          >
            <Trash2 size={13} />
          </button>
        )}
      </div>
    </div>
  );
}
