import { useState } from 'react';
import * as THREE from 'three';
import { useView } from '../model/state';
import type { MeasurePoint } from './Measure';
import type { StageScene } from './StageScene';

/** A rectangle drawn on the stage, in its pixels. */
export interface Band {
  x0: number;
  y0: number;
  x1: number;
  y1: number;
}

/** What the pointer does on the stage: names, selects, draws a rectangle around, measures. */
export function usePointer(
  scene: StageScene | null,
  canvas: React.RefObject<HTMLCanvasElement | null>,
  size: readonly [number, number],
) {
  const measure = useView((s) => s.measure);
  const select = useView((s) => s.select);
  const [hover, setHover] = useState<{ key: string; x: number; y: number } | null>(null);
  const [points, setPoints] = useState<MeasurePoint[]>([]);
  const [snap, setSnap] = useState<MeasurePoint | null>(null);
  const [band, setBand] = useState<Band | null>(null);

  function move(e: React.PointerEvent) {
    const s = scene;
    if (!s) return;
    const r = canvas.current!.getBoundingClientRect();
    if (band) {
      setBand({ ...band, x1: e.clientX - r.left, y1: e.clientY - r.top });
      return;
    }
    if (e.buttons) {
      setHover(null);
      return;
    }
    if (measure) {
      setSnap(s.probing().snap(s.controls.place(e), ...size));
      setHover(null);
      return;
    }
    const hit = s.pick(s.controls.place(e));
    setHover(hit ? { key: hit.key, x: e.clientX - r.left, y: e.clientY - r.top } : null);
  }

  function down(e: React.PointerEvent) {
    if (e.shiftKey && e.button === 0) {
      const r = canvas.current!.getBoundingClientRect();
      setBand({
        x0: e.clientX - r.left,
        y0: e.clientY - r.top,
        x1: e.clientX - r.left,
        y1: e.clientY - r.top,
      });
      canvas.current!.setPointerCapture(e.pointerId);
    }
  }

  function up(e: React.PointerEvent) {
    if (!band || !scene) return;
    const [w, h] = size;
    const dev = (x: number, y: number) => new THREE.Vector2((x / w) * 2 - 1, 1 - (y / h) * 2);
    const keys = scene.probing().within(dev(band.x0, band.y0), dev(band.x1, band.y1));
    const small = Math.hypot(band.x1 - band.x0, band.y1 - band.y0) < 5;
    if (!small) {
      const now = new Set(useView.getState().selection);
      keys.forEach((k) => (e.altKey ? now.delete(k) : now.add(k)));
      select([...now]);
    }
    setBand(null);
  }

  function click(e: React.MouseEvent) {
    const s = scene;
    if (!s || s.controls.dragged) return;
    if (measure) {
      const p = s.probing().snap(s.controls.place(e), ...size);
      if (p) setPoints((old) => (measure !== 'area' && old.length >= 2 ? [p] : [...old, p]));
      return;
    }
    const hit = s.pick(s.controls.place(e));
    if (hit) select([hit.key], e.ctrlKey || e.metaKey || e.shiftKey);
    else if (!e.shiftKey) select([]);
  }

  return {
    hover,
    band,
    points,
    snap,
    clear: () => setPoints([]),
    on: {
      onPointerMove: move,
      onPointerDown: down,
      onPointerUp: up,
      onPointerLeave: () => setHover(null),
      onClick: click,
    },
  };
}
