import * as THREE from 'three';
import { type Drawing, type Item, Picking } from './drawing';
import { boxAround, corners, wholeOf } from './extent';
import { Marks } from './Marks';
import { Painter } from './Painter';
import { type Hit, Probe } from './Probe';
import { chosen, FAINT, FIRM, NONE } from './choice';
import { ViewControls } from './ViewControls';
import { STAGE, type StageColours } from '../model/colours';
import { makeLayers } from './layers';
import type { Point } from '../shared/geometry';
import { type Section, sectionOf } from './section';
import type { Volume } from './volumes';
import { dye, raw, shadowMatrix, shared, styleOf } from './material';

/** What the stage shows of the model. */
export interface Look {
  visible: (item: Item) => boolean;
  ghosted: ((item: Item) => boolean) | null;
  selection: string[];
  evidence: { areas: number[][]; lines: number[][]; points: number[][]; colour: string } | null;
  preview: number[][] | null;
  cut: [number, number] | null;
  sweep: THREE.Plane | null;
  apart: boolean;
}

const GHOST = 0.08;

/** Drawings of more items than this are drawn piece by piece, and only what is large enough on the screen. */
const MANY_ITEMS = 10_000;
/** Time in milliseconds without movement after which all is drawn. */
const REST = 120;
/** What of a look changes the picture beneath the marks. */
const PICTURE = ['visible', 'ghosted', 'cut', 'sweep', 'apart'] as const;

const NOTHING: Drawing = {
  items: [],
  origin: [0, 0, 0],
  positions: new Float32Array(),
  triangles: new Uint32Array(),
  lines: new Uint32Array(),
  levels: [],
};

/**
 * The model drawn in a handful of buffers: one mesh for what is solid, one for what is seen through, one set of edges. Positions are sent
 * once; a change of what is visible rewrites lists of vertex numbers only.
 */
export class StageScene {
  readonly camera = new THREE.PerspectiveCamera(35, 1, 0.1, 5000);
  readonly controls: ViewControls;
  private readonly renderer: THREE.WebGLRenderer;
  private readonly painter: Painter;
  private readonly scene = new THREE.Scene();
  private readonly solid: THREE.Mesh;
  private readonly clear: THREE.Mesh;
  private readonly edges: THREE.LineSegments;
  private readonly faintEdges: THREE.LineSegments;
  private readonly dashes: THREE.LineSegments;
  private readonly shadow: THREE.Mesh;
  private readonly marks = new Marks();
  private readonly shared = shared();
  private theme: StageColours = STAGE.paper;
  private hovered: string | null = null;
  /** What was framed last. */
  private framed: { points: number[]; slack: number; whole: boolean } | null = null;
  private readonly clips: THREE.Plane[] = [];
  private drawing: Drawing = NOTHING;
  private picking = new Picking(NOTHING);
  private colours = new Uint8Array();
  private shown = new Uint8Array();
  private volumes: Volume[] = [];
  private cuts: { plane: THREE.Plane; section: Section }[] = [];
  private centre = new THREE.Vector3();
  private lifts: number[] = [];
  /** Which faces and which edges an item has, by its place. */
  private facing = new Int8Array();
  private lining = new Int8Array();
  /** What the colours were made for. */
  private painted: Drawing | null = null;
  /** The items as they are coloured, and how firmly. */
  private wearing: Item[] = [];
  private alphas = new Uint8Array();
  /** The geometry has changed since items were chosen, or the storeys have moved. */
  private anew = true;
  private ghosted: Look['ghosted'] = null;
  private settling: ReturnType<typeof setTimeout> | undefined;
  /** The camera has moved since the items were chosen. */
  private stale = false;
  private placed = false;
  private lifted = false;
  private look: Look | null = null;
  private pending = false;
  private readonly listeners = new Set<() => void>();

