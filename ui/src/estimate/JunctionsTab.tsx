import { useEffect, useMemo } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, type Model, type Project } from '../model/api';
import { PsiTable } from './PsiTable';
import type { Junction } from '../model/estimateCalls';
import type { ModelIndex } from '../model/model';
import { useView } from '../model/state';
import { useUnits, type Units } from '../model/units';
import { Table, type Column } from '../shared/Table';

type Row = Junction & { key: string; on: string };

function columnsOf(units: Units): Column<Row>[] {
  const n = (
    id: string,
    head: string,
    unit: string,
    width: number,
    value: (r: Row) => number,
  ): Column<Row> => ({
    id,
    head,
    unit,
    width,
    number: true,
    value,
    show: (r) => value(r).toFixed(2),
  });
  return [
    { id: 'type', head: 'Type', width: 52, value: (r) => r.type },
    { id: 'label', head: 'What meets', width: 160, value: (r) => r.label },
    { id: 'on', head: 'Where', width: 300, value: (r) => r.on },
    n('length', 'Length', units.length.unit, 80, (r) => units.length.to(r.length)),
    n('psi', 'ψ', units.linear.unit, 86, (r) => units.linear.to(r.psi)),
    { id: 'source', head: 'From', width: 90, value: (r) => (r.stated ? 'stated' : 'ISO 14683') },
    n('loss', 'Heat loss', units.heatLoss.unit, 90, (r) => units.heatLoss.to(r.psi * r.length)),
  ];
}

/** Linear thermal bridges: listed, summed, and drawn on the stage. */
export function JunctionsTab({
  model,
  index,
  project,
}: {
  model: Model;
  index: ModelIndex;
  project: Project;
}) {
  const units = useUnits();
  const select = useView((s) => s.select);
  const selection = useView((s) => s.selection);
  const set = useView((s) => s.set);
  const { data } = useQuery({
    queryKey: ['junctions', model.delivery.id, model.delivery.version],
    queryFn: () => api.junctions(model.delivery.id),
  });
  const rows = useMemo<Row[]>(
    () =>
      (data?.junctions ?? []).map((j, i) => ({
        ...j,
        key: String(i),
        on: j.elements
          .map((k) => (index.surfaces.get(k) ?? index.openings.get(k))?.label ?? k)
          .join(', '),
      })),
    [data, index],
  );
  const marked = useMemo(
    () =>
      new Set(rows.filter((r) => r.elements.every((k) => selection.includes(k))).map((r) => r.key)),
    [rows, selection],
  );
  useEffect(() => {
    const shown = marked.size ? rows.filter((r) => marked.has(r.key)) : rows;
    const lines: number[][] = [];
    for (const r of shown)
      for (let i = 0; i + 5 < r.lines.length; i += 6) lines.push(r.lines.slice(i, i + 6));
    set({ lit: { areas: [], lines, points: [] } });
    return () => set({ lit: null });
  }, [rows, marked, set]);
  const columns = useMemo(() => columnsOf(units), [units]);
  if (!data) return <p className="p-3 text-muted">Looking for thermal bridges …</p>;
  return (
    <div className="flex min-h-0 flex-1 flex-col" data-testid="junctions">
      <PsiTable model={model} project={project} junctions={data} />
      <Table
        name="junctions"
        rows={rows}
        columns={columns}
        keyOf={(r) => r.key}
        selection={marked}
        onSelect={(keys, add) =>
          select(
            keys.flatMap((k) => rows[Number(k)]?.elements ?? []),
            add,
          )
        }
        empty="No edges where outer surfaces meet."
      />
    </div>
  );
}
