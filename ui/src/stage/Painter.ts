import * as THREE from 'three';
import { raw } from './material';

/** A mesh or a set of edges, and how many of its vertex numbers are drawn after each step through the items, largest first. */
export interface Part {
  object: THREE.Mesh | THREE.LineSegments;
  upTo: Uint32Array;
}

/** Time to draw a picture, in milliseconds, beyond which pictures become coarser and below which finer. */
const PACE = { slow: 24, quick: 12 };
const LEAST = 30_000;
const MOST = 50_000_000;
/** The coarsest picture has so many pixels a pixel of the screen, each way. */
const COARSEST = 0.5;

type State = 'moving' | 'building' | 'still';

/**
 * Draws a scene of any size without holding up the page. While the view moves, a frame is a quick picture: without smoothing, at a
 * resolution that keeps up, of very many items only the largest. When it rests, the whole is drawn smooth, very much of it slice by slice out
 * of sight, and kept: marks are drawn over what is kept at no cost. How coarse a quick picture is is learnt from how long the one before
 * took.
 */
export class Painter {
  private readonly renderer: THREE.WebGLRenderer;
  private readonly camera: THREE.Camera;
  private readonly model: THREE.Scene;
  private readonly marks: THREE.Scene;
  private readonly grain: { value: number };
  private readonly quick = target(0);
  private readonly kept = target(4);
  private readonly sheet = new Sheet();
  private readonly pixel = new Uint8Array(4);
  private paper = new THREE.Color();
  private parts: Part[] | null = null;
  private state: State = 'moving';
  /** How many vertex numbers a frame draws. */
  private readonly budget = { moving: 150_000, building: 200_000 };
  private scale = 1;
  private part = 0;
  private from = 0;
  /** Pictures into which new corners are drawn for the first time: that takes long, and nobody waits for it. */
  private readonly fresh = new Set<THREE.WebGLRenderTarget>();
  private sent: WebGLSync | null = null;
  /** How many pictures were drawn, whole ones and quick ones. */
  pictures = 0;

  constructor(
    renderer: THREE.WebGLRenderer,
    camera: THREE.Camera,
    model: THREE.Scene,
    marks: THREE.Scene,
    grain: { value: number },
  ) {
    this.renderer = renderer;
    this.camera = camera;
    this.model = model;
    this.marks = marks;
    this.grain = grain;
    renderer.autoClear = false;
  }

  dispose() {
    this.quick.dispose();
    this.kept.dispose();
    this.sheet.dispose();
  }

  /** The colour of what is behind everything. */
  setPaper(colour: string) {
    this.paper = raw(colour);
    this.disturb(false);
  }

  resize() {
    const { width, height } = this.renderer.domElement;
    this.kept.setSize(width, height);
    this.sizeQuick();
    this.disturb(false);
  }

  private sizeQuick() {
    const { width, height } = this.renderer.domElement;
    this.quick.setSize(Math.ceil(width * this.scale), Math.ceil(height * this.scale));
  }

  /** What is drawn from now on; null for all of the model in every frame. */
  setParts(parts: Part[] | null) {
    this.parts = parts;
    this.disturb(false);
  }

  /**
   * The picture no longer holds.
   *
   * @param moving the view moves: more such are to be expected
   */
  disturb(moving: boolean) {
    this.state = moving || this.parts ? 'moving' : 'building';
    this.begin();
  }

  /** What is drawn has new corners. */
  renew() {
    this.fresh.add(this.quick).add(this.kept);
    this.disturb(false);
  }

  /** The view rests: all of it may be drawn. */
  settle() {
    if (this.state !== 'moving') return;
    this.state = 'building';
    this.begin();
  }

  private begin() {
    this.part = 0;
    this.from = 0;
  }

  /** Whether all that is to be seen is drawn. */
  get resting(): boolean {
    return this.state === 'still';
  }

  /**
   * Draws a frame.
   *
   * @return whether another frame is needed to go on
   */
  frame(): boolean {
    if (this.sent && !this.arrived(this.sent)) return true;
    this.sent = null;
    if (this.state === 'moving') this.quickly();
    else if (this.state === 'building') this.build();
    // a picture that is not finished is not shown
    if (this.state !== 'building') this.present(this.state === 'still' ? this.kept : this.quick);
    return this.state === 'building';
  }

  /** Draws all that is left at once. */
  hurry() {
    this.fresh.clear();
    this.sent = null;
    while (this.frame());
  }

  /** Resolution is given up before items are; how much of the smooth picture a frame takes is another matter. */
  private learn(which: 'moving' | 'building', took: number | null) {
    if (took === null) return;
    const moving = which === 'moving';
    const more = took < PACE.quick;
    if (!more && took <= PACE.slow) return;
    const change = more ? 1.3 : Math.max(0.4, PACE.slow / took);
    if (moving && !more && this.scale > COARSEST) this.rescale(change);
    else if (this.parts && (!more || this.budget[which] < MOST))
      this.budget[which] = Math.min(MOST, Math.max(LEAST, this.budget[which] * change));
    else if (moving && more) this.rescale(change);
  }

