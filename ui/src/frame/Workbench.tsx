import { Suspense, useEffect, useMemo, useRef } from 'react';
import { useQuery } from '@tanstack/react-query';
import { Navigate, useNavigate, useParams, useSearchParams } from 'react-router';
import { api, type Model, type Project, type RevisionChange } from '../model/api';
import { Dossier } from '../dossier/Dossier';
import { useRevision } from '../findings/useRevision';
import { Arrangement } from './Arrangement';
import { CommandPalette } from './CommandPalette';
import { commands, objects } from './commands';
import { ErrorBoundary } from './ErrorBoundary';
import { HeadLine } from './HeadLine';
import { Help } from './Help';
import { Next } from './Next';
import { Message } from './Message';
import { Path } from './Path';
import { useAddress } from './useAddress';
import { useProjectEvents } from './useProjectEvents';
import { useTitle } from './useTitle';
import { useShortcuts } from './useShortcuts';
import { useIntake } from '../shared/useIntake';
import { useWorkspaceLink } from '../shared/useWorkspaceLink';
import { WORKSPACES, type Workspace } from '../shared/workspaces';
import { elementOf, madeOf, useIndex } from '../model/model';
import { elementSubject } from '../scope/scopeModel';
import { useMesh, useScope } from '../scope/useScope';
import { withElements } from '../scope/backdrop';
import { envelopeSubject } from '../stage/subject';
import { useSeen } from '../stage/useSeen';
import { resetView, useView } from '../model/state';
import { useThermal } from '../thermal/useThermal';
import { useEdits } from '../model/useEdits';
import { UnitsContext, unitsOf, useUnits } from '../model/units';
import { Begin } from '../intake/Begin';
import { ProjectSettings } from '../intake/ProjectSettings';
import { loadTheRest } from './load';
import { opened } from './opened';
import {
  DrawBlock,
  DrawingWork,
  HandoverPanel,
  Intake,
  NewDrawing,
  ScopeDossier,
  ScopePanel,
  Sheet,
  Stage,
  EstimateWork,
  ThermalSheet,
} from './rooms';

const NO_CHANGES: RevisionChange[] = [];
const NO_VALUES: Record<string, number> = {};

/** A project: head line, path, stage, sheet and dossier. */
export function Workbench() {
  const { project: id = '', workspace = 'intake' } = useParams();
  const [params] = useSearchParams();
  useProjectEvents(id);
  const known = WORKSPACES.some(([key]) => key === workspace);
  const project = useQuery({ queryKey: ['project', id], queryFn: () => api.project(id) });
  const delivery = params.get('delivery') ?? project.data?.deliveries[0]?.id ?? null;
  const model = useQuery({
    queryKey: ['model', delivery],
    queryFn: () => opened(delivery!),
    // what is looked up of a model is kept by the model itself, which must not be put together anew
    structuralSharing: false,
    enabled: !!delivery,
  });

  useEffect(() => resetView, [delivery]);

  if (!known)
    return <Navigate to={{ pathname: `/p/${id}/intake`, search: `?${params}` }} replace />;
  if (project.isError || model.isError) {
    return (
      <div className="p-8">
        <p className="font-semibold text-blocker">{(project.error ?? model.error)!.message}</p>
        <a className="btn mt-2" href="/">
          All projects
        </a>
      </div>
    );
  }
  if (!project.data || (delivery && !model.data))
    return <p className="p-8 text-muted">Opening the model …</p>;
  if (!model.data) {
    return (
      <UnitsContext value={unitsOf(project.data.settings.units)}>
        <div className="flex h-full flex-col">
          <HeadLine project={project.data} model={null} revision={null} edits={null} />
          <div className="flex min-h-0 flex-1">
            <Path project={id} model={null} />
            <Empty project={project.data} drawing={params.has('draw')} />
          </div>
        </div>
      </UnitsContext>
    );
  }
  return (
    <UnitsContext value={unitsOf(project.data.settings.units)}>
      <Opened
        // what was typed in other units is not carried over
        key={`${delivery} ${project.data.settings.units ?? 'SI'}`}
        project={project.data}
        model={model.data}
        workspace={workspace as Workspace}
      />
    </UnitsContext>
  );
}

/** A project without a delivery. */
function Empty({ project, drawing }: { project: Project; drawing: boolean }) {
  const intake = useIntake(project.id);
  useTitle(drawing ? 'Drawing' : 'Intake', project.name);
  if (drawing)
    return (
      <Suspense fallback={<Opening />}>
        <NewDrawing project={project.id} name={project.name} intake={intake} />
      </Suspense>
    );
  return (
    <main className="mx-auto flex w-full max-w-5xl flex-wrap content-start gap-x-12 gap-y-6 overflow-y-auto px-6 py-8">
      <section className="w-72">
        <h1 className="text-title font-semibold">Where and what</h1>
        <p className="mb-2 text-muted">
          Place, use and climate can be given before a file is in. What stays blank is taken from
          the delivery.
        </p>
        <ProjectSettings project={project} model={null} />
      </section>
      <Begin
        project={project}
        intake={intake}
        block={
          <Suspense fallback={<Opening />}>
            <DrawBlock name={project.name} intake={intake} />
          </Suspense>
        }
      />
    </main>
  );
}

