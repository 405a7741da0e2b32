package yentra.core.estimate.simple;

/**
 * The simple hourly method: five resistances and one capacity (ISO 13790:2008, 7.2.2 and annex C;
 * from memory). Superseded by ISO 52016-1; here it is a second opinion that can be followed by
 * hand.
 *
 * @param floorArea Af, m²
 * @param massArea Am, m²
 * @param capacity Cm, J/K
 * @param windows Htr,w, W/K: what has no mass
 * @param opaque Htr,op, W/K
 * @param ventilation Hve, W/K
 */
public record SimpleHourly(
    double floorArea,
    double massArea,
    double capacity,
    double windows,
    double opaque,
    double ventilation) {
  /** Area of all inner faces for each m² of floor. */
  private static final double INNER = 4.5;

  private static final double AIR_TO_SURFACE = 3.45;
  private static final double SURFACE_TO_MASS = 9.1;
  private static final double STEP = 3600;

  /** Heating that is tried first, W/m². */
  private static final double TRIED = 10;

  /**
   * What an hour brings.
   *
   * @param outdoors °C
   * @param supply °C of the air that comes in
   * @param internal W
   * @param sun W
   */
  public record Hour(double outdoors, double supply, double internal, double sun) {}

  /**
   * What an hour comes to.
   *
   * @param mass °C of the mass at its end
   * @param meanMass °C
   * @param surface °C
   * @param air °C
   * @param power W; above 0 heating, below 0 cooling
   */
  public record State(double mass, double meanMass, double surface, double air, double power) {
    /** °C. */
    public double operative() {
      return 0.3 * air + 0.7 * surface;
    }
  }

  /** Why it cannot be reckoned with, as a sentence; null when it can. */
  public String problem() {
    return SURFACE_TO_MASS * massArea > opaque
        ? null
        : "The mass takes up less heat than goes through what is opaque: the method does not hold.";
  }

  private double surfaces() {
    return INNER * floorArea;
  }

  double airToSurface() {
    return AIR_TO_SURFACE * surfaces();
  }

  double surfaceToMass() {
    return SURFACE_TO_MASS * massArea;
  }

  double massToOutdoors() {
    return 1 / (1 / opaque - 1 / surfaceToMass());
  }

  /** H1: from surface to supply by way of the air. */
  private double first() {
    return ventilation > 0 ? 1 / (1 / ventilation + 1 / airToSurface()) : 0;
  }

  private double second() {
    return first() + windows;
  }

  double third() {
    return 1 / (1 / second() + 1 / surfaceToMass());
  }

  /** Heat loss coefficient from the air in the steady state, W/K. */
  public double steady() {
    return ventilation + 1 / (1 / airToSurface() + 1 / (windows + opaque));
  }

  /** An hour with a given power. */
  public State step(double mass, Hour h, double power) {
    double ofAir = 0.5 * h.internal;
    double rest = 0.5 * h.internal + h.sun;
    double toMass = massArea / surfaces() * rest;
    double toSurface =
        (1 - massArea / surfaces() - windows / (SURFACE_TO_MASS * surfaces())) * rest;
    double is = airToSurface();
    double byAir = first() * h.supply + (ofAir + power) * is / (is + ventilation);
    double em = opaque > 0 ? massToOutdoors() : 0;
    double total =
        toMass + em * h.outdoors + third() * (toSurface + windows * h.outdoors + byAir) / second();
    double half = 0.5 * (third() + em);
    double now = (mass * (capacity / STEP - half) + total) / (capacity / STEP + half);
    double mean = (now + mass) / 2;
    double surface =
        (surfaceToMass() * mean + toSurface + windows * h.outdoors + byAir)
            / (surfaceToMass() + windows + first());
    double air = (is * surface + ventilation * h.supply + ofAir + power) / (is + ventilation);
    return new State(now, mean, surface, air, power);
  }

  /**
   * An hour that holds set-points of the air, within limits (C.4.2).
   *
   * @param heatTo °C; NaN for none
   * @param coolTo °C; NaN for none
   * @param mostHeating W
   * @param mostCooling W
   */
  public State held(
      double mass, Hour h, double heatTo, double coolTo, double mostHeating, double mostCooling) {
    State free = step(mass, h, 0);
    boolean cold = free.air < heatTo;
    if (!cold && !(free.air > coolTo)) {
      return free;
    }
    double tried = TRIED * floorArea;
    double rise = step(mass, h, tried).air - free.air;
    double wanted = tried * ((cold ? heatTo : coolTo) - free.air) / rise;
    return step(mass, h, Math.max(-mostCooling, Math.min(mostHeating, wanted)));
  }

  /** The hour's imbalance of a state, W. */
  double imbalance(double massBefore, Hour h, State s) {
    double rest = 0.5 * h.internal + h.sun;
    double in = 0.5 * h.internal + rest * (1 - windows / (SURFACE_TO_MASS * surfaces())) + s.power;
    double out =
        ventilation * (s.air - h.supply)
            + windows * (s.surface - h.outdoors)
            + massToOutdoors() * (s.meanMass - h.outdoors)
            + capacity * (s.mass - massBefore) / STEP;
    return in - out;
  }
}
