import { useMemo } from 'react';
import type { Opening, Project, Space, Surface } from '../model/api';
import { BoundarySheet } from '../envelope/BoundarySheet';
import { FindingSheet } from '../findings/FindingSheet';
import { isOpen } from '../model/groups';
import { Limits } from '../findings/Limits';
import { LogSheet } from '../findings/LogSheet';
import { Messages } from '../findings/Messages';
import { RevisionSheet } from '../findings/RevisionSheet';
import { SeverityMark } from '../shared/SeverityMark';
import type { ModelIndex } from '../model/model';
import { type SheetTab, useSelection, useView } from '../model/state';
import { degrees, EXPOSURES, SEVERITIES, facing } from '../model/words';
import { useUnits } from '../model/units';
import type { Edits } from '../model/useEdits';
import { Table, type Column } from '../shared/Table';
import { SheetFrame } from '../shared/SheetFrame';

const keyOf = (o: { key: string }) => o.key;
const exposure = (key: string) => EXPOSURES.find((e) => e.key === key)?.label ?? key;

/** The table under the stage: what the workspace is about. */
export function Sheet({
  index,
  project,
  edits,
  findings,
}: {
  index: ModelIndex;
  project: Project;
  edits: Edits;
  /** The workspace is that of findings. */
  findings: boolean;
}) {
  const tab = useView((s) => s.tab);
  const set = useView((s) => s.set);
  const m = index.model;
  const openings = useMemo(() => [...index.openings.values()], [index]);
  const open = m.findings.filter(isOpen).length;
  const objects: [SheetTab, string, number | string][] = [
    ['spaces', 'Spaces', m.spaces.length],
    ['surfaces', 'Surfaces', m.surfaces.length],
    ['openings', 'Openings', openings.length],
  ];
  const tabs: [SheetTab, string, number | string][] = findings
    ? [
        ['findings', 'Findings', open],
        ...objects,
        ['messages', 'Messages', ''],
        ['limits', 'Limits', ''],
        ['log', 'Repair log', m.delivery.logPosition],
        [
          'revision',
          m.delivery.revision > 1 ? `Since revision ${m.delivery.revision - 1}` : 'Next revision',
          '',
        ],
      ]
    : [['boundaries', 'Boundaries', m.spaces.length], ...objects, ['findings', 'Findings', open]];
  return (
    <SheetFrame tabs={tabs} tab={tab} onTab={(key) => set({ tab: key })}>
      {tab === 'boundaries' && <BoundarySheet index={index} project={project} edits={edits} />}
      {tab === 'spaces' && <SpaceTable index={index} />}
      {tab === 'surfaces' && <SurfaceTable index={index} />}
      {tab === 'openings' && <OpeningTable index={index} openings={openings} />}
      {tab === 'findings' && <FindingSheet index={index} edits={edits} />}
      {tab === 'messages' && <Messages index={index} />}
      {tab === 'limits' && <Limits index={index} project={project} />}
      {tab === 'log' && <LogSheet index={index} edits={edits} />}
      {tab === 'revision' && <RevisionSheet index={index} edits={edits} />}
    </SheetFrame>
  );
}

function Faults({ index, k }: { index: ModelIndex; k: string }) {
  const units = useUnits();
  const list = index.findingsOf.get(k) ?? [];
  if (!list.length) return null;
  const worst = SEVERITIES.find((s) => list.some((f) => f.severity === s))!;
  return (
    <span
      className="inline-flex items-center gap-1"
      title={list.map((f) => units.said(f.message)).join('\n')}
    >
      <SeverityMark severity={worst} size={10} /> {list.length}
    </span>
  );
}

const faultCount = (index: ModelIndex, k: string) => (index.findingsOf.get(k) ?? []).length || null;

function SpaceTable({ index }: { index: ModelIndex }) {
  const units = useUnits();
  const select = useView((s) => s.select);
  const chosen = useSelection();
  const storey = useMemo(() => new Map(index.model.storeys.map((s) => [s.key, s.name])), [index]);
  const columns = useMemo<Column<Space>[]>(
    () => [
      { id: 'name', head: 'Space', width: 120, value: (s) => s.name },
      {
        id: 'storey',
        head: 'Storey',
        width: 88,
        value: (s) => (s.storey ? (storey.get(s.storey) ?? s.storey) : null),
      },
      {
        id: 'floor',
        head: 'Floor',
        unit: units.area.unit,
        width: 72,
        number: true,
        value: (s) => units.area.to(s.floorArea),
        show: (s) => units.area.figure(s.floorArea),
      },
      {
        id: 'stated',
        head: 'Stated',
        unit: units.area.unit,
        width: 72,
        number: true,
        value: (s) => (s.statedFloorArea == null ? null : units.area.to(s.statedFloorArea)),
        show: (s) => (s.statedFloorArea == null ? '–' : units.area.figure(s.statedFloorArea)),
      },
      {
        id: 'volume',
        head: 'Volume',
        unit: units.volume.unit,
        width: 76,
        number: true,
        value: (s) => (s.enclosed ? units.volume.to(s.volume) : null),
        show: (s) => (s.enclosed ? units.volume.figure(s.volume) : '–'),
      },
      {
        id: 'statedVolume',
        head: 'Stated',
        unit: units.volume.unit,
        width: 74,
        number: true,
        value: (s) => (s.statedVolume == null ? null : units.volume.to(s.statedVolume)),
        show: (s) => (s.statedVolume == null ? '–' : units.volume.figure(s.statedVolume)),
      },
      {
        id: 'enclosed',
        head: 'Enclosed',
        width: 70,
        value: (s) => (s.enclosed ? 'yes' : 'no'),
        show: (s) => (s.enclosed ? 'yes' : <b className="text-blocker">no</b>),
      },
      { id: 'surfaces', head: 'Surfaces', width: 66, number: true, value: (s) => s.surfaces },
      { id: 'use', head: 'Use', width: 76, value: (s) => s.use },
      {
        id: 'faults',
        head: 'Findings',
        width: 66,
        number: true,
        value: (s) => faultCount(index, s.key),
        show: (s) => <Faults index={index} k={s.key} />,
      },
    ],
    [index, storey, units],
  );
  return (
    <Table
      name="spaces"
      rows={index.model.spaces}
      columns={columns}
      keyOf={keyOf}
      selection={chosen}
      onSelect={select}
      onOpen={frame}
    />
  );
}

