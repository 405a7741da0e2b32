import { useMemo } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type Model } from '../api';
import { useView } from '../state';
import { elementSubject, indexScope, readMesh, type ScopeIndex } from './scopeModel';

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

/** What the stage shows in the scope workspace; null until the bodies are there. */
export function useElementSubject(model: Model, index: ScopeIndex | null, wanted: boolean) {
  const id = model.delivery.id;
  const mesh = useQuery({
    queryKey: ['mesh', id],
    queryFn: async () => readMesh(await api.mesh(id)),
    enabled: wanted,
    staleTime: Infinity,
  });
  return useMemo(
    () => (index && mesh.data ? elementSubject(index, mesh.data, model.storeys) : null),
    [index, mesh.data, model.storeys],
  );
}
