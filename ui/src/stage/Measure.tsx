import { useEffect, useState } from 'react';
import * as THREE from 'three';
import { X } from 'lucide-react';
import { type MeasureMode, useView } from '../model/state';
import { useUnits, type Units } from '../model/units';

import type { StageScene } from './StageScene';

export interface MeasurePoint {
  point: THREE.Vector3;
  kind: 'corner' | 'edge' | 'face';
}

const MODES: [MeasureMode, string][] = [
  ['distance', 'Distance'],
  ['height', 'Height'],
  ['area', 'Area'],
];

/** Lines and figures of the measure tool, drawn over the stage. */
export function Measure({
  scene,
  size,
  points,
  snap,
  clear,
}: {
  scene: StageScene;
  size: readonly [number, number];
  points: MeasurePoint[];
  snap: MeasurePoint | null;
  clear: () => void;
}) {
  const units = useUnits();
  const mode = useView((s) => s.measure)!;
  const set = useView((s) => s.set);
  const at = (p: MeasurePoint) => scene.toScreen(p.point, ...size);
  const open = mode === 'area' || points.length === 1;
  const chain = open && snap ? [...points, snap] : points;

  // the lines stay on their points while the view turns
  const [, redraw] = useState(0);
  useEffect(() => scene.eachFrame(() => redraw((n) => n + 1)), [scene]);

  // the points belong to the mode they were taken in
  // eslint-disable-next-line react-hooks/exhaustive-deps
  useEffect(() => clear, [mode]);

  return (
    <>
      <svg className="pointer-events-none absolute inset-0" width={size[0]} height={size[1]}>
        {chain.length > 1 && (
          <polyline
            points={chain.map((p) => `${at(p).x},${at(p).y}`).join(' ')}
            fill={mode === 'area' && chain.length > 2 ? 'rgba(18,100,92,0.18)' : 'none'}
            stroke="var(--kelp)"
            strokeWidth="2"
          />
        )}
        {points.map((p, i) => (
          <circle
            key={i}
            cx={at(p).x}
            cy={at(p).y}
            r="4"
            fill="var(--panel)"
            stroke="var(--kelp)"
            strokeWidth="2"
          />
        ))}
        {snap && (
          <g
            transform={`translate(${at(snap).x} ${at(snap).y})`}
            stroke="var(--kelp)"
            strokeWidth="1.5"
            fill="none"
          >
            {snap.kind === 'corner' ? (
              <rect x="-5" y="-5" width="10" height="10" />
            ) : snap.kind === 'edge' ? (
              <path d="M-6 0H6M0 -6V6" />
            ) : (
              <circle r="3" />
            )}
          </g>
        )}
      </svg>
      <div
        className="absolute bottom-2 left-2 flex items-center gap-2 rounded-sm border border-line bg-panel px-2 py-1"
        data-testid="measure"
      >
        {MODES.map(([m, label]) => (
          <button
            key={m}
            className={`btn ${mode === m ? 'btn-main' : ''}`}
            aria-pressed={mode === m}
            onClick={() => set({ measure: m })}
          >
            {label}
          </button>
        ))}
        <output className="min-w-44 font-semibold">{figure(units, mode, chain)}</output>
        <button
          className="btn-quiet"
          aria-label="Stop measuring"
          onClick={() => set({ measure: null })}
        >
          <X size={14} />
        </button>
      </div>
    </>
  );
}

function figure(units: Units, mode: MeasureMode, chain: MeasurePoint[]): string {
  if (chain.length < 2) return 'Click a corner, an edge or a face';
  const a = chain[0].point;
  const b = chain[chain.length - 1].point;
  if (mode === 'height') return `Height ${units.length.text(Math.abs(b.z - a.z))}`;
  if (mode === 'distance')
    return `${units.length.text(a.distanceTo(b))}, level ${units.length.text(Math.hypot(b.x - a.x, b.y - a.y))}`;
  if (chain.length < 3) return 'Click the corners of the area';
  const sum = new THREE.Vector3();
  for (let i = 1; i + 1 < chain.length; i++)
    sum.add(
      chain[i].point
        .clone()
        .sub(a)
        .cross(chain[i + 1].point.clone().sub(a)),
    );
  return `Area ${units.area.text(sum.length() / 2)}`;
}
