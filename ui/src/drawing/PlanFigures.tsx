import { useUnits } from '../model/units';
import type { useTried } from './useTried';

/** Areas, volume and glazed shares of what is drawn. */
export function PlanFigures({ of }: { of: ReturnType<typeof useTried> }) {
  const units = useUnits();
  if (of.fault)
    return (
      <p className="text-blocker" role="alert">
        {of.fault}
      </p>
    );
  if (!of.tried) return <p className="text-muted">Working it out …</p>;
  const f = of.tried.figures;
  const share = (v: number) => `${(v * 100).toFixed(1)} %`;
  return (
    <div className={of.current ? '' : 'opacity-60'} data-testid="plan-figures">
      <dl className="grid grid-cols-[auto_auto] gap-x-4 leading-[21px]">
        <dt className="text-muted">Spaces</dt>
        <dd className="text-right">{f.spaces}</dd>
        <dt className="text-muted">Floor area</dt>
        <dd className="text-right">{units.area.text(f.floorArea)}</dd>
        <dt className="text-muted">Volume</dt>
        <dd className="text-right">{units.volume.text(f.volume)}</dd>
        {f.facades
          .filter((w) => w.area > 0)
          .map((w) => (
            <div key={w.facing} className="contents">
              <dt className="text-muted">Walls facing {w.facing}</dt>
              <dd className="text-right">
                {units.area.text(w.area)}, {share(w.glazed)} glazed
              </dd>
            </div>
          ))}
        <dt className="text-muted">Roofs</dt>
        <dd className="text-right">
          {units.area.text(f.roofArea)}
          {f.glazedRoof > 0 && `, ${share(f.glazedRoof)} glazed`}
        </dd>
      </dl>
      {of.tried.notes.length > 0 && (
        <ul className="mt-1 text-sm text-muted">
          {[...new Set(of.tried.notes)].map((n) => (
            <li key={n}>{units.said(n)}.</li>
          ))}
        </ul>
      )}
    </div>
  );
}
