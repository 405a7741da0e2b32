/** A name in the picture, in pixels. */
export interface Label {
  key: string;
  name: string;
  x: number;
  y: number;
  /** How wide what it names is there. */
  room: number;
}

const LETTER = 6.2;
const LINE = 16;

/** About how wide a name is, in pixels. */
export const widthOf = (l: Pick<Label, 'name'>): number => 10 + l.name.length * LETTER;

/**
 * The names that stand clear of each other, those with most room first.
 *
 * @param seen whether the place of a name is seen; asked only where it matters
 */
export function free<T extends Label>(labels: T[], most: number, seen: (l: T) => boolean): T[] {
  const out: T[] = [];
  for (const l of [...labels].sort((a, b) => b.room - a.room || (a.key < b.key ? -1 : 1))) {
    if (out.length >= most) break;
    const clear = out.every(
      (o) => Math.abs(o.x - l.x) > (widthOf(o) + widthOf(l)) / 2 || Math.abs(o.y - l.y) > LINE,
    );
    if (clear && seen(l)) out.push(l);
  }
  return out;
}
