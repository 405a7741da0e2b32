import { type LibraryAnswer, type Project, type Thermal } from '../model/api';
import { several } from '../shared/several';
import { useSettings } from '../model/useSettings';
import type { Edits } from '../model/useEdits';
import { count, spoken } from '../model/words';
import { ConstructionPicker } from './ConstructionPicker';
import { Picker } from './Picker';

/** For surfaces that have no construction: one for all, or that of their type. */
export function WithoutConstruction({
  project,
  thermal,
  library,
  edits,
  objects,
}: {
  project: Project;
  thermal: Thermal;
  library: LibraryAnswer | undefined;
  edits: Edits;
  objects: string[];
}) {
  const given = thermal.defaults;
  const save = useSettings(project);

  /** Remembered for this project, its next deliveries too. */
  async function keepDefault(type: string, name: string) {
    const constructions = { ...project.settings.constructions };
    if (name) constructions[type] = name;
    else delete constructions[type];
    await save({ constructions }, 'Kept for this project and its next deliveries.');
  }

  return (
    <>
      <p className="font-semibold">
        {count(objects.length, 'surface')} without construction. They are selected.
      </p>
      <div className="mt-1.5 flex flex-wrap gap-1.5">
        <ConstructionPicker
          label="Give all of them"
          thermal={thermal}
          library={library}
          testId="give-all"
          onPick={(construction, name) =>
            edits.consider({ kind: 'GiveConstruction', objects, construction }, `Give them ${name}`)
          }
        />
        {given.length > 0 && (
          <button
            className="btn btn-main"
            data-testid="give-defaults"
            onClick={() =>
              edits.consider(
                several(
                  'Gives surfaces without construction that of their type',
                  given.map((g) => ({
                    kind: 'GiveConstruction' as const,
                    objects: g.surfaces,
                    construction: g.construction,
                  })),
                ),
                'Give each type its usual one',
              )
            }
          >
            Give each type its usual one
          </button>
        )}
      </div>
      {given.length > 0 && (
        <dl className="mt-2 text-sm">
          {given.map((g) => (
            <div key={g.type} className="mt-1 flex flex-wrap items-center gap-x-2 leading-[20px]">
              <dt className="w-full text-muted">
                {g.surfaces.length} × {spoken(g.type)}
              </dt>
              <dd className="min-w-0 flex-1">
                {g.name}{' '}
                <span className="text-muted">
                  {g.origin === 'PROJECT'
                    ? '(for this project)'
                    : g.origin === 'LIBRARY'
                      ? '(library)'
                      : ''}
                </span>
              </dd>
              <Picker
                label="Another"
                testId={`default-${g.gbxml}`}
                choices={[
                  ...(g.origin === 'PROJECT'
                    ? [{ id: '', label: 'What is usual in the model', group: 'No choice' }]
                    : []),
                  ...(library?.library.constructions ?? []).map((c) => ({
                    id: c.name,
                    label: c.name,
                    group: c.use || 'Library',
                    title: c.source,
                  })),
                ]}
                onPick={(name) => void keepDefault(g.gbxml, name)}
              />
            </div>
          ))}
        </dl>
      )}
    </>
  );
}
