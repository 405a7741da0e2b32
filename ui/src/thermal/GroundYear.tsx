import { useMutation } from '@tanstack/react-query';
import { api } from '../model/api';
import { figures, useUnits } from '../model/units';
import { useNumbers } from './useNumbers';

const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ');

/** Heat loss of slabs by month (ISO 13370), for temperatures that are typed. */
export function GroundYear({ delivery }: { delivery: string }) {
  const units = useUnits();
  const {
    values: n,
    allNumbers,
    field,
  } = useNumbers(() => ({
    indoors: figures(units.temperature.to(20)),
    outdoors: figures(units.temperature.to(10)),
    swing: figures(units.difference.to(8)),
    coldest: '1',
  }));
  const ask = useMutation({
    mutationFn: () =>
      api.groundYear(delivery, {
        indoors: units.temperature.from(n.indoors),
        swingIndoors: 0,
        outdoors: units.temperature.from(n.outdoors),
        swingOutdoors: units.difference.from(n.swing),
        coldest: n.coldest,
      }),
  });
  const most = Math.max(1, ...(ask.data?.months.map(Math.abs) ?? []));
  return (
    <div className="mt-1 flex flex-col gap-1" data-testid="ground-year">
      {field('indoors', 'Mean indoors', units.temperature.unit)}
      {field('outdoors', 'Mean outdoors', units.temperature.unit)}
      {field('swing', 'Swing of the months outdoors', units.difference.unit)}
      {field('coldest', 'Coldest month, 1 to 12')}
      <button className="btn self-start" disabled={!allNumbers} onClick={() => ask.mutate()}>
        Reckon the months
      </button>
      {ask.error && <p className="text-sm text-error">{ask.error.message}</p>}
      {ask.data && (
        <>
          {ask.data.area === 0 && <p className="text-sm text-muted">No slab lies on the ground.</p>}
          {ask.data.area > 0 && (
            <table className="text-sm">
              <tbody>
                {ask.data.months.map((w, i) => (
                  <tr key={MONTHS[i]}>
                    <td className="w-10 text-muted">{MONTHS[i]}</td>
                    <td>
                      <div
                        className="h-2 bg-kelp"
                        style={{ width: `${(100 * Math.abs(w)) / most}%` }}
                      />
                    </td>
                    <td className="w-20 text-right tabular-nums">
                      {units.power.to(w).toFixed(0)} {units.power.unit}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          {ask.data.leftOut > 0 && (
            <p className="text-sm text-muted">
              {ask.data.leftOut === 1 ? '1 floor is' : `${ask.data.leftOut} floors are`} left out:
              in a basement, or without a known resistance.
            </p>
          )}
        </>
      )}
    </div>
  );
}
