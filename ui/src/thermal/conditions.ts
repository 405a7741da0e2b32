import type { Conditions, ZoneRow } from '../model/api';
import {
  figures,
  flow,
  flowPerArea,
  flowPerAreaUnit,
  flowUnit,
  fromArea,
  fromFlow,
  fromFlowPerArea,
  fromPowerDensity,
  fromTemperature,
  toTemperature,
} from '../model/words';

/** How gbXML says that spaces are conditioned, and how people say it. */
export const CONDITIONS: [string, string][] = [
  ['HeatedAndCooled', 'heated and cooled'],
  ['Heated', 'heated'],
  ['Cooled', 'cooled'],
  ['NaturallyVentedOnly', 'naturally vented only'],
  ['Vented', 'vented'],
  ['Unconditioned', 'unconditioned'],
];

export const temperature = (v: number | null | undefined) =>
  v == null ? '–' : figures(toTemperature(v));

/** What a zone's outdoor air is, in short; empty for none. */
export function airText(a: ZoneRow['air'] | undefined): string {
  if (!a) return '';
  return [
    a.perPerson != null && `${figures(flow(a.perPerson))} ${flowUnit()} a person`,
    a.perArea != null && `${figures(flowPerArea(a.perArea))} ${flowPerAreaUnit()}`,
    a.total != null && `${figures(flow(a.total))} ${flowUnit()}`,
  ]
    .filter(Boolean)
    .join(' + ');
}

/** The number of a field that may be left empty: null for nothing, NaN for what is none. */
export function optional(text: string | number, from: (v: number) => number = (v) => v) {
  const t = String(text).trim();
  return t === '' ? null : from(Number(t.replace(',', '.')));
}

/** People, light and equipment as they were typed; null when one is no number. */
export function gainValues(v: Record<string, string | number>) {
  const values = {
    people: optional(v.people),
    areaPerPerson: optional(v.area, fromArea),
    sensiblePerPerson: optional(v.sensible),
    latentPerPerson: optional(v.latent),
    lighting: optional(v.light, fromPowerDensity),
    equipment: optional(v.equipment, fromPowerDensity),
  };
  return Object.values(values).some((x) => x != null && !Number.isFinite(x))
    ? null
    : // schedules are given apart
      ({ ...values, schedules: {} } as Conditions['gains'][string]);
}

/** A zone's values as they were typed; a sentence when one is no number. */
export function zoneValues(v: Record<string, string | number>) {
  const values = {
    heating: optional(v.heat, fromTemperature),
    cooling: optional(v.cool, fromTemperature),
    air: {
      perPerson: optional(v.perPerson, fromFlow),
      perArea: optional(v.perArea, fromFlowPerArea),
      total: optional(v.total, fromFlow),
      leastHumidity: optional(v.least),
      mostHumidity: optional(v.most),
    },
  };
  const all = [values.heating, values.cooling, ...Object.values(values.air)];
  return all.some((x) => x != null && !Number.isFinite(x)) ? null : values;
}
