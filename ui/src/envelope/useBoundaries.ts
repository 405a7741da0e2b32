import { useRef, useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Model, type Project, type Settings } from '../model/api';
import { useSettings } from '../model/useSettings';

export type Choices = NonNullable<Settings['boundaries']>;

/** How boundaries were made; and, while other choices are looked at, what those would give. */
export function useBoundaries(model: Model, project: Project) {
  const client = useQueryClient();
  const save = useSettings(project);
  const { id, version } = model.delivery;
  const made: Choices = project.settings.boundaries ?? {};
  const [draft, setDraft] = useState<Choices | null>(null);
  const [saving, setSaving] = useState(false);
  const run = useRef('');
  const now = useQuery({
    queryKey: ['boundaries', id, version, made],
    queryFn: () => api.boundaries(id),
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
  const tried = useQuery({
    queryKey: ['boundaries', id, version, made, 'try', draft],
    queryFn: ({ signal }) => {
      const name = crypto.randomUUID();
      run.current = name;
      // whoever no longer waits for the answer does not want the work done either
      signal.addEventListener('abort', () => void api.cancelTry(id, name).catch(() => undefined));
      return api.tryBoundaries(id, name, draft!, signal);
    },
    enabled: !!draft,
    staleTime: Infinity,
    retry: false,
  });
  const trying = !!draft && tried.isFetching;
  const share = useQuery({
    queryKey: ['boundaries', id, version, made, 'share', draft],
    queryFn: () => api.tryShare(id, run.current).then((s) => s.share),
    enabled: trying,
    refetchInterval: 250,
    gcTime: 0,
  });

  async function make() {
    setSaving(true);
    if (await save({ boundaries: draft ?? undefined }, 'Boundaries made anew.')) setDraft(null);
    setSaving(false);
  }

  return {
    now: now.data ?? null,
    tried: draft ? (tried.data ?? null) : null,
    trying,
    share: trying ? (share.data ?? 0) : 1,
    problem: draft && tried.error ? tried.error.message : null,
    choices: draft ?? made,
    changed: draft !== null,
    saving,
    choose: (change: Partial<Choices>) => setDraft({ ...(draft ?? made), ...change }),
    leave: () => {
      setDraft(null);
      void client.cancelQueries({ queryKey: ['boundaries', id, version, made, 'try'] });
    },
    make,
  };
}

export type Boundaries = ReturnType<typeof useBoundaries>;
