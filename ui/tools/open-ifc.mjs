// Opens IFC files with the general-purpose npm package web-ifc and streams their meshes:
//   node open-ifc.mjs ROUNDS FILE…
// Prints one JSON object a line: elements with a mesh, triangles, spaces, the volume of the spaces' meshes in cubic metres,
// and the times of all rounds in milliseconds.
import { readFileSync } from 'node:fs';
import { IfcAPI, IFCSPACE, LogLevel } from 'web-ifc';

/** Six times the volume under the triangles of a mesh, by the divergence theorem. */
function sixfold(vertices, indices) {
  let sum = 0;
  const at = (i, k) => vertices[6 * i + k];
  for (let t = 0; t < indices.length; t += 3) {
    const [a, b, c] = [indices[t], indices[t + 1], indices[t + 2]];
    sum +=
      at(a, 0) * (at(b, 1) * at(c, 2) - at(b, 2) * at(c, 1)) -
      at(a, 1) * (at(b, 0) * at(c, 2) - at(b, 2) * at(c, 0)) +
      at(a, 2) * (at(b, 0) * at(c, 1) - at(b, 1) * at(c, 0));
  }
  return sum;
}

/** Placements turn and shift only, so that the volume of a mesh is that of its geometry. */
function volume(model) {
  let sum = 0;
  api.StreamAllMeshesWithTypes(model, [IFCSPACE], (mesh) => {
    for (let g = 0; g < mesh.geometries.size(); g++) {
      const geometry = api.GetGeometry(model, mesh.geometries.get(g).geometryExpressID);
      const vertices = api.GetVertexArray(geometry.GetVertexData(), geometry.GetVertexDataSize());
      const indices = api.GetIndexArray(geometry.GetIndexData(), geometry.GetIndexDataSize());
      sum += Math.abs(sixfold(vertices, indices)) / 6;
      geometry.delete();
    }
  });
  return sum;
}

const [rounds, ...files] = process.argv.slice(2);
const api = new IfcAPI();
await api.Init();
api.SetLogLevel(LogLevel.LOG_LEVEL_OFF);
for (const file of files) {
  const bytes = readFileSync(file);
  const times = [];
  let meshes = 0;
  let triangles = 0;
  let spaces = 0;
  let volumeOfSpaces = 0;
  for (let i = 0; i < Number(rounds); i++) {
    const start = performance.now();
    const model = api.OpenModel(bytes);
    meshes = 0;
    triangles = 0;
    api.StreamAllMeshes(model, (mesh) => {
      meshes++;
      for (let g = 0; g < mesh.geometries.size(); g++) {
        const geometry = api.GetGeometry(model, mesh.geometries.get(g).geometryExpressID);
        triangles += geometry.GetIndexDataSize() / 3;
        geometry.delete();
      }
    });
    times.push(performance.now() - start);
    spaces = api.GetLineIDsWithType(model, IFCSPACE).size();
    volumeOfSpaces = volume(model);
    api.CloseModel(model);
  }
  console.log(JSON.stringify({ file, meshes, triangles, spaces, volumeOfSpaces, times }));
}
