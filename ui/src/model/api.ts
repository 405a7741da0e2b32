import type { components } from './api.d';

type Schemas = components['schemas'];
export type Project = Schemas['ProjectView'];
export type Settings = Project['settings'];
export type Station = Schemas['StationView'];
export type Job = Schemas['JobView'];
export type Model = Schemas['ModelView'];
export type Surface = Schemas['SurfaceView'];
export type Opening = Schemas['OpeningView'];
export type Space = Schemas['SpaceView'];
export type Finding = Schemas['FindingView'];
export type Remedy = Schemas['RemedyView'];
export type Repair = Remedy['repair'];
export type Preview = Schemas['PreviewView'];
export type Handover = Schemas['HandoverView'];
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
export type BalanceLine = Schemas['BalanceLine'];
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

/** An answer that says what was wrong, as problem+json. */
export class ProblemError extends Error {
  readonly status: number;
  readonly kind: string;
  readonly details: Record<string, unknown>;

  constructor(status: number, kind: string, message: string, details: Record<string, unknown>) {
    super(message);
    this.status = status;
    this.kind = kind;
    this.details = details;
  }
}

const PERSON_KEY = 'yentra.person';

export function person(): string {
  return localStorage.getItem(PERSON_KEY) ?? '';
}

export function setPerson(name: string) {
  localStorage.setItem(PERSON_KEY, name.trim());
}

async function send(
  method: string,
  path: string,
  body?: unknown,
  signal?: AbortSignal,
): Promise<Response> {
  const raw = body instanceof Blob;
  let answer: Response;
  try {
    answer = await fetch(path, {
      method,
      signal,
      headers: {
        'X-Yentra-Person': encodeURIComponent(person()),
        ...(body === undefined
          ? {}
          : { 'Content-Type': raw ? 'application/octet-stream' : 'application/json' }),
      },
      body: body === undefined ? undefined : raw ? body : JSON.stringify(body),
    });
  } catch (e) {
    if (signal?.aborted) throw e;
    throw new ProblemError(
      0,
      'offline',
      'The server does not answer. Is it running? Nothing was changed.',
      {},
    );
  }
  if (!answer.ok) {
    const problem = await answer.json().catch(() => ({}));
    throw new ProblemError(
      answer.status,
      String(problem.type ?? '').replace('urn:yentra:', ''),
      problem.detail ?? `The server answered with ${answer.status}.`,
      problem,
    );
  }
  return answer;
}

async function request<T>(
  method: string,
  path: string,
  body?: unknown,
  signal?: AbortSignal,
): Promise<T> {
  return (await send(method, path, body, signal)).json() as Promise<T>;
}

