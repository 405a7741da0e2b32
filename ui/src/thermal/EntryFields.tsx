import { useState } from 'react';
import { toNumber } from './entries';

/** A labelled number to type; empty and wrong text are told by the caller. */
export function NumberField({
  label,
  unit,
  value,
  onChange,
}: {
  label: string;
  unit?: string;
  value: string;
  onChange: (text: string) => void;
}) {
  const wrong = value.trim() !== '' && !Number.isFinite(toNumber(value));
  return (
    <label className="flex items-center gap-2 text-sm">
      <span className="min-w-0 flex-1 text-muted">{unit ? `${label}, ${unit}` : label}</span>
      <input
        className={`field w-20 text-right tabular-nums ${wrong ? 'border-error' : ''}`}
        value={value}
        aria-label={label}
        aria-invalid={wrong}
        inputMode="decimal"
        onChange={(e) => onChange(e.target.value)}
      />
    </label>
  );
}

/** Where the entry is kept, and the button that keeps it. */
export function KeepIt({
  problem,
  onKeep,
  onLeave,
}: {
  problem: string | null;
  onKeep: (shared: boolean) => void;
  onLeave: () => void;
}) {
  const [shared, setShared] = useState(false);
  return (
    <>
      {problem && <p className="mt-1.5 text-sm text-error">{problem}</p>}
      <div className="mt-2 flex items-center gap-2">
        <button
          className="btn btn-main"
          disabled={problem !== null}
          data-testid="keep-entry"
          onClick={() => onKeep(shared)}
        >
          Keep it
        </button>
        <button className="btn" onClick={onLeave}>
          Leave it
        </button>
        <label className="flex items-center gap-1.5">
          <input
            type="checkbox"
            className="accent-kelp"
            checked={shared}
            onChange={(e) => setShared(e.target.checked)}
          />
          for all projects
        </label>
      </div>
    </>
  );
}

export function TextField({
  label,
  value,
  onChange,
  testId,
}: {
  label: string;
  value: string;
  onChange: (text: string) => void;
  testId?: string;
}) {
  return (
    <label className="block text-sm text-muted">
      {label}
      <input
        className="field mt-0.5 w-full text-ink"
        value={value}
        data-testid={testId}
        onChange={(e) => onChange(e.target.value)}
      />
    </label>
  );
}
