import { useMemo, useState } from 'react';
import type { Estimate, SpaceEstimate } from '../model/estimateCalls';
import { useSelection, useView } from '../model/state';
import { useUnits, type Units } from '../model/units';
import { Table, type Column } from '../shared/Table';
import { noMinus } from './charts';
import { LoadsChart, type LoadRow as Row } from './LoadsChart';

type By = 'space' | 'zone' | 'storey';
const BY: [By, string][] = [
  ['space', 'Space'],
  ['zone', 'Zone'],
  ['storey', 'Storey'],
];

function rowsOf(spaces: SpaceEstimate[], by: By): Row[] {
  const groups = new Map<string, SpaceEstimate[]>();
  for (const s of spaces) {
    const k = by === 'space' ? s.key : (by === 'zone' ? s.zone : s.storey) || 'None';
    groups.set(k, [...(groups.get(k) ?? []), s]);
  }
  return [...groups].map(([key, list]) => {
    const sum = (of: (s: SpaceEstimate) => number) => list.reduce((a, s) => a + of(s), 0);
    return {
      key,
      label: by === 'space' ? list[0].label : key,
      keys: list.map((s) => s.key),
      area: sum((s) => s.floorArea),
      heatLoad: list.some((s) => s.heatingLoad) ? sum((s) => s.heatingLoad?.total ?? 0) : null,
      coolLoad: list.some((s) => s.coolingLoad) ? sum((s) => s.coolingLoad?.peak ?? 0) : null,
      heating: sum((s) => s.heating),
      cooling: sum((s) => s.cooling),
      warm: Math.max(...list.map((s) => s.warm)),
      unmet: Math.max(...list.map((s) => s.unmet)),
      free: [Math.min(...list.map((s) => s.freeMin)), Math.max(...list.map((s) => s.freeMax))],
      one: by === 'space' ? list[0] : null,
    };
  });
}

const outside = (place: string | undefined) => place !== undefined && place !== 'USUAL';

function columnsOf(units: Units, by: By): Column<Row>[] {
  const w = units.power;
  const d = units.powerDensity;
  const e = units.heatByArea;
  const t = units.temperature;
  const density = (load: number | null, area: number) =>
    load == null || !(area > 0) ? null : d.to(load / area);
  const energy = (v: number, area: number) => (area > 0 ? e.to(v / area) : null);
  const shown = (v: number | null, digits = 1) => (v == null ? '–' : v.toFixed(digits));
  const n = (
    id: string,
    head: string,
    unit: string,
    width: number,
    value: (r: Row) => number | null,
    show?: (r: Row) => React.ReactNode,
    title?: string,
  ): Column<Row> => ({ id, head, unit, width, number: true, value, show, title });
  return [
    {
      id: 'name',
      head: BY.find(([k]) => k === by)![1],
      width: 130,
      sticky: true,
      value: (r) => r.label,
    },
    n('area', 'Floor', units.area.unit, 72, (r) => units.area.to(r.area)),
    n(
      'heatLoad',
      'Heating load',
      w.unit,
      122,
      (r) => (r.heatLoad == null ? null : w.to(r.heatLoad)),
      (r) => (r.heatLoad == null ? '–' : w.figure(r.heatLoad)),
      'Design load after EN 12831-1',
    ),
    n(
      'heatDensity',
      '',
      d.unit,
      66,
      (r) => density(r.heatLoad, r.area),
      (r) => (
        <span
          className={outside(r.one?.heatingLoad?.place) ? 'font-semibold text-warning' : ''}
          title={
            outside(r.one?.heatingLoad?.place)
              ? `Outside the usual range; most of it is ${r.one!.heatingLoad!.driver}`
              : undefined
          }
        >
          {shown(density(r.heatLoad, r.area))}
          {outside(r.one?.heatingLoad?.place) && ' !'}
        </span>
      ),
      'Heating load by floor area; marked where it lies outside 10 to 100 W/m²',
    ),
    n(
      'coolLoad',
      'Cooling load',
      w.unit,
      122,
      (r) => (r.coolLoad == null ? null : w.to(r.coolLoad)),
      (r) => (r.coolLoad == null ? '–' : w.figure(r.coolLoad)),
      'Greatest sensible load on a design day of each month',
    ),
    n(
      'coolDensity',
      '',
      d.unit,
      66,
      (r) => density(r.coolLoad, r.area),
      (r) => (
        <span
          className={r.one?.coolingLoad?.place === 'HIGH' ? 'font-semibold text-warning' : ''}
          title={
            r.one?.coolingLoad?.place === 'HIGH'
              ? `Outside the usual range; most of it is ${r.one.coolingLoad.driver}`
              : undefined
          }
        >
          {shown(density(r.coolLoad, r.area))}
          {r.one?.coolingLoad?.place === 'HIGH' && ' !'}
        </span>
      ),
      'Cooling load by floor area; marked above 150 W/m²',
    ),
    n(
      'heating',
      'Heating',
      e.unit,
      112,
      (r) => energy(r.heating, r.area),
      (r) => shown(energy(r.heating, r.area)),
      'In the year',
    ),
    n(
      'cooling',
      'Cooling',
      e.unit,
      112,
      (r) => energy(r.cooling, r.area),
      (r) => shown(energy(r.cooling, r.area)),
      'In the year',
    ),
    n('warm', `Over ${Math.round(t.to(26))} ${t.unit}`, 'h', 84, (r) => r.warm),
    n(
      'unmet',
      'Not held',
      'h',
      70,
      (r) => r.unmet,
      undefined,
      'Hours in which limits keep it from its set-point',
    ),
    n(
      'free',
      'Without either',
      t.unit,
      104,
      (r) => t.to(r.free[1]),
      (r) => `${t.to(r.free[0]).toFixed(1)} to ${t.to(r.free[1]).toFixed(1)}`,
      'Coldest and warmest hour without heating and cooling',
    ),
  ];
}

