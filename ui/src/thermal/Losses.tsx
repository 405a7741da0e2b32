import { useMemo, useState } from 'react';
import type { LossRow, Thermal } from '../model/api';
import type { ModelIndex } from '../model/model';
import { Table, type Column } from '../shared/Table';
import { useView } from '../model/state';
import { GroundSettings } from './GroundSettings';
import { octant } from '../model/words';
import { figures, useUnits, type Units } from '../model/units';

type By = 'spaces' | 'zones' | 'storeys' | 'orientations';
const BY: [By, string][] = [
  ['spaces', 'Space'],
  ['zones', 'Zone'],
  ['storeys', 'Storey'],
  ['orientations', 'Orientation'],
];

const whole = (units: Units, v: number) => units.heatLoss.to(v).toFixed(1);

/** Transmission heat loss by space, zone, storey or orientation, and of the building. */
export function Losses({ index, thermal }: { index: ModelIndex; thermal: Thermal }) {
  const units = useUnits();
  const select = useView((s) => s.select);
  const [by, setBy] = useState<By>('spaces');
  const [picked, setPicked] = useState<string[]>([]);
  const columns = useMemo<Column<LossRow>[]>(() => {
    const figure = (
      id: string,
      head: string,
      unit: string,
      width: number,
      value: (r: LossRow) => number | null,
      show: (r: LossRow) => string,
      title?: string,
    ): Column<LossRow> => ({ id, head, unit, width, number: true, value, show, title });
    return [
      { id: 'name', head: BY.find(([k]) => k === by)![1], width: 150, value: (r) => r.name },
      figure(
        'loss',
        'Heat loss',
        units.heatLoss.unit,
        92,
        (r) => units.heatLoss.to(r.loss),
        (r) => whole(units, r.loss),
        'Transmission: U-value times area, by ISO 13789',
      ),
      figure(
        'outdoor',
        'to outdoors',
        '',
        80,
        (r) => units.heatLoss.to(r.outdoorLoss),
        (r) => whole(units, r.outdoorLoss),
      ),
      figure(
        'ground',
        'ground',
        '',
        62,
        (r) => units.heatLoss.to(r.groundLoss),
        (r) => whole(units, r.groundLoss),
        'Through the ground, by ISO 13370',
      ),
      figure(
        'unconditioned',
        'unheated',
        '',
        66,
        (r) => units.heatLoss.to(r.unconditionedLoss),
        (r) => whole(units, r.unconditionedLoss),
        'Through spaces that are not conditioned, by ISO 13789',
      ),
      figure(
        'area',
        'Outdoor area',
        units.area.unit,
        96,
        (r) => units.area.to(r.outdoorArea),
        (r) => units.area.figure(r.outdoorArea),
      ),
      figure(
        'u',
        'Mean U',
        units.uValue.unit,
        88,
        (r) => (r.meanUValue == null ? null : units.uValue.to(r.meanUValue)),
        (r) => figures(r.meanUValue == null ? null : units.uValue.to(r.meanUValue)),
      ),
      figure(
        'ratio',
        'Glazed',
        '%',
        58,
        (r) => (r.glazingRatio == null ? null : 100 * r.glazingRatio),
        (r) => (r.glazingRatio == null ? '–' : (100 * r.glazingRatio).toFixed(0)),
        'Glass in the outdoor walls',
      ),
      figure(
        'unknown',
        'Without U',
        units.area.unit,
        76,
        (r) => units.area.to(r.unknownArea),
        (r) => (r.unknownArea ? units.area.figure(r.unknownArea) : '–'),
        'Area of which no U-value is known: it is not counted',
      ),
    ];
  }, [by, units]);
  const b = thermal.losses.building;
  const rows = thermal.losses[by];

  function members(key: string): string[] {
    if (by === 'spaces') return [key];
    if (by === 'orientations')
      return index.model.surfaces
        .filter(
          (s) =>
            s.exposure === 'outdoor' &&
            s.orientation === 'side' &&
            s.azimuth != null &&
            octant(s.azimuth) === Number(key),
        )
        .map((s) => s.key);
    const name = rows.find((r) => r.key === key)?.name;
    return index.model.spaces
      .filter((s) => (by === 'storeys' ? s.storey === key : s.zone === name))
      .map((s) => s.key);
  }

  return (
    <div className="flex min-h-0 flex-1" data-testid="losses">
      <Table
        name="heat-loss"
        rows={rows}
        columns={columns}
        keyOf={(r) => r.key}
        selection={new Set(picked)}
        onSelect={(keys, add) => {
          const next = add ? [...picked, ...keys] : keys;
          setPicked(next);
          select(next.flatMap(members));
        }}
        onOpen={() => window.dispatchEvent(new CustomEvent('yentra:frame'))}
        tools={
          <label className="ml-3 flex items-center gap-1.5">
            By
            <select
              className="field !h-6"
              data-testid="loss-by"
              value={by}
              onChange={(e) => {
                setBy(e.target.value as By);
                setPicked([]);
              }}
            >
              {BY.map(([k, label]) => (
                <option key={k} value={k}>
                  {label.toLowerCase()}
                </option>
              ))}
            </select>
          </label>
        }
      />
      <div
        className="flex w-[280px] shrink-0 flex-col overflow-y-auto border-l border-line px-3 py-2"
        data-testid="building-loss"
      >
        <h2 className="kicker">The building</h2>
        <p className="text-title font-semibold">
          {whole(units, b.loss)} {units.heatLoss.unit}
        </p>
        <dl className="mt-1">
          <Line
            label="To outdoor air"
            value={`${whole(units, b.outdoorLoss)} ${units.heatLoss.unit}`}
          />
          <Line
            label="Through the ground"
            value={`${whole(units, b.groundLoss)} ${units.heatLoss.unit}`}
          />
          <Line
            label="Through unheated spaces"
            value={`${whole(units, b.unconditionedLoss)} ${units.heatLoss.unit}`}
          />
          <Line
            label="Mean U-value"
            value={
              b.meanUValue == null
                ? '–'
                : `${figures(units.uValue.to(b.meanUValue))} ${units.uValue.unit}`
            }
          />
          <Line
            label="Glass in outdoor walls"
            value={b.glazingRatio == null ? '–' : `${(100 * b.glazingRatio).toFixed(1)} %`}
          />
        </dl>
        {b.unknownArea > 0 && (
          <p className="mt-1 text-error">
            {units.area.figure(b.unknownArea)} {units.area.unit} have no U-value and are not
            counted.
          </p>
        )}
        {thermal.losses.assumptions.map((a) => (
          <p key={a} className="mt-1 text-sm text-muted">
            {units.said(a)}
          </p>
        ))}
        <GroundSettings model={index.model} />
      </div>
    </div>
  );
}

function Line({ label, value }: { label: string; value: string }) {
  return (
    <div className="flex justify-between gap-3 leading-[22px]">
      <dt className="text-muted">{label}</dt>
      <dd>{value}</dd>
    </div>
  );
}
