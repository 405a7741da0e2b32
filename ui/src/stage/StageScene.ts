import * as THREE from 'three';
import { LineMaterial } from 'three/examples/jsm/lines/LineMaterial.js';
import { LineSegments2 } from 'three/examples/jsm/lines/LineSegments2.js';
import { LineSegmentsGeometry } from 'three/examples/jsm/lines/LineSegmentsGeometry.js';
import type { Model, Opening, Surface } from '../api';
import { EXPOSURES, OPENING_COLOURS } from '../words';
import { ViewControls } from './ViewControls';

/** One drawn object: a surface or an opening. */
interface Item {
  key: string;
  surface: string;
  exposure: string;
  level: number;
  firstVertex: number;
  vertices: number;
  firstEdge: number;
  edges: number;
  colour: THREE.Color;
  opacity: number;
  dashed: boolean;
  rings: number[][];
}

export interface Hit {
  key: string;
  surface: string;
  point: THREE.Vector3;
}

/** What the stage shows of the model. */
export interface Look {
  visible: (item: { key: string; surface: string; exposure: string }) => boolean;
  ghosted: ((item: { key: string; surface: string }) => boolean) | null;
  selection: string[];
  evidence: { areas: number[][]; lines: number[][]; points: number[][]; colour: string } | null;
  preview: number[][] | null;
  cut: [number, number] | null;
  sweep: THREE.Plane | null;
  apart: boolean;
}

const PAPER = new THREE.Color('#F6F4EE');
const INK = new THREE.Color('#1D2B2F');
const KELP = '#12645C';
const GHOST = 0.08;

/**
 * The model drawn in a handful of buffers: one mesh for what is solid, one for what is seen through, one set of edges. A change of
 * what is visible rewrites index buffers only.
 */
export class StageScene {
  readonly camera = new THREE.PerspectiveCamera(35, 1, 0.1, 5000);
  readonly items: Item[] = [];
  readonly controls: ViewControls;
  private readonly renderer: THREE.WebGLRenderer;
  private readonly scene = new THREE.Scene();
  private readonly solid: THREE.Mesh;
  private readonly clear: THREE.Mesh;
  private readonly edges: THREE.LineSegments;
  private readonly dashes: THREE.LineSegments;
  private readonly marks = new THREE.Group();
  private readonly lineMaterials: LineMaterial[] = [];
  private readonly clips: THREE.Plane[] = [];
  private basePositions = new Float32Array();
  private baseEdges = new Float32Array();
  private vertexItem = new Int32Array();
  private edgeItem = new Int32Array();
  private shown = new Uint8Array();
  private centre = new THREE.Vector3();
  private levels: number[] = [];
  private look: Look | null = null;
  private pending = false;
  box = new THREE.Box3();
  onFrame: (() => void) | null = null;

  constructor(canvas: HTMLCanvasElement) {
    this.renderer = new THREE.WebGLRenderer({
      canvas,
      antialias: true,
      preserveDrawingBuffer: true,
    });
    this.renderer.setPixelRatio(Math.min(devicePixelRatio, 2));
    this.renderer.localClippingEnabled = true;
    this.scene.background = PAPER;
    this.camera.up.set(0, 0, 1);
    const sky = new THREE.HemisphereLight('#ffffff', '#b9b2a3', 2.4);
    sky.position.set(0, 0, 1);
    const sun = new THREE.DirectionalLight('#ffffff', 1.1);
    sun.position.set(-3, -5, 8);
    this.scene.add(sky, sun);
    const faces = {
      vertexColors: true,
      side: THREE.DoubleSide,
      clippingPlanes: this.clips,
      polygonOffset: true,
      polygonOffsetFactor: 1,
      polygonOffsetUnits: 1,
    };
    this.solid = new THREE.Mesh(new THREE.BufferGeometry(), new THREE.MeshLambertMaterial(faces));
    this.clear = new THREE.Mesh(
      new THREE.BufferGeometry(),
      new THREE.MeshLambertMaterial({ ...faces, transparent: true, depthWrite: false }),
    );
    this.clear.renderOrder = 1;
    const line = { vertexColors: true, transparent: true, clippingPlanes: this.clips };
    this.edges = new THREE.LineSegments(
      new THREE.BufferGeometry(),
      new THREE.LineBasicMaterial(line),
    );
    this.dashes = new THREE.LineSegments(
      new THREE.BufferGeometry(),
      new THREE.LineDashedMaterial({
        color: INK,
        dashSize: 0.25,
        gapSize: 0.18,
        clippingPlanes: this.clips,
      }),
    );
    this.edges.renderOrder = 2;
    this.dashes.renderOrder = 2;
    for (const o of [this.solid, this.clear, this.edges, this.dashes]) o.frustumCulled = false;
    this.scene.add(this.solid, this.clear, this.edges, this.dashes, this.marks);
    this.controls = new ViewControls(
      this.camera,
      canvas,
      (p) => this.pick(p)?.point ?? null,
      () => this.request(),
    );
  }

