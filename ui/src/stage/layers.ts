import * as THREE from 'three';
import { faceMaterial, shadowMaterial, written, type Shared } from './material';

/** The handful of buffers that everything is drawn in, from the ground up: shadow, faces, faces seen through, lines. */
export function makeLayers(shared: Shared, clippingPlanes: THREE.Plane[]) {
  const faces = (given: THREE.MeshBasicMaterialParameters) =>
    new THREE.Mesh(new THREE.BufferGeometry(), faceMaterial(shared, { clippingPlanes, ...given }));
  const lines = (material: THREE.LineBasicMaterial) =>
    new THREE.LineSegments(new THREE.BufferGeometry(), written(material));
  const line = (opacity: number) =>
    lines(new THREE.LineBasicMaterial({ transparent: true, clippingPlanes, opacity }));
  const solid = faces({});
  const layers = {
    shadow: new THREE.Mesh(solid.geometry, shadowMaterial()),
    solid,
    clear: faces({ transparent: true, depthWrite: false }),
    edges: line(0.75),
    faintEdges: line(0.12),
    dashes: lines(new THREE.LineDashedMaterial({ dashSize: 0.25, gapSize: 0.18, clippingPlanes })),
  };
  layers.shadow.matrixAutoUpdate = false;
  const order = { shadow: -1, solid: 0, clear: 1, edges: 2, faintEdges: 2, dashes: 2 };
  for (const [name, o] of Object.entries(layers)) {
    o.renderOrder = order[name as keyof typeof order];
    o.frustumCulled = false;
  }
  return layers;
}
