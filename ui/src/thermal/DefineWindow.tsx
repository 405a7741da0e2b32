import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, ProblemError, type LibraryAnswer, type WindowDesign } from '../model/api';

import { figures, useUnits } from '../model/units';
import { KeepIt, TextField } from './EntryFields';
import { useNumbers } from './useNumbers';
import { NOTHING, type Keep } from './entries';
import { Picker } from './Picker';
import { plain } from './specs';

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
  const [byPanes, setByPanes] = useState(true);
  const [gas, setGas] = useState<WindowDesign['glass']['gas']>('ARGON');
  const [frame, setFrame] = useState('');
  const {
    text: t,
    set,
    values: n,
    allNumbers,
    field,
  } = useNumbers(() => ({
    width: figures(units.thickness.to(1.23)),
    height: figures(units.thickness.to(1.48)),
    frame: figures(units.thickness.to(0.11)),
    mullion: figures(units.thickness.to(0.1)),
    lights: '1',
    uf: figures(units.uValue.to(1.4)),
    psi: figures(units.linear.to(0.08)),
    ug: figures(units.uValue.to(1.1)),
    panes: '2',
    pane: figures(units.thickness.to(0.004)),
    gap: figures(units.thickness.to(0.016)),
    filled: '90',
    emissivity: '0.03',
    g: '0.6',
    vt: '0.8',
    through: '0.45',
    absorbed: '0.28',
    absorbedInside: '0.05',
    frameSun: '0',
    shutter: '0',
    second: figures(units.uValue.to(2.8)),
    space: figures(units.resistance.to(0.17)),
  }));
  const [slope, setSlope] = useState<NonNullable<WindowDesign['slope']>>('UPRIGHT');
  const [bySun, setBySun] = useState(false);
  const [twice, setTwice] = useState(false);
  const design: WindowDesign = {
    width: units.thickness.from(n.width),
    height: units.thickness.from(n.height),
    frame: units.thickness.from(n.frame),
    mullion: units.thickness.from(n.mullion),
    lights: n.lights,
    glass: {
      uValue: byPanes ? null : units.uValue.from(n.ug),
      panes: n.panes,
      thickness: units.thickness.from(n.pane),
      gap: units.thickness.from(n.gap),
      gas,
      filled: n.filled / 100,
      emissivity: n.emissivity,
      solarHeatGain: n.g,
      visibleTransmittance: n.vt,
      sun:
        byPanes && bySun && n.panes <= 2
          ? { transmitted: n.through, outer: n.absorbed, inner: n.absorbedInside }
          : undefined,
    },
    frameUValue: units.uValue.from(n.uf),
    psi: units.linear.from(n.psi),
    slope: byPanes ? slope : undefined,
    frameAbsorption: n.frameSun || undefined,
    shutter: n.shutter ? units.resistance.from(n.shutter) : undefined,
    second: twice
      ? { uValue: units.uValue.from(n.second), space: units.resistance.from(n.space) }
      : undefined,
  };
  const numbers = allNumbers && Number.isInteger(n.lights) && Number.isInteger(n.panes);
  const { data, error } = useQuery({
    queryKey: ['window', design],
    queryFn: () => api.designWindow(design),
    enabled: numbers,
    retry: false,
    placeholderData: (before) => before,
  });
  const refused = error instanceof ProblemError ? error.message : null;
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
        <div className="flex flex-col gap-1">
          <h4 className="kicker mt-1">Glass</h4>
          <div className="flex gap-3 text-sm">
            {(
              [
                [true, 'of panes'],
                [false, 'U-value known'],
              ] as const
            ).map(([v, label]) => (
              <label key={label} className="flex items-center gap-1.5">
                <input
                  type="radio"
                  className="accent-kelp"
                  checked={byPanes === v}
                  onChange={() => setByPanes(v)}
                />
                {label}
              </label>
            ))}
          </div>
          {byPanes ? (
            <>
              {field('panes', 'Panes, one behind the other')}
              {field('pane', 'Each thick', units.thickness.unit)}
              {n.panes > 1 && (
                <>
                  {field('gap', 'Gaps', units.thickness.unit)}
                  <label className="flex items-center gap-2 text-sm">
                    <span className="flex-1 text-muted">Filled with</span>
                    <select
                      className="field"
                      value={gas}
                      onChange={(e) => setGas(e.target.value as typeof gas)}
                    >
                      <option value="AIR">Air</option>
                      <option value="ARGON">Argon</option>
                      <option value="KRYPTON">Krypton</option>
                    </select>
                  </label>
                  {gas !== 'AIR' && field('filled', 'of the gap', '%')}
                  {field('emissivity', 'Emissivity of the coated face; 0.837 for none')}
                </>
              )}
            </>
          ) : (
            field('ug', 'U-value of the glass', units.uValue.unit)
          )}
          {byPanes && (
            <label className="flex items-center gap-2 text-sm">
              <span className="flex-1 text-muted">It lies</span>
              <select
                className="field"
                aria-label="It lies"
                value={slope}
                onChange={(e) => setSlope(e.target.value as typeof slope)}
              >
                <option value="UPRIGHT">upright</option>
                <option value="HALFWAY">at 45°</option>
                <option value="LEVEL">level</option>
              </select>
            </label>
          )}
          {byPanes && n.panes <= 2 && (
            <label className="flex items-center gap-1.5 text-sm">
              <input
                type="checkbox"
                className="accent-kelp"
                checked={bySun}
                onChange={(e) => setBySun(e.target.checked)}
              />
              g from what the panes do with the sun (EN 410)
            </label>
          )}
          {byPanes && bySun && n.panes <= 2 ? (
            <>
              {field('through', 'Sun let through, 0 to 1')}
              {field('absorbed', 'Absorbed by the outer pane')}
              {n.panes === 2 && field('absorbedInside', 'Absorbed by the inner pane')}
            </>
          ) : (
            field('g', 'Solar heat gain coefficient of the glass')
          )}
          {field('vt', 'Visible transmittance of the glass')}
        </div>
        <div className="flex flex-col gap-1">
          <h4 className="kicker mt-1">Frame and edge</h4>
          <div>
            <Picker
              label={frame || 'Take one of the library'}
              choices={answer.library.frames.map((f) => ({
                id: f.name,
                label: f.name,
                detail: f.uValue == null ? undefined : `U ${figures(units.uValue.to(f.uValue))}`,
                group: 'Frames',
                title: f.source,
              }))}
              onPick={(id) => {
                const f = answer.library.frames.find((x) => x.name === id)!;
                const psi = byPanes && n.panes > 1 && n.emissivity < 0.8 ? f.psiCoated : f.psiClear;
                setFrame(id);
                set({
                  uf: f.uValue == null ? t.uf : figures(units.uValue.to(f.uValue)),
                  psi: psi == null ? t.psi : figures(units.linear.to(psi)),
                });
              }}
            />
          </div>
          {field('uf', 'U-value of the frame', units.uValue.unit)}
          {field('psi', 'ψ of the edge', units.linear.unit)}
          {field('frame', 'Frame seen from the front', units.thickness.unit)}
          {field('frameSun', 'Sun absorbed by the frame, 0 to 1')}
          <h4 className="kicker mt-1">Before and behind</h4>
          {field('shutter', 'Closed shutter adds', units.resistance.unit)}
          <label className="flex items-center gap-1.5 text-sm">
            <input
              type="checkbox"
              className="accent-kelp"
              checked={twice}
              onChange={(e) => setTwice(e.target.checked)}
            />
            a second window behind it
          </label>
          {twice && (
            <>
              {field('second', 'Its U-value', units.uValue.unit)}
              {field('space', 'Air between the two', units.resistance.unit)}
            </>
          )}
          <h4 className="kicker mt-1">Size</h4>
          {field('width', 'Width', units.thickness.unit)}
          {field('height', 'Height', units.thickness.unit)}
          {field('lights', 'Lights side by side')}
          {n.lights > 1 && field('mullion', 'Mullions between them', units.thickness.unit)}
        </div>
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