  dispose() {
    this.controls.dispose();
    this.renderer.dispose();
  }

  request() {
    if (this.pending) return;
    this.pending = true;
    requestAnimationFrame(() => {
      this.pending = false;
      this.renderer.render(this.scene, this.camera);
      this.onFrame?.();
    });
  }

  resize(width: number, height: number) {
    this.renderer.setSize(width, height, false);
    this.camera.aspect = width / Math.max(1, height);
    this.camera.updateProjectionMatrix();
    for (const m of this.lineMaterials) m.resolution.set(width, height);
    this.request();
  }

  /** Takes over a model; the view stays when the building is the same. */
  setModel(model: Model) {
    const first = this.items.length === 0;
    this.items.length = 0;
    const levelOf = new Map(model.storeys.map((s, i) => [s.key, i]));
    this.levels = model.storeys.map((s) => s.level ?? 0);
    const positions: number[] = [];
    const edges: number[] = [];
    const add = (
      o: Surface | Opening,
      surface: string,
      exposure: string,
      level: number,
      colour: string,
      opacity: number,
      cross: boolean,
    ) => {
      const item: Item = {
        key: o.key,
        surface,
        exposure,
        level,
        firstVertex: positions.length / 3,
        vertices: o.triangles.length / 3,
        firstEdge: edges.length / 3,
        edges: 0,
        colour: new THREE.Color(colour),
        opacity,
        dashed: exposure === 'none',
        rings: o.rings,
      };
      positions.push(...o.triangles);
      for (const ring of o.rings) segments(ring, edges);
      if (cross && o.rings[0]?.length === 12) {
        const r = o.rings[0];
        edges.push(...r.slice(0, 3), ...r.slice(6, 9), ...r.slice(3, 6), ...r.slice(9, 12));
      }
      item.edges = edges.length / 3 - item.firstEdge;
      this.items.push(item);
    };
    for (const s of model.surfaces) {
      const e = EXPOSURES.find((x) => x.key === s.exposure) ?? EXPOSURES[6];
      const level = s.storey == null ? -1 : (levelOf.get(s.storey) ?? -1);
      add(s, s.key, s.exposure, level, e.colour, e.opacity, false);
      for (const o of s.openings) {
        if (o.type === 'Air')
          add({ ...o, triangles: [] }, s.key, s.exposure, level, '#ffffff', 1, false);
        else
          add(
            o,
            s.key,
            s.exposure,
            level,
            o.glazed ? OPENING_COLOURS.glazed : OPENING_COLOURS.door,
            1,
            o.glazed,
          );
      }
    }
    for (const o of model.orphans) add(o, o.key, 'unresolved', -1, '#C2185B', 1, o.glazed);
    this.box.setFromArray(positions);
    if (first) this.box.getCenter(this.centre);
    this.basePositions = this.local(positions);
    this.baseEdges = this.local(edges);
    this.vertexItem = new Int32Array(positions.length / 3);
    this.edgeItem = new Int32Array(edges.length / 3);
    this.items.forEach((it, i) => {
      this.vertexItem.fill(i, it.firstVertex, it.firstVertex + it.vertices);
      this.edgeItem.fill(i, it.firstEdge, it.firstEdge + it.edges);
    });
    this.shown = new Uint8Array(this.items.length);
    if (this.look) this.setLook(this.look);
    if (first) this.viewFrom(-0.65, -1, 0.62);
  }