function Opened({
  project,
  model,
  workspace,
}: {
  project: Project;
  model: Model;
  workspace: Workspace;
}) {
  const units = useUnits();
  const index = useIndex(model);
  const edits = useEdits(model);
  const set = useView((s) => s.set);
  useShortcuts(index, edits, project.id, workspace);
  useAddress(workspace);
  const navigate = useNavigate();
  const to = useWorkspaceLink(project.id);
  useTitle(WORKSPACES.find(([k]) => k === workspace)![1], project.name);
  const inScope = workspace === 'scope';
  const ghosts = useView((s) => s.elements) && model.delivery.format === 'ifc' && !inScope;
  const scope = useScope(model, inScope || ghosts);
  const mesh = useMesh(model, inScope || ghosts);
  const elements = useMemo(
    () => (inScope && scope && mesh ? elementSubject(scope, mesh, model.storeys) : null),
    [inScope, scope, mesh, model.storeys],
  );
  const by = useView((s) => s.colourBy);
  const tinted = useView((s) => s.tinted);
  const changes = useRevision(model, by === 'change').data?.changes ?? NO_CHANGES;
  const uValues = useThermal(model, by === 'uvalue').data?.uValues ?? NO_VALUES;
  const seen = useSeen(index);
  const envelope = useMemo(
    () => envelopeSubject(units, seen, by, { changes, uValues, tinted }),
    [seen, by, changes, uValues, tinted, units],
  );
  const among = useMemo(
    () => (ghosts && scope && mesh ? withElements(envelope, scope, mesh) : envelope),
    [ghosts, scope, mesh, envelope],
  );

  // what is selected stays selected: elements become what was made of them, and back
  const before = useRef(inScope);
  useEffect(() => {
    if (before.current === inScope) return;
    before.current = inScope;
    const turn = (k: string): string[] => {
      if (!inScope) return madeOf(index, k);
      const element = elementOf(index, k);
      return element ? [element] : [];
    };
    set({
      selection: [...new Set(useView.getState().selection.flatMap(turn))],
      hidden: new Set(),
      isolated: null,
      finding: null,
      pending: null,
    });
  }, [inScope, index, set]);

  // the place of a finding that is answered is of no interest elsewhere
  useEffect(() => {
    const { finding, selection } = useView.getState();
    if (!finding && !selection.length)
      window.dispatchEvent(new CustomEvent('yentra:frame', { detail: 'untouched' }));
  }, [workspace]);

  // what a repair took away is no longer selected
  useEffect(() => {
    const v = useView.getState();
    const known = (k: string) =>
      index.spaces.has(k) || index.surfaces.has(k) || index.openings.has(k);
    if (v.finding && !index.findings.has(v.finding)) set({ finding: null });
    if (!inScope && v.selection.some((k) => !known(k)))
      set({ selection: v.selection.filter(known) });
    if (v.tried && v.tried.version !== index.model.delivery.version) set({ tried: null });
  }, [index, inScope, set]);

  useEffect(loadTheRest, []);

  return (
    <div className="flex h-full flex-col">
      <HeadLine project={project} model={model} revision={model.delivery.id} edits={edits} />
      <div className="relative flex min-h-0 flex-1">
        <Path project={project.id} model={model}>
          <Next index={index} workspace={workspace} project={project.id} />
        </Path>
        <main className="relative flex min-w-0 flex-1">
          <h1 className="sr-only">
            {WORKSPACES.find(([k]) => k === workspace)![1]} of {project.name}
          </h1>
          <Arrangement
            workspace={workspace}
            stage={
              <ErrorBoundary>
                <Suspense fallback={<div className="min-h-0 flex-1 bg-paper" />}>
                  <Stage
                    index={index}
                    subject={elements ?? among}
                    elements={model.delivery.format === 'ifc' && !inScope}
                  />
                </Suspense>
              </ErrorBoundary>
            }
            work={
              <Suspense fallback={<Opening />}>
                {workspace === 'intake' && model.delivery.format === 'plan' ? (
                  <DrawingWork
                    edits={edits}
                    project={project.id}
                    north={model.northAzimuth ?? null}
                    report={<Intake model={model} project={project} edits={edits} />}
                  />
                ) : workspace === 'intake' ? (
                  <Intake model={model} project={project} edits={edits} />
                ) : workspace === 'handover' ? (
                  <HandoverPanel model={model} project={project.id} />
                ) : inScope ? (
                  scope ? (
                    <ScopePanel model={model} index={scope} edits={edits} />
                  ) : (
                    <p className="px-4 py-6 text-muted">Reading the elements …</p>
                  )
                ) : workspace === 'envelope' || workspace === 'findings' ? (
                  <Sheet
                    index={index}
                    project={project}
                    edits={edits}
                    findings={workspace === 'findings'}
                  />
                ) : workspace === 'thermal' ? (
                  <ThermalSheet index={index} project={project} edits={edits} />
                ) : (
                  <EstimateWork index={index} project={project} />
                )}
              </Suspense>
            }
            side={
              inScope && scope ? (
                <Suspense fallback={null}>
                  <ScopeDossier model={model} index={index} scope={scope} edits={edits} />
                </Suspense>
              ) : (
                <Dossier index={index} edits={edits} workspace={workspace} />
              )
            }
          />
        </main>
        <Message />
      </div>
      <CommandPalette
        entries={() => [
          ...commands(project, model, index, edits, workspace, navigate, to),
          ...objects(index, units),
        ]}
      />
      <Help />
    </div>
  );
}

function Opening() {
  return <p className="px-4 py-6 text-muted">Opening …</p>;
}
