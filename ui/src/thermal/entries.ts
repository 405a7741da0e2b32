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

/** A number, or null when nothing is typed. */
export function given(text: string, from: (v: number) => number = (v) => v): number | null {
  return text.trim() === '' ? null : from(toNumber(text));
}
