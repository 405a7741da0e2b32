// Times what the interface does with many elements, by the code it ships:
//   node time-tables.mjs ELEMENTS
// Prints one JSON object: the median of five rounds in milliseconds for each step.
import { createServer } from 'vite';

const n = Number(process.argv[2]);
const server = await createServer({ server: { middlewareMode: true }, logLevel: 'silent' });
const load = (file) => server.ssrLoadModule(file);
const { arranged } = await load('/src/sheet/order.ts');
const { indexScope, scopeDrawing } = await load('/src/scope/scopeModel.ts');
const { Picking } = await load('/src/stage/drawing.ts');
const THREE = await import('three');

function median(step) {
  const times = [];
  for (let i = 0; i < 6; i++) {
    const start = performance.now();
    step(i);
    times.push(performance.now() - start);
  }
  return times.slice(1).sort((a, b) => a - b)[2];
}

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
const index = indexScope(scope);
const columns = [
  { id: 'name', value: (r) => r.name },
  { id: 'entity', value: (r) => r.entity },
  { id: 'unmet', number: true, value: (r) => r.unmet || null },
];

// boxes side by side, as the server sends them
const corners = [0, 1, 2, 3, 4, 5, 6, 7].map((i) => [i & 1, (i >> 1) & 1, i >> 2]);
const faces = [
  0, 1, 3, 0, 3, 2, 4, 6, 7, 4, 7, 5, 0, 4, 5, 0, 5, 1, 2, 3, 7, 2, 7, 6, 0, 2, 6, 0, 6, 4, 1, 5, 7,
  1, 7, 3,
];
const rims = [0, 1, 1, 3, 3, 2, 2, 0, 4, 5, 5, 7, 7, 6, 6, 4, 0, 4, 1, 5, 2, 6, 3, 7];
const side = Math.ceil(Math.cbrt(n));
const positions = new Float32Array(n * 24);
const triangles = new Uint32Array(n * 36);
const lines = new Uint32Array(n * 24);
const firsts = new Int32Array(n * 3);
for (let i = 0; i < n; i++) {
  const at = [i % side, Math.floor(i / side) % side, Math.floor(i / side / side)];
  corners.forEach((c, k) => c.forEach((v, d) => (positions[i * 24 + k * 3 + d] = at[d] * 1.4 + v)));
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
const drawing = scopeDrawing(index, mesh, [], []);
const picking = new Picking(drawing);
const ray = new THREE.Ray(
  new THREE.Vector3(-50, -60, 40),
  new THREE.Vector3(0.6, 0.75, -0.3).normalize(),
);

const out = {
  'rows from the answer': median(() => indexScope(scope)),
  'filter by a word in the name': median((i) =>
    arranged(index.rows, columns, { name: `t ${i}` }, null),
  ),
  'filter by number': median(() => arranged(index.rows, columns, { unmet: '> 0' }, null)),
  'sort by name': median((i) =>
    arranged(index.rows, columns, {}, { column: 'name', down: i % 2 > 0 }),
  ),
  'sort by class': median((i) =>
    arranged(index.rows, columns, {}, { column: 'entity', down: i % 2 > 0 }),
  ),
  'drawing after a change of scope': median(() => scopeDrawing(index, mesh, [], [])),
  'what lies under the pointer': median(() =>
    picking.first(
      ray,
      () => true,
      () => 0,
      () => true,
    ),
  ),
};
console.log(JSON.stringify(out));
await server.close();
