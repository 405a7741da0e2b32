import { create } from 'zustand';
import type { OpeningSize, Part } from './edits';
import type { Pt } from './plane';

/** What the pointer does. */
export type Tool =
  | 'select'
  | 'outline'
  | 'line'
  | 'rectangle'
  | 'opening'
  | 'name'
  | 'block'
  | 'scale'
  | 'level'
  | 'align'
  | 'shift';

/** Where the middle of the board is in the drawing, and metres a pixel. */
export interface BoardView {
  middle: Pt;
  scale: number;
}

/** How a person works on the drawing at hand. */
export interface Board {
  storey: string | null;
  tool: Tool;
  part: Part | null;
  view: BoardView | null;
  /** The picture that is scaled, turned or moved. */
  sheet: number | null;
  /** New lines part rooms without a wall. */
  air: boolean;
  opening: OpeningSize;
  blockHeight: number;
  set: (change: Partial<Board>) => void;
}

const CLEAN = {
  storey: null,
  tool: 'select' as Tool,
  part: null,
  view: null,
  sheet: null,
};

export const useBoard = create<Board>()((set) => ({
  ...CLEAN,
  air: false,
  opening: { type: 'window', width: 1.2, sill: 0.9, head: 2.1 },
  blockHeight: 9,
  set: (change) => set(change),
}));

/** Another building is drawn. */
export const resetBoard = () => useBoard.setState(CLEAN);
