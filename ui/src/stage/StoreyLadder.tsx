import { useUnits } from '../model/units';
import { useMemo, useRef } from 'react';
import type { ModelIndex } from '../model/model';
import { useView } from '../model/state';

/** One rung a storey at its level; the handles cut the model above and below; a double click pulls the storeys apart. */
export function StoreyLadder({ index, heights }: { index: ModelIndex; heights: [number, number] }) {
  const units = useUnits();
  const cut = useView((s) => s.cut);
  const apart = useView((s) => s.apart);
  const set = useView((s) => s.set);
  const strip = useRef<HTMLDivElement>(null);
  const { lo, hi, rungs } = useMemo(() => {
    const levels = index.model.storeys
      .filter((s) => s.level != null)
      .map((s) => ({ key: s.key, name: s.name, level: s.level! }))
      .sort((a, b) => a.level - b.level);
    return { lo: heights[0] - 0.3, hi: heights[1] + 0.3, rungs: levels };
  }, [index, heights]);
  if (!rungs.length || !Number.isFinite(lo)) return null;

  const range = cut ?? [lo, hi];
  const share = (z: number) => `${((z - lo) / (hi - lo)) * 100}%`;

  function drag(e: React.PointerEvent, end: 0 | 1) {
    e.preventDefault();
    const box = strip.current!.getBoundingClientRect();
    const move = (m: PointerEvent) => {
      const z = lo + ((box.bottom - m.clientY) / box.height) * (hi - lo);
      const now = useView.getState().cut ?? [lo, hi];
      const next: [number, number] = end
        ? [now[0], Math.max(now[0] + 0.2, Math.min(hi, z))]
        : [Math.min(now[1] - 0.2, Math.max(lo, z)), now[1]];
      set({ cut: next[0] <= lo + 0.01 && next[1] >= hi - 0.01 ? null : next });
    };
    const done = () => {
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', done);
    };
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', done);
  }

  function step(e: React.KeyboardEvent, end: 0 | 1) {
    const by = e.key === 'ArrowUp' ? 0.25 : e.key === 'ArrowDown' ? -0.25 : 0;
    if (!by) return;
    e.preventDefault();
    const next: [number, number] = [...range];
    next[end] = Math.min(hi, Math.max(lo, next[end] + by));
    if (next[1] - next[0] >= 0.2) set({ cut: next });
  }

  /** Shows one storey: from just under its floor to just under the next one's. */
  function only(i: number) {
    const top = i + 1 < rungs.length ? rungs[i + 1].level - 0.05 : hi;
    const now: [number, number] = [rungs[i].level - 0.05, top];
    const same = cut && Math.abs(cut[0] - now[0]) < 1e-6 && Math.abs(cut[1] - now[1]) < 1e-6;
    set({ cut: same ? null : now });
  }

  return (
    <div
      className="absolute top-2 bottom-2 left-2 w-[104px] rounded-sm border border-line bg-panel/95"
      data-testid="ladder"
    >
      <div className="kicker px-2 pt-1">Storeys</div>
      <div
        ref={strip}
        className="absolute inset-x-0 top-8 bottom-4"
        onDoubleClick={() => set({ apart: !apart })}
        title="Double click: pull the storeys apart"
      >
        <div className="absolute top-0 bottom-0 left-3 w-px bg-line" />
        <div
          className="absolute left-[10px] w-[5px] bg-kelp/35"
          style={{ bottom: share(range[0]), top: `calc(100% - ${share(range[1])})` }}
        />
        {rungs.map((r, i) => (
          <button
            key={r.key}
            className="absolute right-1 left-2 -mb-[9px] flex h-[18px] items-center gap-1 text-left text-[11px] leading-none hover:text-kelp"
            style={{ bottom: share(r.level) }}
            title={`${r.name}, ${units.level(r.level)}: show only this storey`}
            onClick={() => only(i)}
          >
            <span className="h-[2px] w-[9px] shrink-0 bg-ink" />
            <span className="truncate">{r.name}</span>
          </button>
        ))}
        {([0, 1] as const).map((end) => (
          <div
            key={end}
            role="slider"
            tabIndex={0}
            aria-label={end ? 'Upper cut' : 'Lower cut'}
            aria-valuemin={lo}
            aria-valuemax={hi}
            aria-valuenow={range[end]}
            aria-valuetext={units.level(range[end])}
            className="absolute left-[5px] -mb-[5px] h-[10px] w-[15px] cursor-ns-resize rounded-sm border border-kelp bg-panel"
            style={{ bottom: share(range[end]) }}
            title={`${end ? 'Upper' : 'Lower'} cut at ${units.level(range[end])}: drag, or use the arrow keys`}
            onPointerDown={(e) => drag(e, end)}
            onKeyDown={(e) => step(e, end)}
          />
        ))}
      </div>
    </div>
  );
}
