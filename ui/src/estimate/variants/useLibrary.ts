import { useQuery } from '@tanstack/react-query';
import { api } from '../../model/api';

/** What constructions and window types there are to choose from. */
export const useLibrary = (project: string) =>
  useQuery({
    queryKey: ['library', project],
    queryFn: () => api.library(project),
  }).data;