export const api = {
  projects: (from: number) => request<Schemas['ProjectPage']>('GET', `/api/projects?from=${from}`),
  project: (id: string) => request<Project>('GET', `/api/projects/${id}`),
  /** A change says which version of the settings it was made from. */
  settings: (project: Project, settings: Settings) =>
    request<Project>('PUT', `/api/projects/${project.id}/settings`, {
      basedOn: project.version,
      settings,
    }),
  stations: (latitude?: number | null, longitude?: number | null) =>
    request<Station[]>(
      'GET',
      latitude == null || longitude == null
        ? '/api/stations'
        : `/api/stations?latitude=${latitude}&longitude=${longitude}`,
    ),
  buildingUses: () => request<string[]>('GET', '/api/building-uses'),
  createProject: (name: string) => request<Project>('POST', '/api/projects', { name }),
  deliver: (project: string, file: File) =>
    request<Job>(
      'POST',
      `/api/projects/${project}/deliveries?name=${encodeURIComponent(file.name)}`,
      file,
    ),
  job: (id: string) => request<Job>('GET', `/api/jobs/${id}`),
  cancelJob: (id: string) => request<Job>('DELETE', `/api/jobs/${id}`),
  model: (delivery: string) => request<Model>('GET', `/api/deliveries/${delivery}/model`),
  checks: () => request<Check[]>('GET', '/api/checks'),
  surfaceTypes: () => request<SurfaceType[]>('GET', '/api/surface-types'),
  preview: (delivery: string, repair: Repair) =>
    request<Preview>('POST', `/api/deliveries/${delivery}/preview`, { repair }),
  repair: (delivery: string, basedOn: number, repair: Repair, finding?: string) =>
    request<Model>('POST', `/api/deliveries/${delivery}/repairs?changes=true`, {
      basedOn,
      repair,
      finding,
    }),
  sweep: (delivery: string, findings: string[], like: Repair) =>
    request<Sweep>('POST', `/api/deliveries/${delivery}/findings/sweep`, { findings, like }),
  accept: (delivery: string, findings: string[], reason: string) =>
    request<Model>('POST', `/api/deliveries/${delivery}/findings/accept`, { findings, reason }),
  withdraw: (delivery: string, findings: string[]) =>
    request<Model>('POST', `/api/deliveries/${delivery}/findings/withdraw`, { findings }),
  limits: (delivery: string) => request<CheckLimit[]>('GET', `/api/deliveries/${delivery}/limits`),
  tryLimits: (delivery: string, limits: Record<string, number>, signal: AbortSignal) =>
    request<LimitEffect[]>('POST', `/api/deliveries/${delivery}/limits/try`, { limits }, signal),
  setLimits: (delivery: string, basedOn: number, limits: Record<string, number>) =>
    request<Model>('PUT', `/api/deliveries/${delivery}/limits`, { basedOn, limits }),
  trace: (delivery: string, text: string) =>
    request<Traced>('POST', `/api/deliveries/${delivery}/trace`, { text }),
  bcf: async (delivery: string, version: string, findings?: string[]) => {
    const answer = await send('POST', `/api/deliveries/${delivery}/bcf`, { version, findings });
    const said = answer.headers.get('Content-Disposition') ?? '';
    const name = /filename\*=UTF-8''([^;]+)/.exec(said)?.[1];
    return { blob: await answer.blob(), name: name ? decodeURIComponent(name) : 'findings.bcf' };
  },
  answers: (delivery: string, file: File) =>
    request<Answers>(
      'POST',
      `/api/deliveries/${delivery}/bcf/answers?name=${encodeURIComponent(file.name)}`,
      file,
    ),
  position: (delivery: string, basedOn: number, position: number) =>
    request<Model>('POST', `/api/deliveries/${delivery}/log/position`, { basedOn, position }),
  dependents: (delivery: string, entries: number[]) =>
    request<Dependent[]>('POST', `/api/deliveries/${delivery}/log/dependents`, { entries }),
  without: (delivery: string, basedOn: number, entries: number[]) =>
    request<Model>('POST', `/api/deliveries/${delivery}/log/without`, { basedOn, entries }),
  revision: (delivery: string) => request<Revision>('GET', `/api/deliveries/${delivery}/revision`),
  replay: (delivery: string, basedOn: number) =>
    request<Model>('POST', `/api/deliveries/${delivery}/replay`, { basedOn }),
  thermal: (delivery: string) => request<Thermal>('GET', `/api/deliveries/${delivery}/thermal`),
  conditions: (delivery: string) =>
    request<Conditions>('GET', `/api/deliveries/${delivery}/conditions`),
  readRooms: (delivery: string, file: File) =>
    request<RoomData>('POST', `/api/deliveries/${delivery}/rooms/file`, file),
  proposeZones: (delivery: string, by: ZoneBy[], spaces: string[]) =>
    request<{ repair: Repair }>('POST', `/api/deliveries/${delivery}/zones/propose`, {
      by,
      spaces,
    }),
  breakdown: (delivery: string, object: string) =>
    request<Breakdown>(
      'GET',
      `/api/deliveries/${delivery}/thermal/breakdown?object=${encodeURIComponent(object)}`,
    ),
  balance: (delivery: string) =>
    request<BalanceLine[]>('GET', `/api/deliveries/${delivery}/balance`),
  library: (project: string) => request<LibraryAnswer>('GET', `/api/projects/${project}/library`),
  libraryFile: (project: string, file: File) =>
    request<LibraryImport>(
      'POST',
      `/api/projects/${project}/library/file?name=${encodeURIComponent(file.name)}`,
      file,
    ),
  libraryOfDelivery: (delivery: string) =>
    request<LibraryImport>('GET', `/api/deliveries/${delivery}/library`),
  tryLibrary: (project: string, draft: Library) =>
    request<Schemas['TryView']>('POST', `/api/projects/${project}/library/try`, draft),
  designWindow: (design: WindowDesign) =>
    request<Schemas['WindowValues']>('POST', '/api/windows', design),
  conductivity: (asked: Schemas['ConductivityRequest']) =>
    request<Schemas['ConductivityView']>('POST', '/api/materials/conductivity', asked),
  groundYear: (delivery: string, climate: Schemas['Climate']) =>
    request<Schemas['GroundYear']>('POST', `/api/deliveries/${delivery}/thermal/ground`, climate),
  takeLibrary: (project: string, incoming: Library, taken: string[], shared: boolean) =>
    request<LibraryAnswer>('PUT', `/api/projects/${project}/library`, { incoming, taken, shared }),
  dropLibrary: (project: string, entry: string) =>
    request<LibraryAnswer>(
      'DELETE',
      `/api/projects/${project}/library?entry=${encodeURIComponent(entry)}`,
    ),
  boundaries: (delivery: string) =>
    request<BoundarySums>('GET', `/api/deliveries/${delivery}/boundaries`),
  tryBoundaries: (
    delivery: string,
    run: string,
    choices: NonNullable<Settings['boundaries']>,
    signal: AbortSignal,
  ) =>
    request<BoundarySums>(
      'POST',
      `/api/deliveries/${delivery}/boundaries/try/${run}`,
      choices,
      signal,
    ),
  tryShare: (delivery: string, run: string) =>
    request<{ share: number }>('GET', `/api/deliveries/${delivery}/boundaries/try/${run}`),
  cancelTry: (delivery: string, run: string) =>
    send('DELETE', `/api/deliveries/${delivery}/boundaries/try/${run}`),
  chooseBoundaries: (
    delivery: string,
    basedOn: number,
    spaces: string[],
    source: 'DELIVERED' | 'DERIVED' | 'PROJECT',
  ) =>
    request<Model>('POST', `/api/deliveries/${delivery}/boundaries/choice`, {
      basedOn,
      spaces,
      source,
    }),
  enclosed: (delivery: string, signal: AbortSignal) =>
    request<Enclosed>('GET', `/api/deliveries/${delivery}/enclosed`, undefined, signal),
  addSpaces: (delivery: string, basedOn: number, volumes: Schemas['SeedView'][]) =>
    request<Model>('POST', `/api/deliveries/${delivery}/enclosed`, { basedOn, volumes }),
  part: (delivery: string, basedOn: number, part: number | null) =>
    request<Model>('PUT', `/api/deliveries/${delivery}/part`, { basedOn, part }),
  undo: (delivery: string, basedOn: number) =>
    request<Model>('POST', `/api/deliveries/${delivery}/undo?changes=true`, { basedOn }),
  redo: (delivery: string, basedOn: number) =>
    request<Model>('POST', `/api/deliveries/${delivery}/redo?changes=true`, { basedOn }),
  scope: (delivery: string) => request<Scope>('GET', `/api/deliveries/${delivery}/scope`),
  trySheet: (delivery: string, what: { sheet?: string; cells?: SheetCells }) =>
    request<Scope>('POST', `/api/deliveries/${delivery}/scope/try`, what),
  mesh: async (delivery: string) =>
    (await send('GET', `/api/deliveries/${delivery}/scope/mesh`)).arrayBuffer(),
  values: (delivery: string, entity: string) =>
    request<ValueTable>(
      'GET',
      `/api/deliveries/${delivery}/scope/values?entity=${encodeURIComponent(entity)}`,
    ),
  element: (delivery: string, key: string) =>
    request<ElementFacts>(
      'GET',
      `/api/deliveries/${delivery}/element?key=${encodeURIComponent(key)}`,
    ),
  storeyCounts: (delivery: string) =>
    request<StoreyCount[]>('GET', `/api/deliveries/${delivery}/scope/storeys`),
  pick: (delivery: string, what: PickRequest) =>
    request<string[]>('POST', `/api/deliveries/${delivery}/scope/pick`, what),
  trimmed: (delivery: string) => request<Trimmed>('GET', `/api/deliveries/${delivery}/scope/size`),
  applySheet: (delivery: string, basedOn: number, sheet: string) =>
    request<Model>('POST', `/api/deliveries/${delivery}/scope/sheet`, { basedOn, sheet }),
  place: (delivery: string, basedOn: number, keys: string[], isIn: boolean, reason: string) =>
    request<Model>('POST', `/api/deliveries/${delivery}/scope/place`, {
      basedOn,
      keys,
      in: isIn,
      reason,
    }),
  release: (delivery: string, basedOn: number, keys: string[]) =>
    request<Model>('POST', `/api/deliveries/${delivery}/scope/release`, { basedOn, keys }),
  setValues: (delivery: string, basedOn: number, change: ValueRequest) =>
    request<Model>('POST', `/api/deliveries/${delivery}/scope/values`, { basedOn, ...change }),
  sheets: (project: string) => request<SheetEntry[]>('GET', `/api/projects/${project}/sheets`),
  sheet: (id: string) => request<SheetDetail>('GET', `/api/sheets/${id}`),
  addSheet: (project: string, sheet: SheetCells | File) =>
    request<SheetDetail>('POST', `/api/projects/${project}/sheets`, sheet),
  changeSheet: (id: string, cells: SheetCells) =>
    request<SheetDetail>('PUT', `/api/sheets/${id}`, cells),
  dropSheet: (id: string) => send('DELETE', `/api/sheets/${id}`),
  compareSheets: (id: string, other: string) =>
    request<SheetComparison>('GET', `/api/sheets/${id}/comparison?with=${other}`),
  handovers: (delivery: string) =>
    request<Handover[]>('GET', `/api/deliveries/${delivery}/handovers`),
  handOver: (delivery: string, basedOn: number, allowBlockers: boolean) =>
    request<Handover>('POST', `/api/deliveries/${delivery}/handovers`, { basedOn, allowBlockers }),
};
