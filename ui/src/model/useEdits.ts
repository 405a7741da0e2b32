import { useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { api, ProblemError, type Model, type Repair } from './api';
import { leaveAnswered } from './next';
import { merged } from './model';
import { useView } from './state';

import { useUnits } from './units';

export interface Edits {
  busy: boolean;
  apply: (repair: Repair, finding?: string) => Promise<boolean>;
  consider: (repair: Repair, label: string, finding?: string) => void;
  /** Tries one remedy on many findings. */
  sweep: (findings: string[], like: Repair, label: string) => void;
  /** Makes any change; says what is given, or what the log says of it. */
  change: (
    step: (delivery: string, version: number) => Promise<Model>,
    done?: string,
  ) => Promise<boolean>;
  /** Makes a change of scope or values; says what the log says of it. */
  scope: (step: (delivery: string, version: number) => Promise<Model>) => Promise<boolean>;
  /** Makes the delivery the newest revision of a part; null for a part of its own. */
  place: (part: number | null) => void;
  undo: () => void;
  redo: () => void;
}

/** Changes to the model. An edit carries the version it was based on; when that is stale, the newest state is shown instead. */
export function useEdits(model: Model): Edits {
  const units = useUnits();
  const client = useQueryClient();
  const [busy, setBusy] = useState(false);
  const id = model.delivery.id;
  const version = model.delivery.version;

  async function change(step: () => Promise<Model>, done: (m: Model) => string): Promise<boolean> {
    if (busy) return false;
    setBusy(true);
    try {
      const next = merged(model, await step());
      leaveAnswered(model, next);
      client.setQueryData(['model', id], next);
      useView.setState({ pending: null, message: { text: done(next), bad: false } });
      return true;
    } catch (e) {
      useView.setState({
        message: { text: e instanceof Error ? e.message : String(e), bad: true },
      });
      if (e instanceof ProblemError && e.kind === 'stale')
        await client.invalidateQueries({ queryKey: ['model', id] });
      return false;
    } finally {
      setBusy(false);
    }
  }

  /** What was done last may have been a change of the project's settings. */
  async function move(step: (delivery: string, version: number) => Promise<Model>, done: string) {
    await change(
      () => step(id, version),
      () => done,
    );
    for (const queryKey of [['project', model.delivery.projectId], ['thermal'], ['limits']])
      await client.invalidateQueries({ queryKey });
  }

  const last = (m: Model) => units.said(m.log.filter((e) => e.inForce).at(-1)?.summary ?? 'Done.');
  return {
    busy,
    apply: (repair, finding) => change(() => api.repair(id, version, repair, finding), last),
    scope: (step) => change(() => step(id, version), last),
    change: (step, done) => change(() => step(id, version), done ? () => done : last),
    sweep: (findings, like, label) => {
      const pending = { repair: like, label, preview: null, error: null };
      useView.setState({ pending });
      const still = () => useView.getState().pending?.repair === like;
      api.sweep(id, findings, like).then(
        (s) =>
          still() &&
          useView.setState({
            pending: {
              ...pending,
              repair: s.repair ?? like,
              preview: s.preview ?? null,
              left: s.left,
              error: s.repair ? null : 'It works for none of them.',
            },
          }),
        (e) =>
          still() &&
          useView.setState({
            pending: { ...pending, error: e instanceof Error ? e.message : String(e) },
          }),
      );
    },
    consider: (repair, label, finding) => {
      const pending = { repair, label, finding, preview: null, error: null };
      useView.setState({ pending });
      const still = () => useView.getState().pending?.repair === repair;
      api.preview(id, repair).then(
        (preview) => still() && useView.setState({ pending: { ...pending, preview } }),
        (e) =>
          still() &&
          useView.setState({
            pending: { ...pending, error: e instanceof Error ? e.message : String(e) },
          }),
      );
    },
    place: (part) =>
      void change(
        async () => {
          const next = await api.part(id, version, part);
          await client.invalidateQueries({ queryKey: ['project', next.delivery.projectId] });
          return next;
        },
        (m) => `Part ${m.delivery.part}, revision ${m.delivery.revision}`,
      ),
    undo: () => void move(api.undo, `Undone: ${units.said(model.delivery.undoes ?? '')}`),
    redo: () => void move(api.redo, `Made again: ${units.said(model.delivery.redoes ?? '')}`),
  };
}
