import type { Model } from '../model/api';
import type { PartBy } from '../model/handoverCalls';
import { count } from '../model/words';
import { zonesOf, type Wish } from './useWish';

const WAYS: [PartBy, string][] = [
  ['ALL', 'All spaces'],
  ['SPACES', 'What is selected'],
  ['STOREYS', 'Storeys'],
  ['ZONES', 'Zones'],
  ['NAMES', 'Spaces by name'],
];

/** Which spaces go out, and what becomes of the walls to the others. */
export function PartChoice({ model, wish }: { model: Model; wish: Wish }) {
  const rows: [string, string, number][] =
    wish.by === 'STOREYS'
      ? model.storeys.map((s) => [s.key, s.name || s.key, s.spaces])
      : wish.by === 'ZONES'
        ? zonesOf(model.spaces).map(([z, n]) => [z, z, n])
        : [];
  return (
    <fieldset data-testid="part">
      <legend className="kicker">Which part</legend>
      <select
        className="field w-full"
        aria-label="Which part"
        value={wish.by}
        onChange={(e) => wish.setBy(e.target.value as PartBy)}
      >
        {WAYS.map(([by, label]) => (
          <option key={by} value={by}>
            {label}
            {by === 'ALL' ? ` (${model.spaces.length})` : ''}
          </option>
        ))}
      </select>
      {wish.by === 'SPACES' && (
        <p className={`mt-1 ${wish.selected.length ? '' : 'text-muted'}`}>
          {wish.selected.length
            ? `${count(wish.selected.length, 'space')} selected.`
            : 'Nothing is selected. Click spaces or walls on the model.'}
        </p>
      )}
      {rows.length > 0 && (
        <ul className="mt-1 max-h-36 overflow-y-auto rounded-sm border border-line/60 px-2 py-1">
          {rows.map(([key, label, n]) => (
            <li key={key}>
              <label className="flex items-center gap-2 leading-[24px]">
                <input
                  type="checkbox"
                  checked={wish.chosen.includes(key)}
                  onChange={() =>
                    wish.choose(
                      wish.chosen.includes(key)
                        ? wish.chosen.filter((k) => k !== key)
                        : [...wish.chosen, key],
                    )
                  }
                />
                <span className="min-w-0 flex-1 truncate">{label}</span>
                <span className="text-muted">{count(n, 'space')}</span>
              </label>
            </li>
          ))}
        </ul>
      )}
      {wish.by === 'ZONES' && rows.length === 0 && (
        <p className="mt-1 text-muted">No space is in a zone yet.</p>
      )}
      {wish.by === 'NAMES' && (
        <input
          className="field mt-1 w-full"
          aria-label="Names of spaces"
          placeholder="Crew room, Store*"
          title="Names or ids, between commas; * stands for any characters"
          value={wish.names}
          onChange={(e) => wish.setNames(e.target.value)}
        />
      )}
      {wish.by !== 'ALL' && (
        <div className="mt-1.5" role="radiogroup" aria-label="Walls to the others">
          {(
            [
              ['ADIABATIC', 'Walls to the others let no heat through'],
              ['KEEP', 'Walls keep their neighbours, without their rooms'],
            ] as const
          ).map(([edge, label]) => (
            <label key={edge} className="flex items-center gap-2 leading-[24px]">
              <input
                type="radio"
                name="edge"
                checked={wish.edge === edge}
                onChange={() => wish.setEdge(edge)}
              />
              {label}
            </label>
          ))}
        </div>
      )}
    </fieldset>
  );
}
