import { useMemo } from 'react';
import type { Project, BoundaryRow } from '../model/api';
import type { ModelIndex } from '../model/model';
import { Table, type Column } from '../shared/Table';
import { useSelection, useView } from '../model/state';
import type { Edits } from '../model/useEdits';

import { useUnits } from '../model/units';
import { BoundaryChoices } from './BoundaryChoices';
import { useBoundaries } from './useBoundaries';

const ORIGIN = {
  DERIVED: 'derived',
  DELIVERED: 'as delivered',
  BOTH: 'some of each',
  NONE: 'none',
} as const;

type Balance = BoundaryRow['balance'];

/** A space as it is, and as other choices would have it. */
interface Row {
  key: string;
  name: string;
  now: Balance;
  then: Balance | null;
  chosen: BoundaryRow['chosen'];
}

const keyOf = (r: Row) => r.key;

/** Less than this is the same, m². */
const SAME = 0.005;

/** How the boundaries of each space were made, and the choices behind it. */
export function BoundarySheet({
  index,
  project,
  edits,
}: {
  index: ModelIndex;
  project: Project;
  edits: Edits;
}) {
  const units = useUnits();
  const select = useView((s) => s.select);
  const chosen = useSelection();
  const boundaries = useBoundaries(index.model, project);
  const { now, tried } = boundaries;
  const rows = useMemo<Row[]>(() => {
    const then = new Map(tried?.rows.map((r) => [r.balance.space, r.balance]));
    return (now?.rows ?? []).map((r) => ({
      key: r.balance.space,
      name: r.name,
      now: r.balance,
      then: tried ? (then.get(r.balance.space) ?? null) : null,
      chosen: r.chosen,
    }));
  }, [now, tried]);
  const columns = useMemo<Column<Row>[]>(() => {
    const figure = (
      id: 'outdoor' | 'ground' | 'spaces' | 'open' | 'construction' | 'unresolved' | 'sum',
      head: string,
      title: string,
      bad = false,
    ): Column<Row> => ({
      id,
      head,
      title: `${title}, ${units.area.unit}`,
      width: rows.some((r) => r.then && Math.abs(r.then[id] - r.now[id]) >= SAME) ? 116 : 58,
      number: true,
      value: (r) => units.area.to((r.then ?? r.now)[id]),
      show: (r) => {
        const text = (v: number, mark: boolean) =>
          v < SAME ? (
            <span className="text-muted">–</span>
          ) : bad && mark ? (
            <b className="text-blocker">{units.area.figure(v)}</b>
          ) : (
            units.area.figure(v)
          );
        if (!r.then || Math.abs(r.then[id] - r.now[id]) < SAME) return text(r.now[id], true);
        return (
          <>
            <span className="text-muted">{text(r.now[id], false)} → </span>
            <b>{text(r.then[id], true)}</b>
          </>
        );
      },
    });
    return [
      { id: 'space', head: 'Space', width: 112, sticky: true, value: (r) => r.name },
      {
        id: 'origin',
        head: 'Made',
        width: 92,
        value: (r) => ORIGIN[(r.then ?? r.now).origin],
        show: (r) => (
          <>
            {ORIGIN[(r.then ?? r.now).origin]}
            {r.chosen && <span title="Chosen for this space"> •</span>}
          </>
        ),
      },
      figure('outdoor', 'Outdoor', 'Faces outdoor air'),
      figure('ground', 'Ground', 'Touches the ground'),
      figure('spaces', 'Spaces', 'Faces another space across construction'),
      figure('open', 'Open', 'Open to another space, without a barrier'),
      figure('construction', 'Ends', 'Only construction behind: ends of partitions, slab edges'),
      figure('unresolved', 'Unknown', 'Nothing is known of the other side', true),
      figure('sum', 'All', 'All surfaces of the space'),
      {
        id: 'surfaces',
        head: 'Count',
        title: 'Surfaces of the space',
        width: 52,
        number: true,
        value: (r) => (r.then ?? r.now).surfaces,
      },
      {
        id: 'closed',
        head: 'Closed',
        width: 54,
        value: (r) => (index.spaces.get(r.key)?.enclosed ? 'yes' : 'no'),
        show: (r) =>
          index.spaces.get(r.key)?.enclosed ? 'yes' : <b className="text-blocker">no</b>,
      },
    ];
  }, [rows, index, units]);
  return (
    <div className="flex min-h-0 flex-1" data-testid="boundaries">
      <div className="flex min-w-0 flex-1 flex-col">
        <Table
          name="boundaries"
          rows={rows}
          columns={columns}
          keyOf={keyOf}
          selection={chosen}
          onSelect={select}
          tools={<span className="text-muted">· areas in {units.area.unit}</span>}
          onOpen={() => window.dispatchEvent(new CustomEvent('yentra:frame'))}
        />
      </div>
      <BoundaryChoices index={index} boundaries={boundaries} edits={edits} />
    </div>
  );
}
