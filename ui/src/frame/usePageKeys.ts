import { useEffect } from 'react';
import { useView } from '../model/state';

/** Whether keys go into a field. */
export function typing(target: EventTarget | null): boolean {
  const at = target as HTMLElement | null;
  return !!at && (/^(INPUT|TEXTAREA|SELECT)$/.test(at.tagName) || at.isContentEditable);
}

/** The keys that work on every page: the palette and the shortcuts. */
export function usePageKeys() {
  useEffect(() => {
    function key(e: KeyboardEvent) {
      const v = useView.getState();
      if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'k') {
        e.preventDefault();
        v.set({ palette: !v.palette });
      } else if (e.key === '?' && !typing(e.target) && !v.palette) {
        e.preventDefault();
        v.set({ help: true });
      }
    }
    window.addEventListener('keydown', key);
    return () => window.removeEventListener('keydown', key);
  }, []);
}
