import { useEffect, useState } from 'react';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, ProblemError } from '../model/api';
import type { PlanDoc } from '../model/plan';

const PAUSE = 250;

/** What a drawing comes to, asked for when typing rests. */
export function useTried(doc: PlanDoc) {
  const text = JSON.stringify(doc);
  const [rested, setRested] = useState(text);
  useEffect(() => {
    const t = setTimeout(() => setRested(text), PAUSE);
    return () => clearTimeout(t);
  }, [text]);
  const tried = useQuery({
    queryKey: ['plan', 'try', rested],
    queryFn: ({ signal }) => api.tryPlan(rested, signal),
    // what encloses nothing comes to nothing
    enabled: doc.floors.length > 0 && rested === text,
    retry: false,
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });
  const fault = tried.error instanceof ProblemError ? tried.error.message : null;
  return { tried: tried.data, fault, current: rested === text && !tried.isFetching };
}
