import { useState } from 'react';
import { count } from '../model/words';
import type { ValueColumn } from './useValueGrid';

/** One value for all selected rows. */
export function ForSelected({
  column,
  n,
  busy,
  onSet,
  children,
}: {
  column: ValueColumn;
  n: number;
  busy: boolean;
  onSet: (text: string) => void;
  children: React.ReactNode;
}) {
  const [text, setText] = useState('');
  return (
    <form
      className="flex min-w-0 flex-1 items-center gap-1.5"
      onSubmit={(e) => {
        e.preventDefault();
        if (n && text.trim()) onSet(text);
      }}
    >
      <span
        className="min-w-0 flex-1 truncate text-right"
        title={`${column.set}.${column.property}, ${column.type}`}
      >
        <span className="text-muted">{column.set}.</span>
        <b>{column.property}</b>
      </span>
      <input
        className="field w-28"
        placeholder={column.unit ? `in ${column.unit}` : 'value'}
        aria-label="Value for all selected"
        data-testid="value-for-all"
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      <button
        className="btn btn-main"
        type="submit"
        disabled={busy || !n || !text.trim()}
        title="For all selected rows"
      >
        Set for {count(n, 'row')}
      </button>
      {children}
    </form>
  );
}
