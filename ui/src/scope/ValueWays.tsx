import { useState } from 'react';
import { Popover } from 'radix-ui';
import { ChevronDown } from 'lucide-react';
import type { ValueRequest } from '../model/api';
import { count } from '../model/words';
import type { ValueColumn } from './useValueGrid';

type Way = 'replace' | 'copy' | 'rule' | 'remove';

/** Other ways to change a column: find and replace, copy, by rule, take away. */
export function ValueWays({
  column,
  columns,
  keys,
  onChange,
}: {
  column: ValueColumn;
  columns: ValueColumn[];
  keys: string[];
  onChange: (request: ValueRequest) => void;
}) {
  const [open, setOpen] = useState(false);
  const [way, setWay] = useState<Way>('replace');
  const [text, setText] = useState('');
  const [other, setOther] = useState('');
  const [from, setFrom] = useState('');
  const name = (c: ValueColumn) => `${c.set}.${c.property}`;
  const source = columns.find((c) => name(c) === from);
  const base = { keys, set: column.set, property: column.property };

  function go(e: React.FormEvent) {
    e.preventDefault();
    setOpen(false);
    if (way === 'replace') onChange({ ...base, how: 'replace', text, with: other });
    if (way === 'copy' && source)
      onChange({ ...base, how: 'copy', fromSet: source.set, fromProperty: source.property });
    if (way === 'rule')
      onChange({
        ...base,
        how: 'set',
        text,
        where: other,
        whereSet: source?.set,
        whereProperty: source?.property,
      });
    if (way === 'remove') onChange({ ...base, how: 'remove' });
  }

  const ready =
    way === 'remove' ||
    (way === 'replace' && !!text) ||
    (way === 'copy' && !!source) ||
    (way === 'rule' && !!text && !!other);
  const field = (label: string, value: string, change: (v: string) => void, hint = '') => (
    <label className="flex items-center justify-between gap-2">
      {label}
      <input
        className="field w-52"
        value={value}
        placeholder={hint}
        onChange={(e) => change(e.target.value)}
      />
    </label>
  );
  const pick = (label: string, none: string) => (
    <label className="flex items-center justify-between gap-2">
      {label}
      <select className="field w-52" value={from} onChange={(e) => setFrom(e.target.value)}>
        <option value="">{none}</option>
        {columns.map((c) => (
          <option key={name(c)} value={name(c)}>
            {name(c)}
          </option>
        ))}
      </select>
    </label>
  );

  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <button className="btn" type="button">
          More <ChevronDown size={13} />
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          className="z-50 w-[360px] rounded-sm border border-line bg-panel p-3 shadow-lg"
          align="end"
          side="top"
          sideOffset={6}
        >
          <form onSubmit={go} className="flex flex-col gap-2">
            <p className="font-semibold">
              {name(column)} of {count(keys.length, 'element')}
            </p>
            <div className="flex gap-1" role="radiogroup" aria-label="Way">
              {(
                [
                  ['replace', 'Find and replace'],
                  ['copy', 'Copy'],
                  ['rule', 'By rule'],
                  ['remove', 'Take away'],
                ] as [Way, string][]
              ).map(([k, label]) => (
                <button
                  key={k}
                  type="button"
                  role="radio"
                  aria-checked={way === k}
                  className={`btn !px-2 ${way === k ? 'border-kelp bg-kelp-soft' : ''}`}
                  onClick={() => setWay(k)}
                >
                  {label}
                </button>
              ))}
            </div>
            {way === 'replace' && field('Find', text, setText)}
            {way === 'replace' && field('Put instead', other, setOther)}
            {way === 'copy' && pick('Copy from', 'Choose a property')}
            {way === 'rule' && field('Set to', text, setText, column.unit)}
            {way === 'rule' && pick('where', 'the name')}
            {way === 'rule' && field('is', other, setOther, 'contains north')}
            {way === 'remove' && (
              <p className="text-muted">The property is taken away from these elements.</p>
            )}
            <button className="btn btn-main self-end" type="submit" disabled={!ready}>
              {way === 'remove' ? 'Take it away' : 'Change the values'}
            </button>
          </form>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