function SurfaceTable({ index }: { index: ModelIndex }) {
  const units = useUnits();
  const select = useView((s) => s.select);
  const chosen = useSelection();
  const constructions = useMemo(
    () => new Map(index.model.constructions.map((c) => [c.key, c.name])),
    [index],
  );
  const columns = useMemo<Column<Surface>[]>(
    () => [
      { id: 'label', head: 'Surface', width: 130, value: (s) => s.label },
      { id: 'type', head: 'Type', width: 82, value: (s) => s.type || 'not stated' },
      { id: 'exposure', head: 'Other side', width: 74, value: (s) => exposure(s.exposure) },
      {
        id: 'gross',
        head: 'Gross',
        unit: units.area.unit,
        width: 66,
        number: true,
        value: (s) => units.area.to(s.grossArea),
        show: (s) => units.area.figure(s.grossArea),
      },
      {
        id: 'net',
        head: 'Net',
        unit: units.area.unit,
        width: 56,
        number: true,
        value: (s) => units.area.to(s.netArea),
        show: (s) => units.area.figure(s.netArea),
      },
      {
        id: 'tilt',
        head: 'Tilt',
        unit: '°',
        width: 52,
        number: true,
        value: (s) => s.tilt,
        show: (s) => degrees(s.tilt),
      },
      {
        id: 'azimuth',
        head: 'Azimuth',
        unit: '°',
        width: 72,
        number: true,
        value: (s) => s.azimuth ?? null,
        show: (s) => facing(s.azimuth),
      },
      {
        id: 'construction',
        head: 'Construction',
        width: 84,
        value: (s) =>
          s.construction ? (constructions.get(s.construction) ?? s.construction) : null,
      },
      {
        id: 'openings',
        head: 'Openings',
        width: 68,
        number: true,
        value: (s) => s.openings.length || null,
        show: (s) => s.openings.length || '',
      },
      {
        id: 'faults',
        head: 'Findings',
        width: 60,
        number: true,
        value: (s) => faultCount(index, s.key),
        show: (s) => <Faults index={index} k={s.key} />,
      },
      {
        id: 'id',
        head: 'Id',
        width: 42,
        value: (s) => s.fileId,
        show: (s) => <span className="font-mono text-[11px]">{s.fileId}</span>,
      },
    ],
    [index, constructions, units],
  );
  return (
    <Table
      name="surfaces"
      rows={index.model.surfaces}
      columns={columns}
      keyOf={keyOf}
      selection={chosen}
      onSelect={select}
      onOpen={frame}
    />
  );
}

function OpeningTable({ index, openings }: { index: ModelIndex; openings: Opening[] }) {
  const units = useUnits();
  const select = useView((s) => s.select);
  const chosen = useSelection();
  const columns = useMemo<Column<Opening>[]>(
    () => [
      { id: 'label', head: 'Opening', width: 260, value: (o) => o.label },
      { id: 'type', head: 'Type', width: 110, value: (o) => o.type || 'not stated' },
      {
        id: 'area',
        head: 'Area',
        unit: units.area.unit,
        width: 68,
        number: true,
        value: (o) => units.area.to(o.area),
        show: (o) => units.area.figure(o.area),
      },
      { id: 'parent', head: 'In surface', width: 86, value: (o) => o.surface ?? null },
      {
        id: 'glazing',
        head: 'Window type or construction',
        width: 170,
        value: (o) => o.glazing ?? o.construction ?? null,
      },
      {
        id: 'faults',
        head: 'Findings',
        width: 64,
        number: true,
        value: (o) => faultCount(index, o.key),
        show: (o) => <Faults index={index} k={o.key} />,
      },
      {
        id: 'id',
        head: 'Id',
        width: 86,
        value: (o) => o.fileId,
        show: (o) => <span className="font-mono text-[11px]">{o.fileId}</span>,
      },
    ],
    [index, units],
  );
  return (
    <Table
      name="openings"
      rows={openings}
      columns={columns}
      keyOf={keyOf}
      selection={chosen}
      onSelect={select}
      onOpen={frame}
    />
  );
}

function frame() {
  window.dispatchEvent(new CustomEvent('yentra:frame'));
}