  /**
   * @param canvas where it is drawn and where the pointer is heard
   */
  constructor(canvas: HTMLCanvasElement) {
    this.renderer = new THREE.WebGLRenderer({ canvas, antialias: true });
    this.renderer.setPixelRatio(Math.min(devicePixelRatio, 2));
    this.renderer.localClippingEnabled = true;
    this.camera.up.set(0, 0, 1);
    const layers = makeLayers(this.shared, this.clips);
    ({
      shadow: this.shadow,
      solid: this.solid,
      clear: this.clear,
      edges: this.edges,
      faintEdges: this.faintEdges,
      dashes: this.dashes,
    } = layers);
    this.scene.add(...Object.values(layers));
    this.painter = new Painter(
      this.renderer,
      this.camera,
      this.scene,
      this.marks.scene,
      this.shared.grain,
    );
    this.setTheme(this.theme);
    this.controls = new ViewControls(
      this.camera,
      canvas,
      (p) => this.pick(p)?.point ?? null,
      () => this.moved(),
    );
  }

  /** Paper, ink and accent of a theme. */
  setTheme(theme: StageColours) {
    this.theme = theme;
    dye(this.shared, theme);
    for (const o of [this.edges, this.faintEdges, this.dashes])
      (o.material as THREE.LineBasicMaterial).color.copy(raw(theme.ink));
    const shadow = this.shadow.material as THREE.MeshBasicMaterial;
    shadow.color.copy(raw(theme.dark));
    shadow.opacity = theme.shadow;
    if (this.look) {
      this.close(this.look);
      this.mark(this.look);
    }
    this.painter.setPaper(theme.paper);
    this.rest();
    this.request();
  }

  dispose() {
    clearTimeout(this.settling);
    this.controls.dispose();
    this.painter.dispose();
    this.renderer.dispose();
    // a browser allows a page few drawing contexts, and gives back that of a canvas which is gone only late
    const { domElement } = this.renderer;
    setTimeout(() => {
      if (!domElement.isConnected) this.renderer.forceContextLoss();
    });
  }

  /** Draws all at once and copies it, for what cannot wait for frames. */
  drawOnto(canvas: HTMLCanvasElement) {
    if (this.stale && this.look) this.choose();
    this.stale = false;
    this.painter.settle();
    this.marks.seenFrom(this.camera.position);
    while (this.painter.frame());
    const { domElement } = this.renderer;
    canvas.width = domElement.width;
    canvas.height = domElement.height;
    canvas.getContext('2d')?.drawImage(domElement, 0, 0);
  }

  /** Calls a function after each frame, until what it gives back is called. */
  eachFrame(hear: () => void): () => void {
    this.listeners.add(hear);
    hear();
    return () => this.listeners.delete(hear);
  }

  request() {
    if (this.pending) return;
    this.pending = true;
    requestAnimationFrame(() => {
      this.pending = false;
      this.marks.seenFrom(this.camera.position);
      if (this.painter.frame()) this.request();
      this.listeners.forEach((hear) => hear());
    });
  }

  resize(width: number, height: number) {
    this.renderer.setSize(width, height, false);
    this.camera.aspect = width / Math.max(1, height);
    this.camera.updateProjectionMatrix();
    this.marks.resize(width, height);
    this.painter.resize();
    // what was framed fills the stage still
    if (this.framed && this.controls.untouched)
      this.fill(this.framed.points, this.framed.slack, null, this.framed.whole);
    this.rest();
    this.request();
  }

