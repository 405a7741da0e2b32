import { createContext, useContext } from 'react';
import type { Lead } from '../model/layout';

/** How the workspace at hand is arranged, for its parts. */
export interface Arranged {
  lead: Lead;
  /** The sheet under the model is folded to its tabs. */
  folded: boolean;
  fold: () => void;
  /** Gives the room to the other part. */
  turn: () => void;
  /** Where the details of a table's row are shown when the table has the room; null until there is one. */
  slot: HTMLElement | null;
  setSlot: (at: HTMLElement | null) => void;
  /** Whether something stands in the slot; it is taken until the function given back is called. */
  taken: boolean;
  take: () => () => void;
}

export const ArrangedContext = createContext<Arranged>({
  lead: 'work',
  folded: false,
  fold: () => {},
  turn: () => {},
  slot: null,
  setSlot: () => {},
  taken: false,
  take: () => () => {},
});

export const useArranged = () => useContext(ArrangedContext);
