import type { LibraryAnswer, Thermal } from '../model/api';
import type { ModelIndex } from '../model/model';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { ConstructionPicker, GlazingPicker } from './ConstructionPicker';

/** A construction for the surfaces and doors that are selected, or a window type for windows. */
export function GiveSelection({
  index,
  thermal,
  library,
  edits,
}: {
  index: ModelIndex;
  thermal: Thermal;
  library: LibraryAnswer | undefined;
  edits: Edits;
}) {
  const selection = useView((s) => s.selection);
  const glass = selection.filter((k) => index.openings.get(k)?.glazed);
  const opaque = selection.filter(
    (k) => index.surfaces.has(k) || index.openings.get(k)?.glazed === false,
  );
  if (!glass.length && !opaque.length) return null;
  return glass.length && !opaque.length ? (
    <GlazingPicker
      label={`Give these ${glass.length}`}
      thermal={thermal}
      library={library}
      testId="give-selection"
      onPick={(glazing, name) =>
        edits.consider({ kind: 'GiveGlazing', openings: glass, glazing }, `Give them ${name}`)
      }
    />
  ) : (
    <ConstructionPicker
      label={`Give these ${opaque.length}`}
      thermal={thermal}
      library={library}
      testId="give-selection"
      onPick={(construction, name) =>
        edits.consider(
          { kind: 'GiveConstruction', objects: opaque, construction },
          `Give them ${name}`,
        )
      }
    />
  );
}
