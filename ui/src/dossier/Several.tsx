import { naming, surfacesActions } from '../shared/actions';
import { Actions } from '../shared/Form';
import type { Edits } from '../model/useEdits';
import type { ModelIndex } from '../model/model';
import { count, spoken } from '../model/words';
import { useUnits } from '../model/units';
import { Jump, Row, Section, Title } from '../shared/dossierParts';
import { useSurfaceTypes } from './useSurfaceTypes';

export function Several({
  index,
  edits,
  keys,
}: {
  index: ModelIndex;
  edits: Edits;
  keys: string[];
}) {
  const units = useUnits();
  const surfaces = keys.map((k) => index.surfaces.get(k)).filter((s) => s !== undefined);
  const spaces = keys.map((k) => index.spaces.get(k)).filter((s) => s !== undefined);
  const types = new Set(surfaces.map((s) => spoken(s.type) || 'not stated'));
  const surfaceTypes = useSurfaceTypes();
  const two = surfaces.length === 2 && keys.length === 2;
  return (
    <>
      <Title sub="What they share">{count(keys.length, 'object')} selected</Title>
      <Section title="Together">
        <dl>
          {surfaces.length > 0 && <Row label="Surfaces">{surfaces.length}</Row>}
          {surfaces.length > 0 && (
            <Row label="Gross area">
              {units.area.text(surfaces.reduce((n, s) => n + s.grossArea, 0))}
            </Row>
          )}
          {surfaces.length > 0 && (
            <Row label={types.size === 1 ? 'Type' : 'Types'}>{[...types].join(', ')}</Row>
          )}
          {spaces.length > 0 && <Row label="Spaces">{spaces.length}</Row>}
          {spaces.length > 0 && (
            <Row label="Floor area">
              {units.area.text(spaces.reduce((n, s) => n + s.floorArea, 0))}
            </Row>
          )}
          {spaces.length > 0 && (
            <Row label="Volume">{units.volume.text(spaces.reduce((n, s) => n + s.volume, 0))}</Row>
          )}
        </dl>
      </Section>
      {two && (
        <Section title="Repair by hand" acts>
          <button
            className="btn"
            onClick={() =>
              edits.consider(
                { kind: 'MatchSurfaces', first: keys[0], second: keys[1] },
                'Match these faces',
              )
            }
          >
            Match these faces
          </button>
          <p className="mt-1 text-sm text-muted">
            Makes one interior surface of two that face each other.
          </p>
        </Section>
      )}
      {surfaces.length > 1 && surfaces.length === keys.length && (
        <Section title="For all of them" acts>
          <Actions
            key={keys.join(' ')}
            actions={surfacesActions(
              keys,
              surfaceTypes,
              index.model.constructions,
              surfaces.every((s) => s.orientation === 'side'),
            )}
            edits={edits}
          />
        </Section>
      )}
      {spaces.length > 1 && spaces.length === keys.length && (
        <Section title="For all of them" acts>
          <Actions key={keys.join(' ')} actions={[naming(keys)]} edits={edits} />
        </Section>
      )}
      {spaces.length > 1 && spaces.length === keys.length && (
        <Section title="Simplify" acts>
          <button
            className="btn"
            onClick={() =>
              edits.consider({ kind: 'MergeSpaces', spaces: keys }, 'Merge into one space')
            }
          >
            Merge into one space
          </button>
          <p className="mt-1 text-sm text-muted">
            The first one selected stays; what lies between them goes.
          </p>
        </Section>
      )}
      <Section title="Selected">
        {keys.slice(0, 40).map((k) => (
          <div key={k} className="leading-[22px]">
            <Jump to={k}>
              {index.surfaces.get(k)?.label ??
                index.spaces.get(k)?.name ??
                index.openings.get(k)?.label ??
                k}
            </Jump>
          </div>
        ))}
      </Section>
    </>
  );
}
