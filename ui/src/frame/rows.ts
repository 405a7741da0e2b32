import type { ModelIndex } from '../model/model';

export const keyOf = (o: { key: string }) => o.key;

export const faultCount = (index: ModelIndex, k: string) =>
  (index.findingsOf.get(k) ?? []).length || null;

/** Brings what is selected into view. */
export function frame() {
  window.dispatchEvent(new CustomEvent('yentra:frame'));
}
