import { useQuery } from '@tanstack/react-query';
import { DropdownMenu } from 'radix-ui';
import { ChevronDown, X } from 'lucide-react';
import { api, type Finding, type Opening, type Source, type Space, type Surface } from '../api';
import { SeverityMark } from '../frame/SeverityMark';
import type { ModelIndex } from '../model';
import { useView } from '../state';
import type { Edits } from '../useEdits';
import { EXPOSURES, area, count, degrees, length, moment, orientation, volume } from '../words';
import { FindingCard } from './FindingCard';
import { PendingCard } from './PendingCard';

/** Everything about what is selected, and what can be done with it. */
export function Dossier({ index, edits }: { index: ModelIndex; edits: Edits }) {
  const { selection, finding, pending, set } = useView();
  const f = finding ? index.findings.get(finding) : undefined;
  const one = selection.length === 1 ? selection[0] : null;
  const space = one ? index.spaces.get(one) : undefined;
  const surface = one ? index.surfaces.get(one) : undefined;
  const opening = one ? index.openings.get(one) : undefined;
  return (
    <aside
      className="flex w-80 shrink-0 flex-col overflow-y-auto border-l border-line bg-panel"
      aria-label="Dossier"
      data-testid="dossier"
    >
      {pending && <PendingCard edits={edits} />}
      {f ? (
        <FindingCard finding={f} index={index} edits={edits} />
      ) : space ? (
        <SpaceFacts space={space} index={index} edits={edits} />
      ) : surface ? (
        <SurfaceFacts surface={surface} index={index} edits={edits} />
      ) : opening ? (
        <OpeningFacts opening={opening} index={index} edits={edits} />
      ) : selection.length > 1 ? (
        <Several index={index} edits={edits} keys={selection} />
      ) : (
        <Overview index={index} />
      )}
      {(one || f) && (
        <button
          className="btn-quiet mx-2 mt-auto mb-2 self-end"
          onClick={() => set({ selection: [], finding: null, pending: null })}
        >
          <X size={13} /> Clear (Esc)
        </button>
      )}
    </aside>
  );
}

export function Title({ children, sub }: { children: React.ReactNode; sub?: React.ReactNode }) {
  return (
    <div className="border-b border-line px-3 py-2">
      <h2 className="text-title font-semibold">{children}</h2>
      {sub && <div className="text-sm text-muted">{sub}</div>}
    </div>
  );
}

export function Section({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section className="border-b border-line px-3 py-2">
      <h3 className="kicker mb-1">{title}</h3>
      {children}
    </section>
  );
}

function Row({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <div className="flex justify-between gap-3 leading-[22px]">
      <dt className="shrink-0 text-muted">{label}</dt>
      <dd className="min-w-0 text-right">{children}</dd>
    </div>
  );
}

/** A link to another object of the model. */
export function Jump({ to, children }: { to: string; children: React.ReactNode }) {
  const select = useView((s) => s.select);
  return (
    <button
      className="text-left text-kelp underline decoration-kelp/40 underline-offset-2 hover:decoration-kelp"
      onClick={() => select([to])}
    >
      {children}
    </button>
  );
}

/** Measured against stated, with the difference where there is one. */
function Against({
  measured,
  stated,
  digits,
}: {
  measured: number;
  stated?: number | null;
  digits: (n: number) => string;
}) {
  if (stated == null) return <>{digits(measured)}, none stated</>;
  const off = measured ? (100 * (stated - measured)) / measured : 0;
  return (
    <>
      {digits(measured)}{' '}
      <span className={Math.abs(off) > 2 ? 'font-semibold text-warning' : 'text-muted'}>
        stated {digits(stated)} ({off >= 0 ? '+' : '−'}
        {Math.abs(off).toFixed(1)} %)
      </span>
    </>
  );
}

function Origin({ source, element }: { source: Source; element?: Source | null }) {
  return (
    <Section title="Where it comes from">
      {source.elementClass === 'Repair' ? (
        <p>Made by a repair; see the repair log.</p>
      ) : (
        <dl>
          <Row label={source.elementClass}>
            <span className="font-mono text-[11px] break-all">{source.id || '–'}</span>
          </Row>
          {source.line > 0 && (
            <Row label="Place in the file">
              line {source.line}, column {source.column}
            </Row>
          )}
          {element && (
            <Row
              label={
                element.elementClass === 'CADObjectId'
                  ? 'Element in the source'
                  : element.elementClass
              }
            >
              {element.name && element.name + ' '}
              <span className="font-mono text-[11px] break-all">{element.id}</span>
            </Row>
          )}
        </dl>
      )}
    </Section>
  );
}

