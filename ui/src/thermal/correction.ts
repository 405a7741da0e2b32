import type { ConstructionRow } from '../model/api';
import { figures, type Units } from '../model/units';
import type { Action } from '../shared/Form';
import { given } from './entries';

/** What the layers do not say, by ISO 6946: it is added to their U-value, which is then stated. */
export function correction(units: Units, { key: construction, layers }: ConstructionRow): Action {
  const air = () => layers.some((l) => l.air);
  const filled = (name: string) => (t: Record<string, string>) => (t[name] ?? '').trim() !== '';
  const shapedLayer = (t: Record<string, string>) => t.shape !== 'NONE';
  return {
    label: 'Correct for fixings, gaps, air, slope',
    hint: 'By ISO 6946. What is left empty is not there.',
    fields: [
      {
        name: 'gaps',
        heading: 'Insulation',
        label: 'Gaps in it',
        kind: 'choice',
        value: 'NONE',
        choices: [
          ['NONE', 'none'],
          ['BRIDGING', 'through it, no air going round'],
          ['CIRCULATING', 'through it, air going round'],
        ],
      },
      { name: 'n', label: 'Metal fasteners per m²', kind: 'text', value: '' },
      {
        name: 'section',
        label: 'Section of each, mm²',
        kind: 'text',
        value: '12.5',
        when: filled('n'),
      },
      {
        name: 'lambda',
        label: `Their conductivity, ${units.conductivity.unit}`,
        kind: 'text',
        value: figures(units.conductivity.to(50)),
        when: filled('n'),
      },
      {
        name: 'depth',
        label: `How deep they go in, ${units.thickness.unit}`,
        kind: 'text',
        value: '',
        when: filled('n'),
      },
      {
        name: 'openings',
        heading: 'Air layer',
        label: 'Openings to outdoors, mm² per m',
        kind: 'text',
        value: '',
        when: air,
      },
      { name: 'outer', label: 'Emissivity of its outer face', kind: 'text', value: '', when: air },
      { name: 'inner', label: 'Emissivity of its inner face', kind: 'text', value: '', when: air },
      {
        name: 'between',
        label: `Battens divide it every, ${units.thickness.unit}`,
        kind: 'text',
        value: '',
        when: air,
      },
      {
        name: 'shape',
        heading: 'Roof',
        label: 'Layer to falls',
        kind: 'choice',
        value: 'NONE',
        choices: [
          ['NONE', 'none'],
          ['RECTANGLE', 'rectangle, to one side'],
          ['THICKEST_AT_APEX', 'triangle, thickest at the apex'],
          ['THINNEST_AT_APEX', 'triangle, thinnest at the apex'],
        ],
      },
      {
        name: 'thickest',
        label: `Its greatest thickness, ${units.thickness.unit}`,
        kind: 'text',
        value: '',
        when: shapedLayer,
      },
      {
        name: 'falls',
        label: `Its conductivity, ${units.conductivity.unit}`,
        kind: 'text',
        value: figures(units.conductivity.to(0.035)),
        when: shapedLayer,
      },
      { name: 'rain', label: 'Rain under the insulation, mm a day', kind: 'text', value: '' },
      {
        name: 'drained',
        label: 'Drainage times loss, W·day/(m²K·mm)',
        kind: 'text',
        value: '0.04',
        when: filled('rain'),
      },
    ],
    make: (v) => {
      const keys =
        'n section lambda depth openings outer inner between thickest falls rain drained'.split(
          ' ',
        );
      const x = Object.fromEntries(keys.map((k) => [k, given(v[k] ?? '')]));
      if (Object.values(x).some((n) => n != null && !Number.isFinite(n)))
        return 'Values must be numbers.';
      if ((x.outer == null) !== (x.inner == null)) return 'An air layer has two faces: give both.';
      const shaped = v.shape !== 'NONE';
      if (shaped && x.thickest == null) return 'Say how thick the layer to falls is.';
      return {
        kind: 'CorrectUValue',
        construction,
        openings: x.openings,
        gaps: v.gaps as 'NONE',
        fasteners:
          x.n == null
            ? undefined
            : {
                number: x.n,
                area: (x.section ?? 0) * 1e-6,
                conductivity: units.conductivity.from(x.lambda ?? 0),
                depth: x.depth == null ? undefined : units.thickness.from(x.depth),
              },
        faces:
          x.outer == null && x.between == null
            ? undefined
            : {
                outer: x.outer ?? 0.9,
                inner: x.inner ?? 0.9,
                width: x.between == null ? undefined : units.thickness.from(x.between),
              },
        taper: shaped
          ? {
              shape: v.shape as 'RECTANGLE',
              thickness: units.thickness.from(x.thickest ?? 0),
              conductivity: units.conductivity.from(x.falls ?? 0),
            }
          : undefined,
        rain: x.rain == null ? undefined : { rain: x.rain, drained: x.drained ?? 0 },
      };
    },
  };
}
