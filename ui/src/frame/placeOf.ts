import type { ListedProject } from '../model/api';

/** Where a project is opened: at its findings, or where the first file comes in. */
export const placeOf = (p: ListedProject) =>
  `/p/${p.id}/${p.deliveries.length ? 'findings' : 'intake'}`;
