import { useQuery } from '@tanstack/react-query';
import { api, type Model } from '../model/api';

/** Thermal properties of a delivery's state. */
export function useThermal(model: Model, enabled = true) {
  const { id, version } = model.delivery;
  return useQuery({
    queryKey: ['thermal', id, version],
    queryFn: () => api.thermal(id),
    enabled,
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
}

/** What spaces are used for, their zones and schedules. */
export function useConditions(model: Model) {
  const { id, version } = model.delivery;
  return useQuery({
    queryKey: ['conditions', id, version],
    queryFn: () => api.conditions(id),
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
}

/** What ships, what is shared, and what the project has of its own. */
export function useLibrary(project: string) {
  return useQuery({
    queryKey: ['library', project],
    queryFn: () => api.library(project),
    staleTime: Infinity,
  });
}
