import { useMemo } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type Check } from './api';

/** What the checks are, by code; empty until the server has said it. */
export type Checks = Map<string, Check>;

export function useChecks(): Checks {
  const list = useQuery({ queryKey: ['checks'], queryFn: api.checks, staleTime: Infinity }).data;
  return useMemo(() => new Map((list ?? []).map((c) => [c.code, c])), [list]);
}
