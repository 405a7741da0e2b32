// Opens IFC files with the general-purpose npm package web-ifc and streams their meshes:
//   node open-ifc.mjs ROUNDS FILE…
// Prints one JSON object a line: elements with a mesh, triangles, spaces, and the times of all rounds in milliseconds.
import { readFileSync } from 'node:fs';
import { IfcAPI, IFCSPACE, LogLevel } from 'web-ifc';

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
    api.CloseModel(model);
  }
  console.log(JSON.stringify({ file, meshes, triangles, spaces, times }));
}
