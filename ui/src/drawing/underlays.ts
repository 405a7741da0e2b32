import type { Underlay } from '../model/plan';
import { distance, fine, minus, type Pt } from './plane';

/** Where a pixel of a picture lies in the drawing, and back. */
export function sheetPoint(u: Underlay, px: Pt): Pt {
  const r = ((u.turn_deg ?? 0) * Math.PI) / 180;
  const d: Pt = [
    (px[0] - u.origin_px[0]) * u.scale_m_per_px,
    (u.origin_px[1] - px[1]) * u.scale_m_per_px,
  ];
  return [d[0] * Math.cos(r) - d[1] * Math.sin(r), d[0] * Math.sin(r) + d[1] * Math.cos(r)];
}

export function sheetPixel(u: Underlay, p: Pt): Pt {
  const r = (-(u.turn_deg ?? 0) * Math.PI) / 180;
  const d: Pt = [p[0] * Math.cos(r) - p[1] * Math.sin(r), p[0] * Math.sin(r) + p[1] * Math.cos(r)];
  return [u.origin_px[0] + d[0] / u.scale_m_per_px, u.origin_px[1] - d[1] / u.scale_m_per_px];
}

/** A picture turned and scaled so that a pixel lies on a point. */
function pinned(u: Underlay, px: Pt, on: Pt): Underlay {
  const off = minus(on, sheetPoint({ ...u, origin_px: [0, 0] }, px));
  // the pixel at the origin is as far from the first one as the origin is from where that lies
  const origin = sheetPixel({ ...u, origin_px: [0, 0] }, [-off[0], -off[1]]);
  return { ...u, origin_px: [fine(origin)[0], fine(origin)[1]] };
}

/** So that two points of it are as far apart as they are in truth; the first stays where it is. */
export function scaledSheet(u: Underlay, a: Pt, b: Pt, metres: number): Underlay {
  const px = sheetPixel(u, a);
  const now = { ...u, scale_m_per_px: (u.scale_m_per_px * metres) / distance(a, b) };
  return pinned(now, px, a);
}

/** So that the line from a to b lies level or upright, whichever is nearer; a stays where it is. */
export function levelledSheet(u: Underlay, a: Pt, b: Pt): Underlay {
  const d = (Math.atan2(b[1] - a[1], b[0] - a[0]) * 180) / Math.PI;
  const by = Math.round(d / 90) * 90 - d;
  const px = sheetPixel(u, a);
  return pinned({ ...u, turn_deg: turned((u.turn_deg ?? 0) + by) }, px, a);
}

/** So that two points of it lie where they do in the drawing: moved, turned and scaled. */
export function alignedSheet(u: Underlay, a: Pt, b: Pt, toA: Pt, toB: Pt): Underlay {
  const angle = (p: Pt, q: Pt) => (Math.atan2(q[1] - p[1], q[0] - p[0]) * 180) / Math.PI;
  const px = sheetPixel(u, a);
  return pinned(
    {
      ...u,
      scale_m_per_px: (u.scale_m_per_px * distance(toA, toB)) / distance(a, b),
      turn_deg: turned((u.turn_deg ?? 0) + angle(toA, toB) - angle(a, b)),
    },
    px,
    toA,
  );
}

export const movedSheet = (u: Underlay, by: Pt): Underlay => {
  const px = sheetPixel(u, [0, 0]);
  return pinned(u, px, by);
};

const turned = (d: number) => {
  const r = Math.round(d * 1e4) / 1e4;
  return r > 180 ? r - 360 : r <= -180 ? r + 360 : r;
};
