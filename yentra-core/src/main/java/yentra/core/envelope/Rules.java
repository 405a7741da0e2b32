package yentra.core.envelope;

import yentra.core.geometry.Tolerance;

/**
 * What a project has decided about geometry and is handed to everything that measures, checks or
 * changes an envelope.
 *
 * @param tolerance what counts as equal
 * @param types what counts as a wall, a roof, a floor
 */
public record Rules(Tolerance tolerance, SurfaceTypes types) {
  /** The product's defaults. */
  public static Rules standard() {
    return new Rules(Tolerance.standard(), SurfaceTypes.STANDARD);
  }
}
