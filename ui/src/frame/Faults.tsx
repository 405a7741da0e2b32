import { SeverityMark } from '../shared/SeverityMark';
import type { ModelIndex } from '../model/model';
import { SEVERITIES } from '../model/words';
import { useUnits } from '../model/units';

/** The worst of the findings about an object, with how many there are. */
export function Faults({ index, k }: { index: ModelIndex; k: string }) {
  const units = useUnits();
  const list = index.findingsOf.get(k) ?? [];
  if (!list.length) return null;
  const worst = SEVERITIES.find((s) => list.some((f) => f.severity === s))!;
  return (
    <span
      className="inline-flex items-center gap-1"
      title={list.map((f) => units.said(f.message)).join('\n')}
    >
      <SeverityMark severity={worst} size={10} /> {list.length}
    </span>
  );
}