  private local(list: number[]): Float32Array<ArrayBuffer> {
    const out = new Float32Array(list.length);
    for (let i = 0; i < list.length; i += 3) {
      out[i] = list[i] - this.centre.x;
      out[i + 1] = list[i + 1] - this.centre.y;
      out[i + 2] = list[i + 2] - this.centre.z;
    }
    return out;
  }

  /** Height added to the objects of a storey when the storeys are pulled apart. */
  private lift(level: number): number {
    if (!this.look?.apart || level < 0) return 0;
    const lower = this.levels.filter((z) => z < this.levels[level]).length;
    return lower * 4;
  }

  setLook(look: Look) {
    this.look = look;
    const positions = this.basePositions.slice();
    const edgePositions = this.baseEdges.slice();
    const colours = new Float32Array((positions.length / 3) * 4);
    const edgeColours = new Float32Array((edgePositions.length / 3) * 4);
    const solid: number[] = [];
    const clear: number[] = [];
    const lines: number[] = [];
    const dashes: number[] = [];
    this.items.forEach((it, i) => {
      const visible = look.visible(it);
      const ghost = visible && (look.ghosted?.(it) ?? false);
      this.shown[i] = visible && !ghost ? 1 : 0;
      if (!visible) return;
      const up = this.lift(it.level);
      const alpha = ghost ? GHOST : it.opacity;
      for (let v = it.firstVertex; v < it.firstVertex + it.vertices; v++) {
        positions[v * 3 + 2] += up;
        colours.set([it.colour.r, it.colour.g, it.colour.b, alpha], v * 4);
        (alpha < 1 ? clear : solid).push(v);
      }
      for (let v = it.firstEdge; v < it.firstEdge + it.edges; v++) {
        edgePositions[v * 3 + 2] += up;
        edgeColours.set([INK.r, INK.g, INK.b, ghost ? 0.12 : 0.75], v * 4);
        (it.dashed && !ghost ? dashes : lines).push(v);
      }
    });
    this.fill(this.solid, positions, colours, solid);
    this.fill(this.clear, positions, colours, clear);
    this.fillLines(this.edges, edgePositions, edgeColours, lines);
    // dashes need distances along each line, which an index does not allow
    const dashed = new Float32Array(dashes.length * 3);
    dashes.forEach((v, i) => dashed.set(edgePositions.subarray(v * 3, v * 3 + 3), i * 3));
    this.dashes.geometry.dispose();
    this.dashes.geometry = new THREE.BufferGeometry().setAttribute(
      'position',
      new THREE.BufferAttribute(dashed, 3),
    );
    this.dashes.computeLineDistances();
    this.clips.length = 0;
    if (look.cut) {
      this.clips.push(
        new THREE.Plane(new THREE.Vector3(0, 0, -1), look.cut[1] - this.centre.z),
        new THREE.Plane(new THREE.Vector3(0, 0, 1), this.centre.z - look.cut[0]),
      );
    }
    if (look.sweep) this.clips.push(look.sweep.clone().translate(this.centre.clone().negate()));
    this.mark(look);
    this.request();
  }

  private fill(
    mesh: THREE.Mesh,
    positions: Float32Array<ArrayBuffer>,
    colours: Float32Array<ArrayBuffer>,
    index: number[],
  ) {
    mesh.geometry.dispose();
    const g = new THREE.BufferGeometry();
    g.setAttribute('position', new THREE.BufferAttribute(positions, 3));
    g.setAttribute('color', new THREE.BufferAttribute(colours, 4));
    g.setIndex(index);
    g.computeVertexNormals();
    mesh.geometry = g;
  }

