import * as THREE from 'three';
import type { Drawing, Item } from './drawing';
import { boxAround, corners, wholeOf } from './extent';
import { Marks } from './Marks';
import { Painter } from './Painter';
import { type Hit, Probe } from './Probe';
import { ViewControls } from './ViewControls';
import { STAGE, type StageColours } from '../model/colours';
import type { Point } from '../shared/geometry';
import { type Section, sectionOf } from './section';
import type { Volume } from './volumes';
import { dye, raw, shared } from './material';
import { Meshes } from './Meshes';

/** What the stage shows of the model. */
export interface Look {
  visible: (item: Item) => boolean;
  ghosted: ((item: Item) => boolean) | null;
  selection: string[];
  evidence: { areas: number[][]; lines: number[][]; points: number[][]; colour: string } | null;
  /** Outlines of what a repair changes, before and after it, and where between the two is looked at: 0 to 1. */
  preview: { before: number[][]; after: number[][]; between: number } | null;
  cut: [number, number] | null;
  sweep: THREE.Plane | null;
  apart: boolean;
}

/** Drawings of more items than this are drawn piece by piece, and only what is large enough on the screen. */
const MANY_ITEMS = 10_000;
/** Time in milliseconds without movement after which all is drawn. */
const REST = 120;
/** What of a look changes the picture beneath the marks. */
const PICTURE = ['visible', 'ghosted', 'cut', 'sweep', 'apart'] as const;

