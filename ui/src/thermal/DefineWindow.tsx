import { useState } from 'react';
import type { LibraryAnswer } from '../model/api';

import { figures, useUnits } from '../model/units';
import { KeepIt, TextField } from './EntryFields';
import { NOTHING, type Keep } from './entries';
import { plain } from '../model/specs';
import { useWindowDesign } from './useWindowDesign';
import { FrameFields, GlassFields } from './WindowFields';

/** A window type put together of glass and frame; its values follow as they are typed. */
export function DefineWindow({
  answer,
  keep,
  leave,
}: {
  answer: LibraryAnswer;
  keep: Keep;
  leave: () => void;
}) {
  const units = useUnits();
  const [name, setName] = useState('');
  const form = useWindowDesign();
  const { data, refused, numbers, byPanes, frame } = form;
  const problem = !name.trim()
    ? 'It needs a name.'
    : !numbers
      ? 'All values must be numbers; panes and lights whole ones.'
      : refused;
  return (
    <div className="flex flex-col gap-1" data-testid="define-window">
      <p className="sticky top-0 z-10 -mx-3 bg-panel px-3 pt-2 pb-1 font-semibold">
        A new window type
        {data && !refused && (
          <span className="font-normal text-muted" data-testid="entry-u">
            : U {figures(units.uValue.to(data.uValue))} {units.uValue.unit}, solar gain{' '}
            {figures(data.solarHeatGain)} of the whole window
          </span>
        )}
      </p>
      {data && !refused && (
        <p className="text-sm text-muted">
          Glass U {figures(units.uValue.to(data.glassUValue))} {units.uValue.unit}; frame{' '}
          {figures(100 * data.frameShare)} % of the area; edge {units.length.text(data.edge)} (ISO
          10077-1, EN 673)
          {data.shutteredUValue != null &&
            `; with the shutter closed U ${figures(units.uValue.to(data.shutteredUValue))} ${units.uValue.unit}`}
        </p>
      )}
      <TextField label="Name" value={name} onChange={setName} testId="entry-name" />
      <div className="grid grid-cols-2 gap-5">
        <GlassFields form={form} />
        <FrameFields form={form} answer={answer} />
      </div>
      <KeepIt
        problem={problem}
        onLeave={leave}
        onKeep={(shared) =>
          data &&
          keep(
            {
              ...NOTHING,
              glazings: [
                {
                  name: name.trim(),
                  category: 'Own',
                  uValue: data.uValue,
                  solarHeatGain: data.solarHeatGain,
                  visibleTransmittance: data.visibleTransmittance,
                  source: `glass and frame${frame ? `, ${frame}` : ''}, by ISO 10077-1${byPanes ? ' and EN 673' : ''}`,
                },
              ],
            },
            [`window type:${plain(name)}`],
            shared,
          )
        }
      />
    </div>
  );
}
