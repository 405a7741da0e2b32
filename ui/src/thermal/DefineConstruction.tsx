import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { ArrowDown, ArrowUp, Trash2 } from 'lucide-react';
import { api, type LibraryAnswer } from '../model/api';

import { figures, useUnits } from '../model/units';
import { KeepIt, TextField } from './EntryFields';
import { given, NOTHING, type Keep } from './entries';
import { Picker } from './Picker';
import { plain } from '../model/specs';

/** What constructions are for; their U-values are told with the air films of that place. */
const PLACES = [
  'Exterior wall',
  'Roof',
  'Exposed floor',
  'Ground floor',
  'Wall in the ground',
  'Interior wall',
  'Interior floor',
  'Door',
];

interface Layer {
  id: number;
  material: string;
  thickness: string;
  share: string;
}

/** A construction of one's own, layer by layer, with its U-value as it grows. */
export function DefineConstruction({
  project,
  answer,
  keep,
  leave,
}: {
  project: string;
  answer: LibraryAnswer;
  keep: Keep;
  leave: () => void;
}) {
  const units = useUnits();
  const [name, setName] = useState('');
  const [use, setUse] = useState(PLACES[0]);
  const [source, setSource] = useState('');
  const [layers, setLayers] = useState<Layer[]>([]);
  const construction = {
    name: name.trim() || 'new',
    use,
    layers: layers.map((l) => ({
      material: l.material,
      thickness: given(l.thickness, units.thickness.from),
      share: l.share.trim() === '' ? null : (given(l.share) ?? 0) / 100,
    })),
    uValue: null,
    source: source.trim() || 'by hand',
  };
  const numbers = construction.layers.every(
    (l) => !Number.isNaN(l.thickness) && !Number.isNaN(l.share),
  );
  const draft = { ...NOTHING, constructions: [construction] };
  const { data } = useQuery({
    queryKey: ['try', project, draft],
    queryFn: () => api.tryLibrary(project, draft),
    enabled: layers.length > 0 && numbers,
    placeholderData: (before) => before,
  });
  const result = layers.length ? data?.breakdowns[construction.name] : undefined;
  const problem = !name.trim()
    ? 'It needs a name.'
    : !layers.length
      ? 'It needs layers, from outside to inside.'
      : !numbers
        ? 'Thicknesses and shares are numbers.'
        : (data?.problem ?? null);

  const change = (i: number, l: Partial<Layer>) =>
    setLayers(layers.map((x, k) => (k === i ? { ...x, ...l } : x)));
  function swap(i: number, k: number) {
    const next = [...layers];
    [next[i], next[k]] = [next[k], next[i]];
    setLayers(next);
  }

  return (
    <div className="flex flex-col gap-1" data-testid="define-construction">
      <p className="sticky top-0 z-10 -mx-3 bg-panel px-3 pt-2 pb-1 font-semibold">
        A new construction
        {result?.uValue != null && (
          <span className="font-normal text-muted" data-testid="entry-u">
            : U {figures(units.uValue.to(result.uValue))} {units.uValue.unit}
          </span>
        )}
      </p>
      <div className="grid grid-cols-2 items-end gap-3">
        <TextField label="Name" value={name} onChange={setName} testId="entry-name" />
        <label className="block text-sm text-muted">
          For
          <select
            className="field mt-0.5 w-full text-ink"
            value={use}
            onChange={(e) => setUse(e.target.value)}
          >
            {PLACES.map((p) => (
              <option key={p}>{p}</option>
            ))}
          </select>
        </label>
      </div>
      <h4 className="kicker mt-1">Layers, from outside to inside</h4>
      {layers.map((l, i) => {
        const r = result?.steps.find((s) => s.what === l.material && s.clause !== '');
        return (
          <div key={l.id} className="flex items-center gap-1 text-sm" data-testid="entry-layer">
            <span className="min-w-0 flex-1 truncate" title={l.material}>
              {l.material}
            </span>
            <span className="text-[11px] text-muted tabular-nums" title="Resistance">
              {r?.resistance == null
                ? ''
                : `${figures(units.resistance.to(r.resistance))} ${i ? '' : units.resistance.unit}`}
            </span>
            <input
              className="field w-14 text-right tabular-nums"
              aria-label={`Thickness of layer ${i + 1}, ${units.thickness.unit}`}
              title={`Thickness, ${units.thickness.unit}`}
              placeholder={units.thickness.unit}
              value={l.thickness}
              onChange={(e) => change(i, { thickness: e.target.value })}
            />
            <input
              className="field w-11 text-right tabular-nums"
              aria-label={`Share of layer ${i + 1} in percent, where materials lie side by side`}
              title="Share in percent where materials lie side by side in one layer; empty for all of it"
              placeholder="%"
              value={l.share}
              onChange={(e) => change(i, { share: e.target.value })}
            />
            <button
              className="btn btn-quiet px-1"
              disabled={i === 0}
              aria-label={`Layer ${i + 1} further out`}
              onClick={() => swap(i, i - 1)}
            >
              <ArrowUp size={12} />
            </button>
            <button
              className="btn btn-quiet px-1"
              disabled={i === layers.length - 1}
              aria-label={`Layer ${i + 1} further in`}
              onClick={() => swap(i, i + 1)}
            >
              <ArrowDown size={12} />
            </button>
            <button
              className="btn btn-quiet px-1"
              aria-label={`Take layer ${i + 1} out`}
              onClick={() => setLayers(layers.filter((_, k) => k !== i))}
            >
              <Trash2 size={12} />
            </button>
          </div>
        );
      })}
      <div>
        <Picker
          label="Add a layer"
          testId="add-layer"
          choices={answer.library.materials.map((m) => ({
            id: m.name,
            label: m.name,
            detail:
              m.conductivity == null
                ? `R ${figures(units.resistance.to(m.resistance ?? 0))}`
                : `${figures(units.conductivity.to(m.conductivity))} ${units.conductivity.unit}`,
            group: m.category || 'Materials',
            title: m.source,
          }))}
          onPick={(material) => {
            const m = answer.library.materials.find((x) => x.name === material);
            setLayers([
              ...layers,
              {
                id: 1 + Math.max(0, ...layers.map((l) => l.id)),
                material,
                thickness: m?.conductivity == null ? '' : figures(units.thickness.to(0.1)),
                share: '',
              },
            ]);
          }}
        />
      </div>
      {result?.upper != null && (
        <p className="text-sm text-muted">
          Materials side by side: upper limit {figures(units.resistance.to(result.upper))}, lower{' '}
          {figures(units.resistance.to(result.lower ?? 0))} {units.resistance.unit}
        </p>
      )}
      {result?.assumptions.map((a) => (
        <p key={a} className="text-sm text-muted">
          {a}
        </p>
      ))}
      <TextField label="Source of its values" value={source} onChange={setSource} />
      <KeepIt
        problem={problem}
        onLeave={leave}
        onKeep={(shared) => keep(draft, [`construction:${plain(name)}`], shared)}
      />
    </div>
  );
}
