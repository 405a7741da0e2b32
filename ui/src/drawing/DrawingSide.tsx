import { useBoard } from './board';
import { BuildingFields } from './BuildingFields';
import { Selected } from './Selected';
import { StoreyFields } from './StoreyFields';
import { ToolFields } from './ToolFields';
import { UnderlayFields } from './UnderlayFields';
import type { Drawn } from './useDrawing';
import { useStorey } from './useStorey';

/** Beside the board: what is selected or drawn, the storey, its pictures, and the building by numbers. */
export function DrawingSide({ drawn }: { drawn: Drawn }) {
  const part = useBoard((s) => s.part);
  const storey = useStorey(drawn);
  return (
    <div className="flex flex-col gap-3">
      {part && <Selected key={JSON.stringify(part)} drawn={drawn} storey={storey} part={part} />}
      <ToolFields />
      <StoreyFields key={storey} drawn={drawn} storey={storey} />
      <UnderlayFields drawn={drawn} storey={storey} />
      <BuildingFields drawn={drawn} />
    </div>
  );
}
