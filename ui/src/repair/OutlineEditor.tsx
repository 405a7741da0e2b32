import { useState } from 'react';
import { Magnet, Plus, X } from 'lucide-react';
import type { Repair, Surface } from '../api';
import type { ModelIndex } from '../model';
import { fromLength, lengthUnit, toLength } from '../words';
import { nearest, points, type Point } from './geometry';

/** How far a corner looks for another to go to, metres. */
const REACH = 0.6;

/** The corners of a surface as typed coordinates: moved, put in, taken out, brought to others. */
export function OutlineEditor({
  surface,
  index,
  onDone,
}: {
  surface: Surface;
  index: ModelIndex;
  onDone: (repair: Repair, label: string) => void;
}) {
  const [ring, setRing] = useState<Point[]>(() => points(surface.rings[0] ?? []));
  const [inPlane, setInPlane] = useState(true);

  function set(i: number, axis: keyof Point, text: string) {
    const v = Number(text.replace(',', '.'));
    if (!text.trim() || !Number.isFinite(v)) return;
    setRing(ring.map((p, k) => (k === i ? { ...p, [axis]: fromLength(v) } : p)));
  }

  function snap(i: number) {
    const others = index.model.surfaces
      .filter((s) => s.key !== surface.key)
      .flatMap((s) => points(s.rings[0] ?? []));
    const to = nearest(ring[i], others, REACH);
    if (to) setRing(ring.map((p, k) => (k === i ? to : p)));
  }

  function insert(i: number) {
    const [a, b] = [ring[i], ring[(i + 1) % ring.length]];
    const m = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, z: (a.z + b.z) / 2 };
    setRing([...ring.slice(0, i + 1), m, ...ring.slice(i + 1)]);
  }

  return (
    <div className="mt-1.5 rounded-sm border border-line bg-paper p-2" data-testid="outline">
      <p className="mb-1 text-sm text-muted">Corners in {lengthUnit()}: x, y, z.</p>
      <ol>
        {ring.map((p, i) => (
          <li key={`${i} ${p.x} ${p.y} ${p.z}`} className="mb-0.5 flex items-center gap-1">
            {(['x', 'y', 'z'] as const).map((axis) => (
              <input
                key={axis}
                className="field !h-[22px] w-[58px] px-1 text-right text-[11px]"
                aria-label={`Corner ${i + 1} ${axis}`}
                defaultValue={toLength(p[axis]).toFixed(3)}
                onBlur={(e) => set(i, axis, e.target.value)}
                onKeyDown={(e) => e.key === 'Enter' && set(i, axis, e.currentTarget.value)}
              />
            ))}
            <button
              className="btn-quiet !h-[22px] !px-0.5"
              title="Bring it to the nearest corner of another surface"
              onClick={() => snap(i)}
            >
              <Magnet size={13} />
            </button>
            <button
              className="btn-quiet !h-[22px] !px-0.5"
              title="Put a corner in behind it"
              onClick={() => insert(i)}
            >
              <Plus size={13} />
            </button>
            <button
              className="btn-quiet !h-[22px] !px-0.5"
              title="Take it out"
              disabled={ring.length <= 3}
              onClick={() => setRing(ring.filter((_, k) => k !== i))}
            >
              <X size={13} />
            </button>
          </li>
        ))}
      </ol>
      <label className="mt-1 flex items-center gap-2">
        <input
          type="checkbox"
          className="accent-kelp"
          checked={inPlane}
          onChange={(e) => setInPlane(e.target.checked)}
        />
        Stay in the plane
      </label>
      <button
        className="btn mt-1"
        data-testid="show-repair"
        onClick={() =>
          onDone(
            { kind: 'ReshapeSurface', surface: surface.key, outline: ring, inPlane },
            'Change the outline',
          )
        }
      >
        Show what it does
      </button>
    </div>
  );
}
