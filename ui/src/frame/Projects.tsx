import { useState } from 'react';
import { useInfiniteQuery, useQueryClient } from '@tanstack/react-query';
import { FolderPlus } from 'lucide-react';
import { Link, useNavigate } from 'react-router';
import { api } from '../model/api';
import { useTitle } from './useTitle';
import { CommandPalette } from './CommandPalette';
import { everywhere, type Entry } from './commands';
import { Help } from './Help';
import { usePageKeys } from './usePageKeys';
import { HeadLine } from './HeadLine';
import { count, moment } from '../model/words';

/** The first page: all projects, and a new one. */
export function Projects() {
  useTitle('Projects');
  const client = useQueryClient();
  const navigate = useNavigate();
  const pages = useInfiniteQuery({
    queryKey: ['projects'],
    queryFn: ({ pageParam }) => api.projects(pageParam),
    initialPageParam: 0,
    getNextPageParam: (last) =>
      last.from + last.projects.length < last.all ? last.from + last.projects.length : undefined,
    // the demo's files are being read when the page is opened for the first time
    refetchInterval: (q) =>
      q.state.data?.pages[0].projects.slice(0, 2).some((p) => !p.deliveries.length) ? 1500 : false,
  });
  const projects = pages.data?.pages.flatMap((p) => p.projects);
  const left = (pages.data?.pages[0].all ?? 0) - (projects?.length ?? 0);
  const [name, setName] = useState('');
  const [error, setError] = useState<string | null>(null);

  usePageKeys();
  const entries = (): Entry[] => [
    ...(projects ?? []).map((p) => ({
      label: `Open ${p.name}`,
      kind: 'project',
      run: () => void navigate(`/p/${p.id}/${p.deliveries.length ? 'findings' : 'intake'}`),
    })),
    ...everywhere(),
  ];

  async function create(e: React.FormEvent) {
    e.preventDefault();
    try {
      const made = await api.createProject(name);
      await client.invalidateQueries({ queryKey: ['projects'] });
      void navigate(`/p/${made.id}/intake`);
    } catch (x) {
      setError(x instanceof Error ? x.message : String(x));
    }
  }

  return (
    <div className="flex h-full flex-col">
      <HeadLine project={null} model={null} revision={null} edits={null} />
      <main className="mx-auto w-full max-w-3xl overflow-y-auto px-6 py-8">
        <h1 className="text-title font-semibold">Projects</h1>
        <p className="mb-4 max-w-[64ch] text-muted">
          A project holds an architect’s deliveries and what was made of them: checked and repaired
          geometry, ready for a simulation.
        </p>
        {pages.isError && <p className="font-semibold text-blocker">{pages.error.message}</p>}
        <ul className="border-t border-line">
          {projects?.map((p) => (
            <li key={p.id} className="border-b border-line">
              <Link
                to={`/p/${p.id}/${p.deliveries.length ? 'findings' : 'intake'}`}
                className="flex items-baseline gap-4 px-2 py-2.5 hover:bg-kelp-soft"
                data-testid="project"
              >
                <span className="text-[15px] font-semibold">{p.name}</span>
                <span className="ml-auto text-muted">
                  {p.deliveries.length
                    ? `${p.deliveries[0].fileName}, ${count(p.deliveries.length, 'revision')}, ${moment(p.deliveries[0].receivedAt)}`
                    : 'no delivery yet'}
                </span>
              </Link>
            </li>
          ))}
        </ul>
        {pages.hasNextPage && (
          <button
            className="btn mt-2"
            disabled={pages.isFetchingNextPage}
            onClick={() => void pages.fetchNextPage()}
          >
            Show more ({left} left)
          </button>
        )}
        <form onSubmit={(e) => void create(e)} className="mt-5 flex items-center gap-2">
          <input
            className="field w-80"
            placeholder="Name of a new project"
            aria-label="Name of a new project"
            value={name}
            maxLength={120}
            onChange={(e) => setName(e.target.value)}
          />
          <button
            className="btn btn-main"
            disabled={!name.trim()}
            type="submit"
            data-testid="create"
          >
            <FolderPlus size={14} /> Create project
          </button>
          {error && <span className="text-blocker">{error}</span>}
        </form>
      </main>
      <CommandPalette entries={entries} />
      <Help />
    </div>
  );
}
