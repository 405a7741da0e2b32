import { useMemo, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { api, type Finding, type Model } from '../api';
import { FindingCard } from '../dossier/FindingCard';
import { PendingCard } from '../dossier/PendingCard';
import { RepairLog, Row, Section, Title } from '../dossier/parts';
import { SeverityMark } from '../frame/SeverityMark';
import { elementOf, madeOf, type ModelIndex } from '../model';
import { useView } from '../state';
import type { Edits } from '../useEdits';
import { bytes, count } from '../words';
import { plain } from './families';
import { alike, LIKE, type ElementRow, type ScopeIndex } from './scopeModel';
import { shownValue } from './values';

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
  const { selection, finding, pending, set } = useView();
  const rows = useMemo(
    () => selection.flatMap((k) => scope.byKey.get(k) ?? []),
    [selection, scope],
  );
  const f = finding ? index.findings.get(finding) : undefined;
  return (
    <aside
      className="flex w-80 shrink-0 flex-col overflow-y-auto border-l border-line bg-panel"
      aria-label="Dossier"
      data-testid="dossier"
    >
      {pending && <PendingCard edits={edits} />}
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
      {(rows.length > 0 || f) && (
        <button
          className="btn-quiet mx-2 mt-auto mb-2 self-end"
          onClick={() => set({ selection: [], finding: null, pending: null })}
        >
          <X size={13} /> Clear (Esc)
        </button>
      )}
    </aside>
  );
}

/** Puts elements in or out by hand, with the reason. */
function InOrOut({ rows, edits }: { rows: ElementRow[]; edits: Edits }) {
  const [reason, setReason] = useState('');
  const keys = rows.map((r) => r.key);
  const ins = rows.filter((r) => r.isIn).length;
  const hand = rows.filter((r) => r.byHand).map((r) => r.key);
  const place = (isIn: boolean) =>
    void edits
      .scope((id, v) => api.place(id, v, keys, isIn, reason.trim()))
      .then((done) => {
        if (done) setReason('');
      });
  return (
    <Section title="In or out">
      {rows.length === 1 ? (
        <p data-testid="reason">
          <b className={rows[0].isIn ? 'text-kelp' : ''}>{rows[0].isIn ? 'In' : 'Out'}</b>,{' '}
          {rows[0].reason}
        </p>
      ) : (
        <p>
          {ins} in, {rows.length - ins} out
        </p>
      )}
      <input
        className="field mt-1.5 w-full"
        placeholder="Reason, for whoever looks at this later"
        aria-label="Reason"
        value={reason}
        maxLength={500}
        onChange={(e) => setReason(e.target.value)}
      />
      <div className="mt-1.5 flex flex-wrap gap-1.5">
        {ins > 0 && (
          <button
            className="btn"
            disabled={edits.busy}
            onClick={() => place(false)}
            data-testid="put-out"
          >
            Put {rows.length > 1 ? `${rows.length} ` : ''}out of scope
          </button>
        )}
        {ins < rows.length && (
          <button
            className="btn"
            disabled={edits.busy}
            onClick={() => place(true)}
            data-testid="put-in"
          >
            Put {rows.length > 1 ? `${rows.length} ` : ''}in scope
          </button>
        )}
        {hand.length > 0 && (
          <button
            className="btn"
            disabled={edits.busy}
            title="What was decided by hand is taken back"
            onClick={() => void edits.scope((id, v) => api.release(id, v, hand))}
          >
            Leave to the sheet
          </button>
        )}
      </div>
    </Section>
  );
}

function Findings({ list }: { list: Finding[] }) {
  const set = useView((s) => s.set);
  if (!list.length) return null;
  return (
    <Section title={`Findings (${list.length})`}>
      {list.map((f) => (
        <button
          key={f.id}
          className="flex w-full items-start gap-2 rounded-sm px-1 py-1 text-left hover:bg-kelp-soft"
          onClick={() => set({ finding: f.id, pending: null })}
        >
          <span className="pt-0.5">
            <SeverityMark severity={f.severity} />
          </span>
          <span>{f.message}</span>
        </button>
      ))}
    </Section>
  );
}

function OneElement({
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
  const { select, set } = useView();
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
  const findings = [
    ...new Set([row.key, ...made].flatMap((k) => index.findingsOf.get(k) ?? [])),
  ].filter((f) => !f.code.startsWith('SRC-102') && !f.code.startsWith('SRC-103'));
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
      <Findings list={findings} />
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
                <Row label="Largest chord error">{(e.body.chordError * 1000).toFixed(1)} mm</Row>
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

function SeveralElements({
  rows,
  scope,
  edits,
}: {
  rows: ElementRow[];
  scope: ScopeIndex;
  edits: Edits;
}) {
  const { select, set } = useView();
  const classes = useMemo(() => {
    const n = new Map<string, number>();
    for (const r of rows) n.set(r.entity, (n.get(r.entity) ?? 0) + 1);
    return [...n].sort((a, b) => b[1] - a[1]);
  }, [rows]);
  const shared = LIKE.filter(([k]) => rows[0][k] && rows.every((r) => r[k] === rows[0][k]));
  const unmet = rows.reduce((n, r) => n + r.unmet, 0);
  return (
    <>
      <Title sub={`of ${scope.rows.length}`}>{rows.length} elements selected</Title>
      <InOrOut rows={rows} edits={edits} />
      <Section title="Classes">
        {classes.slice(0, 12).map(([entity, n]) => (
          <div key={entity} className="flex items-center justify-between leading-[24px]">
            <button
              className="text-kelp underline decoration-kelp/40 underline-offset-2"
              title="Keep only these in the selection"
              onClick={() => select(rows.filter((r) => r.entity === entity).map((r) => r.key))}
            >
              {plain(entity)}
            </button>
            <span>{n}</span>
          </div>
        ))}
        {classes.length > 12 && (
          <p className="text-muted">and {classes.length - 12} more classes</p>
        )}
      </Section>
      {shared.length > 0 && (
        <Section title="What they share">
          <dl>
            {shared.map(([k, label]) => (
              <Row key={k} label={label}>
                {String(rows[0][k])}
              </Row>
            ))}
          </dl>
        </Section>
      )}
      {classes.length === 1 && (
        <Section title="Values">
          <p>{unmet ? `${count(unmet, 'requirement')} not met.` : 'All requirements met.'}</p>
          <button
            className="btn mt-1"
            onClick={() => set({ scopeTab: 'values', valueClass: classes[0][0] })}
          >
            Show the values
          </button>
        </Section>
      )}
    </>
  );
}

function ScopeOverview({
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
  const { select, set } = useView();
  const s = model.scope;
  const gross = useMemo(() => offered(index, scope, 'SPC-411', 1), [index, scope]);
  const twice = index.model.findings.filter((f) => f.code === 'SRC-101');
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
              'no sheet asks'
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
            Everything is in. Choose a scope sheet under the picture to sort what this job needs
            from what it does not.
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

/** Rows of the elements that a finding names, at most so many of each. */
function offered(index: ModelIndex, scope: ScopeIndex, code: string, most: number): ElementRow[] {
  return index.model.findings
    .filter((f) => f.code === code)
    .flatMap((f) => f.objects.slice(0, most))
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
