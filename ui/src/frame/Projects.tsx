import { useDeferredValue, useState } from 'react';
import { keepPreviousData, useInfiniteQuery, useQueryClient } from '@tanstack/react-query';
import { FolderPlus, Search } from 'lucide-react';
import { useNavigate } from 'react-router';
import { api, type ListedProject, type Shelf } from '../model/api';
import { useTitle } from './useTitle';
import { CommandPalette } from './CommandPalette';
import { everywhere, type Entry } from './commands';
import { Help } from './Help';
import { usePageKeys } from './usePageKeys';
import { HeadLine } from './HeadLine';
import { placeOf } from './placeOf';
import { ProjectRow } from './ProjectRow';

const SHELVES: [Shelf, string][] = [
  ['OPEN', 'At hand'],
  ['ARCHIVED', 'Archived'],
  ['DELETED', 'Deleted'],
];
const NONE: Record<Shelf, string> = {
  OPEN: 'No project yet: give it a name below.',
  ARCHIVED: 'Nothing is archived. What is, is out of the way and stays as it is.',
  DELETED: 'Nothing is deleted. What is, can be taken back for 30 days.',
};
const DONE: Record<Shelf, string> = {
  OPEN: 'is at hand again',
  ARCHIVED: 'is archived',
  DELETED: 'is deleted; it can be taken back for 30 days',
};

/** The first page: all projects, what was touched last first, and a new one. */
export function Projects() {
  useTitle('Projects');
  const client = useQueryClient();
  const navigate = useNavigate();
  const [shelf, setShelf] = useState<Shelf>('OPEN');
  const [typed, setTyped] = useState('');
  const words = useDeferredValue(typed.trim());
  const pages = useInfiniteQuery({
    queryKey: ['projects', shelf, words],
    queryFn: ({ pageParam }) => api.projects(pageParam, words, shelf),
    initialPageParam: 0,
    placeholderData: keepPreviousData,
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
  const [moved, setMoved] = useState<{ project: ListedProject; to: Shelf } | null>(null);

  usePageKeys();
  const entries = (): Entry[] => [
    ...(projects ?? []).map((p) => ({
      label: `Open ${p.name}`,
      kind: 'project',
      run: () => void navigate(placeOf(p)),
    })),
    ...everywhere(),
  ];

  async function doing(step: () => Promise<void>) {
    setError(null);
    try {
      await step();
    } catch (x) {
      setError(x instanceof Error ? x.message : String(x));
    }
    await client.invalidateQueries({ queryKey: ['projects'] });
  }

  const create = (e: React.FormEvent) => {
    e.preventDefault();
    void doing(async () => {
      const made = await api.createProject(name);
      void navigate(`/p/${made.id}/intake`);
    });
  };
  const put = (project: ListedProject, to: Shelf) =>
    void doing(async () => {
      await api.shelve(project.id, to);
      setMoved({ project, to });
    });

  return (
    <div className="flex h-full flex-col">
      <HeadLine project={null} model={null} revision={null} edits={null} />
      <main className="mx-auto w-full max-w-4xl overflow-y-auto px-6 py-6">
        <div className="flex items-end gap-4">
          <h1 className="text-title font-semibold">Projects</h1>
          <label className="ml-auto flex items-center gap-1.5 text-muted">
            <Search size={14} aria-hidden />
            <input
              className="field w-64"
              placeholder="Name or file"
              aria-label="Find projects by name or file"
              data-filter="first"
              data-testid="find-project"
              value={typed}
              onChange={(e) => setTyped(e.target.value)}
            />
          </label>
          <div className="flex gap-1" role="group" aria-label="Which projects">
            {SHELVES.map(([s, label]) => (
              <button
                key={s}
                className={`btn ${s === shelf ? 'border-kelp font-semibold' : ''}`}
                aria-pressed={s === shelf}
                data-testid={`shelf-${s.toLowerCase()}`}
                onClick={() => setShelf(s)}
              >
                {label}
              </button>
            ))}
          </div>
        </div>
        <p className="mt-2 min-h-[24px]" role="status">
          {(pages.error ?? error) ? (
            <b className="text-blocker">{pages.error?.message ?? error}</b>
          ) : moved ? (
            <>
              {moved.project.name} {DONE[moved.to]}.{' '}
              <button
                className="btn-quiet font-semibold text-kelp"
                data-testid="undo-move"
                onClick={() => {
                  put(moved.project, moved.project.shelf);
                  setMoved(null);
                }}
              >
                Undo
              </button>
            </>
          ) : null}
        </p>
        <ul className="mt-1 border-t border-line">
          {projects?.map((p) => (
            <ProjectRow
              key={p.id}
              project={p}
              put={(to) => put(p, to)}
              rename={(to) => void doing(async () => void (await api.renameProject(p.id, to)))}
              copy={() =>
                void doing(async () => {
                  await api.copyProject(p.id, `${p.name}, copy`);
                  setMoved(null);
                  setTyped('');
                  setShelf('OPEN');
                })
              }
            />
          ))}
        </ul>
        {projects?.length === 0 && (
          <p className="py-6 text-center text-muted">
            {words ? `No project has ${words} in its name or files.` : NONE[shelf]}
          </p>
        )}
        {pages.hasNextPage && (
          <button
            className="btn mt-2"
            disabled={pages.isFetchingNextPage}
            onClick={() => void pages.fetchNextPage()}
          >
            Show more ({left} left)
          </button>
        )}
        <form onSubmit={create} className="mt-5 flex items-center gap-2">
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
        </form>
        <p className="mt-4 max-w-[64ch] text-sm text-muted">
          A project holds an architect’s deliveries and what was made of them: checked and repaired
          geometry, ready for a simulation.
        </p>
      </main>
      <CommandPalette entries={entries} />
      <Help />
    </div>
  );
}
