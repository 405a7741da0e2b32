import { useState } from 'react';

/** A text that is taken when it is left or with Enter; wrong ones say why and are not taken. */
export function TextField({
  label,
  hint,
  value,
  wide = false,
  check,
  onDone,
}: {
  label: string;
  hint?: string;
  value: string;
  wide?: boolean;
  /** Why a text cannot be; null when it can. */
  check: (text: string) => string | null;
  onDone: (text: string) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const why = text === null ? null : check(text.trim());
  const done = () => {
    if (text !== null && !why && text.trim() !== value) onDone(text.trim());
    setText(null);
  };
  return (
    <label className="mb-1 flex items-center justify-between gap-2">
      <span className="text-muted">{label}</span>
      <input
        className={`field ${wide ? 'w-36' : 'w-24 text-right'} ${why ? 'border-blocker' : ''}`}
        value={text ?? value}
        aria-invalid={!!why}
        title={why ?? hint}
        maxLength={200}
        onFocus={(e) => e.target.select()}
        onChange={(e) => setText(e.target.value)}
        onBlur={done}
        onKeyDown={(e) => {
          // leaving the field takes it, and the keys are the board's again
          if (e.key === 'Enter') e.currentTarget.blur();
          if (e.key === 'Escape') setText(null);
        }}
      />
    </label>
  );
}
