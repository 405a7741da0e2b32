import { useState } from 'react';
import { Camera, Download, FileText, Plus, RotateCw, Trash2 } from 'lucide-react';
import { useQuery } from '@tanstack/react-query';
import { api, type Model } from '../model/api';
import type { Block, WriteUp } from '../model/reportCalls';
import { useAssume } from '../model/useAssume';
import { count } from '../model/words';
import { BlockCard } from './BlockCard';
import { moved, useWriteUps } from './useWriteUps';

/** Reports and write-ups: chosen chapters, variants, sweeps, pictures and text, in the order that a person gives them. */
export function WriteUpPanel({ model, purpose }: { model: Model; purpose: 'report' | 'write-up' }) {
  const { id: delivery, projectId: project, projectName, version } = model.delivery;
  const w = useWriteUps(model);
  const [assume] = useAssume(project);
  const variants = useQuery({
    queryKey: ['variants', delivery, version, assume],
    queryFn: () => api.variants(delivery, assume),
  }).data;
  const [dragged, setDragged] = useState<number | null>(null);
  const [over, setOver] = useState<number | null>(null);
  if (!w.all || !variants) return <p className="p-3 text-muted">Opening the write-ups …</p>;

  const chapters: Block[] = w.all.chapters.map((c) => ({
    kind: 'ChapterBlock',
    chapter: c.chapter,
  }));
  const fresh = (full: boolean): WriteUp => ({
    title: full ? `${projectName}: report` : `${projectName}: what changes would do`,
    paper: 'A4',
    units: null,
    blocks: full
      ? chapters
      : [
          { kind: 'TextBlock', heading: 'Summary', text: '' },
          { kind: 'ComparisonBlock', variants: [] },
        ],
  });
  const kept = w.chosen;
  const beginnings = (
    <>
      <button className="btn" onClick={() => void w.add(fresh(true))} data-testid="new-report">
        <FileText size={13} /> New report, all chapters
      </button>
      <button className="btn" onClick={() => void w.add(fresh(false))} data-testid="new-write-up">
        <Plus size={13} /> New write-up
      </button>
    </>
  );
  if (!kept)
    return (
      <div className="p-4" data-testid="write-up">
        <p className="mb-2 max-w-[70ch] text-muted">
          {purpose === 'report'
            ? 'A report goes with a handover: where the building stands, what was read, repaired and left, constructions, loads, the year. Choose its chapters and take it as PDF.'
            : 'A write-up tells others what variants would do: text of yours, pictures of the model, tables and charts that stay true. Take it as PDF or as one HTML page.'}
        </p>
        <div className="flex gap-1.5">{beginnings}</div>
        {w.error && (
          <p className="mt-1 font-semibold text-blocker" role="alert">
            {w.error}
          </p>
        )}
      </div>
    );
  const blocks = kept.body.blocks;
  const set = (list: Block[]) => void w.change(kept, { blocks: list });
  const old = w.pictures.filter(
    (p) => p.old && blocks.some((b) => b.kind === 'PictureBlock' && b.picture === p.id),
  );

  function add(what: string) {
    const [kind, of] = what.split(' ');
    if (kind === 'text') set([...blocks, { kind: 'TextBlock', heading: '', text: '' }]);
    if (kind === 'comparison') set([...blocks, { kind: 'ComparisonBlock', variants: [] }]);
    if (kind === 'measure') {
      const first = variants!.variants.find((v) => v.id === of)?.changes.find((c) => !c.from)
        ?.change.kind;
      const text = (first && w.all!.remembered[first]) ?? '';
      set([...blocks, { kind: 'MeasureBlock', variant: of, text }]);
    }
    if (kind === 'sweep')
      set([...blocks, { kind: 'SweepBlock', sweep: of, metric: variants!.judgedBy }]);
    if (kind === 'chapter') set([...blocks, { kind: 'ChapterBlock', chapter: of } as Block]);
  }

  function drop(to: number) {
    if (dragged !== null && dragged !== to) set(moved(blocks, dragged, to));
    setDragged(null);
    setOver(null);
  }

  return (
    <div className="flex min-h-0 flex-1 flex-col" data-testid="write-up">
      <div className="flex shrink-0 flex-wrap items-center gap-1.5 border-b border-line px-4 py-2">
        {w.all.writeUps.length > 1 && (
          <select
            className="field max-w-52"
            aria-label="Report or write-up"
            value={kept.id}
            onChange={(e) => w.pick(e.target.value)}
          >
            {w.all.writeUps.map((x) => (
              <option key={x.id} value={x.id}>
                {x.body.title || 'Untitled'}
              </option>
            ))}
          </select>
        )}
        {beginnings}
        <button
          className="btn-quiet !px-1"
          title={`Take ${kept.body.title || 'it'} away`}
          onClick={() => void w.remove(kept)}
        >
          <Trash2 size={14} />
        </button>
        <span className="ml-auto flex items-center gap-1.5">
          {w.busy && (
            <span className="text-muted" role="status">
              {w.busy}
            </span>
          )}
          <button
            className="btn"
            disabled={!!w.busy || !blocks.length}
            onClick={() => void w.report(kept, 'html', assume)}
            data-testid="html"
          >
            <Download size={13} /> HTML
          </button>
          <button
            className="btn btn-main"
            disabled={!!w.busy || !blocks.length}
            onClick={() => void w.report(kept, 'pdf', assume)}
            data-testid="pdf"
          >
            <Download size={13} /> PDF
          </button>
        </span>
      </div>
      <div className="min-h-0 flex-1 overflow-y-auto px-4 py-2">
        {w.error && (
          <p className="mb-1 font-semibold text-blocker" role="alert">
            {w.error}
          </p>
        )}
        <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
          <Title
            key={kept.id}
            value={kept.body.title}
            onChange={(title) => void w.change(kept, { title })}
          />
          <select
            className="field"
            aria-label="Paper"
            value={kept.body.paper}
            onChange={(e) => void w.change(kept, { paper: e.target.value as WriteUp['paper'] })}
          >
            <option value="A4">A4</option>
            <option value="LETTER">Letter</option>
          </select>
          <select
            className="field"
            aria-label="Units"
            value={kept.body.units ?? ''}
            onChange={(e) =>
              void w.change(kept, { units: (e.target.value || null) as WriteUp['units'] })
            }
          >
            <option value="">units of the project</option>
            <option value="SI">SI</option>
            <option value="IP">IP</option>
          </select>
        </div>
        {old.length > 0 && (
          <p className="mt-1.5 font-semibold text-warning" data-testid="old-pictures">
            {count(old.length, 'picture')} {old.length === 1 ? 'is' : 'are'} older than the
            building’s last change.{' '}
            <button
              className="text-kelp underline"
              onClick={() => void w.again(old)}
              data-testid="take-again"
            >
              <RotateCw size={12} className="inline" /> Take {old.length === 1 ? 'it' : 'them'}{' '}
              again
            </button>
          </p>
        )}
        <ol className="mt-2 space-y-1.5">
          {blocks.map((b, i) => (
            <BlockCard
              key={`${kept.id} ${i}`}
              block={b}
              place={i}
              of={blocks.length}
              over={over === i && dragged !== null}
              variants={variants}
              chapters={w.all!.chapters}
              picture={
                b.kind === 'PictureBlock' ? w.pictures.find((p) => p.id === b.picture) : undefined
              }
              onChange={(x) => set(blocks.map((y, k) => (k === i ? x : y)))}
              onRemove={() => void w.takeOut(kept, i)}
              onMove={(by) => set(moved(blocks, i, i + by))}
              onDrag={() => setDragged(i)}
              onOver={() => setOver(i)}
              onDrop={() => drop(i)}
            />
          ))}
        </ol>
        <div className="mt-2 flex flex-wrap items-center gap-1.5">
          <select
            className="field"
            aria-label="Add a part"
            value=""
            onChange={(e) => add(e.target.value)}
            data-testid="add-part"
          >
            <option value="">Add a part …</option>
            <option value="text">Text of yours</option>
            <option value="comparison">Variants side by side</option>
            {variants.variants.length > 0 && (
              <optgroup label="A variant">
                {variants.variants.map((v) => (
                  <option key={v.id} value={`measure ${v.id}`}>
                    {v.name}
                  </option>
                ))}
              </optgroup>
            )}
            {variants.sweeps.length > 0 && (
              <optgroup label="A sweep">
                {variants.sweeps.map((s) => (
                  <option key={s.id} value={`sweep ${s.id}`}>
                    {s.name}
                  </option>
                ))}
              </optgroup>
            )}
            <optgroup label="A chapter of the report">
              {w.all.chapters
                .filter(
                  (c) => !blocks.some((b) => b.kind === 'ChapterBlock' && b.chapter === c.chapter),
                )
                .map((c) => (
                  <option key={c.chapter} value={`chapter ${c.chapter}`}>
                    {c.label}
                  </option>
                ))}
            </optgroup>
          </select>
          <button
            className="btn"
            disabled={!!w.busy || !w.canTake()}
            title="As the model is shown now: view, colours, cut"
            onClick={() => void w.picture(kept)}
            data-testid="take-picture"
          >
            <Camera size={13} /> Picture of the model as shown
          </button>
        </div>
      </div>
    </div>
  );
}

function Title({ value, onChange }: { value: string; onChange: (v: string) => void }) {
  const [text, setText] = useState(value);
  return (
    <label className="flex min-w-72 flex-1 items-center gap-1.5">
      <span className="text-muted">Title</span>
      <input
        className="field min-w-0 flex-1 font-semibold"
        value={text}
        maxLength={120}
        onChange={(e) => setText(e.target.value)}
        onBlur={() => text !== value && onChange(text)}
        onKeyDown={(e) => e.key === 'Enter' && text !== value && onChange(text)}
      />
    </label>
  );
}
