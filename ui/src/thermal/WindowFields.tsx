import type { LibraryAnswer } from '../model/api';
import { figures, useUnits } from '../model/units';
import { Picker } from './Picker';
import type { WindowForm } from './useWindowDesign';

/** What it is glazed with: panes and gaps, or a U-value that is known. */
export function GlassFields({ form }: { form: WindowForm }) {
  const units = useUnits();
  const {
    values: n,
    field,
    byPanes,
    setByPanes,
    gas,
    setGas,
    slope,
    setSlope,
    bySun,
    setBySun,
  } = form;
  return (
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
  );
}

/** The frame, what stands before and behind, and the size. */
export function FrameFields({ form, answer }: { form: WindowForm; answer: LibraryAnswer }) {
  const units = useUnits();
  const { text: t, set, values: n, field, byPanes, frame, setFrame, twice, setTwice } = form;
  return (
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
  );
}
