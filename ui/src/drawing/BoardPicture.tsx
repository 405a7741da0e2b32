import { memo } from 'react';
import { OPENING_COLOURS } from '../model/colours';
import type { PlanSheet } from '../model/api';
import type { PlanDoc, Underlay } from '../model/plan';
import { underlayUrl } from '../model/planCalls';
import { pointsOf, refsOn, sameRef, type Part, type Ref } from './edits';
import type { Pt } from './plane';
import { isBelow } from './useTracing';

const path = (rings: { x: number; y: number }[][]) =>
  rings.map((r) => `M${r.map((p) => `${p.x} ${p.y}`).join('L')}Z`).join('');

const line = (points: Pt[], closed: boolean) =>
  points.length ? `M${points.map((p) => p.join(' ')).join('L')}${closed ? 'Z' : ''}` : '';

/** The pictures under a storey, as the drawing lays them. */
export const Underlays = memo(function Underlays({
  doc,
  storey,
  project,
  sizes,
}: {
  doc: PlanDoc;
  storey: string;
  project: string;
  sizes: Map<string, Pt>;
}) {
  return (doc.underlay ?? []).map((u, i) => {
    const size = sizes.get(u.file);
    return (
      u.storey === storey &&
      size && (
        <image
          key={i}
          href={underlayUrl(project, u.file)}
          width={size[0]}
          height={size[1]}
          transform={laid(u)}
          opacity={1 - (u.fade ?? 0)}
          data-testid="underlay"
        />
      )
    );
  });
});

const laid = (u: Underlay) =>
  `rotate(${u.turn_deg ?? 0}) scale(${u.scale_m_per_px} ${-u.scale_m_per_px}) translate(${-u.origin_px[0]} ${-u.origin_px[1]})`;

/** Rooms of a storey, and pale those of the one below. */
export const Rooms = memo(function Rooms({
  sheet,
  doc,
  storey,
  selection,
  seen,
}: {
  sheet: PlanSheet;
  doc: PlanDoc;
  storey: string;
  selection: ReadonlySet<string>;
  /** Pictures lie under the rooms, which are to let them through. */
  seen: boolean;
}) {
  return (
    <>
      {sheet.rooms
        .filter((r) => isBelow(doc.storeys, r.storey, storey))
        .map((r) => (
          <path
            key={r.key}
            d={path(r.rings)}
            fill="none"
            stroke="var(--muted)"
            strokeOpacity={0.45}
            strokeDasharray="5 4"
            vectorEffect="non-scaling-stroke"
          />
        ))}
      {sheet.rooms
        .filter((r) => r.storey === storey)
        .map((r) => (
          <path
            key={r.key}
            d={path(r.rings)}
            fillRule="evenodd"
            fill={selection.has(r.key) ? 'var(--kelp-soft)' : 'var(--panel)'}
            fillOpacity={selection.has(r.key) ? 0.8 : seen ? 0.25 : 0.9}
            stroke="var(--ink)"
            strokeWidth={1}
            vectorEffect="non-scaling-stroke"
            data-room={r.name}
          />
        ))}
    </>
  );
});

/** Outlines, walls and blocks as they were drawn; what is pointed at and selected stands out. */
export const Things = memo(function Things({
  doc,
  storey,
  part,
}: {
  doc: PlanDoc;
  storey: string;
  part: Part | null;
}) {
  return refsOn(doc, storey).map((ref, i) => {
    if (ref.kind === 'label' || ref.kind === 'opening') return null;
    const { points, closed } = pointsOf(doc, ref);
    const chosen = !!part && sameRef(part.ref, ref);
    return (
      <path
        key={i}
        d={line(points, closed)}
        fill={ref.kind === 'block' ? 'var(--muted)' : 'none'}
        fillOpacity={0.15}
        stroke={chosen ? 'var(--kelp)' : ref.kind === 'block' ? 'var(--muted)' : 'var(--ink)'}
        strokeWidth={chosen ? 3 : ref.kind === 'ring' ? 2.5 : ref.kind === 'line' ? 1.75 : 1}
        strokeDasharray={isAir(doc, ref) ? '7 5' : undefined}
        strokeLinejoin="round"
        vectorEffect="non-scaling-stroke"
      />
    );
  });
});

function isAir(doc: PlanDoc, ref: Ref): boolean {
  const l = ref.kind === 'line' && doc.floors[ref.floor].lines?.[ref.line];
  return !!l && !Array.isArray(l) && !!l.air;
}

/** Windows and doors in their walls. */
export const Gaps = memo(function Gaps({
  sheet,
  storey,
  chosen,
}: {
  sheet: PlanSheet;
  storey: string;
  chosen: string | null;
}) {
  return sheet.openings
    .filter((o) => o.storey === storey)
    .map((o) => {
      const at = { x1: o.from.x, y1: o.from.y, x2: o.to.x, y2: o.to.y };
      const door = o.type === 'NON_SLIDING_DOOR' || o.type === 'SLIDING_DOOR';
      return (
        <g key={o.key}>
          <line
            {...at}
            stroke={o.source === chosen ? 'var(--kelp)' : 'var(--ink)'}
            strokeWidth={o.source === chosen ? 9 : 7}
            vectorEffect="non-scaling-stroke"
          />
          <line
            {...at}
            stroke={door ? OPENING_COLOURS.door : OPENING_COLOURS.glazed}
            strokeWidth={4}
            vectorEffect="non-scaling-stroke"
          />
        </g>
      );
    });
});
