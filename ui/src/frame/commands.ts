import type { NavigateFunction } from 'react-router';
import { useBoard } from '../drawing/board';
import { TOOLS } from '../drawing/words';
import type { Model, Project } from '../model/api';
import { turnLead, useLayout } from '../model/layout';
import type { ModelIndex } from '../model/model';
import { nextFinding } from '../model/next';
import { useView } from '../model/state';
import type { Units } from '../model/units';
import type { Edits } from '../model/useEdits';
import { SIMPLIFICATIONS } from '../shared/actions';
import {
  TABLE_NAMES,
  tablesOf,
  WORKSPACES,
  type TableName,
  type Workspace,
} from '../shared/workspaces';
import { COLOUR_BY } from '../stage/colouring';
import { hide, isolate, showAll } from '../stage/visibility';
import { openTable } from './address';

/** Something to do or to find. */
export interface Entry {
  label: string;
  /** What it is, or the keys that do it without the palette. */
  kind: string;
  /** Other words that it is looked for by. */
  words?: string;
  run: () => void;
}

const frame = (detail?: string) => () =>
  window.dispatchEvent(new CustomEvent('yentra:frame', { detail }));

/** Each table once: those of objects where they are made, that of findings where they are answered. */
const OPENED = WORKSPACES.flatMap(([w, workspace]) =>
  tablesOf(w)
    .filter((t) => (t === 'findings' ? w === 'findings' : w !== 'findings' || !isObject(t)))
    .map((table) => ({ w, workspace, table })),
);

function isObject(table: TableName) {
  return table === 'spaces' || table === 'surfaces' || table === 'openings';
}

/** What can be done on every page. */
export function everywhere(): Entry[] {
  const layout = useLayout.getState();
  const dark = layout.theme === 'slate';
  return [
    {
      label: dark ? 'Light paper' : 'Dark slate',
      kind: 'command',
      words: 'theme colours dark light',
      run: () => layout.set({ theme: dark ? 'paper' : 'slate' }),
    },
    {
      label: 'Keyboard shortcuts',
      kind: '?',
      words: 'help',
      run: () => useView.setState({ help: true }),
    },
  ];
}

/** Presses a button of a workspace that may still be opening. */
function pressWhenThere(selector: string, frames = 120) {
  const button = document.querySelector<HTMLElement>(selector);
  if (button) {
    button.focus();
    button.click();
  } else if (frames) requestAnimationFrame(() => pressWhenThere(selector, frames - 1));
}

/** Buttons and links of the page that can be pressed now, by their words; those above have their own entry. */
export function onThisPage(known: Entry[]): Entry[] {
  const names = new Set(known.map((e) => e.label.toLowerCase()));
  const out: Entry[] = [];
  const add = (el: HTMLElement, label: string, kind: string, run: () => void) => {
    const text = label.replace(/\s+/g, ' ').trim();
    if (text.length < 2 || names.has(text.toLowerCase()) || !el.checkVisibility?.()) return;
    names.add(text.toLowerCase());
    out.push({ label: text, kind, run });
  };
  for (const el of document.querySelectorAll<HTMLElement>(
    'main button:not(:disabled), main a.btn, aside button:not(:disabled), header button:not(:disabled)',
  )) {
    if (el.closest('[role=row],[role=grid],[role=tablist],[data-testid=ladder],li')) continue;
    const words = el.querySelector('kbd') ? withoutKeys(el) : el.textContent;
    add(el, words || el.title || '', 'here', () => el.click());
  }
  for (const el of document.querySelectorAll<HTMLElement>(
    'main input[aria-label], main select[aria-label], header input[aria-label]',
  ))
    add(el, el.getAttribute('aria-label')!, 'field', () => el.focus());
  return out;
}

function withoutKeys(el: HTMLElement): string {
  const copy = el.cloneNode(true) as HTMLElement;
  copy.querySelectorAll('kbd').forEach((k) => k.remove());
  return copy.textContent ?? '';
}

