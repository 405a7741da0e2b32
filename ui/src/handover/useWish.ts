import { useMemo, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type Model, type Space } from '../model/api';
import type { HandoverWish, PartBy } from '../model/handoverCalls';
import { useView } from '../model/state';

const KEPT = 'yentra.handover.formats';

function kept(): string[] {
  try {
    const said: unknown = JSON.parse(localStorage.getItem(KEPT) ?? 'null');
    return Array.isArray(said) && said.length ? said.map(String) : ['gbxml-6.01'];
  } catch {
    return ['gbxml-6.01'];
  }
}

/** What a person wants to hand over: formats are remembered, the part is the building's. */
export function useWish(model: Model) {
  const selection = useView((s) => s.selection);
  const [formats, setFormats] = useState(kept);
  const [by, setBy] = useState<PartBy>('ALL');
  const [chosen, setChosen] = useState<Record<string, string[]>>({});
  const [names, setNames] = useState('');
  const [edge, setEdge] = useState<'ADIABATIC' | 'KEEP'>('ADIABATIC');
  const [extras, setExtras] = useState({ report: true, topics: false });

  const selected = useMemo(() => spacesOf(model, selection), [model, selection]);
  const of =
    by === 'ALL'
      ? []
      : by === 'SPACES'
        ? selected
        : by === 'NAMES'
          ? names
              .split(/[,;\n]/)
              .map((n) => n.trim())
              .filter(Boolean)
          : (chosen[by] ?? []);
  const wish: HandoverWish = {
    formats,
    part: { by, of },
    edge,
    ...extras,
  };
  const toggleFormat = (code: string) => {
    const next = formats.includes(code) ? formats.filter((f) => f !== code) : [...formats, code];
    setFormats(next);
    localStorage.setItem(KEPT, JSON.stringify(next));
  };
  return {
    wish,
    /** Nothing is asked for yet: no format, or no spaces. */
    empty: formats.length === 0 || (by !== 'ALL' && of.length === 0),
    /** How many files go out, with report and findings. */
    files: formats.length + Number(extras.report) + Number(extras.topics),
    formats,
    toggleFormat,
    by,
    setBy,
    selected,
    chosen: chosen[by] ?? [],
    choose: (keys: string[]) => setChosen({ ...chosen, [by]: keys }),
    names,
    setNames,
    edge,
    setEdge,
    extras,
    setExtras,
  };
}

export type Wish = ReturnType<typeof useWish>;

/** Spaces that are selected, themselves or by what bounds them. */
function spacesOf(model: Model, selection: string[]): string[] {
  const now = new Set(selection);
  const out = new Set(model.spaces.filter((s) => now.has(s.key)).map((s) => s.key));
  if (out.size) return [...out];
  for (const s of model.surfaces)
    if (now.has(s.key) || s.openings.some((o) => now.has(o.key)))
      s.spaces.forEach((k) => out.add(k));
  return [...out];
}

/** What the files would be, and what is to be said of them, before anything is kept. */
export function useLook(model: Model, wish: Wish) {
  const { id, version } = model.delivery;
  return useQuery({
    queryKey: ['handover-look', id, version, wish.wish],
    queryFn: ({ signal }) => api.lookAtHandover(id, version, wish.wish, signal),
    enabled: !wish.empty,
    staleTime: Infinity,
    gcTime: 60_000,
    retry: false,
    placeholderData: (before) => before,
  });
}

/** Zones by their names, with how many spaces are in each. */
export function zonesOf(spaces: Space[]): [string, number][] {
  const out = new Map<string, number>();
  for (const s of spaces) if (s.zone) out.set(s.zone, (out.get(s.zone) ?? 0) + 1);
  return [...out].sort(([a], [b]) => a.localeCompare(b));
}
