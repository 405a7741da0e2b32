import type * as THREE from 'three';

/** A mesh or a set of edges, and how many of its vertex numbers are drawn after each step through the items, largest first. */
export interface Part {
  object: THREE.Mesh | THREE.LineSegments;
  upTo: Uint32Array;
}

/** Time to draw a frame, in milliseconds, beyond which fewer and below which more vertex numbers are drawn per frame. */
const PACE = { slow: 40, quick: 20 };
const LEAST = 30_000;
const MOST = 50_000_000;

type State = 'rough' | 'slices' | 'still';

/**
 * Draws a scene of any size without holding up the page. What is small enough is drawn whole in every frame. Of more, a frame shows only
 * the largest items while the view moves; when it rests, the rest is drawn slice by slice out of sight, the whole picture is kept on a
 * second canvas beneath, and marks are drawn over it at no cost. No frame is begun before the one before is done, and how much a frame can
 * take is learnt from how long that was.
 */
export class Painter {
  private readonly renderer: THREE.WebGLRenderer;
  private readonly camera: THREE.Camera;
  private readonly model: THREE.Scene;
  private readonly marks: THREE.Scene;
  private readonly under: CanvasRenderingContext2D;
  private parts: Part[] | null = null;
  private state: State = 'rough';
  private budget = 400_000;
  private part = 0;
  private from = 0;
  /** How many pictures were drawn, whole ones and rough ones. */
  pictures = 0;
  private begun = 0;
  private fence: WebGLSync | null = null;

  constructor(
    renderer: THREE.WebGLRenderer,
    camera: THREE.Camera,
    model: THREE.Scene,
    marks: THREE.Scene,
    under: HTMLCanvasElement,
  ) {
    this.renderer = renderer;
    this.camera = camera;
    this.model = model;
    this.marks = marks;
    this.under = under.getContext('2d')!;
    renderer.autoClear = false;
  }

  resize() {
    const { width, height } = this.renderer.domElement;
    this.under.canvas.width = width;
    this.under.canvas.height = height;
    this.disturb();
  }

  /** What is drawn from now on; null for all of the model in every frame. */
  setParts(parts: Part[] | null) {
    this.parts = parts;
    this.disturb();
  }

  /** The picture no longer holds: the view or what is shown has changed. */
  disturb() {
    this.state = 'rough';
    this.show(true);
  }

  /** The view rests: all of it may be drawn. */
  settle() {
    if (!this.parts || this.state === 'still') return;
    this.state = 'slices';
    this.part = 0;
    this.from = 0;
  }

  /** Whether all that is to be seen is drawn. */
  get resting(): boolean {
    return !this.parts || this.state === 'still';
  }

  /**
   * Draws a frame.
   *
   * @param now time of the frame in milliseconds
   * @return whether another frame is needed to go on
   */
  frame(now: number): boolean {
    if (!this.parts) return this.whole();
    if (!this.done(now)) return true;
    this.begun = now;
    if (this.state === 'rough') return this.rough(this.parts);
    if (this.state === 'slices') return this.slice(this.parts);
    this.renderer.setClearAlpha(0);
    this.renderer.clear();
    this.renderer.render(this.marks, this.camera);
    return false;
  }

  /** Whether what was sent to be drawn is drawn. */
  private done(now: number): boolean {
    const gl = this.renderer.getContext() as WebGL2RenderingContext;
    if (!this.fence) return true;
    if (gl.getSyncParameter(this.fence, gl.SYNC_STATUS) !== gl.SIGNALED) return false;
    gl.deleteSync(this.fence);
    this.fence = null;
    const took = now - this.begun;
    if (took > PACE.slow) this.budget = Math.max(LEAST, this.budget * 0.75);
    else if (took < PACE.quick) this.budget = Math.min(MOST, this.budget * 1.5);
    return true;
  }

  private sent() {
    const gl = this.renderer.getContext() as WebGL2RenderingContext;
    this.fence = gl.fenceSync(gl.SYNC_GPU_COMMANDS_COMPLETE, 0);
    gl.flush();
  }

  private whole(): boolean {
    this.pictures++;
    this.renderer.clear();
    this.renderer.render(this.model, this.camera);
    this.renderer.render(this.marks, this.camera);
    return false;
  }

  /** The largest items, as many as a frame takes. */
  private rough(parts: Part[]): boolean {
    const steps = parts[0].upTo.length;
    const sum = (step: number) => parts.reduce((n, p) => n + p.upTo[step], 0);
    let lo = 0;
    let hi = steps - 1;
    while (lo < hi) {
      const mid = (lo + hi + 1) >> 1;
      if (sum(mid) <= this.budget) lo = mid;
      else hi = mid - 1;
    }
    for (const p of parts) draw(p.object, 0, p.upTo[lo]);
    this.whole();
    this.sent();
    return false;
  }

  /** The next piece of the whole picture, and at its end the picture is kept. */
  private slice(parts: Part[]): boolean {
    if (this.part === 0 && this.from === 0) {
      this.keep();
      this.show(false);
      this.renderer.clear();
    }
    for (const p of parts) draw(p.object, 0, 0);
    let left = this.budget;
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
    this.renderer.render(this.model, this.camera);
    this.sent();
    if (this.part >= parts.length) {
      this.keep();
      this.show(true);
      this.state = 'still';
    }
    return true;
  }

  /** Copies the picture to the canvas beneath. */
  private keep() {
    this.under.drawImage(this.renderer.domElement, 0, 0);
  }

  private show(drawn: boolean) {
    // not hidden: it goes on taking the pointer
    this.renderer.domElement.style.opacity = drawn ? '1' : '0';
  }
}

function draw(o: Part['object'], from: number, n: number) {
  o.geometry.setDrawRange(from, n);
  o.visible = n > 0;
}
