import { useRef } from 'react';
import { hashKey, useQuery, useQueryClient, type QueryKey } from '@tanstack/react-query';
import { api } from './api';

/**
 * Work of the server that takes its time: how far it has come, and given up when nobody waits for
 * it any more, be it that something else is asked for or that the page is left.
 *
 * @param key of what is asked for; null for nothing
 * @param keep what was there before stays until the new has come, where its key begins with this
 */
export function useAttempt<T>(
  key: QueryKey | null,
  work: (run: string, signal: AbortSignal) => Promise<T>,
  keep?: QueryKey,
) {
  const client = useQueryClient();
  const run = useRef('');
  const asked = key ?? ['nothing'];
  const made = useQuery<T>({
    queryKey: asked,
    queryFn: ({ signal }) => {
      const name = crypto.randomUUID();
      run.current = name;
      signal.addEventListener('abort', () => void api.giveUp(name).catch(() => undefined));
      return work(name, signal);
    },
    enabled: !!key,
    staleTime: Infinity,
    retry: false,
    placeholderData: (before, query) =>
      query && keep && hashKey(query.queryKey.slice(0, keep.length)) === hashKey(keep)
        ? before
        : undefined,
  });
  const working = !!key && made.isFetching;
  const share = useQuery({
    queryKey: ['share', ...asked],
    queryFn: () => api.share(run.current),
    enabled: working,
    refetchInterval: 250,
    gcTime: 0,
  });
  return {
    data: key ? made.data : undefined,
    working,
    /** How far it has come, 0 to 1. */
    share: working ? (share.data ?? 0) : 1,
    error: key ? made.error : null,
    /** It is not worked on, though nothing went wrong: somebody has given it up. */
    givenUp: !!key && made.isPending && !made.isFetching,
    giveUp: () => void client.cancelQueries({ queryKey: asked, exact: true }),
    again: () => void made.refetch(),
  };
}
