import { useState } from 'react';
import { lengthOf } from '../model/lengths';
import { canLoseStorey, fromBelow, withHeight, withoutTopStorey } from '../model/plan';
import { useUnits } from '../model/units';
import { useBoard } from './board';
import { copyOf, floorsOn } from './edits';
import { banded, copiedUp, differing, renamedStorey } from './storeys';
import { TextField } from './TextField';
import type { Drawn } from './useDrawing';

const MOST = 100;

/** The storey that is drawn on: name, height, and its plan on storeys above it. */
export function StoreyFields({ drawn, storey }: { drawn: Drawn; storey: string }) {
  const units = useUnits();
  const [times, setTimes] = useState('1');
  const s = drawn.doc.storeys.find((x) => x.name === storey)!;
  const band =
    floorsOn(drawn.doc, storey)
      .map((i) => drawn.doc.floors[i].bands?.depth_m)
      .find((d) => d) ?? 0;
  const copy = copyOf(drawn.doc, storey);
  const others = floorsOn(drawn.doc, storey)
    .flatMap((i) => [drawn.doc.floors[i].storey, ...(drawn.doc.floors[i].copies ?? [])])
    .filter((n) => n !== storey);
  const n = /^\d+$/.test(times.trim()) ? Number(times) : 0;
  const top = fromBelow(drawn.doc).at(-1)!.name === storey;
  const right = n >= 1 && n <= MOST;
  return (
    <fieldset data-testid="storey-fields">
      <legend className="kicker mb-1">Storey</legend>
      <TextField
        label="Name"
        value={storey}
        wide
        check={(t) =>
          !t
            ? 'A storey needs a name.'
            : t !== storey && drawn.doc.storeys.some((x) => x.name === t)
              ? 'Another storey has this name.'
              : null
        }
        onDone={(t) => {
          drawn.act((d) => [renamedStorey(d, storey, t), `Calls ${storey} ${t}.`]);
          useBoard.setState({ storey: t });
        }}
      />
      <TextField
        label="Height"
        value={units.length.text(s.height_m)}
        check={(t) => {
          const v = lengthOf(t, units.system);
          return v && v >= 0.5 && v <= 100 ? null : 'A height from 0.5 to 100 m is expected.';
        }}
        onDone={(t) => {
          const v = lengthOf(t, units.system)!;
          drawn.act((d) => [
            withHeight(d, storey, v),
            `Makes ${storey} ${units.length.text(v)} high.`,
          ]);
        }}
      />
      {floorsOn(drawn.doc, storey).length > 0 && (
        <TextField
          label="Perimeter band"
          hint="Depth of the rooms along the outer walls; 0 for none."
          value={units.length.text(band)}
          check={(t) => {
            const v = lengthOf(t, units.system);
            return v === 0 || (v && v >= 0.2 && v <= 1000)
              ? null
              : 'A depth of at least 0.2 m is expected, or 0 for none.';
          }}
          onDone={(t) => {
            const v = lengthOf(t, units.system)!;
            drawn.act((d) => [
              banded(d, storey, v),
              v
                ? `Cuts a band of ${units.length.text(v)} along the outer walls of ${storey}.`
                : `Takes the band away from ${storey}.`,
            ]);
          }}
        />
      )}
      {copy ? (
        <p className="mb-1 text-sm text-muted">
          Has the plan of {copy}; what is drawn here is drawn there.{' '}
          <button
            className="btn mt-1"
            onClick={() =>
              drawn.act((d) => [differing(d, storey), `Lets ${storey} differ from ${copy}.`])
            }
          >
            Let it differ
          </button>
        </p>
      ) : (
        others.length > 0 && (
          <p className="mb-1 text-sm text-muted">Also the plan of {others.join(', ')}.</p>
        )
      )}
      {floorsOn(drawn.doc, storey).length > 0 && (
        <form
          className="flex items-center gap-1.5"
          onSubmit={(e) => {
            e.preventDefault();
            if (right)
              drawn.act((d) => [
                copiedUp(d, storey, n),
                `Copies ${storey} up ${n === 1 ? 'once' : `${n} times`}.`,
              ]);
          }}
        >
          <button className="btn" disabled={!right} data-testid="copy-up">
            Copy up
          </button>
          <input
            className={`field w-12 text-right ${right ? '' : 'border-blocker'}`}
            aria-label="How many times"
            aria-invalid={!right}
            inputMode="numeric"
            value={times}
            onChange={(e) => setTimes(e.target.value)}
          />
          <span className="text-muted">{n === 1 ? 'time' : 'times'}</span>
          {top && canLoseStorey(drawn.doc) && (
            <button
              type="button"
              className="btn ml-auto"
              onClick={() => drawn.act((d) => [withoutTopStorey(d), `Takes ${storey} away.`])}
            >
              Take it away
            </button>
          )}
        </form>
      )}
    </fieldset>
  );
}
