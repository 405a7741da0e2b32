import type { Preview, Repair, Sweep } from './api';
import { useView } from './state';

/** A repair that is being looked at before it is made. */
export interface Pending {
  id: number;
  repair: Repair;
  label: string;
  finding?: string;
  /** Findings on which one remedy is tried. */
  of?: string[];
  /** What the remedy for many comes to, once it is known. */
  made?: Repair;
  preview: Preview | null;
  /** Findings that one remedy for many does not answer. */
  left?: Sweep['left'];
  error: string | null;
  /** Version of the model that the preview was worked out for. */
  version: number;
  /** To be made as soon as the preview shows that it brings nothing new. */
  wanted?: boolean;
}

let last = 0;

const same = (a: Pending, b: Pick<Pending, 'repair' | 'of'>) =>
  JSON.stringify([a.repair, a.of]) === JSON.stringify([b.repair, b.of]);

/** Puts a repair in front; the one that was there waits. One that is there already comes forward instead of coming twice. */
export function begin(given: Omit<Pending, 'id' | 'preview' | 'error'>): Pending {
  const { pending, waiting } = useView.getState();
  const all = pending ? [pending, ...waiting] : waiting;
  const next = { ...given, id: ++last, preview: null, error: null };
  useView.setState({
    pending: next,
    between: 0.5,
    waiting: all.filter((p) => !same(p, given)),
  });
  return next;
}

/** Brings a waiting one to the front. */
export function bringForward(id: number) {
  const { pending, waiting } = useView.getState();
  const next = waiting.find((p) => p.id === id);
  if (!next) return;
  const rest = waiting.filter((p) => p !== next);
  useView.setState({ pending: next, between: 0.5, waiting: pending ? [pending, ...rest] : rest });
}

/** Takes one off the list; the next does not come forward by itself. */
export function leave(id: number) {
  const { pending, waiting } = useView.getState();
  if (pending?.id === id) useView.setState({ pending: null });
  else useView.setState({ waiting: waiting.filter((p) => p.id !== id) });
}

/** One of the list, wherever it stands; undefined when it has been left. */
export function pendingOf(id: number): Pending | undefined {
  const { pending, waiting } = useView.getState();
  return pending?.id === id ? pending : waiting.find((p) => p.id === id);
}

/** Changes one wherever it stands; says what it is now, or null when it has been left. */
export function renew(id: number, change: Partial<Pending>): Pending | null {
  const old = pendingOf(id);
  if (!old) return null;
  const next = { ...old, ...change };
  useView.setState(({ pending, waiting }) =>
    pending === old ? { pending: next } : { waiting: waiting.map((p) => (p === old ? next : p)) },
  );
  return next;
}