/** The model on a canvas: what is drawn of it, from where it is seen, and what is marked on it. */
export class StageScene {
  readonly camera = new THREE.PerspectiveCamera(35, 1, 0.1, 5000);
  readonly controls: ViewControls;
  private readonly renderer: THREE.WebGLRenderer;
  private readonly painter: Painter;
  private readonly scene = new THREE.Scene();
  private readonly meshes: Meshes;
  private readonly marks = new Marks();
  private readonly shared = shared();
  private theme: StageColours = STAGE.paper;
  private hovered: string | null = null;
  /** What was framed last. */
  private framed: { points: number[]; slack: number; whole: boolean } | null = null;
  private readonly clips: THREE.Plane[] = [];
  private volumes: Volume[] = [];
  private cuts: { plane: THREE.Plane; section: Section }[] = [];
  private centre = new THREE.Vector3();
  /** What the colours were made for. */
  private painted: Drawing | null = null;
  private ghosted: Look['ghosted'] = null;
  private settling: ReturnType<typeof setTimeout> | undefined;
  /** The camera has moved since the items were chosen. */
  private stale = false;
  private placed = false;
  private look: Look | null = null;
  private size: [number, number] = [1, 1];
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
    this.meshes = new Meshes(this.shared, this.clips);
    this.scene.add(...Object.values(this.meshes.layers));
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
    const { edges, faintEdges, dashes, shadow: shade } = this.meshes.layers;
    for (const o of [edges, faintEdges, dashes])
      (o.material as THREE.LineBasicMaterial).color.copy(raw(theme.ink));
    const shadow = shade.material as THREE.MeshBasicMaterial;
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
    this.painter.hurry();
    const { domElement } = this.renderer;
    canvas.width = domElement.width;
    canvas.height = domElement.height;
    canvas.getContext('2d')?.drawImage(domElement, 0, 0);
  }

  /** The picture as it is looked at, of any size, in the colours of paper; the stage is as before afterwards. */
  async picture(width: number, height: number): Promise<Blob> {
    const [w, h] = this.size;
    const { theme } = this;
    const { untouched } = this.controls;
    // the camera stays where it is: it is the person's
    this.controls.untouched = false;
    this.resize(width, height);
    this.setTheme(STAGE.print);
    const canvas = document.createElement('canvas');
    this.drawOnto(canvas);
    this.setTheme(theme);
    this.resize(w, h);
    this.controls.untouched = untouched;
    return new Promise((done, fail) =>
      canvas.toBlob(
        (b) => (b ? done(b) : fail(new Error('The picture could not be made.'))),
        'image/png',
      ),
    );
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
    this.size = [width, height];
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
    if (this.meshes.amend(drawing)) {
      this.meshes.stand(ground - this.centre.z);
      if (this.look) this.setLook(this.look);
      return;
    }
    if (!this.placed && drawing.items.length) this.centre.fromArray(drawing.origin);
    this.meshes.replace(drawing, this.centre);
    this.painter.renew();
    this.meshes.stand(ground - this.centre.z);
    if (this.look) this.setLook(this.look);
    if (!this.placed && drawing.items.length) {
      this.placed = true;
      this.viewFrom(-0.65, -1, 0.62);
    } else if (this.framed?.whole && this.controls.untouched) {
      // nobody has turned to anything else: another subject is seen whole too
      this.frame(null);
    }
  }

  setLook(look: Look) {
    const before = this.look;
    this.look = look;
    const d = this.meshes.drawing;
    const repaint = this.painted !== d || this.ghosted !== look.ghosted;
    this.painted = d;
    this.ghosted = look.ghosted;
    if (repaint || before?.visible !== look.visible || before.apart !== look.apart) {
      if (this.meshes.sort(look, repaint)) this.choose();
    }
    this.clip(look);
    if (repaint || !before || PICTURE.some((k) => before[k] !== look[k])) this.close(look);
    this.mark(look);
    if (repaint || !before || PICTURE.some((k) => before[k] !== look[k])) {
      this.painter.disturb(false);
      this.rest();
    }
    this.request();
  }

  private clip(look: Look) {
    this.clips.length = 0;
    // a building that is cut or pulled apart throws no shadow; very large ones are drawn piece by piece
    this.meshes.layers.shadow.visible =
      !look.cut && !look.sweep && !look.apart && !look.ghosted && !this.many;
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
    const seen = (i: number) => this.meshes.shown[i] > 0;
    this.cuts = cuts.map((plane) => ({
      plane,
      section: sectionOf(
        this.meshes.drawing,
        this.meshes.picking.boxes,
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

  /** Faces and edges of what is shown; of very many items only of those large enough on the screen. */
  private choose() {
    const height = this.renderer.getSize(new THREE.Vector2()).y;
    const eye = this.many
      ? {
          at: this.camera.position.clone().sub(this.meshes.offset),
          scale: height / (2 * Math.tan((this.camera.fov * Math.PI) / 360)),
        }
      : null;
    const parts = this.meshes.choose(eye);
    this.painter.setParts(eye && parts);
  }

  private get many(): boolean {
    return this.meshes.drawing.items.length > MANY_ITEMS;
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

  private mark(look: Look) {
    const chosen = new Set(look.selection);
    const outline: number[] = [];
    const hover: number[] = [];
    for (const it of this.meshes.drawing.items) {
      if (chosen.has(it.key)) this.meshes.outline(it, outline);
      else if (it.key === this.hovered) this.meshes.outline(it, hover);
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
      drawing: this.meshes.drawing,
      picking: this.meshes.picking,
      shown: this.meshes.shown,
      clips: this.clips,
      offset: this.meshes.offset,
      lift: this.meshes.lift,
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
    const box = boxAround(this.meshes.drawing, this.meshes.picking.boxes, (it) => !it.far);
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
    return boxAround(this.meshes.drawing, this.meshes.picking.boxes, (it) => chosen.has(it.key));
  }

  /** Moves the camera so that the objects (or everything) fill the stage. */
  frame(keys: string[] | null, outer: THREE.Vector3 | null = null) {
    if (keys) {
      const box = this.boxOf(keys);
      if (!box.isEmpty()) this.frameBox(box, outer);
      return;
    }
    const at = { centre: this.centre, offset: this.meshes.offset };
    const points = wholeOf(this.meshes.drawing, this.meshes.picking.boxes, at, this.many);
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
      shown: this.meshes.drawing.items.filter((_, i) => this.meshes.shown[i]).map((it) => it.key),
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
