package yentra.core.check.measure;

import java.util.List;
import java.util.TreeSet;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.finding.Limit;
import yentra.core.geometry.Box;

/** The ground level that the types of surfaces contradict least, and how much each of them does. */
public final class GroundFit {
  /** The check whose limit says how much height is let pass. */
  public static final String CODE = "ADJ-505";

  public static final Limit HEIGHT = new Limit("height", "m", 0.3, 0.01, 3);

  /** What is lower than this lies level, in metres. */
  private static final double LEVEL = 1e-6;

  /** Levels that are tried at most, from the highest down. */
  private static final int MOST_LEVELS = 200;

  /** An area that counts as less, m². */
  private static final double LESS = 1e-9;

  private final Candidate[] all;
  private final double slack;
  private final double level;

  private GroundFit(Candidate[] all, double slack) {
    this.all = all;
    this.slack = slack;
    this.level = level(all, slack);
  }

  /**
   * @param slack how far on the wrong side of the ground is let pass, m
   */
  static GroundFit of(List<Surface> surfaces, double slack) {
    return new GroundFit(surfaces.stream().map(Candidate::of).toArray(Candidate[]::new), slack);
  }

  /** Height in model coordinates, m; 0 where nothing touches the ground. */
  public double level() {
    return level;
  }

  /** The share of a surface's height that lies on the wrong side of the ground, 0 to 1. */
  public double contradicting(int surface) {
    return all[surface] == null ? 0 : all[surface].contradicting(level, slack);
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
    TreeSet<Double> candidates = new TreeSet<>();
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
      if (++tried > MOST_LEVELS) {
        break;
      }
      double area = 0;
      for (Candidate c : all) {
        double share = c == null ? 0 : c.contradicting(z, slack);
        area += share > 0 ? share * c.area : 0;
      }
      if (area < least - LESS) {
        least = area;
        best = z;
      }
    }
    return best;
  }
}
