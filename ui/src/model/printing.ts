import { flushSync } from 'react-dom';
import { create } from 'zustand';

/** Whether the page is as it goes on paper: all rows of a table, the model on white. */
export const usePrinting = create<{ on: boolean }>(() => ({ on: false }));

/** Makes the page ready before a browser prints it: it takes what is there when the event has been heard. */
export function hearPrinting() {
  const turn = (on: boolean) => () => flushSync(() => usePrinting.setState({ on }));
  window.addEventListener('beforeprint', turn(true));
  window.addEventListener('afterprint', turn(false));
}