function FindingLinks({ list }: { list: Finding[] }) {
  const set = useView((s) => s.set);
  if (!list.length) return null;
  return (
    <Section title={`Findings (${list.length})`}>
      {list.map((f) => (
        <button
          key={f.id}
          className="flex w-full items-start gap-2 rounded-sm px-1 py-1 text-left hover:bg-kelp-soft"
          onClick={() => set({ finding: f.id, selection: [], pending: null, tab: 'findings' })}
        >
          <span className="pt-0.5">
            <SeverityMark severity={f.severity} />
          </span>
          <span>{f.message}</span>
        </button>
      ))}
    </Section>
  );
}

/** What the repair log says of objects, by the findings it answered and the names it uses. */
function Changes({ index, keys, label }: { index: ModelIndex; keys: string[]; label: string }) {
  const list = index.model.log.filter(
    (e) =>
      e.inForce &&
      (keys.some((k) => e.finding?.split(':')[1]?.split(',').includes(k)) ||
        e.summary.toLowerCase().includes(label.toLowerCase())),
  );
  if (!list.length) return null;
  return (
    <Section title="What was changed">
      {list.map((e) => (
        <p key={e.index} className="mb-1">
          {e.summary}{' '}
          <span className="text-sm text-muted">
            {e.madeBy}, {moment(e.madeAt)}
          </span>
        </p>
      ))}
    </Section>
  );
}

function SpaceFacts({ space: s, index, edits }: { space: Space; index: ModelIndex; edits: Edits }) {
  const m = index.model;
  const surfaces = index.surfacesOf.get(s.key) ?? [];
  const storey = m.storeys.find((x) => x.key === s.storey)?.name ?? s.storey ?? 'no storey';
  return (
    <>
      <Title sub={`Space · ${storey}`}>{s.name}</Title>
      <Section title="Measured against stated">
        <dl>
          <Row label="Floor area, m²">
            <Against measured={s.floorArea} stated={s.statedFloorArea} digits={area} />
          </Row>
          <Row label="Volume, m³">
            {s.enclosed ? (
              <Against measured={s.volume} stated={s.statedVolume} digits={volume} />
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
          <Row label="Use">{s.use || 'none'}</Row>
          <Row label="Conditions">{s.condition || 'none'}</Row>
          <Row label="Zone">{s.zone ?? 'none'}</Row>
        </dl>
      </Section>
      <FindingLinks list={index.findingsOf.get(s.key) ?? []} />
      <CloseHoles space={s} index={index} edits={edits} />
      <Section title={`Surfaces (${surfaces.length})`}>
        {surfaces.map((x) => (
          <div key={x.key} className="flex items-center justify-between gap-2 leading-[22px]">
            <Jump to={x.key}>{x.label}</Jump>
            <span className="shrink-0">{area(x.grossArea)} m²</span>
          </div>
        ))}
      </Section>
      <Origin source={s.source} />
      <Changes index={index} keys={[s.key]} label={s.name} />
    </>
  );
}

/** Closing a space by hand: each hole that was found, with the type of surface to choose. */
function CloseHoles({ space, index, edits }: { space: Space; index: ModelIndex; edits: Edits }) {
  const types = useSurfaceTypes();
  const holes = (index.findingsOf.get(space.key) ?? []).flatMap((f) =>
    f.remedies.flatMap((r) =>
      r.repair.kind === 'CloseHole' ? [{ finding: f, repair: r.repair }] : [],
    ),
  );
  if (!holes.length) return null;
  return (
    <Section title="Repair by hand">
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
    </Section>
  );
}

function useSurfaceTypes() {
  return (
    useQuery({ queryKey: ['surface-types'], queryFn: api.surfaceTypes, staleTime: Infinity })
      .data ?? []
  );
}

function SurfaceFacts({
  surface: s,
  index,
  edits,
}: {
  surface: Surface;
  index: ModelIndex;
  edits: Edits;
}) {
  const exposure = EXPOSURES.find((e) => e.key === s.exposure);
  const construction = index.model.constructions.find((c) => c.key === s.construction);
  return (
    <>
      <Title sub={`${s.type || 'Type not stated'} · ${s.fileId}`}>{s.label}</Title>
      <Section title="Facts">
        <dl>
          <Row label="Gross area">{area(s.grossArea)} m²</Row>
          <Row label="Net area">{area(s.netArea)} m²</Row>
          <Row label="Tilt">{degrees(s.tilt)}°</Row>
          <Row label="Azimuth">{orientation(s.tilt, s.azimuth)}</Row>
          {s.thickness != null && <Row label="Thickness">{length(s.thickness)} m</Row>}
          <Row label="Other side">{exposure?.label}</Row>
        </dl>
      </Section>
      <FindingLinks list={index.findingsOf.get(s.key) ?? []} />
      <Section title="Repair by hand">
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
            <Jump to={o.key}>{o.type || o.fileId}</Jump>
            <span>{area(o.area)} m²</span>
          </div>
        ))}
        {!s.openings.length && <p className="text-muted">None.</p>}
      </Section>
      <Section title="Construction, outside to inside">
        {construction ? (
          <>
            <p className="font-semibold">{construction.name}</p>
            <dl>
              {construction.layers.map((l, i) => (
                <Row key={i} label={l.name}>
                  {l.thickness == null ? '–' : `${(l.thickness * 1000).toFixed(0)} mm`}
                </Row>
              ))}
            </dl>
            {construction.uValue != null && (
              <Row label="Stated U-value">{construction.uValue.toPrecision(3)} W/m²K</Row>
            )}
          </>
        ) : (
          <p className="text-muted">
            {s.construction ? `${s.construction} is not defined.` : 'None.'}
          </p>
        )}
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
                  `Type it ${t.gbxml}`,
                )
              }
            >
              {t.gbxml}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

