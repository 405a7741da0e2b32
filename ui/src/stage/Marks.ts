import * as THREE from 'three';
import { LineMaterial } from 'three/examples/jsm/lines/LineMaterial.js';
import { LineSegments2 } from 'three/examples/jsm/lines/LineSegments2.js';
import { LineSegmentsGeometry } from 'three/examples/jsm/lines/LineSegmentsGeometry.js';
import type { Look } from './StageScene';
import type { StageColours } from '../model/colours';

/** What is drawn over the model: outlines of what is selected, a repair's preview, the evidence of a finding. */
export class Marks {
  readonly scene = new THREE.Scene();
  private readonly materials: LineMaterial[] = [];
  private readonly size = new THREE.Vector2(1, 1);
  private centre = new THREE.Vector3();

  resize(width: number, height: number) {
    this.size.set(width, height);
    for (const m of this.materials) m.resolution.copy(this.size);
  }

  /**
   * @param selected ends of the outlines of what is selected, in model coordinates
   * @param hovered those of what the pointer is on
   * @param centre the point of the model that the scene has as its origin
   */
  show(
    look: Look,
    selected: number[],
    hovered: number[],
    centre: THREE.Vector3,
    theme: StageColours,
  ) {
    for (const o of this.scene.children)
      ((o as THREE.Mesh).geometry as THREE.BufferGeometry).dispose();
    this.scene.clear();
    this.materials.length = 0;
    this.centre = centre;
    if (hovered.length) this.stroke(hovered, theme.accent, 2, 0.9);
    if (selected.length) {
      this.stroke(selected, theme.accent, 7, 0.5);
      this.stroke(selected, theme.ink, 2, 1);
    }
    if (look.preview?.length) {
      const lines: number[] = [];
      look.preview.forEach((r) => segments(r, lines));
      this.area(look.preview, theme.accent, 0.4);
      this.stroke(lines, theme.accent, 3, 1);
    }
    if (look.evidence) {
      const lines: number[] = [];
      look.evidence.areas.forEach((r) => segments(r, lines));
      look.evidence.lines.forEach((r) => segments(r, lines, false));
      this.area(look.evidence.areas, look.evidence.colour, 0.3);
      if (lines.length) this.stroke(lines, look.evidence.colour, 3, 1);
      for (const p of look.evidence.points) this.dot(p, look.evidence.colour);
    }
  }

  private local(list: number[]): Float32Array<ArrayBuffer> {
    const out = new Float32Array(list.length);
    const c = this.centre.toArray();
    for (let i = 0; i < list.length; i++) out[i] = list[i] - c[i % 3];
    return out;
  }

  private dot(p: number[], colour: string) {
    const dot = new THREE.Mesh(
      new THREE.SphereGeometry(0.09, 12, 8),
      new THREE.MeshBasicMaterial({ color: colour, depthTest: false }),
    );
    dot.position.fromArray(this.local(p));
    dot.renderOrder = 5;
    this.scene.add(dot);
  }

  private area(rings: number[][], colour: string, opacity: number) {
    const at: number[] = [];
    for (const r of rings)
      for (let i = 3; i + 5 < r.length; i += 3) at.push(...r.slice(0, 3), ...r.slice(i, i + 6));
    const g = new THREE.BufferGeometry().setAttribute(
      'position',
      new THREE.BufferAttribute(this.local(at), 3),
    );
    const m = new THREE.Mesh(
      g,
      new THREE.MeshBasicMaterial({
        color: colour,
        transparent: true,
        opacity,
        side: THREE.DoubleSide,
        depthTest: false,
      }),
    );
    m.renderOrder = 3;
    m.frustumCulled = false;
    this.scene.add(m);
  }

  private stroke(at: number[], colour: string, width: number, opacity: number) {
    const m = new LineMaterial({
      color: colour,
      linewidth: width,
      transparent: true,
      opacity,
      depthTest: false,
    });
    m.resolution.copy(this.size);
    this.materials.push(m);
    const l = new LineSegments2(new LineSegmentsGeometry().setPositions(this.local(at)), m);
    l.renderOrder = 4;
    l.frustumCulled = false;
    this.scene.add(l);
  }
}

function segments(ring: number[], out: number[], closed = true) {
  const n = ring.length / 3;
  for (let i = 0; i < (closed ? n : n - 1); i++) {
    const j = (i + 1) % n;
    out.push(
      ring[i * 3],
      ring[i * 3 + 1],
      ring[i * 3 + 2],
      ring[j * 3],
      ring[j * 3 + 1],
      ring[j * 3 + 2],
    );
  }
}
