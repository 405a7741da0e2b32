import * as THREE from 'three';
import type { Drawing, Item, Picking } from './drawing';

export interface Hit {
  key: string;
  point: THREE.Vector3;
}

/** What is on the screen: a drawing, which items of it are shown, and how the camera looks at them. */
export interface Seen {
  camera: THREE.PerspectiveCamera;
  drawing: Drawing;
  picking: Picking;
  /** 1 for what is shown firmly. */
  shown: Uint8Array;
  /** Planes that cut the drawing, in the scene. */
  clips: THREE.Plane[];
  /** Where the drawing stands in the scene. */
  offset: THREE.Vector3;
  lift: (item: Item) => number;
}

/** How near in pixels a corner or an edge must be to be caught. */
const CATCH = { corner: 11, edge: 8 };

/** What lies under the pointer, or in a rectangle. */
export class Probe {
  private readonly seen: Seen;

  constructor(seen: Seen) {
    this.seen = seen;
  }

  /** The nearest shown object under a place given in device coordinates (−1 to 1). */
  pick(p: THREE.Vector2): Hit | null {
    const caster = new THREE.Raycaster();
    caster.setFromCamera(p, this.seen.camera);
    const { offset } = this.seen;
    caster.ray.origin.sub(offset);
    const uncut = (q: THREE.Vector3) =>
      !this.seen.clips.some((c) => c.distanceToPoint(q.clone().add(offset)) < 0);
    const first = (faint: boolean) =>
      this.seen.picking.first(
        caster.ray,
        (i, it) => this.seen.shown[i] > 0 && it.faint === faint,
        this.seen.lift,
        uncut,
      );
    const hit = first(false) ?? first(true);
    return (
      hit && { key: this.seen.drawing.items[hit.item].key, point: hit.point.clone().add(offset) }
    );
  }

  /** The corner or edge nearest to a place on the screen, within a few pixels; else the point on the face. */
  snap(
    p: THREE.Vector2,
    width: number,
    height: number,
  ): { point: THREE.Vector3; kind: 'corner' | 'edge' | 'face' } | null {
    const { lines, positions } = this.seen.drawing;
    const { offset } = this.seen;
    const at = (e: number) => new THREE.Vector3().fromArray(positions, lines[e] * 3).add(offset);
    const screen = (v: THREE.Vector3) => {
      const q = v.clone().project(this.seen.camera);
      return q.z > 1
        ? null
        : new THREE.Vector2(((q.x - p.x) * width) / 2, ((q.y - p.y) * height) / 2);
    };
    let best: { point: THREE.Vector3; kind: 'corner' | 'edge' } | null = null;
    let corner: number = CATCH.corner;
    let edge: number = CATCH.edge;
    for (const [i, it] of this.seen.drawing.items.entries()) {
      if (!this.seen.shown[i]) continue;
      for (let e = it.firstLine * 2; e < (it.firstLine + it.lines) * 2; e += 2) {
        const a = at(e);
        const b = at(e + 1);
        if (
          this.seen.clips.some((c) => c.distanceToPoint(a) < -1e-6 && c.distanceToPoint(b) < -1e-6)
        )
          continue;
        const sa = screen(a);
        const sb = screen(b);
        if (!sa || !sb) continue;
        for (const [s, v] of [
          [sa, a],
          [sb, b],
        ] as const) {
          if (s.length() < corner) {
            corner = s.length();
            best = { point: v, kind: 'corner' };
          }
        }
        if (best?.kind !== 'corner') {
          const d = sb.clone().sub(sa);
          const t = Math.min(1, Math.max(0, -sa.dot(d) / Math.max(1e-9, d.lengthSq())));
          const off = sa.clone().addScaledVector(d, t).length();
          if (off < edge) {
            edge = off;
            best = { point: a.clone().lerp(b, t), kind: 'edge' };
          }
        }
      }
    }
    if (best) return best;
    const hit = this.pick(p);
    return hit ? { point: hit.point, kind: 'face' } : null;
  }

  /** Keys of shown objects whose middle lies in a rectangle of device coordinates. */
  within(a: THREE.Vector2, b: THREE.Vector2): string[] {
    const lo = a.clone().min(b);
    const hi = a.clone().max(b);
    const out: string[] = [];
    const boxes = this.seen.picking.boxes;
    this.seen.drawing.items.forEach((it, i) => {
      if (!this.seen.shown[i] || it.key !== it.owner || !it.triangles) return;
      const m = new THREE.Vector3(
        (boxes[i * 6] + boxes[i * 6 + 3]) / 2,
        (boxes[i * 6 + 1] + boxes[i * 6 + 4]) / 2,
        (boxes[i * 6 + 2] + boxes[i * 6 + 5]) / 2 + this.seen.lift(it),
      )
        .add(this.seen.offset)
        .project(this.seen.camera);
      if (m.z < 1 && m.x >= lo.x && m.x <= hi.x && m.y >= lo.y && m.y <= hi.y) out.push(it.key);
    });
    return out;
  }
}
