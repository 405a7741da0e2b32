import type { ValueTable } from '../model/api';
import { shownValue } from './values';

export type Cell = ValueTable['rows'][number]['cells'][number];

/** A value of the grid: shown, or typed in place. */
export function ValueCell({
  cell,
  active,
  editing,
  fixed,
  onActivate,
  onEdit,
  onDone,
}: {
  cell: Cell | undefined;
  active: boolean;
  editing: string | null;
  fixed: boolean;
  onActivate: (edit: boolean) => void;
  onEdit: (text: string) => void;
  onDone: (text: string | null) => void;
}) {
  if (editing !== null)
    return (
      <input
        autoFocus
        className="h-6 w-full rounded-sm border border-kelp bg-panel px-1"
        aria-label="Value"
        value={editing}
        onClick={(e) => e.stopPropagation()}
        onChange={(e) => onEdit(e.target.value)}
        onBlur={() => onDone(editing)}
        onKeyDown={(e) => {
          e.stopPropagation();
          if (e.key === 'Enter') onDone(editing);
          if (e.key === 'Escape') onDone(null);
        }}
      />
    );
  const bad = !!cell?.reason;
  const text = cell?.missing ? 'missing' : shownValue(cell?.text ?? '');
  return (
    <span
      className={`block h-full truncate ${active ? 'outline-2 -outline-offset-2 outline-kelp' : ''} ${bad ? 'font-semibold text-error' : cell?.inherited ? 'text-muted' : ''}`}
      title={
        cell?.reason ||
        (cell?.edited
          ? 'Set by hand; see the repair log'
          : cell?.inherited
            ? 'From the type'
            : undefined)
      }
      onClick={() => onActivate(false)}
      onDoubleClick={(e) => {
        e.stopPropagation();
        onActivate(true);
      }}
    >
      {bad && <span aria-hidden>▲ </span>}
      {text || (fixed ? '' : '–')}
      {cell?.edited && <sup className="text-kelp"> set</sup>}
    </span>
  );
}
