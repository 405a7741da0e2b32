import { useId, useState } from 'react';
import { Popover } from 'radix-ui';
import { ChevronDown } from 'lucide-react';

export interface Choice {
  id: string;
  label: string;
  /** Stands behind the label, as a U-value. */
  detail?: string;
  group: string;
  title?: string;
}

/** A button that unfolds a list to type into: words narrow it down, arrows go through it, Enter takes. */
export function Picker({
  label,
  choices,
  onPick,
  main,
  disabled,
  testId,
}: {
  label: string;
  choices: Choice[];
  onPick: (id: string) => void;
  main?: boolean;
  disabled?: boolean;
  testId?: string;
}) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const list = useId();
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = choices.filter((c) => {
    const has = `${c.group} ${c.label}`.toLowerCase();
    return words.every((w) => has.includes(w));
  });

  const current = Math.min(at, shown.length - 1);

  function onKey(e: React.KeyboardEvent) {
    if (e.key === 'Enter' && shown[current]) pick(shown[current].id);
    const step = { ArrowDown: 1, ArrowUp: -1 }[e.key];
    if (step === undefined || !shown.length) return;
    e.preventDefault();
    const next = (current + step + shown.length) % shown.length;
    setAt(next);
    document.getElementById(`${list}-${next}`)?.scrollIntoView({ block: 'nearest' });
  }

  function pick(id: string) {
    setOpen(false);
    setText('');
    setAt(0);
    onPick(id);
  }

  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        className={`btn ${main ? 'btn-main' : ''}`}
        disabled={disabled}
        data-testid={testId}
      >
        {label} <ChevronDown size={13} />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="menu w-96 !p-0" align="start" collisionPadding={8}>
          <input
            className="field m-1.5 w-[calc(100%-12px)]"
            placeholder="Type to narrow the list"
            aria-label="Narrow the list"
            role="combobox"
            aria-expanded
            aria-controls={list}
            aria-activedescendant={shown[current] && `${list}-${current}`}
            value={text}
            onChange={(e) => {
              setText(e.target.value);
              setAt(0);
            }}
            onKeyDown={onKey}
          />
          <div className="max-h-72 overflow-y-auto pb-1" role="listbox" id={list}>
            {shown.map((c, i) => (
              <div key={c.id}>
                {(i === 0 || shown[i - 1].group !== c.group) && (
                  <div className="kicker px-3 pt-1.5 pb-0.5">{c.group}</div>
                )}
                <button
                  role="option"
                  id={`${list}-${i}`}
                  aria-selected={i === current}
                  tabIndex={-1}
                  className={`flex w-full items-baseline gap-2 px-3 py-[3px] text-left hover:bg-kelp-soft ${i === current ? 'bg-kelp-soft' : ''}`}
                  title={c.title}
                  onClick={() => pick(c.id)}
                >
                  <span className="min-w-0 flex-1 truncate">{c.label}</span>
                  {c.detail && <span className="shrink-0 text-sm text-muted">{c.detail}</span>}
                </button>
              </div>
            ))}
            {!shown.length && <p className="px-3 py-2 text-muted">Nothing has these words.</p>}
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
