import { useState } from 'react';
import { api } from '../model/api';
import { Section } from '../shared/dossierParts';
import type { Edits } from '../model/useEdits';
import type { ElementRow } from './scopeModel';

/** Puts elements in or out by hand, with the reason. */
export function InOrOut({ rows, edits }: { rows: ElementRow[]; edits: Edits }) {
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
