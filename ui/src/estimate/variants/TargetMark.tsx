import { Check, X } from 'lucide-react';
import type { VariantRun } from '../../model/variantCalls';

/** Whether all targets are met; nothing while that is not known. */
export function TargetMark({ run, targets }: { run: VariantRun; targets: number }) {
  const states = run.figures?.targets ?? [];
  if (!targets || states.length < targets || states.some((t) => t.met == null))
    return <span className="inline-block w-[14px]" />;
  const met = states.every((t) => t.met);
  return met ? (
    <Check size={14} className="shrink-0 text-kelp" aria-label="meets the target" />
  ) : (
    <X size={14} className="shrink-0 text-blocker" aria-label="misses the target" />
  );
}
