import type { Pattern } from './drawing';

/** A pattern as a background. */
export function hatch(pattern: Pattern): string | undefined {
  const line = 'color-mix(in srgb, var(--ink) 70%, transparent)';
  const stripes = (angle: number) =>
    `repeating-linear-gradient(${angle}deg, ${line} 0 1px, transparent 1px 4px)`;
  switch (pattern) {
    case 'slant':
      return stripes(45);
    case 'counter':
      return stripes(-45);
    case 'cross':
      return `${stripes(45)}, ${stripes(-45)}`;
    case 'dots':
      return `radial-gradient(${line} 1px, transparent 1.2px)`;
    case 'plain':
      return undefined;
  }
}
