import { useState } from 'react';
import type { Measure } from '../model/units';

/** A number that may be left empty where the model decides. */
export function NumberField({
  label,
  value,
  measure,
  empty,
  wide = true,
  aria,
  onChange,
}: {
  label: string;
  value: number | null;
  measure: Pick<Measure, 'unit' | 'to' | 'from'>;
  /** What an empty field means; without it the field must be filled. */
  empty?: string;
  /** What it is called where no label is shown. */
  aria?: string;
  /** The label takes a column of its own. */
  wide?: boolean;
  onChange: (v: number | null) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const shown = value == null ? '' : String(Number(measure.to(value).toPrecision(5)));
  function take(typed: string) {
    setText(null);
    const t = typed.trim().replace(',', '.');
    if (t === '' && empty) onChange(null);
    else if (t !== '' && Number.isFinite(Number(t))) onChange(measure.from(Number(t)));
  }
  return (
    <label className="flex items-center gap-2">
      <span className={`shrink-0 ${wide ? 'w-44' : ''}`}>{label}</span>
      <input
        className={`field text-right ${wide ? 'w-24' : 'w-20'}`}
        inputMode="decimal"
        aria-label={aria}
        placeholder={empty}
        value={text ?? shown}
        onChange={(e) => setText(e.target.value)}
        onBlur={(e) => text !== null && take(e.target.value)}
        onKeyDown={(e) => e.key === 'Enter' && take(e.currentTarget.value)}
      />
      <span className="text-muted">{measure.unit}</span>
    </label>
  );
}
