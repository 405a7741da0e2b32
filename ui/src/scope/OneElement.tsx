import { useQuery } from '@tanstack/react-query';
import { api, type Model } from '../model/api';
import { FindingLinks, Row, Section, Title } from '../shared/dossierParts';
import { SeverityMark } from '../shared/SeverityMark';
import { madeOf, type ModelIndex } from '../model/model';
import { useChecks } from '../model/useChecks';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { count } from '../model/words';
import { useUnits } from '../model/units';
import { plain } from './families';
import { InOrOut } from './InOrOut';
import { alike, LIKE, type ElementRow, type ScopeIndex } from './scopeModel';
import { shownValue } from './values';
import { useShallow } from 'zustand/react/shallow';

/** One element: in or out and why, what is not met, what the file says of it, what became of it. */
export function OneElement({
  row,
  model,
  index,
  scope,
  edits,
}: {
  row: ElementRow;
  model: Model;
  index: ModelIndex;
  scope: ScopeIndex;
  edits: Edits;
}) {
  const units = useUnits();
  const { select, set } = useView(useShallow((s) => ({ select: s.select, set: s.set })));
  const { id, version } = model.delivery;
  const facts = useQuery({
    queryKey: ['element', id, version, row.key],
    queryFn: () => api.element(id, row.key),
    staleTime: Infinity,
    placeholderData: (before) => (before?.key === row.key ? before : undefined),
  });
  const e = facts.data;
  const unmet = scope.unmetOf.get(row.place) ?? [];
  const made = madeOf(index, row.key);
  const checks = useChecks();
  // what the values of the element answer is told above, by requirement
  const findings = [
    ...new Set([row.key, ...made].flatMap((k) => index.findingsOf.get(k) ?? [])),
  ].filter((f) => checks.get(f.code)?.elsewhere?.table !== 'values');
  return (
    <>
      <Title sub={[plain(row.entity), row.storey].filter(Boolean).join(' · ')}>
        {row.name || plain(row.entity)}
      </Title>
      <InOrOut rows={[row]} edits={edits} />
      {unmet.length > 0 && (
        <Section title={`Requirements not met (${unmet.length})`}>
          {unmet.map((f, i) => (
            <p key={i} className="flex items-start gap-2 py-0.5">
              <span className="pt-0.5">
                <SeverityMark severity={scope.requirements.get(f.row)?.severity ?? 'note'} />
              </span>
              <span>
                {scope.requirements.get(f.row)?.title && (
                  <b>{scope.requirements.get(f.row)?.title}: </b>
                )}
                {f.reason} <span className="text-sm text-muted">row {f.row} of the sheet</span>
              </span>
            </p>
          ))}
          <button
            className="btn mt-1"
            onClick={() => set({ scopeTab: 'values', valueClass: row.entity })}
          >
            Show the values
          </button>
        </Section>
      )}
      <FindingLinks list={findings} />
      <Section title="Select all with the same">
        <div className="flex flex-wrap gap-1">
          {LIKE.filter(([k]) => row[k]).map(([k, label]) => {
            const keys = alike(scope, row, k);
            return (
              <button
                key={k}
                className="btn !px-1.5"
                title={`${String(row[k])}: ${count(keys.length, 'element')}`}
                onClick={() => select(keys)}
              >
                {label} <span className="text-sm text-muted">{keys.length}</span>
              </button>
            );
          })}
        </div>
      </Section>
      {e && (
        <>
          <Section title="Facts">
            <dl>
              <Row label="Class">
                <span className="font-mono text-[11px]">{e.entity}</span>
              </Row>
              {fact('Predefined type', e.predefinedType)}
              {fact('Type', e.typeName)}
              {fact('Object type', e.objectType)}
              {fact('Description', e.description)}
              {fact('Tag', e.tag)}
              {fact('Layer', e.layer)}
              {fact('Materials', e.materials.join(', '))}
              {fact('Classification', e.classifications.join(', '))}
            </dl>
            {e.layers.map((l, i) => (
              <p key={i} className="text-sm text-muted">
                {l}
              </p>
            ))}
          </Section>
          {e.sets.map((s) => (
            <Section key={s.name} title={s.inherited ? `${s.name}, from the type` : s.name}>
              <dl>
                {s.values.map((v) => (
                  <Row key={v.name} label={v.name}>
                    <span title={v.type} className={v.edited ? 'font-semibold' : ''}>
                      {shownValue(v.value) || '–'} {v.unit}
                      {v.edited && <sup className="text-kelp"> set</sup>}
                    </span>
                  </Row>
                ))}
              </dl>
            </Section>
          ))}
          <Section title="Where it comes from">
            <dl>
              <Row label="GlobalId">
                <span className="font-mono text-[11px] break-all">{e.source.id || '–'}</span>
              </Row>
              {e.source.line > 0 && <Row label="Place in the file">line {e.source.line}</Row>}
              <Row label="Body">
                {e.body.problem || (e.body.faces ? count(e.body.faces, 'face') : 'none')}
              </Row>
              {e.body.chordError > 0 && (
                <Row label="Largest chord error">
                  {units.said(`${(e.body.chordError * 1000).toFixed(1)} mm`)}
                </Row>
              )}
            </dl>
            {e.body.approximations.map((a, i) => (
              <p key={i} className="text-sm text-muted">
                {a}
              </p>
            ))}
            {e.wholes
              .filter((w) => scope.byKey.has(w.key))
              .slice(0, 4)
              .map((w, i) => (
                <p key={i}>
                  part of{' '}
                  <button
                    className="text-kelp underline decoration-kelp/40 underline-offset-2"
                    onClick={() => select([w.key])}
                  >
                    {plain(w.entity)} {w.name}
                  </button>
                </p>
              ))}
          </Section>
          <Section title="What became of it">
            <p>
              {made.length
                ? `${count(made.length, 'object')} of the envelope.`
                : row.isIn
                  ? 'Nothing yet: it bounds no space.'
                  : 'Nothing: it is out of scope.'}
            </p>
          </Section>
        </>
      )}
    </>
  );
}

function fact(label: string, value: string) {
  return value ? <Row label={label}>{value}</Row> : null;
}
