import { useUnits } from '../model/units';
import { useMemo } from 'react';
import { Slider } from 'radix-ui';
import { ChevronsLeft, ChevronsRight, ChevronsUpDown } from 'lucide-react';
import { useLayout } from '../model/layout';
import type { ModelIndex } from '../model/model';
import { useView } from '../model/state';

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
  if (!rungs.length || !Number.isFinite(lo)) return null;

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
      <div className="relative my-3 min-h-0 flex-1">
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
        {rungs.map((r, i) => (
          <button
            key={r.key}
            className={`absolute -mb-[12px] flex h-[24px] items-center gap-1 text-left text-[11px] leading-none hover:text-kelp ${folded ? 'left-6 w-6' : 'left-6 w-6 @2xl:right-0 @2xl:w-auto'}`}
            style={{ bottom: share(r.level) }}
            title={`${r.name}, ${units.level(r.level)}: show only this storey`}
            aria-label={`${r.name}: show only this storey`}
            onClick={() => only(i)}
          >
            <span className="h-[2px] w-[6px] shrink-0 bg-ink" />
            {!folded && <span className="hidden truncate @2xl:inline">{r.name}</span>}
          </button>
        ))}
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
