import { useMemo } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { api, type Project, type Settings } from '../api';
import type { ModelIndex } from '../model';
import { Table, type Column } from '../sheet/Table';
import { useSelection, useView } from '../state';
import { area, areaUnit, areaValue } from '../words';
import { boundaryRows, type BoundaryRow } from './boundaries';

const ORIGIN = {
  derived: 'derived',
  delivered: 'as delivered',
  both: 'some of each',
  none: 'none',
} as const;

const keyOf = (r: BoundaryRow) => r.key;

/** How the boundaries of each space were made, and the choices behind it. */
export function BoundarySheet({ index, project }: { index: ModelIndex; project: Project }) {
  const select = useView((s) => s.select);
  const chosen = useSelection();
  const rows = useMemo(() => boundaryRows(index.model), [index]);
  const columns = useMemo<Column<BoundaryRow>[]>(() => {
    const figure = (
      id: keyof BoundaryRow & string,
      head: string,
      title: string,
      bad = false,
    ): Column<BoundaryRow> => ({
      id,
      head,
      title: `${title}, ${areaUnit()}`,
      width: 58,
      number: true,
      value: (r) => areaValue(r[id] as number),
      show: (r) => {
        const v = r[id] as number;
        if (!v) return <span className="text-muted">–</span>;
        return bad ? <b className="text-blocker">{area(v)}</b> : area(v);
      },
    });
    return [
      {
        id: 'space',
        head: 'Space',
        width: 112,
        sticky: true,
        value: (r) => r.space.name || r.space.fileId,
      },
      { id: 'origin', head: 'Made', width: 78, value: (r) => ORIGIN[r.origin] },
      figure('outdoor', 'Outdoor', 'Faces outdoor air'),
      figure('ground', 'Ground', 'Touches the ground'),
      figure('spaces', 'Spaces', 'Faces another space across construction'),
      figure('open', 'Open', 'Open to another space, without a barrier'),
      figure('construction', 'Ends', 'Only construction behind: ends of partitions, slab edges'),
      figure('unresolved', 'Unknown', 'Nothing is known of the other side', true),
      figure('sum', 'All', 'All surfaces of the space'),
      {
        id: 'closed',
        head: 'Closed',
        width: 54,
        value: (r) => (r.space.enclosed ? 'yes' : 'no'),
        show: (r) => (r.space.enclosed ? 'yes' : <b className="text-blocker">no</b>),
      },
    ];
  }, []);
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
          tools={<span className="text-muted">· areas in {areaUnit()}</span>}
          onOpen={() => window.dispatchEvent(new CustomEvent('yentra:frame'))}
        />
      </div>
      <Choices index={index} project={project} />
    </div>
  );
}

type Boundaries = NonNullable<Settings['boundaries']>;

function Choices({ index, project }: { index: ModelIndex; project: Project }) {
  const client = useQueryClient();
  const set = useView((s) => s.set);
  const now: Boundaries = project.settings.boundaries ?? {};

  async function choose(change: Partial<Boundaries>) {
    try {
      const next = await api.settings(project.id, {
        ...project.settings,
        boundaries: { ...now, ...change },
      });
      client.setQueryData(['project', project.id], next);
      await client.invalidateQueries({ queryKey: ['model'] });
      set({ message: { text: 'Boundaries made anew.', bad: false } });
    } catch (e) {
      set({ message: { text: e instanceof Error ? e.message : String(e), bad: true } });
    }
  }

  return (
    <aside className="w-64 shrink-0 overflow-y-auto border-l border-line px-3 py-2">
      <label className="flex items-center justify-between gap-2">
        <span className="text-muted">Boundaries</span>
        <select
          className="field w-36"
          data-testid="boundary-mode"
          value={now.mode ?? 'AUTO'}
          onChange={(e) => void choose({ mode: e.target.value as Boundaries['mode'] })}
        >
          <option value="AUTO">delivered if sound</option>
          <option value="DERIVE">all derived</option>
          <option value="KEEP">all as delivered</option>
        </select>
      </label>
      <label className="mt-1 flex items-center justify-between gap-2">
        <span className="text-muted">Drawn on</span>
        <select
          className="field w-36"
          data-testid="boundary-convention"
          value={now.convention ?? 'INNER'}
          onChange={(e) => void choose({ convention: e.target.value as Boundaries['convention'] })}
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
          checked={now.keepStrips ?? false}
          onChange={(e) => void choose({ keepStrips: e.target.checked })}
        />
        Keep wall ends apart
      </label>
      <label
        className="mt-1 flex items-center gap-2"
        title="Volumes that walls and slabs enclose and no space covers"
      >
        <input
          type="checkbox"
          className="accent-kelp"
          data-testid="find-spaces"
          checked={now.findSpaces ?? false}
          onChange={(e) => void choose({ findSpaces: e.target.checked })}
        />
        Make spaces of enclosed volumes
      </label>
      <h3 className="kicker mt-2">Assumed ({index.model.assumed.length})</h3>
      <ul>
        {index.model.assumed.map((n, i) => (
          <li key={i} className="border-b border-line/60 py-0.5 text-sm">
            {n}
          </li>
        ))}
      </ul>
    </aside>
  );
}
