import { useState } from 'react';
import { DropdownMenu } from 'radix-ui';
import { ChevronDown, Redo2, Search, Undo2, User } from 'lucide-react';
import { Link, useNavigate } from 'react-router';
import { person, setPerson, type Model, type Project } from '../model/api';
import { useView } from '../model/state';
import { byPart, revisionName } from '../model/parts';
import type { Edits } from '../model/useEdits';
import { useSettings } from '../model/useSettings';

import { useUnits } from '../model/units';

/** Project and delivery, search, undo and redo, person. */
export function HeadLine({
  project,
  model,
  revision,
  edits,
}: {
  project: Project | null;
  model: Model | null;
  revision: string | null;
  edits: Edits | null;
}) {
  const units = useUnits();
  const set = useView((s) => s.set);
  const navigate = useNavigate();
  const [name, setName] = useState(person());
  const chosen = project?.deliveries.find((d) => d.id === revision);
  return (
    <header className="flex h-11 shrink-0 items-center gap-3 border-b border-line bg-panel px-3">
      <Link to="/" className="flex items-center gap-2 font-semibold text-kelp" title="All projects">
        <img src="/mark.svg" alt="" className="size-6 shrink-0" />
        <span className="text-[15px] max-md:sr-only">Yentra</span>
      </Link>
      {project && (
        <>
          <span className="h-5 w-px bg-line" />
          <span className="truncate font-semibold">{project.name}</span>
          {chosen && (
            <span className="hidden print:inline">
              {chosen.fileName} · {revisionName(chosen, project)}
            </span>
          )}
          {chosen && (
            <DropdownMenu.Root>
              <DropdownMenu.Trigger className="btn max-w-64" data-testid="revisions">
                <span className="truncate">
                  {chosen.fileName} · {revisionName(chosen, project)}
                </span>
                <ChevronDown size={14} />
              </DropdownMenu.Trigger>
              <DropdownMenu.Portal>
                <DropdownMenu.Content className="menu" align="start">
                  {byPart(project).map((d) => (
                    <DropdownMenu.Item
                      key={d.id}
                      className="menu-item"
                      onSelect={() => navigate(`?delivery=${d.id}`)}
                    >
                      <span className="first-letter:uppercase">{revisionName(d, project)}</span>:{' '}
                      {d.fileName}
                    </DropdownMenu.Item>
                  ))}
                </DropdownMenu.Content>
              </DropdownMenu.Portal>
            </DropdownMenu.Root>
          )}
        </>
      )}
      <button
        className="btn ml-auto justify-between text-muted lg:w-56"
        title="Find or do (Ctrl K)"
        onClick={() => set({ palette: true })}
        data-testid="search"
      >
        <span className="flex items-center gap-1.5">
          <Search size={14} /> <span className="max-lg:sr-only">Find or do</span>
        </span>
        <kbd className="font-mono text-sm max-lg:hidden">Ctrl K</kbd>
      </button>
      {model && edits && (
        <>
          <button
            className="btn-quiet"
            disabled={!model.delivery.canUndo || edits.busy}
            onClick={edits.undo}
            title={`Undo (Ctrl Z)${model.delivery.undoes ? ': ' + units.said(model.delivery.undoes) : ''}`}
            data-testid="undo"
          >
            <Undo2 size={15} /> <span className="max-lg:sr-only">Undo</span>
          </button>
          <button
            className="btn-quiet"
            disabled={!model.delivery.canRedo || edits.busy}
            onClick={edits.redo}
            title={`Redo (Ctrl Shift Z)${model.delivery.redoes ? ': ' + units.said(model.delivery.redoes) : ''}`}
            data-testid="redo"
          >
            <Redo2 size={15} /> <span className="max-lg:sr-only">Redo</span>
          </button>
        </>
      )}
      {project && model && <UnitSwitch project={project} />}
      <label
        className="flex items-center gap-1.5 print:hidden"
        title="Your name is written beside every repair you make"
      >
        <User size={15} className="text-muted" />
        <input
          className="field w-20 lg:w-32"
          placeholder="Your name"
          aria-label="Your name"
          value={name}
          maxLength={80}
          onChange={(e) => {
            setName(e.target.value);
            setPerson(e.target.value);
          }}
        />
      </label>
    </header>
  );
}

/** SI or IP, for everybody who works on the project. */
function UnitSwitch({ project }: { project: Project }) {
  const save = useSettings(project);
  const ip = project.settings.units === 'IP';

  return (
    <button
      className="btn-quiet !px-1.5"
      onClick={() => void save({ units: ip ? undefined : 'IP' })}
      title={ip ? 'Feet and inches; click for metres' : 'Metres; click for feet and inches'}
      data-testid="units"
    >
      <span className={ip ? 'text-muted' : 'font-semibold'}>SI</span>·
      <span className={ip ? 'font-semibold' : 'text-muted'}>IP</span>
    </button>
  );
}
