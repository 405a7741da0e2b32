import { type ColourBy, useView } from '../model/state';
import { COLOUR_BY } from './colouring';
import type { Subject } from './subject';
import { BACKDROP } from '../model/colours';

/** What the colours mean, how many there are, and a switch for each. */
export function Legend({
  legend,
  elements,
  revised,
}: {
  legend: Subject['legend'];
  elements: boolean;
  /** There is a revision before this one. */
  revised: boolean;
}) {
  const shown = useView((s) => s.elements);
  const off = useView((s) => s.groupsOff);
  const set = useView((s) => s.set);

  function toggle(key: string) {
    const next = new Set(off);
    if (!next.delete(key)) next.add(key);
    set({ groupsOff: next });
  }

  return (
    <div
      className="absolute bottom-2 left-[120px] rounded-sm border border-line bg-panel/95 px-2 py-1.5"
      data-testid="legend"
    >
      {legend.by ? (
        <select
          className="kicker mb-1 -ml-1 cursor-pointer rounded-sm bg-transparent py-0.5 hover:bg-kelp-soft"
          aria-label="Colour the surfaces by"
          data-testid="colour-by"
          value={legend.by}
          onChange={(e) =>
            set({ colourBy: e.target.value as ColourBy, groupsOff: new Set<string>() })
          }
        >
          {COLOUR_BY.filter(([k]) => k !== 'change' || revised).map(([k, label]) => (
            <option key={k} value={k}>
              {label}
            </option>
          ))}
        </select>
      ) : (
        <div className="kicker mb-1">{legend.title}</div>
      )}
      {legend.entries.map((e) => (
        <button
          key={e.key}
          className="flex h-[20px] w-full items-center gap-2 rounded-sm px-1 text-sm hover:bg-kelp-soft"
          aria-pressed={!off.has(e.key)}
          title={off.has(e.key) ? 'Show these' : 'Hide these'}
          onClick={() => toggle(e.key)}
        >
          <span
            className="size-3 border border-ink/60"
            style={{
              background: off.has(e.key) ? 'transparent' : e.colour,
              opacity: e.opacity,
              borderStyle: e.dashed ? 'dashed' : 'solid',
            }}
          />
          <span className={off.has(e.key) ? 'text-muted line-through' : ''}>{e.label}</span>
          <span className="ml-auto pl-3 tabular-nums">{e.count}</span>
        </button>
      ))}
      {elements && (
        <button
          className="mt-0.5 flex h-[20px] w-full items-center gap-2 rounded-sm px-1 text-sm hover:bg-kelp-soft"
          aria-pressed={shown}
          data-testid="show-elements"
          title="The architect’s elements, pale around the envelope (B)"
          onClick={() => set({ elements: !shown })}
        >
          <span
            className="size-3 border border-ink/60"
            style={{ background: shown ? BACKDROP : 'transparent', opacity: 0.5 }}
          />
          <span className={shown ? '' : 'text-muted'}>Elements around it</span>
        </button>
      )}
    </div>
  );
}
