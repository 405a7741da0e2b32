import { shapeOf } from './shapes';
import type { Finding, Model, Opening, Space, Surface } from './api';

/** Small models for tests of the interface's own logic. */
export const SOURCE = { elementClass: 'Surface', id: 'x', name: '', line: 3, column: 1 };

export function opening(key: string, surface?: string): Opening {
  return {
    key,
    fileId: key,
    label: `Window ${key}`,
    type: 'FixedWindow',
    glazed: true,
    area: 2,
    surface,
    source: SOURCE,
    shape: shapeOf([[0, 0, 0, 1, 0, 0, 1, 0, 1, 0, 0, 1]], []),
  };
}

export function surface(key: string, spaces: string[], openings: Opening[] = []): Surface {
  return {
    key,
    fileId: key,
    label: `Wall ${key}`,
    behind: 'Faces outdoor air',
    type: 'ExteriorWall',
    exposure: 'outdoor',
    spaces,
    grossArea: 10,
    netArea: 8,
    tilt: 90,
    orientation: 'side',
    azimuth: 180,
    kind: 'read',
    source: SOURCE,
    openings,
    shape: shapeOf([[0, 0, 0, 4, 0, 0, 4, 0, 3, 0, 0, 3]], []),
  };
}

export function space(key: string): Space {
  return {
    key,
    fileId: key,
    name: `Room ${key}`,
    use: '',
    condition: '',
    floorArea: 20,
    volume: 60,
    enclosed: true,
    groups: false,
    openEdges: 0,
    surfaces: 1,
    source: SOURCE,
  };
}

export function finding(id: string, ...keys: string[]): Finding {
  return {
    id,
    code: 'ADJ-506',
    severity: 'error',
    message: `Fault ${id}`,
    objects: keys.map((key) => ({ key, label: key, kind: 'surface' })),
    unit: '',
    limitUnit: '',
    line: 0,
    evidence: { areas: [], lines: [], points: [] },
    answers: [],
  };
}

export function model(parts: Partial<Model>): Model {
  return {
    delivery: {
      id: 'd',
      projectId: 'p',
      projectName: 'P',
      part: 1,
      revision: 1,
      placed: 'the first delivery of the project',
      fileName: 'f.xml',
      format: 'gbxml',
      schema: '6.01',
      size: 1,
      sha256: '',
      receivedAt: '2026-01-01T00:00:00Z',
      receivedBy: '',
      version: 1,
      logPosition: 0,
      canUndo: false,
      canRedo: false,
    },
    report: { read: [], notes: [], lengthUnit: 'metres', readMillis: 0 },
    storeys: [],
    spaces: [],
    surfaces: [],
    orphans: [],
    constructions: [],
    glazing: [],
    assumed: [],
    findings: [],
    groups: [],
    severities: { blocker: 0, error: 0, warning: 0, note: 0 },
    delivered: { use: '' },
    scope: { elements: 0, in: 0, faults: 0, byHand: 0, gone: 0 },
    path: [],
    log: [],
    settingsLog: [],
    ...parts,
  };
}

/** Two rooms with a wall outdoors, one between them and one within the second; three findings. */
export const TWO_ROOMS = model({
  spaces: [space('a'), space('b')],
  surfaces: [
    surface('s1', ['a'], [opening('o1', 's1')]),
    surface('s2', ['a', 'b']),
    surface('s3', ['b', 'b']),
  ],
  orphans: [opening('o9')],
  findings: [finding('f1', 's1', 'o1'), finding('f2', 's2'), finding('f3')],
});
