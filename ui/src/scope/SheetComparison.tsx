import { useQuery } from '@tanstack/react-query';
import { api } from '../model/api';

/** What two sheets have in common, and what only one of them has. */
export function SheetComparison({ id, other }: { id: string; other: string }) {
  const c = useQuery({
    queryKey: ['compare', id, other],
    queryFn: () => api.compareSheets(id, other),
  });
  if (!c.data) return <p className="px-3 py-4 text-muted">Comparing …</p>;
  const only = (place: string) => c.data.lines.filter((l) => l.place === place);
  const list = (title: string, place: string) => (
    <div className="min-w-0 flex-1 overflow-y-auto px-3 py-2">
      <h2 className="kicker mb-1">
        {title} ({only(place).length})
      </h2>
      {only(place).map((l, i) => (
        <p key={i} className="border-b border-line/50 py-0.5 text-sm">
          <span className="text-muted">{l.part}</span> {l.text}
        </p>
      ))}
      {!only(place).length && <p className="text-muted">Nothing.</p>}
    </div>
  );
  return (
    <div className="flex min-h-0 flex-1 divide-x divide-line" data-testid="comparison">
      {list(`Only in ${c.data.first}`, 'FIRST')}
      {list(`Only in ${c.data.second}`, 'SECOND')}
      {list('In both', 'BOTH')}
    </div>
  );
}
