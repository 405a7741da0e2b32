/** An outline and faces: rings of points as x, y, z, and triangles as numbers of points. */
export interface Shape {
  /** All points, those of the rings first, one ring after the other. */
  points: Float64Array;
  /** How many points each ring has. */
  rings: Uint32Array;
  corners: Uint32Array;
}

/** Shapes of many objects in one block; the server's EnvelopeShapes says how it is laid out. */
export function readShapes(block: ArrayBuffer): Shape[] {
  const head = new Uint32Array(block, 0, 4);
  const [n, ringsInAll, pointsInAll, cornersInAll] = head;
  const words = 4 + 3 * n + ringsInAll + cornersInAll;
  const from = 4 * (words + (words % 2));
  if (block.byteLength !== from + 24 * pointsInAll)
    throw new Error('The shapes of the model came incomplete. Open it again.');
  const counts = new Uint32Array(block, 16, 3 * n);
  const rings = new Uint32Array(block, 16 + 12 * n, ringsInAll);
  const corners = new Uint32Array(block, 16 + 12 * n + 4 * ringsInAll, cornersInAll);
  const points = new Float64Array(block, from, 3 * pointsInAll);
  const out: Shape[] = [];
  let [r, p, c] = [0, 0, 0];
  for (let i = 0; i < n; i++) {
    const [ofRings, ofPoints, ofCorners] = [counts[3 * i], counts[3 * i + 1], counts[3 * i + 2]];
    out.push({
      rings: rings.subarray(r, r + ofRings),
      points: points.subarray(3 * p, 3 * (p + ofPoints)),
      corners: corners.subarray(c, c + ofCorners),
    });
    r += ofRings;
    p += ofPoints;
    c += ofCorners;
  }
  return out;
}

/** The same of an object that comes with its rings and triangles as lists of coordinates. */
export function shapeOf(rings: number[][], triangles: number[]): Shape {
  const points: number[] = rings.flat();
  const known = new Map<string, number>();
  const at = (x: number, y: number, z: number) => `${x} ${y} ${z}`;
  for (let i = points.length - 3; i >= 0; i -= 3)
    known.set(at(points[i], points[i + 1], points[i + 2]), i / 3);
  const corners: number[] = [];
  for (let i = 0; i + 2 < triangles.length; i += 3) {
    const [x, y, z] = triangles.slice(i, i + 3);
    let k = known.get(at(x, y, z));
    if (k === undefined) {
      k = points.length / 3;
      known.set(at(x, y, z), k);
      points.push(x, y, z);
    }
    corners.push(k);
  }
  return {
    points: Float64Array.from(points),
    rings: Uint32Array.from(rings.map((r) => r.length / 3)),
    corners: Uint32Array.from(corners),
  };
}

/** The rings as lists of coordinates. */
export function ringsOf(s: Shape): number[][] {
  const out: number[][] = [];
  let from = 0;
  for (const n of s.rings) {
    out.push(Array.from(s.points.subarray(from, from + 3 * n)));
    from += 3 * n;
  }
  return out;
}
