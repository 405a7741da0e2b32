import { useEffect, useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Model } from '../../model/api';
import type { Variant, VariantRun, VariantSpec } from '../../model/variantCalls';

export const isOpen = (r: Pick<VariantRun, 'state'>) =>
  r.state === 'waiting' || r.state === 'running';

/** The project's variants on a delivery, told of whenever a run ends. */
export function useVariants(model: Model, assumeMissing: boolean) {
  const id = model.delivery.id;
  return useQuery({
    queryKey: ['variants', id, model.delivery.version, assumeMissing],
    queryFn: () => api.variants(id, assumeMissing),
    placeholderData: (old) => old,
  });
}

/** Asks again for variants and sweeps when the server says that there is something new; once for many runs. */
export function useVariantPulse(delivery: string) {
  const client = useQueryClient();
  useEffect(() => {
    const source = new EventSource(`/api/deliveries/${delivery}/variants/events`);
    source.addEventListener('variants', () => {
      void client.invalidateQueries({ queryKey: ['variants', delivery] });
      void client.invalidateQueries({ queryKey: ['sweep'] });
    });
    return () => source.close();
  }, [delivery, client]);
}

export const useChoices = (model: Model) =>
  useQuery({
    queryKey: ['change-choices', model.delivery.id, model.delivery.version],
    queryFn: () => api.changeChoices(model.delivery.id),
    placeholderData: (old) => old,
  });

/** Does something on the server, says what went wrong, and asks for the variants anew. */
export function useAct(delivery: string) {
  const client = useQueryClient();
  const [error, setError] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  async function act<T>(what: () => Promise<T>): Promise<T | null> {
    setError(null);
    setBusy(true);
    try {
      const out = await what();
      await client.invalidateQueries({ queryKey: ['variants', delivery] });
      return out;
    } catch (e) {
      setError(e instanceof Error ? e.message : String(e));
      return null;
    } finally {
      setBusy(false);
    }
  }
  return { act, error, busy };
}

/** A variant as a person describes it: what was taken up from others is theirs. */
export const specOf = (v: Variant): VariantSpec => ({
  name: v.name,
  group: v.group,
  parts: v.parts,
  changes: v.changes
    .filter((c) => !c.from)
    .map((c) => ({ change: c.change, effort: c.effort ?? null })),
});

/** "Variant 3", not taken by another. */
export function freeName(variants: Variant[], like = 'Variant'): string {
  const taken = new Set(variants.map((v) => v.name));
  for (let i = variants.length + 1; ; i++) if (!taken.has(`${like} ${i}`)) return `${like} ${i}`;
}
