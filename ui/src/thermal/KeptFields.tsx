import { useState } from 'react';
import { figures } from '../model/units';
import { NumberField } from './EntryFields';
import { toNumber } from './entries';

/** One of several, kept as soon as it is picked. */
export function Choice({
  label,
  value,
  choices,
  onPick,
}: {
  label: string;
  value: string;
  choices: [string, string][];
  onPick: (v: string) => void;
}) {
  return (
    <label className="mt-1 flex items-center gap-2 text-sm">
      <span className="min-w-0 flex-1 text-muted">{label}</span>
      <select
        className="field w-36"
        aria-label={label}
        value={value}
        onChange={(e) => onPick(e.target.value)}
      >
        {choices.map(([k, name]) => (
          <option key={k} value={k}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}

/** A number that is kept with Enter or when the field is left. */
export function Figure({
  label,
  value,
  onSave,
}: {
  label: string;
  value: number;
  onSave: (v: number) => void;
}) {
  const [draft, setDraft] = useState<string | null>(null);
  const done = () => {
    if (draft === null) return;
    const v = toNumber(draft);
    setDraft(null);
    if (Number.isFinite(v) && v !== value) onSave(v);
  };
  return (
    <div
      className="mt-1"
      onBlur={done}
      onKeyDown={(e) => {
        if (e.key === 'Enter') done();
        if (e.key === 'Escape') setDraft(null);
      }}
    >
      <NumberField label={label} value={draft ?? figures(value)} onChange={setDraft} />
    </div>
  );
}
