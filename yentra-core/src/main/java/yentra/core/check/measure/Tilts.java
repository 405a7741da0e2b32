package yentra.core.check.measure;

import yentra.core.envelope.SurfaceTypes;
import yentra.core.finding.Limit;
import yentra.core.finding.Limits;

/** The tilts by which a project tells roofs, walls and floors: limits of the check of types. */
public final class Tilts {
  public static final String CODE = "ADJ-504";

  public static final Limit ROOF =
      new Limit("roof", "deg", SurfaceTypes.STANDARD.roofTilt(), 5, 85);

  public static final Limit FLOOR =
      new Limit("floor", "deg", SurfaceTypes.STANDARD.floorTilt(), 95, 175);

  private Tilts() {}

  static SurfaceTypes of(Limits limits) {
    return new SurfaceTypes(limits.of(CODE, ROOF), limits.of(CODE, FLOOR));
  }
}
