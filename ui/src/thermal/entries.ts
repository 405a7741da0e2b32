import type { Library } from '../model/api';

export const NOTHING: Library = {
  materials: [],
  constructions: [],
  glazings: [],
  frames: [],
  uses: [],
  schedules: [],
};

/** Keeps entries of a library: all of them, for the project or for all projects. */
export type Keep = (entries: Library, taken: string[], shared: boolean) => void;

export const toNumber = (text: string) =>
  text.trim() === '' ? NaN : Number(text.trim().replace(',', '.'));

/** The number of a field that may be left empty: null for nothing, NaN for what is none. */
export function given(text: string | number, from: (v: number) => number = (v) => v) {
  const t = String(text).trim();
  return t === '' ? null : from(toNumber(t));
}
