import { useUnits } from '../model/units';
import { useCallback, useMemo, useState } from 'react';
import { Slider } from 'radix-ui';
import { ChevronsLeft, ChevronsRight, ChevronsUpDown } from 'lucide-react';
import { useLayout } from '../model/layout';
import type { ModelIndex } from '../model/model';
import { useView } from '../model/state';

/** Height of a rung, in pixels. */
const RUNG = 24;

/** One rung a storey at its level; the handles cut the model above and below. */
export function StoreyLadder({ index, heights }: { index: ModelIndex; heights: [number, number] }) {
  const units = useUnits();
  const cut = useView((s) => s.cut);
  const apart = useView((s) => s.apart);
  const set = useView((s) => s.set);
  const folded = useLayout((s) => s.storeysFolded);
  const layout = useLayout((s) => s.set);
  const { lo, hi, rungs } = useMemo(() => {
    const levels = index.model.storeys
      .filter((s) => s.level != null)
      .map((s) => ({ key: s.key, name: s.name, level: s.level! }))
      .sort((a, b) => a.level - b.level);
    return { lo: heights[0] - 0.3, hi: heights[1] + 0.3, rungs: levels };
  }, [index, heights]);
  const [room, setRoom] = useState(0);
  const strip = useCallback((el: HTMLDivElement | null) => {
    if (!el) return;
    const watch = new ResizeObserver(() => setRoom(el.clientHeight));
    watch.observe(el);
    return () => watch.disconnect();
  }, []);
  if (!rungs.length || !Number.isFinite(lo)) return null;

  // storeys nearer to each other than a finger is wide stand in a list, not at their levels
  const crowded =
    room > 0 &&
    rungs.some((r, i) => i > 0 && ((r.level - rungs[i - 1].level) / (hi - lo)) * room < RUNG);

  const range = cut ?? [lo, hi];
  const share = (z: number) => `${((z - lo) / (hi - lo)) * 100}%`;

  const whole = (r: number[]) => r[0] <= lo + 0.05 && r[1] >= hi - 0.05;

  /** Shows one storey: from just under its floor to just under the next one's. */
  function only(i: number) {
    const top = i + 1 < rungs.length ? rungs[i + 1].level - 0.05 : hi;
    const now: [number, number] = [rungs[i].level - 0.05, top];
    const same = cut && Math.abs(cut[0] - now[0]) < 1e-6 && Math.abs(cut[1] - now[1]) < 1e-6;
    set({ cut: same ? null : now });
  }

  const rung = (i: number) => (
    <button
      key={rungs[i].key}
      className="flex h-6 w-full min-w-6 shrink-0 items-center gap-1 text-left text-[11px] leading-none hover:text-kelp"
      title={`${rungs[i].name}, ${units.level(rungs[i].level)}: show only this storey`}
      aria-label={`${rungs[i].name}: show only this storey`}
      onClick={() => only(i)}
    >
      <span className="h-[2px] w-[6px] shrink-0 bg-ink" />
      {!folded && <span className="hidden truncate @2xl:inline">{rungs[i].name}</span>}
    </button>
  );

  return (
    <div
      className={`flex shrink-0 flex-col border-r print:hidden border-line bg-paper ${folded ? 'w-[48px]' : 'w-[48px] @2xl:w-[116px]'}`}
      data-testid="ladder"
    >
      <div className="flex h-[26px] items-center">
        <button
          className="btn-quiet !px-1.5"
          aria-expanded={!folded}
          title={folded ? 'Show the names of the storeys' : 'Fold the storeys'}
          onClick={() => layout({ storeysFolded: !folded })}
        >
          {folded ? <ChevronsRight size={13} /> : <ChevronsLeft size={13} />}
        </button>
        {!folded && <span className="kicker hidden @2xl:inline">Storeys</span>}
      </div>
      <div ref={strip} className="relative my-3 min-h-0 flex-1">
        <Slider.Root
          orientation="vertical"
          className="absolute inset-y-0 left-0 flex w-6 touch-none flex-col items-center select-none"
          min={lo}
          max={hi}
          step={0.1}
          minStepsBetweenThumbs={2}
          value={range}
          onValueChange={(v) => set({ cut: whole(v) ? null : [v[0], v[1]] })}
        >
          <Slider.Track className="relative w-[5px] flex-1 rounded-full bg-line">
            <Slider.Range className="absolute w-full rounded-full bg-kelp/40" />
          </Slider.Track>
          {(['Lower', 'Upper'] as const).map((end, i) => (
            <Slider.Thumb
              key={end}
              aria-label={`${end} cut`}
              aria-valuetext={units.level(range[i])}
              title={`${end} cut at ${units.level(range[i])}: drag, or use the arrow keys`}
              className="group flex h-6 w-6 cursor-ns-resize items-center justify-center"
            >
              <span className="h-[10px] w-[18px] rounded-sm border border-kelp bg-panel group-hover:bg-kelp-soft" />
            </Slider.Thumb>
          ))}
        </Slider.Root>
        {crowded ? (
          <div className="absolute inset-y-0 left-6 right-0 flex flex-col overflow-y-auto">
            <span className="mt-auto" />
            {rungs.map((_, i) => rung(rungs.length - 1 - i))}
          </div>
        ) : (
          rungs.map((r, i) => (
            <div
              key={r.key}
              className="absolute right-0 left-6 -mb-[12px]"
              style={{ bottom: share(r.level) }}
            >
              {rung(i)}
            </div>
          ))
        )}
      </div>
      <button
        className={`btn-quiet mb-1 justify-center !px-1 text-sm ${apart ? 'bg-kelp-soft' : ''}`}
        aria-pressed={apart}
        title={apart ? 'Put the storeys together' : 'Pull the storeys apart'}
        onClick={() => set({ apart: !apart })}
      >
        <ChevronsUpDown size={13} />
        {!folded && <span className="hidden @2xl:inline">{apart ? 'Together' : 'Pull apart'}</span>}
      </button>
    </div>
  );
}
