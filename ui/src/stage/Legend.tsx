import { ChevronDown, ChevronRight } from 'lucide-react';
import { useLayout } from '../model/layout';
import { type ColourBy, useView } from '../model/state';
import { COLOUR_BY } from './colouring';
import { hatch } from './hatch';
import type { LegendEntry, Subject } from './subject';
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
  const folded = useLayout((s) => s.legendFolded);
  const layout = useLayout((s) => s.set);

  function toggle(key: string) {
    const next = new Set(off);
    if (!next.delete(key)) next.add(key);
    set({ groupsOff: next });
  }

  return (
    <div
      className="flex max-h-[55px] shrink-0 flex-wrap items-center gap-x-1 overflow-y-auto @md:max-h-[79px] border-t border-line bg-paper px-1.5 py-[3px]"
      role="group"
      aria-label="What the colours mean"
      data-testid="legend"
    >
      <button
        className="btn-quiet !h-[24px] !px-1"
        aria-expanded={!folded}
        title={folded ? 'Show what the colours mean' : 'Fold the legend'}
        onClick={() => layout({ legendFolded: !folded })}
      >
        {folded ? <ChevronRight size={14} /> : <ChevronDown size={14} />}
      </button>
      {legend.by ? (
        <select
          className="kicker h-[24px] max-w-[180px] cursor-pointer rounded-sm bg-transparent hover:bg-kelp-soft"
          aria-label="Colour the surfaces by"
          data-testid="colour-by"
          value={legend.by}
          onChange={(e) =>
            set({ colourBy: e.target.value as ColourBy, groupsOff: new Set<string>() })
          }
        >
          {COLOUR_BY.filter(
            ([k]) => (k !== 'change' || revised) && (k !== 'estimate' || legend.by === 'estimate'),
          ).map(([k, label]) => (
            <option key={k} value={k}>
              {label}
            </option>
          ))}
        </select>
      ) : (
        <span className="kicker pr-1 whitespace-nowrap">{legend.title}</span>
      )}
      {!folded &&
        legend.entries.map((e) => (
          <button
            key={e.key}
            className="flex h-[24px] shrink-0 items-center gap-1.5 rounded-sm px-1.5 text-sm whitespace-nowrap hover:bg-kelp-soft"
            aria-pressed={!off.has(e.key)}
            title={off.has(e.key) ? 'Show these' : 'Hide these'}
            onClick={() => toggle(e.key)}
          >
            <Swatch tint={e} off={off.has(e.key)} />
            <span className={off.has(e.key) ? 'text-muted line-through' : ''}>{e.label}</span>
            <span className="text-muted tabular-nums">{e.count}</span>
          </button>
        ))}
      {!folded && elements && (
        <button
          className="flex h-[24px] shrink-0 items-center gap-1.5 rounded-sm px-1.5 text-sm whitespace-nowrap hover:bg-kelp-soft"
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

/** A patch of a colour with its pattern, as it is on the model. */
function Swatch({ tint, off }: { tint: LegendEntry; off: boolean }) {
  return (
    <span
      className="size-3.5 shrink-0 border border-ink/70"
      style={{
        backgroundColor: off ? 'transparent' : tint.colour,
        borderStyle: tint.dashed ? 'dashed' : 'solid',
        backgroundImage: off ? undefined : hatch(tint.pattern),
      }}
    />
  );
}
