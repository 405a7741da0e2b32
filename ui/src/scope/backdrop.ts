import type { ScopeIndex, Mesh } from './scopeModel';
import { scopeDrawing } from './scopeModel';
import type { Drawing } from '../stage/drawing';
import type { Subject } from '../stage/subject';
import { BACKDROP } from '../model/colours';

const GROUP = 'construction';
const COLOUR = BACKDROP;

/** The envelope with the architect's elements around it as pale ghosts, which cannot be picked. */
export function withElements(envelope: Subject, index: ScopeIndex, mesh: Mesh): Subject {
  const elements = scopeDrawing(index, mesh, [], []);
  const ghosts = elements.items.filter(
    (it) => index.byKey.get(it.key)?.isIn && !/^Ifc(Space|Opening|Virtual)/.test(entity(it.key)),
  );
  function entity(key: string): string {
    return index.byKey.get(key)?.entity ?? '';
  }
  const a = envelope.drawing;
  const vertices = a.positions.length / 3;
  const shift = elements.origin.map((o, k) => o - a.origin[k]);
  const positions = new Float32Array(a.positions.length + elements.positions.length);
  positions.set(a.positions);
  elements.positions.forEach((v, i) => (positions[a.positions.length + i] = v + shift[i % 3]));
  const moved = (own: Uint32Array, others: Uint32Array) => {
    const out = new Uint32Array(own.length + others.length);
    out.set(own);
    others.forEach((v, i) => (out[own.length + i] = v + vertices));
    return out;
  };
  const drawing: Drawing = {
    ...a,
    positions,
    triangles: moved(a.triangles, elements.triangles),
    lines: moved(a.lines, elements.lines),
    items: [
      ...a.items,
      ...ghosts.map((it) => ({
        ...it,
        group: GROUP,
        colour: COLOUR,
        opacity: 0.1,
        faint: true,
        far: true,
        backdrop: true,
        firstVertex: it.firstVertex + vertices,
        firstTriangle: it.firstTriangle + a.triangles.length / 3,
        firstLine: it.firstLine + a.lines.length / 2,
      })),
    ],
  };
  return { ...envelope, drawing };
}
