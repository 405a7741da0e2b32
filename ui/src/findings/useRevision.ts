import { useQuery } from '@tanstack/react-query';
import { api, type Model } from '../model/api';

/** What changed since the revision before, and what becomes of its repairs. */
export function useRevision(model: Model, enabled = true) {
  const { id, version } = model.delivery;
  return useQuery({
    queryKey: ['revision', id, version],
    queryFn: () => api.revision(id),
    enabled,
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
}