/** Everything that can be done with an open delivery. */
export function commands(
  project: Project,
  model: Model,
  index: ModelIndex,
  edits: Edits,
  workspace: Workspace,
  navigate: NavigateFunction,
  to: (workspace: string) => { pathname: string; search: string },
): Entry[] {
  const set = useView.setState;
  const layout = useLayout.getState();
  const go = (w: string) => void navigate(to(w));
  const goTo = (w: Workspace, table: TableName) => () => {
    go(w);
    // the workspace begins with its usual table; this one is asked for
    setTimeout(() => set(openTable(w, table)), 0);
  };
  const download = (path: string) => () => {
    const a = document.createElement('a');
    a.href = path;
    a.download = '';
    a.click();
  };
  const { id, canUndo, canRedo } = model.delivery;
  const all: (Entry & { when?: boolean })[] = [
    ...WORKSPACES.map(([key, label], i) => ({
      label: `Go to ${label}`,
      kind: String(i + 1),
      run: () => go(key),
    })),
    ...OPENED.map(({ w, workspace: name, table }) => ({
      label: TABLE_NAMES[table],
      kind: `table of ${name}`,
      words: 'open show table',
      run: goTo(w, table),
    })),
    { label: 'Next finding', kind: 'N', run: () => nextFinding(index, 1) },
    { label: 'Previous finding', kind: 'P', run: () => nextFinding(index, -1) },
    { label: 'Undo', kind: 'Ctrl Z', run: edits.undo, when: canUndo },
    { label: 'Redo', kind: 'Ctrl Shift Z', run: edits.redo, when: canRedo },
    { label: 'Show only the selection', kind: 'I', words: 'isolate', run: isolate },
    { label: 'Hide the selection', kind: 'H', run: hide },
    { label: 'Show everything', kind: 'A', run: showAll },
    { label: 'Frame the selection', kind: 'F', words: 'zoom', run: frame() },
    { label: 'Frame the whole', kind: '0', words: 'zoom all', run: frame('all') },
    { label: 'Measure a distance', kind: 'M', run: () => set({ measure: 'distance' }) },
    { label: 'Measure a height', kind: 'command', run: () => set({ measure: 'height' }) },
    { label: 'Measure an area', kind: 'command', run: () => set({ measure: 'area' }) },
    {
      label: 'The architect’s elements around the envelope',
      kind: 'B',
      run: () => set((v) => ({ elements: !v.elements })),
      when: model.delivery.format === 'ifc',
    },
    {
      label: 'Pull the storeys apart, or put them together',
      kind: 'command',
      run: () => set((v) => ({ apart: !v.apart })),
    },
    ...COLOUR_BY.filter(([k]) => k !== 'change' || model.delivery.revision > 1).map(
      ([key, label]) => ({
        label: `Colour by: ${label.toLowerCase()}`,
        kind: 'command',
        run: () => set({ colourBy: key, groupsOff: new Set<string>() }),
      }),
    ),
    {
      label: 'Give the room to the model, or to the tables',
      kind: 'V',
      words: 'arrange layout inset',
      run: () => turnLead(workspace),
    },
    {
      label: 'Usual sizes of all parts',
      kind: 'command',
      words: 'layout reset arrange',
      run: () => layout.set({ sheet: null, side: null, inset: null, leads: {} }),
    },
    ...(['path', 'legend', 'storeys', 'sheet'] as const).map((part) => ({
      label: `Fold or unfold the ${part}`,
      kind: 'command',
      run: () => layout.set({ [`${part}Folded`]: !layout[`${part}Folded`] }),
    })),
    {
      label: 'Give a construction',
      kind: 'command',
      words: 'assign layers thermal',
      run: goTo('thermal', 'constructions'),
    },
    {
      label: 'Place, climate and ground of the project',
      kind: 'command',
      words: 'settings weather station latitude longitude north use',
      run: () => go('intake'),
    },
    {
      label: 'Change the drawing',
      kind: 'command',
      words: 'plan storey height width roof windows overhang band',
      run: () => go('intake'),
      when: model.delivery.format === 'plan',
    },
    ...TOOLS.map(([tool, label, , title]) => ({
      label: `Drawing: ${label.toLowerCase()}`,
      kind: 'command' as const,
      words: `draw plan board ${title}`,
      run: () => {
        useBoard.setState({ tool, part: null });
        go('intake');
      },
      when: model.delivery.format === 'plan',
    })),
    {
      label: 'Bring in the next delivery',
      kind: 'command',
      words: 'upload import revision file part merge',
      run: () => go('intake'),
    },
    {
      label: 'Hand over the chosen files',
      kind: 'command',
      words: 'export write download gbxml ifc gltf dxf xlsx schedules zip package',
      run: () => {
        go('handover');
        pressWhenThere('[data-testid=write]');
      },
    },
    {
      label: 'Save what is in scope as IFC',
      kind: 'command',
      words: 'export trimmed download',
      run: download(`/api/deliveries/${id}/scope/file`),
      when: model.delivery.format === 'ifc',
    },
    {
      label: 'Bring in or save BCF topics',
      kind: 'command',
      words: 'export import comments',
      run: goTo('findings', 'findings'),
    },
    ...SIMPLIFICATIONS.map(({ label, repair, words }) => ({
      label,
      kind: 'repair',
      words,
      run: () => edits.consider(repair, label),
    })),
    {
      label: `Other projects than ${project.name}`,
      kind: 'command',
      words: 'all projects open close',
      run: () => void navigate('/'),
    },
    ...everywhere(),
  ];
  return all.filter((e) => e.when !== false);
}

