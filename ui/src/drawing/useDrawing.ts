import { useEffect, useMemo, useRef, useState } from 'react';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, type PlanSheet } from '../model/api';
import type { PlanDoc } from '../model/plan';
import type { Edits } from '../model/useEdits';
import { prepared } from './edits';

/** What is done to a drawing: the document after it, and what was done, in a sentence. */
export type Act = (doc: PlanDoc) => [PlanDoc, string];

/** A drawing, and how it is changed. */
export interface Drawn {
  doc: PlanDoc;
  /** Rooms and openings in plan; null before anything encloses a room. */
  sheet: PlanSheet | null;
  act: (make: Act) => void;
  /** Something that was done is still on its way. */
  waiting: boolean;
  project: string;
  delivery: string | null;
  /** Takes back what was done last, where the page does not do it itself. */
  undo?: () => void;
}

/**
 * The drawing of a delivery. What is done is shown at once and kept one after the other, each as a step of the log: the next one does
 * not wait for the one before. When one is refused, those that wait for it are gone with it.
 */
export function useDrawing(edits: Edits, project: string): Drawn | { fault: string } | null {
  const plan = useQuery({
    queryKey: ['plan', edits.delivery, edits.version],
    queryFn: () => api.plan(edits.delivery),
    placeholderData: keepPreviousData,
  });
  const [acts, setActs] = useState<{ doc: PlanDoc; says: string }[]>([]);
  /** What was kept last, until the server's own answer is here. */
  const [kept, setKept] = useState<{ doc: PlanDoc; after: number } | null>(null);
  const sending = useRef(false);
  const text = plan.data?.document;
  const server = useMemo(() => (text ? prepared(JSON.parse(text) as PlanDoc) : null), [text]);
  const base = kept && (plan.data?.version ?? 0) <= kept.after ? kept.doc : server;
  const doc = acts.at(-1)?.doc ?? base;

  useEffect(() => {
    const next = acts[0];
    // what was kept last is not known to the page until its version is
    if (!next || edits.busy || sending.current || (kept && edits.version <= kept.after)) return;
    sending.current = true;
    const after = edits.version;
    void edits
      .scope((id, version) => api.draw(id, version, JSON.stringify(next.doc), next.says))
      .then((done) => {
        sending.current = false;
        setKept(done ? { doc: next.doc, after } : null);
        setActs((a) => (done ? a.slice(1) : []));
      });
  }, [acts, edits, kept]);

  if (plan.error) return { fault: plan.error.message };
  if (!doc) return null;
  return {
    doc,
    sheet: plan.data?.sheet ?? null,
    act: (make) =>
      setActs((a) => {
        const [made, says] = make(a.at(-1)?.doc ?? base!);
        return [...a, { doc: made, says }];
      }),
    waiting: acts.length > 0,
    project,
    delivery: edits.delivery,
  };
}
