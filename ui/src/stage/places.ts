import * as THREE from 'three';
import type { Finding } from '../model/api';
import type { ModelIndex } from '../model/model';
import { axes, outer } from '../shared/geometry';

/** The box around the evidence of a finding. */
export function evidenceBox(f: Finding): THREE.Box3 {
  const box = new THREE.Box3();
  for (const r of [...f.evidence.areas, ...f.evidence.lines, ...f.evidence.points])
    for (let i = 0; i < r.length; i += 3)
      box.expandByPoint(new THREE.Vector3(r[i], r[i + 1], r[i + 2]));
  return box;
}

/** Where the outer side of a single surface, or of an opening's, looks; null for anything else. */
export function outerSide(index: ModelIndex, keys: string[]): THREE.Vector3 | null {
  const of = new Set(keys.map((k) => index.openings.get(k)?.surface ?? k));
  const s = of.size === 1 ? index.surfaces.get([...of][0]) : undefined;
  if (!s || s.spaces.length !== 1 || s.shape.rings.length === 0) return null;
  const { n } = axes(outer(s.shape));
  return new THREE.Vector3(n.x, n.y, n.z);
}

/** A plane through a box, from its far end (0) to beyond its near end (1), along its longer side. */
export function sweepPlane(box: THREE.Box3, share: number): THREE.Plane {
  const size = box.getSize(new THREE.Vector3());
  const alongX = size.x >= size.y;
  const lo = alongX ? box.min.x : box.min.y;
  const reach = alongX ? size.x : size.y;
  const normal = alongX ? new THREE.Vector3(-1, 0, 0) : new THREE.Vector3(0, -1, 0);
  return new THREE.Plane(normal, lo - 0.05 + (reach + 0.1) * share);
}
