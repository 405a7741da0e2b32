import { useState } from 'react';
import { Magnet, Plus, X } from 'lucide-react';
import type { Repair, Surface } from '../model/api';
import type { ModelIndex } from '../model/model';

import { useUnits } from '../model/units';
import { outer, snapped, type Point, type SnapTo } from './geometry';

/** How far a corner looks for a place to go to, metres. */
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
  const units = useUnits();
  const [ring, setRing] = useState<Point[]>(() => outer(surface.shape));
  const [inPlane, setInPlane] = useState(true);
  const [to, setTo] = useState<SnapTo>('corner');

  function set(i: number, axis: keyof Point, text: string) {
    const v = Number(text.replace(',', '.'));
    if (!text.trim() || !Number.isFinite(v)) return;
    setRing(ring.map((p, k) => (k === i ? { ...p, [axis]: units.length.from(v) } : p)));
  }

  function snap(i: number) {
    const spaces = new Set(surface.spaces);
    const others = index.model.surfaces
      .filter((s) => s.key !== surface.key && s.shape.rings.length > 0)
      // a plane reaches everywhere: only those of the same spaces are meant
      .filter((s) => to !== 'plane' || s.spaces.some((k) => spaces.has(k)))
      .map((s) => outer(s.shape));
    const place = snapped(ring[i], others, to, REACH);
    if (place) setRing(ring.map((p, k) => (k === i ? place : p)));
  }

  function insert(i: number) {
    const [a, b] = [ring[i], ring[(i + 1) % ring.length]];
    const m = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, z: (a.z + b.z) / 2 };
    setRing([...ring.slice(0, i + 1), m, ...ring.slice(i + 1)]);
  }

  return (
    <div className="mt-1.5 rounded-sm border border-line bg-paper p-2" data-testid="outline">
      <p className="mb-1 text-sm text-muted">Corners in {units.length.unit}: x, y, z.</p>
      <ol>
        {ring.map((p, i) => (
          <li key={`${i} ${p.x} ${p.y} ${p.z}`} className="mb-0.5 flex items-center gap-1">
            {(['x', 'y', 'z'] as const).map((axis) => (
              <input
                key={axis}
                className="field !h-6 w-[58px] px-1 text-right text-[11px]"
                aria-label={`Corner ${i + 1} ${axis}`}
                defaultValue={units.length.to(p[axis]).toFixed(3)}
                onBlur={(e) => set(i, axis, e.target.value)}
                onKeyDown={(e) => e.key === 'Enter' && set(i, axis, e.currentTarget.value)}
              />
            ))}
            <button
              className="btn-quiet !h-6 !px-0.5"
              title={`Bring it to the nearest ${to} of another surface`}
              aria-label={`Bring corner ${i + 1} to the nearest ${to}`}
              onClick={() => snap(i)}
            >
              <Magnet size={13} />
            </button>
            <button
              className="btn-quiet !h-6 !px-0.5"
              title="Put a corner in behind it"
              onClick={() => insert(i)}
            >
              <Plus size={13} />
            </button>
            <button
              className="btn-quiet !h-6 !px-0.5"
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
        Corners go to
        <select className="field !h-6" value={to} onChange={(e) => setTo(e.target.value as SnapTo)}>
          <option value="corner">corners</option>
          <option value="edge">edges</option>
          <option value="plane">planes of this space</option>
        </select>
      </label>
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
