import type { LayerRow } from '../model/api';
import { LAYER, NOTHING } from '../model/colours';

/** How a layer looks, by how well it conducts heat. */
function fill(l: LayerRow): string {
  const c = l.conductivity;
  if (c == null) return NOTHING;
  if (c < 0.06) return LAYER.insulation;
  if (c < 0.25) return LAYER.timber;
  if (c < 1.2) return LAYER.masonry;
  if (c < 10) return LAYER.stone;
  return LAYER.metal;
}

/** So wide thin layers are drawn, in pixels. */
const LEAST = 4;

/** A cut through the layers, outside on the left; thin ones are drawn wider than they are. */
export function LayerDiagram({ layers }: { layers: LayerRow[] }) {
  const beside = layers.some((l) => l.share < 1);
  return (
    <div className="mt-1.5 flex items-stretch gap-1.5 text-[11px] text-muted" aria-hidden>
      <span className="self-center">out</span>
      <div className="flex h-7 flex-1 border border-ink/50">
        {layers.map((l, i) => (
          <div
            key={i}
            className={i ? 'border-l border-ink/40' : ''}
            title={l.name}
            style={{
              flexGrow: 1000 * (l.thickness ?? 0.02),
              minWidth: LEAST,
              background: fill(l),
              height: beside && l.share < 1 ? `${Math.max(12, l.share * 100)}%` : '100%',
            }}
          />
        ))}
      </div>
      <span className="self-center">in</span>
    </div>
  );
}
