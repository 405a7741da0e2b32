import { useEffect } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import type { Model, Project } from '../model/api';
import { editing } from '../model/useEdits';
import { useView } from '../model/state';
import { unitsOf } from '../model/units';

/** How far a project has come, as the server tells it. */
interface Pulse {
  version: number;
  deliveries: Record<string, number>;
}

/** An answer to an edit of this page may still be on its way when the server tells of it. */
const PATIENCE = 400;

/** What has come to the log; nothing has when something was undone or made again. */
function told(before: Model, now: Model, project: Project | undefined): string {
  const last = now.log.at(-1);
  if (!last || now.log.length <= before.log.length) return 'The model was changed elsewhere.';
  return `Changed elsewhere by ${last.madeBy}: ${unitsOf(project?.settings.units).said(last.summary)}`;
}

/** Shows at once what another page, or somebody else, has changed; a page that is not seen does not listen. */
export function useProjectEvents(project: string) {
  const client = useQueryClient();
  useEffect(() => {
    let source: EventSource | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;

    async function follow(pulse: Pulse) {
      if (editing()) {
        timer = setTimeout(() => void follow(pulse), PATIENCE);
        return;
      }
      const known = client.getQueryData<Project>(['project', project]);
      const ids = known?.deliveries.map((d) => d.id).sort();
      if (
        known &&
        (known.version < pulse.version ||
          JSON.stringify(ids) !== JSON.stringify(Object.keys(pulse.deliveries).sort()))
      )
        await client.invalidateQueries({ queryKey: ['project', project] });
      for (const [id, version] of Object.entries(pulse.deliveries)) {
        const shown = client.getQueryData<Model>(['model', id]);
        if (!shown || shown.delivery.version >= version) continue;
        await client.invalidateQueries({ queryKey: ['model', id] });
        const now = client.getQueryData<Model>(['model', id]);
        if (now) useView.setState({ message: { text: told(shown, now, known), bad: false } });
      }
    }

    function listen() {
      if (document.visibilityState === 'hidden') {
        source?.close();
        source = null;
        return;
      }
      if (source) return;
      source = new EventSource(`/api/projects/${project}/events`);
      source.addEventListener('project', (e) => {
        clearTimeout(timer);
        const pulse = JSON.parse((e as MessageEvent<string>).data) as Pulse;
        timer = setTimeout(() => void follow(pulse), PATIENCE);
      });
    }

    listen();
    document.addEventListener('visibilitychange', listen);
    return () => {
      document.removeEventListener('visibilitychange', listen);
      clearTimeout(timer);
      source?.close();
    };
  }, [client, project]);
}