/** Every object and finding of a delivery. */
export function objects(index: ModelIndex, units: Units): Entry[] {
  const go = (key: string) => () => {
    useView.getState().select([key]);
    frame()();
  };
  return [
    ...index.model.spaces.map((s) => ({
      label: s.name,
      kind: `space ${s.fileId}`,
      run: go(s.key),
    })),
    ...index.model.surfaces.map((s) => ({
      label: s.label,
      kind: `surface ${s.fileId}`,
      run: go(s.key),
    })),
    ...[...index.openings.values()].map((o) => ({
      label: o.label,
      kind: `opening ${o.fileId}`,
      run: go(o.key),
    })),
    ...index.model.findings.map((f) => ({
      label: units.said(f.message),
      kind: f.code,
      run: () => useView.setState({ finding: f.id, selection: [], tab: 'findings' as const }),
    })),
  ];
}

/**
 * Entries that have all the words: what is called exactly that, then commands, then objects and findings as they are given; last what has
 * the words only within others.
 */
export function found(entries: Entry[], query: string, most: number): Entry[] {
  const text = query.toLowerCase().trim();
  const words = text.split(/\s+/).filter(Boolean);
  const tiers: Entry[][] = [[], [], [], [], []];
  for (const e of entries) {
    const label = e.label.toLowerCase();
    const all = ` ${label} ${e.kind.toLowerCase()} ${e.words ?? ''}`;
    if (!words.every((w) => all.includes(w))) continue;
    const begins = words.every((w) => new RegExp(`[^\\p{L}\\d]${escaped(w)}`, 'u').test(all));
    const tier =
      text && label === text
        ? 0
        : !begins
          ? 4
          : !isCommand(e)
            ? 3
            : text && label.startsWith(text)
              ? 1
              : 2;
    if (tiers[tier].length < most) tiers[tier].push(e);
  }
  return tiers.flat().slice(0, most);
}

const escaped = (word: string) => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

const isCommand = (e: Entry) => !/^(space|surface|opening) |^[A-Z]{3}-\d/.test(e.kind);
