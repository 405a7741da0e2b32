import { useQueryClient } from '@tanstack/react-query';
import { api, ProblemError, type Project, type Settings } from './api';
import { useView } from './state';

/** Changes settings of a project; whoever changed them first is not written over. */
export function useSettings(project: Project | undefined) {
  const client = useQueryClient();
  const set = useView((s) => s.set);
  return async (change: Partial<Settings>, done?: string): Promise<boolean> => {
    if (!project) return false;
    const key = ['project', project.id];
    try {
      client.setQueryData(key, await api.settings(project, { ...project.settings, ...change }));
      for (const queryKey of [['model'], ['thermal'], ['limits']])
        await client.invalidateQueries({ queryKey });
      if (done) set({ message: { text: done, bad: false } });
      return true;
    } catch (e) {
      set({ message: { text: e instanceof Error ? e.message : String(e), bad: true } });
      if (e instanceof ProblemError && e.kind === 'stale')
        await client.invalidateQueries({ queryKey: key });
      return false;
    }
  };
}
