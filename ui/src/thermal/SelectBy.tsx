import { useState } from 'react';
import { Popover } from 'radix-ui';
import { ChevronDown } from 'lucide-react';
import type { Surface } from '../model/api';
import type { ModelIndex } from '../model/model';
import { useView } from '../model/state';
import { compass, count, EXPOSURES, spoken } from '../model/words';

type Kind = 'type' | 'facing' | 'storey' | 'exposure' | 'construction' | 'source';

const facing = (s: Surface) =>
  s.orientation === 'side' && s.azimuth != null ? compass(s.azimuth) : s.orientation;

/** Selects surfaces by what they have in common. */
export function SelectBy({ index }: { index: ModelIndex }) {
  return (
    <Popover.Root>
      <Popover.Trigger
        className="btn-quiet !h-[24px] shrink-0 whitespace-nowrap"
        data-testid="select-by"
      >
        Select by <ChevronDown size={13} />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="menu w-72 !p-2" align="end" collisionPadding={8}>
          <Choices index={index} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** Worked out only while it is open. */
function Choices({ index }: { index: ModelIndex }) {
  const select = useView((s) => s.select);
  const [wanted, setWanted] = useState<Partial<Record<Kind, string>>>({});
  const m = index.model;
  const value: Record<Kind, (s: Surface) => string> = {
    type: (s) => spoken(s.type),
    facing,
    storey: (s) => m.storeys.find((x) => x.key === s.storey)?.name ?? '',
    exposure: (s) => EXPOSURES.find((e) => e.key === s.exposure)?.label ?? '',
    construction: (s) =>
      s.construction
        ? (m.constructions.find((c) => c.key === s.construction)?.name ?? s.construction)
        : 'none',
    source: (s) => s.element?.elementClass ?? s.source.elementClass,
  };
  const LABELS: [Kind, string][] = [
    ['type', 'Type'],
    ['facing', 'Facing'],
    ['storey', 'Storey'],
    ['exposure', 'Other side'],
    ['construction', 'Construction'],
    ['source', 'Source class'],
  ];
  const found = m.surfaces.filter((s) =>
    LABELS.every(([k]) => !wanted[k] || value[k](s) === wanted[k]),
  );
  return (
    <>
      {LABELS.map(([k, label]) => (
        <label key={k} className="mb-1 flex items-center justify-between gap-2">
          <span className="text-muted">{label}</span>
          <select
            className="field w-44"
            aria-label={label}
            value={wanted[k] ?? ''}
            onChange={(e) => setWanted({ ...wanted, [k]: e.target.value })}
          >
            <option value="">any</option>
            {[...new Set(m.surfaces.map(value[k]))]
              .filter(Boolean)
              .sort()
              .map((v) => (
                <option key={v} value={v}>
                  {v}
                </option>
              ))}
          </select>
        </label>
      ))}
      <Popover.Close asChild>
        <button
          className="btn btn-main mt-1"
          disabled={!found.length}
          data-testid="select-found"
          onClick={() => select(found.map((s) => s.key))}
        >
          Select {count(found.length, 'surface')}
        </button>
      </Popover.Close>
    </>
  );
}
