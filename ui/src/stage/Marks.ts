import * as THREE from 'three';
import { LineMaterial } from 'three/examples/jsm/lines/LineMaterial.js';
import { LineSegments2 } from 'three/examples/jsm/lines/LineSegments2.js';
import { LineSegmentsGeometry } from 'three/examples/jsm/lines/LineSegmentsGeometry.js';
import type { Look } from './StageScene';
import type { Section } from './section';
import type { StageColours } from '../model/colours';

/** What is drawn over the model: the faces of a cut, outlines of what is selected, a repair's preview, the evidence of a finding. */
export class Marks {
  readonly scene = new THREE.Scene();
  private readonly marked = new THREE.Group();
  private readonly cutFaces = new THREE.Group();
  /** The planes that cut, in the scene, each with what it shows. */
  private cuts: { plane: THREE.Plane; face: THREE.Group }[] = [];
  private readonly size = new THREE.Vector2(1, 1);
  private centre = new THREE.Vector3();

  constructor() {
    this.scene.add(this.cutFaces, this.marked);
  }

  resize(width: number, height: number) {
    this.size.set(width, height);
    this.scene.traverse((o) => {
      if (o instanceof LineSegments2) o.material.resolution.copy(this.size);
    });
  }

  /**
   * Closes what is cut open.
   *
   * @param cuts planes in the scene, with what each shows
   * @param centre the point of the model that the scene has as its origin
   */
  close(
    cuts: { plane: THREE.Plane; section: Section }[],
    centre: THREE.Vector3,
    theme: StageColours,
  ) {
    this.centre = centre;
    dispose(this.cutFaces);
    this.cuts = cuts.map(({ plane, section }) => {
      const face = new THREE.Group();
      // what one plane shows, the others cut off
      const clips = cuts.map((c) => c.plane).filter((other) => other !== plane);
      if (section.fill.length) face.add(this.fill(section.fill, theme.cut, 0.62, 1, clips));
      if (section.lines.length) face.add(this.line(section.lines, theme.ink, 2.2, 1, 2, clips));
      this.cutFaces.add(face);
      return { plane, face };
    });
  }

  /** Shows the faces of those cuts that the camera looks at from where the model is cut away: nothing stands before these. */
  seenFrom(camera: THREE.Vector3) {
    for (const { plane, face } of this.cuts) face.visible = plane.distanceToPoint(camera) < 0;
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
    dispose(this.marked);
    this.centre = centre;
    if (hovered.length) this.stroke(hovered, theme.accent, 2, 0.9);
    if (selected.length) {
      this.stroke(selected, theme.accent, 7, 0.5);
      this.stroke(selected, theme.ink, 2, 1);
    }
    if (look.preview) this.compare(look.preview, theme);
    if (look.evidence) {
      const lines: number[] = [];
      look.evidence.areas.forEach((r) => segments(r, lines));
      look.evidence.lines.forEach((r) => segments(r, lines, false));
      this.area(look.evidence.areas, look.evidence.colour, 0.3);
      if (lines.length) this.stroke(lines, look.evidence.colour, 3, 1);
      for (const p of look.evidence.points) this.dot(p, look.evidence.colour);
    }
  }

  /** What a repair changes: over the building as it is what comes grows, over the building after it what was there fades. */
  private compare({ before, after, between }: NonNullable<Look['preview']>, theme: StageColours) {
    const came = Math.min(1, 2 * between);
    const stays = Math.min(1, 2 * (1 - between));
    const [was, is]: [number[], number[]] = [[], []];
    after.forEach((r) => segments(r, is));
    if (between > 0.5) {
      before.forEach((r) => segments(r, was));
      this.area(before, theme.ink, 0.25 * stays);
      if (was.length && stays > 0) this.stroke(was, theme.ink, 2, stays);
    } else {
      this.area(after, theme.accent, 0.4 * came);
    }
    if (is.length && came > 0) this.stroke(is, theme.accent, 3, came);
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
    this.marked.add(dot);
  }

  private area(rings: number[][], colour: string, opacity: number) {
    const at: number[] = [];
    for (const r of rings)
      for (let i = 3; i + 5 < r.length; i += 3) at.push(...r.slice(0, 3), ...r.slice(i, i + 6));
    this.marked.add(this.fill(at, colour, opacity, 3));
  }

  private fill(
    at: number[],
    colour: string,
    opacity: number,
    order: number,
    clippingPlanes: THREE.Plane[] = [],
  ): THREE.Mesh {
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
        clippingPlanes,
      }),
    );
    m.renderOrder = order;
    m.frustumCulled = false;
    return m;
  }

  private stroke(at: number[], colour: string, width: number, opacity: number) {
    this.marked.add(this.line(at, colour, width, opacity, 4));
  }

  private line(
    at: number[],
    colour: string,
    width: number,
    opacity: number,
    order: number,
    clippingPlanes: THREE.Plane[] = [],
  ): LineSegments2 {
    const m = new LineMaterial({
      color: colour,
      linewidth: width,
      transparent: true,
      opacity,
      depthTest: false,
      clipping: true,
      clippingPlanes,
    });
    m.resolution.copy(this.size);
    const l = new LineSegments2(new LineSegmentsGeometry().setPositions(this.local(at)), m);
    l.renderOrder = order;
    l.frustumCulled = false;
    return l;
  }
}

/** Empties a group and gives back what it is drawn from. */
function dispose(group: THREE.Group) {
  group.traverse((o) => {
    if (!(o instanceof THREE.Mesh)) return;
    o.geometry.dispose();
    (o.material as THREE.Material).dispose();
  });
  group.clear();
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
