import { lengthOf } from '../model/lengths';
import { useUnits } from '../model/units';
import { useBoard } from './board';
import type { HandType } from '../model/plan';
import { TextField } from './TextField';

const OPENINGS: [HandType, string, number, number, number][] = [
  ['window', 'window', 1.2, 0.9, 2.1],
  ['door', 'door', 1, 0, 2.1],
  ['glazed-door', 'glazed door', 1.8, 0, 2.2],
];

/** What the tool at hand draws. */
export function ToolFields() {
  const units = useUnits();
  const { tool, air, opening, blockHeight, set } = useBoard();
  const length = (label: string, value: number, done: (v: number) => void, least = 0) => (
    <TextField
      key={label}
      label={label}
      value={units.length.text(value)}
      check={(t) => {
        const v = lengthOf(t, units.system);
        return v !== null && v >= least ? null : 'A length is expected.';
      }}
      onDone={(t) => done(lengthOf(t, units.system)!)}
    />
  );
  if (tool === 'line' || tool === 'rectangle')
    return (
      <fieldset>
        <legend className="kicker mb-1">What is drawn</legend>
        <label className="flex items-center gap-1.5">
          <input type="checkbox" checked={air} onChange={(e) => set({ air: e.target.checked })} />
          Nothing stands there: rooms part without a wall
        </label>
      </fieldset>
    );
  if (tool === 'block')
    return (
      <fieldset>
        <legend className="kicker mb-1">Neighbouring block</legend>
        {length('Height', blockHeight, (v) => set({ blockHeight: v }), 0.1)}
      </fieldset>
    );
  if (tool !== 'opening') return null;
  return (
    <fieldset data-testid="opening-fields">
      <legend className="kicker mb-1">Window or door</legend>
      <label className="mb-1 flex items-center justify-between gap-2">
        <span className="text-muted">Kind</span>
        <select
          className="field w-36"
          value={opening.type}
          onChange={(e) => {
            const [type, , width, sill, head] = OPENINGS.find(([t]) => t === e.target.value)!;
            set({ opening: { type, width, sill, head } });
          }}
        >
          {OPENINGS.map(([v, label]) => (
            <option key={v} value={v}>
              {label}
            </option>
          ))}
        </select>
      </label>
      {length('Width', opening.width, (v) => set({ opening: { ...opening, width: v } }), 0.05)}
      {length('Sill above the floor', opening.sill, (v) =>
        set({ opening: { ...opening, sill: Math.min(v, opening.head - 0.1) } }),
      )}
      {length('Head above the floor', opening.head, (v) =>
        set({ opening: { ...opening, head: Math.max(v, opening.sill + 0.1) } }),
      )}
    </fieldset>
  );
}