  /**
   * Takes over a drawing; the view stays where it is, unless this is the first.
   *
   * @param ground height of the ground in metres
   * @param volumes the spaces that the drawing closes
   */
  setDrawing(drawing: Drawing, ground: number, volumes: Volume[]) {
    this.volumes = volumes;
    const before = this.drawing.positions;
    const moved =
      drawing.positions === before
        ? []
        : drawing.since?.was === before
          ? drawing.since.moved
          : null;
    this.drawing = drawing;
    if (moved && !this.look?.apart) {
      this.picking.redress(drawing, moved);
      this.move(moved);
      this.stand(ground);
      const style = this.solid.geometry.getAttribute('style') as THREE.BufferAttribute;
      (style.array as Uint8Array).set(stylesOf(drawing));
      style.needsUpdate = true;
      if (this.look) this.setLook(this.look);
      return;
    }
    this.shown = new Uint8Array(drawing.items.length);
    this.facing = new Int8Array(drawing.items.length);
    this.lining = new Int8Array(drawing.items.length);
    this.alphas = new Uint8Array(drawing.items.length);
    this.wearing = [];
    this.anew = true;
    this.picking = new Picking(drawing);
    this.lifts = drawing.levels.map((z) => 4 * drawing.levels.filter((x) => x < z).length);
    const o = new THREE.Vector3().fromArray(drawing.origin);
    if (!this.placed && drawing.items.length) this.centre.copy(o);
    this.lifted = false;
    const n = drawing.positions.length / 3;
    this.colours = new Uint8Array(n * 4);
    const position = new THREE.BufferAttribute(drawing.positions.slice(), 3);
    const colour = new THREE.BufferAttribute(this.colours, 4, true);
    const style = new THREE.BufferAttribute(stylesOf(drawing), 1);
    for (const m of [this.solid, this.clear]) {
      m.geometry.dispose();
      m.geometry = new THREE.BufferGeometry()
        .setAttribute('position', position)
        .setAttribute('color', colour)
        .setAttribute('style', style);
      m.geometry.setIndex(new THREE.BufferAttribute(new Uint32Array(drawing.triangles.length), 1));
    }
    for (const l of [this.edges, this.faintEdges]) {
      l.geometry.dispose();
      l.geometry = new THREE.BufferGeometry().setAttribute('position', position);
      l.geometry.setIndex(new THREE.BufferAttribute(new Uint32Array(drawing.lines.length), 1));
    }
    for (const m of [this.solid, this.clear, this.edges, this.faintEdges])
      m.position.copy(o).sub(this.centre);
    this.shadow.geometry = this.solid.geometry;
    this.stand(ground);
    if (this.look) this.setLook(this.look);
    if (!this.placed && drawing.items.length) {
      this.placed = true;
      this.viewFrom(-0.65, -1, 0.62);
    } else if (this.framed?.whole && this.controls.untouched) {
      // nobody has turned to anything else: another subject is seen whole too
      this.frame(null);
    }
  }

  private stand(ground: number) {
    const flat = ground - this.centre.z;
    this.shared.ground.value = flat;
    this.shadow.matrix.makeTranslation(this.solid.position).premultiply(shadowMatrix(flat - 0.02));
  }

  /** Takes over where the corners of some items are now. */
  private move(items: number[]) {
    if (!items.length) return;
    this.anew = true;
    const at = this.solid.geometry.getAttribute('position') as THREE.BufferAttribute;
    for (const i of items) {
      const { firstVertex, vertices } = this.drawing.items[i];
      const [from, to] = [3 * firstVertex, 3 * (firstVertex + vertices)];
      (at.array as Float32Array).set(this.drawing.positions.subarray(from, to), from);
    }
    at.needsUpdate = true;
  }

  /** Height added to the objects of a storey when the storeys are pulled apart. */
  private lift = (it: Item): number =>
    this.look?.apart && it.level >= 0 ? this.lifts[it.level] : 0;

  /** Moves the storeys' vertices when they are pulled apart or put together. */
  private raise(apart: boolean) {
    if (apart === this.lifted) return;
    this.lifted = apart;
    this.anew = true;
    const at = this.solid.geometry.getAttribute('position') as THREE.BufferAttribute;
    const list = at.array as Float32Array;
    list.set(this.drawing.positions);
    for (const it of this.drawing.items) {
      const up = this.lift(it);
      if (up)
        for (let v = it.firstVertex; v < it.firstVertex + it.vertices; v++) list[v * 3 + 2] += up;
    }
    at.needsUpdate = true;
  }