/** Loads and the year of every space, zone or storey. */
export function LoadsTab({ result: r }: { result: Estimate }) {
  const units = useUnits();
  const select = useView((s) => s.select);
  const selection = useSelection();
  const [by, setBy] = useState<By>('space');
  const [drawn, setDrawn] = useState(false);
  const rows = useMemo(() => rowsOf(r.spaces, by), [r, by]);
  const columns = useMemo(() => columnsOf(units, by), [units, by]);
  const marked = useMemo(() => {
    if (by === 'space') return selection;
    return new Set(rows.filter((x) => x.keys.every((k) => selection.has(k))).map((x) => x.key));
  }, [by, selection, rows]);
  const one = by === 'space' && selection.size === 1 ? [...selection][0] : null;
  const space = r.spaces.find((s) => s.key === one);
  const byKey = useMemo(() => new Map(rows.map((x) => [x.key, x])), [rows]);
  return (
    <div className="flex min-h-0 flex-1 flex-col" data-testid="loads">
      <p className="px-3 pt-1.5">
        Heating <b>{units.power.text(r.heatingLoad)}</b> at{' '}
        {noMinus(units.temperature.to(r.outdoor).toFixed(1))} {units.temperature.unit} outdoors;
        cooling <b>{units.power.text(r.coolingLoad)}</b>
        {r.coolingLoad > 0 && ` in month ${r.coolingMonth}, hour ${r.coolingHour}`}
      </p>
      {drawn ? (
        <div className="min-h-0 flex-1 overflow-y-auto px-3 py-2">
          <LoadsChart rows={rows} by={by} />
        </div>
      ) : (
        <Table
          name="loads"
          rows={rows}
          columns={columns}
          keyOf={(x) => x.key}
          selection={marked}
          onSelect={(keys, add) =>
            select(
              keys.flatMap((k) => byKey.get(k)?.keys ?? []),
              add,
            )
          }
          empty="The model has no spaces."
        />
      )}
      <div className="flex shrink-0 items-center gap-1 border-t border-line px-2 py-0.5">
        {BY.map(([k, label]) => (
          <button
            key={k}
            className={`btn-quiet ${by === k ? 'bg-kelp-soft font-semibold' : ''}`}
            aria-pressed={by === k}
            onClick={() => setBy(k)}
          >
            By {label.toLowerCase()}
          </button>
        ))}
        <button
          className={`btn-quiet ml-auto ${drawn ? 'bg-kelp-soft font-semibold' : ''}`}
          aria-pressed={drawn}
          onClick={() => setDrawn(!drawn)}
        >
          Chart
        </button>
      </div>
      {space && <Terms space={space} />}
    </div>
  );
}

/** Every term of a space's loads. */
function Terms({ space: s }: { space: SpaceEstimate }) {
  const units = useUnits();
  const w = (v: number) => units.power.text(v);
  const h = s.heatingLoad;
  const c = s.coolingLoad;
  return (
    <dl
      className="grid shrink-0 grid-cols-[auto_1fr] gap-x-3 border-t border-line px-3 py-1.5"
      data-testid="terms"
    >
      <dt className="font-semibold">{s.label}</dt>
      <dd />
      {h && (
        <>
          <dt className="text-muted">Heating at {units.temperature.text(h.indoor)}</dt>
          <dd>
            outdoor surfaces {w(h.outdoorAir)} + thermal bridges {w(h.bridges)} + ground{' '}
            {w(h.ground)} + unheated spaces {w(h.unheated)} + neighbours {w(h.neighbours)} + air{' '}
            {w(h.ventilation)} + reheat {w(h.reheat)} = <b>{w(h.total)}</b>
          </dd>
        </>
      )}
      {c && c.peak > 0 && (
        <>
          <dt className="text-muted">
            Cooling, month {c.month}, hour {c.hour}
          </dt>
          <dd>
            sun {w(c.sun)} + gains {w(c.internal)} + components and what they keep {w(c.conduction)}{' '}
            + air {w(c.ventilation)} = <b>{w(c.peak)}</b>
          </dd>
        </>
      )}
    </dl>
  );
}
