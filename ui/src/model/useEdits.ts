import { useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { api, ProblemError, type Model, type ModelAnswer, type Repair } from './api';
import { leaveAnswered } from './next';
import { merged } from './model';
import { begin, leave, pendingOf, renew, type Pending } from './pending';
import { useView } from './state';

import { useUnits } from './units';

export interface Edits {
  busy: boolean;
  delivery: string;
  /** Version of the model that is shown. */
  version: number;
  apply: (repair: Repair, finding?: string) => Promise<boolean>;
  consider: (repair: Repair, label: string, finding?: string) => void;
  /** Works out anew what a pending repair would do. */
  again: (pending: Pending) => void;
  /** Tries one remedy on many findings. */
  sweep: (findings: string[], like: Repair, label: string) => void;
  /** Makes any change; says what is given, or what the log says of it. */
  change: (
    step: (delivery: string, version: number) => Promise<ModelAnswer>,
    done?: string,
  ) => Promise<boolean>;
  /** Makes a change of scope or values; says what the log says of it. */
  scope: (step: (delivery: string, version: number) => Promise<ModelAnswer>) => Promise<boolean>;
  /** Makes the delivery the newest revision of a part; null for a part of its own. */
  place: (part: number | null) => void;
  undo: () => void;
  redo: () => void;
}

let under = 0;

/** Whether an edit of this page is on its way. */
export const editing = () => under > 0;

/** Changes to the model. An edit carries the version it was based on; when that is stale, the newest state is shown instead. */
export function useEdits(model: Model): Edits {
  const units = useUnits();
  const client = useQueryClient();
  const [busy, setBusy] = useState(false);
  const id = model.delivery.id;
  const version = model.delivery.version;

  async function change(
    step: () => Promise<ModelAnswer>,
    done: (m: Model) => string,
    before: () => void = () => {},
  ): Promise<boolean> {
    if (busy) return false;
    setBusy(true);
    under++;
    try {
      const answer = await step();
      // what changes much is taken anew as a whole
      const next = merged(model, answer) ?? (await api.model(id));
      leaveAnswered(model, next);
      before();
      client.setQueryData(['model', id], next);
      useView.setState({ message: { text: done(next), bad: false } });
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
      under--;
    }
  }

  /** What was done last may have been a change of the project's settings. */
  async function move(
    step: (delivery: string, version: number) => Promise<ModelAnswer>,
    done: string,
  ) {
    await change(
      () => step(id, version),
      () => done,
    );
    for (const queryKey of [['project', model.delivery.projectId], ['thermal'], ['limits']])
      await client.invalidateQueries({ queryKey });
  }

  /** Makes a repair, which is then no longer pending: what is made is not worked out anew. */
  const make = (repair: Repair, finding?: string): Promise<boolean> =>
    change(
      () => api.repair(id, version, repair, finding),
      last,
      () => {
        const { pending } = useView.getState();
        if (pending && (pending.made ?? pending.repair) === repair) leave(pending.id);
      },
    );

  /** Works out what a pending repair would do; makes it when that was asked for meanwhile and it brings nothing new. */
  async function work(p: Pending) {
    try {
      const found = p.of
        ? await api.sweep(id, p.of, p.repair)
        : { preview: await api.preview(id, p.repair) };
      // the model may have changed meanwhile: then it is being worked out anew
      if (pendingOf(p.id)?.version !== p.version) return;
      const { preview, ...of } = { repair: p.repair, left: undefined, ...found };
      const now = renew(p.id, {
        preview: preview ?? null,
        left: of.left,
        // the remedy for many is kept beside the one it was tried with, so that it can be tried again
        made: p.of ? of.repair : undefined,
        error: p.of && !of.repair ? 'It works for none of them.' : null,
      });
      if (now?.wanted && preview && !preview.added.length)
        await make(now.made ?? now.repair, now.finding);
    } catch (e) {
      renew(p.id, { error: e instanceof Error ? e.message : String(e), wanted: false });
    }
  }

  const last = (m: Model) => units.said(m.log.filter((e) => e.inForce).at(-1)?.summary ?? 'Done.');
  return {
    busy,
    delivery: id,
    version,
    apply: make,
    scope: (step) => change(() => step(id, version), last),
    change: (step, done) => change(() => step(id, version), done ? () => done : last),
    sweep: (findings, like, label) =>
      void work(begin({ repair: like, label, of: findings, version })),
    consider: (repair, label, finding) => void work(begin({ repair, label, finding, version })),
    again: (p) =>
      void work({ ...p, ...renew(p.id, { preview: null, error: null, left: undefined, version }) }),
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
