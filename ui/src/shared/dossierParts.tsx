import type { Finding, Source } from '../model/api';
import { SeverityMark } from './SeverityMark';
import type { ModelIndex } from '../model/model';
import { useView } from '../model/state';
import { moment } from '../model/words';
import { useUnits } from '../model/units';

export function Title({ children, sub }: { children: React.ReactNode; sub?: React.ReactNode }) {
  return (
    <div className="border-b border-line px-3 py-2 [column-span:all]">
      <h2 className="text-title font-semibold">{children}</h2>
      {sub && <div className="text-sm text-muted">{sub}</div>}
    </div>
  );
}

export function Section({
  title,
  acts,
  children,
}: {
  title: string;
  /** Holds nothing but what is pressed, which is of no use on paper. */
  acts?: boolean;
  children: React.ReactNode;
}) {
  return (
    <section className={`border-b border-line px-3 py-2 ${acts ? 'print:hidden' : ''}`}>
      <h2 className="kicker mb-1">{title}</h2>
      {children}
    </section>
  );
}

export function Row({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <div className="flex justify-between gap-3 leading-[22px]">
      <dt className="shrink-0 text-muted">{label}</dt>
      <dd className="min-w-0 text-right">{children}</dd>
    </div>
  );
}

/** A link to another object of the model. */
export function Jump({ to, children }: { to: string; children: React.ReactNode }) {
  const select = useView((s) => s.select);
  return (
    <button
      className="text-left text-kelp underline decoration-kelp/40 underline-offset-2 hover:decoration-kelp"
      onClick={() => select([to])}
    >
      {children}
    </button>
  );
}

/** Measured against stated, with the difference where there is one. */
export function Against({
  measured,
  stated,
  digits,
}: {
  measured: number;
  stated?: number | null;
  digits: (n: number) => string;
}) {
  if (stated == null) return <>{digits(measured)}, none stated</>;
  const off = measured ? (100 * (stated - measured)) / measured : 0;
  return (
    <>
      {digits(measured)}{' '}
      <span className={Math.abs(off) > 2 ? 'font-semibold text-warning' : 'text-muted'}>
        stated {digits(stated)} ({off >= 0 ? '+' : '−'}
        {Math.abs(off).toFixed(1)} %)
      </span>
    </>
  );
}

export function Origin({ source, element }: { source: Source; element?: Source | null }) {
  return (
    <Section title="Where it comes from">
      {source.elementClass === 'Repair' ? (
        <p>Made by a repair; see the repair log.</p>
      ) : (
        <dl>
          <Row label={source.elementClass}>
            <span className="font-mono text-[11px] break-all">{source.id || '–'}</span>
          </Row>
          {source.line > 0 && (
            <Row label="Place in the file">
              line {source.line}, column {source.column}
            </Row>
          )}
          {element && (
            <Row
              label={
                element.elementClass === 'CADObjectId'
                  ? 'Element in the source'
                  : element.elementClass
              }
            >
              {element.name && element.name + ' '}
              <span className="font-mono text-[11px] break-all">{element.id}</span>
            </Row>
          )}
        </dl>
      )}
    </Section>
  );
}

export function FindingLinks({ list }: { list: Finding[] }) {
  const units = useUnits();
  const set = useView((s) => s.set);
  if (!list.length) return null;
  return (
    <Section title={`Findings (${list.length})`}>
      {list.map((f) => (
        <button
          key={f.id}
          className="flex w-full items-start gap-2 rounded-sm px-1 py-1 text-left hover:bg-kelp-soft"
          onClick={() => set({ finding: f.id, selection: [], tab: 'findings' })}
        >
          <span className="pt-0.5">
            <SeverityMark severity={f.severity} />
          </span>
          <span>{units.said(f.message)}</span>
        </button>
      ))}
    </Section>
  );
}

/** What the repair log says of objects, by the findings it answered and the names it uses. */
export function Changes({
  index,
  keys,
  label,
}: {
  index: ModelIndex;
  keys: string[];
  label: string;
}) {
  const units = useUnits();
  const list = index.model.log.filter(
    (e) =>
      e.inForce &&
      (keys.some((k) => e.finding?.split(':')[1]?.split(',').includes(k)) ||
        e.summary.toLowerCase().includes(label.toLowerCase())),
  );
  if (!list.length) return null;
  return (
    <Section title="What was changed">
      {list.map((e) => (
        <p key={e.index} className="mb-1">
          {units.said(e.summary)}{' '}
          <span className="text-sm text-muted">
            {e.madeBy}, {moment(e.madeAt)}
          </span>
        </p>
      ))}
    </Section>
  );
}

/** Entries of the repair log that are in force, the newest first. */
export function RepairLog({ index }: { index: ModelIndex }) {
  const units = useUnits();
  const log = index.model.log.filter((e) => e.inForce);
  return (
    <Section title={`Repair log (${log.length})`}>
      {log.length ? (
        [...log].reverse().map((e) => (
          <p key={e.index} className="mb-1.5">
            <span className="mr-1 text-muted">{e.index + 1}.</span>
            {units.said(e.summary)}{' '}
            <span className="text-sm text-muted">
              {e.madeBy}, {moment(e.madeAt)}
            </span>
          </p>
        ))
      ) : (
        <p className="text-muted">
          Nothing has been changed yet. Each change is listed here and can be undone.
        </p>
      )}
    </Section>
  );
}
