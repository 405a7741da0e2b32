package yentra.core.thermal;

/**
 * Heat transfer through the ground, steady part (ISO 13370:2017; from memory). Lengths m, areas m²,
 * resistances m²K/W, U in W/(m²K), ψ in W/(mK).
 *
 * @param area of the floor
 * @param perimeter its part towards outdoor air
 * @param conductivity of the ground, W/(mK)
 * @param wall full thickness of the walls
 */
public record GroundFloor(double area, double perimeter, double conductivity, double wall) {
  private static final double FLOOR_INSIDE = 0.17;
  private static final double WALL_INSIDE = 0.13;
  private static final double OUTSIDE = 0.04;

  /** Seconds of a year, as the standard rounds them. */
  private static final double YEAR = 3.15e7;

  /** The characteristic dimension B, m. */
  public double characteristic() {
    return area / (0.5 * perimeter);
  }

  /** Thickness of ground of the same resistance as the floor, m. */
  public double equivalent(double floor) {
    return wall + conductivity * (FLOOR_INSIDE + floor + OUTSIDE);
  }

  /**
   * A slab on the ground.
   *
   * @param floor resistance of the slab's insulation and finishes
   */
  public double slab(double floor) {
    return byThickness(equivalent(floor));
  }

  private double byThickness(double t) {
    double b = characteristic();
    return t < b ? logarithmic(t) : conductivity / (0.457 * b + t);
  }

  private double logarithmic(double t) {
    double b = characteristic();
    return 2 * conductivity / (Math.PI * b + t) * Math.log(Math.PI * b / t + 1);
  }

  /** ψ of insulation along the edge of a slab. */
  public double edge(double floor, HeatLossOptions.EdgeInsulation e) {
    double t = equivalent(floor);
    double added = (e.thickness() / e.conductivity() - e.thickness() / conductivity) * conductivity;
    double d = e.vertical() ? 2 * e.depth() : e.depth();
    return -conductivity / Math.PI * (Math.log(d / t + 1) - Math.log(d / (t + added) + 1));
  }

  /** A slab with insulation along its edge. */
  public double slab(double floor, double edge) {
    return slab(floor) + 2 * edge / characteristic();
  }

  /** The floor of a heated basement that reaches so deep into the ground. */
  public double basementFloor(double floor, double depth) {
    return byThickness(equivalent(floor) + depth / 2);
  }

  /**
   * The walls of a heated basement.
   *
   * @param floor resistance of the basement's floor without air at its faces
   * @param walls resistance of the walls without air at their faces
   */
  public double basementWall(double floor, double walls, double depth) {
    return basementWall(conductivity, equivalent(floor), walls, depth);
  }

  /**
   * The walls of a basement of whose floor nothing is known: it is taken to be of the walls' own
   * equivalent thickness, which gives the greatest U-value.
   *
   * @param conductivity of the ground, W/(mK)
   */
  public static double wallAlone(double conductivity, double walls, double depth) {
    return basementWall(conductivity, Double.POSITIVE_INFINITY, walls, depth);
  }

  private static double basementWall(double conductivity, double df, double walls, double depth) {
    double dw = conductivity * (WALL_INSIDE + walls + OUTSIDE);
    double d = Math.min(df, dw);
    return 2
        * conductivity
        / (Math.PI * depth)
        * (1 + 0.5 * d / (d + depth))
        * Math.log1p(depth / dw);
  }

  /**
   * A suspended floor over a ventilated space.
   *
   * @param above U of the floor, with Rsi on both faces
   */
  public double suspended(double above, HeatLossOptions.SuspendedFloor space) {
    double b = characteristic();
    double through = logarithmic(equivalent(space.cover()));
    double across =
        2 * space.height() * space.wallUValue() / b
            + 1450 * space.vents() * space.wind() * space.shelter() / b;
    return 1 / (1 / above + 1 / (through + across));
  }

  /**
   * How deep the year's swing reaches into the ground, m.
   *
   * @param heatCapacity of the ground by volume, J/(m³K)
   */
  public double penetration(double heatCapacity) {
    return Math.sqrt(YEAR * conductivity / (Math.PI * heatCapacity));
  }

  /** Amplitude of the loss that follows the swing indoors, of a slab, W/K. */
  public double swingIndoors(double floor, double penetration) {
    double t = equivalent(floor);
    double d = 1 + penetration / t;
    return area * conductivity / t * Math.sqrt(2 / (d * d + 1));
  }

  /** Amplitude of the loss that follows the swing outdoors, of a slab, W/K. */
  public double swingOutdoors(double floor, double penetration) {
    return 0.37 * perimeter * conductivity * Math.log(penetration / equivalent(floor) + 1);
  }

  /**
   * Amplitude of the loss of a basement's walls that follows the swing outdoors, W/K for each metre
   * of them.
   *
   * @param walls resistance of the walls without air at their faces
   * @param depth of the basement in the ground, m
   */
  public double swingOfWalls(double walls, double penetration, double depth) {
    double dw = conductivity * (WALL_INSIDE + walls + OUTSIDE);
    return 0.37
        * conductivity
        * 2
        * (1 - Math.exp(-depth / penetration))
        * Math.log(penetration / dw + 1);
  }

  /** Months by which the loss of a slab runs before the swing indoors (phase from memory). */
  public double lead(double floor, double penetration) {
    double t = equivalent(floor);
    return 1.5 - 12 / (2 * Math.PI) * Math.atan(t / (t + penetration));
  }

  /** Months by which the loss of a slab lags behind the swing outdoors (phase from memory). */
  public double lag(double floor, double penetration) {
    return 1.5 - 0.42 * Math.log(penetration / (equivalent(floor) + 1));
  }

  /**
   * The year's course of temperatures, °C: means and amplitudes of monthly means.
   *
   * @param coldest month, 1 to 12
   */
  public record Climate(
      double indoors, double swingIndoors, double outdoors, double swingOutdoors, int coldest) {
    /** Why it is no climate, as a sentence; null when it is one. */
    public String problem() {
      boolean sound =
          Math.abs(indoors) <= 60
              && Math.abs(outdoors) <= 60
              && swingIndoors >= 0
              && swingIndoors <= 40
              && swingOutdoors >= 0
              && swingOutdoors <= 40
              && coldest >= 1
              && coldest <= 12;
      return sound
          ? null
          : "Mean temperatures lie between -60 and 60 °C, their swings between 0 and 40 K, the coldest month between 1 and 12.";
    }
  }

  /**
   * Heat loss of a slab in a month, W (ISO 13370:2017, annex on monthly flows; from memory).
   *
   * @param month 1 to 12
   */
  public double loss(double floor, double penetration, Climate c, int month) {
    double year = 2 * Math.PI / 12;
    return area * slab(floor) * (c.indoors - c.outdoors)
        - swingIndoors(floor, penetration)
            * c.swingIndoors
            * Math.cos(year * (month - c.coldest + lead(floor, penetration)))
        + swingOutdoors(floor, penetration)
            * c.swingOutdoors
            * Math.cos(year * (month - c.coldest - lag(floor, penetration)));
  }
}
