import * as THREE from 'three';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { corners } from './extent';
import { ViewControls } from './ViewControls';

/** As much of a canvas as the controls use. */
class FakeCanvas extends EventTarget {
  readonly clientHeight = 600;
  getBoundingClientRect() {
    return { left: 0, top: 0, width: 800, height: 600 };
  }
  setPointerCapture() {}
  releasePointerCapture() {}
  hasPointerCapture() {
    return false;
  }
  fire(type: string, init: Record<string, unknown>) {
    const e = new Event(type, { cancelable: true });
    this.dispatchEvent(
      Object.assign(e, {
        button: 0,
        shiftKey: false,
        pointerId: 1,
        clientX: 400,
        clientY: 300,
        ...init,
      }),
    );
    return e;
  }
}

const PIVOT = new THREE.Vector3(2, 1, 0);
let canvas: FakeCanvas;
let camera: THREE.PerspectiveCamera;
let controls: ViewControls;
let hit: THREE.Vector3 | null;
const changed = vi.fn();

beforeEach(() => {
  canvas = new FakeCanvas();
  camera = new THREE.PerspectiveCamera(35, 800 / 600, 0.1, 1000);
  camera.up.set(0, 0, 1);
  hit = PIVOT;
  changed.mockClear();
  controls = new ViewControls(camera, canvas as unknown as HTMLCanvasElement, () => hit, changed);
  controls.look(new THREE.Vector3(-1, -1, 1));
  frameBox(new THREE.Vector3(-5, -5, 0), new THREE.Vector3(5, 5, 6), 1.3);
  camera.updateMatrixWorld();
});

function frameBox(min: THREE.Vector3, max: THREE.Vector3, slack: number) {
  controls.frame(corners(new THREE.Box3(min, max), new THREE.Vector3()), slack);
}

function drag(button: number, dx: number, dy: number, extra = {}) {
  canvas.fire('pointerdown', { button, ...extra });
  canvas.fire('pointermove', { clientX: 400 + dx, clientY: 300 + dy, ...extra });
  canvas.fire('pointerup', { button, ...extra });
}

describe('framing', () => {
  it('brings a whole box into view, whatever its place', () => {
    const box = new THREE.Box3(new THREE.Vector3(100, 50, -3), new THREE.Vector3(130, 62, 9));
    frameBox(box.min, box.max, 1.3);
    camera.updateMatrixWorld();
    for (const x of [box.min.x, box.max.x])
      for (const y of [box.min.y, box.max.y])
        for (const z of [box.min.z, box.max.z]) {
          const p = new THREE.Vector3(x, y, z).project(camera);
          expect(Math.abs(p.x)).toBeLessThan(1);
          expect(Math.abs(p.y)).toBeLessThan(1);
          expect(Math.abs(p.z)).toBeLessThan(1);
        }
  });

  it('leaves no more room around than asked: what is framed touches both edges of one direction', () => {
    const box = new THREE.Box3(new THREE.Vector3(0, 0, 0), new THREE.Vector3(40, 8, 6));
    frameBox(box.min, box.max, 1);
    camera.updateMatrixWorld();
    const seen = new THREE.Box2();
    const at = corners(box, new THREE.Vector3());
    for (let i = 0; i < at.length; i += 3) {
      const p = new THREE.Vector3().fromArray(at, i).project(camera);
      seen.expandByPoint(new THREE.Vector2(p.x, p.y));
    }
    expect(Math.max(seen.max.x, seen.max.y)).toBeCloseTo(1, 1);
    expect(Math.min(seen.min.x, seen.min.y)).toBeCloseTo(-1, 1);
  });

  it('keeps the direction of view', () => {
    const before = camera.getWorldDirection(new THREE.Vector3());
    frameBox(new THREE.Vector3(0, 0, 0), new THREE.Vector3(1, 1, 1), 1.9);
    camera.updateMatrixWorld();
    expect(camera.getWorldDirection(new THREE.Vector3()).distanceTo(before)).toBeLessThan(1e-6);
  });

  it('looks straight down with north up', () => {
    controls.look(new THREE.Vector3(0, 0, 1));
    camera.updateMatrixWorld();
    const up = new THREE.Vector3(0, 1, 0).applyQuaternion(camera.quaternion);
    expect(up.y).toBeGreaterThan(0.99);
  });
});

describe('dragging', () => {
  it('orbits about what was picked: it stays where it is on the screen', () => {
    const distance = camera.position.distanceTo(PIVOT);
    drag(0, 120, -40);
    expect(camera.position.distanceTo(PIVOT)).toBeCloseTo(distance, 6);
    expect(changed).toHaveBeenCalled();
  });

  it('never turns the building over', () => {
    drag(0, 0, 4000);
    drag(0, 0, 4000);
    camera.updateMatrixWorld();
    expect(camera.getWorldDirection(new THREE.Vector3()).z).toBeLessThan(0);
    expect(new THREE.Vector3(0, 1, 0).applyQuaternion(camera.quaternion).z).toBeGreaterThan(-1e-6);
  });

  it('pans with the right button without turning', () => {
    const before = camera.quaternion.clone();
    const at = camera.position.clone();
    drag(2, 60, 30);
    expect(camera.quaternion.angleTo(before)).toBeLessThan(1e-6);
    expect(camera.position.distanceTo(at)).toBeGreaterThan(0.5);
  });

  it('takes a few pixels for a click', () => {
    const at = camera.position.clone();
    canvas.fire('pointerdown', {});
    canvas.fire('pointermove', { clientX: 402, clientY: 301 });
    expect(controls.dragged).toBe(false);
    expect(camera.position.equals(at)).toBe(true);
    canvas.fire('pointermove', { clientX: 440, clientY: 301 });
    expect(controls.dragged).toBe(true);
  });

  it('leaves a shift drag to the box selection', () => {
    const at = camera.position.clone();
    drag(0, 200, 100, { shiftKey: true });
    expect(camera.position.equals(at)).toBe(true);
  });
});

describe('the wheel', () => {
  it('zooms towards what it points at', () => {
    const before = camera.position.distanceTo(PIVOT);
    const direction = PIVOT.clone().sub(camera.position).normalize();
    const e = canvas.fire('wheel', { deltaY: -120 });
    expect(e.defaultPrevented).toBe(true);
    expect(camera.position.distanceTo(PIVOT)).toBeLessThan(before);
    expect(PIVOT.clone().sub(camera.position).normalize().distanceTo(direction)).toBeLessThan(1e-6);
  });

  it('does not go through it', () => {
    for (let i = 0; i < 200; i++) canvas.fire('wheel', { deltaY: -400 });
    expect(camera.position.distanceTo(PIVOT)).toBeGreaterThan(0.2);
  });

  it('zooms over empty ground too', () => {
    hit = null;
    const at = camera.position.clone();
    canvas.fire('wheel', { deltaY: 120 });
    expect(camera.position.distanceTo(at)).toBeGreaterThan(0.1);
  });

  it('is given to another tool that wants it', () => {
    const taken = vi.fn(() => true);
    controls.takeWheel(taken);
    const at = camera.position.clone();
    canvas.fire('wheel', { deltaY: 120 });
    expect(taken).toHaveBeenCalledWith(1);
    expect(camera.position.equals(at)).toBe(true);
  });
});

it('lets go of the canvas', () => {
  controls.dispose();
  const at = camera.position.clone();
  drag(0, 100, 100);
  canvas.fire('wheel', { deltaY: 120 });
  expect(camera.position.equals(at)).toBe(true);
});
