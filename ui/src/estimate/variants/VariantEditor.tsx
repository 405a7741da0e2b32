import { useState } from 'react';
import { ArrowDown, ArrowUp, Box, Copy, Flag, Trash2, X } from 'lucide-react';
import { useQueryClient } from '@tanstack/react-query';
import { api, type Model } from '../../model/api';
import { useEdits } from '../../model/useEdits';
import { useUnits } from '../../model/units';
import { useView } from '../../model/state';
import type { ChangeSpec, Choices, Variant, Variants } from '../../model/variantCalls';
import { NumberField } from '../NumberField';
import { PLAIN } from '../measures';
import { ChangeFields } from './ChangeFields';
import { KINDS, labelOf, type Kind } from './kinds';
import { freeName, specOf } from './useVariants';
import { useLibrary } from './useLibrary';

/** A variant: its name, its changes, and what can be done with it. */
export function VariantEditor({
  model,
  variant: v,
  all,
  choices,
  act,
  onPick,
}: {
  model: Model;
  variant: Variant;
  all: Variants;
  choices: Choices;
  act: <T>(what: () => Promise<T>) => Promise<T | null>;
  onPick: (id: string | null) => void;
}) {
  const { id, projectId: project, version } = model.delivery;
  const edits = useEdits(model);
  const client = useQueryClient();
  const library = useLibrary(project);
  const [why, setWhy] = useState<string | null>(null);
  const spec = specOf(v);
  const set = (part: Partial<typeof spec>) =>
    act(() => api.changeVariant(v.id, { ...spec, ...part }));
  const changes = (list: ChangeSpec[]) => void set({ changes: list });
  const taken = v.changes.filter((c) => c.from).length;

  function add(kind: Kind) {
    const made = KINDS.find((k) => k.kind === kind)!.fresh(choices, library);
    setWhy(typeof made === 'string' ? made : null);
    if (typeof made !== 'string') changes([...spec.changes, { change: made, effort: null }]);
  }

  function move(i: number, by: number) {
    const list = [...spec.changes];
    const [one] = list.splice(i, 1);
    list.splice(i + by, 0, one);
    changes(list);
  }

  async function look() {
    const of = await act(() => api.variantRepair(id, v.id));
    if (of) edits.consider(of.repair, `Variant ${v.name}`);
  }

  async function adopt() {
    const done = await act(() => api.adoptVariant(id, v.id, version).then(() => true));
    if (!done) return;
    useView.setState({
      message: { text: `${v.name} is the baseline now. Undo takes its repairs back.`, bad: false },
    });
    for (const queryKey of [
      ['model', id],
      ['project', project],
      ['estimate-settings', project],
      ['climate', id],
    ])
      await client.invalidateQueries({ queryKey });
  }

  const others = all.variants.filter((x) => x.id !== v.id && x.parts.length === 0);
  const groups = [...new Set(all.variants.map((x) => x.group).filter(Boolean))];
  return (
    <div className="min-h-0 min-w-0 flex-1 overflow-y-auto px-4 py-2" data-testid="variant-editor">
      <div className="flex flex-wrap items-center gap-2">
        <Text label="Name" value={v.name} onChange={(name) => void set({ name })} wide />
        <Text
          label="Group"
          hint="Variants of one group exclude each other"
          value={v.group}
          list={groups}
          onChange={(group) => void set({ group })}
        />
        <span className="ml-auto flex items-center gap-1">
          <button
            className="btn"
            disabled={!v.applies}
            onClick={() => void look()}
            data-testid="look"
          >
            <Box size={13} /> See it on the model
          </button>
          <button
            className="btn"
            disabled={!v.applies || v.changes.length === 0}
            title="Its repairs enter the log, its settings become the project’s"
            onClick={() => void adopt()}
            data-testid="adopt"
          >
            <Flag size={13} /> Make it the baseline
          </button>
          <button
            className="btn-quiet !px-1"
            title={`Copy ${v.name}`}
            onClick={() =>
              void act(() =>
                api.addVariant(project, { ...spec, name: freeName(all.variants, v.name) }),
              ).then((made) => made && onPick(made.id))
            }
          >
            <Copy size={14} />
          </button>
          <button
            className="btn-quiet !px-1"
            title={`Take ${v.name} away`}
            onClick={() => void act(() => api.deleteVariant(v.id)).then(() => onPick(null))}
          >
            <Trash2 size={14} />
          </button>
        </span>
      </div>
      {others.length > 0 && (
        <Parts variant={v} others={others} onChange={(parts) => void set({ parts })} />
      )}
      <ol className="mt-2 space-y-1.5">
        {v.changes.map((c, i) => {
          const own = i - taken;
          return (
            <li
              key={i}
              className={`rounded-sm border px-2 py-1.5 ${c.refused ? 'border-blocker' : 'border-line'}`}
              data-testid="change"
            >
              <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
                <span className="w-[9.5rem] shrink-0 font-semibold">{labelOf(c.change.kind)}</span>
                {c.from ? (
                  <span className="text-muted">
                    {c.label}, of {all.variants.find((x) => x.id === c.from)?.name}
                  </span>
                ) : (
                  <>
                    <ChangeFields
                      change={c.change}
                      choices={choices}
                      project={project}
                      onChange={(change) =>
                        changes(spec.changes.map((x, k) => (k === own ? { ...x, change } : x)))
                      }
                    />
                    <span className="ml-auto flex items-center gap-1">
                      <NumberField
                        wide={false}
                        label="Effort"
                        value={c.effort ?? null}
                        measure={PLAIN}
                        empty="none"
                        onChange={(effort) =>
                          changes(spec.changes.map((x, k) => (k === own ? { ...x, effort } : x)))
                        }
                      />
                      <button
                        className="btn-quiet !px-0.5"
                        title="Make this change earlier"
                        disabled={own === 0}
                        onClick={() => move(own, -1)}
                      >
                        <ArrowUp size={13} />
                      </button>
                      <button
                        className="btn-quiet !px-0.5"
                        title="Make this change later"
                        disabled={own === spec.changes.length - 1}
                        onClick={() => move(own, 1)}
                      >
                        <ArrowDown size={13} />
                      </button>
                      <button
                        className="btn-quiet !px-0.5"
                        title={`Take this change away: ${c.label}`}
                        onClick={() => changes(spec.changes.filter((_, k) => k !== own))}
                      >
                        <X size={14} />
                      </button>
                    </span>
                  </>
                )}
              </div>
              <Outcome change={c} />
            </li>
          );
        })}
      </ol>
      <div className="mt-2 flex items-center gap-2">
        <select
          className="field"
          aria-label="Add a change"
          value=""
          onChange={(e) => add(e.target.value as Kind)}
          data-testid="add-change"
        >
          <option value="">Add a change …</option>
          {KINDS.map((k) => (
            <option key={k.kind} value={k.kind}>
              {k.label}
            </option>
          ))}
        </select>
        {why && <span className="font-semibold text-blocker">{why}</span>}
        {v.effort != null && (
          <span className="ml-auto text-muted">Effort in all {v.effort.toLocaleString('en')}</span>
        )}
      </div>
      {v.run.state === 'failed' && (
        <p className="mt-2 font-semibold text-blocker" role="alert">
          {v.run.message}
        </p>
      )}
    </div>
  );
}

