// Opens files for modelling tools with general-purpose npm packages: glTF with the validator of the Khronos group
// (gltf-validator), DXF with dxf-parser.
//   node open-shapes.mjs FILE…
// Prints one JSON object a line: what the validator finds, or the faces of the drawing with their area by layer.
import { readFileSync } from 'node:fs';
import { validateBytes } from 'gltf-validator';
import DxfParser from 'dxf-parser';

function area(a, b, c) {
  const u = [b.x - a.x, b.y - a.y, b.z - a.z];
  const v = [c.x - a.x, c.y - a.y, c.z - a.z];
  return (
    Math.hypot(u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]) / 2
  );
}

async function gltf(file) {
  const { issues, info } = await validateBytes(new Uint8Array(readFileSync(file)));
  return {
    errors: issues.numErrors,
    warnings: issues.numWarnings,
    infos: issues.numInfos,
    first: issues.messages[0]?.message ?? '',
    meshes: info.drawCallCount,
    triangles: info.totalTriangleCount,
  };
}

function dxf(file) {
  const drawing = new DxfParser().parseSync(readFileSync(file, 'latin1'));
  const faces = drawing.entities.filter((e) => e.type === '3DFACE');
  let sum = 0;
  for (const { vertices: v } of faces) {
    sum += area(v[0], v[1], v[2]) + (v[3] ? area(v[0], v[2], v[3]) : 0);
  }
  return {
    entities: drawing.entities.length,
    faces: faces.length,
    area: sum,
    layers: Object.keys(drawing.tables.layer.layers).length,
    used: new Set(faces.map((f) => f.layer)).size,
  };
}

for (const file of process.argv.slice(2)) {
  const said = file.endsWith('.dxf') ? dxf(file) : await gltf(file);
  console.log(JSON.stringify({ file, ...said }));
}
