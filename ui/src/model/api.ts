import { linesOf, readModel } from './rows';
import type { Shape } from './shapes';
import type { components } from './api.d';
import { client, ok, ProblemError, raw } from './http';
import { attemptCalls } from './attemptCalls';
import { mendCalls } from './mendCalls';
import { planCalls } from './planCalls';
import { estimateCalls } from './estimateCalls';
import { handoverCalls } from './handoverCalls';
import { reportCalls } from './reportCalls';
import { variantCalls } from './variantCalls';

export { person, ProblemError, setPerson } from './http';

type Schemas = components['schemas'];
export type Project = Schemas['ProjectView'];
export type ListedProject = Schemas['ListedProject'];
export type Shelf = ListedProject['shelf'];
export type Settings = Project['settings'];
export type Station = Schemas['StationView'];
export type Job = Schemas['JobView'];
/** With its outline and faces. */
type Shaped<T> = Omit<T, 'rings' | 'triangles'> & { shape: Shape };
export type Opening = Shaped<Schemas['OpeningView']>;
export type Surface = Shaped<Omit<Schemas['SurfaceView'], 'openings'>> & { openings: Opening[] };
export type Model = Omit<Schemas['ModelView'], 'surfaces' | 'orphans'> & {
  surfaces: Surface[];
  orphans: Opening[];
};
/** As the server tells of a change: all of the model, or with {@code since} what differs, with outlines. */
export type ModelAnswer = Schemas['ModelView'];
export type Space = Schemas['SpaceView'];
export type Finding = Schemas['FindingView'];
export type Remedy = Schemas['RemedyView'];
export type Repair = Remedy['repair'];
export type Preview = Schemas['PreviewView'];
export type Remedies = Schemas['RemediesView'];
export type Check = Schemas['CheckView'];
export type SurfaceType = Schemas['SurfaceTypeView'];
export type Source = Schemas['SourceView'];
export type Scope = Schemas['ScopeView'];
export type Unmet = Schemas['FaultView'];
export type AskedOf = Schemas['RequirementView'];
export type ElementFacts = Schemas['ElementView'];
export type ValueTable = Schemas['ValueTableView'];
export type ValueRequest = Omit<Schemas['ValueRequest'], 'basedOn'>;
export type StoreyCount = Schemas['Row'];
export type PickRequest = Schemas['PickRequest'];
export type Trimmed = Schemas['TrimmedView'];
export type BoundarySums = Schemas['SumsView'];
export type BoundaryRow = Schemas['RowView'];
export type Enclosed = Schemas['EnclosedView'];
export type EnclosedVolume = Schemas['VolumeView'];
export type FindingGroup = Schemas['GroupView'];
export type Sweep = Schemas['SweepView'];
export type CheckLimit = Schemas['LimitView'];
export type LimitEffect = Schemas['EffectView'];
export type Traced = Schemas['Traced'];
export type TraceHit = Schemas['Hit'];
export type Answers = Schemas['AnswersView'];
export type LogEntry = Schemas['LogView'];
export type SettingsEntry = Schemas['SettingsEntry'];
export type Dependent = Schemas['DependentView'];
export type Revision = Schemas['RevisionView'];
export type RevisionChange = Schemas['Entry'];
export type ReplayStep = Schemas['StepView'];
export type PlanSheet = Schemas['PlanSheet'];
export type DrawnRoom = PlanSheet['rooms'][number];
export type PlanUnderlay = Schemas['UnderlayView'];
export type Thermal = Schemas['ThermalView'];
export type ConstructionRow = Schemas['ConstructionRow'];
export type LayerRow = Schemas['LayerRow'];
export type GlazingRow = Schemas['GlazingRow'];
export type MaterialRow = Schemas['MaterialRow'];
export type Conditions = Schemas['ConditionsView'];
export type RoomData = Schemas['Read'];
export type ScheduleRow = Schemas['ScheduleRow'];
export type ScheduleProfile = Schemas['ScheduleProfile'];
export type SchedulePurpose = NonNullable<Schemas['GiveSchedule']['purpose']>;
export type ZoneRow = Schemas['ZoneRow'];
export type ZoneBy = Schemas['ProposeRequest']['by'][number];
export type LossRow = Schemas['LossRow'];
export type Breakdown = Schemas['BreakdownView'];
export type LibraryAnswer = Schemas['LibraryView'];
export type Library = Schemas['Library'];
export type WindowDesign = Schemas['WindowDesign'];
export type HeatLossSettings = NonNullable<Settings['heatLoss']>;
export type LibraryImport = Schemas['ImportView'];
export type LibraryEntry = LibraryImport['entries'][number];
export type SheetEntry = Schemas['SheetView'];
export type SheetDetail = Schemas['SheetDetail'];
export type SheetCells = Schemas['SheetCells'];
export type SheetComparison = Schemas['ComparisonView'];

