package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Box;

/** ADJ-505: the type contradicts the ground. */
final class TypeAgainstGround implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "ADJ-505",
          Severity.WARNING,
          "the type contradicts the ground",
          "The share of the surface's height that lies below the ground though outdoor air is said to be there, or above it though ground is. Where no ground level is known, it is the one that contradicts the fewest surfaces. Walls with openings to outdoor air are not asked.",
          "The surface loses heat to the wrong temperature.",
          List.of(new Limit("share", "%", 50, 1, 100), new Limit("height", "m", 0.3, 0.01, 3)));

  /** What is lower than this lies level, in metres. */
  private static final double LEVEL = 1e-6;

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    double share = context.limit(DESCRIPTOR, "share");
    double slack = context.limit(DESCRIPTOR, "height");
    List<Surface> surfaces = context.envelope().surfaces();
    Candidate[] all = candidates(surfaces);
    double ground = level(all, slack);
    for (int i = 0; i < all.length; i++) {
      double off = all[i] == null ? 0 : 100 * all[i].contradicting(ground, slack);
      if (off > share) {
        Surface s = surfaces.get(i);
        report.accept(
            context
                .finding(DESCRIPTOR, s.key())
                .measured(off, share, "%")
                .evidence(Evidence.area(s.polygon()))
                .says(
                    "The "
                        + context.naming().surface(s)
                        + " is of the type "
                        + s.type().gbxml()
                        + " but lies "
                        + (s.type().isGround() ? "above" : "below")
                        + " the ground at "
                        + Text.length(ground)
                        + "."));
      }
    }
  }

  private static Candidate[] candidates(List<Surface> surfaces) {
    return surfaces.stream().map(Candidate::of).toArray(Candidate[]::new);
  }

  /** The level that contradicts the fewest surfaces; 0 where none touches the ground. */
  static double level(CheckContext context) {
    return level(candidates(context.envelope().surfaces()), context.limit(DESCRIPTOR, "height"));
  }

  /**
   * What can contradict the ground.
   *
   * @param low lowest place, metres
   * @param earth whether the type says that it lies in the ground
   * @param area m²
   */
  private record Candidate(double low, double high, boolean earth, double area) {
    static Candidate of(Surface s) {
      // a wall with a door or window to outdoor air stands free, however low: the ground slopes
      boolean free = s.type() == SurfaceType.EXTERIOR_WALL && !s.openings().isEmpty();
      if (free || !s.type().isExterior() || s.polygon().outer().isEmpty()) {
        return null;
      }
      Box box = s.polygon().box();
      return new Candidate(box.min().z(), box.max().z(), s.type().isGround(), s.polygon().area());
    }

    /** The share of its height that lies on the wrong side of the ground, 0 to 1. */
    double contradicting(double ground, double slack) {
      if (high - low < LEVEL) {
        return (earth ? low > ground + slack : low < ground - slack) ? 1 : 0;
      }
      double wrong =
          earth ? high - Math.max(low, ground + slack) : Math.min(high, ground - slack) - low;
      return Math.max(0, wrong) / (high - low);
    }
  }

  /** The top of a surface on the ground, or 0, so that the least area contradicts it. */
  private static double level(Candidate[] all, double slack) {
    java.util.TreeSet<Double> candidates = new java.util.TreeSet<>();
    for (Candidate c : all) {
      if (c != null && c.earth) {
        candidates.add(Math.round(c.high * 1000) / 1000.0);
      }
    }
    if (candidates.isEmpty()) {
      return 0;
    }
    double best = 0;
    double least = Double.POSITIVE_INFINITY;
    int tried = 0;
    for (double z : candidates.descendingSet()) {
      if (++tried > 200) {
        break;
      }
      double area = 0;
      for (Candidate c : all) {
        double share = c == null ? 0 : c.contradicting(z, slack);
        area += share > 0 ? share * c.area : 0;
      }
      if (area < least - 1e-9) {
        least = area;
        best = z;
      }
    }
    return best;
  }
}
