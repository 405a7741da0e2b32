import { Slider } from 'radix-ui';
import { useShallow } from 'zustand/react/shallow';
import { useView } from '../model/state';

/** Between the building as it is and as the repair that is looked at would leave it. */
export function Compare() {
  const { preview, between, set } = useView(
    useShallow((s) => ({
      preview: s.pending?.preview ?? null,
      between: s.between,
      set: s.set,
    })),
  );
  if (!preview || !(preview.changedSurfaces.length + preview.removedSurfaces.length)) return null;
  const end = (at: number, text: string) => (
    <button
      className={`btn-quiet !h-6 !px-1.5 ${between === at ? 'font-semibold' : ''}`}
      aria-pressed={between === at}
      onClick={() => set({ between: at })}
    >
      {text}
    </button>
  );
  return (
    <div
      className="absolute bottom-2 left-2 z-10 flex items-center gap-1 rounded-sm border border-kelp bg-panel px-1 py-0.5 text-sm"
      data-testid="compare"
    >
      {end(0, 'As it is')}
      <Slider.Root
        className="relative flex h-6 w-36 touch-none items-center select-none"
        min={0}
        max={1}
        step={0.05}
        value={[between]}
        onValueChange={([v]) => set({ between: v })}
      >
        <Slider.Track className="relative h-[5px] flex-1 rounded-full bg-line">
          <Slider.Range className="absolute h-full rounded-full bg-kelp/40" />
        </Slider.Track>
        <Slider.Thumb
          aria-label="As it is, or as it would be"
          aria-valuetext={`${Math.round(100 * between)} % of the way to the building as it would be`}
          title="Left as it is, right as it would be, in the middle both: drag, or use the arrow keys"
          className="group flex size-6 cursor-ew-resize items-center justify-center"
        >
          <span className="h-[18px] w-[10px] rounded-sm border border-kelp bg-panel group-hover:bg-kelp-soft" />
        </Slider.Thumb>
      </Slider.Root>
      {end(1, 'As it would be')}
    </div>
  );
}
