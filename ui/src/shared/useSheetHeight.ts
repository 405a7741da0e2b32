import { useView } from '../model/state';

const FOLDED = 32;
const USUAL = 248;

/** The height of the sheet under the stage: dragged, folded, and the same in every workspace. */
export function useSheetHeight() {
  const height = useView((s) => s.sheetHeight);
  const set = useView((s) => s.set);
  const folded = height < 60;

  function drag(e: React.PointerEvent) {
    const start = e.clientY;
    const from = folded ? FOLDED : height;
    const move = (p: PointerEvent) =>
      set({
        sheetHeight: Math.max(FOLDED, Math.min(window.innerHeight - 260, from + start - p.clientY)),
      });
    const done = () => {
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', done);
    };
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', done);
  }

  return { height, folded, drag, fold: () => set({ sheetHeight: folded ? USUAL : FOLDED }) };
}
