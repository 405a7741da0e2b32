import { useEffect } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Model } from '../model/api';
import type { EstimateRun } from '../model/estimateCalls';

export const isOpen = (r: EstimateRun) => r.state === 'waiting' || r.state === 'running';

/** Runs of a delivery. */
export const useRunsOf = (model: Model | null) =>
  useQuery({
    queryKey: ['estimates', model?.delivery.id, model?.delivery.version],
    queryFn: () => api.runs(model!.delivery.id),
    enabled: !!model,
  });

/** The same, with the progress of those that go on. */
export function useRuns(model: Model) {
  const id = model.delivery.id;
  const client = useQueryClient();
  const runs = useRunsOf(model);
  const open = (runs.data ?? [])
    .filter(isOpen)
    .map((r) => r.id)
    .join(' ');
  useEffect(() => {
    const sources = open
      .split(' ')
      .filter(Boolean)
      .map((run) => {
        const source = new EventSource(`/api/estimates/${run}/events`);
        source.addEventListener('run', (e) => {
          const now = JSON.parse((e as MessageEvent<string>).data) as EstimateRun;
          client.setQueriesData<EstimateRun[]>({ queryKey: ['estimates', id] }, (old) =>
            old?.map((r) => (r.id === now.id ? { ...now, stale: r.stale } : r)),
          );
          if (!isOpen(now)) {
            source.close();
            void client.invalidateQueries({ queryKey: ['estimates', id] });
          }
        });
        return source;
      });
    return () => sources.forEach((s) => s.close());
  }, [open, id, client]);
  return runs;
}

/** What a run has come to. */
export const useResult = (run: EstimateRun | null) =>
  useQuery({
    queryKey: ['estimate', run?.id],
    queryFn: () => api.estimate(run!.id),
    enabled: run?.state === 'done',
    staleTime: Infinity,
  });

/** The climate of the project; null where none is chosen. */
export function useClimate(model: Model) {
  const id = model.delivery.id;
  return useQuery({
    queryKey: ['climate', id, model.delivery.version],
    queryFn: async () => (await api.climate(id)) ?? null,
  });
}
