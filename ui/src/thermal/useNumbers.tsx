import { useState } from 'react';
import { NumberField } from './EntryFields';
import { toNumber } from './entries';

/** Numbers of a form as they are typed: their texts, their values (NaN for none), their fields. */
export function useNumbers<T extends Record<string, string>>(first: () => T) {
  const [text, setText] = useState(first);
  const values = Object.fromEntries(
    Object.entries(text).map(([k, v]) => [k, toNumber(v)]),
  ) as Record<keyof T, number>;
  const set = (change: Partial<T>) => setText({ ...text, ...change });
  return {
    text,
    set,
    values,
    allNumbers: Object.values(values).every(Number.isFinite),
    field: (key: keyof T & string, label: string, unit?: string) => (
      <NumberField
        label={label}
        unit={unit}
        value={text[key]}
        onChange={(x) => set({ [key]: x } as Partial<T>)}
      />
    ),
  };
}
