import { useState } from 'react';
import { api, type Conditions, type LibraryAnswer, type ZoneBy } from '../model/api';
import type { ModelIndex } from '../model/model';
import { several } from '../shared/several';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { count } from '../model/words';
import { RoomDataSheet } from './RoomDataSheet';
import { Zone } from './Zone';

/** For everything: uses by name, zones by proposal, set-points by zone. */
export function UsesOfAll({
  index,
  conditions,
  library,
  edits,
}: {
  index: ModelIndex;
  conditions: Conditions;
  library: LibraryAnswer | undefined;
  edits: Edits;
}) {
  const set = useView((s) => s.set);
  const spaces = index.model.spaces;
  const [by, setBy] = useState<ZoneBy[]>(['USE']);
  const [again, setAgain] = useState(false);
  const asked = spaces.filter((s) => again || !s.use);
  const said = new Map<string, string[]>();
  for (const s of asked) {
    const use = conditions.byName[s.key];
    if (use && use !== s.use) said.set(use, [...(said.get(use) ?? []), s.key]);
  }
  const unknown = asked.filter((s) => !conditions.byName[s.key]);

  const bare = spaces.filter((s) => conditions.missing[s.key]);

  async function propose() {
    try {
      const { repair } = await api.proposeZones(index.model.delivery.id, by, []);
      edits.consider(repair, 'Propose zones');
    } catch (e) {
      set({ message: { text: e instanceof Error ? e.message : String(e), bad: true } });
    }
  }

  return (
    <>
      <h2 className="kicker">Uses by name</h2>
      <p>
        {said.size
          ? `${count([...said.values()].flat().length, 'space')} ${said.size === 1 && [...said.values()][0].length === 1 ? 'says' : 'say'} by the name what the use is.`
          : asked.length
            ? 'No name says a use that is not given yet.'
            : 'Every space has a use.'}
      </p>
      {unknown.length > 0 && (
        <p className="text-sm text-muted" data-testid="unknown-uses">
          Not recognised: {unknown.map((s) => s.name).join(', ')}. A sheet with the columns Use and
          Words in names, brought in under{' '}
          <button
            className="text-kelp underline decoration-kelp/40 underline-offset-2"
            onClick={() => set({ thermalTab: 'library' })}
          >
            Library
          </button>
          , says what they stand for.
        </p>
      )}
      <div className="mt-1 flex items-center gap-2">
        <button
          className="btn"
          disabled={!said.size}
          data-testid="uses-by-name"
          title={[...said].map(([u, k]) => `${u}: ${k.length}`).join('\n')}
          onClick={() =>
            edits.consider(
              several(
                'Gives spaces the use that their names say',
                [...said].map(([use, keys]) => ({
                  kind: 'GiveUse' as const,
                  spaces: keys,
                  use,
                  gains: conditions.typical[use].gains,
                  times: conditions.typical[use].times,
                })),
              ),
              'Give the uses that names say',
            )
          }
        >
          Give them
        </button>
        <label className="flex items-center gap-1.5">
          <input
            type="checkbox"
            className="accent-kelp"
            checked={again}
            onChange={(e) => setAgain(e.target.checked)}
          />
          also where one is given
        </label>
      </div>
      {bare.length > 0 && (
        <button
          className="btn mt-1.5 self-start"
          data-testid="typical-values"
          title="People, light, equipment and schedules typical of its use, where nothing is said of them"
          onClick={() =>
            edits.consider(
              several(
                'Gives spaces what is typical of their use',
                bare.map((s) => ({
                  kind: 'GiveUse' as const,
                  spaces: [s.key],
                  gains: conditions.missing[s.key].gains ?? undefined,
                  times: conditions.missing[s.key].times ?? undefined,
                })),
              ),
              'Give what is typical of the use',
            )
          }
        >
          Typical values for {count(bare.length, 'space')} without
        </button>
      )}
      <h2 className="kicker mt-3">Zones</h2>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        {(
          [
            ['USE', 'use'],
            ['STOREY', 'storey'],
            ['FACING', 'facing'],
            ['EXPOSURE', 'perimeter and core'],
          ] as const
        ).map(([k, label]) => (
          <label key={k} className="flex items-center gap-1.5">
            <input
              type="checkbox"
              className="accent-kelp"
              checked={by.includes(k)}
              onChange={(e) => setBy(e.target.checked ? [...by, k] : by.filter((x) => x !== k))}
            />
            by {label}
          </label>
        ))}
        <button
          className="btn"
          data-testid="propose-zones"
          disabled={!by.length}
          onClick={() => void propose()}
        >
          Propose zones
        </button>
      </div>
      <RoomDataSheet index={index} edits={edits} />
      {conditions.zones.map((z) => (
        <Zone key={z.key} zone={z} conditions={conditions} library={library} edits={edits} />
      ))}
    </>
  );
}
