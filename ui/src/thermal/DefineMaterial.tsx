import { useState } from 'react';
import {
  conductivityUnit,
  densityUnit,
  fromConductivity,
  fromDensity,
  fromHeat,
  fromResistance,
  heatUnit,
  resistanceUnit,
} from '../words';
import { KeepIt, NumberField, TextField } from './EntryFields';
import { given, NOTHING, type Keep } from './entries';
import { plain } from './specs';

/** A material of one's own. */
export function DefineMaterial({ keep, leave }: { keep: Keep; leave: () => void }) {
  const [name, setName] = useState('');
  const [category, setCategory] = useState('');
  const [source, setSource] = useState('');
  const [text, setText] = useState({ c: '', d: '', h: '', r: '' });
  const conductivity = given(text.c, fromConductivity);
  const resistance = given(text.r, fromResistance);
  const density = given(text.d, fromDensity);
  const specificHeat = given(text.h, fromHeat);
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
        {field('c', 'Conductivity', conductivityUnit())}
        {field('d', 'Density', densityUnit())}
        {field('h', 'Specific heat', heatUnit())}
        {field('r', 'Resistance, without conductivity', resistanceUnit())}
      </div>
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
