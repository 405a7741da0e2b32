import { useState } from 'react';
import { ArrowDown, ArrowUp, GripVertical, X } from 'lucide-react';
import type { Block, StagePicture, WriteUps } from '../model/reportCalls';
import type { Variants } from '../model/variantCalls';

/** One part of a write-up: what it is, the person's words about it, and its place, by dragging or by arrows. */
export function BlockCard({
  block: b,
  place,
  of,
  over,
  variants,
  chapters,
  picture,
  onChange,
  onRemove,
  onMove,
  onDrag,
  onOver,
  onDrop,
}: {
  block: Block;
  place: number;
  of: number;
  over: boolean;
  variants: Variants;
  chapters: WriteUps['chapters'];
  picture: StagePicture | undefined;
  onChange: (b: Block) => void;
  onRemove: () => void;
  onMove: (by: number) => void;
  onDrag: () => void;
  onOver: () => void;
  onDrop: () => void;
}) {
  const name = nameOf(b, variants, chapters);
  return (
    <li
      className={`flex gap-1.5 rounded-sm border px-1.5 py-1 ${over ? 'border-kelp' : 'border-line'}`}
      onDragOver={(e) => {
        e.preventDefault();
        onOver();
      }}
      onDrop={(e) => {
        e.preventDefault();
        onDrop();
      }}
      data-testid="block"
      data-kind={b.kind}
    >
      <span
        className="flex cursor-grab items-start pt-1 text-muted"
        draggable
        onDragStart={(e) => {
          e.dataTransfer.effectAllowed = 'move';
          e.dataTransfer.setData('text/plain', name);
          onDrag();
        }}
        title="Drag to another place"
        aria-hidden
      >
        <GripVertical size={14} />
      </span>
      <div className="min-w-0 flex-1">
        <div className="flex items-center gap-1">
          <span className="min-w-0 flex-1 truncate font-semibold">{name}</span>
          <button
            className="btn-quiet !h-[26px] min-w-[26px] !px-1"
            title={`Move up: ${name}`}
            disabled={place === 0}
            onClick={() => onMove(-1)}
          >
            <ArrowUp size={13} />
          </button>
          <button
            className="btn-quiet !h-[26px] min-w-[26px] !px-1"
            title={`Move down: ${name}`}
            disabled={place === of - 1}
            onClick={() => onMove(1)}
          >
            <ArrowDown size={13} />
          </button>
          <button
            className="btn-quiet !h-[26px] min-w-[26px] !px-1"
            title={`Take out: ${name}`}
            onClick={onRemove}
          >
            <X size={14} />
          </button>
        </div>
        <Body block={b} variants={variants} picture={picture} onChange={onChange} />
      </div>
    </li>
  );
}

function nameOf(b: Block, variants: Variants, chapters: WriteUps['chapters']): string {
  switch (b.kind) {
    case 'ChapterBlock':
      return chapters.find((c) => c.chapter === b.chapter)?.label ?? 'Chapter';
    case 'TextBlock':
      return b.heading || 'Text';
    case 'PictureBlock':
      return b.caption || 'Picture of the model';
    case 'MeasureBlock':
      return `Variant: ${variants.variants.find((v) => v.id === b.variant)?.name ?? 'taken away'}`;
    case 'ComparisonBlock':
      return 'Variants side by side';
    case 'SweepBlock':
      return `Sweep: ${variants.sweeps.find((s) => s.id === b.sweep)?.name ?? 'taken away'}`;
  }
}

function Body({
  block: b,
  variants,
  picture,
  onChange,
}: {
  block: Block;
  variants: Variants;
  picture: StagePicture | undefined;
  onChange: (b: Block) => void;
}) {
  switch (b.kind) {
    case 'TextBlock':
      return (
        <>
          <Line
            label="Heading"
            value={b.heading ?? ''}
            onChange={(heading) => onChange({ ...b, heading })}
          />
          <Area label="Text" value={b.text ?? ''} onChange={(text) => onChange({ ...b, text })} />
        </>
      );
    case 'MeasureBlock': {
      const v = variants.variants.find((x) => x.id === b.variant);
      return (
        <>
          <Area
            label={`What to say of ${v?.name ?? 'it'}`}
            value={b.text ?? ''}
            onChange={(text) => onChange({ ...b, text })}
          />
          {v && v.run.state !== 'done' && (
            <p className="text-sm font-semibold text-warning">
              {v.applies
                ? 'Not run on the building as it is now: run it under Variants.'
                : 'It does not apply to the building as it is now.'}
            </p>
          )}
        </>
      );
    }
    case 'PictureBlock':
      return (
        <div className="flex items-start gap-2">
          <img
            className="h-24 border border-line"
            src={`/api/pictures/${b.picture}?${picture?.takenAt ?? ''}`}
            alt={b.caption || 'The model as it was shown'}
          />
          <div className="min-w-0 flex-1">
            <Line
              label="Caption"
              value={b.caption ?? ''}
              onChange={(caption) => onChange({ ...b, caption })}
            />
            {picture?.old && (
              <p className="text-sm font-semibold text-warning">
                Taken before the building’s last change.
              </p>
            )}
          </div>
        </div>
      );
    case 'ComparisonBlock':
      return (
        <p className="flex flex-wrap gap-x-3">
          {variants.variants.map((v) => {
            const of = b.variants ?? [];
            return (
              <label key={v.id} className="flex items-center gap-1">
                <input
                  type="checkbox"
                  checked={of.length === 0 || of.includes(v.id)}
                  onChange={() => {
                    const now = of.length ? of : variants.variants.map((x) => x.id);
                    onChange({
                      ...b,
                      variants: now.includes(v.id) ? now.filter((x) => x !== v.id) : [...now, v.id],
                    });
                  }}
                />
                {v.name}
              </label>
            );
          })}
          {variants.variants.length === 0 && (
            <span className="text-muted">There is no variant yet.</span>
          )}
        </p>
      );
    case 'SweepBlock':
      return (
        <select
          className="field"
          aria-label="Figure shown"
          value={b.metric}
          onChange={(e) => onChange({ ...b, metric: e.target.value as typeof b.metric })}
        >
          {variants.metrics.map((m) => (
            <option key={m.metric} value={m.metric}>
              {m.label}
            </option>
          ))}
        </select>
      );
    default:
      return null;
  }
}

function Line({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (v: string) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const take = () => {
    if (text !== null && text !== value) onChange(text);
    setText(null);
  };
  return (
    <input
      className="field mt-0.5 w-full max-w-[60ch]"
      aria-label={label}
      placeholder={label}
      value={text ?? value}
      onChange={(e) => setText(e.target.value)}
      onBlur={take}
      onKeyDown={(e) => e.key === 'Enter' && take()}
    />
  );
}

function Area({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (v: string) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const shown = text ?? value;
  return (
    <textarea
      className="field mt-0.5 !h-auto w-full max-w-[90ch] py-1 leading-[1.4]"
      aria-label={label}
      placeholder={label}
      rows={Math.min(12, Math.max(2, shown.split('\n').length + Math.floor(shown.length / 90)))}
      value={shown}
      onChange={(e) => setText(e.target.value)}
      onBlur={() => {
        if (text !== null && text !== value) onChange(text);
        setText(null);
      }}
    />
  );
}
