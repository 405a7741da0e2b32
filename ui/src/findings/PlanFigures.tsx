import { useUnits, type Units } from '../model/units';
import type { Outcome } from './planSteps';

type Side = Outcome['before'];

const rows = (units: Units): [string, (s: Side) => string][] => [
  ['Blockers', (s) => String(s.blockers)],
  ['Errors', (s) => String(s.errors)],
  ['Warnings', (s) => String(s.warnings)],
  ['Floor area', (s) => units.area.text(s.figures.floorArea)],
  ['Volume', (s) => units.volume.text(s.figures.volume)],
  ['To outdoor air', (s) => units.area.text(s.figures.outdoorArea)],
  ['Glazed', (s) => units.area.text(s.figures.glazedArea)],
  ['Heat loss', (s) => units.heatLoss.text(s.heatLoss)],
  ['Without a U-value', (s) => units.area.text(s.unknownArea)],
];

/** The building before and after what is taken of the plan; what stays the same is told once. */
export function PlanFigures({ outcome }: { outcome: Pick<Outcome, 'before' | 'after'> }) {
  const units = useUnits();
  return (
    <dl className="contents" data-testid="plan-figures">
      {rows(units).map(([label, text]) => {
        const [a, b] = [text(outcome.before), text(outcome.after)];
        return (
          <div key={label} className="flex gap-1.5 leading-[20px]">
            <dt className="text-muted">{label}</dt>
            <dd>
              {a === b ? (
                a
              ) : (
                <>
                  {a} → <b>{b}</b>
                </>
              )}
            </dd>
          </div>
        );
      })}
    </dl>
  );
}