  private rescale(change: number) {
    const to = Math.min(1, Math.max(COARSEST, this.scale * change));
    if (to === this.scale) return;
    this.scale = to;
    this.sizeQuick();
  }

  private arrived(sent: WebGLSync): boolean {
    const gl = this.renderer.getContext() as WebGL2RenderingContext;
    if (gl.getSyncParameter(sent, gl.SYNC_STATUS) !== gl.SIGNALED) return false;
    gl.deleteSync(sent);
    return true;
  }

  /** Draws; gives how long that took, in milliseconds, or null where it is not waited for. */
  private onto(picture: THREE.WebGLRenderTarget, scale: number, anew: boolean): number | null {
    this.grain.value = scale * this.renderer.getPixelRatio();
    this.renderer.setRenderTarget(picture);
    if (anew) {
      this.renderer.setClearColor(this.paper, 1);
      this.renderer.clear();
    }
    const begun = performance.now();
    this.renderer.render(this.model, this.camera);
    if (this.fresh.delete(picture)) {
      const gl = this.renderer.getContext() as WebGL2RenderingContext;
      this.sent = gl.fenceSync(gl.SYNC_GPU_COMMANDS_COMPLETE, 0);
      gl.flush();
      this.renderer.setRenderTarget(null);
      return null;
    }
    // reading a pixel waits until all is drawn: nothing else tells how long it takes, and more than that is never on its way
    this.renderer.readRenderTargetPixels(picture, 0, 0, 1, 1, this.pixel);
    this.renderer.setRenderTarget(null);
    return performance.now() - begun;
  }

  /** The whole, or of very many the largest items, as many as a frame takes. */
  private quickly() {
    this.pictures++;
    if (this.parts) this.largest(this.parts);
    this.learn('moving', this.onto(this.quick, this.scale, true));
  }

  private largest(parts: Part[]) {
    const steps = parts[0].upTo.length;
    const sum = (step: number) => parts.reduce((n, p) => n + p.upTo[step], 0);
    let lo = 0;
    let hi = steps - 1;
    while (lo < hi) {
      const mid = (lo + hi + 1) >> 1;
      if (sum(mid) <= this.budget.moving) lo = mid;
      else hi = mid - 1;
    }
    for (const p of parts) draw(p.object, 0, p.upTo[lo]);
  }

  /** All of the smooth picture, or its next slice. */
  private build() {
    const first = this.part === 0 && this.from === 0;
    const finished = !this.parts || this.slice(this.parts);
    this.learn('building', this.onto(this.kept, 1, first));
    if (!finished) return;
    this.pictures++;
    this.state = 'still';
  }

  /** Chooses the next slice; says whether it is the last. */
  private slice(parts: Part[]): boolean {
    for (const p of parts) draw(p.object, 0, 0);
    let left = this.budget.building;
    while (left > 0 && this.part < parts.length) {
      const p = parts[this.part];
      const all = p.upTo[p.upTo.length - 1];
      // whole triangles and whole edges
      const n = Math.min(all - this.from, Math.ceil(left / 6) * 6);
      draw(p.object, this.from, n);
      left -= n;
      this.from += n;
      if (this.from >= all) {
        this.part++;
        this.from = 0;
      }
    }
    return this.part >= parts.length;
  }

  /** A picture and the marks over it. */
  private present(picture: THREE.WebGLRenderTarget) {
    this.sheet.show(picture.texture);
    this.renderer.clear();
    this.renderer.render(this.sheet.scene, this.camera);
    this.renderer.render(this.marks, this.camera);
  }
}

function draw(o: Part['object'], from: number, n: number) {
  o.geometry.setDrawRange(from, n);
  o.visible = n > 0;
}

function target(samples: number): THREE.WebGLRenderTarget {
  return new THREE.WebGLRenderTarget(1, 1, {
    samples,
    stencilBuffer: true,
    minFilter: THREE.LinearFilter,
    magFilter: THREE.LinearFilter,
  });
}

/** Lays a picture over all of the canvas as it is. */
class Sheet {
  readonly scene = new THREE.Scene();
  private readonly mesh: THREE.Mesh<THREE.BufferGeometry, THREE.ShaderMaterial>;

  constructor() {
    const corners = new Float32Array([-1, -1, 0, 3, -1, 0, -1, 3, 0]);
    this.mesh = new THREE.Mesh(
      new THREE.BufferGeometry().setAttribute('position', new THREE.BufferAttribute(corners, 3)),
      new THREE.ShaderMaterial({
        uniforms: { picture: { value: null } },
        vertexShader: /* glsl */ `
          varying vec2 at;
          void main() { at = position.xy * 0.5 + 0.5; gl_Position = vec4(position, 1.0); }`,
        fragmentShader: /* glsl */ `
          varying vec2 at;
          uniform sampler2D picture;
          void main() { gl_FragColor = vec4(texture2D(picture, at).rgb, 1.0); }`,
        depthTest: false,
        depthWrite: false,
      }),
    );
    this.mesh.frustumCulled = false;
    this.scene.add(this.mesh);
  }

  show(picture: THREE.Texture) {
    this.mesh.material.uniforms.picture.value = picture;
  }

  dispose() {
    this.mesh.geometry.dispose();
    this.mesh.material.dispose();
  }
}
