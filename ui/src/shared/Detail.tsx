import { useEffect } from 'react';
import { createPortal } from 'react-dom';
import { useArranged } from './arrangement';

/** What is said of a table's chosen row: beside it under the model; under the inset of the model where the table has the room. */
export function Detail({
  label,
  testId,
  children,
}: {
  label: string;
  testId?: string;
  children: React.ReactNode;
}) {
  const { lead, slot, take } = useArranged();
  const inSide = lead === 'work' && !!slot;
  useEffect(() => (inSide ? take() : undefined), [inSide, take]);
  if (inSide)
    return createPortal(
      <section
        className="flex flex-col border-b border-line px-3 py-2"
        aria-label={label}
        data-testid={testId}
      >
        {children}
      </section>,
      slot,
    );
  return (
    <div
      className="flex w-[340px] shrink-0 flex-col overflow-y-auto border-l border-line px-3 py-2"
      role="group"
      aria-label={label}
      data-testid={testId}
    >
      {children}
    </div>
  );
}
