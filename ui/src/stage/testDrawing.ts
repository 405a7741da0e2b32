/** How an item of a small drawing looks, for tests. */
export const LOOK = {
  group: 'g',
  level: -1,
  colour: '#fff',
  opacity: 1,
  dashed: false,
  pattern: 'plain',
  layer: 1,
  faint: false,
  far: false,
} as const;
