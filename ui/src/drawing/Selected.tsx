import { lengthOf } from '../model/lengths';
import type { HandType, PlanDoc } from '../model/plan';
import { useUnits } from '../model/units';
import { useBoard } from './board';
import { canJoin, nameOf, pointsOf, segmentsOf, type Part } from './edits';
import { distance } from './plane';
import { TextField } from './TextField';
import { deletePart } from './useBoardKeys';
import type { Drawn } from './useDrawing';

const TYPES: [HandType, string][] = [
  ['window', 'window'],
  ['door', 'door'],
  ['glazed-door', 'glazed door'],
];

/** What is selected, with what can be said and done of it. */
export function Selected({ drawn, storey, part }: { drawn: Drawn; storey: string; part: Part }) {
  const units = useUnits();
  const { ref } = part;
  const name = nameOf(drawn.doc, ref);
  const { points } = pointsOf(drawn.doc, ref);
  const side = part.side === undefined ? null : segmentsOf(drawn.doc, ref)[part.side];
  if (!points.length) return null;
  return (
    <fieldset data-testid="selected">
      <legend className="kicker mb-1">
        {part.corner !== undefined
          ? `Corner of the ${name}`
          : side && ref.kind === 'ring'
            ? `Side of the ${name}`
            : name}
      </legend>
      {side && (
        <p className="mb-1 flex justify-between">
          <span className="text-muted">Length</span>
          {units.length.text(distance(side.a, side.b))}
        </p>
      )}
      {ref.kind === 'opening' && <OpeningSizes drawn={drawn} item={ref.item} storey={storey} />}
      {ref.kind === 'block' && <BlockHeight drawn={drawn} item={ref.item} />}
      {ref.kind === 'line' && (
        <label className="mb-1 flex items-center gap-1.5">
          <input
            type="checkbox"
            checked={name !== 'wall'}
            onChange={(e) => {
              const air = e.target.checked;
              drawn.act((d) => [
                withAir(d, ref.floor, ref.line, air),
                `Makes it a ${air ? 'line without a wall' : 'wall'} on ${storey}.`,
              ]);
            }}
          />
          Nothing stands there
        </label>
      )}
      <div className="flex flex-wrap gap-1.5">
        <button className="btn" onClick={() => deletePart(drawn, storey, part)}>
          {canJoin(drawn.doc, part) ? 'Take the corner out' : 'Delete'}
        </button>
        <button className="btn" onClick={() => useBoard.setState({ part: null })}>
          Leave it
        </button>
      </div>
    </fieldset>
  );
}

function withAir(d: PlanDoc, floor: number, line: number, air: boolean): PlanDoc {
  return {
    ...d,
    floors: d.floors.map((f, i) =>
      i === floor
        ? {
            ...f,
            lines: f.lines?.map((l, k) =>
              k === line && !Array.isArray(l) ? { ...l, air: air || undefined } : l,
            ),
          }
        : f,
    ),
  };
}

function OpeningSizes({ drawn, item, storey }: { drawn: Drawn; item: number; storey: string }) {
  const units = useUnits();
  const o = drawn.doc.glazing![item];
  const change = (values: object) =>
    drawn.act((d) => [
      { ...d, glazing: d.glazing?.map((g, i) => (i === item ? { ...g, ...values } : g)) },
      `Changes a ${(o.type ?? 'window').replace('-', ' ')} on ${storey}.`,
    ]);
  const length = (label: string, member: 'width_m' | 'sill_m' | 'head_m', value: number) => (
    <TextField
      key={member}
      label={label}
      value={units.length.text(value)}
      check={(t) => {
        const v = lengthOf(t, units.system);
        if (v === null || v < 0) return 'A length is expected.';
        const now = { width_m: o.width_m!, sill_m: o.sill_m!, head_m: o.head_m!, [member]: v };
        return now.width_m < 0.05
          ? 'It must be 50 mm wide.'
          : now.head_m <= now.sill_m
            ? 'The head must be above the sill.'
            : null;
      }}
      onDone={(t) => change({ [member]: lengthOf(t, units.system) })}
    />
  );
  return (
    <>
      <label className="mb-1 flex items-center justify-between gap-2">
        <span className="text-muted">Kind</span>
        <select
          className="field w-36"
          value={o.type ?? 'window'}
          onChange={(e) => change({ type: e.target.value })}
        >
          {TYPES.map(([v, label]) => (
            <option key={v} value={v}>
              {label}
            </option>
          ))}
        </select>
      </label>
      {length('Width', 'width_m', o.width_m ?? 1)}
      {length('Sill above the floor', 'sill_m', o.sill_m ?? 0)}
      {length('Head above the floor', 'head_m', o.head_m ?? 2.1)}
    </>
  );
}

function BlockHeight({ drawn, item }: { drawn: Drawn; item: number }) {
  const units = useUnits();
  const b = drawn.doc.shading![item].block!;
  return (
    <TextField
      label="Height"
      value={units.length.text(b.height_m)}
      check={(t) => ((lengthOf(t, units.system) ?? 0) >= 0.1 ? null : 'A height is expected.')}
      onDone={(t) =>
        drawn.act((d) => [
          {
            ...d,
            shading: d.shading?.map((s, i) =>
              i === item ? { ...s, block: { ...b, height_m: lengthOf(t, units.system)! } } : s,
            ),
          },
          'Changes the height of a neighbouring block.',
        ])
      }
    />
  );
}
