import type { Model, Space, Surface } from '../api';

/** What bounds a space, by what lies on the other side, in m². */
export interface BoundaryRow {
  key: string;
  space: Space;
  /** How its boundaries came to be. */
  origin: 'derived' | 'delivered' | 'both' | 'none';
  outdoor: number;
  ground: number;
  spaces: number;
  open: number;
  construction: number;
  unresolved: number;
  sum: number;
}

const derived = (s: Surface) => s.kind.startsWith('derived');

/** A row for each space. */
export function boundaryRows(model: Model): BoundaryRow[] {
  const of = new Map<string, Surface[]>();
  for (const s of model.surfaces)
    for (const k of new Set(s.spaces)) of.set(k, [...(of.get(k) ?? []), s]);
  return model.spaces.map((space) => {
    const list = of.get(space.key) ?? [];
    const sum = (test: (s: Surface) => boolean) =>
      list.filter(test).reduce((n, s) => n + s.grossArea, 0);
    const made = list.filter((s) => s.kind !== 'virtual');
    return {
      key: space.key,
      space,
      origin: !made.length
        ? 'none'
        : made.every(derived)
          ? 'derived'
          : made.some(derived)
            ? 'both'
            : 'delivered',
      outdoor: sum((s) => s.exposure === 'outdoor'),
      ground: sum((s) => s.exposure === 'ground'),
      spaces: sum((s) => s.exposure === 'space'),
      open: sum((s) => s.exposure === 'none'),
      construction: sum((s) => s.exposure === 'adiabatic'),
      unresolved: sum((s) => s.exposure === 'unresolved'),
      sum: sum(() => true),
    };
  });
}
