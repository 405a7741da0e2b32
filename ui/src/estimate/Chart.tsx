import { useEffect, useRef, useState } from 'react';
import { Table2 } from 'lucide-react';
import { init, type ChartOption, type Drawn } from './charts';
import { SHEET } from '../model/colours';
import { csv, save, type Numbers } from './csv';

const fileName = (title: string) => title.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-');

/** The drawn picture on the page's own background, as SVG text. */
function svgOf(at: HTMLElement): string {
  const svg = at.querySelector('svg')!.cloneNode(true) as SVGElement;
  svg.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  return new XMLSerializer().serializeToString(svg);
}

/** The same as PNG, twice as fine as the screen. */
function png(at: HTMLElement, done: (picture: Blob) => void) {
  const box = at.getBoundingClientRect();
  const image = new Image();
  image.onload = () => {
    const canvas = document.createElement('canvas');
    canvas.width = 2 * box.width;
    canvas.height = 2 * box.height;
    const c = canvas.getContext('2d')!;
    c.fillStyle = SHEET;
    c.fillRect(0, 0, canvas.width, canvas.height);
    c.drawImage(image, 0, 0, canvas.width, canvas.height);
    canvas.toBlob((b) => b && done(b));
  };
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svgOf(at))}`;
}

/** A chart with its numbers as a table, its picture, and a file of its numbers. */
export function Chart({
  title,
  says,
  option,
  numbers,
  height = 220,
  wide = false,
  tools,
}: {
  title: string;
  /** The one thing that the eye should find. */
  says?: string;
  option: ChartOption;
  numbers: Numbers;
  height?: number;
  wide?: boolean;
  tools?: React.ReactNode;
}) {
  const at = useRef<HTMLDivElement>(null);
  const drawn = useRef<Drawn | null>(null);
  const [table, setTable] = useState(false);
  useEffect(() => {
    if (table || !at.current) return;
    const chart = init(at.current, null, { renderer: 'svg' });
    drawn.current = chart;
    const watch = new ResizeObserver(() => chart.resize());
    watch.observe(at.current);
    return () => {
      watch.disconnect();
      chart.dispose();
      drawn.current = null;
    };
  }, [table]);
  useEffect(() => {
    drawn.current?.setOption(option, true);
  }, [option, table]);
  const name = fileName(title);
  return (
    <figure className={`min-w-0 ${wide ? 'col-span-full' : ''}`} data-testid="chart">
      <figcaption className="flex min-h-[26px] flex-wrap items-baseline gap-x-2">
        <span className="font-semibold">{title}</span>
        {says && <span className="text-sm text-muted">{says}</span>}
        <span className="ml-auto flex items-center gap-0.5">
          {tools}
          <button
            className="btn-quiet !h-[24px] !px-1"
            aria-pressed={table}
            title={table ? 'Show the picture' : 'Show the numbers'}
            onClick={() => setTable(!table)}
          >
            <Table2 size={13} />
            <span className="sr-only">Numbers of {title}</span>
          </button>
          {!table && (
            <>
              <button
                className="btn-quiet !h-[24px] !px-1 text-sm"
                title="Save the picture as SVG"
                onClick={() => save(`${name}.svg`, svgOf(at.current!), 'image/svg+xml')}
              >
                SVG
              </button>
              <button
                className="btn-quiet !h-[24px] !px-1 text-sm"
                title="Save the picture as PNG"
                onClick={() => png(at.current!, (b) => save(`${name}.png`, b, 'image/png'))}
              >
                PNG
              </button>
            </>
          )}
          <button
            className="btn-quiet !h-[24px] !px-1 text-sm"
            title="Save the numbers as CSV"
            onClick={() => save(`${name}.csv`, csv(numbers), 'text/csv')}
          >
            CSV
          </button>
        </span>
      </figcaption>
      {table ? (
        <div
          key="numbers"
          className="overflow-auto border border-line"
          style={{ maxHeight: height }}
        >
          <table className="w-full text-sm">
            <thead>
              <tr>
                {numbers.columns.map((c) => (
                  <th key={c} className="sticky top-0 bg-paper px-1.5 text-left font-semibold">
                    {c}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {numbers.rows.map((r, i) => (
                <tr key={i} className="border-t border-line/60">
                  {r.map((v, k) => (
                    <td key={k} className={`px-1.5 ${typeof v === 'number' ? 'text-right' : ''}`}>
                      {typeof v === 'number' ? Number(v.toPrecision(4)) : v}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      ) : (
        // not the same element as the table: the picture is wiped out of it when it goes
        <div key="picture" ref={at} style={{ height }} role="img" aria-label={title} />
      )}
    </figure>
  );
}
