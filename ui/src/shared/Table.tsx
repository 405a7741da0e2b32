import { useEffect, useMemo, useRef, useState } from 'react';
import { useVirtualizer } from '@tanstack/react-virtual';
import { ArrowDown, ArrowUp, Copy, Download } from 'lucide-react';
import { useView } from '../model/state';
import { usePrinting } from '../model/printing';
import { count, counted } from '../model/words';
import { arranged, type Order } from './order';
import { tsv } from './tsv';

export interface Column<T> {
  id: string;
  head: string;
  unit?: string;
  width: number;
  number?: boolean;
  value: (row: T) => string | number | null;
  show?: (row: T) => React.ReactNode;
  /** A longer head for hovering. */
  title?: string;
  /** Stays in sight when the table is moved sideways. */
  sticky?: boolean;
  /** Something in this column needs care. */
  marked?: boolean;
}

const ROW = 26;
/** More rows than this are no table that one prints. */
const PRINTED = 5000;
const NO_FILTERS: Record<string, string> = {};

/** A dense, virtualised table: sortable, filterable by column, linked to the selection, copyable as TSV. */
export function Table<T>({
  name,
  kept = name,
  rows,
  columns,
  keyOf,
  selection,
  onSelect,
  onOpen,
  onKey,
  tools,
  empty = 'Nothing here.',
}: {
  name: string;
  /** What its filters are kept under, when one table shows different things in turn. */
  kept?: string;
  rows: T[];
  columns: Column<T>[];
  keyOf: (row: T) => string;
  selection: ReadonlySet<string>;
  onSelect: (keys: string[], add: boolean) => void;
  onOpen?: (row: T) => void;
  /** Takes a key before the table does. */
  onKey?: (e: React.KeyboardEvent, shown: T[]) => boolean;
  /** Stands in the foot of the table. */
  tools?: React.ReactNode;
  empty?: string;
}) {
  const scroll = useRef<HTMLDivElement>(null);
  const [copied, setCopied] = useState(false);
  const filters = useView((s) => s.filters[kept]) ?? NO_FILTERS;
  const set = useView((s) => s.set);
  const filter = (column: string, text: string) =>
    set({ filters: { ...useView.getState().filters, [kept]: { ...filters, [column]: text } } });
  const [order, setOrder] = useState<Order | null>(null);
  const [anchor, setAnchor] = useState<string | null>(null);
  const shown = useMemo(
    () => arranged(rows, columns, filters, order),
    [rows, columns, filters, order],
  );
  // the virtualizer hands out functions that the compiler's lint cannot follow
  // eslint-disable-next-line react-hooks/incompatible-library
  const virtual = useVirtualizer({
    count: shown.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => ROW,
    overscan: 8,
  });
  const first = useMemo(
    () => (selection.size ? shown.findIndex((r) => selection.has(keyOf(r))) : -1),
    [shown, selection, keyOf],
  );
  const firstKey = first < 0 ? null : keyOf(shown[first]);

  useEffect(() => {
    if (first >= 0) virtual.scrollToIndex(first, { align: 'auto' });
    // follows the selection, not the scroll position
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [firstKey]);

  /** A click selects, with Ctrl adds, with Shift selects all from the last click. */
  function choose(e: React.MouseEvent, at: number) {
    const key = keyOf(shown[at]);
    const from = anchor === null ? -1 : shown.findIndex((r) => keyOf(r) === anchor);
    if (e.shiftKey && from >= 0) {
      onSelect(shown.slice(Math.min(from, at), Math.max(from, at) + 1).map(keyOf), false);
    } else {
      setAnchor(key);
      onSelect([key], e.ctrlKey || e.metaKey);
    }
  }

  function sort(id: string) {
    setOrder(
      order?.column !== id
        ? { column: id, down: false }
        : order.down
          ? null
          : { column: id, down: true },
    );
  }

  const text = () =>
    tsv([
      columns.map((c) => (c.unit ? `${c.head} [${c.unit}]` : c.head)),
      ...shown.map((r) => columns.map((c) => c.value(r))),
    ]);

  async function copy() {
    await navigator.clipboard.writeText(text());
    setCopied(true);
    setTimeout(() => setCopied(false), 1500);
  }

  function save() {
    const a = document.createElement('a');
    a.href = URL.createObjectURL(new Blob([text()], { type: 'text/tab-separated-values' }));
    a.download = `${name}.tsv`;
    a.click();
    URL.revokeObjectURL(a.href);
  }

  function key(e: React.KeyboardEvent) {
    if ((e.target as HTMLElement).tagName === 'INPUT' || onKey?.(e, shown)) return;
    const command = e.ctrlKey || e.metaKey;
    if (command && e.key === 'a') {
      e.preventDefault();
      onSelect(shown.map(keyOf), false);
      return;
    }
    const step = e.key === 'ArrowDown' ? 1 : e.key === 'ArrowUp' ? -1 : 0;
    if (step && shown.length) {
      e.preventDefault();
      const next = first < 0 ? 0 : Math.min(shown.length - 1, Math.max(0, first + step));
      setAnchor(keyOf(shown[next]));
      onSelect([keyOf(shown[next])], false);
    } else if (e.key === 'c' && command && !window.getSelection()?.toString()) {
      void copy();
    }
  }

  const printing = usePrinting((s) => s.on);
  const lines = printing
    ? shown.slice(0, PRINTED).map((_, index) => ({ index, start: index * ROW }))
    : virtual.getVirtualItems();
  const width = columns.reduce((w, c) => w + c.width, 0);
  return (
    <div className="flex min-h-0 min-w-0 flex-1 flex-col" data-testid={`sheet-${name}`}>
      <div
        ref={scroll}
        className="min-h-0 flex-1 overflow-auto outline-none"
        tabIndex={0}
        role="grid"
        aria-rowcount={shown.length + 1}
        aria-multiselectable
        aria-label={name}
        onKeyDown={key}
      >
        <div style={{ minWidth: width }}>
          <div className="sticky top-0 z-10 border-b border-line bg-paper">
            <div className="flex" role="row" aria-rowindex={1}>
              {columns.map((c, i) => {
                const by =
                  order?.column === c.id ? (order.down ? 'descending' : 'ascending') : null;
                return (
                  <div
                    key={c.id}
                    className={`flex min-w-0 flex-col px-1.5 pb-1 ${c.sticky ? 'sticky left-0 z-[2] bg-paper' : ''}`}
                    style={{ width: c.width, flexGrow: c.width }}
                    role="columnheader"
                    aria-sort={by ?? 'none'}
                  >
                    <button
                      className={`flex h-6 items-center gap-1 text-sm font-semibold hover:text-ink ${c.marked ? 'text-error' : 'text-muted'} ${c.number ? 'justify-end' : ''}`}
                      onClick={() => sort(c.id)}
                      title={c.title ?? `Sort by ${c.head.toLowerCase()}`}
                    >
                      <span className="truncate">{c.head}</span>
                      {c.unit && <span className="font-normal">{c.unit}</span>}
                      {by === 'ascending' && <ArrowUp size={11} />}
                      {by === 'descending' && <ArrowDown size={11} />}
                    </button>
                    <input
                      className={`h-6 min-w-0 rounded-sm border border-line/70 bg-panel px-1 text-sm ${c.number ? 'text-right' : ''}`}
                      aria-label={`Filter by ${c.head.toLowerCase()}`}
                      title={c.number ? 'Such as 3, > 2 or 2..5' : undefined}
                      data-filter={i === 0 ? 'first' : undefined}
                      value={filters[c.id] ?? ''}
                      onChange={(e) => filter(c.id, e.target.value)}
                    />
                  </div>
                );
              })}
            </div>
          </div>
          <div
            className="relative"
            style={{ height: printing ? lines.length * ROW : virtual.getTotalSize() }}
          >
            {lines.map((v) => {
              const row = shown[v.index];
              const on = selection.has(keyOf(row));
              return (
                <div
                  key={keyOf(row)}
                  role="row"
                  aria-selected={on}
                  aria-rowindex={v.index + 2}
                  data-key={keyOf(row)}
                  className={`absolute flex w-full cursor-pointer border-b border-line/50 text-sm ${on ? 'bg-kelp-soft' : 'hover:bg-kelp-soft/50'}`}
                  style={{ transform: `translateY(${v.start}px)`, height: ROW }}
                  onClick={(e) => choose(e, v.index)}
                  onMouseDown={(e) => e.shiftKey && e.preventDefault()}
                  onDoubleClick={() => onOpen?.(row)}
                >
                  {columns.map((c) => (
                    <div
                      key={c.id}
                      role="gridcell"
                      className={`truncate px-1.5 leading-[25px] ${c.number ? 'text-right' : ''} ${c.sticky ? `sticky left-0 z-[1] ${on ? 'bg-kelp-soft' : 'bg-panel'}` : ''}`}
                      style={{ width: c.width, flexGrow: c.width }}
                    >
                      {c.show ? c.show(row) : (c.value(row) ?? '–')}
                    </div>
                  ))}
                </div>
              );
            })}
          </div>
          {!shown.length && (
            <p className="px-3 py-4 text-muted">
              {rows.length ? 'Nothing fits the filters.' : empty}
            </p>
          )}
        </div>
      </div>
      <div className="flex h-[26px] shrink-0 items-center gap-1 border-t border-line bg-paper px-2 text-sm text-muted">
        <span>
          {shown.length === rows.length
            ? count(rows.length, 'row')
            : `${counted(shown.length)} of ${counted(rows.length)} rows`}
          {selection.size > 1 && `, ${selection.size} selected`}
        </span>
        {tools}
        <button
          className="btn-quiet ml-auto !h-6"
          onClick={() => void copy()}
          title="Copy the rows as a table (Ctrl C)"
        >
          <Copy size={12} /> {copied ? 'Copied' : 'Copy'}
        </button>
        <button className="btn-quiet !h-6" onClick={save} title="Save the rows as a TSV file">
          <Download size={12} /> Save
        </button>
      </div>
    </div>
  );
}