function ConstructionMenu({
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

function OpeningFacts({
  opening: o,
  index,
  edits,
}: {
  opening: Opening;
  index: ModelIndex;
  edits: Edits;
}) {
  const parent = o.surface ? index.surfaces.get(o.surface) : undefined;
  return (
    <>
      <Title sub={`${o.type || 'Type not stated'} · ${o.fileId}`}>{o.label}</Title>
      <Section title="Facts">
        <dl>
          <Row label="Area">{area(o.area)} m²</Row>
          <Row label="Window type">{o.glazing ?? 'none'}</Row>
          <Row label="Construction">{o.construction ?? 'none'}</Row>
          <Row label="In surface">
            {parent ? <Jump to={parent.key}>{parent.label}</Jump> : 'none'}
          </Row>
        </dl>
      </Section>
      <FindingLinks list={index.findingsOf.get(o.key) ?? []} />
      <Section title="Repair by hand">
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
      </Section>
      <Origin source={o.source} element={o.element} />
      <Changes index={index} keys={[o.key]} label={o.label} />
    </>
  );
}

function Several({ index, edits, keys }: { index: ModelIndex; edits: Edits; keys: string[] }) {
  const surfaces = keys.map((k) => index.surfaces.get(k)).filter((s) => s !== undefined);
  const spaces = keys.map((k) => index.spaces.get(k)).filter((s) => s !== undefined);
  const types = new Set(surfaces.map((s) => s.type || 'not stated'));
  const two = surfaces.length === 2 && keys.length === 2;
  return (
    <>
      <Title sub="What they share">{count(keys.length, 'object')} selected</Title>
      <Section title="Together">
        <dl>
          {surfaces.length > 0 && <Row label="Surfaces">{surfaces.length}</Row>}
          {surfaces.length > 0 && (
            <Row label="Gross area">{area(surfaces.reduce((n, s) => n + s.grossArea, 0))} m²</Row>
          )}
          {surfaces.length > 0 && (
            <Row label={types.size === 1 ? 'Type' : 'Types'}>{[...types].join(', ')}</Row>
          )}
          {spaces.length > 0 && <Row label="Spaces">{spaces.length}</Row>}
          {spaces.length > 0 && (
            <Row label="Floor area">{area(spaces.reduce((n, s) => n + s.floorArea, 0))} m²</Row>
          )}
          {spaces.length > 0 && (
            <Row label="Volume">{volume(spaces.reduce((n, s) => n + s.volume, 0))} m³</Row>
          )}
        </dl>
      </Section>
      {two && (
        <Section title="Repair by hand">
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

function Overview({ index }: { index: ModelIndex }) {
  const m = index.model;
  const log = m.log.filter((e) => e.inForce);
  return (
    <>
      <Title
        sub={`${m.delivery.format === 'ifc' ? 'IFC' : 'gbXML'} ${m.delivery.schema}, revision ${m.delivery.revision}`}
      >
        {m.delivery.fileName}
      </Title>
      <Section title="The building">
        <dl>
          <Row label="Spaces">{m.spaces.length}</Row>
          <Row label="Floor area">{area(m.spaces.reduce((n, s) => n + s.floorArea, 0))} m²</Row>
          <Row label="Volume of enclosed spaces">
            {volume(m.spaces.filter((s) => s.enclosed).reduce((n, s) => n + s.volume, 0))} m³
          </Row>
          <Row label="Surfaces">{m.surfaces.length}</Row>
          <Row label="Openings">{index.openings.size}</Row>
        </dl>
      </Section>
      <Section title={`Repair log (${log.length})`}>
        {log.length ? (
          [...log].reverse().map((e) => (
            <p key={e.index} className="mb-1.5">
              <span className="mr-1 text-muted">{e.index + 1}.</span>
              {e.summary}{' '}
              <span className="text-sm text-muted">
                {e.madeBy}, {moment(e.madeAt)}
              </span>
            </p>
          ))
        ) : (
          <p className="text-muted">
            Nothing has been changed yet. Each repair is listed here and can be undone.
          </p>
        )}
      </Section>
      <p className="px-3 py-2 text-sm text-muted">
        Click a surface in the model or a row in the sheet to see its facts. N goes to the next
        finding.
      </p>
    </>
  );
}
