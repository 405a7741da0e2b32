import { useState } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Project } from '../model/api';
import type { RunSettings } from '../model/estimateCalls';
import { useUnits } from '../model/units';
import { NumberField } from './NumberField';
import { PERCENT, PLAIN, with_ } from './measures';

const FACTORS = { cost: 'Cost', carbon: 'Carbon', primary: 'Primary energy' };

/** What the next run is reckoned with; runs that are there keep theirs. */
export function RunSettingsForm({ project }: { project: Project }) {
  const units = useUnits();
  const client = useQueryClient();
  const key = ['estimate-settings', project.id];
  const settings = useQuery({ queryKey: key, queryFn: () => api.estimateSettings(project.id) });
  const [error, setError] = useState<string | null>(null);
  const s = settings.data;
  if (!s) return null;

  async function change(part: Partial<RunSettings>) {
    const next = { ...s!, ...part };
    setError(null);
    try {
      client.setQueryData(key, await api.setEstimate(project.id, next));
    } catch (e) {
      setError(e instanceof Error ? e.message : String(e));
      await settings.refetch();
    }
  }
  const carrier = (label: string, name: 'heatingCarrier' | 'waterCarrier') => (
    <label className="flex items-center gap-2">
      <span className="w-44 shrink-0">{label}</span>
      <select
        className="field"
        value={s[name]}
        onChange={(e) => void change({ [name]: e.target.value })}
      >
        {s.carriers.map((c) => (
          <option key={c.carrier} value={c.carrier}>
            {c.label}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <details className="mt-4" data-testid="run-settings" open>
      <summary className="kicker cursor-pointer">Settings of the next run</summary>
      {error && (
        <p className="font-semibold text-blocker" role="alert">
          {error}
        </p>
      )}
      <div className="mt-1 grid grid-cols-[repeat(auto-fill,minmax(360px,1fr))] gap-x-8 gap-y-1">
        <div className="space-y-1">
          <h3 className="font-semibold">In place of what the model says</h3>
          <NumberField
            label="Air change"
            value={s.airChange ?? null}
            measure={with_('1/h')}
            empty="model"
            onChange={(v) => void change({ airChange: v })}
          />
          <NumberField
            label="Heated to"
            value={s.heating ?? null}
            measure={units.temperature}
            empty="model"
            onChange={(v) => void change({ heating: v })}
          />
          <NumberField
            label="Cooled to"
            value={s.cooling ?? null}
            measure={units.temperature}
            empty="model"
            onChange={(v) => void change({ cooling: v })}
          />
          <NumberField
            label="Internal gains"
            value={s.gains ?? null}
            measure={units.powerDensity}
            empty="model"
            onChange={(v) => void change({ gains: v })}
          />
          <NumberField
            label="Heat recovery"
            value={s.heatRecovery}
            measure={PERCENT}
            onChange={(v) => void change({ heatRecovery: v ?? 0 })}
          />
          <NumberField
            label="Sun taken up by outer faces"
            value={s.absorptance}
            measure={PERCENT}
            onChange={(v) => void change({ absorptance: v ?? 0 })}
          />
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              checked={s.thermalBridges}
              onChange={(e) => void change({ thermalBridges: e.target.checked })}
            />
            Count linear thermal bridges
          </label>
        </div>
        <div className="space-y-1">
          <h3 className="font-semibold">Systems, by the season</h3>
          {carrier('Heating with', 'heatingCarrier')}
          <NumberField
            label="Efficiency of heating"
            value={s.heatingEfficiency}
            measure={PLAIN}
            onChange={(v) => void change({ heatingEfficiency: v ?? 1 })}
          />
          <NumberField
            label="Efficiency of cooling"
            value={s.coolingEfficiency}
            measure={PLAIN}
            onChange={(v) => void change({ coolingEfficiency: v ?? 1 })}
          />
          {carrier('Hot water with', 'waterCarrier')}
          <NumberField
            label="Efficiency of hot water"
            value={s.waterEfficiency}
            measure={PLAIN}
            onChange={(v) => void change({ waterEfficiency: v ?? 1 })}
          />
          <NumberField
            label="Power of fans"
            value={s.fanPower}
            measure={with_('W per l/s')}
            onChange={(v) => void change({ fanPower: v ?? 0 })}
          />
        </div>
        <div>
          <h3 className="font-semibold">What a kilowatt hour costs, emits and takes</h3>
          <table>
            <thead>
              <tr className="text-left text-sm text-muted">
                <td className="pr-3" />
                <th className="pr-3 font-normal">Cost</th>
                <th className="pr-3 font-normal">Carbon, kg</th>
                <th className="font-normal">Primary, kWh</th>
              </tr>
            </thead>
            <tbody>
              {s.carriers.map((c, i) => (
                <tr key={c.carrier}>
                  <td className="pr-3">{c.label}</td>
                  {(['cost', 'carbon', 'primary'] as const).map((name) => (
                    <td key={name} className="pr-3">
                      <input
                        key={c[name]}
                        className="field w-20 text-right"
                        inputMode="decimal"
                        aria-label={`${FACTORS[name]} of ${c.label}`}
                        defaultValue={c[name] ?? ''}
                        onBlur={(e) => {
                          const v = Number(e.target.value.replace(',', '.'));
                          if (Number.isFinite(v) && v !== c[name])
                            void change({
                              carriers: s.carriers.map((x, k) =>
                                k === i ? { ...x, [name]: v } : x,
                              ),
                            });
                        }}
                      />
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </div>
    </details>
  );
}
