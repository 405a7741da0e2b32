import { useState } from 'react';
import { api, type TraceHit, type Traced } from '../model/api';
import { SeverityMark } from '../shared/SeverityMark';
import type { ModelIndex } from '../model/model';
import { useView } from '../model/state';
import { count } from '../model/words';
import { useUnits } from '../model/units';

/** Text of a simulation, and what in the envelope it speaks of. */
export function Messages({ index }: { index: ModelIndex }) {
  const id = index.model.delivery.id;
  const [text, setText] = useState('');
  const [traced, setTraced] = useState<Traced | null>(null);
  const [busy, setBusy] = useState(false);
  const set = useView((s) => s.set);

  async function trace(what: string) {
    if (!what.trim()) return;
    setBusy(true);
    try {
      setTraced(await api.trace(id, what));
    } catch (e) {
      set({ message: { text: e instanceof Error ? e.message : String(e), bad: true } });
    } finally {
      setBusy(false);
    }
  }

  async function take(file: File) {
    const t = await file.text();
    setText(t.slice(0, 2_000_000));
    await trace(t.slice(0, 2_000_000));
  }

  const lines = traced ? [...new Set(traced.hits.map((h) => h.line))] : [];
  return (
    <div className="flex min-h-0 flex-1" data-testid="messages">
      <div className="flex w-80 shrink-0 flex-col border-r border-line p-2">
        <textarea
          className="field min-h-0 !h-auto flex-1 resize-none py-1 font-mono text-[11px]"
          placeholder="Paste a simulation’s messages here, or drop its log file. Ids, names and layers in them are looked for."
          aria-label="Messages of a simulation"
          data-testid="messages-text"
          value={text}
          onChange={(e) => setText(e.target.value)}
          onDragOver={(e) => e.preventDefault()}
          onDrop={(e) => {
            e.preventDefault();
            const f = e.dataTransfer.files[0];
            if (f) void take(f);
          }}
          onPaste={(e) => {
            const t = e.clipboardData.getData('text');
            if (t && !text) setTimeout(() => void trace(t));
          }}
        />
        <button
          className="btn btn-main mt-1.5 self-start"
          disabled={busy || !text.trim()}
          data-testid="trace"
          onClick={() => void trace(text)}
        >
          {busy ? 'Looking …' : 'Find what they mean'}
        </button>
      </div>
      <div className="min-w-0 flex-1 overflow-y-auto px-3 py-2">
        {!traced ? (
          <p className="text-muted">
            What each message is about is explained here: the object, where it lies, its layers, its
            element in the source, and the finding that covers it.
          </p>
        ) : !traced.hits.length ? (
          <p>Nothing in the text names an object of this envelope or of the last handover.</p>
        ) : (
          <>
            <p className="mb-1 text-muted">
              {count(traced.hits.length, 'object')} in {count(lines.length, 'line')} of{' '}
              {traced.lines.length}
              {traced.more && '; there is more than is shown'}.
            </p>
            {lines.map((n) => (
              <section key={n} className="mb-2 border-b border-line/60 pb-1.5">
                <p className="font-mono text-[11px] text-muted">
                  {n}: {traced.lines[n - 1].trim().slice(0, 300)}
                </p>
                {traced.hits
                  .filter((h) => h.line === n)
                  .map((h, i) => (
                    <Hit key={i} hit={h} index={index} />
                  ))}
              </section>
            ))}
          </>
        )}
      </div>
    </div>
  );
}

function Hit({ hit: h, index }: { hit: TraceHit; index: ModelIndex }) {
  const units = useUnits();
  const select = useView((s) => s.select);
  const set = useView((s) => s.set);
  const go = () => {
    select(h.select);
    setTimeout(() => window.dispatchEvent(new CustomEvent('yentra:frame')));
  };
  return (
    <div className="mt-1" data-testid="trace-hit">
      <p>
        {h.select.length ? (
          <button
            className="font-semibold text-kelp underline decoration-kelp/40 underline-offset-2 hover:decoration-kelp"
            onClick={go}
          >
            {h.title}
          </button>
        ) : (
          <b>{h.title}</b>
        )}{' '}
        <span className="text-sm text-muted">
          {h.kind}, named as <span className="font-mono text-[11px]">{h.text}</span>
        </span>
      </p>
      <p className="text-sm">{h.facts.join(' ')}</p>
      {h.findings.slice(0, 3).map((id) => {
        const f = index.findings.get(id);
        return f ? (
          <button
            key={id}
            className="flex items-start gap-1.5 text-left text-sm hover:bg-kelp-soft"
            onClick={() => set({ finding: id, selection: [] })}
          >
            <span className="pt-0.5">
              <SeverityMark severity={f.severity} size={11} />
            </span>
            {units.said(f.message)}
          </button>
        ) : null;
      })}
    </div>
  );
}
