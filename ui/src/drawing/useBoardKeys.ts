import { useEffect, useRef } from 'react';
import { useView } from '../model/state';
import { useBoard } from './board';
import { joined, canJoin, moved, nameOf, removed, whyNot, type Part } from './edits';
import type { Pt } from './plane';
import { TOOLS } from './words';
import type { Drawn } from './useDrawing';
import type { Tracing } from './useTracing';

const ARROWS: Record<string, Pt> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** How far an arrow key moves what is selected, and with Shift, m. */
const STEP = 0.1;
const LARGE = 1;

/** Deletes what is selected, or says why that cannot be. */
export function deletePart(drawn: Drawn, storey: string, part: Part) {
  const why = whyNot(drawn.doc, part.ref);
  if (why) {
    useView.setState({ message: { text: why, bad: true } });
    return;
  }
  if (canJoin(drawn.doc, part)) {
    drawn.act((d) => [joined(d, part), `Takes a corner out on ${storey}.`]);
  } else {
    const name = nameOf(drawn.doc, part.ref);
    drawn.act((d) => [removed(d, part.ref), `Deletes the ${name} on ${storey}.`]);
  }
  useBoard.setState({ part: null });
}

/** The keys of the board, before those of the page. */
export function useBoardKeys(drawn: Drawn, storey: string, tracing: Tracing, fit: () => void) {
  const now = useRef({ drawn, storey, tracing, fit });
  useEffect(() => {
    now.current = { drawn, storey, tracing, fit };
  });
  useEffect(() => {
    const key = (e: KeyboardEvent) => {
      const target = e.target as HTMLElement;
      const v = useView.getState();
      if (v.palette || v.help || target.closest?.('[role=menu],[role=dialog]')) return;
      const typed = target.dataset?.typed !== undefined;
      if (!typed && target.matches?.('input,select,textarea,[contenteditable]')) return;
      if (act(e, typed, now.current)) {
        e.preventDefault();
        e.stopImmediatePropagation();
      }
    };
    window.addEventListener('keydown', key, true);
    return () => window.removeEventListener('keydown', key, true);
  }, []);
}

interface Now {
  drawn: Drawn;
  storey: string;
  tracing: Tracing;
  fit: () => void;
}

/** What a key does; false when it is none of the board's. */
function act(e: KeyboardEvent, typed: boolean, { drawn, storey, tracing, fit }: Now): boolean {
  const { part, tool, set } = useBoard.getState();
  const begun = tracing.points.length > 0;
  if (e.ctrlKey || e.metaKey) {
    if (e.key.toLowerCase() !== 'z' || e.shiftKey) return false;
    if (begun) return tracing.back();
    drawn.undo?.();
    return !!drawn.undo;
  }
  if (e.altKey) return false;
  if (e.key === 'Escape') {
    if (typed) (e.target as HTMLElement).blur();
    if (begun) tracing.clear();
    else if (tool !== 'select') set({ tool: 'select' });
    else if (part) set({ part: null });
    else return false;
    return true;
  }
  if (typed) return false;
  const onButton = (e.target as HTMLElement).matches?.('button,a,[role=tab],[role=slider]');
  if (begun && /^[\d.,]$/.test(e.key)) {
    const field = document.querySelector<HTMLInputElement>('[data-typed="0"]');
    field?.focus();
    // the figure goes where it was meant for
    return !field;
  }
  if (begun && e.key === 'Tab' && !e.shiftKey) {
    document.querySelector<HTMLInputElement>('[data-typed="0"]')?.focus();
    return true;
  }
  if (begun && e.key === 'Backspace') return tracing.back();
  if (begun && e.key === 'Enter' && !onButton) {
    tracing.finish();
    return true;
  }
  if (part && (e.key === 'Delete' || e.key === 'Backspace')) {
    deletePart(drawn, storey, part);
    return true;
  }
  const arrow = ARROWS[e.key];
  if (part && arrow && !onButton) {
    const by = e.shiftKey ? LARGE : STEP;
    const name = nameOf(drawn.doc, part.ref);
    drawn.act((d) => [
      moved(d, storey, part, [arrow[0] * by, arrow[1] * by]),
      `Moves the ${name} on ${storey} by ${by} m.`,
    ]);
    return true;
  }
  if (e.key === 'f' || e.key === 'F') {
    fit();
    return true;
  }
  const chosen = TOOLS.find(([, , letter]) => letter === e.key.toUpperCase());
  if (chosen) set({ tool: chosen[0], part: null });
  return !!chosen;
}
