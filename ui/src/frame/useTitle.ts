import { useEffect } from 'react';

/** The document's title: what is looked at first, for tabs that are cut short. */
export function useTitle(...parts: (string | null | undefined)[]) {
  const title = [...parts.filter(Boolean), 'Yentra'].join(' · ');
  useEffect(() => {
    document.title = title;
  }, [title]);
}
