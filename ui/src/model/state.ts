import { useMemo } from 'react';
import { create } from 'zustand';
import type { Scope } from './api';
import type { Pending } from './pending';

/** What the stage's colours tell. */
export type ColourBy =
  'exposure' | 'uvalue' | 'construction' | 'use' | 'zone' | 'change' | 'estimate';

/** A figure of the spaces that the stage colours them by. */
export interface Tinted {
  /** By key of the space. */
  values: Record<string, number>;
  /** Between the bands of colour. */
  bounds: number[];
  unit: string;
  /** A bound in the unit that is shown. */
  say: (v: number) => string;
}

export type SheetTab =
  | 'boundaries'
  | 'spaces'
  | 'surfaces'
  | 'openings'
  | 'findings'
  | 'plan'
  | 'messages'
  | 'limits'
  | 'log'
  | 'revision';
/** What findings are shown together by. */
export type GroupBy = 'cause' | 'workspace' | 'severity' | 'code' | 'space' | 'storey';
export type ThermalTab =
  'constructions' | 'windows' | 'materials' | 'uses' | 'schedules' | 'losses' | 'library';
export type EstimateTab =
  | 'climate'
  | 'runs'
  | 'year'
  | 'loads'
  | 'hours'
  | 'junctions'
  | 'sun'
  | 'variants'
  | 'sweeps'
  | 'beside'
  | 'writeup';
export type ScopeTab = 'elements' | 'classes' | 'requirements' | 'values' | 'sheet';
export type MeasureMode = 'distance' | 'height' | 'area';

export interface View {
  selection: string[];
  finding: string | null;
  /** Where in the list of findings the one stood that a repair has answered. */
  answered: number | null;
  hidden: Set<string>;
  isolated: Set<string> | null;
  groupsOff: Set<string>;
  colourBy: ColourBy;
  /** What the colours of an estimate tell. */
  tinted: Tinted | null;
  cut: [number, number] | null;
  sweep: number | null;
  apart: boolean;
  measure: MeasureMode | null;
  /** The architect's elements are shown around the envelope. */
  elements: boolean;
  /** Places to be shown that are no finding's. */
  lit: { areas: number[][]; lines: number[][]; points: number[][] } | null;
  tab: SheetTab;
  scopeTab: ScopeTab;
  thermalTab: ThermalTab;
  estimateTab: EstimateTab;
  groupBy: GroupBy;
  /** What is typed above the columns of a table, by table and column. */
  filters: Record<string, Record<string, string>>;
  /** The group of findings that is shown alone. */
  group: string | null;
  /** Name of the class whose values are shown. */
  valueClass: string | null;
  /** The scope as a sheet would have it that is not applied. */
  tried: Scope | null;
  /** Keys that the stage draws for a key. */
  drawn: (key: string) => string[];
  /** The repair that is looked at now. */
  pending: Pending | null;
  /** Where the stage stands between the building as it is (0) and as that repair would leave it (1). */
  between: number;
  /** Other repairs that were begun and neither made nor left. */
  waiting: Pending[];
  palette: boolean;
  help: boolean;
  message: { text: string; bad: boolean } | null;
  set: (change: Partial<View>) => void;
  select: (keys: string[], add?: boolean) => void;
}

const CLEAN = {
  selection: [],
  finding: null,
  answered: null,
  hidden: new Set<string>(),
  isolated: null,
  groupsOff: new Set<string>(),
  colourBy: 'exposure' as ColourBy,
  tinted: null,
  cut: null,
  sweep: null,
  apart: false,
  measure: null,
  elements: false,
  lit: null,
  pending: null,
  between: 0.5,
  waiting: [],
  palette: false,
  help: false,
  message: null,
  tried: null,
  group: null,
  filters: {},
};

/** Adds keys; takes them away when all were there. */
function toggled(selection: string[], keys: string[]): string[] {
  const now = new Set(selection);
  const all = keys.every((k) => now.has(k));
  for (const k of keys)
    if (all) now.delete(k);
    else now.add(k);
  return [...now];
}

export const useView = create<View>()((set) => ({
  ...CLEAN,
  tab: 'spaces',
  groupBy: 'cause',
  scopeTab: 'elements',
  thermalTab: 'constructions',
  estimateTab: 'climate',
  valueClass: null,
  drawn: (key) => [key],
  set: (change) => set(change),
  select: (keys, add) =>
    set((s) => ({
      selection: add ? toggled(s.selection, keys) : keys,
      finding: add ? s.finding : null,
    })),
}));

/** Another delivery is shown: nothing of the old one stays selected or hidden. */
export function resetView() {
  useView.setState({ ...CLEAN, hidden: new Set(), groupsOff: new Set(), valueClass: null });
}

/** The selection as a set. */
export function useSelection(): ReadonlySet<string> {
  const selection = useView((s) => s.selection);
  return useMemo(() => new Set(selection), [selection]);
}
