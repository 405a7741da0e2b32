import { useState } from 'react';

import { useUnits } from '../model/units';
import { KeepIt, NumberField, TextField } from './EntryFields';
import { given, NOTHING, type Keep } from './entries';
import { plain } from '../model/specs';

/** A window frame of one's own. */
export function DefineFrame({ keep, leave }: { keep: Keep; leave: () => void }) {
  const units = useUnits();
  const [name, setName] = useState('');
  const [source, setSource] = useState('');
  const [text, setText] = useState({ u: '', clear: '', coated: '' });
  const uValue = given(text.u, units.uValue.from);
  const psiClear = given(text.clear, units.linear.from);
  const psiCoated = given(text.coated, units.linear.from);
  const problem = !name.trim()
    ? 'It needs a name.'
    : !(uValue != null && uValue > 0)
      ? 'It needs a U-value above 0.'
      : [psiClear, psiCoated].some((v) => v != null && !Number.isFinite(v))
        ? 'Values must be numbers.'
        : null;
  const field = (key: keyof typeof text, label: string, unit: string) => (
    <NumberField
      label={label}
      unit={unit}
      value={text[key]}
      onChange={(t) => setText({ ...text, [key]: t })}
    />
  );
  return (
    <div className="flex flex-col gap-1" data-testid="define-frame">
      <p className="sticky top-0 z-10 -mx-3 bg-panel px-3 pt-2 pb-1 font-semibold">A new frame</p>
      <TextField label="Name" value={name} onChange={setName} testId="entry-name" />
      {field('u', 'U-value of the frame', units.uValue.unit)}
      {field('clear', 'ψ of the edge, uncoated glass', units.linear.unit)}
      {field('coated', 'ψ of the edge, coated or gas-filled glass', units.linear.unit)}
      <TextField label="Source of its values" value={source} onChange={setSource} />
      <KeepIt
        problem={problem}
        onLeave={leave}
        onKeep={(shared) =>
          keep(
            {
              ...NOTHING,
              frames: [
                {
                  name: name.trim(),
                  uValue,
                  psiClear,
                  psiCoated,
                  source: source.trim() || 'by hand',
                },
              ],
            },
            [`frame:${plain(name)}`],
            shared,
          )
        }
      />
    </div>
  );
}
