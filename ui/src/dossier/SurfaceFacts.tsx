import { DropdownMenu } from 'radix-ui';
import { ChevronDown } from 'lucide-react';
import type { Opening, Surface } from '../model/api';
import { openingActions, surfaceActions } from '../shared/actions';
import { Actions } from '../shared/Form';
import type { Edits } from '../model/useEdits';
import type { ModelIndex } from '../model/model';
import { degrees, EXPOSURES, facing, spoken } from '../model/words';
import { useUnits } from '../model/units';
import { Breakdown } from './Breakdown';
import { Changes, FindingLinks, Jump, Origin, Row, Section, Title } from '../shared/dossierParts';
import { useSurfaceTypes } from './useSurfaceTypes';

/** How a surface came to be. */
const MADE: Record<string, string> = {
  read: 'As delivered.',
  face: 'A face of the space’s body.',
  'derived-2a': 'Derived.',
  'derived-2b': 'Derived.',
  virtual: 'Without an element.',
  repaired: 'Made by a repair.',
};

export function SurfaceFacts({
  surface: s,
  index,
  edits,
}: {
  surface: Surface;
  index: ModelIndex;
  edits: Edits;
}) {
  const units = useUnits();
  const exposure = EXPOSURES.find((e) => e.key === s.exposure);
  const construction = index.model.constructions.find((c) => c.key === s.construction);
  return (
    <>
      <Title sub={<Typed of={s} />}>{s.label}</Title>
      <Section title="Facts">
        <dl>
          <Row label="Gross area">{units.area.text(s.grossArea)}</Row>
          <Row label="Net area">{units.area.text(s.netArea)}</Row>
          <Row label="Tilt">{degrees(s.tilt)}°</Row>
          <Row label="Azimuth">{facing(s.azimuth)}</Row>
          {s.thickness != null && <Row label="Thickness">{units.length.text(s.thickness)}</Row>}
          <Row label="Other side">{exposure?.label}</Row>
        </dl>
        <p className="mt-1" data-testid="behind">
          {s.behind}. <span className="text-muted">{MADE[s.kind] ?? s.kind}</span>
        </p>
      </Section>
      <FindingLinks list={index.findingsOf.get(s.key) ?? []} />
      {construction ? (
        <Breakdown model={index.model} object={s.key} />
      ) : (
        <Section title="Construction">
          <p className="text-muted">
            {s.construction ? `${s.construction} is not defined.` : 'None.'}
          </p>
        </Section>
      )}
      <Section title="Repair by hand" acts>
        <div className="flex flex-wrap gap-1.5">
          <button
            className="btn"
            onClick={() =>
              edits.consider({ kind: 'ReverseSurface', surface: s.key }, 'Turn it round')
            }
          >
            Turn it round
          </button>
          <TypeMenu surface={s} edits={edits} />
          <ConstructionMenu surface={s} index={index} edits={edits} />
          <button
            className="btn"
            onClick={() =>
              edits.consider({ kind: 'DeleteSurface', surface: s.key }, 'Delete the surface')
            }
          >
            Delete
          </button>
        </div>
        <Actions key={s.key} actions={surfaceActions(s, index)} edits={edits} />
      </Section>
      <Section title="Neighbours">
        {s.spaces.length ? (
          s.spaces.map((k, i) => (
            <div key={i} className="leading-[22px]">
              {index.spaces.has(k) ? (
                <Jump to={k}>{index.spaces.get(k)!.name}</Jump>
              ) : (
                `${k} (not defined)`
              )}
            </div>
          ))
        ) : (
          <p>No space.</p>
        )}
      </Section>
      <Section title={`Openings (${s.openings.length})`}>
        {s.openings.map((o) => (
          <div key={o.key} className="flex justify-between leading-[22px]">
            <Jump to={o.key}>{spoken(o.type) || o.fileId}</Jump>
            <span>{units.area.text(o.area)}</span>
          </div>
        ))}
        {!s.openings.length && <p className="text-muted">None.</p>}
      </Section>
      <Origin source={s.source} element={s.element} />
      <Changes index={index} keys={[s.key]} label={s.label} />
    </>
  );
}

function TypeMenu({ surface, edits }: { surface: Surface; edits: Edits }) {
  const types = useSurfaceTypes();
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="btn" data-testid="retype">
        Retype <ChevronDown size={13} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="menu" align="start">
          {types.map((t) => (
            <DropdownMenu.Item
              key={t.name}
              className="menu-item"
              disabled={t.gbxml === surface.type}
              onSelect={() =>
                edits.consider(
                  { kind: 'RetypeSurface', surface: surface.key, type: t.name as never },
                  `Type it ${t.label}`,
                )
              }
            >
              {t.label} <span className="text-muted">{t.gbxml}</span>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

export function ConstructionMenu({
  surface,
  index,
  edits,
}: {
  surface: Surface;
  index: ModelIndex;
  edits: Edits;
}) {
  if (!index.model.constructions.length) return null;
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="btn" data-testid="assign">
        Construction <ChevronDown size={13} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="menu max-h-72 overflow-y-auto" align="start">
          {index.model.constructions.map((c) => (
            <DropdownMenu.Item
              key={c.key}
              className="menu-item"
              disabled={c.key === surface.construction}
              onSelect={() =>
                edits.consider(
                  { kind: 'AssignConstruction', surface: surface.key, construction: c.key },
                  `Assign ${c.name}`,
                )
              }
            >
              {c.name}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

export function OpeningFacts({
  opening: o,
  index,
  edits,
}: {
  opening: Opening;
  index: ModelIndex;
  edits: Edits;
}) {
  const units = useUnits();
  const parent = o.surface ? index.surfaces.get(o.surface) : undefined;
  return (
    <>
      <Title sub={<Typed of={o} />}>{o.label}</Title>
      <Section title="Facts">
        <dl>
          <Row label="Area">{units.area.text(o.area)}</Row>
          <Row label="Window type">{o.glazing ?? 'none'}</Row>
          <Row label="Construction">{o.construction ?? 'none'}</Row>
          <Row label="In surface">
            {parent ? <Jump to={parent.key}>{parent.label}</Jump> : 'none'}
          </Row>
        </dl>
      </Section>
      <FindingLinks list={index.findingsOf.get(o.key) ?? []} />
      <Section title="Repair by hand" acts>
        <div className="flex flex-wrap gap-1.5">
          <button
            className="btn"
            disabled={!parent}
            onClick={() =>
              edits.consider({ kind: 'CutOpening', opening: o.key }, 'Fit it to its surface')
            }
          >
            Fit it to its surface
          </button>
          <button
            className="btn"
            onClick={() =>
              edits.consider({ kind: 'DeleteOpening', opening: o.key }, 'Delete the opening')
            }
          >
            Delete
          </button>
        </div>
        <Actions key={o.key} actions={openingActions(o, index)} edits={edits} />
      </Section>
      <Origin source={o.source} element={o.element} />
      <Changes index={index} keys={[o.key]} label={o.label} />
    </>
  );
}

/** What a surface or an opening is, in words with the standard's word beside, and its id. */
function Typed({ of }: { of: { type: string; fileId: string } }) {
  return of.type ? (
    <>
      {spoken(of.type)} <span className="font-mono text-[11px]">{of.type}</span> · {of.fileId}
    </>
  ) : (
    <>Type not stated · {of.fileId}</>
  );
}