  setLook(look: Look) {
    const before = this.look;
    this.look = look;
    const d = this.drawing;
    const repaint = this.painted !== d || this.ghosted !== look.ghosted;
    this.painted = d;
    this.ghosted = look.ghosted;
    if (repaint || before?.visible !== look.visible || before.apart !== look.apart)
      this.sort(look, repaint);
    this.clip(look);
    if (repaint || !before || PICTURE.some((k) => before[k] !== look[k])) this.close(look);
    this.mark(look);
    if (repaint || !before || PICTURE.some((k) => before[k] !== look[k])) {
      this.painter.disturb(false);
      this.rest();
    }
    this.request();
  }

  /** What is shown, what of it firmly and what faintly. */
  private sort(look: Look, repaint: boolean) {
    const d = this.drawing;
    this.raise(look.apart);
    const were = [this.facing.slice(), this.lining.slice()];
    this.facing.fill(NONE);
    this.lining.fill(NONE);
    const dashes: number[] = [];
    const paint = new Map<string, THREE.Color>();
    let painted = false;
    d.items.forEach((it, i) => {
      const visible = look.visible(it);
      const ghost = visible && (look.ghosted?.(it) ?? false);
      this.shown[i] = visible && !ghost && !it.backdrop ? 1 : 0;
      const alpha = Math.round(255 * (ghost ? GHOST : it.opacity));
      // what looks as it did has its colour already
      if (repaint && (this.wearing[i] !== it || this.alphas[i] !== alpha)) {
        this.paint(it, alpha, paint);
        this.wearing[i] = it;
        this.alphas[i] = alpha;
        painted = true;
      }
      if (!visible) return;
      this.facing[i] = alpha < 255 ? FAINT : FIRM;
      this.lining[i] = ghost || it.faint ? FAINT : it.dashed ? NONE : FIRM;
      if (this.lining[i] === NONE)
        dashes.push(...d.lines.subarray(it.firstLine * 2, (it.firstLine + it.lines) * 2));
    });
    if (this.anew || !alike(were, [this.facing, this.lining])) {
      this.choose();
      this.dash(dashes);
    }
    this.anew = false;
    const colour = this.solid.geometry.getAttribute('color');
    if (colour && painted) colour.needsUpdate = true;
  }

  private clip(look: Look) {
    this.clips.length = 0;
    // a building that is cut or pulled apart throws no shadow; very large ones are drawn piece by piece
    this.shadow.visible = !look.cut && !look.sweep && !look.apart && !look.ghosted && !this.many;
    if (look.cut) {
      this.clips.push(
        new THREE.Plane(new THREE.Vector3(0, 0, -1), look.cut[1] - this.centre.z),
        new THREE.Plane(new THREE.Vector3(0, 0, 1), this.centre.z - look.cut[0]),
      );
    }
    if (look.sweep) this.clips.push(look.sweep.clone().translate(this.centre.clone().negate()));
  }

  /** Closes the spaces that are cut open; not where all but the place of a finding is faint, or storeys stand apart. */
  private close(look: Look) {
    const cuts = look.apart || look.ghosted ? [] : this.clips;
    const seen = (i: number) => this.shown[i] > 0;
    this.cuts = cuts.map((plane) => ({
      plane,
      section: sectionOf(
        this.drawing,
        this.picking.boxes,
        this.volumes,
        plane.clone().translate(this.centre),
        seen,
      ),
    }));
    this.marks.close(this.cuts, this.centre, this.theme);
  }

  /** Where on a cut that the camera looks at the name of a space can stand; null where it is not cut. */
  placeOnCut(space: string): { place: Point; room: number } | null {
    const cut = this.cuts.find(
      (c) => c.plane.distanceToPoint(this.camera.position) < 0 && c.section.closed.has(space),
    );
    return cut?.section.closed.get(space) ?? null;
  }

  private paint(it: Item, alpha: number, known: Map<string, THREE.Color>) {
    let c = known.get(it.colour);
    if (!c) known.set(it.colour, (c = raw(it.colour)));
    const [r, g, b] = [c.r * 255, c.g * 255, c.b * 255];
    for (let v = it.firstVertex * 4; v < (it.firstVertex + it.vertices) * 4; v += 4) {
      this.colours[v] = r;
      this.colours[v + 1] = g;
      this.colours[v + 2] = b;
      this.colours[v + 3] = alpha;
    }
  }

