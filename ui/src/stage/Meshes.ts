import * as THREE from 'three';
import { type Eye, chosen, FAINT, FIRM, NONE } from './choice';
import { type Drawing, type Item, Picking } from './drawing';
import { makeLayers } from './layers';
import { raw, type Shared, shadowMatrix, styleOf } from './material';
import type { Part } from './Painter';
import type { Look } from './StageScene';

/** How firmly what stands around the place of a finding is seen. */
const GHOST = 0.08;
/** How much higher each storey is drawn than the one beneath when they are pulled apart, in metres. */
const APART = 4;

const NOTHING: Drawing = {
  items: [],
  origin: [0, 0, 0],
  positions: new Float32Array(),
  triangles: new Uint32Array(),
  lines: new Uint32Array(),
  levels: [],
};

/**
 * A drawing in a handful of buffers: one mesh for what is solid, one for what is seen through, sets of edges, a shadow. Positions are sent
 * once; a change of what is visible rewrites lists of vertex numbers, a change of colours the vertices of what looks different.
 */
export class Meshes {
  readonly layers: ReturnType<typeof makeLayers>;
  drawing: Drawing = NOTHING;
  picking = new Picking(NOTHING);
  /** 1 for what is shown firmly, by the place of the item. */
  shown = new Uint8Array();
  private readonly shared: Shared;
  private colours = new Uint8Array();
  private lifts: number[] = [];
  private lifted = false;
  /** Which faces and which edges an item has, by its place. */
  private facing = new Int8Array();
  private lining = new Int8Array();
  /** The items as they are coloured, and how firmly. */
  private wearing: Item[] = [];
  private alphas = new Uint8Array();
  /** The geometry has changed since items were chosen, or the storeys have moved. */
  private anew = true;

  constructor(shared: Shared, clips: THREE.Plane[]) {
    this.shared = shared;
    this.layers = makeLayers(shared, clips);
  }

  /** Where the drawing stands in the scene. */
  get offset(): THREE.Vector3 {
    return this.layers.solid.position;
  }

  /** What is drawn by lists of vertex numbers: firm faces, faint faces, firm edges, faint edges. */
  private get listed() {
    const { solid, clear, edges, faintEdges } = this.layers;
    return [solid, clear, edges, faintEdges];
  }

  /** Height added to an object when the storeys are pulled apart. */
  lift = (it: Item): number => (this.lifted && it.level >= 0 ? this.lifts[it.level] : 0);

  /**
   * Takes over a drawing of which only some items have moved or look different since the one before.
   *
   * @return whether it is such a drawing
   */
  amend(drawing: Drawing): boolean {
    const before = this.drawing.positions;
    const same = drawing.positions === before;
    if (this.lifted || (!same && drawing.since?.was !== before)) return false;
    const moved = same ? [] : drawing.since!.moved;
    this.drawing = drawing;
    this.picking.redress(drawing, moved);
    if (moved.length) {
      this.anew = true;
      const at = this.attribute('position');
      for (const i of moved) {
        const { firstVertex, vertices } = drawing.items[i];
        const [from, to] = [3 * firstVertex, 3 * (firstVertex + vertices)];
        (at.array as Float32Array).set(drawing.positions.subarray(from, to), from);
      }
      at.needsUpdate = true;
    }
    const style = this.attribute('style');
    (style.array as Uint8Array).set(stylesOf(drawing));
    style.needsUpdate = true;
    return true;
  }

