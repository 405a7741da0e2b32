import { useMemo } from 'react';
import { Row, Section, Title } from '../shared/dossierParts';
import { useView } from '../model/state';
import type { Edits } from '../model/useEdits';
import { count } from '../model/words';
import { plain } from './families';
import { InOrOut } from './InOrOut';
import { LIKE, type ElementRow, type ScopeIndex } from './scopeModel';
import { useShallow } from 'zustand/react/shallow';

/** Several elements: what they share, and putting them in or out at once. */
export function SeveralElements({
  rows,
  scope,
  edits,
}: {
  rows: ElementRow[];
  scope: ScopeIndex;
  edits: Edits;
}) {
  const { select, set } = useView(useShallow((s) => ({ select: s.select, set: s.set })));
  const classes = useMemo(() => {
    const n = new Map<string, number>();
    for (const r of rows) n.set(r.entity, (n.get(r.entity) ?? 0) + 1);
    return [...n].sort((a, b) => b[1] - a[1]);
  }, [rows]);
  const shared = LIKE.filter(([k]) => rows[0][k] && rows.every((r) => r[k] === rows[0][k]));
  const unmet = rows.reduce((n, r) => n + r.unmet, 0);
  return (
    <>
      <Title sub={`of ${scope.rows.length}`}>{rows.length} elements selected</Title>
      <InOrOut rows={rows} edits={edits} />
      <Section title="Classes">
        {classes.slice(0, 12).map(([entity, n]) => (
          <div key={entity} className="flex items-center justify-between leading-[24px]">
            <button
              className="text-kelp underline decoration-kelp/40 underline-offset-2"
              title="Keep only these in the selection"
              onClick={() => select(rows.filter((r) => r.entity === entity).map((r) => r.key))}
            >
              {plain(entity)}
            </button>
            <span>{n}</span>
          </div>
        ))}
        {classes.length > 12 && (
          <p className="text-muted">and {classes.length - 12} more classes</p>
        )}
      </Section>
      {shared.length > 0 && (
        <Section title="What they share">
          <dl>
            {shared.map(([k, label]) => (
              <Row key={k} label={label}>
                {String(rows[0][k])}
              </Row>
            ))}
          </dl>
        </Section>
      )}
      {classes.length === 1 && (
        <Section title="Values">
          <p>{unmet ? `${count(unmet, 'requirement')} not met.` : 'All requirements met.'}</p>
          <button
            className="btn mt-1"
            onClick={() => set({ scopeTab: 'values', valueClass: classes[0][0] })}
          >
            Show the values
          </button>
        </Section>
      )}
    </>
  );
}
