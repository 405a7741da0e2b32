import { useCallback } from 'react';
import { useLocation } from 'react-router';

/** Where a workspace of the project is, with the delivery that is open. */
export function useWorkspaceLink(project: string) {
  const { search } = useLocation();
  const delivery = new URLSearchParams(search).get('delivery');
  return useCallback(
    (workspace: string) => ({
      pathname: `/p/${project}/${workspace}`,
      search: delivery ? `?delivery=${delivery}` : '',
    }),
    [project, delivery],
  );
}
