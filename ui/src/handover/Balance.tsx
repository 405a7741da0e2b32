import { Fragment, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { ChevronRight } from 'lucide-react';
import { Link } from 'react-router';
import { api, type Model } from '../model/api';
import type { BalanceLine } from '../model/handoverCalls';
import { useView } from '../model/state';
import { figures, useUnits, type Units } from '../model/units';
import { count } from '../model/words';
import { useWorkspaceLink } from '../shared/useWorkspaceLink';

type Cause = BalanceLine['causes'][number];

const unitOf = (units: Units, measure: BalanceLine['measure']) =>
  ({
    COUNT: '',
    AREA: units.area.unit,
    VOLUME: units.volume.unit,
    HEAT_LOSS: units.heatLoss.unit,
    U_VALUE: units.uValue.unit,
  })[measure];

function shown(units: Units, measure: BalanceLine['measure'], v: number | null | undefined) {
  if (v == null) return '–';
  switch (measure) {
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

/** Why two columns differ, and where one looks at it. */
const KINDS: Record<Cause['kind'], { label: string; workspace?: string; go?: string }> = {
  OUT_OF_SCOPE: { label: 'left out of the scope', workspace: 'scope', go: 'Scope' },
  GROUPED: { label: 'spaces that only group others do not count again' },
  REPAIRED: { label: 'repairs', workspace: 'findings', go: 'Repair log' },
  CONVENTION: { label: 'where surfaces are drawn', workspace: 'envelope', go: 'Envelope' },
  MEASURED_OTHERWISE: { label: 'measured in another way' },
  READ_BACK: { label: 'lost or changed by the format' },
};

/**
 * What the model adds up to: in its source, as delivered, now, and read back of what was handed
 * over; what differs is set off, and its causes are a click away.
 */
export function Balance({ model, project }: { model: Model; project: string }) {
  const units = useUnits();
  const { id, version } = model.delivery;
  const { data, error } = useQuery({
    queryKey: ['balance', id, version],
    queryFn: () => api.balance(id),
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
  const [open, setOpen] = useState<string | null>(null);
  const back = !!data?.handover;
  const columns = back ? 6 : 5;
  return (
    <div className="min-h-0 flex-1 overflow-y-auto px-4 py-2" data-testid="balance">
      {error ? (
        <p className="font-semibold text-blocker" role="alert">
          {error.message}
        </p>
      ) : !data ? (
        <p className="text-muted">Adding up …</p>
      ) : (
        <table className="w-full text-sm tabular-nums">
          <thead>
            <tr className="text-left text-muted">
              <th className="font-normal">
                <span className="sr-only">What</span>
              </th>
              <th className="text-right font-normal">Source</th>
              <th className="text-right font-normal">As delivered</th>
              <th className="text-right font-normal">Now</th>
              {back && <th className="text-right font-normal">Read back</th>}
              <th className="w-16 pl-2 font-normal">
                <span className="sr-only">Unit</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {data.lines.map((l) => {
              const [source, before, now, read] = [l.source, l.before, l.now, l.readBack].map((v) =>
                shown(units, l.measure, v),
              );
              const why = l.causes.length > 0;
              return (
                <Fragment key={l.what}>
                  <tr className="border-b border-line/50 leading-[20px]">
                    <td>
                      {why ? (
                        <button
                          className="flex items-center gap-1 text-left hover:text-kelp"
                          aria-expanded={open === l.what}
                          onClick={() => setOpen(open === l.what ? null : l.what)}
                          data-testid="why"
                        >
                          <ChevronRight
                            size={12}
                            className={`text-kelp ${open === l.what ? 'rotate-90' : ''}`}
                          />
                          {l.what}
                        </button>
                      ) : (
                        <span className="pl-4">{l.what}</span>
                      )}
                    </td>
                    <td className="text-right text-muted">{source}</td>
                    <td className="text-right text-muted">{before}</td>
                    <td className={`text-right ${before === now ? '' : 'font-semibold text-kelp'}`}>
                      {now}
                    </td>
                    {back && (
                      <td
                        className={`text-right ${read === now ? 'text-muted' : 'font-semibold text-error'}`}
                      >
                        {read}
                      </td>
                    )}
                    <td className="pl-2 text-muted">{unitOf(units, l.measure)}</td>
                  </tr>
                  {why && open === l.what && (
                    <tr className="border-b border-line/50">
                      <td colSpan={columns} className="bg-paper py-1 pl-4">
                        <ul data-testid="causes">
                          {l.causes.map((c) => (
                            <CauseLine key={c.kind} cause={c} units={units} project={project} />
                          ))}
                        </ul>
                      </td>
                    </tr>
                  )}
                </Fragment>
              );
            })}
          </tbody>
        </table>
      )}
    </div>
  );
}

function CauseLine({ cause: c, units, project }: { cause: Cause; units: Units; project: string }) {
  const to = useWorkspaceLink(project);
  const select = useView((s) => s.select);
  const kind = KINDS[c.kind];
  const figure = shown(units, c.measure, Math.abs(c.amount));
  return (
    <li className="leading-[20px]">
      {c.amount < 0 ? '−' : '+'}
      {figure} {unitOf(units, c.measure)}: {kind.label}
      {c.says && `; ${c.says}`}
      {c.objects.length > 0 && (
        <button
          className="ml-2 text-kelp underline"
          onClick={() => select(c.objects)}
          data-testid="show-objects"
        >
          Show {count(c.objects.length, 'object')}
        </button>
      )}
      {kind.workspace && (
        <Link className="ml-2 text-kelp underline" to={to(kind.workspace)}>
          Open {kind.go}
        </Link>
      )}
    </li>
  );
}
