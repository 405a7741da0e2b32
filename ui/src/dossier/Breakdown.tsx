import { useQuery } from '@tanstack/react-query';
import { api, type Model } from '../model/api';

import { figures, useUnits } from '../model/units';
import { Row, Section } from '../shared/dossierParts';

/** How the U-value of a surface or door comes about, resistance by resistance. */
export function Breakdown({ model, object }: { model: Model; object: string }) {
  const units = useUnits();
  const { id, version } = model.delivery;
  const { data, error } = useQuery({
    queryKey: ['breakdown', id, version, object],
    queryFn: () => api.breakdown(id, object),
    staleTime: Infinity,
    retry: false,
  });
  if (error) return null;
  const b = data?.breakdown;
  return (
    <Section title="U-value, outside to inside">
      {!data || !b ? (
        <p className="text-muted">Working it out …</p>
      ) : (
        <div data-testid="breakdown">
          <p className="font-semibold">{data.construction}</p>
          <table className="mt-0.5 w-full text-sm">
            <thead>
              <tr className="text-right text-muted">
                <th />
                <th className="pl-2 font-normal">{units.thickness.unit}</th>
                <th className="pl-2 font-normal">{units.conductivity.unit}</th>
                <th className="pl-2 font-normal">{units.resistance.unit}</th>
              </tr>
            </thead>
            <tbody>
              {b.steps.map((s, i) => (
                <tr key={i} className="border-t border-line/50 text-right" title={s.clause}>
                  <td className="text-left">
                    {s.what}
                    {s.share < 1 && ` (${(100 * s.share).toFixed(0)} %)`}
                    <span className="block text-[11px] text-muted">{s.clause}</span>
                  </td>
                  <td className="pl-2">
                    {s.thickness == null ? '' : figures(units.thickness.to(s.thickness))}
                  </td>
                  <td className="pl-2">
                    {s.conductivity == null ? '' : figures(units.conductivity.to(s.conductivity))}
                  </td>
                  <td className="pl-2">
                    {s.resistance == null ? '?' : figures(units.resistance.to(s.resistance))}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <dl className="mt-1">
            {b.upper != null && b.lower != null && (
              <Row label="Upper and lower limit">
                {figures(units.resistance.to(b.upper))} / {figures(units.resistance.to(b.lower))}
              </Row>
            )}
            <Row label="Total resistance">
              {b.resistance == null
                ? 'not known'
                : `${figures(units.resistance.to(b.resistance))} ${units.resistance.unit}`}
            </Row>
            <Row label="U-value of the layers">
              {b.uValue == null ? 'not known' : units.uValue.text(b.uValue)}
            </Row>
            {data.stated != null && (
              <Row label="Stated">
                {units.uValue.text(data.stated)}
                {b.uValue != null &&
                  ` (${((100 * (data.stated - b.uValue)) / b.uValue).toFixed(0)} %)`}
              </Row>
            )}
            {data.counts != null && data.counts !== b.uValue && data.counts !== data.stated && (
              <Row label="With the ground">
                {figures(units.uValue.to(data.counts))} {units.uValue.unit}
              </Row>
            )}
          </dl>
          {b.assumptions.map((a) => (
            <p key={a} className="mt-0.5 text-sm text-muted">
              {a}
            </p>
          ))}
        </div>
      )}
    </Section>
  );
}
