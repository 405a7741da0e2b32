import { useEffect } from 'react';
import { useShallow } from 'zustand/react/shallow';
import { useLayout } from '../model/layout';
import { useView } from '../model/state';
import { isSmall, useWindow } from '../shared/useWindow';

/** What was done, or why not: at the foot of the path, where it covers neither rows nor the model. */
export function Message() {
  const { message, set } = useView(useShallow((s) => ({ message: s.message, set: s.set })));
  const small = isSmall(useWindow());
  const folded = useLayout((s) => s.pathFolded) || small;
  useEffect(() => {
    if (!message) return;
    const t = setTimeout(() => set({ message: null }), message.bad ? 9000 : 5000);
    return () => clearTimeout(t);
  }, [message, set]);
  if (!message) return null;
  return (
    <div
      className={`pointer-events-none absolute bottom-11 left-1.5 z-30 rounded-sm border px-2.5 py-1.5 shadow-lg ${folded ? 'max-w-72' : 'w-[156px]'} ${message.bad ? 'border-blocker bg-panel text-blocker' : 'border-kelp bg-panel'}`}
      role="status"
      data-testid="message"
    >
      {message.text}
    </div>
  );
}
