import type { Repair } from '../model/api';

/** Several repairs as one. */
export function several(label: string, repairs: Repair[]): Repair {
  return repairs.length === 1 ? repairs[0] : { kind: 'Several', label, repairs, findings: [] };
}
