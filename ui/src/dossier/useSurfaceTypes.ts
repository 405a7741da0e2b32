import { useQuery } from '@tanstack/react-query';
import { api } from '../model/api';

/** The surface types of gbXML with their names. */
export function useSurfaceTypes() {
  return (
    useQuery({ queryKey: ['surface-types'], queryFn: api.surfaceTypes, staleTime: Infinity })
      .data ?? []
  );
}
