import * as THREE from 'three';

/**
 * Orbit, pan and zoom about z: left drag orbits about what was last picked, right drag pans, the wheel zooms to the pointer.
 */
export class ViewControls {
  private readonly camera: THREE.PerspectiveCamera;
  private readonly canvas: HTMLCanvasElement;
  private readonly hit: (p: THREE.Vector2) => THREE.Vector3 | null;
  private readonly changed: () => void;
  private readonly target = new THREE.Vector3();
  private pivot = new THREE.Vector3();
  private drag: { button: number; x: number; y: number; moved: boolean } | null = null;
  /** Nobody has moved the view since it was framed. */
  untouched = false;
  private wheelTaken: ((step: number) => boolean) | null = null;

  constructor(
    camera: THREE.PerspectiveCamera,
    canvas: HTMLCanvasElement,
    hit: (p: THREE.Vector2) => THREE.Vector3 | null,
    changed: () => void,
  ) {
    this.camera = camera;
    this.canvas = canvas;
    this.hit = hit;
    this.changed = changed;
    canvas.addEventListener('pointerdown', this.down);
    canvas.addEventListener('pointermove', this.move);
    canvas.addEventListener('pointerup', this.up);
    canvas.addEventListener('wheel', this.wheel, { passive: false });
    canvas.addEventListener('contextmenu', this.menu);
  }

  dispose() {
    this.canvas.removeEventListener('pointerdown', this.down);
    this.canvas.removeEventListener('pointermove', this.move);
    this.canvas.removeEventListener('pointerup', this.up);
    this.canvas.removeEventListener('wheel', this.wheel);
    this.canvas.removeEventListener('contextmenu', this.menu);
  }

  /** Where the camera stands and what it looks at. */
  get place3d(): { position: number[]; target: number[] } {
    return { position: this.camera.position.toArray(), target: this.target.toArray() };
  }

  /** Goes back to where the camera stood. */
  goTo(at: { position: number[]; target: number[] }) {
    this.camera.position.fromArray(at.position);
    this.target.fromArray(at.target);
    this.camera.lookAt(this.target);
    this.untouched = false;
    this.changed();
  }

  /** True when the press that just ended moved the view, so that it is no click. */
  get dragged(): boolean {
    return this.drag?.moved ?? false;
  }

  /** Lets another tool have the wheel: it says whether it took the step. */
  takeWheel(taker: (step: number) => boolean) {
    this.wheelTaken = taker;
  }

  /** How many metres a pixel is in the middle of the view. */
  metresPerPixel(height: number): number {
    const away = this.camera.position.distanceTo(this.target);
    return (2 * away * Math.tan((this.camera.fov * Math.PI) / 360)) / Math.max(1, height);
  }

  /** Place of a pointer event in device coordinates. */
  place(e: { clientX: number; clientY: number }): THREE.Vector2 {
    const r = this.canvas.getBoundingClientRect();
    return new THREE.Vector2(
      ((e.clientX - r.left) / r.width) * 2 - 1,
      1 - ((e.clientY - r.top) / r.height) * 2,
    );
  }

  private menu = (e: Event) => e.preventDefault();

  private down = (e: PointerEvent) => {
    this.drag = { button: e.button, x: e.clientX, y: e.clientY, moved: false };
    if (e.shiftKey) return;
    this.canvas.setPointerCapture(e.pointerId);
    if (e.button === 0) this.pivot = this.hit(this.place(e)) ?? this.target.clone();
  };

  private move = (e: PointerEvent) => {
    if (!this.drag || e.shiftKey) return;
    const dx = e.clientX - this.drag.x;
    const dy = e.clientY - this.drag.y;
    if (!this.drag.moved && Math.hypot(dx, dy) < 4) return;
    this.drag.moved = true;
    this.drag.x = e.clientX;
    this.drag.y = e.clientY;
    if (this.drag.button === 0) this.orbit(-dx * 0.006, -dy * 0.006);
    else this.pan(dx, dy);
    this.untouched = false;
    this.changed();
  };

  private up = (e: PointerEvent) => {
    if (this.canvas.hasPointerCapture(e.pointerId)) this.canvas.releasePointerCapture(e.pointerId);
    const ended = this.drag;
    // the click that follows may still ask whether this was a drag
    setTimeout(() => {
      if (this.drag === ended) this.drag = null;
    }, 0);
  };

  private wheel = (e: WheelEvent) => {
    e.preventDefault();
    if (this.wheelTaken?.(Math.sign(e.deltaY))) return;
    const p = this.place(e);
    const towards =
      this.hit(p) ??
      new THREE.Vector3(p.x, p.y, 0.5)
        .unproject(this.camera)
        .sub(this.camera.position)
        .normalize()
        .multiplyScalar(this.camera.position.distanceTo(this.target))
        .add(this.camera.position);
    const k = Math.exp(Math.min(1, Math.max(-1, e.deltaY / 120)) * 0.16);
    if (this.camera.position.distanceTo(towards) * k < 0.3) return;
    this.camera.position.sub(towards).multiplyScalar(k).add(towards);
    this.target.sub(towards).multiplyScalar(k).add(towards);
    this.untouched = false;
    this.changed();
  };

