import { DropdownMenu } from 'radix-ui';
import { ChevronDown } from 'lucide-react';
import type { Space } from '../model/api';
import { spaceActions } from '../shared/actions';
import { Actions } from '../shared/Form';
import type { Edits } from '../model/useEdits';
import type { ModelIndex } from '../model/model';
import { count, spoken } from '../model/words';
import { useUnits } from '../model/units';
import {
  Against,
  Changes,
  FindingLinks,
  Jump,
  Origin,
  Row,
  Section,
  Title,
} from '../shared/dossierParts';
import { useRemedies } from '../model/useRemedies';
import { useSurfaceTypes } from './useSurfaceTypes';

export function SpaceFacts({
  space: s,
  index,
  edits,
}: {
  space: Space;
  index: ModelIndex;
  edits: Edits;
}) {
  const units = useUnits();
  const m = index.model;
  const surfaces = index.surfacesOf.get(s.key) ?? [];
  const storey = m.storeys.find((x) => x.key === s.storey)?.name ?? s.storey ?? 'no storey';
  return (
    <>
      <Title sub={`Space · ${storey}`}>{s.name}</Title>
      <Section title="Measured against stated">
        <dl>
          <Row label={`Floor area, ${units.area.unit}`}>
            <Against measured={s.floorArea} stated={s.statedFloorArea} digits={units.area.figure} />
          </Row>
          <Row label={`Volume, ${units.volume.unit}`}>
            {s.enclosed ? (
              <Against measured={s.volume} stated={s.statedVolume} digits={units.volume.figure} />
            ) : (
              'not enclosed'
            )}
          </Row>
          <Row label="Enclosed">
            {s.enclosed ? (
              'yes'
            ) : (
              <b className="text-blocker">no, {count(s.openEdges, 'open edge')}</b>
            )}
          </Row>
          <Row label="Use">
            <Spoken code={s.use} />
          </Row>
          <Row label="Conditions">
            <Spoken code={s.condition} />
          </Row>
          <Row label="Zone">{s.zone ?? 'none'}</Row>
        </dl>
      </Section>
      <FindingLinks list={index.findingsOf.get(s.key) ?? []} />
      <Section title="Repair by hand" acts>
        <CloseHoles space={s} index={index} edits={edits} />
        <Actions key={s.key} actions={spaceActions(s, index)} edits={edits} />
      </Section>
      <Section title={`Surfaces (${surfaces.length})`}>
        {surfaces.map((x) => (
          <div key={x.key} className="flex items-center justify-between gap-2 leading-[22px]">
            <Jump to={x.key}>{x.label}</Jump>
            <span className="shrink-0">{units.area.text(x.grossArea)}</span>
          </div>
        ))}
      </Section>
      <Origin source={s.source} />
      <Changes index={index} keys={[s.key]} label={s.name} />
    </>
  );
}

/** A word of the standard, with its code where that reads otherwise. */
function Spoken({ code }: { code: string }) {
  const words = spoken(code);
  return code ? (
    <>
      {words}
      {words !== code && <span className="ml-1 font-mono text-[11px] text-muted">{code}</span>}
    </>
  ) : (
    'none'
  );
}

/** Closing a space by hand: each hole that was found, with the type of surface to choose. */
function CloseHoles({ space, index, edits }: { space: Space; index: ModelIndex; edits: Edits }) {
  const types = useSurfaceTypes();
  const findings = index.findingsOf.get(space.key) ?? [];
  const remedies = useRemedies(index.model, findings);
  const holes = findings.flatMap((f) =>
    (remedies?.get(f.id) ?? []).flatMap((r) =>
      r.repair.kind === 'CloseHole' ? [{ finding: f, repair: r.repair }] : [],
    ),
  );
  if (!holes.length) return null;
  return (
    <>
      {holes.map(({ finding, repair }, i) => (
        <DropdownMenu.Root key={finding.id}>
          <DropdownMenu.Trigger className="btn mr-1.5 mb-1" data-testid="close-hole">
            {holes.length > 1 ? `Close hole ${i + 1} with` : 'Close the hole with'}{' '}
            <ChevronDown size={13} />
          </DropdownMenu.Trigger>
          <DropdownMenu.Portal>
            <DropdownMenu.Content className="menu" align="start">
              {types
                .filter((t) => t.gbxml !== 'Shade' && !t.gbxml.endsWith('Column'))
                .map((t) => (
                  <DropdownMenu.Item
                    key={t.name}
                    className="menu-item"
                    onSelect={() =>
                      edits.consider(
                        {
                          ...repair,
                          type: t.name as never,
                          construction:
                            t.name === repair.type ? repair.construction : (null as never),
                        },
                        `Close the hole with ${t.gbxml}`,
                        finding.id,
                      )
                    }
                  >
                    {t.gbxml}
                  </DropdownMenu.Item>
                ))}
            </DropdownMenu.Content>
          </DropdownMenu.Portal>
        </DropdownMenu.Root>
      ))}
    </>
  );
}
