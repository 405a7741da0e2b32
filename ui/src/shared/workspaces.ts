export const WORKSPACES = [
  ['intake', 'Intake'],
  ['scope', 'Scope'],
  ['envelope', 'Envelope'],
  ['findings', 'Findings'],
  ['thermal', 'Thermal'],
  ['estimate', 'Estimate'],
  ['handover', 'Handover'],
] as const;

export type Workspace = (typeof WORKSPACES)[number][0];

/** The tables of the workspaces that have some, in their order; an object's table stands in two of them. */
export const TABLES = {
  scope: ['elements', 'classes', 'requirements', 'values', 'sheet'],
  envelope: ['boundaries', 'spaces', 'surfaces', 'openings', 'findings'],
  findings: [
    'findings',
    'plan',
    'spaces',
    'surfaces',
    'openings',
    'messages',
    'limits',
    'log',
    'revision',
  ],
  estimate: [
    'climate',
    'runs',
    'year',
    'loads',
    'hours',
    'junctions',
    'sun',
    'variants',
    'sweeps',
    'beside',
    'writeup',
  ],
  thermal: ['constructions', 'windows', 'materials', 'uses', 'schedules', 'losses', 'library'],
} as const;

/** What a table is called on its tab and in the palette. */
export const TABLE_NAMES = {
  elements: 'Elements',
  classes: 'Classes',
  requirements: 'Requirements',
  values: 'Values',
  sheet: 'Sheets',
  boundaries: 'Boundaries',
  spaces: 'Spaces',
  surfaces: 'Surfaces',
  openings: 'Openings',
  findings: 'Findings',
  plan: 'Repair plan',
  messages: 'Messages',
  limits: 'Limits',
  log: 'Repair log',
  revision: 'Revision',
  constructions: 'Constructions',
  windows: 'Windows',
  materials: 'Materials',
  uses: 'Uses and zones',
  schedules: 'Schedules',
  losses: 'Heat loss',
  library: 'Library',
  climate: 'Climate',
  runs: 'Runs',
  year: 'The year',
  loads: 'Spaces',
  hours: 'A week',
  junctions: 'Thermal bridges',
  sun: 'Sun',
  variants: 'Variants',
  sweeps: 'Sweeps',
  beside: 'Side by side',
  writeup: 'Write-up',
} as const satisfies Record<(typeof TABLES)[keyof typeof TABLES][number], string>;

export type TableName = keyof typeof TABLE_NAMES;

/** The tables of a workspace; none where it has none. */
export const tablesOf = (workspace: string): readonly TableName[] =>
  TABLES[workspace as keyof typeof TABLES] ?? [];
