import { type QueryClient, useQuery } from '@tanstack/react-query';
import { api, type Finding, type Model, type Remedies, type Remedy } from './api';

/** Of so many findings at most remedies are asked for at once. */
const MOST = 200;

const asked = (model: Model, findings: Finding[]) => ({
  queryKey: [
    'remedies',
    model.delivery.id,
    model.delivery.version,
    findings.slice(0, MOST).map((f) => f.id),
  ],
  queryFn: () =>
    findings.length
      ? api.remedies(
          model.delivery.id,
          findings.slice(0, MOST).map((f) => f.id),
        )
      : Promise.resolve<Remedies[]>([]),
  staleTime: Infinity,
});

const byFinding = (all: Remedies[]) => new Map(all.map((r) => [r.finding, r.remedies]));

/** The repairs that would answer findings, by finding; undefined while they are worked out. */
export function useRemedies(model: Model, findings: Finding[]): Map<string, Remedy[]> | undefined {
  return useQuery({ ...asked(model, findings), select: byFinding }).data;
}

/** Those of one finding, for what is done at a key's press. */
export async function remediesOf(
  client: QueryClient,
  model: Model,
  finding: Finding,
): Promise<Remedy[]> {
  const [found] = await client.fetchQuery(asked(model, [finding]));
  return found?.remedies ?? [];
}
