// Volumes of the spaces of an IFC file, from the triangle meshes of the npm package web-ifc (a general-purpose reader).
//   npm install web-ifc && node space-volumes.mjs FILE
// Prints one line a space: GlobalId, tab, volume in cubic metres by the divergence theorem over the mesh.
import { readFileSync } from 'node:fs';
import * as WebIFC from 'web-ifc';

const api = new WebIFC.IfcAPI();
await api.Init();
const model = api.OpenModel(new Uint8Array(readFileSync(process.argv[2])));
const ids = api.GetLineIDsWithType(model, WebIFC.IFCSPACE);
for (let k = 0; k < ids.size(); k++) {
  const space = api.GetLine(model, ids.get(k));
  const mesh = api.GetFlatMesh(model, ids.get(k));
  let volume = 0;
  for (let g = 0; g < mesh.geometries.size(); g++) {
    const placed = mesh.geometries.get(g);
    const m = placed.flatTransformation;
    const geometry = api.GetGeometry(model, placed.geometryExpressID);
    const v = api.GetVertexArray(geometry.GetVertexData(), geometry.GetVertexDataSize());
    const index = api.GetIndexArray(geometry.GetIndexData(), geometry.GetIndexDataSize());
    const at = (i) => {
      const [x, y, z] = [v[6 * i], v[6 * i + 1], v[6 * i + 2]];
      return [m[0] * x + m[4] * y + m[8] * z + m[12], m[1] * x + m[5] * y + m[9] * z + m[13], m[2] * x + m[6] * y + m[10] * z + m[14]];
    };
    for (let t = 0; t < index.length; t += 3) {
      const [a, b, c] = [at(index[t]), at(index[t + 1]), at(index[t + 2])];
      volume +=
        (a[0] * (b[1] * c[2] - b[2] * c[1]) - a[1] * (b[0] * c[2] - b[2] * c[0]) + a[2] * (b[0] * c[1] - b[1] * c[0])) / 6;
    }
  }
  console.log(`${space.GlobalId.value}\t${Math.abs(volume).toFixed(6)}`);
}
