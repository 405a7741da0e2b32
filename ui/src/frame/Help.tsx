import { Dialog } from 'radix-ui';
import { X } from 'lucide-react';
import { useView } from '../model/state';
import { useShallow } from 'zustand/react/shallow';

const KEYS: [string, string][] = [
  ['Ctrl K', 'find or do something'],
  ['/', 'filter the sheet'],
  ['N, P', 'next, previous finding'],
  ['E', 'show the first remedy; again: apply it'],
  ['F, 0', 'frame the selection, the whole'],
  ['I, H, A', 'only this, hide, show all'],
  ['Enter, Backspace', 'go in to surfaces and openings, go out'],
  ['C + wheel', 'sweep a cut through the selection'],
  ['M', 'measure'],
  ['B', 'the architect’s elements around the envelope'],
  ['V', 'the room to the model, or to the tables'],
  ['1 – 7', 'workspaces'],
  ['Ctrl Z, Ctrl Shift Z', 'undo, redo'],
  ['S O L R W T K', 'on a drawing: select, outline, wall, rectangle, opening, name, block'],
  ['Shift, Alt', 'while drawing: square, or free of what is near'],
  ['Shift drag', 'select by box (Alt takes away)'],
  ['Esc', 'clear'],
];

/** The shortcuts. */
export function Help() {
  const { help, set } = useView(useShallow((s) => ({ help: s.help, set: s.set })));
  return (
    <Dialog.Root open={help} onOpenChange={(open) => set({ help: open })}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-50 w-[420px] -translate-x-1/2 -translate-y-1/2 rounded-sm border border-line bg-panel p-4 shadow-lg"
        >
          <Dialog.Title className="text-title font-semibold">Shortcuts</Dialog.Title>
          <dl className="mt-2">
            {KEYS.map(([k, what]) => (
              <div key={k} className="flex justify-between border-b border-line/60 leading-[26px]">
                <dt className="font-mono text-sm">{k}</dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
          <Dialog.Close className="btn-quiet absolute top-3 right-3" aria-label="Close">
            <X size={14} />
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
