import { useEffect, useMemo, useRef, useState } from 'react';
import {
  columnFilteringFeature,
  createColumnHelper,
  createFilteredRowModel,
  createSortedRowModel,
  filterFn_includesString,
  rowSortingFeature,
  sortFn_alphanumeric,
  sortFn_basic,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { ArrowDown, ArrowUp, Copy, Download } from 'lucide-react';

export interface Column<T> {
  id: string;
  head: string;
  unit?: string;
  width: number;
  number?: boolean;
  value: (row: T) => string | number | null;
  show?: (row: T) => React.ReactNode;
}

const features = tableFeatures({
  rowSortingFeature,
  columnFilteringFeature,
  sortedRowModel: createSortedRowModel(),
  filteredRowModel: createFilteredRowModel(),
  sortFns: { basic: sortFn_basic, alphanumeric: sortFn_alphanumeric },
  filterFns: { includesString: filterFn_includesString },
});

const ROW = 26;

/** A dense, virtualised table: sortable, filterable by column, linked to the selection, copyable as TSV. */
export function Table<T>({
  name,
  rows,
  columns,
  keyOf,
  selected,
  onSelect,
  onOpen,
}: {
  name: string;
  rows: T[];
  columns: Column<T>[];
  keyOf: (row: T) => string;
  selected: (row: T) => boolean;
  onSelect: (row: T, add: boolean) => void;
  onOpen?: (row: T) => void;
}) {
  const scroll = useRef<HTMLDivElement>(null);
  const [copied, setCopied] = useState(false);
  const defs = useMemo(() => {
    const helper = createColumnHelper<typeof features, { row: T }>();
    return helper.columns(
      columns.map((c) =>
        helper.accessor((r) => c.value(r.row), {
          id: c.id,
          header: c.head,
          sortFn: c.number ? 'basic' : 'alphanumeric',
          filterFn: 'includesString',
        }),
      ),
    );
  }, [columns]);
  const data = useMemo(() => rows.map((row) => ({ row })), [rows]);
  const table = useTable({ features, columns: defs, data });
  const shown = table.getRowModel().rows;
  // the virtualizer hands out functions that the compiler's lint cannot follow
  // eslint-disable-next-line react-hooks/incompatible-library
  const virtual = useVirtualizer({
    count: shown.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => ROW,
    overscan: 8,
  });
  const first = shown.findIndex((r) => selected(r.original.row));
  const firstKey = first < 0 ? null : keyOf(shown[first].original.row);

  useEffect(() => {
    if (first >= 0) virtual.scrollToIndex(first, { align: 'auto' });
    // follows the selection, not the scroll position
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [firstKey]);

  const tsv = () =>
    [
      columns.map((c) => (c.unit ? `${c.head} [${c.unit}]` : c.head)).join('\t'),
      ...shown.map((r) =>
        columns
          .map((c) => String(c.value(r.original.row) ?? '').replace(/[\t\n]/g, ' '))
          .join('\t'),
      ),
    ].join('\n');

  async function copy() {
    await navigator.clipboard.writeText(tsv());
    setCopied(true);
    setTimeout(() => setCopied(false), 1500);
  }

  function save() {
    const a = document.createElement('a');
    a.href = URL.createObjectURL(new Blob([tsv()], { type: 'text/tab-separated-values' }));
    a.download = `${name}.tsv`;
    a.click();
    URL.revokeObjectURL(a.href);
  }

  function key(e: React.KeyboardEvent) {
    const step = e.key === 'ArrowDown' ? 1 : e.key === 'ArrowUp' ? -1 : 0;
    if (step && shown.length) {
      e.preventDefault();
      const next = first < 0 ? 0 : Math.min(shown.length - 1, Math.max(0, first + step));
      onSelect(shown[next].original.row, false);
    } else if (e.key === 'c' && (e.ctrlKey || e.metaKey) && !window.getSelection()?.toString()) {
      void copy();
    }
  }

  const width = columns.reduce((w, c) => w + c.width, 0);
  return (
    <div className="flex min-h-0 flex-1 flex-col" data-testid={`sheet-${name}`}>
      <div
        ref={scroll}
        className="min-h-0 flex-1 overflow-auto outline-none"
        tabIndex={0}
        role="grid"
        aria-rowcount={shown.length}
        aria-label={name}
        onKeyDown={key}
      >
        <div style={{ minWidth: width }}>
          <div className="sticky top-0 z-10 border-b border-line bg-paper">
            {table.getHeaderGroups().map((g) => (
              <div key={g.id} className="flex" role="row">
                {g.headers.map((h, i) => {
                  const c = columns[i];
                  const sorted = h.column.getIsSorted();
                  return (
                    <div
                      key={h.id}
                      className="flex min-w-0 flex-col px-1.5 pt-0.5 pb-1"
                      style={{ width: c.width, flexGrow: c.width }}
                      role="columnheader"
                      aria-sort={
                        sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'
                      }
                    >
                      <button
                        className={`flex items-center gap-1 text-sm font-semibold text-muted hover:text-ink ${c.number ? 'justify-end' : ''}`}
                        onClick={h.column.getToggleSortingHandler()}
                        title={`Sort by ${c.head.toLowerCase()}`}
                      >
                        <span className="truncate">{c.head}</span>
                        {c.unit && <span className="font-normal">{c.unit}</span>}
                        {sorted === 'asc' && <ArrowUp size={11} />}
                        {sorted === 'desc' && <ArrowDown size={11} />}
                      </button>
                      <input
                        className={`h-[18px] min-w-0 rounded-sm border border-line/70 bg-panel px-1 text-[11px] ${c.number ? 'text-right' : ''}`}
                        aria-label={`Filter by ${c.head.toLowerCase()}`}
                        data-filter={i === 0 ? 'first' : undefined}
                        value={(h.column.getFilterValue() as string | undefined) ?? ''}
                        onChange={(e) => h.column.setFilterValue(e.target.value || undefined)}
                      />
                    </div>
                  );
                })}
              </div>
            ))}
          </div>
          <div className="relative" style={{ height: virtual.getTotalSize() }}>
            {virtual.getVirtualItems().map((v) => {
              const row = shown[v.index].original.row;
              const on = selected(row);
              return (
                <div
                  key={keyOf(row)}
                  role="row"
                  aria-selected={on}
                  data-key={keyOf(row)}
                  className={`absolute flex w-full cursor-pointer border-b border-line/50 text-sm ${on ? 'bg-kelp-soft' : 'hover:bg-kelp-soft/50'}`}
                  style={{ transform: `translateY(${v.start}px)`, height: ROW }}
                  onClick={(e) => onSelect(row, e.ctrlKey || e.metaKey || e.shiftKey)}
                  onDoubleClick={() => onOpen?.(row)}
                >
                  {columns.map((c) => (
                    <div
                      key={c.id}
                      role="gridcell"
                      className={`truncate px-1.5 leading-[25px] ${c.number ? 'text-right' : ''}`}
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
              {rows.length ? 'Nothing fits the filters.' : 'Nothing here.'}
            </p>
          )}
        </div>
      </div>
      <div className="flex h-[26px] shrink-0 items-center gap-1 border-t border-line bg-paper px-2 text-sm text-muted">
        <span>
          {shown.length === rows.length
            ? `${rows.length} rows`
            : `${shown.length} of ${rows.length} rows`}
        </span>
        <button
          className="btn-quiet ml-auto !h-[22px]"
          onClick={() => void copy()}
          title="Copy the rows as a table (Ctrl C)"
        >
          <Copy size={12} /> {copied ? 'Copied' : 'Copy'}
        </button>
        <button className="btn-quiet !h-[22px]" onClick={save} title="Save the rows as a TSV file">
          <Download size={12} /> Save
        </button>
      </div>
    </div>
  );
}