  /** Faces and edges of what is shown; of very many items only of those large enough on the screen. */
  private choose() {
    const height = this.renderer.getSize(new THREE.Vector2()).y;
    const eye = this.many
      ? {
          at: this.camera.position.clone().sub(this.solid.position),
          scale: height / (2 * Math.tan((this.camera.fov * Math.PI) / 360)),
        }
      : null;
    const meshes = [this.solid, this.clear, this.edges, this.faintEdges];
    const into = meshes.map((m) => m.geometry.getIndex()?.array as Uint32Array | undefined);
    const upTo = chosen(this.drawing, this.picking.boxes, this.facing, this.lining, eye, into);
    for (const [m, object] of meshes.entries()) {
      const n = upTo[m][upTo[m].length - 1];
      object.geometry.setDrawRange(0, n);
      object.visible = n > 0;
      const index = object.geometry.getIndex();
      if (!index || !n) continue;
      index.clearUpdateRanges();
      index.addUpdateRange(0, n);
      index.needsUpdate = true;
    }
    this.painter.setParts(eye && meshes.map((object, m) => ({ object, upTo: upTo[m] })));
  }

  private get many(): boolean {
    return this.drawing.items.length > MANY_ITEMS;
  }

  /** The camera has moved: of very many, other items are large enough now. */
  private moved() {
    this.painter.disturb(true);
    this.rest(this.many);
    this.request();
  }

  /** Draws all when nothing has moved for a while. */
  private rest(anew = false) {
    if (anew) this.stale = true;
    clearTimeout(this.settling);
    this.settling = setTimeout(() => {
      if (this.stale && this.look) this.choose();
      this.stale = false;
      this.painter.settle();
      this.request();
    }, REST);
  }

  /** Dashes need distances along each line, which an index does not allow. */
  private dash(ends: number[]) {
    const position = this.solid.geometry.getAttribute('position');
    const at = new Float32Array(ends.length * 3);
    ends.forEach((v, i) => {
      at[i * 3] = position.getX(v);
      at[i * 3 + 1] = position.getY(v);
      at[i * 3 + 2] = position.getZ(v);
    });
    this.dashes.geometry.dispose();
    this.dashes.geometry = new THREE.BufferGeometry().setAttribute(
      'position',
      new THREE.BufferAttribute(at, 3),
    );
    this.dashes.position.copy(this.solid.position);
    this.dashes.visible = ends.length > 0;
    this.dashes.computeLineDistances();
  }

  /** The ends of an item's outline in model coordinates. */
  private outline(it: Item, out: number[]) {
    const { lines, positions, origin } = this.drawing;
    const up = this.lift(it);
    for (let e = it.firstLine * 2; e < (it.firstLine + it.outline) * 2; e++) {
      const v = lines[e] * 3;
      out.push(
        positions[v] + origin[0],
        positions[v + 1] + origin[1],
        positions[v + 2] + origin[2] + up,
      );
    }
  }

  private mark(look: Look) {
    const chosen = new Set(look.selection);
    const outline: number[] = [];
    const hover: number[] = [];
    for (const it of this.drawing.items) {
      if (chosen.has(it.key)) this.outline(it, outline);
      else if (it.key === this.hovered) this.outline(it, hover);
    }
    this.marks.show(look, outline, hover, this.centre, this.theme);
  }

  /** Draws a fine outline around what the pointer is on. */
  setHover(key: string | null) {
    if (key === this.hovered) return;
    this.hovered = key;
    if (this.look) this.mark(this.look);
    this.request();
  }

  /** The nearest shown object under a place given in device coordinates (−1 to 1). */
  pick(p: THREE.Vector2): Hit | null {
    return this.probing().pick(p);
  }

