import { useMemo } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type Model } from '../model/api';
import { useView } from '../model/state';
import { indexScope, readMesh, type ScopeIndex } from './scopeModel';

/** The scope of the model's present version, or as a sheet that is tried would have it. */
export function useScope(model: Model, wanted: boolean): ScopeIndex | null {
  const tried = useView((s) => s.tried);
  const { id, version } = model.delivery;
  const scope = useQuery({
    queryKey: ['scope', id, version],
    queryFn: () => api.scope(id),
    enabled: wanted,
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
  const shown = tried?.version === version ? tried : scope.data;
  return useMemo(() => (shown ? indexScope(shown) : null), [shown]);
}

/** The bodies of the model's elements; null until they are there. */
export function useMesh(model: Model, wanted: boolean) {
  const id = model.delivery.id;
  const mesh = useQuery({
    queryKey: ['mesh', id],
    queryFn: async () => readMesh(await api.mesh(id)),
    enabled: wanted,
    staleTime: Infinity,
  });
  return mesh.data ?? null;
}