  private orbit(yaw: number, pitch: number) {
    const right = new THREE.Vector3(1, 0, 0).applyQuaternion(this.camera.quaternion);
    const forward = this.target.clone().sub(this.camera.position).normalize();
    const up = Math.asin(Math.min(1, Math.max(-1, forward.z)));
    const limited = Math.min(1.5, Math.max(-1.5, up + pitch)) - up;
    const turn = new THREE.Quaternion()
      .setFromAxisAngle(new THREE.Vector3(0, 0, 1), yaw)
      .multiply(new THREE.Quaternion().setFromAxisAngle(right, limited));
    this.camera.position.sub(this.pivot).applyQuaternion(turn).add(this.pivot);
    this.target.sub(this.pivot).applyQuaternion(turn).add(this.pivot);
    this.camera.lookAt(this.target);
  }

  private pan(dx: number, dy: number) {
    const k = this.metresPerPixel(this.canvas.clientHeight);
    const by = new THREE.Vector3(-dx * k, dy * k, 0).applyQuaternion(this.camera.quaternion);
    this.camera.position.add(by);
    this.target.add(by);
  }

  /** Looks from a direction at the present target. */
  look(from: THREE.Vector3) {
    const d = from.clone().normalize();
    if (Math.hypot(d.x, d.y) < 1e-3) d.y -= 1e-3; // straight down keeps north up
    this.camera.position.copy(this.target).add(d.multiplyScalar(10));
    this.camera.lookAt(this.target);
  }

  /**
   * Fills the view with some points.
   *
   * @param points three coordinates each
   * @param slack 1 for no room around them
   * @param outer a normal that is to be seen: from behind it the camera goes round to its side
   */
  frame(points: ArrayLike<number>, slack: number, outer: THREE.Vector3 | null = null) {
    const dir = this.camera.position.clone().sub(this.target).normalize();
    if (outer) turnToward(dir, outer);
    this.camera.position.copy(this.target).add(dir);
    this.camera.lookAt(this.target);
    const distance = Math.max(1.5, this.centreOn(points, dir)) * slack;
    this.camera.position.copy(this.target).addScaledVector(dir, distance);
    this.camera.near = Math.max(0.05, distance / 200);
    this.camera.far = distance * 20 + 2000;
    this.camera.updateProjectionMatrix();
    this.camera.lookAt(this.target);
    this.untouched = true;
    this.changed();
  }

  /** Moves the target to the middle of the picture of the points; says from how far along a direction all are in it. */
  private centreOn(points: ArrayLike<number>, dir: THREE.Vector3): number {
    const right = new THREE.Vector3(1, 0, 0).applyQuaternion(this.camera.quaternion);
    const up = new THREE.Vector3(0, 1, 0).applyQuaternion(this.camera.quaternion);
    const high = Math.tan((this.camera.fov * Math.PI) / 360);
    const wide = high * this.camera.aspect;
    const box = new THREE.Box3();
    const c = new THREE.Vector3();
    for (let i = 0; i < points.length; i += 3) box.expandByPoint(c.fromArray(points, i));
    box.getCenter(this.target);
    let distance = 0;
    // what is nearer looks larger: the middle of the picture settles after a few turns
    for (let turn = 0; turn < 4; turn++) {
      distance = 0;
      for (let i = 0; i < points.length; i += 3) {
        c.fromArray(points, i).sub(this.target);
        const reach = Math.max(Math.abs(c.dot(right)) / wide, Math.abs(c.dot(up)) / high);
        distance = Math.max(distance, c.dot(dir) + reach);
      }
      const seen = new THREE.Box2();
      for (let i = 0; i < points.length; i += 3) {
        c.fromArray(points, i).sub(this.target);
        const away = Math.max(1e-3, distance - c.dot(dir));
        seen.expandByPoint(new THREE.Vector2(c.dot(right) / away, c.dot(up) / away));
      }
      const middle = seen.getCenter(new THREE.Vector2()).multiplyScalar(distance);
      this.target.addScaledVector(right, middle.x).addScaledVector(up, middle.y);
    }
    return distance;
  }
}

/** How squarely a surface must at least be seen, as the cosine of the angle to its normal. */
const SQUARE = 0.3;

/** Turns a direction of view so that what has a normal is seen from the side it points to. */
export function turnToward(dir: THREE.Vector3, normal: THREE.Vector3) {
  const seen = dir.dot(normal);
  if (seen >= SQUARE) return;
  // the same view in a mirror that stands in the surface, then less slanting
  dir.addScaledVector(normal, -2 * Math.min(0, seen)).normalize();
  if (dir.dot(normal) < SQUARE) dir.addScaledVector(normal, 2 * SQUARE).normalize();
}
