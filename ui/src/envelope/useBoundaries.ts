import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type Model, type Project, type Settings } from '../model/api';
import { useAttempt } from '../model/useAttempt';
import { useSettings } from '../model/useSettings';

export type Choices = NonNullable<Settings['boundaries']>;

/** How boundaries were made; and, while other choices are looked at, what those would give. */
export function useBoundaries(model: Model, project: Project) {
  const save = useSettings(project);
  const { id, version } = model.delivery;
  const made: Choices = project.settings.boundaries ?? {};
  const [draft, setDraft] = useState<Choices | null>(null);
  const [saving, setSaving] = useState(false);
  const now = useQuery({
    queryKey: ['boundaries', id, version, made],
    queryFn: () => api.boundaries(id),
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
  const tried = useAttempt(
    draft && ['boundaries', id, version, made, 'try', draft],
    (run, signal) => api.tryBoundaries(id, run, draft!, signal),
  );

  async function make() {
    setSaving(true);
    if (await save({ boundaries: draft ?? undefined }, 'Boundaries made anew.')) setDraft(null);
    setSaving(false);
  }

  return {
    now: now.data ?? null,
    tried: tried.data ?? null,
    trying: tried.working,
    share: tried.share,
    problem: tried.error?.message ?? null,
    choices: draft ?? made,
    changed: draft !== null,
    saving,
    choose: (change: Partial<Choices>) => setDraft({ ...(draft ?? made), ...change }),
    leave: () => setDraft(null),
    make,
  };
}

export type Boundaries = ReturnType<typeof useBoundaries>;
