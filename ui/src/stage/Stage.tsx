import { useEffect, useRef } from 'react';
import type { ModelIndex } from '../model/model';
import { STAGE } from '../model/colours';
import { useLayout } from '../model/layout';
import { usePrinting } from '../model/printing';
import { useView } from '../model/state';
import { offerPictures } from './pictures';
import { Compare } from './Compare';
import { Instruments } from './Instruments';
import { Legend } from './Legend';
import { Measure } from './Measure';
import { SpaceNames } from './SpaceNames';
import { StageTools } from './StageTools';
import { StoreyLadder } from './StoreyLadder';
import type { Subject } from './subject';
import { useCamera } from './useCamera';
import { useLook } from './useLook';
import { type Band, usePointer } from './usePointer';
import { useStageScene } from './useStageScene';

/** The model in 3D: the same picture in every workspace. */
export function Stage({
  index,
  subject,
  elements,
}: {
  index: ModelIndex;
  subject: Subject;
  /** Whether the architect's elements can be shown around the subject. */
  elements: boolean;
}) {
  const { canvas, holder, scene, size } = useStageScene();
  const look = useLook(index, subject, scene);
  const pointer = usePointer(scene, canvas, size);
  const measure = useView((s) => s.measure);
  useCamera(index, subject, scene);

  useEffect(() => {
    useView.setState({ drawn: subject.drawn });
    scene?.setDrawing(subject.drawing, subject.ground, subject.volumes);
  }, [scene, subject]);

  const printing = usePrinting((s) => s.on);
  const theme = useLayout((s) => s.theme);
  useEffect(() => scene?.setTheme(STAGE[printing ? 'print' : theme]), [scene, theme, printing]);

  useEffect(() => scene?.setLook(look), [look, scene]);

  // a browser prints what is drawn at once, and of this canvas only what it has shown
  const sheet = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    if (printing && sheet.current) scene?.drawOnto(sheet.current);
  }, [printing, scene]);

  useEffect(() => offerPictures(scene), [scene]);

  const { hover } = pointer;
  useEffect(() => scene?.setHover(hover?.key ?? null), [scene, hover?.key]);
  const named = hover && subject.named(hover.key);
  return (
    <div className="@container flex min-h-0 flex-1 flex-col">
      <StageTools scene={scene} />
      <div className="flex min-h-0 flex-1">
        <StoreyLadder index={index} heights={subject.heights} />
        <div
          ref={holder}
          className="relative min-h-0 min-w-0 flex-1 overflow-hidden"
          data-testid="stage"
        >
          <canvas
            ref={canvas}
            className="absolute inset-0 h-full w-full print:hidden"
            style={{ cursor: measure ? 'crosshair' : hover ? 'pointer' : 'default' }}
            {...pointer.on}
            onDoubleClick={() => window.dispatchEvent(new CustomEvent('yentra:frame'))}
            role="img"
            aria-label={`The model: ${subject.summary}`}
          />
          <canvas ref={sheet} className="hidden w-full print:block" aria-hidden />
          {measure && scene && (
            <Measure
              scene={scene}
              size={size}
              points={pointer.points}
              snap={pointer.snap}
              clear={pointer.clear}
            />
          )}
          <SpaceNames scene={scene} size={size} volumes={subject.volumes} />
          <Instruments scene={scene} height={size[1]} model={index.model} />
          <Compare />
          {pointer.band && <BandMark band={pointer.band} />}
          {hover && named && (
            <div
              className="pointer-events-none absolute z-10 rounded-sm border border-line bg-panel px-2 py-0.5 text-sm whitespace-nowrap"
              style={{
                left: Math.max(4, Math.min(hover.x + 14, size[0] - 260)),
                top: Math.max(4, hover.y - 28),
              }}
              data-testid="hover"
            >
              {named}
            </div>
          )}
        </div>
      </div>
      <Legend
        legend={subject.legend}
        elements={elements}
        revised={index.model.delivery.revision > 1}
      />
    </div>
  );
}

function BandMark({ band }: { band: Band }) {
  return (
    <div
      className="pointer-events-none absolute border border-kelp bg-kelp/10"
      style={{
        left: Math.min(band.x0, band.x1),
        top: Math.min(band.y0, band.y1),
        width: Math.abs(band.x1 - band.x0),
        height: Math.abs(band.y1 - band.y0),
      }}
    />
  );
}
