import type { LibraryAnswer } from '../model/api';
import { figures, type Units } from '../model/units';
import { dayLabel, kindLabel } from './schedules';
import { plain } from '../model/specs';

export interface Row {
  id: string;
  kind: string;
  name: string;
  group: string;
  value: string;
  source: string;
  kept: string;
}

/** Every entry as a row of one table. */
export function rowsOf(units: Units, a: LibraryAnswer): Row[] {
  const l = a.library;
  const own = new Set(a.project);
  const shared = new Set(a.shared);
  const row = (
    kind: string,
    x: { name: string; source: string },
    group: string,
    value: string,
  ): Row => {
    const id = `${kind}:${plain(x.name)}`;
    return {
      id,
      kind,
      name: x.name,
      group,
      value,
      source: x.source,
      kept: own.has(id) ? 'project' : shared.has(id) ? 'shared' : 'shipped',
    };
  };
  const u = (v: number | null | undefined) =>
    v == null ? '–' : `U ${figures(units.uValue.to(v))} ${units.uValue.unit}`;
  return [
    ...l.constructions.map((c) => row('construction', c, c.use, u(a.uValues[c.name]))),
    ...l.glazings.map((g) => row('window type', g, g.category, u(g.uValue))),
    ...l.materials.map((m) =>
      row(
        'material',
        m,
        m.category,
        m.conductivity == null
          ? `R ${figures(m.resistance)}`
          : `${figures(units.conductivity.to(m.conductivity))} ${units.conductivity.unit}`,
      ),
    ),
    ...l.uses.map((x) =>
      row(
        'use',
        x,
        x.words.join(', '),
        `${figures(x.lighting == null ? null : units.powerDensity.to(x.lighting))} + ${figures(x.equipment == null ? null : units.powerDensity.to(x.equipment))} ${units.powerDensity.unit}`,
      ),
    ),
    ...l.schedules.map((x) =>
      row(
        'schedule',
        { name: x.profile.name, source: x.source },
        kindLabel(units, x.profile.type),
        x.profile.periods[0].days.map((d) => dayLabel(d.days)).join(', '),
      ),
    ),
    ...l.frames.map((f) => row('frame', f, '', u(f.uValue))),
  ];
}
