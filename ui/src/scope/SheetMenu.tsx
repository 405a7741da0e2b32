import { useRef, useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Popover } from 'radix-ui';
import { ChevronDown, FileSpreadsheet, Upload } from 'lucide-react';
import { api, type Model, type Scope } from '../model/api';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';

/** Chooses the scope sheet: try one, apply one, bring one in. */
export function SheetMenu({ model, scope, edits }: { model: Model; scope: Scope; edits: Edits }) {
  const client = useQueryClient();
  const set = useView((s) => s.set);
  const [open, setOpen] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const project = model.delivery.projectId;
  const sheets = useQuery({
    queryKey: ['sheets', project],
    queryFn: () => api.sheets(project),
  });

  async function attempt(id: string) {
    setOpen(false);
    try {
      set({ tried: await api.trySheet(model.delivery.id, { sheet: id }) });
    } catch (e) {
      set({ message: { text: e instanceof Error ? e.message : String(e), bad: true } });
    }
  }

  async function bring(f: File) {
    try {
      const made = await api.addSheet(project, f);
      await client.invalidateQueries({ queryKey: ['sheets', project] });
      set({
        message: {
          text: `The scope sheet ${made.name} is in the project. Try it or apply it.`,
          bad: false,
        },
      });
    } catch (e) {
      setOpen(false);
      set({ message: { text: `${f.name}: ${e instanceof Error ? e.message : e}`, bad: true } });
    }
  }

  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <button className="btn max-w-[172px]" data-testid="sheet-menu" title="Choose a scope sheet">
          <FileSpreadsheet size={14} />
          <span className="truncate">{scope.sheet ?? 'Scope sheet'}</span>
          <ChevronDown size={13} />
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          className="z-50 w-[430px] rounded-sm border border-line bg-panel shadow-lg"
          align="end"
          side="top"
          sideOffset={6}
          data-testid="sheet-list"
        >
          <p className="border-b border-line px-3 py-2 text-muted">
            A scope sheet says what a purpose needs: which elements are in, and which values they
            must have. Trying one changes nothing.
          </p>
          <ul className="max-h-80 overflow-y-auto">
            {sheets.data?.map((s) => (
              <li key={s.id} className="flex items-start gap-2 border-b border-line/60 px-3 py-2">
                <div className="min-w-0 flex-1">
                  <p className="font-semibold">
                    {s.name}{' '}
                    {scope.sheet === s.name && (
                      <span className="text-sm font-normal text-kelp">applied</span>
                    )}
                  </p>
                  <p className="text-sm text-muted">
                    {s.purpose} {s.rules} rules, {s.requirements} properties.
                  </p>
                </div>
                <button className="btn" onClick={() => void attempt(s.id)}>
                  Try
                </button>
                <button
                  className="btn btn-main"
                  disabled={edits.busy}
                  onClick={() => {
                    setOpen(false);
                    set({ tried: null });
                    void edits.scope((id, v) => api.applySheet(id, v, s.id));
                  }}
                >
                  Apply
                </button>
              </li>
            ))}
          </ul>
          <div className="flex gap-2 px-3 py-2">
            <button className="btn" onClick={() => file.current?.click()}>
              <Upload size={13} /> Bring in XLSX or IDS
            </button>
            <button
              className="btn"
              onClick={() => {
                setOpen(false);
                set({ scopeTab: 'sheet' });
              }}
            >
              Write or compare sheets
            </button>
            <input
              ref={file}
              type="file"
              accept=".xlsx,.ids,.xml"
              className="hidden"
              data-testid="sheet-file"
              onChange={(e) => {
                const f = e.target.files?.[0];
                e.target.value = '';
                if (f) void bring(f);
              }}
            />
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
