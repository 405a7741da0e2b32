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
