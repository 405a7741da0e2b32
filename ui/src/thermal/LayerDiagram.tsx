import type { LayerRow } from '../model/api';

/** How a layer looks, by how well it conducts heat. */
function fill(l: LayerRow): string {
  const c = l.conductivity;
  if (c == null) return '#FFFFFF';
  if (c < 0.06) return '#E9D9A6';
  if (c < 0.25) return '#CDB38B';
  if (c < 1.2) return '#B9A79A';
  if (c < 10) return '#9AA3A8';
  return '#5F7480';
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