  /** What lies under the pointer, or in a rectangle of the screen. */
  probing(): Probe {
    return new Probe({
      camera: this.camera,
      drawing: this.drawing,
      picking: this.picking,
      shown: this.shown,
      clips: this.clips,
      offset: this.solid.position,
      lift: this.lift,
    });
  }

  toScreen(point: THREE.Vector3, width: number, height: number): { x: number; y: number } {
    const q = point.clone().project(this.camera);
    return { x: ((q.x + 1) * width) / 2, y: ((1 - q.y) * height) / 2 };
  }

  /** Where a point of the model is on the screen, and how large a pixel is there; null behind the camera or where it is cut away. */
  seenAt(p: Point, width: number, height: number) {
    const at = new THREE.Vector3(p.x, p.y, p.z).sub(this.centre);
    const away = at
      .clone()
      .sub(this.camera.position)
      .dot(this.camera.getWorldDirection(new THREE.Vector3()));
    if (away <= this.camera.near || this.clips.some((c) => c.distanceToPoint(at) < -1e-6))
      return null;
    const metresPerPixel = (2 * away * Math.tan((this.camera.fov * Math.PI) / 360)) / height;
    return { ...this.toScreen(at, width, height), metresPerPixel };
  }

  /** How many pixels high a storey of three metres is at most, anywhere in the drawing. */
  largestSeen(height: number): number {
    const box = boxAround(this.drawing, this.picking.boxes, (it) => !it.far);
    const away = box.translate(this.centre.clone().negate()).distanceToPoint(this.camera.position);
    return (3 * height) / (2 * away * Math.tan((this.camera.fov * Math.PI) / 360));
  }

  /** A point of the drawing in model coordinates. */
  world(point: THREE.Vector3): THREE.Vector3 {
    return point.clone().add(this.centre);
  }

  /** The box of some objects in model coordinates. */
  boxOf(keys: string[]): THREE.Box3 {
    const chosen = new Set(keys);
    return boxAround(this.drawing, this.picking.boxes, (it) => chosen.has(it.key));
  }

  /** Moves the camera so that the objects (or everything) fill the stage. */
  frame(keys: string[] | null, outer: THREE.Vector3 | null = null) {
    if (keys) {
      const box = this.boxOf(keys);
      if (!box.isEmpty()) this.frameBox(box, outer);
      return;
    }
    const at = { centre: this.centre, offset: this.solid.position };
    const points = wholeOf(this.drawing, this.picking.boxes, at, this.many);
    if (points.length) this.fill(points, 1.05, null, true);
  }

  /** The same for a box; from the side that a normal points to, when one is given. */
  frameBox(box: THREE.Box3, outer: THREE.Vector3 | null) {
    this.fill(corners(box, this.centre), 1.6, outer, false);
  }

  private fill(points: number[], slack: number, outer: THREE.Vector3 | null, whole: boolean) {
    this.framed = { points, slack, whole };
    this.controls.frame(points, slack, outer);
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

  /** Whether the whole picture is drawn. */
  get resting(): boolean {
    return !this.pending && this.painter.resting;
  }

  /** How many pictures were drawn so far. */
  get pictures(): number {
    return this.painter.pictures;
  }

  /** For tests: what is drawn and where an object is on the screen. */
  probe(width: number, height: number) {
    return {
      shown: this.drawing.items.filter((_, i) => this.shown[i]).map((it) => it.key),
      camera: this.camera.position.toArray(),
      pictures: this.pictures,
      resting: this.resting,
      screen: (key: string) => {
        const box = this.boxOf([key]);
        return this.toScreen(box.getCenter(new THREE.Vector3()).sub(this.centre), width, height);
      },
    };
  }
}

const alike = (a: Int8Array[], b: Int8Array[]): boolean =>
  a.every((list, k) => list.every((v, i) => v === b[k][i]));

/** Pattern and layer of every vertex. */
function stylesOf(d: Drawing): Uint8Array<ArrayBuffer> {
  const out = new Uint8Array(d.positions.length / 3);
  for (const it of d.items) out.fill(styleOf(it), it.firstVertex, it.firstVertex + it.vertices);
  return out;
}
