import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { PlanDoc, Underlay } from '../model/plan';
import { useBoard, type BoardView } from './board';
import { pointsOf, refsOn } from './edits';
import type { Pt } from './plane';
import { sheetPoint } from './underlays';

/** What an empty board shows, m. */
const EMPTY: [Pt, Pt] = [
  [-3, -3],
  [27, 17],
];
const MARGIN = 50;
const FINEST = 0.0005;
const COARSEST = 2;

/** Corners of all that is drawn, and of the pictures under it. */
function corners(doc: PlanDoc, storey: string, pictures: Map<string, Pt>): Pt[] {
  const drawn = refsOn(doc, storey).flatMap((r) => pointsOf(doc, r).points);
  const under = (doc.underlay ?? [])
    .filter((u) => u.storey === storey && pictures.has(u.file))
    .flatMap((u) => sheetCorners(u, pictures.get(u.file)!));
  return [...drawn, ...under];
}

export const sheetCorners = (u: Underlay, [w, h]: Pt): Pt[] =>
  (
    [
      [0, 0],
      [w, 0],
      [w, h],
      [0, h],
    ] as Pt[]
  ).map((p) => sheetPoint(u, p));

/** Size of the board, where it looks, and how the pointer and the wheel change that. */
export function useBoardView(doc: PlanDoc, storey: string, pictures: Map<string, Pt>) {
  const [size, setSize] = useState<Pt>([0, 0]);
  const kept = useBoard((s) => s.view);
  const set = useBoard((s) => s.set);
  const box = useRef<SVGSVGElement | null>(null);
  const holder = useCallback((el: SVGSVGElement | null) => {
    box.current = el;
    if (!el) return;
    const look = () => setSize([el.clientWidth, el.clientHeight]);
    look();
    const watch = new ResizeObserver(look);
    watch.observe(el);
    return () => watch.disconnect();
  }, []);

  const whole = useMemo<BoardView>(() => {
    const all = corners(doc, storey, pictures);
    const [lo, hi] = all.length
      ? [0, 1].map((end) => [0, 1].map((k) => (end ? Math.max : Math.min)(...all.map((p) => p[k]))))
      : EMPTY;
    const room = [Math.max(100, size[0] - 2 * MARGIN), Math.max(100, size[1] - 2 * MARGIN)];
    const scale = Math.max((hi[0] - lo[0]) / room[0], (hi[1] - lo[1]) / room[1], FINEST);
    return { middle: [(lo[0] + hi[0]) / 2, (lo[1] + hi[1]) / 2], scale };
  }, [doc, storey, pictures, size]);
  const view = kept ?? whole;

  const plan = (x: number, y: number): Pt => [
    view.middle[0] + (x - size[0] / 2) * view.scale,
    view.middle[1] - (y - size[1] / 2) * view.scale,
  ];
  const screen = (p: Pt): Pt => [
    size[0] / 2 + (p[0] - view.middle[0]) / view.scale,
    size[1] / 2 - (p[1] - view.middle[1]) / view.scale,
  ];
  const pan = (dx: number, dy: number) =>
    set({
      view: {
        ...view,
        middle: [view.middle[0] - dx * view.scale, view.middle[1] + dy * view.scale],
      },
    });
  const zoom = (by: number, x: number, y: number) => {
    const p = plan(x, y);
    const scale = Math.min(COARSEST, Math.max(FINEST, view.scale * by));
    const k = scale / view.scale;
    set({
      view: {
        scale,
        middle: [p[0] + (view.middle[0] - p[0]) * k, p[1] + (view.middle[1] - p[1]) * k],
      },
    });
  };

  // the page itself is not to be zoomed or scrolled
  const wheel = useRef(zoom);
  useEffect(() => {
    wheel.current = zoom;
  });
  useEffect(() => {
    const el = box.current;
    if (!el) return;
    const turn = (e: WheelEvent) => {
      e.preventDefault();
      const r = el.getBoundingClientRect();
      wheel.current(Math.exp(e.deltaY * 0.0015), e.clientX - r.left, e.clientY - r.top);
    };
    el.addEventListener('wheel', turn, { passive: false });
    return () => el.removeEventListener('wheel', turn);
  }, []);

  return { holder, box, size, view, plan, screen, pan, zoom, fit: () => set({ view: null }) };
}