  private fillLines(
    lines: THREE.LineSegments,
    positions: Float32Array<ArrayBuffer>,
    colours: Float32Array<ArrayBuffer>,
    index: number[],
  ) {
    lines.geometry.dispose();
    const g = new THREE.BufferGeometry();
    g.setAttribute('position', new THREE.BufferAttribute(positions, 3));
    g.setAttribute('color', new THREE.BufferAttribute(colours, 4));
    g.setIndex(index);
    lines.geometry = g;
  }

  /** Outlines of what is selected, and the evidence of a finding. */
  private mark(look: Look) {
    for (const o of this.marks.children)
      ((o as THREE.Mesh).geometry as THREE.BufferGeometry).dispose();
    this.marks.clear();
    this.lineMaterials.length = 0;
    const chosen = new Set(look.selection);
    const outline: number[] = [];
    this.items.forEach((it) => {
      if (chosen.has(it.key)) {
        const from = outline.length;
        for (const r of it.rings) segments(r, outline);
        const up = this.lift(it.level);
        for (let i = from + 2; i < outline.length; i += 3) outline[i] += up;
      }
    });
    if (outline.length) {
      this.stroke(outline, KELP, 7, 0.45);
      this.stroke(outline, '#1D2B2F', 2, 1);
    }
    if (look.preview?.length) {
      const lines: number[] = [];
      look.preview.forEach((r) => segments(r, lines));
      this.area(look.preview, KELP, 0.4);
      this.stroke(lines, KELP, 3, 1);
    }
    if (look.evidence) {
      const lines: number[] = [];
      look.evidence.areas.forEach((r) => segments(r, lines));
      look.evidence.lines.forEach((r) => segments(r, lines, false));
      this.area(look.evidence.areas, look.evidence.colour, 0.3);
      if (lines.length) this.stroke(lines, look.evidence.colour, 3, 1);
      for (const p of look.evidence.points) {
        const dot = new THREE.Mesh(
          new THREE.SphereGeometry(0.09, 12, 8),
          new THREE.MeshBasicMaterial({ color: look.evidence.colour, depthTest: false }),
        );
        dot.position.fromArray(this.local(p) as unknown as number[]);
        dot.renderOrder = 5;
        this.marks.add(dot);
      }
    }
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
    this.marks.add(m);
  }

  private stroke(at: number[], colour: string, width: number, opacity: number) {
    const m = new LineMaterial({
      color: colour,
      linewidth: width,
      transparent: true,
      opacity,
      depthTest: false,
    });
    const size = this.renderer.getSize(new THREE.Vector2());
    m.resolution.copy(size);
    this.lineMaterials.push(m);
    const l = new LineSegments2(new LineSegmentsGeometry().setPositions(this.local(at)), m);
    l.renderOrder = 4;
    l.frustumCulled = false;
    this.marks.add(l);
  }

  private ray(p: THREE.Vector2): THREE.Raycaster {
    const caster = new THREE.Raycaster();
    caster.setFromCamera(p, this.camera);
    return caster;
  }

  /** The nearest shown object under a place given in device coordinates (−1 to 1). */
  pick(p: THREE.Vector2): Hit | null {
    const hits = this.ray(p).intersectObjects([this.solid, this.clear], false);
    for (const h of hits) {
      if (!h.face || this.clips.some((c) => c.distanceToPoint(h.point) < 0)) continue;
      const i = this.vertexItem[h.face.a];
      if (this.shown[i])
        return { key: this.items[i].key, surface: this.items[i].surface, point: h.point };
    }
    return null;
  }

