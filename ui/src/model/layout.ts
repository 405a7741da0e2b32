import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** What has the room in a workspace: the model with its table beneath, or the work with the model as an inset. */
export type Lead = 'model' | 'work';

export type Theme = 'paper' | 'slate';

/** Sizes in pixels that a person has dragged; null for the usual share of the window. */
interface Sizes {
  /** Height of the sheet under the model. */
  sheet: number | null;
  /** Width of the column at the right. */
  side: number | null;
  /** Height of the model as an inset. */
  inset: number | null;
}

/** How a person has arranged the page; kept in the browser. */
export interface Layout extends Sizes {
  /** By workspace, where it is not the usual. */
  leads: Record<string, Lead>;
  sheetFolded: boolean;
  pathFolded: boolean;
  legendFolded: boolean;
  storeysFolded: boolean;
  theme: Theme;
  set: (change: Partial<Layout>) => void;
}

/** What the work of a workspace needs most. */
const USUAL: Record<string, Lead> = { envelope: 'model', findings: 'model' };

/** Bounds of what can be dragged, and the usual share of the window. */
export const SIZES = {
  sheet: { least: 120, most: (h: number) => h - 240, usual: (h: number) => 0.4 * h, from: 344 },
  // from a width on that has room for two columns of forms beside the work
  side: {
    least: 260,
    most: (w: number) => w / 2,
    usual: (w: number) => (w >= 1800 ? 0.32 : 0.2) * w,
    from: 320,
  },
  inset: { least: 150, most: (h: number) => h - 240, usual: (h: number) => 0.3 * h, from: 236 },
};

export const useLayout = create<Layout>()(
  persist(
    (set) => ({
      leads: {},
      sheet: null,
      side: null,
      inset: null,
      sheetFolded: false,
      pathFolded: false,
      legendFolded: false,
      storeysFolded: false,
      theme: 'paper',
      set: (change) => set(change),
    }),
    { name: 'yentra.layout', version: 1 },
  ),
);

export const leadOf = (l: Pick<Layout, 'leads'>, workspace: string): Lead =>
  l.leads[workspace] ?? USUAL[workspace] ?? 'work';

/** Gives the room of a workspace to the other part. */
export function turnLead(workspace: string) {
  const { leads, set } = useLayout.getState();
  const now = leadOf({ leads }, workspace);
  set({ leads: { ...leads, [workspace]: now === 'model' ? 'work' : 'model' } });
}

/** A size within its bounds, in a window so wide or high. */
export function sizeOf(which: keyof Sizes, dragged: number | null, room: number): number {
  const s = SIZES[which];
  const wanted = dragged ?? Math.max(s.from, s.usual(room));
  return Math.round(Math.max(s.least, Math.min(s.most(room), wanted)));
}
