import { useState } from 'react';
import { Popover } from 'radix-ui';
import { ChevronDown, MousePointerClick } from 'lucide-react';
import { api, type Model, type PickRequest } from '../model/api';
import { useView } from '../model/state';
import { count } from '../model/words';
import { useShallow } from 'zustand/react/shallow';

const SUBJECTS: [PickRequest['subject'], string][] = [
  ['CLASS', 'Class, subtypes too'],
  ['TYPE', 'Type'],
  ['PREDEFINED_TYPE', 'Predefined type'],
  ['STOREY', 'Storey'],
  ['NAME', 'Name'],
  ['LAYER', 'Layer'],
  ['MATERIAL', 'Material'],
  ['CLASSIFICATION', 'Classification'],
  ['PROPERTY', 'Property'],
];

/** Selects elements by what they are or say. */
export function PickMenu({ model }: { model: Model }) {
  const { select, set } = useView(useShallow((s) => ({ select: s.select, set: s.set })));
  const [open, setOpen] = useState(false);
  const [asked, setAsked] = useState<PickRequest>({
    subject: 'NAME',
    set: '',
    property: '',
    test: 'contains ',
  });
  const [fault, setFault] = useState('');

  async function pick(e: React.FormEvent) {
    e.preventDefault();
    try {
      const keys = await api.pick(model.delivery.id, asked);
      setFault('');
      if (!keys.length) {
        setFault('No element fits.');
        return;
      }
      setOpen(false);
      select(keys);
      set({ message: { text: `${count(keys.length, 'element')} selected.`, bad: false } });
    } catch (x) {
      setFault(x instanceof Error ? x.message : String(x));
    }
  }

  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <button className="btn" title="Select elements by what they are or say" data-testid="pick">
          <MousePointerClick size={14} /> Pick <ChevronDown size={13} />
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          className="z-50 w-[340px] rounded-sm border border-line bg-panel p-3 shadow-lg"
          align="end"
          side="top"
          sideOffset={6}
        >
          <form onSubmit={(e) => void pick(e)} className="flex flex-col gap-2">
            <label className="flex items-center justify-between gap-2">
              Select by
              <select
                className="field w-52"
                value={asked.subject}
                onChange={(e) =>
                  setAsked({ ...asked, subject: e.target.value as PickRequest['subject'] })
                }
              >
                {SUBJECTS.map(([k, label]) => (
                  <option key={k} value={k}>
                    {label}
                  </option>
                ))}
              </select>
            </label>
            {asked.subject === 'PROPERTY' && (
              <>
                <label className="flex items-center justify-between gap-2">
                  Property
                  <input
                    className="field w-52"
                    value={asked.property}
                    placeholder="FireRating"
                    onChange={(e) => setAsked({ ...asked, property: e.target.value })}
                  />
                </label>
                <label className="flex items-center justify-between gap-2">
                  Property set
                  <input
                    className="field w-52"
                    value={asked.set}
                    placeholder="any"
                    onChange={(e) => setAsked({ ...asked, set: e.target.value })}
                  />
                </label>
              </>
            )}
            <label className="flex items-center justify-between gap-2">
              that is
              <input
                className="field w-52"
                autoFocus
                value={asked.test}
                onChange={(e) => setAsked({ ...asked, test: e.target.value })}
              />
            </label>
            <p className="text-sm text-muted">
              Write Office; Store for one of several, contains gross, at least 2, 0.1 to 0.3, not …,
              any, missing.
            </p>
            {fault && <p className="text-blocker">{fault}</p>}
            <button className="btn btn-main self-end" type="submit">
              Select them
            </button>
          </form>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
