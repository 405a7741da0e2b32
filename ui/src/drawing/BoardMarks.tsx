import type { DrawnRoom } from '../model/api';
import type { PlanDoc } from '../model/plan';
import { useUnits } from '../model/units';
import { pointsOf, type Part } from './edits';
import { distance, middle, type Pt } from './plane';
import type { Tracing } from './useTracing';

type ToScreen = (p: Pt) => Pt;

/** A room that is narrower on the screen is not written in, pixels. */
const NARROW = 46;

/** Of a letter of a room's name, pixels. */
const LETTER = 6.2;

/** Names and areas of rooms, where there is room for them. */
export function RoomNames({ rooms, screen }: { rooms: DrawnRoom[]; screen: ToScreen }) {
  const units = useUnits();
  return rooms.map((r) => {
    const xs = r.rings[0].map((p) => screen([p.x, p.y]));
    const wide = Math.max(...xs.map((p) => p[0])) - Math.min(...xs.map((p) => p[0]));
    const high = Math.max(...xs.map((p) => p[1])) - Math.min(...xs.map((p) => p[1]));
    // a narrow room is written in along its length
    const turned = high > wide && r.name.length * LETTER > wide;
    const [along, across] = turned ? [high, wide] : [wide, high];
    if (along < NARROW || across < 22) return null;
    const [x, y] = screen([r.inside.x, r.inside.y]);
    const most = Math.floor(along / LETTER);
    const name = r.name.length > most ? `${r.name.slice(0, Math.max(1, most - 1))}…` : r.name;
    return (
      <text
        key={r.key}
        x={x}
        y={y}
        transform={turned ? `rotate(-90 ${x} ${y})` : undefined}
        textAnchor="middle"
        fontSize="12"
        className="pointer-events-none select-none"
        fill={r.named ? 'var(--ink)' : 'var(--muted)'}
      >
        <title>{r.name}</title>
        {name}
        {across > 40 && (
          <tspan x={x} dy="15" fontSize="11" fill="var(--muted)">
            {units.area.text(r.area)}
          </tspan>
        )}
      </text>
    );
  });
}

/** Corners of what is selected, to be dragged, and the length of the side that is. */
export function Handles({ doc, part, screen }: { doc: PlanDoc; part: Part; screen: ToScreen }) {
  const units = useUnits();
  const { points } = pointsOf(doc, part.ref);
  const side = part.side;
  const a = side === undefined ? null : points[side];
  const b = side === undefined ? null : points[(side + 1) % points.length];
  return (
    <>
      {a && b && (
        <>
          <line
            {...ends(screen(a), screen(b))}
            stroke="var(--kelp)"
            strokeWidth={5}
            strokeLinecap="round"
          />
          <Label at={screen(middle(a, b))} text={units.length.text(distance(a, b))} />
        </>
      )}
      {part.ref.kind !== 'opening' &&
        points.map((p, i) => {
          const [x, y] = screen(p);
          const r = i === part.corner ? 5.5 : 4;
          return (
            <circle
              key={i}
              cx={x}
              cy={y}
              r={r}
              fill={i === part.corner ? 'var(--kelp)' : 'var(--panel)'}
              stroke="var(--kelp)"
              strokeWidth={1.5}
            />
          );
        })}
    </>
  );
}

const ends = (a: Pt, b: Pt) => ({ x1: a[0], y1: a[1], x2: b[0], y2: b[1] });

function Label({ at, text }: { at: Pt; text: string }) {
  const wide = text.length * 6.6 + 8;
  return (
    <g transform={`translate(${at[0] - wide / 2} ${at[1] - 9})`} className="pointer-events-none">
      <rect width={wide} height={17} rx={3} fill="var(--panel)" stroke="var(--line)" />
      <text x={wide / 2} y={12.5} textAnchor="middle" fontSize="11.5" fill="var(--ink)">
        {text}
      </text>
    </g>
  );
}

/** What is being traced: its sides with their lengths, where the next point would lie, and why there. */
export function Trace({
  tracing,
  box,
  screen,
}: {
  tracing: Tracing;
  /** Two points are the corners of a rectangle. */
  box: boolean;
  screen: ToScreen;
}) {
  const units = useUnits();
  const { points, spot } = tracing;
  const from = points.at(-1);
  const all = spot ? [...points, spot.at] : points;
  const to = spot && screen(spot.at);
  return (
    <g className="pointer-events-none">
      {spot?.guide && (
        <line
          {...ends(screen(spot.guide.a), screen(spot.guide.b))}
          stroke="var(--kelp)"
          strokeOpacity={0.7}
          strokeDasharray="3 4"
        />
      )}
      {spot?.guide && to && !box && (
        <line
          {...ends(screen(spot.guide.b), to)}
          stroke="var(--kelp)"
          strokeOpacity={0.35}
          strokeDasharray="3 4"
        />
      )}
      {box && from && spot ? (
        <Rectangle a={screen(from)} b={screen(spot.at)} />
      ) : (
        all.length > 1 && (
          <polyline
            points={all.map((p) => screen(p).join(',')).join(' ')}
            fill="none"
            stroke="var(--kelp)"
            strokeWidth={2.5}
          />
        )
      )}
      {!box &&
        all
          .slice(1)
          .map((p, i) => (
            <Label
              key={i}
              at={screen(middle(all[i], p))}
              text={units.length.text(distance(all[i], p))}
            />
          ))}
      {points.map((p, i) => {
        const [x, y] = screen(p);
        return <circle key={i} cx={x} cy={y} r={i === 0 ? 5 : 3} fill="var(--kelp)" />;
      })}
      {spot && to && (
        <>
          <path
            d={`M${to[0] - 8} ${to[1]}h16M${to[0]} ${to[1] - 8}v16`}
            stroke="var(--kelp)"
            strokeWidth={1.5}
          />
          {spot.says && (
            <text
              x={to[0] + 12}
              y={to[1] - 10}
              fontSize="11.5"
              fill="var(--kelp)"
              stroke="var(--paper)"
              strokeWidth={3}
              paintOrder="stroke"
              data-testid="snap"
            >
              {spot.says}
            </text>
          )}
        </>
      )}
    </g>
  );
}

function Rectangle({ a, b }: { a: Pt; b: Pt }) {
  return (
    <rect
      x={Math.min(a[0], b[0])}
      y={Math.min(a[1], b[1])}
      width={Math.abs(a[0] - b[0])}
      height={Math.abs(a[1] - b[1])}
      fill="var(--kelp-soft)"
      fillOpacity={0.5}
      stroke="var(--kelp)"
      strokeWidth={2}
    />
  );
}
