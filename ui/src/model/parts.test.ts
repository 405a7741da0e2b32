import { describe, expect, it } from 'vitest';
import type { Project } from './api';
import { byPart, otherParts, revisionName } from './parts';

const delivery = (part: number, revision: number, fileName: string, format = 'ifc') => ({
  id: fileName,
  part,
  revision,
  fileName,
  format,
  size: 1,
  receivedAt: '2026-03-01T08:00:00Z',
  receivedBy: 'Test',
});
const project = (...deliveries: ReturnType<typeof delivery>[]): Project => ({
  id: 'p',
  name: 'Test',
  version: 1,
  createdBy: 'A',
  settings: { units: 'SI' },
  deliveries,
});

describe('parts of a project', () => {
  const hall = delivery(1, 1, 'hall-a.ifc');
  const hallB = delivery(1, 2, 'hall-b.ifc');
  const wing = delivery(2, 1, 'wing.ifc');
  const energy = delivery(3, 1, 'energy.xml', 'gbxml');
  const all = project(energy, hallB, wing, hall);

  it('are listed one after the other, the newest revision first', () => {
    expect(byPart(all).map((d) => d.fileName)).toEqual([
      'hall-b.ifc',
      'hall-a.ifc',
      'wing.ifc',
      'energy.xml',
    ]);
  });

  it('are named only where there are several', () => {
    expect(revisionName(hallB, all)).toBe('part 1, revision 2');
    expect(revisionName(hallB, project(hall, hallB))).toBe('revision 2');
  });

  it('can be chosen among those of the same format', () => {
    expect(otherParts(wing, all)).toEqual([{ part: 1, fileName: 'hall-b.ifc' }]);
    expect(otherParts(energy, all)).toEqual([]);
  });
});
