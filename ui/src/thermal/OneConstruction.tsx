import type { ConstructionRow, LayerRow, LibraryAnswer, Thermal } from '../model/api';
import { Actions } from '../shared/Form';
import type { Edits } from '../model/useEdits';
import { count } from '../model/words';
import { figures, useUnits } from '../model/units';
import { correction } from './correction';
import { ConstructionPicker } from './ConstructionPicker';
import { LayerDiagram } from './LayerDiagram';

/** Apart by this share, the layers and the elements they stand for are said to differ. */
const THICKNESS_OFF = 0.1;

/** A construction: its layers, and what can be done with it for all that has it. */
export function OneConstruction({
  row: c,
  thermal,
  library,
  edits,
}: {
  row: ConstructionRow;
  thermal: Thermal;
  library: LibraryAnswer | undefined;
  edits: Edits;
}) {
  const units = useUnits();
  const r = c.layers.every((l) => l.resistance != null)
    ? c.layers.reduce((n, l) => n + (l.share < 1 ? 0 : l.resistance!), 0)
    : null;
  const off =
    c.realThickness != null && c.thickness != null
      ? Math.abs(c.realThickness - c.thickness) / c.realThickness
      : 0;
  return (
    <>
      <p className="font-semibold">{c.name}</p>
      <p className="text-sm text-muted">
        {count(c.objects.length, 'object')} {c.objects.length === 1 ? 'has' : 'have'} it
        {c.heatCapacity != null &&
          `; ${units.said(`${figures(c.heatCapacity / 1000)} kJ/m²K`)} effective inside (ISO 13786)`}
      </p>
      {c.layers.length > 0 && <LayerDiagram layers={c.layers} />}
      <div className="mt-1.5 flex flex-wrap gap-1.5">
        <ConstructionPicker
          label="Use another for all of these"
          thermal={{ ...thermal, constructions: thermal.constructions.filter((x) => x !== c) }}
          library={library}
          testId="replace"
          onPick={(by, name) =>
            edits.consider(
              { kind: 'ReplaceConstruction', construction: c.key, by },
              `Use ${name} instead`,
            )
          }
        />
        {c.layers.length > 1 && (
          <button
            className="btn"
            title="The outermost layer becomes the innermost"
            onClick={() =>
              edits.consider(
                { kind: 'ReverseLayers', construction: c.key },
                'List the layers the other way round',
              )
            }
          >
            Other way round
          </button>
        )}
        {c.layers.length > 0 && (
          <button
            className="btn"
            title="One layer without mass, of the same resistance"
            onClick={() =>
              edits.consider({ kind: 'MakeMassless', construction: c.key }, 'Without mass')
            }
          >
            Without mass
          </button>
        )}
        {c.stated != null && c.layers.length > 0 && (
          <button
            className="btn"
            onClick={() =>
              edits.consider(
                { kind: 'StateUValue', construction: c.key },
                'Take the stated U-value away',
              )
            }
          >
            Let the layers count
          </button>
        )}
      </div>
      {c.layers.length > 0 && (
        <>
          <Layers layers={c.layers} edits={edits} />
          {r != null && c.layers.every((l) => l.share === 1) && (
            <p className="mt-0.5 text-right text-sm">
              Layers together: {figures(units.resistance.to(r))} {units.resistance.unit}
            </p>
          )}
        </>
      )}
      {!c.layers.length && (
        <p className="mt-1">{c.stated == null ? 'Neither layers nor a U-value.' : 'No layers.'}</p>
      )}
      {off > THICKNESS_OFF && (
        <p className="mt-1 text-error" data-testid="thickness-off">
          The elements are {figures(units.thickness.to(c.realThickness!))} {units.thickness.unit}{' '}
          thick, the layers {figures(units.thickness.to(c.thickness!))} {units.thickness.unit}.
        </p>
      )}
      <Actions
        edits={edits}
        actions={[
          {
            label: 'State a U-value',
            hint: `In ${units.uValue.unit}. It counts instead of the layers.`,
            fields: [
              {
                name: 'u',
                label: 'U-value',
                kind: 'number',
                value: figures(units.uValue.to(c.stated ?? c.uValue ?? 1)),
              },
            ],
            make: (v) => ({
              kind: 'StateUValue',
              construction: c.key,
              uValue: units.uValue.from(Number(v.u)),
            }),
          },
          ...(c.layers.length ? [correction(units, c)] : []),
        ]}
      />
    </>
  );
}

function Layers({ layers, edits }: { layers: LayerRow[]; edits: Edits }) {
  const units = useUnits();
  return (
    <table className="mt-1 w-full text-sm">
      <thead>
        <tr className="text-right text-muted">
          <th className="text-left font-normal">From outside</th>
          <th className="font-normal">{units.thickness.unit}</th>
          <th className="font-normal">{units.conductivity.unit}</th>
          <th className="font-normal">{units.resistance.unit}</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {layers.map((l, i) => (
          <tr key={i} className="border-t border-line/50 text-right">
            <td className="max-w-36 truncate text-left" title={l.name}>
              {l.name}
              {l.share < 1 && <span className="text-muted"> {(100 * l.share).toFixed(0)} %</span>}
            </td>
            <td>{figures(l.thickness == null ? null : units.thickness.to(l.thickness))}</td>
            <td>
              {figures(l.conductivity == null ? null : units.conductivity.to(l.conductivity))}
            </td>
            <td>{figures(l.resistance == null ? null : units.resistance.to(l.resistance))}</td>
            <td>
              {layers.length > 1 && l.share === 1 && (
                <button
                  className="btn-quiet !h-6 !px-1"
                  title="Merge it into its neighbour, keeping resistance and heat capacity"
                  aria-label={`Merge ${l.name} into its neighbour`}
                  onClick={() =>
                    edits.consider(
                      { kind: 'MergeThinLayer', material: l.material },
                      `Merge ${l.name} into its neighbour`,
                    )
                  }
                >
                  Merge
                </button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
