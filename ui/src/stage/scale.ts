/** Lengths that a scale is drawn for: 1, 2 and 5 and their tenfolds. */
const STEPS = [1, 2, 5];

/**
 * The longest round length that takes no more than so many pixels.
 *
 * @param perPixel how many of a unit one pixel is
 */
export function roundLength(perPixel: number, most: number): { length: number; pixels: number } {
  const reach = perPixel * most;
  const tens = 10 ** Math.floor(Math.log10(reach));
  const length = Math.max(...STEPS.map((s) => s * tens).filter((l) => l <= reach * (1 + 1e-9)));
  return { length, pixels: length / perPixel };
}
