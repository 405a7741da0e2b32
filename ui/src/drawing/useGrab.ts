import { useRef, useState } from 'react';
import { useView } from '../model/state';
import { useUnits } from '../model/units';
import { useBoard } from './board';
import { moved, nameOf, pointsOf, refsOn, sameRef, segmentsOf, type Part } from './edits';
import { cross, distance, minus, nearest, times, unit, type Pt } from './plane';
import { snap } from './snap';
import { roomAt } from './useTracing';
import type { Drawn } from './useDrawing';

/** How near the pointer must be to what it takes, in pixels. */
const CORNER = 9;
const SIDE = 7;

interface Grab {
  part: Part;
  /** Where it was taken, and where it is now. */
  from: Pt;
  to: Pt;
}

/** What of a drawing is under the pointer: openings first, corners of what is selected, then sides. */
export function partAt(drawn: Drawn, storey: string, p: Pt, scale: number): Part | null {
  const { doc, sheet } = drawn;
  const { part } = useBoard.getState();
  if (part && part.ref.kind !== 'opening' && part.ref.kind !== 'label') {
    const corner = pointsOf(doc, part.ref).points.findIndex((q) => distance(p, q) < CORNER * scale);
    if (corner >= 0) return { ref: part.ref, corner };
  }
  for (const ref of refsOn(doc, storey)) {
    if (ref.kind !== 'opening') continue;
    const id = doc.glazing![ref.item].id;
    const gap = sheet?.openings.find((o) => o.source === id && o.storey === storey);
    const s = gap && { a: [gap.from.x, gap.from.y] as Pt, b: [gap.to.x, gap.to.y] as Pt };
    if (s && distance(p, nearest(p, s)) < SIDE * scale) return { ref };
  }
  let best: Part | null = null;
  let least = SIDE * scale;
  for (const ref of refsOn(doc, storey)) {
    if (ref.kind === 'opening' || ref.kind === 'label') continue;
    segmentsOf(doc, ref).forEach((s, side) => {
      const d = distance(p, nearest(p, s));
      // of a wall and an outline in one place, the wall
      if (d < least || (d === least && ref.kind === 'line')) {
        least = d;
        best = { ref, side };
      }
    });
  }
  return best;
}

/** Moving what was drawn: a corner, a side, an opening. */
export function useGrab(drawn: Drawn, storey: string, scale: number) {
  const units = useUnits();
  const [grab, setGrab] = useState<Grab | null>(null);
  // the pointer may be let go before its last move is drawn
  const now = useRef<Grab | null>(null);
  const set = (g: Grab | null) => {
    now.current = g;
    setGrab(g);
  };
  const by = grab && shift(drawn, grab);

  return {
    /** The drawing as it would be. */
    doc: by && isFar(by) ? moved(drawn.doc, storey, grab.part, by) : null,
    busy: () => !!now.current,
    take: (p: Pt): boolean => {
      const part = partAt(drawn, storey, p, scale);
      if (part) {
        useBoard.setState({ part });
        useView.getState().select([]);
        set({ part, from: p, to: p });
      }
      return !!part;
    },
    drag: (p: Pt, free: boolean) => {
      const g = now.current;
      if (!g || (g.to === g.from && distance(p, g.from) < 4 * scale)) return;
      const others = refsOn(drawn.doc, storey)
        .filter((r) => !sameRef(r, g.part.ref))
        .flatMap((r) => segmentsOf(drawn.doc, r));
      set({ ...g, to: snap(p, { segments: others, points: [] }, scale, { free }).at });
    },
    drop: () => {
      const g = now.current;
      set(null);
      const by = g && g.to !== g.from && shift(drawn, g);
      if (!by || !isFar(by)) return;
      const name = nameOf(drawn.doc, g.part.ref);
      const what =
        g.part.corner !== undefined
          ? `a corner of the ${name}`
          : g.part.ref.kind === 'ring'
            ? `a side of the ${name}`
            : `the ${name}`;
      drawn.act((d) => [
        moved(d, storey, g.part, by),
        `Moves ${what} on ${storey} by ${units.length.text(Math.hypot(by[0], by[1]))}.`,
      ]);
    },
    leave: () => set(null),
    /** Selects the room that the pointer is in. */
    choose: (p: Pt, more: boolean) => {
      const room = roomAt(drawn, storey, p);
      useBoard.setState({ part: null });
      useView.getState().select(room ? [room.key] : [], more && !!room);
    },
  };
}

const isFar = (by: Pt) => Math.hypot(by[0], by[1]) > 1e-3;

/** How far something goes: corners and openings to where they are drawn, sides across themselves. */
function shift(drawn: Drawn, { part, from, to }: Grab): Pt {
  const { points } = pointsOf(drawn.doc, part.ref);
  if (part.corner !== undefined) return minus(to, points[part.corner]);
  if (part.ref.kind === 'opening') return minus(to, points[0]);
  if (part.side === undefined) return minus(to, from);
  const s = segmentsOf(drawn.doc, part.ref)[part.side];
  const u = s && unit(minus(s.b, s.a));
  if (!u) return [0, 0];
  // so that the side goes through the point that it is drawn to
  const across: Pt = [-u[1], u[0]];
  return times(across, cross(u, minus(to, s.a)));
}
