import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, ProblemError, type Model } from '../model/api';
import type { Block, KeptWriteUp, StagePicture, WriteUp } from '../model/reportCalls';
import { canTakePictures, takeAgain, takePicture, type Look } from '../stage/pictures';

/** A project's write-ups; what is changed is kept at once. */
export function useWriteUps(model: Model) {
  const { id: delivery, projectId: project, version } = model.delivery;
  const client = useQueryClient();
  const key = ['write-ups', project];
  const all = useQuery({ queryKey: key, queryFn: () => api.writeUps(project) }).data;
  const pictures =
    useQuery({
      queryKey: ['pictures', delivery, version],
      queryFn: () => api.pictures(delivery),
      placeholderData: (old) => old,
    }).data ?? [];
  const [picked, setPicked] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const [busy, setBusy] = useState<string | null>(null);
  const chosen = all?.writeUps.find((w) => w.id === picked) ?? all?.writeUps.at(-1) ?? null;

  async function act<T>(what: () => Promise<T>, says: string | null = null): Promise<T | null> {
    setError(null);
    setBusy(says);
    try {
      return await what();
    } catch (e) {
      setError(e instanceof Error ? e.message : String(e));
      if (e instanceof ProblemError && e.kind === 'stale')
        await client.invalidateQueries({ queryKey: key });
      return null;
    } finally {
      setBusy(null);
    }
  }

  async function add(body: WriteUp) {
    const made = await act(() => api.addWriteUp(project, body));
    await client.invalidateQueries({ queryKey: key });
    if (made) setPicked(made.id);
  }

  /** Shown at once; the server has the last word. */
  async function change(w: KeptWriteUp, part: Partial<WriteUp>) {
    const body = { ...w.body, ...part };
    client.setQueryData<typeof all>(
      key,
      (old) =>
        old && {
          ...old,
          writeUps: old.writeUps.map((x) =>
            x.id === w.id ? { ...x, body, version: w.version + 1 } : x,
          ),
        },
    );
    const done = await act(() => api.changeWriteUp(w.id, w.version, body).then(() => true));
    if (!done) await client.invalidateQueries({ queryKey: key });
    else if (part.blocks?.some((b) => b.kind === 'MeasureBlock'))
      // what is said of a measure is remembered for its kind
      await client.invalidateQueries({ queryKey: key });
  }

  /** Takes a part out; a picture goes with the part that shows it. */
  async function takeOut(w: KeptWriteUp, place: number) {
    const out = w.body.blocks[place];
    await change(w, { blocks: w.body.blocks.filter((_, i) => i !== place) });
    await dropPictures([out]);
  }

  async function dropPictures(blocks: Block[]) {
    const ids = blocks.flatMap((b) => (b.kind === 'PictureBlock' && b.picture ? [b.picture] : []));
    for (const id of ids) await act(() => api.deletePicture(id));
    if (ids.length) await renewed();
  }

  async function remove(w: KeptWriteUp) {
    await act(() => api.deleteWriteUp(w.id));
    await dropPictures(w.body.blocks);
    setPicked(null);
    await client.invalidateQueries({ queryKey: key });
  }

  const renewed = () => client.invalidateQueries({ queryKey: ['pictures', delivery] });

  async function picture(w: KeptWriteUp) {
    const made = await act(async () => {
      const { png, look } = await takePicture();
      return api.keepPicture(delivery, JSON.stringify(look), png);
    }, 'Taking the picture …');
    if (!made) return;
    await renewed();
    await change(w, {
      blocks: [...w.body.blocks, { kind: 'PictureBlock', picture: made.id, caption: '' }],
    });
  }

  /** Pictures taken again, one after the other, each as it was looked at. */
  async function again(which: StagePicture[]) {
    await act(async () => {
      for (const p of which) {
        const png = await takeAgain(JSON.parse(p.look) as Look);
        await api.keepPicture(delivery, p.look, png, p.id);
      }
    }, 'Taking pictures again …');
    await renewed();
  }

  async function report(w: KeptWriteUp, format: 'pdf' | 'html', assume: boolean) {
    const file = await act(
      () => api.report(delivery, format, assume, w.body),
      format === 'pdf' ? 'Making the PDF …' : 'Making the page …',
    );
    if (!file) return;
    const url = URL.createObjectURL(file);
    const a = document.createElement('a');
    a.href = url;
    a.download = `${(w.body.title || model.delivery.projectName).replace(/[^\p{L}\p{N}]+/gu, '-')}.${format}`;
    a.click();
    setTimeout(() => URL.revokeObjectURL(url), 10_000);
  }

  return {
    all,
    chosen,
    pictures,
    error,
    busy,
    canTake: canTakePictures,
    pick: setPicked,
    add,
    change,
    takeOut,
    remove,
    picture,
    again,
    report,
  };
}

/** A block moved to another place. */
export function moved(blocks: Block[], from: number, to: number): Block[] {
  const list = [...blocks];
  const [one] = list.splice(from, 1);
  list.splice(to, 0, one);
  return list;
}
