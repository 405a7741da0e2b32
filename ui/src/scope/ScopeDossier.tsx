import { useMemo } from 'react';
import type { Model } from '../api';
import { DossierFrame } from '../dossier/DossierFrame';
import { FindingCard } from '../dossier/FindingCard';
import type { ModelIndex } from '../model';
import { useView } from '../state';
import type { Edits } from '../useEdits';
import { OneElement } from './OneElement';
import { ScopeOverview } from './ScopeOverview';
import type { ScopeIndex } from './scopeModel';
import { SeveralElements } from './SeveralElements';

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
  const { selection, finding } = useView();
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
