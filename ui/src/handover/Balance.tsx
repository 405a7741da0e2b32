import { useQuery } from '@tanstack/react-query';
import { api, type BalanceLine, type Model } from '../model/api';
import { figures, useUnits, type Units } from '../model/units';

const unitOf = (units: Units, measure: BalanceLine['measure']) =>
  ({
    COUNT: '',
    AREA: units.area.unit,
    VOLUME: units.volume.unit,
    HEAT_LOSS: units.heatLoss.unit,
    U_VALUE: units.uValue.unit,
  })[measure];

function shown(units: Units, l: BalanceLine, v: number | null | undefined): string {
  if (v == null) return '–';
  switch (l.measure) {
    case 'COUNT':
      return String(v);
    case 'AREA':
      return units.area.figure(v);
    case 'VOLUME':
      return units.volume.figure(v);
    case 'HEAT_LOSS':
      return figures(units.heatLoss.to(v));
    case 'U_VALUE':
      return figures(units.uValue.to(v));
  }
}

/** What the model adds up to, as delivered and now; what differs is set off. */
export function Balance({ model }: { model: Model }) {
  const units = useUnits();
  const { id, version } = model.delivery;
  const { data } = useQuery({
    queryKey: ['balance', id, version],
    queryFn: () => api.balance(id),
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
  return (
    <div className="min-w-0 flex-1" data-testid="balance">
      <h2 className="kicker">Balance sheet</h2>
      {!data ? (
        <p className="text-muted">Adding up …</p>
      ) : (
        <table className="w-full text-sm tabular-nums">
          <thead>
            <tr className="text-left text-muted">
              <th className="font-normal">
                <span className="sr-only">What</span>
              </th>
              <th className="text-right font-normal">As delivered</th>
              <th className="text-right font-normal">Now</th>
              <th className="w-16 pl-2 font-normal">
                <span className="sr-only">Change</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {data.map((l) => {
              const [before, now] = [shown(units, l, l.before), shown(units, l, l.now)];
              return (
                <tr key={l.what} className="border-b border-line/50 leading-[20px]">
                  <td>{l.what}</td>
                  <td className="text-right text-muted">{before}</td>
                  <td className={`text-right ${before === now ? '' : 'font-semibold text-kelp'}`}>
                    {now}
                  </td>
                  <td className="pl-2 text-muted">{unitOf(units, l.measure)}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
    </div>
  );
}
