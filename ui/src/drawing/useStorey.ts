import { useMemo } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api } from '../model/api';
import { fromBelow } from '../model/plan';
import { useBoard } from './board';
import type { Pt } from './plane';
import type { Drawn } from './useDrawing';

const NONE: Map<string, Pt> = new Map();

/** The storey that is drawn on. */
export function useStorey(drawn: Drawn): string {
  const chosen = useBoard((s) => s.storey);
  return drawn.doc.storeys.some((s) => s.name === chosen) ? chosen! : fromBelow(drawn.doc)[0].name;
}

/** Widths and heights of the project's pictures, in pixels. */
export function usePictures(project: string): Map<string, Pt> {
  const found = useQuery({
    queryKey: ['underlays', project],
    queryFn: () => api.underlays(project),
  });
  return useMemo(
    () => (found.data ? new Map(found.data.map((u) => [u.name, [u.width, u.height] as Pt])) : NONE),
    [found.data],
  );
}
