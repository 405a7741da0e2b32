import { useState } from 'react';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useNavigate } from 'react-router';
import { api, type Finding } from '../model/api';
import { isOpen } from '../model/groups';
import { useChecks } from '../model/useChecks';
import { nextFinding } from '../model/next';
import { useRemedies } from '../model/useRemedies';
import { SeverityMark } from './SeverityMark';
import { useWorkspaceLink } from './useWorkspaceLink';
import type { Workspace } from './workspaces';
import type { ModelIndex } from '../model/model';
import { type ScopeTab, type SheetTab, useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { moment } from '../model/words';
import { useUnits } from '../model/units';
import { Jump, Section } from './dossierParts';

/** One finding: what, how much, why it matters, and what answers it. */
export function FindingCard({
  finding: f,
  index,
  edits,
}: {
  finding: Finding;
  index: ModelIndex;
  edits: Edits;
}) {
  const units = useUnits();
  const pending = useView((s) => s.pending);
  const navigate = useNavigate();
  const to = useWorkspaceLink(index.model.delivery.projectId);
  const check = useChecks().get(f.code);
  const elsewhere = check?.elsewhere;
  const open = index.model.findings.filter(isOpen);
  const at = open.findIndex((x) => x.id === f.id);
  const alike = open.filter((x) => x.code === f.code);
  const remedies = useRemedies(index.model, [f])?.get(f.id);
  return (
    <>
      <div className="border-b border-line px-3 py-2 [column-span:all]">
        <div className="flex items-center gap-2">
          <SeverityMark severity={f.severity} size={16} />
          <span className="font-semibold capitalize">{f.severity}</span>
          <span className="font-mono text-[11px] text-muted">{f.code}</span>
          <span className="ml-auto text-sm text-muted">
            {at < 0 ? 'accepted' : `${at + 1} of ${open.length}`}
          </span>
          <button
            className="btn-quiet !px-1"
            title="Previous finding (P)"
            onClick={() => nextFinding(index, -1)}
          >
            <ChevronLeft size={15} />
          </button>
          <button
            className="btn-quiet !px-1"
            title="Next finding (N)"
            onClick={() => nextFinding(index, 1)}
            data-testid="next-finding"
          >
            <ChevronRight size={15} />
          </button>
        </div>
        <p className="mt-1 text-[15px] leading-[21px] font-semibold" data-testid="finding-message">
          {units.said(f.message)}
        </p>
      </div>
      <Section title="Measured against the limit">
        <p>
          {f.measured == null ? 'No figure applies.' : units.measured(f.measured, f.unit)}
          {f.stated != null && `, stated ${units.measured(f.stated, f.unit)}`}
          {f.limit != null && (
            <span className="text-muted">
              {`, ${check?.compared ?? 'limit'} `}
              {units.measured(f.limit, f.limitUnit)}
            </span>
          )}
        </p>
        {f.line > 0 && <p className="text-muted">Line {f.line} of the file</p>}
      </Section>
      <Section title="Why it matters">
        <p>{check?.why}</p>
      </Section>
      <Section title="Remedies">
        {!remedies ? (
          <p className="text-muted">Working them out …</p>
        ) : remedies.length ? (
          <div className="flex flex-col items-start gap-1.5">
            {remedies.map((r, i) => (
              <button
                key={i}
                className={`btn h-auto min-h-[26px] py-0.5 text-left whitespace-normal ${pending?.repair === r.repair ? 'border-kelp' : ''}`}
                onClick={() => edits.consider(r.repair, r.label, f.id)}
                data-testid={`remedy-${i}`}
              >
                {units.said(r.label)}
                {i === 0 && <kbd className="font-mono text-[11px] text-muted">E</kbd>}
              </button>
            ))}
            <p className="text-sm text-muted">
              A remedy is shown first, and made only when you say so.
            </p>
            {alike.length > 1 && (
              <button
                className="btn"
                data-testid="for-alike"
                onClick={() =>
                  edits.sweep(
                    alike.map((x) => x.id),
                    remedies[0].repair,
                    remedies[0].label,
                  )
                }
              >
                The same for all {alike.length} of {f.code}
              </button>
            )}
          </div>
        ) : elsewhere ? (
          <button
            className="btn"
            data-testid="answered-elsewhere"
            onClick={() => {
              const keys = f.objects.map((o) => o.key);
              void navigate(to(elsewhere.workspace as Workspace));
              useView.setState((s) => ({
                finding: null,
                selection: keys,
                ...(elsewhere.workspace === 'scope'
                  ? { scopeTab: (elsewhere.table as ScopeTab | undefined) ?? s.scopeTab }
                  : { tab: (elsewhere.table as SheetTab | undefined) ?? s.tab }),
              }));
            }}
          >
            {elsewhere.label}
            <kbd className="font-mono text-[11px] text-muted">E</kbd>
          </button>
        ) : (
          <p className="text-muted" data-testid="no-remedy">
            No remedy can be offered here: mend it in the source model and bring that in as a new
            revision.
          </p>
        )}
      </Section>
      <Decision finding={f} edits={edits} />
      {f.answers.length > 0 && (
        <Section title={`Answers (${f.answers.length})`}>
          {f.answers.map((a, i) => (
            <p key={i} className="mb-1" data-testid="answer">
              <b>{a.status || 'Answered'}</b>
              {a.text && `: ${a.text}`}{' '}
              <span className="text-sm text-muted">
                {[a.author, a.date.slice(0, 10), a.fileName].filter(Boolean).join(', ')}
              </span>
            </p>
          ))}
        </Section>
      )}
      <Section title="About">
        {f.objects.length ? (
          f.objects.map((o) => (
            <div key={o.key} className="leading-[22px]">
              {o.kind === 'space' || o.kind === 'surface' || o.kind === 'opening' ? (
                <Jump to={o.key}>{o.label}</Jump>
              ) : (
                o.label
              )}{' '}
              <span className="font-mono text-[11px] text-muted">{o.key}</span>
            </div>
          ))
        ) : (
          <p>The file as a whole.</p>
        )}
      </Section>
    </>
  );
}

/** Taking a finding as it is, with a reason; until its objects change. */
function Decision({ finding: f, edits }: { finding: Finding; edits: Edits }) {
  const [reason, setReason] = useState<string | null>(null);
  const a = f.accepted;
  if (a?.holds)
    return (
      <Section title="Accepted">
        <p data-testid="accepted">{a.reason}</p>
        <p className="text-sm text-muted">
          {a.by}, {moment(a.at)}. It is open again when its objects change.
        </p>
        <button
          className="btn mt-1"
          disabled={edits.busy}
          onClick={() =>
            void edits.change((d) => api.withdraw(d, [f.id]), 'The finding is open again.')
          }
        >
          Open it again
        </button>
      </Section>
    );
  return (
    <Section title="Or take it as it is">
      {a && (
        <p className="mb-1 text-sm text-muted">
          Accepted before by {a.by} (“{a.reason}”), open again since its objects have changed.
        </p>
      )}
      {reason === null ? (
        <button className="btn" data-testid="accept" onClick={() => setReason('')}>
          Accept …
        </button>
      ) : (
        <form
          className="flex flex-col gap-1.5"
          onSubmit={(e) => {
            e.preventDefault();
            void edits
              .change((d) => api.accept(d, [f.id], reason), 'Accepted; listed at the handover.')
              .then((done) => done && setReason(null));
          }}
        >
          <textarea
            className="field !h-14 resize-none py-1"
            autoFocus
            placeholder="Reason, listed at the handover"
            aria-label="Reason"
            data-testid="reason"
            maxLength={1000}
            value={reason}
            onChange={(e) => setReason(e.target.value)}
          />
          <span className="flex gap-1.5">
            <button
              className="btn btn-main"
              disabled={!reason.trim() || edits.busy}
              data-testid="accept-it"
            >
              Accept with this reason
            </button>
            <button type="button" className="btn" onClick={() => setReason(null)}>
              Leave it
            </button>
          </span>
        </form>
      )}
    </Section>
  );
}
