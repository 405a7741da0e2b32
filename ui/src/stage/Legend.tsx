import { useMemo } from 'react';
import type { ModelIndex } from '../model';
import { useView } from '../state';
import { EXPOSURES } from '../words';

/** What the colours mean, how many there are, and a switch for each. */
export function Legend({ index }: { index: ModelIndex }) {
  const off = useView((s) => s.exposuresOff);
  const set = useView((s) => s.set);
  const counts = useMemo(() => {
    const n = new Map<string, number>();
    for (const s of index.model.surfaces) n.set(s.exposure, (n.get(s.exposure) ?? 0) + 1);
    return n;
  }, [index]);

  function toggle(key: string) {
    const next = new Set(off);
    if (!next.delete(key)) next.add(key);
    set({ exposuresOff: next });
  }

  return (
    <div
      className="absolute bottom-2 left-[120px] rounded-sm border border-line bg-panel/95 px-2 py-1.5"
      data-testid="legend"
    >
      <div className="kicker mb-1">Other side of the surface</div>
      {EXPOSURES.filter((e) => counts.get(e.key)).map((e) => (
        <button
          key={e.key}
          className="flex h-[22px] w-full items-center gap-2 rounded-sm px-1 text-sm hover:bg-kelp-soft"
          aria-pressed={!off.has(e.key)}
          title={off.has(e.key) ? 'Show these surfaces' : 'Hide these surfaces'}
          onClick={() => toggle(e.key)}
        >
          <span
            className="size-3 border border-ink/60"
            style={{
              background: off.has(e.key) ? 'transparent' : e.colour,
              opacity: e.key === 'shade' ? 0.6 : 1,
              borderStyle: e.key === 'none' ? 'dashed' : 'solid',
            }}
          />
          <span className={off.has(e.key) ? 'text-muted line-through' : ''}>{e.label}</span>
          <span className="ml-auto pl-3 tabular-nums">{counts.get(e.key)}</span>
        </button>
      ))}
    </div>
  );
}
