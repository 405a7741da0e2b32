import { useMemo } from 'react';
import { api, type Finding, type Model } from '../model/api';
import { RepairLog, Row, Section, Title } from '../shared/dossierParts';
import { elementOf, type ModelIndex } from '../model/model';
import { useChecks } from '../model/useChecks';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { bytes, count } from '../model/words';
import { plain } from './families';
import type { ElementRow, ScopeIndex } from './scopeModel';
import { useShallow } from 'zustand/react/shallow';

/** The scope as a whole, and what is offered for exclusion. */
export function ScopeOverview({
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
  const { select, set } = useView(useShallow((s) => ({ select: s.select, set: s.set })));
  const s = model.scope;
  const checks = useChecks();
  // what is answered by putting elements out: one that holds others, or one of two in each other's place
  const answered = useMemo(
    () => index.model.findings.filter((f) => checks.get(f.code)?.elsewhere?.table === 'elements'),
    [index, checks],
  );
  const gross = useMemo(
    () =>
      rowsOf(
        index,
        scope,
        answered.filter((f) => f.objects.length === 1),
      ),
    [index, scope, answered],
  );
  const twice = answered.filter((f) => f.objects.length > 1);
  return (
    <>
      <Title sub={`${model.delivery.fileName}, revision ${model.delivery.revision}`}>
        {s.in} of {s.elements} in scope
      </Title>
      <Section title="Scope">
        <dl>
          <Row label="Scope sheet">{s.sheet ?? 'none applied'}</Row>
          <Row label="Decided by hand">{s.byHand || 'nothing'}</Row>
          <Row label="Requirements not met">
            {s.faults ? (
              <button
                className="font-semibold text-error underline underline-offset-2"
                onClick={() => set({ scopeTab: 'requirements' })}
              >
                {s.faults}
              </button>
            ) : s.sheet ? (
              'none'
            ) : (
              'none: no scope sheet is applied'
            )}
          </Row>
          <Row label="Size of the file">{bytes(model.delivery.size)}</Row>
        </dl>
        {s.gone > 0 && (
          <p className="mt-1 text-warning">
            {count(s.gone, 'decision')} or value of an earlier delivery{' '}
            {s.gone === 1 ? 'is' : 'are'} about elements that this one does not have.
          </p>
        )}
        {!s.sheet && (
          <p className="mt-1">
            Everything is in. Apply a scope sheet to sort what this job needs from what it does not.
          </p>
        )}
      </Section>
      {gross.length > 0 && (
        <Section title={`Groupings that are no rooms (${gross.length})`}>
          {gross.map((r) => (
            <p key={r.key}>
              <button
                className="text-kelp underline decoration-kelp/40 underline-offset-2"
                onClick={() => select([r.key])}
              >
                {r.name}
              </button>
            </p>
          ))}
          <p className="mb-1 text-sm text-muted">
            They wrap other spaces; left in, their volume counts twice.
          </p>
          <button
            className="btn"
            disabled={edits.busy}
            data-testid="gross-out"
            onClick={() =>
              void edits.scope((id, v) =>
                api.place(
                  id,
                  v,
                  gross.map((r) => r.key),
                  false,
                  'gross area that wraps rooms',
                ),
              )
            }
          >
            Put {gross.length === 1 ? 'it' : `all ${gross.length}`} out of scope
          </button>
        </Section>
      )}
      {twice.length > 0 && (
        <Section title={`Elements in each other’s place (${twice.length})`}>
          {twice.slice(0, 6).map((f) => (
            <Duplicate key={f.id} finding={f} scope={scope} edits={edits} />
          ))}
          {twice.length > 6 && <p className="text-muted">and {twice.length - 6} more</p>}
        </Section>
      )}
      <RepairLog index={index} />
    </>
  );
}

/** Rows of the elements in scope that findings are about. */
function rowsOf(index: ModelIndex, scope: ScopeIndex, findings: Finding[]): ElementRow[] {
  return findings
    .flatMap((f) => f.objects)
    .flatMap((o) => scope.byKey.get(o.key) ?? scope.byKey.get(elementOf(index, o.key) ?? '') ?? [])
    .filter((r) => r.isIn);
}

/** Two elements in one place: the poorer one, which the finding names last, is put out. */
function Duplicate({
  finding,
  scope,
  edits,
}: {
  finding: Finding;
  scope: ScopeIndex;
  edits: Edits;
}) {
  const select = useView((s) => s.select);
  const rows = finding.objects.flatMap((o) => scope.byKey.get(o.key) ?? []);
  if (rows.length < 2) return null;
  const [keep, drop] = rows;
  return (
    <div className="mb-1.5">
      <button
        className="text-left text-kelp underline decoration-kelp/40 underline-offset-2"
        onClick={() => select(rows.map((r) => r.key))}
      >
        {plain(keep.entity)} {keep.name} and {drop.name || drop.key}
      </button>
      <br />
      <button
        className="btn mt-0.5"
        disabled={edits.busy}
        onClick={() =>
          void edits.scope((id, v) =>
            api.place(id, v, [drop.key], false, `fills the same place as ${keep.name || keep.key}`),
          )
        }
      >
        Keep {keep.name || 'the first'}, put the other out
      </button>
    </div>
  );
}
