import type { Project } from './api';

type Delivery = Project['deliveries'][number];

/** Deliveries part by part, the newest revision of each first. */
export function byPart(project: Project): Delivery[] {
  return [...project.deliveries].sort((a, b) => a.part - b.part || b.revision - a.revision);
}

/** A delivery's revision, with its part where the project has several. */
export function revisionName(d: Pick<Delivery, 'part' | 'revision'>, project: Project): string {
  const several = project.deliveries.some((o) => o.part !== d.part);
  return several ? `part ${d.part}, revision ${d.revision}` : `revision ${d.revision}`;
}

/** The other parts that a delivery could be a revision of, with the name of their newest file. */
export function otherParts(
  d: Pick<Delivery, 'id' | 'part' | 'format'>,
  project: Project,
): { part: number; fileName: string }[] {
  const out = new Map<number, string>();
  for (const o of byPart(project))
    if (o.part !== d.part && o.format === d.format && !out.has(o.part)) out.set(o.part, o.fileName);
  return [...out].map(([part, fileName]) => ({ part, fileName }));
}
