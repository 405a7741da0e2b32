// A block of boxes side by side as the server sends it: so many elements of a few classes, and their bodies.
export function block(n) {
  const classes = ['IfcWall', 'IfcSlab', 'IfcWindow', 'IfcFurniture', 'IfcPipeSegment'];
  const places = Array.from({ length: n }, (_, i) => i);
  const words = (list, of) => ({ words: list, of: places.map(of) });
  const scope = {
    version: 1,
    keys: places.map((i) => `key-${i}`),
    names: places.map((i) => `Element ${(i * 7919) % n}`),
    classes: words(classes, (i) => i % 5),
    predefined: words(['', 'STANDARD'], (i) => i % 2),
    types: words(['', 'Type A', 'Type B'], (i) => i % 3),
    storeys: words(
      Array.from({ length: 40 }, (_, i) => `Storey ${i}`),
      (i) => i % 40,
    ),
    layers: words([''], () => 0),
    materials: words(['', 'Brick', 'Concrete'], (i) => i % 3),
    in: places.map((i) => (i % 5 < 3 ? 1 : 0)),
    byHand: places.map(() => 0),
    reasons: words(
      ['row 4: IfcWall', 'no rule of the sheet names it; the rest is out'],
      (i) => i % 2,
    ),
    faults: places.map((i) => (i % 11 ? 0 : 1)),
    counts: [],
    requirements: [],
    unmet: [],
    writable: true,
  };
  // boxes side by side, as the server sends them
  const corners = [0, 1, 2, 3, 4, 5, 6, 7].map((i) => [i & 1, (i >> 1) & 1, i >> 2]);
  const faces = [
    0, 1, 3, 0, 3, 2, 4, 6, 7, 4, 7, 5, 0, 4, 5, 0, 5, 1, 2, 3, 7, 2, 7, 6, 0, 2, 6, 0, 6, 4, 1, 5,
    7, 1, 7, 3,
  ];
  const rims = [0, 1, 1, 3, 3, 2, 2, 0, 4, 5, 5, 7, 7, 6, 6, 4, 0, 4, 1, 5, 2, 6, 3, 7];
  const side = Math.ceil(Math.cbrt(n));
  const positions = new Float32Array(n * 24);
  const triangles = new Uint32Array(n * 36);
  const lines = new Uint32Array(n * 24);
  const firsts = new Int32Array(n * 3);
  for (let i = 0; i < n; i++) {
    const at = [i % side, Math.floor(i / side) % side, Math.floor(i / side / side)];
    corners.forEach((c, k) =>
      c.forEach((v, d) => (positions[i * 24 + k * 3 + d] = at[d] * 1.4 + v)),
    );
    faces.forEach((v, k) => (triangles[i * 36 + k] = i * 8 + v));
    rims.forEach((v, k) => (lines[i * 24 + k] = i * 8 + v));
    firsts.set([i * 8, i * 36, i * 24], i * 3);
  }
  const mesh = {
    places: Int32Array.from(places),
    firsts,
    origin: [0, 0, 0],
    positions,
    triangles,
    lines,
  };
  return { scope, mesh };
}
