import { useMemo, useRef, useState } from 'react';
import type { DrawnRoom } from '../model/api';
import { useSelection } from '../model/state';
import { ScaleBar } from '../stage/ScaleBar';
import { useBoard } from './board';
import { Handles, RoomNames, Trace } from './BoardMarks';
import { Gaps, Rooms, Things, Underlays } from './BoardPicture';
import { BoardTools } from './BoardTools';
import { copyOf, nameRoom, split, segmentsOf } from './edits';
import { MeasureBar } from './MeasureBar';
import { RoomForm } from './RoomForm';
import { StoreyList } from './StoreyList';
import { nearest, type Pt } from './plane';
import { gridOf } from './snap';
import { useBoardKeys } from './useBoardKeys';
import { usePictures, useStorey } from './useStorey';
import { useBoardView } from './useBoardView';
import type { Drawn } from './useDrawing';
import { partAt, useGrab } from './useGrab';
import { isDrawn, roomAt, useTracing, type Pointer } from './useTracing';

/** A storey in plan, to be drawn on. */
export function Board({ drawn, north }: { drawn: Drawn; north: number | null }) {
  const { sheet } = drawn;
  const storey = useStorey(drawn);
  const tool = useBoard((s) => s.tool);
  const part = useBoard((s) => s.part);
  const selection = useSelection();
  const pictures = usePictures(drawn.project);
  const { holder, box, size, view, plan, screen, pan, fit } = useBoardView(
    drawn.doc,
    storey,
    pictures,
  );
  const tracing = useTracing(drawn, storey, view.scale);
  const grab = useGrab(drawn, storey, view.scale);
  const [naming, setNaming] = useState<DrawnRoom | null>(null);
  const [over, setOver] = useState(false);
  const panning = useRef<Pt | null>(null);
  const pressed = useRef<Pt | null>(null);
  useBoardKeys(drawn, storey, tracing, fit);

  const doc = grab.doc ?? drawn.doc;
  const rooms = useMemo(
    () => sheet?.rooms.filter((r) => r.storey === storey) ?? [],
    [sheet, storey],
  );
  const seen = !!doc.underlay?.some((u) => u.storey === storey);
  const chosen = part?.ref.kind === 'opening' ? (doc.glazing?.[part.ref.item]?.id ?? null) : null;

  const place = (e: React.MouseEvent): Pt => {
    const r = box.current!.getBoundingClientRect();
    return [e.clientX - r.left, e.clientY - r.top];
  };
  const pointer = (e: React.MouseEvent): Pointer => ({
    at: plan(...place(e)),
    square: e.shiftKey,
    free: e.altKey,
  });

  function down(e: React.PointerEvent) {
    (document.activeElement as HTMLElement | null)?.blur();
    const at = place(e);
    pressed.current = at;
    const drags = e.button === 1 || e.button === 2;
    if (drags || (e.button === 0 && tool === 'select' && !grab.take(plan(...at)))) {
      panning.current = at;
    }
    e.currentTarget.setPointerCapture(e.pointerId);
  }

  function move(e: React.PointerEvent) {
    const at = place(e);
    if (panning.current) {
      pan(at[0] - panning.current[0], at[1] - panning.current[1]);
      panning.current = at;
    } else if (grab.busy()) grab.drag(plan(...at), e.altKey);
    else {
      tracing.point(pointer(e));
      setOver(tool === 'select' && !!partAt(drawn, storey, plan(...at), view.scale));
    }
  }

  function up(e: React.PointerEvent) {
    const at = place(e);
    const still =
      pressed.current && Math.hypot(at[0] - pressed.current[0], at[1] - pressed.current[1]) < 4;
    panning.current = null;
    pressed.current = null;
    if (grab.busy()) grab.drop();
    else if (still && e.button === 0) click(e);
  }

  function click(e: React.MouseEvent) {
    const p = pointer(e);
    setNaming(null);
    if (tool === 'select') grab.choose(p.at, e.shiftKey);
    else if (tool === 'name') setNaming(roomAt(drawn, storey, p.at) ?? null);
    else tracing.click(p);
  }

  function twice(e: React.MouseEvent) {
    if (tool !== 'select') {
      if (tracing.points.length > 1) tracing.finish();
      return;
    }
    const at = plan(...place(e));
    const hit = partAt(drawn, storey, at, view.scale);
    if (hit?.side !== undefined) {
      const on = nearest(at, segmentsOf(drawn.doc, hit.ref)[hit.side]);
      drawn.act((d) => [split(d, hit.ref, hit.side!, on), `Splits a side on ${storey}.`]);
      useBoard.setState({ part: { ref: hit.ref, corner: hit.side + 1 } });
    } else setNaming(roomAt(drawn, storey, at) ?? null);
  }

  const named = naming && screen([naming.inside.x, naming.inside.y]);
  return (
    <div className="@container flex min-h-0 flex-1 flex-col" data-testid="board">
      <BoardTools fit={fit}>
        {drawn.waiting && <span className="text-sm text-muted">drawing …</span>}
      </BoardTools>
      <div className="flex min-h-0 flex-1">
        <StoreyList drawn={drawn} storey={storey} />
        <div className="relative min-h-0 min-w-0 flex-1 overflow-hidden bg-paper">
          <svg
            ref={holder}
            className="absolute inset-0 h-full w-full touch-none select-none outline-none"
            style={{ cursor: tool === 'select' ? (over ? 'move' : 'default') : 'crosshair' }}
            role="img"
            aria-label={`The drawing of ${storey}: ${rooms.length ? rooms.map((r) => r.name).join(', ') : 'no rooms yet'}`}
            onPointerDown={down}
            onPointerMove={move}
            onPointerUp={up}
            onPointerCancel={grab.leave}
            onPointerLeave={() => tracing.point(null)}
            onDoubleClick={twice}
            onContextMenu={(e) => e.preventDefault()}
          >
            <Grid view={view} size={size} screen={screen} />
            <g
              transform={`translate(${screen([0, 0]).join(' ')}) scale(${1 / view.scale} ${-1 / view.scale})`}
            >
              <Underlays doc={doc} storey={storey} project={drawn.project} sizes={pictures} />
              {sheet && (
                <Rooms sheet={sheet} doc={doc} storey={storey} selection={selection} seen={seen} />
              )}
              <Things doc={doc} storey={storey} part={part} />
              {sheet && <Gaps sheet={sheet} storey={storey} chosen={chosen} />}
            </g>
            <RoomNames rooms={rooms} screen={screen} />
            {part && tool === 'select' && <Handles doc={doc} part={part} screen={screen} />}
            <Trace tracing={tracing} box={tool === 'rectangle'} screen={screen} />
          </svg>
          <ScaleBar metresPerPixel={view.scale} />
          {north !== null && <North degrees={north} />}
          {naming && named && drawn.delivery && (
            <div
              className="absolute z-10"
              style={{
                left: Math.max(4, Math.min(named[0] - 128, size[0] - 262)),
                top: Math.max(4, Math.min(named[1] + 8, size[1] - 130)),
              }}
            >
              <RoomForm
                key={naming.key}
                room={naming}
                delivery={drawn.delivery}
                copied={copyOf(drawn.doc, storey)}
                onLeave={() => setNaming(null)}
                onDone={(name, use) => {
                  drawn.act((d) =>
                    nameRoom(
                      d,
                      storey,
                      [naming.inside.x, naming.inside.y],
                      naming.rings.map((r) => r.map((p): Pt => [p.x, p.y])),
                      name,
                      use,
                    ),
                  );
                  setNaming(null);
                }}
              />
            </div>
          )}
        </div>
      </div>
      <MeasureBar tracing={tracing} drawn={isDrawn(drawn, storey)} />
    </div>
  );
}

