import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type Model, type Repair } from '../model/api';
import { useUnits } from '../model/units';
import type { Edits } from '../model/useEdits';
import { count } from '../model/words';

type Part = 'uses' | 'zones' | 'constructions';

const roomsOf = (all: Repair[]) =>
  all.reduce((n, r) => n + (r.kind === 'TakeRoomData' ? (r.rooms?.length ?? 0) : 0), 0);

/** Names, the first few. */
function named(names: string[]): string {
  const shown = names.slice(0, 6).join(', ');
  return names.length > 6 ? `${shown} and ${names.length - 6} more` : shown;
}

/** What was said of the building that the project drew first, offered to this model. */
export function TakeOver({ model, edits }: { model: Model; edits: Edits }) {
  const units = useUnits();
  const [off, setOff] = useState<Part[]>([]);
  const found = useQuery({
    queryKey: ['take-over', edits.delivery, edits.version],
    queryFn: () => api.takeOver(edits.delivery),
    enabled: model.delivery.format !== 'plan',
  });
  const t = found.data;
  if (!t?.drawing) return null;
  const offered: [Part, string][] = [];
  if (t.uses.length) offered.push(['uses', `Uses and gains of ${count(roomsOf(t.uses), 'space')}`]);
  if (t.zones.length)
    offered.push(['zones', `Zones and set-points of ${count(roomsOf(t.zones), 'space')}`]);
  if (t.constructions.length) offered.push(['constructions', 'Constructions by type']);
  const chosen = offered.filter(([p]) => !off.includes(p));
  const take = () =>
    edits.consider(
      {
        kind: 'Several',
        label: `Takes over from ${t.drawing}`,
        repairs: chosen.flatMap(([p]) => t[p]),
        findings: [],
      } as Repair,
      `Take over from ${t.drawing}`,
    );
  return (
    <div data-testid="take-over">
      <h2 className="kicker mt-3 mb-1">From the drawing</h2>
      <p>
        {t.pairs.length} of {count(t.pairs.length + t.come.length, 'space')}{' '}
        {t.pairs.length === 1 ? 'is' : 'are'} recognised in {t.drawing}
        {t.moved && `, which lies ${t.moved.map((v) => units.length.text(v)).join(', ')} away`}.
      </p>
      {t.come.length > 0 && <p className="text-muted">Not drawn: {named(t.come)}.</p>}
      {t.left.length > 0 && <p className="text-muted">Only drawn: {named(t.left)}.</p>}
      {offered.map(([part, label]) => (
        <label key={part} className="mt-1 flex items-start gap-1.5">
          <input
            type="checkbox"
            className="mt-[3px]"
            checked={!off.includes(part)}
            onChange={(e) =>
              setOff((o) => (e.target.checked ? o.filter((x) => x !== part) : [...o, part]))
            }
          />
          <span>
            {label}
            {part === 'constructions' &&
              t.types.map((x) => (
                <span key={x.type} className="block text-sm text-muted">
                  {x.type ? `${x.type}: ` : 'windows: '}
                  {x.construction} ({x.surfaces})
                </span>
              ))}
          </span>
        </label>
      ))}
      {offered.length ? (
        <button className="btn mt-1.5" disabled={!chosen.length || edits.busy} onClick={take}>
          Show what it does
        </button>
      ) : (
        <p className="text-muted">Nothing is left to be taken over.</p>
      )}
    </div>
  );
}
