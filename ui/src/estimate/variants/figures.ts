import type { Units } from '../../model/units';
import type { Metric, MetricKind, VariantRun } from '../../model/variantCalls';
import { figure, shownAs } from '../measures';

/** What a metric is called and counted in, in the units shown. */
export function metricOf(units: Units, metrics: MetricKind[], metric: Metric) {
  const m = metrics.find((x) => x.metric === metric)!;
  const shown = shownAs(units, m.quantity, m.unit);
  return {
    label: m.label,
    unit: shown.unit,
    to: shown.to,
    text: (v: number | null | undefined) => (v == null ? '–' : figure(shown.to(v))),
  };
}

/** A metric of a run beside the baseline. */
export const valueOf = (r: VariantRun, metric: Metric) =>
  r.figures?.metrics.find((m) => m.metric === metric);

/** "−12 %"; nothing where there is nothing to compare. */
export const shareText = (share: number | null | undefined) =>
  share == null
    ? ''
    : `${share > 0 ? '+' : share < 0 ? '−' : '±'}${figure(Math.abs(100 * share))} %`;

/** Less is better of every metric. */
export const tone = (difference: number | null | undefined) =>
  difference == null || Math.abs(difference) < 1e-9
    ? 'text-muted'
    : difference < 0
      ? 'text-kelp'
      : 'text-blocker';
