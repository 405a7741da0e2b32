import { Fragment, useState } from 'react';
import type { Repair } from '../model/api';
import type { Edits } from '../model/useEdits';

import { useUnits } from '../model/units';

/** What a repair by hand asks for. */
export interface Field {
  name: string;
  label: string;
  kind: 'length' | 'number' | 'text' | 'choice';
  unit?: string;
  /** Lengths in metres. */
  value: string | number;
  choices?: [string, string][];
  /** Opens a group of fields. */
  heading?: string;
  /** Asked for only then, by what the fields say now. */
  when?: (text: Record<string, string>) => boolean;
}

export type Values = Record<string, number | string>;

/** A repair by hand that needs values: asked for here, shown before it is made. */
export interface Action {
  label: string;
  hint?: string;
  fields: Field[];
  /** The repair, or a sentence that says what is missing. */
  make: (v: Values) => Repair | string;
  /** Something that the fields cannot hold, such as an outline. */
  body?: (done: (repair: Repair, label: string) => void) => React.ReactNode;
}

/** Buttons for repairs by hand; one that needs values unfolds its form. */
export function Actions({ actions, edits }: { actions: Action[]; edits: Edits }) {
  const [open, setOpen] = useState<string | null>(null);
  const action = actions.find((a) => a.label === open);
  return (
    <>
      <div className="mt-1.5 flex flex-wrap gap-1.5">
        {actions.map((a) => (
          <button
            key={a.label}
            className={`btn ${a.label === open ? 'border-kelp bg-kelp-soft' : ''}`}
            title={a.hint}
            aria-expanded={a.fields.length || a.body ? a.label === open : undefined}
            onClick={() => {
              if (a.fields.length || a.body) {
                setOpen(a.label === open ? null : a.label);
                return;
              }
              const r = a.make({});
              if (typeof r !== 'string') edits.consider(r, a.label);
            }}
          >
            {a.label}
            {(a.fields.length > 0 || a.body) && ' …'}
          </button>
        ))}
      </div>
      {action?.body?.((repair, label) => edits.consider(repair, label))}
      {action && !action.body && <Form key={action.label} action={action} edits={edits} />}
    </>
  );
}

function Form({ action, edits }: { action: Action; edits: Edits }) {
  const units = useUnits();
  const [text, setText] = useState<Record<string, string>>(() =>
    Object.fromEntries(
      action.fields.map((f) => [
        f.name,
        f.kind === 'length'
          ? String(Number(units.length.to(Number(f.value)).toFixed(4)))
          : String(f.value),
      ]),
    ),
  );
  const [wrong, setWrong] = useState<string | null>(null);
  const asked = action.fields.filter((f) => f.when?.(text) ?? true);

  function submit(e: React.FormEvent) {
    e.preventDefault();
    const values: Values = {};
    for (const f of asked) {
      const t = (text[f.name] ?? '').trim();
      if (f.kind === 'length' || f.kind === 'number') {
        const n = Number(t.replace(',', '.'));
        if (!t || !Number.isFinite(n)) {
          setWrong(`${f.label} must be a number.`);
          return;
        }
        values[f.name] = f.kind === 'length' ? units.length.from(n) : n;
      } else values[f.name] = t;
    }
    const r = action.make(values);
    setWrong(typeof r === 'string' ? r : null);
    if (typeof r !== 'string') edits.consider(r, action.label);
  }

  return (
    <form className="mt-1.5 rounded-sm border border-line bg-paper p-2" onSubmit={submit}>
      {action.hint && <p className="mb-1 text-sm text-muted">{action.hint}</p>}
      {asked.map((f) => (
        <Fragment key={f.name}>
          {f.heading && <p className="kicker mt-2 mb-1">{f.heading}</p>}
          <label className="mb-1 flex items-center justify-between gap-2">
            <span className="text-muted">{f.label}</span>
            <span className="flex items-center gap-1">
              {f.kind === 'choice' ? (
                <select
                  className="field w-40"
                  name={f.name}
                  value={text[f.name]}
                  onChange={(e) => setText({ ...text, [f.name]: e.target.value })}
                >
                  {f.choices!.map(([v, label]) => (
                    <option key={v} value={v}>
                      {label}
                    </option>
                  ))}
                </select>
              ) : (
                <input
                  className={`field ${f.kind === 'text' ? 'w-40' : 'w-20 text-right'}`}
                  name={f.name}
                  value={text[f.name]}
                  onChange={(e) => setText({ ...text, [f.name]: e.target.value })}
                />
              )}
              {f.kind !== 'text' && f.kind !== 'choice' && (
                <span className="w-6 text-muted">
                  {f.kind === 'length' ? units.length.unit : f.unit}
                </span>
              )}
            </span>
          </label>
        </Fragment>
      ))}
      {wrong && <p className="text-blocker">{wrong}</p>}
      <button className="btn mt-0.5" disabled={edits.busy} data-testid="show-repair">
        Show what it does
      </button>
    </form>
  );
}
