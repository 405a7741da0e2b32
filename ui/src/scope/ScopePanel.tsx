import { ChevronDown, ChevronUp, Download } from 'lucide-react';
import { useQuery } from '@tanstack/react-query';
import { api, type Model } from '../api';
import { useSheetHeight } from '../sheet/useSheetHeight';
import { type ScopeTab, useView } from '../state';
import type { Edits } from '../useEdits';
import { bytes } from '../words';
import { ClassTable } from './ClassTable';
import { ElementTable } from './ElementTable';
import { PickMenu } from './PickMenu';
import { RequirementTable } from './RequirementTable';
import type { ScopeIndex } from './scopeModel';
import { SheetEditor } from './SheetEditor';
import { SheetMenu } from './SheetMenu';
import { ValueGrid } from './ValueGrid';

/** The tables of the scope workspace: elements, classes, requirements, values, and the sheet itself. */
export function ScopePanel({
  model,
  index,
  edits,
}: {
  model: Model;
  index: ScopeIndex;
  edits: Edits;
}) {
  const { scopeTab, tried, set } = useView();
  const { height, folded, drag, fold } = useSheetHeight();
  const s = index.scope;
  const tabs: [ScopeTab, string, number | string][] = [
    ['elements', 'Elements', index.rows.length],
    ['classes', 'Classes', s.counts.length],
    ['requirements', 'Requirements', s.requirements.length],
    ['values', 'Values', ''],
    ...(scopeTab === 'sheet' ? [['sheet', 'Sheets', ''] as [ScopeTab, string, string]] : []),
  ];
  return (
    <section
      className="flex shrink-0 flex-col border-t border-line bg-panel"
      style={{ height: folded ? 32 : height }}
      aria-label="Sheet"
      data-testid="scope-panel"
    >
      <div
        className="h-[4px] cursor-ns-resize hover:bg-kelp/40"
        onPointerDown={drag}
        title="Drag to resize the sheet"
      />
      <div
        className="flex h-[30px] shrink-0 items-center gap-0.5 border-b border-line px-2"
        role="tablist"
      >
        {tabs.map(([key, label, n]) => (
          <button
            key={key}
            role="tab"
            aria-selected={scopeTab === key}
            className={`h-[30px] border-b-2 px-2 whitespace-nowrap ${scopeTab === key ? 'border-kelp font-semibold' : 'border-transparent text-muted hover:text-ink'}`}
            onClick={() => {
              set({ scopeTab: key });
              if (folded) fold();
            }}
          >
            {label} <span className="text-sm font-normal">{n}</span>
          </button>
        ))}
        <div className="ml-auto flex items-center gap-1">
          {scopeTab !== 'sheet' && <PickMenu model={model} />}
          <SheetMenu model={model} scope={s} edits={edits} />
          <ExportButton model={model} index={index} />
          <button
            className="btn-quiet !px-1"
            onClick={fold}
            title={folded ? 'Unfold the sheet' : 'Fold the sheet'}
          >
            {folded ? <ChevronUp size={14} /> : <ChevronDown size={14} />}
          </button>
        </div>
      </div>
      {tried && s === tried && <TriedBar model={model} index={index} edits={edits} />}
      {!folded && scopeTab === 'elements' && <ElementTable index={index} />}
      {!folded && scopeTab === 'classes' && <ClassTable model={model} index={index} />}
      {!folded && scopeTab === 'requirements' && <RequirementTable index={index} />}
      {!folded && scopeTab === 'values' && <ValueGrid model={model} index={index} edits={edits} />}
      {!folded && scopeTab === 'sheet' && <SheetEditor model={model} edits={edits} />}
    </section>
  );
}

/** Says what a tried sheet would do, and offers to do it. */
function TriedBar({ model, index, edits }: { model: Model; index: ScopeIndex; edits: Edits }) {
  const { tried, set } = useView();
  const sheets = useQuery({
    queryKey: ['sheets', model.delivery.projectId],
    queryFn: () => api.sheets(model.delivery.projectId),
  });
  const known = sheets.data?.filter((x) => x.name === tried?.tried) ?? [];
  return (
    <div
      className="flex items-center gap-2 border-b border-line bg-kelp-soft px-3 py-1"
      data-testid="tried"
    >
      <span>
        Tried, not applied: <b>{tried?.tried}</b> would have {index.isIn} of {index.rows.length} in
        (now {model.scope.in}), with {index.scope.unmet.length} requirements not met.
      </span>
      {known.length === 1 && (
        <button
          className="btn btn-main ml-auto"
          disabled={edits.busy}
          onClick={() => void edits.scope((id, v) => api.applySheet(id, v, known[0].id))}
        >
          Apply it
        </button>
      )}
      <button
        className={`btn ${known.length === 1 ? '' : 'ml-auto'}`}
        onClick={() => set({ tried: null })}
      >
        Back to what is in force
      </button>
    </div>
  );
}

function ExportButton({ model, index }: { model: Model; index: ScopeIndex }) {
  const { id, version } = model.delivery;
  const size = useQuery({
    queryKey: ['trimmed', id, version],
    queryFn: () => api.trimmed(id),
    enabled: index.scope.writable,
    staleTime: Infinity,
  });
  if (!index.scope.writable) return null;
  const t = size.data;
  return (
    <a
      className="btn"
      href={`/api/deliveries/${id}/scope/file`}
      download
      data-testid="export-ifc"
      title={
        t
          ? `Save what is in scope as IFC: ${t.elements} of ${t.elementsBefore} elements, ${t.instances.toLocaleString('en')} of ${t.instancesBefore.toLocaleString('en')} instances; ${bytes(t.bytes)} instead of ${bytes(t.bytesBefore)}. With all that they need and the values that were set.`
          : 'Working out the size …'
      }
    >
      <Download size={14} /> IFC{' '}
      <span className="text-sm text-muted">
        {t ? `${bytes(t.bytes)}, ${((100 * t.bytes) / t.bytesBefore).toFixed(0)} %` : '…'}
      </span>
    </a>
  );
}
