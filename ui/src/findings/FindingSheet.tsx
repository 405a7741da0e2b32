import { useMemo, useState } from 'react';
import type { Finding, Model } from '../model/api';
import { useRemedies } from '../model/useRemedies';
import { SeverityMark } from '../shared/SeverityMark';
import type { ModelIndex } from '../model/model';
import { Table, type Column } from '../shared/Table';
import { type GroupBy, useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { SEVERITIES } from '../model/words';
import { useUnits, type Units } from '../model/units';
import { BcfMenu } from './BcfMenu';
import { grouped, isOpen, type Group } from '../model/groups';
import { useChecks } from '../model/useChecks';
import { useShallow } from 'zustand/react/shallow';

const idOf = (f: Finding) => f.id;

const WAYS: [GroupBy, string][] = [
  ['cause', 'cause'],
  ['workspace', 'workspace'],
  ['severity', 'severity'],
  ['code', 'code'],
  ['space', 'space'],
  ['storey', 'storey'],
];

/** Findings: on the left by what they have in common, on the right one by one. */
export function FindingSheet({ index, edits }: { index: ModelIndex; edits: Edits }) {
  const units = useUnits();
  const {
    finding,
    set,
    groupBy: by,
    group: chosen,
  } = useView(
    useShallow((s) => ({ finding: s.finding, set: s.set, groupBy: s.groupBy, group: s.group })),
  );
  const [all, setAll] = useState(false);
  const accepted = index.model.findings.filter((f) => !isOpen(f)).length;
  const findings = useMemo(
    () => (all ? index.model.findings : index.model.findings.filter(isOpen)),
    [index, all],
  );
  const checks = useChecks();
  const groups = useMemo(
    () => worthTelling(grouped(index, findings, by, checks), by),
    [index, findings, by, checks],
  );
  const group = groups.find((g) => g.key === chosen) ?? null;
  const rows = group ? group.findings : findings;
  const selection = useMemo(() => new Set(finding ? [finding] : []), [finding]);
  const columns = useMemo(() => columnsIn(units), [units]);

  function choose(g: Group | null) {
    set({ group: g?.key ?? null });
    if (g) set({ finding: g.findings[0].id, selection: [] });
  }

  return (
    <div className="flex min-h-0 flex-1">
      <div
        className="flex w-60 shrink-0 flex-col border-r border-line"
        data-testid="finding-groups"
      >
        <label className="flex h-[30px] shrink-0 items-center gap-2 border-b border-line px-2 text-sm">
          <span className="text-muted">Grouped by</span>
          <select
            className="field !h-6"
            data-testid="group-by"
            value={by}
            onChange={(e) => set({ groupBy: e.target.value as GroupBy, group: null })}
          >
            {WAYS.map(([key, label]) => (
              <option key={key} value={key}>
                {label}
              </option>
            ))}
          </select>
        </label>
        <ul className="min-h-0 flex-1 overflow-y-auto">
          <GroupRow on={!group} onClick={() => choose(null)} count={findings.length}>
            All findings
          </GroupRow>
          {groups.map((g) => (
            <GroupRow
              key={g.key}
              on={g === group}
              severity={g.severity}
              count={g.findings.length}
              title={g.title}
              onClick={() => choose(g)}
            >
              {g.title}
              {g.cause && g.findings.length > 1 && (
                <span className="text-muted"> and what follows from it</span>
              )}
            </GroupRow>
          ))}
        </ul>
        {group && group.key !== LONE && group.findings.length > 1 && (
          <Together model={index.model} group={group} edits={edits} />
        )}
      </div>
      <Table
        name="findings"
        rows={rows}
        columns={columns}
        keyOf={idOf}
        selection={selection}
        onSelect={([id]) => set({ finding: id, selection: [] })}
        empty="No findings are left."
        tools={
          <>
            {accepted > 0 && (
              <label className="ml-3 flex items-center gap-1">
                <input
                  type="checkbox"
                  className="accent-kelp"
                  checked={all}
                  onChange={(e) => setAll(e.target.checked)}
                />
                with {accepted} accepted
              </label>
            )}
            <BcfMenu index={index} edits={edits} findings={rows} />
          </>
        }
      />
    </div>
  );
}

const LONE = 'lone';

/** By cause, what stands for itself is one group: as a list it would only repeat the table. */
function worthTelling(groups: Group[], by: GroupBy): Group[] {
  if (by !== 'cause') return groups;
  const lone = groups.filter((g) => g.findings.length === 1);
  if (!lone.length) return groups;
  return [
    ...groups.filter((g) => g.findings.length > 1),
    {
      key: LONE,
      title: 'each with a cause of its own',
      severity: lone[0].severity,
      findings: lone.flatMap((g) => g.findings),
      cause: null,
    },
  ];
}

function GroupRow({
  on,
  severity,
  count,
  title,
  onClick,
  children,
}: {
  on: boolean;
  severity?: string;
  count: number;
  title?: string;
  onClick: () => void;
  children: React.ReactNode;
}) {
  return (
    <li>
      <button
        className={`flex w-full items-start gap-2 border-b border-line/50 px-2 py-1 text-left text-sm leading-[17px] ${on ? 'bg-kelp-soft font-semibold' : 'hover:bg-kelp-soft/50'}`}
        onClick={onClick}
        title={title}
      >
        <span className="w-3 shrink-0 pt-0.5">
          {severity && <SeverityMark severity={severity} size={11} />}
        </span>
        <span className="line-clamp-2 min-w-0 flex-1 first-letter:uppercase">{children}</span>
        <span className="shrink-0 text-muted">{count}</span>
      </button>
    </li>
  );
}

/** One remedy for all of a group: those that the first finding with any has. */
function Together({ model, group, edits }: { model: Model; group: Group; edits: Edits }) {
  const units = useUnits();
  const remedies = useRemedies(model, group.findings);
  const first = group.findings.find((f) => remedies?.get(f.id)?.length);
  if (!remedies || !first) return null;
  const ids = group.findings.map((f) => f.id);
  return (
    <div className="shrink-0 border-t border-line bg-paper px-2 py-1.5" data-testid="together">
      <p className="kicker">For all {group.findings.length}</p>
      <div className="mt-1 flex max-h-20 flex-wrap gap-1 overflow-y-auto">
        {remedies.get(first.id)!.map((r, i) => (
          <button
            key={i}
            className="btn !h-[24px] !text-sm"
            disabled={edits.busy}
            onClick={() => edits.sweep(ids, r.repair, r.label)}
          >
            {units.said(r.label)}
          </button>
        ))}
      </div>
    </div>
  );
}

const columnsIn = (units: Units): Column<Finding>[] => [
  {
    id: 'severity',
    head: 'Severity',
    width: 58,
    value: (f) => `${SEVERITIES.indexOf(f.severity as never) + 1} ${f.severity}`,
    show: (f) => (
      <span className="flex h-full items-center" title={isOpen(f) ? f.severity : 'accepted'}>
        <SeverityMark severity={f.severity} />
        {!isOpen(f) && <span className="ml-1 text-muted">ok</span>}
      </span>
    ),
  },
  {
    id: 'code',
    head: 'Code',
    width: 60,
    value: (f) => f.code,
    show: (f) => <span className="font-mono text-[11px]">{f.code}</span>,
  },
  { id: 'message', head: 'Finding', width: 200, value: (f) => units.said(f.message) },
  {
    id: 'measured',
    head: 'Measured',
    width: 78,
    number: true,
    value: (f) => f.measured ?? null,
    show: (f) => units.measured(f.measured, f.unit),
  },
  {
    id: 'limit',
    head: 'Limit',
    width: 66,
    number: true,
    value: (f) => f.limit ?? null,
    show: (f) => units.measured(f.limit, f.limitUnit),
  },
];
