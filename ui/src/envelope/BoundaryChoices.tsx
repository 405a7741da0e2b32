import { api } from '../model/api';
import type { ModelIndex } from '../model/model';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { count } from '../model/words';
import { useUnits } from '../model/units';
import { EnclosedVolumes } from './EnclosedVolumes';
import type { Boundaries, Choices } from './useBoundaries';

/** The choices behind the boundaries, for the project and for the spaces selected. */
export function BoundaryChoices({
  index,
  boundaries: b,
  edits,
}: {
  index: ModelIndex;
  boundaries: Boundaries;
  edits: Edits;
}) {
  const ifc = index.model.delivery.format === 'ifc';
  return (
    <div className="w-72 shrink-0 overflow-y-auto border-l border-line px-3 py-2">
      {b.changed && <Effect b={b} />}
      {ifc && <ForAll b={b} />}
      {ifc && <ForSelected index={index} edits={edits} />}
      <EnclosedVolumes index={index} edits={edits} />
      <Light index={index} />
      <h2 className="kicker mt-2">Assumed ({index.model.assumed.length})</h2>
      <ul>
        {index.model.assumed.map((n, i) => (
          <li key={i} className="border-b border-line/60 py-0.5 text-sm">
            {n}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** What the choices that are looked at would change, and the way on. */
function Effect({ b }: { b: Boundaries }) {
  const lines: [string, keyof NonNullable<Boundaries['now']>][] = [
    ['Surfaces', 'surfaces'],
    ['Between two spaces', 'pairs'],
    ['Openings', 'openings'],
    ['Blockers', 'blockers'],
    ['Errors', 'errors'],
    ['Warnings', 'warnings'],
  ];
  return (
    <section className="mb-2 border-b border-line pb-2" data-testid="boundary-effect">
      {b.problem ? (
        <p className="text-blocker">{b.problem}</p>
      ) : b.tried && b.now ? (
        <table className="w-full">
          <thead>
            <tr className="text-muted">
              <th className="text-left font-normal">What changes</th>
              <th className="text-right font-normal">now</th>
              <th className="text-right font-normal">then</th>
            </tr>
          </thead>
          <tbody>
            {lines.map(([label, k]) => (
              <tr key={k}>
                <td>{label}</td>
                <td className="text-right text-muted">{String(b.now![k])}</td>
                <td className="text-right">
                  {b.now![k] === b.tried![k] ? String(b.tried![k]) : <b>{String(b.tried![k])}</b>}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : (
        <label className="block text-muted">
          Working it out … {Math.round(b.share * 100)} %
          <progress className="mt-0.5 block h-1.5 w-full accent-kelp" value={b.share} />
        </label>
      )}
      <div className="mt-1.5 flex gap-1.5">
        <button
          className="btn btn-main"
          data-testid="boundary-make"
          disabled={!b.tried || b.saving}
          onClick={() => void b.make()}
        >
          Make it so
        </button>
        <button className="btn" data-testid="boundary-leave" onClick={b.leave}>
          {b.trying ? 'Cancel' : 'Leave it as it is'}
        </button>
      </div>
    </section>
  );
}

function ForAll({ b }: { b: Boundaries }) {
  const units = useUnits();
  const c = b.choices;
  return (
    <>
      <label className="flex items-center justify-between gap-2">
        <span className="text-muted">Boundaries</span>
        <select
          className="field w-40"
          data-testid="boundary-mode"
          value={c.mode ?? 'AUTO'}
          onChange={(e) => b.choose({ mode: e.target.value as Choices['mode'] })}
        >
          <option value="AUTO">delivered if sound</option>
          <option value="DERIVE">all derived</option>
          <option value="KEEP">all as delivered</option>
        </select>
      </label>
      <label className="mt-1 flex items-center justify-between gap-2">
        <span className="text-muted">Drawn on</span>
        <select
          className="field w-40"
          data-testid="boundary-convention"
          value={c.convention ?? 'INNER'}
          onChange={(e) => b.choose({ convention: e.target.value as Choices['convention'] })}
        >
          <option value="INNER">inner faces</option>
          <option value="INNER_AND_CENTRE">inner faces, inner walls’ middle</option>
          <option value="CENTRE">middle of construction</option>
          <option value="OUTER">outer faces, inner walls’ middle</option>
        </select>
      </label>
      <label
        className="mt-1 flex items-center gap-2"
        title="Else they go to the outdoor or ground surface beside them"
      >
        <input
          type="checkbox"
          className="accent-kelp"
          checked={c.keepStrips ?? false}
          onChange={(e) => b.choose({ keepStrips: e.target.checked })}
        />
        Keep wall ends apart
      </label>
      <details className="mt-1">
        <summary className="cursor-pointer text-muted">Limits</summary>
        <Limit
          label="Thickest construction"
          title="Two faces are one surface with two spaces when at most so much construction lies between them"
          unit={units.length.unit}
          value={units.length.to(c.gapLimit ?? 0.6)}
          onValue={(v) => b.choose({ gapLimit: units.length.from(v) })}
        />
        <Limit
          label="Roofs tilt less than"
          title="Tilt from the vertical upwards, below which a face is a roof or ceiling"
          unit="°"
          value={c.roofTilt ?? 60}
          onValue={(v) => b.choose({ roofTilt: v })}
        />
        <Limit
          label="Floors tilt more than"
          title="Tilt from the vertical upwards, above which a face is a floor"
          unit="°"
          value={c.floorTilt ?? 120}
          onValue={(v) => b.choose({ floorTilt: v })}
        />
      </details>
    </>
  );
}

function Limit({
  label,
  title,
  unit,
  value,
  onValue,
}: {
  label: string;
  title: string;
  unit: string;
  value: number;
  onValue: (v: number) => void;
}) {
  const shown = String(Number(value.toFixed(2)));
  const take = (text: string) => {
    const v = Number(text.replace(',', '.'));
    if (Number.isFinite(v) && text.trim() && text !== shown) onValue(v);
  };
  return (
    <label className="mt-1 flex items-center justify-between gap-2" title={title}>
      <span>{label}</span>
      <span className="flex items-center gap-1">
        <input
          key={shown}
          className="field w-16 text-right"
          defaultValue={shown}
          onBlur={(e) => take(e.target.value)}
          onKeyDown={(e) => e.key === 'Enter' && take(e.currentTarget.value)}
        />
        <span className="w-4 text-muted">{unit}</span>
      </span>
    </label>
  );
}

function ForSelected({ index, edits }: { index: ModelIndex; edits: Edits }) {
  const selection = useView((s) => s.selection);
  const spaces = selection.filter((k) => index.spaces.has(k));
  if (!spaces.length) return null;
  const choose = (source: 'DELIVERED' | 'DERIVED' | 'PROJECT') =>
    void edits.scope((id, version) => api.chooseBoundaries(id, version, spaces, source));
  const of =
    spaces.length === 1 ? index.spaces.get(spaces[0])!.name : count(spaces.length, 'space');
  return (
    <section className="mt-2 border-t border-line pt-1.5" data-testid="boundary-of-spaces">
      <p>
        <span className="text-muted">Only </span>
        <b>{of}</b>
      </p>
      <div className="mt-1 flex flex-wrap gap-1.5">
        <button className="btn" disabled={edits.busy} onClick={() => choose('DERIVED')}>
          Derive
        </button>
        <button className="btn" disabled={edits.busy} onClick={() => choose('DELIVERED')}>
          As delivered
        </button>
        <button className="btn" disabled={edits.busy} onClick={() => choose('PROJECT')}>
          As for the whole project
        </button>
      </div>
    </section>
  );
}

/** Selects what needs a look. */
function Light({ index }: { index: ModelIndex }) {
  const select = useView((s) => s.select);
  const sets = [
    ['Wall ends', 'adiabatic'],
    ['Unknown', 'unresolved'],
    ['Open', 'none'],
  ].map(
    ([label, exposure]) =>
      [label, index.model.surfaces.filter((s) => s.exposure === exposure)] as const,
  );
  if (sets.every(([, list]) => !list.length)) return null;
  return (
    <section className="mt-2 border-t border-line pt-1.5">
      <p className="text-muted">Select surfaces</p>
      <div className="mt-1 flex flex-wrap gap-1.5">
        {sets
          .filter(([, list]) => list.length)
          .map(([label, list]) => (
            <button key={label} className="btn" onClick={() => select(list.map((s) => s.key))}>
              {label} <span className="text-sm text-muted">{list.length}</span>
            </button>
          ))}
      </div>
    </section>
  );
}
