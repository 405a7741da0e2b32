package yentra.core.thermal;

/**
 * What decides a heat loss and no model says: the ground, how floors end at it, and how tight the
 * spaces are that are not conditioned.
 *
 * @param ground what the ground consists of
 * @param edge insulation along the edge of slabs on the ground, or null for none
 * @param suspended the space under raised floors, or null when it is open to outdoor air
 * @param airChanges of spaces that are not conditioned, 1/h (ISO 13789:2017, conventional values;
 *     from memory: 0.1 all sealed, 0.5 joints sealed, 1 small openings, 3 leaky, 10 open)
 */
public record HeatLossOptions(
    GroundKind ground, EdgeInsulation edge, SuspendedFloor suspended, double airChanges) {
  /** Sand, no edge insulation, joints sealed. */
  public static final HeatLossOptions STANDARD =
      new HeatLossOptions(GroundKind.SAND, null, null, 0.5);

  /**
   * Insulation along the edge of a slab.
   *
   * @param vertical down into the ground, else level under or over the slab
   * @param depth how deep it goes down, or how far in, m
   * @param thickness m
   * @param conductivity W/(mK)
   */
  public record EdgeInsulation(
      boolean vertical, double depth, double thickness, double conductivity) {}

  /**
   * A ventilated space between a floor and the ground.
   *
   * @param height of the floor above the ground outside, m
   * @param wallUValue of the walls of the space, W/(m²K)
   * @param vents openings, m² per m of perimeter
   * @param wind mean speed at 10 m, m/s
   * @param shelter 0.02 sheltered, 0.05 average, 0.10 exposed
   * @param cover resistance of what covers the ground, m²K/W
   */
  public record SuspendedFloor(
      double height, double wallUValue, double vents, double wind, double shelter, double cover) {}

  public HeatLossOptions {
    ground = ground == null ? GroundKind.SAND : ground;
  }

  /** Why it cannot be reckoned with, as a sentence; null when it can. */
  public String problem() {
    if (!(airChanges >= 0 && airChanges <= 50)) {
      return "Air changes of spaces that are not conditioned lie between 0 and 50 an hour.";
    }
    boolean oddEdge =
        edge != null
            && !(within(edge.depth, 0.05, 20)
                && within(edge.thickness, 0.001, 1)
                && within(edge.conductivity, 0.005, 3));
    if (oddEdge) {
      return "Edge insulation is 0.05 to 20 m deep, 1 mm to 1 m thick, and conducts 0.005 to 3 W/mK.";
    }
    boolean oddFloor =
        suspended != null
            && !(within(suspended.height, 0, 10)
                && within(suspended.wallUValue, 0, 20)
                && within(suspended.vents, 0, 1)
                && within(suspended.wind, 0, 30)
                && within(suspended.shelter, 0, 1)
                && within(suspended.cover, 0, 20));
    return oddFloor
        ? "The space under a suspended floor is up to 10 m high, its walls have up to 20 W/m²K, its openings up to 1 m² per m, with wind up to 30 m/s."
        : null;
  }

  private static boolean within(double v, double least, double most) {
    return v >= least && v <= most;
  }
}
