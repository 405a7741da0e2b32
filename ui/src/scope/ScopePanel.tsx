import { Download } from 'lucide-react';
import { useQuery } from '@tanstack/react-query';
import { api, type Model } from '../model/api';
import { TABLE_NAMES } from '../shared/workspaces';
import { SheetFrame } from '../shared/SheetFrame';
import { type ScopeTab, useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { bytes } from '../model/words';
import { ClassTable } from './ClassTable';
import { ElementTable } from './ElementTable';
import { PickMenu } from './PickMenu';
import { RequirementTable } from './RequirementTable';
import type { ScopeIndex } from './scopeModel';
import { SheetEditor } from './SheetEditor';
import { SheetMenu } from './SheetMenu';
import { ValueGrid } from './ValueGrid';
import { useShallow } from 'zustand/react/shallow';

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
  const { scopeTab, tried, set } = useView(
    useShallow((s) => ({ scopeTab: s.scopeTab, tried: s.tried, set: s.set })),
  );
  const s = index.scope;
  const tabs: [ScopeTab, string, number | string][] = [
    ['elements', TABLE_NAMES.elements, index.rows.length],
    ['classes', TABLE_NAMES.classes, s.counts.length],
    ['requirements', TABLE_NAMES.requirements, s.requirements.length],
    ['values', TABLE_NAMES.values, ''],
    ...(scopeTab === 'sheet'
      ? [['sheet', TABLE_NAMES.sheet, ''] as [ScopeTab, string, string]]
      : []),
  ];
  return (
    <SheetFrame
      tabs={tabs}
      tab={scopeTab}
      onTab={(key) => set({ scopeTab: key })}
      tools={
        <>
          {scopeTab !== 'sheet' && <PickMenu model={model} />}
          <SheetMenu model={model} scope={s} edits={edits} />
          <ExportButton model={model} index={index} />
        </>
      }
    >
      {tried && s === tried && <TriedBar model={model} index={index} edits={edits} />}
      {scopeTab === 'elements' && <ElementTable index={index} />}
      {scopeTab === 'classes' && <ClassTable model={model} index={index} />}
      {scopeTab === 'requirements' && <RequirementTable index={index} />}
      {scopeTab === 'values' && <ValueGrid model={model} index={index} edits={edits} />}
      {scopeTab === 'sheet' && <SheetEditor model={model} edits={edits} />}
    </SheetFrame>
  );
}

/** Says what a tried sheet would do, and offers to do it. */
function TriedBar({ model, index, edits }: { model: Model; index: ScopeIndex; edits: Edits }) {
  const { tried, set } = useView(useShallow((s) => ({ tried: s.tried, set: s.set })));
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
