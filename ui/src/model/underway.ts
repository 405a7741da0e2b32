import { create } from 'zustand';

/** How many requests wait for the server's answer. */
export const useUnderway = create<{ n: number }>(() => ({ n: 0 }));

/** Counts a request while it waits. */
export async function awaited<T>(answer: Promise<T>): Promise<T> {
  const add = (k: number) => useUnderway.setState(({ n }) => ({ n: n + k }));
  add(1);
  try {
    return await answer;
  } finally {
    add(-1);
  }
}
