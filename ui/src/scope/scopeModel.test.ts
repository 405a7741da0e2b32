import { describe, expect, it } from 'vitest';
import type { Scope } from '../model/api';
import { Picking } from '../stage/drawing';
import * as THREE from 'three';
import { familyOf, plain } from './families';
import { alike, elementSubject, indexScope, readMesh } from './scopeModel';

const scope: Scope = {
  version: 3,
  keys: ['w', 'c', 's'],
  names: ['North wall', 'Chair', ''],
  classes: { words: ['IfcWall', 'IfcFurniture', 'IfcSpace'], of: [0, 1, 2] },
  predefined: { words: [''], of: [0, 0, 0] },
  types: { words: ['', 'Type A'], of: [1, 0, 0] },
  storeys: { words: ['Ground'], of: [0, 0, 0] },
  layers: { words: [''], of: [0, 0, 0] },
  materials: { words: ['Brick', ''], of: [0, 1, 1] },
  in: [1, 0, 1],
  byHand: [0, 0, 1],
  reasons: { words: ['row 2', 'the rest is out'], of: [0, 1, 0] },
  faults: [1, 0, 0],
  counts: [],
  requirements: [],
  unmet: [{ element: 0, row: 4, missing: true, value: '', reason: 'is missing' }],
  writable: true,
};

/** Two triangles far from the origin, as the server sends them: the wall at x 1000, the chair behind it. */
function block(): ArrayBuffer {
  const b = new DataView(new ArrayBuffer(40 + 2 * 16 + 6 * 12 + 6 * 4 + 12 * 4));
  let at = 0;
  const int = (...list: number[]) => list.forEach((v) => (b.setInt32(at, v, true), (at += 4)));
  const real = (...list: number[]) => list.forEach((v) => (b.setFloat32(at, v, true), (at += 4)));
  int(2, 6, 6, 12);
  for (const o of [1000, 2000, 0]) {
    b.setFloat64(at, o, true);
    at += 8;
  }
  int(0, 0, 0, 0, 1, 3, 3, 6);
  real(0, 0, 0, 4, 0, 0, 0, 0, 3);
  real(0, 2, 0, 4, 2, 0, 0, 2, 3);
  int(0, 1, 2, 3, 4, 5);
  int(0, 1, 1, 2, 2, 0, 3, 4, 4, 5, 5, 3);
  return b.buffer;
}

describe('scope on the stage', () => {
  const index = indexScope(scope);

  it('makes a row of every element', () => {
    expect(index.rows[0]).toMatchObject({
      key: 'w',
      entity: 'IfcWall',
      type: 'Type A',
      material: 'Brick',
      isIn: true,
      unmet: 1,
    });
    expect(index.isIn).toBe(2);
    expect(index.unmetOf.get(0)).toHaveLength(1);
    expect(alike(index, index.rows[0], 'storey')).toEqual(['w', 'c', 's']);
  });

  it('reads the block of bodies and draws what is out faintly', () => {
    const mesh = readMesh(block());
    expect([...mesh.places]).toEqual([0, 1]);
    const subject = elementSubject(index, mesh, [{ name: 'Ground', level: 0 }]);
    const [wall, chair] = subject.drawing.items;
    expect(wall).toMatchObject({ key: 'w', group: 'walls', faint: false, triangles: 1, lines: 3 });
    expect(chair).toMatchObject({ key: 'c', group: 'out', faint: true, firstVertex: 3, far: true });
    expect(subject.heights).toEqual([0, 3]);
    expect(subject.legend.entries.map((e) => e.key)).toEqual(['walls', 'out']);
    expect(subject.named('c')).toBe('Furniture Chair · out: the rest is out');
  });

  it('finds what lies under the pointer, unless it does not count', () => {
    const { drawing } = elementSubject(index, readMesh(block()), []);
    const ray = new THREE.Ray(new THREE.Vector3(1, -5, 1), new THREE.Vector3(0, 1, 0));
    const first = (counts: (i: number) => boolean) =>
      new Picking(drawing).first(
        ray,
        counts,
        () => 0,
        () => true,
      );
    expect(first(() => true)).toMatchObject({ item: 0, point: { x: 1, y: 0, z: 1 } });
    expect(first((i) => i > 0)?.item).toBe(1);
    expect(first(() => false)).toBeNull();
  });
});

describe('families', () => {
  it.each([
    ['IfcWallStandardCase', '', 'walls'],
    ['IfcCurtainWall', '', 'walls'],
    ['IfcSlab', '', 'floors'],
    ['IfcPipeSegment', '', 'services'],
    ['IfcBuildingElementProxy', '', 'other'],
    ['Surface', 'ExteriorWall', 'walls'],
    ['Surface', 'SlabOnGrade', 'floors'],
    ['Surface', 'Shade', 'shading'],
    ['Opening', 'FixedSkylight', 'windows'],
    ['Opening', 'NonSlidingDoor', 'doors'],
    ['Space', 'Museum', 'spaces'],
  ])('%s %s is one of the %s', (entity, predefined, family) => {
    expect(familyOf(entity, predefined).key).toBe(family);
  });

  it('says classes in words', () => {
    expect(plain('IfcCurtainWall')).toBe('Curtain wall');
    expect(plain('IfcWallStandardCase')).toBe('Wall');
  });
});
