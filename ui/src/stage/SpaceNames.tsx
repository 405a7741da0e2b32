import { useEffect, useState } from 'react';
import * as THREE from 'three';
import { free, type Label, widthOf } from './labels';
import type { StageScene } from './StageScene';
import type { Volume } from './volumes';

/** At most so many names stand in the picture. */
const MOST = 40;
/** Where a storey would be lower than so many pixels there is no room for a name. */
const LEAST = 12;
/** So far over the floor a name stands, in metres. */
const OVER = 0.05;

/** Names of the spaces whose floors are seen from near enough. They move with the view; which there are is decided when it rests. */
export function SpaceNames({
  scene,
  size,
  volumes,
}: {
  scene: StageScene | null;
  size: readonly [number, number];
  volumes: Volume[];
}) {
  const [labels, setLabels] = useState<Label[]>([]);
  useEffect(() => {
    if (!scene) return;
    let chosen: Volume[] = [];
    return scene.eachFrame(() => {
      if (scene.resting) chosen = choose(scene, size, volumes);
      setLabels((before) =>
        chosen.length || before.length ? chosen.flatMap((v) => labelOf(scene, size, v)) : before,
      );
    });
  }, [scene, size, volumes]);
  return (
    <div className="pointer-events-none absolute inset-0" aria-hidden data-testid="space-names">
      {labels.map((l) => (
        <span
          key={l.key}
          className="absolute -translate-x-1/2 -translate-y-1/2 rounded-sm bg-paper/80 px-1 text-xs whitespace-nowrap text-ink"
          style={{ left: l.x, top: l.y }}
        >
          {l.name}
        </span>
      ))}
    </div>
  );
}

/** The name of a space on its cut, or else on its floor; none where that is behind the camera or outside. */
function labelOf(scene: StageScene, [width, height]: readonly [number, number], v: Volume) {
  const onCut = scene.placeOnCut(v.key);
  const place = onCut?.place ?? (v.place && { ...v.place, z: v.place.z + OVER });
  const at = place && scene.seenAt(place, width, height);
  if (!at || at.x < 0 || at.y < 0 || at.x > width || at.y > height) return [];
  const room = (onCut?.room ?? v.room) / at.metresPerPixel;
  return [{ key: v.key, name: v.name, x: at.x, y: at.y, room, place, cut: !!onCut }];
}

function choose(scene: StageScene, size: readonly [number, number], volumes: Volume[]): Volume[] {
  if (scene.largestSeen(size[1]) < LEAST) return [];
  const by = new Map(volumes.map((v) => [v.key, v]));
  const wide = volumes.flatMap((v) => labelOf(scene, size, v)).filter((l) => l.room > widthOf(l));
  const probe = scene.probing();
  const eye = scene.world(scene.camera.position);
  return free(wide, MOST, (l) => {
    // nothing stands before a cut that is looked at
    if (l.cut) return true;
    const hit = probe.pick(new THREE.Vector2((l.x / size[0]) * 2 - 1, 1 - (l.y / size[1]) * 2));
    if (!hit || !by.get(l.key)!.sides.includes(hit.key)) return false;
    const { x, y, z } = l.place;
    return scene.world(hit.point).distanceTo(eye) > new THREE.Vector3(x, y, z).distanceTo(eye);
  }).map((l) => by.get(l.key)!);
}
