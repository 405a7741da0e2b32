import { useState } from 'react';
import { X } from 'lucide-react';
import { useUnits } from '../../model/units';
import type { Change, Choices } from '../../model/variantCalls';
import { count } from '../../model/words';
import { shownAs } from '../measures';
import { ChangeFields } from './ChangeFields';
import { beginning, KINDS, numbersOf, type Kind } from './kinds';
import { textOf, valuesOf } from './range';

/** A number that shall run through values; what is typed stands beside what it says. */
export interface AxisWish {
  change: Change;
  member: string;
  text: string | null;
  /** In SI. */
  values: number[];
}

/** One axis of a sweep: which number of which change, and its values. */
export function AxisForm({
  place,
  wish: w,
  choices,
  project,
  onKind,
  onChange,
  onRemove,
}: {
  place: number;
  wish: AxisWish;
  choices: Choices;
  project: string;
  onKind: (kind: Kind) => void;
  onChange: (w: AxisWish) => void;
  onRemove?: () => void;
}) {
  const units = useUnits();
  const numbers = numbersOf(choices, w.change.kind);
  const q = numbers.find((x) => x.member === w.member) ?? numbers[0];
  const shown = shownAs(units, q.quantity, q.unit, q.label);
  const [wrong, setWrong] = useState(false);
  const text = w.text ?? textOf(w.values.map(shown.to));
  return (
    <fieldset className="mt-2 rounded-sm border border-line px-2 py-1.5" data-testid="axis">
      <legend className="sr-only">{place === 0 ? 'First number' : 'Second number'}</legend>
      <div className="flex items-center gap-1.5">
        <span className="text-muted">Vary</span>
        <select
          className="field min-w-0"
          aria-label="Change that varies"
          value={w.change.kind}
          onChange={(e) => onKind(e.target.value as Kind)}
        >
          {KINDS.filter((k) => numbersOf(choices, k.kind).length).map((k) => (
            <option key={k.kind} value={k.kind}>
              {k.label}
            </option>
          ))}
        </select>
        {numbers.length > 1 && (
          <select
            className="field min-w-0"
            aria-label="Number that varies"
            value={q.member}
            onChange={(e) => {
              const next = numbers.find((x) => x.member === e.target.value)!;
              onChange({
                ...w,
                member: next.member,
                text: null,
                values: beginning(next),
              });
            }}
          >
            {numbers.map((x) => (
              <option key={x.member} value={x.member}>
                {x.label}
              </option>
            ))}
          </select>
        )}
        {onRemove && (
          <button
            className="btn-quiet ml-auto !px-0.5"
            title="Vary this number no longer"
            onClick={onRemove}
          >
            <X size={14} />
          </button>
        )}
      </div>
      <div className="mt-1 flex flex-wrap items-center gap-x-2 gap-y-1">
        <ChangeFields
          change={w.change}
          choices={choices}
          project={project}
          without={q.member}
          onChange={(change) => onChange({ ...w, change })}
        />
      </div>
      <label className="mt-1.5 flex items-center gap-1.5">
        <span className="text-muted">{q.label} from</span>
        <input
          className="field min-w-0 flex-1"
          aria-label={`Values of ${q.label}`}
          aria-invalid={wrong}
          value={text}
          onChange={(e) => {
            const values = valuesOf(e.target.value);
            setWrong(!values);
            onChange({ ...w, text: e.target.value, values: (values ?? []).map(shown.from) });
          }}
        />
        <span className="w-10 shrink-0 text-muted">{shown.unit}</span>
      </label>
      <p className={`text-sm ${wrong ? 'font-semibold text-blocker' : 'text-muted'}`}>
        {wrong
          ? 'Type “0.1 to 0.5 by 0.1”, or values with spaces between.'
          : count(w.values.length, 'value')}
      </p>
    </fieldset>
  );
}