  /**
   * Takes over any drawing.
   *
   * @param centre the point of the model that the scene has as its origin
   */
  replace(drawing: Drawing, centre: THREE.Vector3) {
    const count = drawing.items.length;
    this.drawing = drawing;
    this.shown = new Uint8Array(count);
    this.facing = new Int8Array(count);
    this.lining = new Int8Array(count);
    this.alphas = new Uint8Array(count);
    this.wearing = [];
    this.anew = true;
    this.lifted = false;
    this.picking = new Picking(drawing);
    this.lifts = drawing.levels.map((z) => APART * drawing.levels.filter((x) => x < z).length);
    this.colours = new Uint8Array((drawing.positions.length / 3) * 4);
    const position = new THREE.BufferAttribute(drawing.positions.slice(), 3);
    const colour = new THREE.BufferAttribute(this.colours, 4, true);
    const style = new THREE.BufferAttribute(stylesOf(drawing), 1);
    const { solid, clear, edges, faintEdges, shadow } = this.layers;
    for (const m of [solid, clear]) {
      m.geometry.dispose();
      m.geometry = new THREE.BufferGeometry()
        .setAttribute('position', position)
        .setAttribute('color', colour)
        .setAttribute('style', style);
      m.geometry.setIndex(new THREE.BufferAttribute(new Uint32Array(drawing.triangles.length), 1));
    }
    for (const l of [edges, faintEdges]) {
      l.geometry.dispose();
      l.geometry = new THREE.BufferGeometry().setAttribute('position', position);
      l.geometry.setIndex(new THREE.BufferAttribute(new Uint32Array(drawing.lines.length), 1));
    }
    const at = new THREE.Vector3().fromArray(drawing.origin).sub(centre);
    for (const m of this.listed) m.position.copy(at);
    shadow.geometry = solid.geometry;
  }

  /** Puts the shadow on the ground, at a height in the scene. */
  stand(ground: number) {
    this.shared.ground.value = ground;
    this.layers.shadow.matrix.makeTranslation(this.offset).premultiply(shadowMatrix(ground - 0.02));
  }

  private attribute(name: string): THREE.BufferAttribute {
    return this.layers.solid.geometry.getAttribute(name) as THREE.BufferAttribute;
  }

  /** Moves the storeys' vertices when they are pulled apart or put together. */
  private raise(apart: boolean) {
    if (apart === this.lifted) return;
    this.lifted = apart;
    this.anew = true;
    const at = this.attribute('position');
    const list = at.array as Float32Array;
    list.set(this.drawing.positions);
    for (const it of this.drawing.items) {
      const up = this.lift(it);
      if (up)
        for (let v = it.firstVertex; v < it.firstVertex + it.vertices; v++) list[v * 3 + 2] += up;
    }
    at.needsUpdate = true;
  }

  /**
   * What is shown, what of it firmly and what faintly.
   *
   * @param repaint colours may have changed
   * @return whether other faces and edges are to be chosen
   */
  sort(look: Look, repaint: boolean): boolean {
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
        for (let e = it.firstLine * 2; e < (it.firstLine + it.lines) * 2; e++)
          dashes.push(d.lines[e]);
    });
    const others = this.anew || !alike(were, [this.facing, this.lining]);
    if (others) this.dash(dashes);
    this.anew = false;
    if (painted) this.attribute('color').needsUpdate = true;
    return others;
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

  /** Faces and edges of what is shown; with an eye only of those large enough on the screen, the largest first. */
  choose(eye: Eye | null): Part[] {
    const meshes = this.listed;
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
    return meshes.map((object, m) => ({ object, upTo: upTo[m] }));
  }

  /** Dashes need distances along each line, which an index does not allow. */
  private dash(ends: number[]) {
    const position = this.attribute('position');
    const at = new Float32Array(ends.length * 3);
    ends.forEach((v, i) => {
      at[i * 3] = position.getX(v);
      at[i * 3 + 1] = position.getY(v);
      at[i * 3 + 2] = position.getZ(v);
    });
    const { dashes } = this.layers;
    dashes.geometry.dispose();
    dashes.geometry = new THREE.BufferGeometry().setAttribute(
      'position',
      new THREE.BufferAttribute(at, 3),
    );
    dashes.position.copy(this.offset);
    dashes.visible = ends.length > 0;
    dashes.computeLineDistances();
  }

  /** The ends of an item's outline in model coordinates. */
  outline(it: Item, out: number[]) {
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
}

const alike = (a: Int8Array[], b: Int8Array[]): boolean =>
  a.every((list, k) => list.every((v, i) => v === b[k][i]));

/** Pattern and layer of every vertex. */
function stylesOf(d: Drawing): Uint8Array<ArrayBuffer> {
  const out = new Uint8Array(d.positions.length / 3);
  for (const it of d.items) out.fill(styleOf(it), it.firstVertex, it.firstVertex + it.vertices);
  return out;
}
