import type { LibraryAnswer, Thermal } from '../model/api';

import { Picker, type Choice } from './Picker';
import {
  existing,
  existingGlazing,
  glazingOfLibrary,
  ofLibrary,
  type ConstructionSpec,
  type GlazingSpec,
} from '../model/specs';
import { figures, useUnits, type Units } from '../model/units';

const uText = (units: Units, u: number | null | undefined) =>
  u == null ? undefined : `U ${figures(units.uValue.to(u))} ${units.uValue.unit}`;

/** Constructions of the model and of the library. */
export function ConstructionPicker({
  thermal,
  library,
  onPick,
  ...rest
}: {
  label: string;
  thermal: Thermal;
  library: LibraryAnswer | undefined;
  onPick: (spec: ConstructionSpec, name: string) => void;
  main?: boolean;
  disabled?: boolean;
  testId?: string;
}) {
  const units = useUnits();
  const lib = library?.library;
  const choices: Choice[] = [
    ...thermal.constructions.map((c) => ({
      id: `model:${c.key}`,
      label: c.name,
      detail: uText(units, c.stated ?? c.uValue),
      group: 'In the model',
    })),
    ...(lib?.constructions ?? []).map((c) => ({
      id: `library:${c.name}`,
      label: c.name,
      detail: uText(units, library!.uValues[c.name]),
      group: c.use || 'Library',
      title: c.source,
    })),
  ];
  return (
    <Picker
      {...rest}
      choices={choices}
      onPick={(id) => {
        const name = id.slice(id.indexOf(':') + 1);
        const own = thermal.constructions.find((c) => c.key === name);
        if (id.startsWith('model:') && own) onPick(existing(name), own.name);
        else {
          const c = lib!.constructions.find((x) => x.name === name)!;
          onPick(ofLibrary(lib!, c), c.name);
        }
      }}
    />
  );
}

/** Window types of the model and of the library. */
export function GlazingPicker({
  thermal,
  library,
  onPick,
  ...rest
}: {
  label: string;
  thermal: Thermal;
  library: LibraryAnswer | undefined;
  onPick: (spec: GlazingSpec, name: string) => void;
  main?: boolean;
  disabled?: boolean;
  testId?: string;
}) {
  const units = useUnits();
  const list = library?.library.glazings ?? [];
  const choices: Choice[] = [
    ...thermal.glazings.map((g) => ({
      id: `model:${g.key}`,
      label: g.name,
      detail: uText(units, g.uValue),
      group: 'In the model',
    })),
    ...list.map((g) => ({
      id: `library:${g.name}`,
      label: g.name,
      detail: uText(units, g.uValue),
      group: g.category || 'Library',
      title: g.source,
    })),
  ];
  return (
    <Picker
      {...rest}
      choices={choices}
      onPick={(id) => {
        const name = id.slice(id.indexOf(':') + 1);
        const own = thermal.glazings.find((g) => g.key === name);
        if (id.startsWith('model:') && own) onPick(existingGlazing(name), own.name);
        else {
          const g = list.find((x) => x.name === name)!;
          onPick(glazingOfLibrary(g), g.name);
        }
      }}
    />
  );
}
