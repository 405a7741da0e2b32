import { NOTHING } from '../model/colours';
import { useUnits } from '../model/units';
import type { Model } from '../model/api';

/** The glazing ratio at which a petal reaches the dashed ring. */
const FULL = 0.5;

/**
 * True north, and the share of glass in the outdoor walls of each orientation as the length of a petal.
 *
 * heading: direction the camera looks, in degrees clockwise from true north.
 */
export function NorthRose({
  petals,
  heading,
  known,
}: {
  petals: Model['glazing'];
  heading: number;
  known: boolean;
}) {
  const units = useUnits();
  const reach = 30;
  return (
    <svg
      className="absolute right-2 bottom-2 hidden @md:block"
      width="92"
      height="92"
      viewBox="-46 -46 92 92"
      role="img"
      aria-label={
        known
          ? 'True north, and glazing ratio by orientation; the dashed ring is 50 %'
          : 'North is not stated; the y axis is shown'
      }
    >
      <circle r="44" fill="var(--panel)" fillOpacity="0.92" stroke="var(--line)" />
      <g transform={`rotate(${-heading})`}>
        <circle r={reach} fill="none" stroke="var(--line)" strokeDasharray="2 3" />
        {petals.map((p) => {
          const ratio = p.wallArea > 0 ? p.glazedArea / p.wallArea : 0;
          const r = 5 + Math.min(1, ratio / FULL) * (reach - 5);
          return (
            <path
              key={p.azimuth}
              transform={`rotate(${p.azimuth})`}
              d={`M0 0 L${-0.3 * r} ${-0.62 * r} L0 ${-r} L${0.3 * r} ${-0.62 * r} Z`}
              fill={NOTHING}
              stroke="var(--ink)"
              strokeWidth="0.8"
            >
              <title>
                {p.wallArea > 0
                  ? `Azimuth ${p.azimuth}°: ${(ratio * 100).toFixed(1)} % glass in ${units.area.text(p.wallArea)} of outdoor wall`
                  : `Azimuth ${p.azimuth}°: no outdoor wall`}
              </title>
            </path>
          );
        })}
        <text
          y="-33"
          textAnchor="middle"
          fontSize="10"
          fontWeight="700"
          fill="var(--kelp)"
          transform={`rotate(${heading} 0 -36)`}
        >
          {known ? 'N' : 'y'}
        </text>
      </g>
    </svg>
  );
}
