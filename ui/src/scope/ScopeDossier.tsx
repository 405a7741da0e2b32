import { useMemo } from 'react';
import type { Model } from '../model/api';
import { DossierFrame } from '../shared/DossierFrame';
import { FindingCard } from '../shared/FindingCard';
import type { ModelIndex } from '../model/model';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { OneElement } from './OneElement';
import { ScopeOverview } from './ScopeOverview';
import type { ScopeIndex } from './scopeModel';
import { SeveralElements } from './SeveralElements';
import { useShallow } from 'zustand/react/shallow';

/** Everything about the chosen elements: in or out and why, what they say, what is asked of them. */
export function ScopeDossier({
  model,
  index,
  scope,
  edits,
}: {
  model: Model;
  index: ModelIndex;
  scope: ScopeIndex;
  edits: Edits;
}) {
  const { selection, finding } = useView(
    useShallow((s) => ({ selection: s.selection, finding: s.finding })),
  );
  const rows = useMemo(
    () => selection.flatMap((k) => scope.byKey.get(k) ?? []),
    [selection, scope],
  );
  const f = finding ? index.findings.get(finding) : undefined;
  return (
    <DossierFrame edits={edits} clearable={rows.length > 0 || !!f}>
      {f ? (
        <FindingCard finding={f} index={index} edits={edits} />
      ) : rows.length === 1 ? (
        <OneElement
          key={rows[0].key}
          row={rows[0]}
          model={model}
          index={index}
          scope={scope}
          edits={edits}
        />
      ) : rows.length > 1 ? (
        <SeveralElements rows={rows} scope={scope} edits={edits} />
      ) : (
        <ScopeOverview model={model} index={index} scope={scope} edits={edits} />
      )}
    </DossierFrame>
  );
}
