import { useEffect, useMemo, useState } from 'react';
import type { Project } from '../model/api';
import type { ModelIndex } from '../model/model';
import { useView, type EstimateTab } from '../model/state';
import { useAssume } from '../model/useAssume';
import { useUnits } from '../model/units';
import type { Variants } from '../model/variantCalls';
import { WriteUpPanel } from '../report/WriteUpPanel';
import { SheetFrame } from '../shared/SheetFrame';
import { TABLE_NAMES } from '../shared/workspaces';
import { ClimateTab } from './ClimateTab';
import { HoursTab } from './HoursTab';
import { JunctionsTab } from './JunctionsTab';
import { LoadsTab } from './LoadsTab';
import { RunsTab } from './RunsTab';
import { SunTab } from './SunTab';
import { TINTS, tintOf } from './tints';
import { isOpen, useClimate, useResult, useRuns } from './useEstimate';
import { BesideTab } from './variants/BesideTab';
import { SweepsTab } from './variants/SweepsTab';
import { isOpen as isGoing, useVariantPulse, useVariants } from './variants/useVariants';
import { VariantsTab } from './variants/VariantsTab';
import { YearTab } from './YearTab';

/** What stands on its own, not on a run that was chosen. */
const OWN = new Set<EstimateTab>(['climate', 'runs', 'variants', 'sweeps', 'beside', 'writeup']);

function goingOn(v: Variants | undefined): string {
  const n = v ? [v.baseline, ...v.variants.map((x) => x.run)].filter(isGoing).length : 0;
  return n ? `${n} going on` : '';
}

/** Is the translation sane: climate, loads, the year. */
export function EstimateWork({ index, project }: { index: ModelIndex; project: Project }) {
  const { model } = index;
  const units = useUnits();
  const tab = useView((s) => s.estimateTab);
  const set = useView((s) => s.set);
  const climate = useClimate(model).data;
  const runs = useRuns(model).data ?? [];
  const [picked, setPicked] = useState<string | null>(null);
  const done = runs.filter((r) => r.state === 'done');
  const run = done.find((r) => r.id === picked) ?? done[0] ?? null;
  const result = useResult(run).data;
  const [tint, setTint] = useState<(typeof TINTS)[number]['key']>('heatLoad');

  const [assume, setAssume] = useAssume(project.id);
  useVariantPulse(model.delivery.id);
  const variants = useVariants(model, assume).data;

  // the stage shows a figure of each space while there is a result
  const shown = useMemo(
    () => (result ? tintOf(units, tint, result.spaces) : null),
    [result, tint, units],
  );
  useEffect(() => {
    if (!shown) return;
    set({ colourBy: 'estimate', tinted: shown, groupsOff: new Set() });
    return () => set({ colourBy: 'exposure', tinted: null, groupsOff: new Set() });
  }, [set, shown]);

  const going = runs.filter(isOpen).length;
  const tabs: [EstimateTab, string, number | string][] = [
    ['climate', TABLE_NAMES.climate, ''],
    ['runs', TABLE_NAMES.runs, going ? `${going} going on` : runs.length || ''],
    ['year', TABLE_NAMES.year, ''],
    ['loads', TABLE_NAMES.loads, ''],
    ['hours', TABLE_NAMES.hours, ''],
    ['junctions', TABLE_NAMES.junctions, ''],
    ['sun', TABLE_NAMES.sun, ''],
    ['variants', TABLE_NAMES.variants, goingOn(variants) || (variants?.variants.length ?? 0) || ''],
    ['sweeps', TABLE_NAMES.sweeps, variants?.sweeps.length || ''],
    ['beside', TABLE_NAMES.beside, ''],
    ['writeup', TABLE_NAMES.writeup, ''],
  ];
  const none = (
    <p className="p-3 text-muted">
      {run ? (
        'Opening the result …'
      ) : (
        <>
          Nothing has been run yet.{' '}
          <button className="text-kelp underline" onClick={() => set({ estimateTab: 'runs' })}>
            Go to the runs
          </button>
        </>
      )}
    </p>
  );
  return (
    <SheetFrame
      tabs={tabs}
      tab={tab}
      onTab={(key) => set({ estimateTab: key })}
      tools={
        result &&
        !OWN.has(tab) && (
          <label className="flex items-center gap-1 text-sm text-muted">
            Model shows
            <select
              className="field !h-[24px]"
              value={tint}
              onChange={(e) => setTint(e.target.value as typeof tint)}
            >
              {TINTS.map((t) => (
                <option key={t.key} value={t.key}>
                  {t.label}
                </option>
              ))}
            </select>
          </label>
        )
      }
    >
      {run?.stale && !OWN.has(tab) && (
        <p className="shrink-0 border-b border-line bg-paper px-3 py-1 font-semibold text-warning">
          {run.name} belongs to an earlier state of the envelope.{' '}
          <button className="text-kelp underline" onClick={() => set({ estimateTab: 'runs' })}>
            Run it again
          </button>
        </p>
      )}
      {tab === 'climate' ? (
        <ClimateTab project={project} climate={climate} />
      ) : tab === 'runs' ? (
        <RunsTab
          model={model}
          project={project}
          runs={runs}
          chosen={run?.id ?? null}
          onChoose={setPicked}
          ready={!!climate}
        />
      ) : tab === 'junctions' ? (
        <JunctionsTab model={model} index={index} project={project} />
      ) : tab === 'sun' ? (
        <SunTab model={model} index={index} />
      ) : tab === 'variants' ? (
        <VariantsTab model={model} variants={variants} assume={assume} onAssume={setAssume} />
      ) : tab === 'sweeps' ? (
        <SweepsTab model={model} variants={variants} assume={assume} />
      ) : tab === 'beside' ? (
        <BesideTab model={model} variants={variants} />
      ) : tab === 'writeup' ? (
        <WriteUpPanel model={model} purpose="write-up" />
      ) : !result || !run ? (
        none
      ) : tab === 'year' ? (
        <YearTab result={result} />
      ) : tab === 'loads' ? (
        <LoadsTab result={result} />
      ) : (
        <HoursTab run={run} result={result} />
      )}
    </SheetFrame>
  );
}