/** How often a model that changes while it is read is asked for. */
const MOST_TRIES = 5;

export const api = {
  projects: (from: number, words: string, shelf: Shelf) =>
    ok(client.GET('/api/projects', { params: { query: { from, words, shelf } } })),
  shelve: (project: string, shelf: Shelf) =>
    ok(
      client.PUT('/api/projects/{id}/shelf', {
        params: { path: { id: project } },
        body: { shelf },
      }),
    ),
  renameProject: (project: string, name: string) =>
    ok(
      client.PUT('/api/projects/{id}/name', { params: { path: { id: project } }, body: { name } }),
    ),
  copyProject: (project: string, name: string) =>
    ok(
      client.POST('/api/projects/{id}/copy', { params: { path: { id: project } }, body: { name } }),
    ),
  project: (id: string) => ok(client.GET('/api/projects/{id}', { params: { path: { id } } })),
  /** A change says which version of the settings it was made from. */
  settings: (project: Project, settings: Settings) =>
    ok(
      client.PUT('/api/projects/{id}/settings', {
        params: { path: { id: project.id } },
        body: {
          basedOn: project.version,
          settings,
        },
      }),
    ),
  stations: (latitude?: number | null, longitude?: number | null) =>
    ok(
      client.GET('/api/stations', {
        params: {
          query: latitude == null || longitude == null ? {} : { latitude, longitude },
        },
      }),
    ),
  buildingUses: () => ok(client.GET('/api/building-uses')),
  createProject: (name: string) => ok(client.POST('/api/projects', { params: {}, body: { name } })),
  deliver: (project: string, file: File) =>
    ok(
      client.POST('/api/projects/{id}/deliveries', {
        params: { path: { id: project }, query: { name: file.name } },
        ...raw(file),
      }),
    ),
  ...estimateCalls,
  ...handoverCalls,
  ...reportCalls,
  ...variantCalls,
  ...planCalls,
  ...attemptCalls,
  ...mendCalls,
  job: (id: string) => ok(client.GET('/api/jobs/{id}', { params: { path: { id } } })),
  cancelJob: (id: string) => ok(client.DELETE('/api/jobs/{id}', { params: { path: { id } } })),
  /** The whole model; asked again where it changed between its rows and its shapes. */
  model: async (delivery: string): Promise<Model> => {
    const path = { params: { path: { id: delivery } } };
    for (let i = 0; i < MOST_TRIES; i++) {
      const [rows, shapes] = await Promise.all([
        client.GET('/api/deliveries/{id}/rows', { ...path, parseAs: 'stream' }),
        client.GET('/api/deliveries/{id}/shapes', { ...path, parseAs: 'arrayBuffer' }),
      ]);
      // what lies between may have called the tag a weak one
      const tag = shapes.response.headers.get('ETag')?.replace(/^W\//, '') ?? null;
      const model = await readModel(linesOf(rows.data as never), shapes.data as never, tag);
      if (model) return model;
    }
    throw new ProblemError(
      0,
      'changing',
      'The model is being changed faster than it can be read. Open it again in a moment.',
      {},
    );
  },
  remedies: (delivery: string, findings: string[]) =>
    ok(
      client.POST('/api/deliveries/{id}/remedies', {
        params: { path: { id: delivery } },
        body: { findings },
      }),
    ),
  checks: () => ok(client.GET('/api/checks')),
  surfaceTypes: () => ok(client.GET('/api/surface-types')),
  preview: (delivery: string, repair: Repair) =>
    ok(
      client.POST('/api/deliveries/{id}/preview', {
        params: { path: { id: delivery } },
        body: { repair },
      }),
    ),
  repair: (delivery: string, basedOn: number, repair: Repair, finding?: string) =>
    ok(
      client.POST('/api/deliveries/{id}/repairs', {
        params: { path: { id: delivery }, query: { changes: true } },
        body: {
          basedOn,
          repair,
          finding,
        },
      }),
    ),
  sweep: (delivery: string, findings: string[], like: Repair) =>
    ok<Sweep>(
      client.POST('/api/deliveries/{id}/findings/sweep', {
        params: { path: { id: delivery } },
        body: { findings, like },
      }),
    ),
  accept: (delivery: string, findings: string[], reason: string) =>
    ok(
      client.POST('/api/deliveries/{id}/findings/accept', {
        params: { path: { id: delivery } },
        body: { findings, reason },
      }),
    ),
  withdraw: (delivery: string, findings: string[]) =>
    ok(
      client.POST('/api/deliveries/{id}/findings/withdraw', {
        params: { path: { id: delivery } },
        body: { findings },
      }),
    ),
  limits: (delivery: string) =>
    ok(client.GET('/api/deliveries/{id}/limits', { params: { path: { id: delivery } } })),
  tryLimits: (delivery: string, limits: Record<string, number>, signal: AbortSignal) =>
    ok(
      client.POST('/api/deliveries/{id}/limits/try', {
        params: { path: { id: delivery } },
        body: { limits },
        signal,
      }),
    ),
  setLimits: (delivery: string, basedOn: number, limits: Record<string, number>) =>
    ok(
      client.PUT('/api/deliveries/{id}/limits', {
        params: { path: { id: delivery } },
        body: { basedOn, limits },
      }),
    ),
  trace: (delivery: string, text: string) =>
    ok(
      client.POST('/api/deliveries/{id}/trace', {
        params: { path: { id: delivery } },
        body: { text },
      }),
    ),
  bcf: async (delivery: string, version: string, findings?: string[]) => {
    const { data, response } = await client.POST('/api/deliveries/{id}/bcf', {
      params: { path: { id: delivery } },
      body: { version, findings },
      parseAs: 'blob',
    });
    const said = response.headers.get('Content-Disposition') ?? '';
    const name = /filename\*=UTF-8''([^;]+)/.exec(said)?.[1];
    return {
      blob: data as unknown as Blob,
      name: name ? decodeURIComponent(name) : 'findings.bcf',
    };
  },
  answers: (delivery: string, file: File) =>
    ok(
      client.POST('/api/deliveries/{id}/bcf/answers', {
        params: { path: { id: delivery }, query: { name: file.name } },
        ...raw(file),
      }),
    ),
  position: (delivery: string, basedOn: number, position: number) =>
    ok(
      client.POST('/api/deliveries/{id}/log/position', {
        params: { path: { id: delivery } },
        body: { basedOn, position },
      }),
    ),
  dependents: (delivery: string, entries: number[]) =>
    ok(
      client.POST('/api/deliveries/{id}/log/dependents', {
        params: { path: { id: delivery } },
        body: { entries },
      }),
    ),
  without: (delivery: string, basedOn: number, entries: number[]) =>
    ok(
      client.POST('/api/deliveries/{id}/log/without', {
        params: { path: { id: delivery } },
        body: { basedOn, entries },
      }),
    ),
  revision: (delivery: string) =>
    ok(client.GET('/api/deliveries/{id}/revision', { params: { path: { id: delivery } } })),
  replay: (delivery: string, basedOn: number) =>
    ok(
      client.POST('/api/deliveries/{id}/replay', {
        params: { path: { id: delivery } },
        body: { basedOn },
      }),
    ),
  /** What could be taken over from a drawing of the project. */
  takeOver: (delivery: string) =>
    ok(client.GET('/api/deliveries/{id}/take-over', { params: { path: { id: delivery } } })),
  thermal: (delivery: string) =>
    ok(client.GET('/api/deliveries/{id}/thermal', { params: { path: { id: delivery } } })),
  conditions: (delivery: string) =>
    ok(client.GET('/api/deliveries/{id}/conditions', { params: { path: { id: delivery } } })),
  readRooms: (delivery: string, file: File) =>
    ok(
      client.POST('/api/deliveries/{id}/rooms/file', {
        params: { path: { id: delivery } },
        ...raw(file),
      }),
    ),
  proposeZones: (delivery: string, by: ZoneBy[], spaces: string[]) =>
    ok(
      client.POST('/api/deliveries/{id}/zones/propose', {
        params: { path: { id: delivery } },
        body: {
          by,
          spaces,
        },
      }),
    ),
  breakdown: (delivery: string, object: string) =>
    ok(
      client.GET('/api/deliveries/{id}/thermal/breakdown', {
        params: { path: { id: delivery }, query: { object } },
      }),
    ),
  library: (project: string) =>
    ok(client.GET('/api/projects/{id}/library', { params: { path: { id: project } } })),
  libraryFile: (project: string, file: File) =>
    ok(
      client.POST('/api/projects/{id}/library/file', {
        params: { path: { id: project }, query: { name: file.name } },
        ...raw(file),
      }),
    ),
  libraryOfDelivery: (delivery: string) =>
    ok(client.GET('/api/deliveries/{id}/library', { params: { path: { id: delivery } } })),
  tryLibrary: (project: string, draft: Library) =>
    ok(
      client.POST('/api/projects/{id}/library/try', {
        params: { path: { id: project } },
        body: draft,
      }),
    ),
  designWindow: (design: WindowDesign) => ok(client.POST('/api/windows', { body: design })),
  conductivity: (asked: Schemas['ConductivityRequest']) =>
    ok(client.POST('/api/materials/conductivity', { body: asked })),
  groundYear: (delivery: string, climate: Schemas['Climate']) =>
    ok(
      client.POST('/api/deliveries/{id}/thermal/ground', {
        params: { path: { id: delivery } },
        body: climate,
      }),
    ),
  takeLibrary: (project: string, incoming: Library, taken: string[], shared: boolean) =>
    ok(
      client.PUT('/api/projects/{id}/library', {
        params: { path: { id: project } },
        body: { incoming, taken, shared },
      }),
    ),
  dropLibrary: (project: string, entry: string) =>
    ok(
      client.DELETE('/api/projects/{id}/library', {
        params: { path: { id: project }, query: { entry } },
      }),
    ),
  boundaries: (delivery: string) =>
    ok(client.GET('/api/deliveries/{id}/boundaries', { params: { path: { id: delivery } } })),
  tryBoundaries: (
    delivery: string,
    run: string,
    choices: NonNullable<Settings['boundaries']>,
    signal: AbortSignal,
  ) =>
    ok(
      client.POST('/api/deliveries/{id}/boundaries/try/{run}', {
        params: { path: { id: delivery, run } },
        body: choices,
        signal,
      }),
    ),
  chooseBoundaries: (
    delivery: string,
    basedOn: number,
    spaces: string[],
    source: 'DELIVERED' | 'DERIVED' | 'PROJECT',
  ) =>
    ok(
      client.POST('/api/deliveries/{id}/boundaries/choice', {
        params: { path: { id: delivery } },
        body: {
          basedOn,
          spaces,
          source,
        },
      }),
    ),
  enclosed: (delivery: string, signal: AbortSignal) =>
    ok(client.GET('/api/deliveries/{id}/enclosed', { params: { path: { id: delivery } }, signal })),
  addSpaces: (delivery: string, basedOn: number, volumes: Schemas['SeedView'][]) =>
    ok(
      client.POST('/api/deliveries/{id}/enclosed', {
        params: { path: { id: delivery } },
        body: { basedOn, volumes },
      }),
    ),
  part: (delivery: string, basedOn: number, part: number | null) =>
    ok(
      client.PUT('/api/deliveries/{id}/part', {
        params: { path: { id: delivery } },
        body: { basedOn, part },
      }),
    ),
  undo: (delivery: string, basedOn: number) =>
    ok(
      client.POST('/api/deliveries/{id}/undo', {
        params: { path: { id: delivery }, query: { changes: true } },
        body: { basedOn },
      }),
    ),
  redo: (delivery: string, basedOn: number) =>
    ok(
      client.POST('/api/deliveries/{id}/redo', {
        params: { path: { id: delivery }, query: { changes: true } },
        body: { basedOn },
      }),
    ),
  scope: (delivery: string) =>
    ok(client.GET('/api/deliveries/{id}/scope', { params: { path: { id: delivery } } })),
  trySheet: (delivery: string, what: { sheet?: string; cells?: SheetCells }) =>
    ok(
      client.POST('/api/deliveries/{id}/scope/try', {
        params: { path: { id: delivery } },
        body: what,
      }),
    ),
  mesh: (delivery: string) =>
    ok(
      client.GET('/api/deliveries/{id}/scope/mesh', {
        params: { path: { id: delivery } },
        parseAs: 'arrayBuffer',
      }),
    ) as Promise<ArrayBuffer>,
  values: (delivery: string, entity: string) =>
    ok(
      client.GET('/api/deliveries/{id}/scope/values', {
        params: { path: { id: delivery }, query: { entity } },
      }),
    ),
  element: (delivery: string, key: string) =>
    ok(
      client.GET('/api/deliveries/{id}/element', {
        params: { path: { id: delivery }, query: { key } },
      }),
    ),
  storeyCounts: (delivery: string) =>
    ok(client.GET('/api/deliveries/{id}/scope/storeys', { params: { path: { id: delivery } } })),
  pick: (delivery: string, what: PickRequest) =>
    ok(
      client.POST('/api/deliveries/{id}/scope/pick', {
        params: { path: { id: delivery } },
        body: what,
      }),
    ),
  trimmed: (delivery: string) =>
    ok(client.GET('/api/deliveries/{id}/scope/size', { params: { path: { id: delivery } } })),
  applySheet: (delivery: string, basedOn: number, sheet: string) =>
    ok(
      client.POST('/api/deliveries/{id}/scope/sheet', {
        params: { path: { id: delivery } },
        body: { basedOn, sheet },
      }),
    ),
  place: (delivery: string, basedOn: number, keys: string[], isIn: boolean, reason: string) =>
    ok(
      client.POST('/api/deliveries/{id}/scope/place', {
        params: { path: { id: delivery } },
        body: {
          basedOn,
          keys,
          in: isIn,
          reason,
        },
      }),
    ),
  release: (delivery: string, basedOn: number, keys: string[]) =>
    ok(
      client.POST('/api/deliveries/{id}/scope/release', {
        params: { path: { id: delivery } },
        body: { basedOn, keys },
      }),
    ),
  setValues: (delivery: string, basedOn: number, change: ValueRequest) =>
    ok(
      client.POST('/api/deliveries/{id}/scope/values', {
        params: { path: { id: delivery } },
        body: { basedOn, ...change },
      }),
    ),
  sheets: (project: string) =>
    ok(client.GET('/api/projects/{id}/sheets', { params: { path: { id: project } } })),
  sheet: (id: string) => ok(client.GET('/api/sheets/{id}', { params: { path: { id } } })),
  addSheet: (project: string, sheet: SheetCells | File) =>
    ok(
      client.POST('/api/projects/{id}/sheets', {
        params: { path: { id: project } },
        ...(sheet instanceof File ? raw(sheet) : { body: sheet }),
      }),
    ),
  changeSheet: (id: string, cells: SheetCells) =>
    ok(client.PUT('/api/sheets/{id}', { params: { path: { id } }, body: cells })),
  dropSheet: (id: string) => client.DELETE('/api/sheets/{id}', { params: { path: { id } } }),
  compareSheets: (id: string, other: string) =>
    ok(
      client.GET('/api/sheets/{id}/comparison', {
        params: { path: { id }, query: { with: other } },
      }),
    ),
};
