import { useRef, useState } from 'react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Slider } from 'radix-ui';
import { api } from '../model/api';
import type { PlanDoc, Underlay } from '../model/plan';
import { useBoard, type Tool } from './board';
import { freeIds } from './edits';
import type { Drawn } from './useDrawing';

/** How wide a picture is taken to be until it is scaled, m. */
const WIDE = 30;

const TOOLS: [Tool, string, string][] = [
  ['scale', 'Scale', 'By two points and how far apart they are'],
  ['level', 'Turn', 'By two points of a line that is to lie level or upright'],
  ['shift', 'Move', 'By a point and where it goes'],
  ['align', 'Align', 'By two points and where they belong in the drawing'],
];

/** Pictures that a storey is traced from. */
export function UnderlayFields({ drawn, storey }: { drawn: Drawn; storey: string }) {
  const client = useQueryClient();
  const file = useRef<HTMLInputElement>(null);
  const [page, setPage] = useState('1');
  const [pdf, setPdf] = useState<File | null>(null);
  const tool = useBoard((s) => s.tool);
  const sheet = useBoard((s) => s.sheet);
  const set = useBoard((s) => s.set);
  const bring = useMutation({
    mutationFn: (what: { file: File; page: number }) =>
      api.addUnderlay(drawn.project, what.file, what.page),
    onSuccess: async (u) => {
      setPdf(null);
      await client.invalidateQueries({ queryKey: ['underlays', drawn.project] });
      drawn.act((d) => [
        {
          ...d,
          underlay: [
            ...(d.underlay ?? []),
            {
              id: freeIds(d, 'sheet', 1)[0],
              storey,
              file: u.name,
              scale_m_per_px: WIDE / u.width,
              origin_px: [0, u.height],
              fade: 0.4,
            },
          ],
        },
        `Lays ${u.name} under ${storey}.`,
      ]);
      set({ view: null, tool: 'scale', sheet: drawn.doc.underlay?.length ?? 0 });
    },
  });
  const n = /^\d+$/.test(page.trim()) ? Number(page) : 0;
  const take = (f: File | undefined) => {
    if (!f) return;
    if (f.type === 'application/pdf' || /\.pdf$/i.test(f.name)) setPdf(f);
    else bring.mutate({ file: f, page: 1 });
  };
  const change = (i: number, values: Partial<Underlay>, says: string) =>
    drawn.act((d) => [withUnderlay(d, i, values), says]);
  return (
    <fieldset
      data-testid="underlays"
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        take(e.dataTransfer.files[0]);
      }}
    >
      <legend className="kicker mb-1">Pictures under it</legend>
      {(drawn.doc.underlay ?? []).map(
        (u, i) =>
          u.storey === storey && (
            <div key={u.id ?? i} className="mb-2">
              <p className="truncate" title={u.file}>
                {u.file}
              </p>
              <div className="mt-0.5 flex flex-wrap gap-1">
                {TOOLS.map(([key, label, title]) => (
                  <button
                    key={key}
                    className={`btn !px-1.5 ${tool === key && sheet === i ? 'border-kelp bg-kelp-soft' : ''}`}
                    aria-pressed={tool === key && sheet === i}
                    title={title}
                    onClick={() => set({ tool: key, sheet: i, part: null })}
                  >
                    {label}
                  </button>
                ))}
                <button
                  className="btn !px-1.5"
                  title="Take the picture out of the drawing"
                  onClick={() => {
                    drawn.act((d) => [
                      { ...d, underlay: d.underlay?.filter((_, k) => k !== i) },
                      `Takes ${u.file} away from ${storey}.`,
                    ]);
                    set({ tool: 'select', sheet: null });
                  }}
                >
                  Take away
                </button>
              </div>
              <Fade
                key={u.fade}
                value={u.fade ?? 0}
                onDone={(fade) => change(i, { fade }, `Fades the picture under ${storey}.`)}
              />
            </div>
          ),
      )}
      {pdf ? (
        <form
          className="flex flex-wrap items-center gap-1.5"
          onSubmit={(e) => {
            e.preventDefault();
            if (n) bring.mutate({ file: pdf, page: n });
          }}
        >
          <span className="w-full truncate">{pdf.name}</span>
          <label className="flex items-center gap-1">
            <span className="text-muted">Page</span>
            <input
              className="field w-12 text-right"
              value={page}
              autoFocus
              aria-invalid={!n}
              onChange={(e) => setPage(e.target.value)}
            />
          </label>
          <button className="btn" disabled={!n || bring.isPending}>
            Lay it under
          </button>
          <button type="button" className="btn" onClick={() => setPdf(null)}>
            Leave it
          </button>
        </form>
      ) : (
        <button className="btn" disabled={bring.isPending} onClick={() => file.current?.click()}>
          {bring.isPending ? 'Reading …' : 'Bring in a plan …'}
        </button>
      )}
      <input
        ref={file}
        type="file"
        className="hidden"
        accept=".png,.jpg,.jpeg,.pdf,image/png,image/jpeg,application/pdf"
        aria-label="A plan as PNG, JPEG or PDF"
        data-testid="underlay-file"
        onChange={(e) => {
          take(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      {bring.isError && (
        <p className="mt-1 text-blocker" role="alert">
          {bring.error.message}
        </p>
      )}
    </fieldset>
  );
}

const withUnderlay = (d: PlanDoc, i: number, values: Partial<Underlay>): PlanDoc => ({
  ...d,
  underlay: d.underlay?.map((u, k) => (k === i ? { ...u, ...values } : u)),
});

/** How far a picture is faded; drawn when the handle is let go. */
function Fade({ value, onDone }: { value: number; onDone: (fade: number) => void }) {
  const [now, setNow] = useState(value);
  return (
    <div className="mt-1 flex items-center gap-2">
      <span className="text-muted">Faded</span>
      <Slider.Root
        className="relative flex h-6 flex-1 touch-none items-center select-none"
        min={0}
        max={0.95}
        step={0.05}
        value={[now]}
        onValueChange={([v]) => setNow(v)}
        onValueCommit={([v]) => v !== value && onDone(v)}
      >
        <Slider.Track className="relative h-[5px] flex-1 rounded-full bg-line">
          <Slider.Range className="absolute h-full rounded-full bg-kelp/40" />
        </Slider.Track>
        <Slider.Thumb
          aria-label="How far the picture is faded"
          className="block h-[18px] w-[10px] rounded-sm border border-kelp bg-panel"
        />
      </Slider.Root>
    </div>
  );
}