/** Lines of the grid that points are drawn to, and stronger ones. */
function Grid({
  view,
  size,
  screen,
}: {
  view: { middle: Pt; scale: number };
  size: Pt;
  screen: (p: Pt) => Pt;
}) {
  const strong = gridOf(view.scale) * 10;
  const half: Pt = [(size[0] * view.scale) / 2, (size[1] * view.scale) / 2];
  const lines: string[] = [];
  for (const k of [0, 1] as const) {
    const from = Math.ceil((view.middle[k] - half[k]) / strong);
    const to = Math.floor((view.middle[k] + half[k]) / strong);
    for (let i = from; i <= to; i++) {
      const [x, y] = screen(k ? [0, i * strong] : [i * strong, 0]);
      lines.push(k ? `M0 ${y}H${size[0]}` : `M${x} 0V${size[1]}`);
    }
  }
  const [x, y] = screen([0, 0]);
  return (
    <>
      <path d={lines.join('')} stroke="var(--line)" strokeWidth={1} fill="none" />
      <path d={`M${x - 6} ${y}h12M${x} ${y - 6}v12`} stroke="var(--muted)" strokeWidth={1.5} />
    </>
  );
}

/** Where true north is on the sheet. */
function North({ degrees }: { degrees: number }) {
  return (
    <svg
      className="pointer-events-none absolute right-2 bottom-2"
      width="36"
      height="36"
      viewBox="-18 -18 36 36"
      role="img"
      aria-label={`True north, ${degrees}° from the sheet's upright`}
    >
      <circle r="17" fill="var(--panel)" fillOpacity={0.9} stroke="var(--line)" />
      <g transform={`rotate(${-degrees})`}>
        <path d="M0 -14L4 2L0 -1L-4 2Z" fill="var(--kelp)" />
        <text y="13" textAnchor="middle" fontSize="9" fill="var(--muted)">
          N
        </text>
      </g>
    </svg>
  );
}
