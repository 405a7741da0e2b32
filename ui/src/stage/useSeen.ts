import { useMemo } from 'react';
import { afterRepair, type ModelIndex } from '../model/model';
import { useView } from '../model/state';

/** The building that the stage draws: as it is, or as the repair that is looked at would leave it. */
export function useSeen(index: ModelIndex): ModelIndex {
  const preview = useView((s) => (s.between > 0.5 ? (s.pending?.preview ?? null) : null));
  return useMemo(() => (preview ? afterRepair(index, preview) : index), [index, preview]);
}