/** What a change comes to on the building as it is now. */
function Outcome({ change: c }: { change: Variant['changes'][number] }) {
  const units = useUnits();
  if (c.refused)
    return (
      <p className="font-semibold text-blocker" role="alert">
        Does not apply: {units.said(c.refused)}
      </p>
    );
  if (c.said.length === 0)
    return c.repairs === 0 &&
      ['SetPoints', 'HeatRecovery', 'SystemsOf', 'OtherClimate'].includes(c.change.kind) ? null : (
      <p className="text-sm text-muted">The building is so already.</p>
    );
  const [first, ...rest] = c.said;
  return (
    <p
      className="text-sm text-muted"
      title={rest.length ? units.said(c.said.join('\n')) : undefined}
    >
      {units.said(first)}
      {rest.length > 0 && ` And ${rest.length} more.`}
    </p>
  );
}

function Parts({
  variant: v,
  others,
  onChange,
}: {
  variant: Variant;
  others: Variant[];
  onChange: (parts: string[]) => void;
}) {
  const groups = others.filter((o) => v.parts.includes(o.id)).map((o) => o.group);
  return (
    <fieldset className="mt-1.5 flex flex-wrap items-center gap-x-3">
      <legend className="sr-only">Variants that it takes up</legend>
      <span className="text-muted">Takes up</span>
      {others.map((o) => {
        const on = v.parts.includes(o.id);
        const excluded = !on && o.group !== '' && groups.includes(o.group);
        return (
          <label
            key={o.id}
            className={`flex items-center gap-1 ${excluded ? 'text-muted' : ''}`}
            title={excluded ? `Another of the group ${o.group} is taken up already` : undefined}
          >
            <input
              type="checkbox"
              checked={on}
              disabled={excluded}
              onChange={() => onChange(on ? v.parts.filter((p) => p !== o.id) : [...v.parts, o.id])}
            />
            {o.name}
          </label>
        );
      })}
    </fieldset>
  );
}

function Text({
  label,
  hint,
  value,
  list,
  wide = false,
  onChange,
}: {
  label: string;
  hint?: string;
  value: string;
  list?: string[];
  wide?: boolean;
  onChange: (v: string) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  function take() {
    if (text !== null && text.trim() !== value) onChange(text.trim());
    setText(null);
  }
  return (
    <label className="flex items-center gap-1.5" title={hint}>
      <span className="text-muted">{label}</span>
      <input
        className={`field ${wide ? 'w-52' : 'w-28'}`}
        value={text ?? value}
        list={list ? 'variant-groups' : undefined}
        onChange={(e) => setText(e.target.value)}
        onBlur={take}
        onKeyDown={(e) => e.key === 'Enter' && take()}
      />
      {list && (
        <datalist id="variant-groups">
          {list.map((g) => (
            <option key={g} value={g} />
          ))}
        </datalist>
      )}
    </label>
  );
}
