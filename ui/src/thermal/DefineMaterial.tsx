import { useState } from 'react';
import { useMutation } from '@tanstack/react-query';
import { api } from '../model/api';

import { figures, useUnits } from '../model/units';
import { KeepIt, NumberField, TextField } from './EntryFields';
import { useNumbers } from './useNumbers';
import { given, NOTHING, type Keep } from './entries';
import { plain } from '../model/specs';

/** A material of one's own. */
export function DefineMaterial({ keep, leave }: { keep: Keep; leave: () => void }) {
  const units = useUnits();
  const [name, setName] = useState('');
  const [category, setCategory] = useState('');
  const [source, setSource] = useState('');
  const [text, setText] = useState({ c: '', d: '', h: '', r: '' });
  const conductivity = given(text.c, units.conductivity.from);
  const resistance = given(text.r, units.resistance.from);
  const density = given(text.d, units.density.from);
  const specificHeat = given(text.h, units.specificHeat.from);
  const problem = !name.trim()
    ? 'It needs a name.'
    : [conductivity, resistance, density, specificHeat].some((v) => v != null && !(v > 0))
      ? 'Values are numbers above 0.'
      : conductivity == null && resistance == null
        ? 'It needs a conductivity, or a resistance where it has none.'
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
    <div className="flex flex-col gap-1" data-testid="define-material">
      <p className="sticky top-0 z-10 -mx-3 bg-panel px-3 pt-2 pb-1 font-semibold">
        A new material
      </p>
      <div className="grid grid-cols-2 gap-3">
        <TextField label="Name" value={name} onChange={setName} testId="entry-name" />
        <TextField label="Group" value={category} onChange={setCategory} />
      </div>
      <div className="grid grid-cols-2 gap-x-5 gap-y-1">
        {field('c', 'Conductivity', units.conductivity.unit)}
        {field('d', 'Density', units.density.unit)}
        {field('h', 'Specific heat', units.specificHeat.unit)}
        {field('r', 'Resistance, without conductivity', units.resistance.unit)}
      </div>
      {conductivity != null && conductivity > 0 && (
        <InUse
          conductivity={conductivity}
          onTake={(v, how) => {
            setText({ ...text, c: figures(units.conductivity.to(v)) });
            setSource([source.trim(), how].filter(Boolean).join('; '));
          }}
        />
      )}
      <TextField label="Source of its values" value={source} onChange={setSource} />
      <KeepIt
        problem={problem}
        onLeave={leave}
        onKeep={(shared) =>
          keep(
            {
              ...NOTHING,
              materials: [
                {
                  name: name.trim(),
                  category: category.trim(),
                  conductivity,
                  density,
                  specificHeat,
                  resistance: conductivity == null ? resistance : null,
                  source: source.trim() || 'by hand',
                },
              ],
            },
            [`material:${plain(name)}`],
            shared,
          )
        }
      />
    </div>
  );
}

/** Conductivity where it is warmer or moister than where it was measured (ISO 10456, clause 7). */
function InUse({
  conductivity,
  onTake,
}: {
  conductivity: number;
  onTake: (conductivity: number, how: string) => void;
}) {
  const [open, setOpen] = useState(false);
  const {
    text: t,
    values: n,
    allNumbers,
    field,
  } = useNumbers(() => ({ kelvin: '0', perKelvin: '0.0035', moisture: '0', perMoisture: '4' }));
  const ask = useMutation({ mutationFn: () => api.conductivity({ conductivity, ...n }) });
  if (!open)
    return (
      <div>
        <button className="btn-quiet" onClick={() => setOpen(true)}>
          Convert to conditions of use …
        </button>
      </div>
    );
  return (
    <div className="rounded border border-line p-2" data-testid="conditions-of-use">
      <p className="text-sm text-muted">
        Warmer or moister than where it was measured: λ times an exponential of each change (ISO
        10456).
      </p>
      <div className="grid grid-cols-2 gap-x-5 gap-y-1">
        {field('kelvin', 'Warmer by', 'K')}
        {field('perKelvin', 'Coefficient of temperature', '1/K')}
        {field('moisture', 'Moister by, m³/m³ or kg/kg')}
        {field('perMoisture', 'Coefficient of moisture')}
      </div>
      {ask.error && <p className="text-sm text-error">{ask.error.message}</p>}
      <button
        className="btn mt-1.5"
        disabled={!allNumbers}
        onClick={() =>
          ask.mutate(undefined, {
            onSuccess: (a) =>
              onTake(
                a.conductivity,
                `converted by ISO 10456: ${t.kelvin} K warmer, ${t.moisture} moister`,
              ),
          })
        }
      >
        Take the converted conductivity
      </button>
    </div>
  );
}
