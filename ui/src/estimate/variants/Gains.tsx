import { useUnits } from '../../model/units';
import type { Variants } from '../../model/variantCalls';
import { figure } from '../measures';
import { metricOf } from './figures';

const sentence = (t: string) => t.charAt(0).toUpperCase() + t.slice(1);

/** What each change brings by itself, and for its effort. */
export function Gains({ variants: v }: { variants: Variants }) {
  const units = useUnits();
  const metric = metricOf(units, v.metrics, v.judgedBy);
  const known = v.gains.filter((g) => g.gain != null);
  if (known.length < 2) return null;
  const efforts = known.some((g) => g.perEffort != null);
  return (
    <section className="border-t border-line px-3 py-2" data-testid="gains">
      <h2 className="kicker">Which change brings most by itself</h2>
      <table className="w-full">
        <thead>
          <tr className="text-left text-sm text-muted">
            <th className="font-normal">Change</th>
            <th className="text-right font-normal">
              {metric.label} falls by, {metric.unit}
            </th>
            {efforts && <th className="pl-2 text-right font-normal">for 1,000 of effort</th>}
          </tr>
        </thead>
        <tbody>
          {known.map((g) => (
            <tr key={`${g.variant} ${g.index}`} className="border-t border-line/60">
              <td>{sentence(units.said(g.label))}</td>
              <td className={`text-right ${g.gain! > 0 ? 'text-kelp' : 'text-blocker'}`}>
                {figure(metric.to(g.gain!) - metric.to(0))}
              </td>
              {efforts && (
                <td className="pl-2 text-right">
                  {g.perEffort == null
                    ? '–'
                    : figure(1000 * (metric.to(g.perEffort) - metric.to(0)))}
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
      {!efforts && (
        <p className="text-sm text-muted">
          Say what changes take (money, days) to see what each brings for it.
        </p>
      )}
    </section>
  );
}
