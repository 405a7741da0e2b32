import { Dialog } from 'radix-ui';
import { count } from '../model/words';

/** What stands against a handover: to be mended, or handed over all the same. */
export function Decision({
  blockers,
  against,
  busy,
  onClose,
  onAllTheSame,
}: {
  blockers: number;
  /** What other readers would refuse or read otherwise; empty for open blockers, null for nothing. */
  against: string[] | null;
  busy: boolean;
  onClose: () => void;
  onAllTheSame: () => void;
}) {
  const open = against?.length === 0;
  return (
    <Dialog.Root open={!!against} onOpenChange={(o) => !o && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          className="fixed top-1/2 left-1/2 z-50 max-h-[80vh] w-[460px] -translate-x-1/2 -translate-y-1/2 overflow-y-auto rounded-sm border border-line bg-panel p-4 shadow-lg"
          data-testid="decision"
        >
          <Dialog.Title className="text-title font-semibold">
            {open
              ? `${count(blockers, 'blocker')} open`
              : `${count(against?.length ?? 0, 'thing')} against it`}
          </Dialog.Title>
          <Dialog.Description className="mt-1">
            {open
              ? 'A simulation of this file will fail or be wrong. The handover will say so beside the file.'
              : 'Who gets the files would be refused by their own program, or read another building. The handover will say so beside the file.'}
          </Dialog.Description>
          {!open && (
            <ul className="mt-2 ml-4 list-disc text-sm">
              {against?.slice(0, 12).map((t) => (
                <li key={t}>{t}</li>
              ))}
              {(against?.length ?? 0) > 12 && <li>and {against!.length - 12} more</li>}
            </ul>
          )}
          <div className="mt-3 flex gap-2">
            <Dialog.Close className="btn btn-main">Repair first</Dialog.Close>
            <button
              className="btn"
              disabled={busy}
              onClick={onAllTheSame}
              data-testid="all-the-same"
            >
              Hand over all the same
            </button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
