import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useNavigate } from 'react-router';
import type { Finding } from '../api';
import { nextFinding } from '../findings';
import { SeverityMark } from '../frame/SeverityMark';
import { useWorkspaceLink } from '../frame/useWorkspaceLink';
import type { Workspace } from '../frame/workspaces';
import type { ModelIndex } from '../model';
import { type SheetTab, useView } from '../state';
import type { Edits } from '../useEdits';
import { limitText, measured } from '../words';
import { Jump, Section } from './parts';

/** Where a finding is answered that no repair can answer: what to do, the workspace, the table there. */
const ELSEWHERE: Record<string, [string, Workspace, SheetTab?]> = {
  'LOC-801': ['Give the place', 'intake'],
  'LOC-802': ['Give the north', 'intake'],
  'LOC-803': ['Give the ground level', 'intake'],
  'SPC-408': ['Find rooms without a space', 'envelope', 'boundaries'],
  'SPC-411': ['Put it out of scope', 'scope'],
  'SRC-102': ['Fill in the values', 'scope'],
  'SRC-103': ['Correct the values', 'scope'],
};

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
  const pending = useView((s) => s.pending);
  const navigate = useNavigate();
  const to = useWorkspaceLink(index.model.delivery.projectId);
  const elsewhere = ELSEWHERE[f.code];
  const at = index.model.findings.findIndex((x) => x.id === f.id);
  return (
    <>
      <div className="border-b border-line px-3 py-2">
        <div className="flex items-center gap-2">
          <SeverityMark severity={f.severity} size={16} />
          <span className="font-semibold capitalize">{f.severity}</span>
          <span className="font-mono text-[11px] text-muted">{f.code}</span>
          <span className="ml-auto text-sm text-muted">
            {at + 1} of {index.model.findings.length}
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
          {f.message}
        </p>
      </div>
      <Section title="Measured against the limit">
        <p>
          {f.measured == null ? 'No figure applies.' : measured(f.measured, f.unit)}
          {f.limit != null && (
            <span className="text-muted">
              {f.code === 'SPC-401' ? ', and the widest gap that counts as closed is ' : ', limit '}
              {limitText(f)}
            </span>
          )}
        </p>
        {f.line > 0 && <p className="text-muted">Line {f.line} of the file</p>}
      </Section>
      <Section title="Why it matters">
        <p>{f.why}</p>
      </Section>
      <Section title="Remedies">
        {f.remedies.length ? (
          <div className="flex flex-col items-start gap-1.5">
            {f.remedies.map((r, i) => (
              <button
                key={i}
                className={`btn ${pending?.repair === r.repair ? 'border-kelp' : ''}`}
                onClick={() => edits.consider(r.repair, r.label, f.id)}
                data-testid={`remedy-${i}`}
              >
                {r.label}
                {i === 0 && <kbd className="font-mono text-[11px] text-muted">E</kbd>}
              </button>
            ))}
            <p className="text-sm text-muted">
              A remedy is shown first, and made only when you say so.
            </p>
          </div>
        ) : elsewhere ? (
          <button
            className="btn"
            data-testid="answered-elsewhere"
            onClick={() => {
              const keys = f.objects.map((o) => o.key);
              void navigate(to(elsewhere[1]));
              useView.setState((s) => ({
                finding: null,
                selection: keys,
                tab: elsewhere[2] ?? s.tab,
              }));
            }}
          >
            {elsewhere[0]}
          </button>
        ) : (
          <p className="text-muted">
            No remedy can be offered here: mend it in the source model and bring that in as a new
            revision.
          </p>
        )}
      </Section>
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
