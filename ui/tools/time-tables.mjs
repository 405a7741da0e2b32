// Times what the interface does with many elements, by the code it ships:
//   node time-tables.mjs ELEMENTS
// Prints one JSON object: the median of five rounds in milliseconds for each step.
import { createServer } from 'vite';
import { block } from './block.mjs';

const n = Number(process.argv[2]);
const server = await createServer({ server: { middlewareMode: true }, logLevel: 'silent' });
const load = (file) => server.ssrLoadModule(file);
const { arranged } = await load('/src/shared/order.ts');
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

const { scope, mesh } = block(n);
const index = indexScope(scope);
const columns = [
  { id: 'name', value: (r) => r.name },
  { id: 'entity', value: (r) => r.entity },
  { id: 'unmet', number: true, value: (r) => r.unmet || null },
];

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
