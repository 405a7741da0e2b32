import { useState } from 'react';
import { degreesOf, lengthOf } from '../model/lengths';
import { useUnits } from '../model/units';
import { useBoard } from './board';
import { direction, distance } from './plane';
import type { Tracing } from './useTracing';
import { hint } from './words';

/** What to do next, and the lengths of what is being drawn, to be read or typed. */
export function MeasureBar({ tracing, drawn }: { tracing: Tracing; drawn: boolean }) {
  const tool = useBoard((s) => s.tool);
  const { points, spot } = tracing;
  const from = points.at(-1);
  const box = tool === 'rectangle';
  const asked =
    tool === 'scale' ? points.length === 2 : !!from && tool !== 'align' && tool !== 'level';
  return (
    <div className="flex h-[34px] shrink-0 items-center gap-3 border-t border-line bg-panel px-2 text-sm">
      <span
        className="min-w-0 flex-1 truncate text-muted"
        role="status"
        title={hint(tool, points.length, drawn)}
      >
        {hint(tool, points.length, drawn)}
      </span>
      {asked && (
        <Typed
          // what was typed for one side is not the next one's
          key={`${tool} ${points.length}`}
          labels={
            tool === 'scale' ? ['Length', null] : box ? ['Width', 'Depth'] : ['Length', 'Direction']
          }
          shown={
            tool === 'scale'
              ? [distance(points[0], points[1]), null]
              : from && spot
                ? box
                  ? [Math.abs(spot.at[0] - from[0]), Math.abs(spot.at[1] - from[1])]
                  : [distance(from, spot.at), direction(from, spot.at)]
                : [null, null]
          }
          lengths={box}
          onTyped={(a, b) =>
            tool === 'scale'
              ? a !== null && tracing.scale(a)
              : box
                ? tracing.corner(a, b)
                : tracing.place(a, b)
          }
        />
      )}
      {points.length > 1 && (tool === 'outline' || tool === 'line' || tool === 'block') && (
        <button className="btn" onClick={tracing.finish}>
          {tool === 'line' ? 'End here' : 'Close it'}
        </button>
      )}
    </div>
  );
}

function Typed({
  labels,
  shown,
  lengths,
  onTyped,
}: {
  labels: [string, string | null];
  shown: [number | null, number | null];
  /** The second is a length, too. */
  lengths: boolean;
  onTyped: (a: number | null, b: number | null) => void;
}) {
  const units = useUnits();
  const [text, setText] = useState<[string, string]>(['', '']);
  const a = text[0] ? lengthOf(text[0], units.system) : null;
  const b = text[1] ? (lengths ? lengthOf(text[1], units.system) : degreesOf(text[1])) : null;
  const wrong = [!!text[0] && !(a && a > 0), !!text[1] && (lengths ? !(b && b > 0) : b === null)];
  const figure = (v: number | null, second: boolean) =>
    v === null ? '' : second && !lengths ? `${v.toFixed(1)}°` : units.length.text(v);
  return (
    <form
      className="flex items-center gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (!wrong[0] && !wrong[1] && (text[0] || text[1])) onTyped(a, b);
      }}
    >
      {labels.map(
        (label, i) =>
          label && (
            <label key={label} className="flex items-center gap-1">
              <span className="text-muted">{label}</span>
              <input
                className={`field w-24 text-right ${wrong[i] ? 'border-blocker' : ''}`}
                data-typed={i}
                value={text[i]}
                placeholder={figure(shown[i], i === 1)}
                aria-invalid={wrong[i]}
                title={
                  i === 1 && !lengths
                    ? 'Degrees counter-clockwise from x'
                    : 'For example 6.25, 6250 mm or 20 ft 6 in; Enter takes it'
                }
                onChange={(e) =>
                  setText(i === 0 ? [e.target.value, text[1]] : [text[0], e.target.value])
                }
              />
            </label>
          ),
      )}
      <button className="sr-only" type="submit">
        Take it
      </button>
    </form>
  );
}