  /** The corner or edge nearest to a place on the screen, within a few pixels; else the point on the face. */
  snap(
    p: THREE.Vector2,
    width: number,
    height: number,
  ): { point: THREE.Vector3; kind: 'corner' | 'edge' | 'face' } | null {
    const at = (i: number) => new THREE.Vector3().fromArray(this.baseEdges, i * 3);
    const screen = (v: THREE.Vector3) => {
      const q = v.clone().project(this.camera);
      return q.z > 1
        ? null
        : new THREE.Vector2(((q.x - p.x) * width) / 2, ((q.y - p.y) * height) / 2);
    };
    let best: { point: THREE.Vector3; kind: 'corner' | 'edge' } | null = null;
    let corner = 11;
    let edge = 8;
    for (let i = 0; i < this.edgeItem.length; i += 2) {
      if (!this.shown[this.edgeItem[i]]) continue;
      const a = at(i);
      const b = at(i + 1);
      if (this.clips.some((c) => c.distanceToPoint(a) < -1e-6 && c.distanceToPoint(b) < -1e-6))
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
    if (best) return best;
    const hit = this.pick(p);
    return hit ? { point: hit.point, kind: 'face' } : null;
  }

  /** Keys of shown objects whose middle lies in a rectangle of device coordinates. */
  within(a: THREE.Vector2, b: THREE.Vector2): string[] {
    const lo = a.clone().min(b);
    const hi = a.clone().max(b);
    const out: string[] = [];
    this.items.forEach((it, i) => {
      if (!this.shown[i] || it.key !== it.surface || !it.vertices) return;
      const m = new THREE.Vector3();
      for (let v = it.firstVertex; v < it.firstVertex + it.vertices; v++)
        m.add(new THREE.Vector3().fromArray(this.basePositions, v * 3));
      m.divideScalar(it.vertices).project(this.camera);
      if (m.z < 1 && m.x >= lo.x && m.x <= hi.x && m.y >= lo.y && m.y <= hi.y) out.push(it.key);
    });
    return out;
  }

  toScreen(point: THREE.Vector3, width: number, height: number): { x: number; y: number } {
    const q = point.clone().project(this.camera);
    return { x: ((q.x + 1) * width) / 2, y: ((1 - q.y) * height) / 2 };
  }

  /** A point of the drawing in model coordinates. */
  world(point: THREE.Vector3): THREE.Vector3 {
    return point.clone().add(this.centre);
  }

  boxOf(keys: string[] | null): THREE.Box3 {
    const chosen = keys && new Set(keys);
    const box = new THREE.Box3();
    this.items.forEach((it) => {
      // the whole is the building: what shades it may stand far away
      if (chosen ? !chosen.has(it.key) : it.exposure === 'shade') return;
      for (const r of it.rings)
        for (let i = 0; i < r.length; i += 3)
          box.expandByPoint(new THREE.Vector3(r[i], r[i + 1], r[i + 2]));
    });
    return box;
  }

  /** Moves the camera so that the objects (or everything) fill the stage. */
  frame(keys: string[] | null) {
    const box = this.boxOf(keys);
    if (!box.isEmpty())
      this.controls.frame(box.translate(this.centre.clone().negate()), keys ? 1.9 : 1.3);
  }

  frameBox(box: THREE.Box3) {
    this.controls.frame(box.clone().translate(this.centre.clone().negate()), 1.7);
  }

  /** Looks at the whole from a direction. */
  viewFrom(x: number, y: number, z: number) {
    this.controls.look(new THREE.Vector3(x, y, z));
    this.frame(null);
  }

  /** The direction the camera looks, in degrees clockwise from the model's +y axis. */
  heading(): number {
    const d = this.camera.getWorldDirection(new THREE.Vector3());
    const flat =
      Math.hypot(d.x, d.y) > 1e-3
        ? d
        : this.camera.up.clone().applyQuaternion(this.camera.quaternion);
    return (Math.atan2(flat.x, flat.y) * 180) / Math.PI;
  }

  /** For tests: what is drawn and where an object is on the screen. */
  probe(width: number, height: number) {
    return {
      shown: this.items.filter((_, i) => this.shown[i]).map((it) => it.key),
      camera: this.camera.position.toArray(),
      screen: (key: string) => {
        const box = this.boxOf([key]);
        return this.toScreen(box.getCenter(new THREE.Vector3()).sub(this.centre), width, height);
      },
    };
  }
}

/** Appends a ring's edges as pairs of points. */
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
