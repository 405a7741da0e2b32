import { useEffect, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type EnclosedVolume } from '../model/api';
import type { ModelIndex } from '../model/model';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { count } from '../model/words';
import { useUnits } from '../model/units';

/** Volumes that are enclosed and that no space covers: each can become a space. */
export function EnclosedVolumes({ index, edits }: { index: ModelIndex; edits: Edits }) {
  const units = useUnits();
  const { id, version } = index.model.delivery;
  const [asked, setAsked] = useState(false);
  const [names, setNames] = useState<Record<string, string>>({});
  const set = useView((s) => s.set);
  const found = useQuery({
    queryKey: ['enclosed', id, version],
    queryFn: ({ signal }) => api.enclosed(id, signal),
    enabled: asked,
    staleTime: Infinity,
    retry: false,
  });
  useEffect(() => () => set({ lit: null }), [set]);

  const light = (v: EnclosedVolume | null) =>
    set({ lit: v && { areas: v.rings, lines: v.bridged, points: [] } });
  const named = (v: EnclosedVolume) => names[v.name] ?? v.name;
  const add = (list: EnclosedVolume[]) => {
    set({ lit: null });
    void edits.scope((delivery, basedOn) =>
      api.addSpaces(
        delivery,
        basedOn,
        list.map((v) => ({ name: named(v), inside: v.inside })),
      ),
    );
  };

  if (!asked)
    return (
      <section className="mt-2 border-t border-line pt-1.5 first:mt-0 first:border-t-0">
        <button className="btn" data-testid="find-spaces" onClick={() => setAsked(true)}>
          Find rooms without a space
        </button>
      </section>
    );
  const e = found.data;
  return (
    <section
      className="mt-2 border-t border-line pt-1.5 first:mt-0 first:border-t-0"
      data-testid="enclosed"
    >
      {found.isFetching ? (
        <div className="flex items-center justify-between">
          <span className="text-muted">Looking for enclosed volumes …</span>
          <button className="btn" onClick={() => setAsked(false)}>
            Cancel
          </button>
        </div>
      ) : found.error ? (
        <p className="text-blocker">{found.error.message}</p>
      ) : e ? (
        <>
          <div className="flex items-center justify-between">
            <b>{count(e.volumes.length, 'room')} without a space</b>
            {e.volumes.length > 1 && (
              <button className="btn" disabled={edits.busy} onClick={() => add(e.volumes)}>
                Take all
              </button>
            )}
          </div>
          <ul>
            {e.volumes.map((v) => (
              <li
                key={v.name}
                className="flex items-center gap-1.5 border-b border-line/60 py-0.5"
                onMouseEnter={() => light(v)}
                onMouseLeave={() => light(null)}
              >
                <input
                  className="field w-24"
                  aria-label="Name of the space"
                  value={named(v)}
                  onFocus={() => light(v)}
                  onChange={(c) => setNames({ ...names, [v.name]: c.target.value })}
                />
                <span className="flex-1 text-right text-sm">
                  {units.area.text(v.floorArea)}
                  <br />
                  <span className="text-muted">{units.volume.text(v.volume)}</span>
                </span>
                <button
                  className="btn"
                  disabled={edits.busy || !named(v).trim()}
                  onClick={() => add([v])}
                >
                  Take
                </button>
              </li>
            ))}
          </ul>
          {e.volumes.some((v) => v.bridged.length > 0) && (
            <p className="text-sm text-muted">Bridged gaps are lit with the room.</p>
          )}
          {e.leaks.map((p, i) => (
            <button
              key={i}
              className="block text-left text-sm underline decoration-dotted"
              onClick={() => set({ lit: { areas: [], lines: [], points: [p] } })}
            >
              Nearly enclosed air leaks at {p.map((x) => units.length.to(x).toFixed(2)).join(', ')}{' '}
              {units.length.unit}
            </button>
          ))}
          {e.open.map((o, i) => (
            <p key={i} className="text-sm">
              {o}
            </p>
          ))}
          {e.cavities > 0 && (
            <p className="text-sm text-muted">
              {count(e.cavities, 'shaft')} or cavities left out: below 3 m³ or 0.4 m.
            </p>
          )}
        </>
      ) : null}
    </section>
  );
}
