import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type Model, type SheetDetail } from '../model/api';
import type { Edits } from '../model/useEdits';
import { SheetComparison } from './SheetComparison';
import { SheetTable } from './SheetTable';
import { SheetTools, type SheetName } from './SheetTools';
import { useSheetDraft } from './useSheetDraft';

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
    <OneSheet
      key={sheet.data.id}
      sheet={sheet.data}
      sheets={sheets.data}
      choose={setChosen}
      model={model}
      edits={edits}
    />
  );
}

function OneSheet({
  sheet,
  sheets,
  choose,
  model,
  edits,
}: {
  sheet: SheetDetail;
  sheets: SheetName[];
  choose: (id: string) => void;
  model: Model;
  edits: Edits;
}) {
  const draft = useSheetDraft(sheet, model, choose);
  const [against, setAgainst] = useState('');
  return (
    <div className="flex min-h-0 flex-1 flex-col" data-testid="sheet-editor">
      <SheetTools
        sheet={sheet}
        sheets={sheets}
        choose={choose}
        draft={draft}
        against={against}
        setAgainst={setAgainst}
        busy={edits.busy}
      />
      {against ? (
        <SheetComparison id={sheet.id} other={against} />
      ) : (
        <>
          {draft.fault && <p className="px-3 py-1 text-blocker">{draft.fault.message}</p>}
          <div className="min-h-0 flex-1 overflow-auto">
            <SheetTable draft={draft} fixed={sheet.ships} />
            {sheet.ships && (
              <p className="px-3 py-2 text-muted">
                This sheet comes with Yentra and stays as it is. Copy it to change it.
              </p>
            )}
          </div>
        </>
      )}
    </div>
  );
}
