import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Model, type Project } from '../model/api';
import type { Junctions } from '../model/estimateCalls';
import { useUnits } from '../model/units';

/** Sums by type, with a ψ that may be put in place of the standard's. */
export function PsiTable({
  model,
  project,
  junctions,
}: {
  model: Model;
  project: Project;
  junctions: Junctions;
}) {
  const units = useUnits();
  const client = useQueryClient();
  const key = ['estimate-settings', project.id];
  const settings = useQuery({ queryKey: key, queryFn: () => api.estimateSettings(project.id) });
  const [error, setError] = useState<string | null>(null);
  const psi = settings.data?.psi ?? {};
  const all = junctions.totals.reduce((a, t) => a + t.heatLoss, 0);

  async function change(type: string, text: string) {
    const next = { ...psi };
    const v = Number(text.trim().replace(',', '.'));
    if (text.trim() === '') delete next[type];
    else if (Number.isFinite(v)) next[type] = units.linear.from(v);
    else return;
    setError(null);
    try {
      client.setQueryData(key, await api.setEstimate(project.id, { ...settings.data!, psi: next }));
      await client.invalidateQueries({ queryKey: ['junctions', model.delivery.id] });
    } catch (e) {
      setError(e instanceof Error ? e.message : String(e));
    }
  }

  return (
    <div className="px-3 py-1.5">
      <p>
        <b>{units.heatLoss.text(all)}</b> by {junctions.dimensions} dimensions; ψ by ISO 14683 where
        none is stated here. What is stated counts for the next run.
      </p>
      {error && (
        <p className="font-semibold text-blocker" role="alert">
          {error}
        </p>
      )}
      <table className="mt-1">
        <thead>
          <tr className="text-left text-sm text-muted">
            <th className="pr-4 font-normal">Type</th>
            <th className="pr-4 text-right font-normal">Length {units.length.unit}</th>
            <th className="pr-4 text-right font-normal">Heat loss {units.heatLoss.unit}</th>
            <th className="font-normal">ψ stated {units.linear.unit}</th>
          </tr>
        </thead>
        <tbody>
          {junctions.totals.map((t) => (
            <tr key={t.type}>
              <td className="pr-4">
                {t.type} {t.label}
              </td>
              <td className="pr-4 text-right">{units.length.to(t.length).toFixed(1)}</td>
              <td className="pr-4 text-right">{units.heatLoss.to(t.heatLoss).toFixed(2)}</td>
              <td>
                <input
                  key={psi[t.type]}
                  className="field !h-[22px] w-20 text-right"
                  inputMode="decimal"
                  placeholder="standard"
                  aria-label={`ψ of ${t.label}`}
                  defaultValue={
                    psi[t.type] == null ? '' : Number(units.linear.to(psi[t.type]).toPrecision(4))
                  }
                  onBlur={(e) => void change(t.type, e.target.value)}
                  onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
