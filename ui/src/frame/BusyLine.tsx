import { useEffect, useState } from 'react';
import { useUnderway } from '../model/underway';

/** Time in milliseconds after which a person wants to know that something is being done. */
const LATE = 300;

/** A line along the top of the page while an answer is waited for, whatever asked for it. */
export function BusyLine() {
  const waits = useUnderway((s) => s.n > 0);
  const [late, setLate] = useState(false);
  useEffect(() => {
    if (!waits) return;
    const timer = setTimeout(() => setLate(true), LATE);
    return () => {
      clearTimeout(timer);
      setLate(false);
    };
  }, [waits]);
  return (
    <div role="status" className="fixed inset-x-0 top-0 z-50" data-testid="busy">
      {late && (
        <div className="busy">
          <span className="sr-only">Working …</span>
        </div>
      )}
    </div>
  );
}
