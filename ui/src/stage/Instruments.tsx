import { useEffect, useState } from 'react';
import type { Model } from '../model/api';
import { NorthRose } from './NorthRose';
import { ScaleBar } from './ScaleBar';
import type { StageScene } from './StageScene';

/** What turns with the view: north and scale. Drawn anew with the pictures, so that nothing else of the page is. */
export function Instruments({
  scene,
  height,
  model,
}: {
  scene: StageScene | null;
  height: number;
  model: Model;
}) {
  const [heading, setHeading] = useState(0);
  const [metresPerPixel, setScale] = useState(0);
  useEffect(
    () =>
      scene?.eachFrame(() => {
        setHeading(Math.round(scene.heading() * 2) / 2);
        // to three digits: what cannot be seen is not drawn anew
        setScale(Number(scene.controls.metresPerPixel(height).toPrecision(3)));
      }),
    [scene, height],
  );
  return (
    <>
      <ScaleBar metresPerPixel={metresPerPixel} />
      <NorthRose
        petals={model.glazing}
        heading={heading + (model.northAzimuth ?? 0)}
        known={model.northAzimuth != null}
      />
    </>
  );
}
