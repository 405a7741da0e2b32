import { useState } from 'react';
import { Plus, X } from 'lucide-react';
import type { Part, SheetDraft } from './useSheetDraft';

/** One part of a sheet as cells to type in; columns that nothing uses are left out until asked for. */
export function SheetTable({ draft, fixed }: { draft: SheetDraft; fixed: boolean }) {
  const [all, setAll] = useState(false);
  const { part, rows, head, wrong, edit, insert, remove } = draft;
  const first = part === 'about' ? 0 : 1;
  const used = head.map(
    (_, c) =>
      all ||
      part === 'about' ||
      c < 4 ||
      c === head.length - 1 ||
      rows.slice(first).some((r) => r[c]),
  );
  return (
    <>
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
                <button className="btn-quiet !h-6" onClick={() => setAll(!all)}>
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
                          readOnly={fixed || (part === 'about' && c === 0)}
                          value={row[c] ?? ''}
                          title={row[c]}
                          onChange={(e) => edit(r, c, e.target.value)}
                        />
                      </td>
                    ),
                )}
                {!fixed && part !== 'about' && (
                  <td className="whitespace-nowrap">
                    <button
                      className="btn-quiet !h-6 !px-1"
                      title="Add a row below"
                      onClick={() => insert(r)}
                    >
                      <Plus size={12} />
                    </button>
                    <button
                      className="btn-quiet !h-6 !px-1"
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

      {!fixed && part !== 'about' && rows.length <= 1 && (
        <button className="btn m-2" onClick={() => insert(rows.length - 1)}>
          <Plus size={12} /> Add the first row
        </button>
      )}
    </>
  );
}

function cellWidth(part: Part, head: string, column: number): number {
  if (part === 'about') return column ? 720 : 170;
  if (head === 'Class' || head === 'Note' || head === 'Part of') return 220;
  return head === 'In or out' || head === 'Subtypes' || head === 'Need' ? 76 : 130;
}
