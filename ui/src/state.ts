import { create } from 'zustand';
import type { Preview, Repair } from './api';

export type SheetTab = 'spaces' | 'surfaces' | 'openings' | 'findings';
export type MeasureMode = 'distance' | 'height' | 'area';

/** A repair that is being looked at before it is made. */
export interface Pending {
  repair: Repair;
  label: string;
  finding?: string;
  preview: Preview | null;
  error: string | null;
}

interface View {
  selection: string[];
  finding: string | null;
  /** Where in the list of findings the one stood that a repair has answered. */
  answered: number | null;
  hidden: Set<string>;
  isolated: Set<string> | null;
  exposuresOff: Set<string>;
  cut: [number, number] | null;
  sweep: number | null;
  apart: boolean;
  measure: MeasureMode | null;
  tab: SheetTab;
  pending: Pending | null;
  palette: boolean;
  help: boolean;
  message: { text: string; bad: boolean } | null;
  pathFolded: boolean;
  sheetHeight: number;
  set: (change: Partial<View>) => void;
  select: (keys: string[], add?: boolean) => void;
}

const CLEAN = {
  selection: [],
  finding: null,
  answered: null,
  hidden: new Set<string>(),
  isolated: null,
  exposuresOff: new Set<string>(),
  cut: null,
  sweep: null,
  apart: false,
  measure: null,
  pending: null,
  palette: false,
  help: false,
  message: null,
};

export const useView = create<View>()((set) => ({
  ...CLEAN,
  tab: 'spaces',
  pathFolded: false,
  sheetHeight: 248,
  set: (change) => set(change),
  select: (keys, add) =>
    set((s) => ({
      selection: add
        ? keys.every((k) => s.selection.includes(k))
          ? s.selection.filter((k) => !keys.includes(k))
          : [...new Set([...s.selection, ...keys])]
        : keys,
      finding: add ? s.finding : null,
      pending: null,
    })),
}));

/** Another delivery is shown: nothing of the old one stays selected or hidden. */
export function resetView() {
  useView.setState({ ...CLEAN, hidden: new Set(), exposuresOff: new Set() });
}
