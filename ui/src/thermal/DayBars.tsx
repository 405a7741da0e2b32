import { useRef, useState } from 'react';

import { fromShown, scale, toShown } from './schedules';
import { figures, useUnits } from '../model/units';

const HEIGHT = 96;

/**
 * A day as bars. Dragging over them sets their values; with the keyboard, left and right choose the
 * hour, up and down change it.
 */
export function DayBars({
  type,
  values,
  label,
  onChange,
}: {
  type: string;
  values: number[];
  label: string;
  onChange: (values: number[]) => void;
}) {
  const units = useUnits();
  const box = useRef<HTMLDivElement>(null);
  const last = useRef<number | null>(null);
  const [at, setAt] = useState(0);
  const [fixed, setFixed] = useState<ReturnType<typeof scale> | null>(null);
  const { from, to, step } = fixed ?? scale(units, type, values);
  const n = values.length;
  const share = (v: number) => (to > from ? (toShown(units, type, v) - from) / (to - from) : 0);
  const time = (i: number) => {
    const minutes = (i * 1440) / n;
    return `${Math.floor(minutes / 60)}:${String(Math.round(minutes % 60)).padStart(2, '0')}`;
  };

  function rounded(shown: number) {
    const v = fromShown(units, type, Math.min(to, Math.max(from, Math.round(shown / step) * step)));
    return Number(v.toFixed(6));
  }

  function drag(e: React.PointerEvent) {
    const r = box.current!.getBoundingClientRect();
    const i = Math.min(n - 1, Math.max(0, Math.floor(((e.clientX - r.left) / r.width) * n)));
    const shown = from + (1 - (e.clientY - r.top) / r.height) * (to - from);
    const next = [...values];
    // a quick drag jumps over hours: those between get the same value
    const before = last.current ?? i;
    for (let k = Math.min(i, before); k <= Math.max(i, before); k++) next[k] = rounded(shown);
    last.current = i;
    setAt(i);
    onChange(next);
  }

  function key(e: React.KeyboardEvent) {
    const by = e.shiftKey ? 5 : 1;
    const move = { ArrowLeft: -1, ArrowRight: 1 }[e.key];
    const grow = { ArrowUp: by, ArrowDown: -by }[e.key];
    if (move) setAt(Math.min(n - 1, Math.max(0, at + move)));
    else if (grow) {
      const next = [...values];
      next[at] = rounded(toShown(units, type, values[at]) + grow * step);
      onChange(next);
    } else return;
    e.preventDefault();
    e.stopPropagation();
  }

  return (
    <div>
      <div className="flex">
        <div
          className="flex w-8 shrink-0 flex-col justify-between pr-1 text-right text-[10px] leading-none text-muted"
          style={{ height: HEIGHT }}
          aria-hidden
        >
          <span>{figures(to)}</span>
          <span>{figures(from)}</span>
        </div>
        <div
          ref={box}
          role="slider"
          tabIndex={0}
          aria-label={label}
          aria-valuemin={from}
          aria-valuemax={to}
          aria-valuenow={toShown(units, type, values[at] ?? 0)}
          aria-valuetext={`${time(at)}: ${figures(toShown(units, type, values[at] ?? 0))}`}
          data-testid="day-bars"
          className="relative flex flex-1 cursor-row-resize touch-none items-end border-b border-l border-line bg-paper/60 select-none"
          style={{ height: HEIGHT }}
          onPointerDown={(e) => {
            e.currentTarget.setPointerCapture(e.pointerId);
            setFixed(scale(units, type, values));
            last.current = null;
            drag(e);
          }}
          onPointerMove={(e) => e.buttons === 1 && drag(e)}
          onPointerUp={() => {
            last.current = null;
            setFixed(null);
          }}
          onKeyDown={key}
        >
          {values.map((v, i) => (
            <div
              key={i}
              className={`h-full flex-1 border-r border-line/50 ${i === at ? 'bg-kelp-soft' : ''}`}
              title={`${time(i)} to ${time(i + 1)}: ${figures(toShown(units, type, v))}`}
            >
              <div
                className="mx-px bg-kelp/75"
                style={{
                  height: `${100 * share(v)}%`,
                  marginTop: `${(1 - share(v)) * HEIGHT}px`,
                }}
              />
            </div>
          ))}
        </div>
      </div>
      <div className="flex justify-between pl-8 text-[10px] text-muted" aria-hidden>
        {[0, 6, 12, 18, 24].map((h) => (
          <span key={h}>{h}</span>
        ))}
      </div>
      <p className="text-sm text-muted">
        {time(at)} to {time(at + 1)}:{' '}
        <b className="text-ink tabular-nums">{figures(toShown(units, type, values[at] ?? 0))}</b>
      </p>
    </div>
  );
}
