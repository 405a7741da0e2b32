import { useState } from 'react';
import { Download, FileJson, Package, RotateCw } from 'lucide-react';
import { api, type Model } from '../model/api';
import type { Handover, HandoverAgain } from '../model/handoverCalls';
import { bytes, count, moment } from '../model/words';
import { useUnits } from '../model/units';
import { Said } from './FormatChoice';

/** What was open when files were written. */
function leftOpen(h: Handover): string {
  const open = [
    [h.blockers, 'blocker'] as const,
    [h.errors, 'error'] as const,
    [h.warnings, 'warning'] as const,
  ].filter(([n]) => n > 0);
  return open.length
    ? `${open.map(([n, what]) => count(n, what)).join(', ')} open`
    : 'nothing open';
}

/** Files that were handed over, the newest first. */
export function HandedOver({ model, list }: { model: Model; list: Handover[] | undefined }) {
  return (
    <div className="min-h-0 flex-1 overflow-y-auto px-4 py-2">
      {list?.length ? (
        <ul>
          {list.map((h) => (
            <Row key={h.id} h={h} now={model.delivery.version} />
          ))}
        </ul>
      ) : (
        <p className="text-muted">
          Nothing yet. Files are written from the present state, proven, and offered here with the
          record of what they were made of.
        </p>
      )}
    </div>
  );
}

function Row({ h, now }: { h: Handover; now: number }) {
  const units = useUnits();
  const [again, setAgain] = useState<HandoverAgain | string | null>(null);

  async function makeAgain() {
    setAgain('Making the files again …');
    try {
      setAgain(await api.handOverAgain(h.id));
    } catch (e) {
      setAgain(e instanceof Error ? e.message : String(e));
    }
  }

  return (
    <li className="border-b border-line/60 py-2" data-testid="handover-row">
      <p>
        <span className="font-semibold">{moment(h.madeAt)}</span>, {h.madeBy}
        {h.part && <>; {h.part}</>}
      </p>
      <p className="text-muted">
        {h.version === now ? 'The present state' : 'The model has changed since'}; {leftOpen(h)}
      </p>
      {h.partNotes.length > 0 && <p className="text-sm text-muted">{h.partNotes.join(' ')}</p>}
      <div className="mt-1 flex flex-wrap gap-1.5">
        <a
          className="btn"
          href={`/api/handovers/${h.id}/package`}
          download
          data-testid="package"
          title="All files, the report and the record in one archive"
        >
          <Package size={13} /> All (zip)
        </a>
        {h.recorded && (
          <>
            <a
              className="btn"
              href={`/api/handovers/${h.id}/record`}
              download
              data-testid="record"
              title="Who, when, of what, with which repairs and settings"
            >
              <FileJson size={13} /> Record
            </a>
            <button
              className="btn"
              onClick={() => void makeAgain()}
              data-testid="again"
              title="Makes the files again from the record and compares every byte"
            >
              <RotateCw size={13} /> Make again
            </button>
          </>
        )}
      </div>
      {again && (
        <p
          className={`mt-1 ${typeof again === 'string' || again.same ? '' : 'font-semibold text-error'}`}
          role="status"
          data-testid="again-says"
        >
          {typeof again === 'string' ? again : again.says}
        </p>
      )}
      <ul className="mt-1">
        {h.files.map((f) => (
          <li key={f.format} className="flex items-start gap-2 py-0.5">
            <div className="min-w-0 flex-1">
              <p className="truncate" title={`SHA-256 ${f.sha256}`}>
                {f.fileName}{' '}
                <span className="text-muted">
                  {f.label}, {bytes(f.size)}
                </span>
              </p>
              {(f.readBack || f.notes.length > 0) && <Said file={f} />}
            </div>
            <a
              className="btn-quiet shrink-0"
              href={`/api/handovers/${h.id}/file?format=${f.format}`}
              download
              data-testid="download"
              aria-label={`Download ${f.fileName}`}
            >
              <Download size={13} /> Download
            </a>
          </li>
        ))}
      </ul>
      {h.accepted.length > 0 && (
        <details>
          <summary className="cursor-pointer">
            {count(h.accepted.length, 'accepted finding')}
          </summary>
          {h.accepted.map((a, i) => (
            <p key={i} className="text-sm">
              <span className="font-mono text-[11px]">{a.code}</span> {units.said(a.message)}{' '}
              <span className="text-muted">
                {a.reason} ({a.by})
              </span>
            </p>
          ))}
        </details>
      )}
    </li>
  );
}
