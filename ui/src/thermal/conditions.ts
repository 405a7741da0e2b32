import { given } from './entries';
import type { Conditions, ZoneRow } from '../model/api';
import { figures, type Units } from '../model/units';

/** How gbXML says that spaces are conditioned, and how people say it. */
export const CONDITIONS: [string, string][] = [
  ['HeatedAndCooled', 'heated and cooled'],
  ['Heated', 'heated'],
  ['Cooled', 'cooled'],
  ['NaturallyVentedOnly', 'naturally vented only'],
  ['Vented', 'vented'],
  ['Unconditioned', 'unconditioned'],
];

export const temperature = (units: Units, v: number | null | undefined) =>
  v == null ? '–' : figures(units.temperature.to(v));

/** What a zone's outdoor air is, in short; empty for none. */
export function airText(units: Units, a: ZoneRow['air'] | undefined): string {
  if (!a) return '';
  return [
    a.perPerson != null &&
      `${figures(units.airFlow.to(a.perPerson))} ${units.airFlow.unit} a person`,
    a.perArea != null &&
      `${figures(units.airFlowByArea.to(a.perArea))} ${units.airFlowByArea.unit}`,
    a.total != null && `${figures(units.airFlow.to(a.total))} ${units.airFlow.unit}`,
  ]
    .filter(Boolean)
    .join(' + ');
}

/** People, light and equipment as they were typed; null when one is no number. */
export function gainValues(units: Units, v: Record<string, string | number>) {
  const values = {
    people: given(v.people),
    areaPerPerson: given(v.area, units.area.from),
    sensiblePerPerson: given(v.sensible),
    latentPerPerson: given(v.latent),
    lighting: given(v.light, units.powerDensity.from),
    equipment: given(v.equipment, units.powerDensity.from),
  };
  return Object.values(values).some((x) => x != null && !Number.isFinite(x))
    ? null
    : // schedules are given apart
      ({ ...values, schedules: {} } as Conditions['gains'][string]);
}

/** A zone's values as they were typed; a sentence when one is no number. */
export function zoneValues(units: Units, v: Record<string, string | number>) {
  const values = {
    heating: given(v.heat, units.temperature.from),
    cooling: given(v.cool, units.temperature.from),
    air: {
      perPerson: given(v.perPerson, units.airFlow.from),
      perArea: given(v.perArea, units.airFlowByArea.from),
      total: given(v.total, units.airFlow.from),
      leastHumidity: given(v.least),
      mostHumidity: given(v.most),
    },
  };
  const all = [values.heating, values.cooling, ...Object.values(values.air)];
  return all.some((x) => x != null && !Number.isFinite(x)) ? null : values;
}
