package yentra.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import yentra.core.geometry.Plane;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.RobustOverlay;
import yentra.core.plan.PlanDocument.GlazingRule;
import yentra.core.plan.PlanDocument.WindowForm;

/**
 * Windows of one upright surface as a rule wants them: rectangles between sill and head that stay
 * inside the surface and clear of what was fitted by hand. Where the share asked for does not fit
 * between sill and head, the head goes up first, then the sill down.
 */
final class WallOpenings {
  /** How far a window stays from the edges of its wall and from other openings, m. */
  static final double EDGE = 0.05;

  /** Windows are at least this wide where there is room, m. */
  private static final double NARROWEST = 0.4;

  /** Smaller windows than this are none, m². */
  private static final double SMALLEST = 0.05;

  /** Steps in which sill and head are let go. */
  private static final int STEPS = 20;

  private static final GeometryFactory FACTORY = new GeometryFactory();

  private final PlaneFrame frame;
  private final Geometry wall;
  private final List<Envelope> fixed;
  private final boolean isRectangle;
  private final double low;
  private final double high;

  /**
   * @param wall turned outwards
   * @param fixed what was fitted by hand, in the wall's plane
   */
  WallOpenings(Polygon wall, List<Polygon> fixed) {
    this.frame = PlaneFrame.of(new Plane(wall.outer().get(0), wall.normal()));
    this.wall = frame.project(wall);
    this.fixed = fixed.stream().map(f -> frame.project(f).getEnvelopeInternal()).toList();
    Envelope e = this.wall.getEnvelopeInternal();
    this.isRectangle = e.getArea() - this.wall.getArea() < 1e-9;
    this.low = e.getMinY() + EDGE;
    this.high = e.getMaxY() - EDGE;
  }

  /**
   * What became of a rule.
   *
   * @param area of all windows, m²
   * @param grown true when they reach beyond sill or head
   */
  record Fitted(List<Polygon> windows, double area, boolean grown) {}

  /** A stretch along the wall in which a window can stand. */
  private record Stretch(double from, double to) {
    double width() {
      return to - from;
    }
  }

  /**
   * Places windows.
   *
   * @param area of all of them together, m²
   * @param sill height in model coordinates, m
   * @param head height in model coordinates, m
   */
  Fitted fit(GlazingRule rule, double area, double sill, double head) {
    double o = frame.origin().z();
    double from = Math.max(low, sill - o);
    double to = Math.min(high, head - o);
    if (area < SMALLEST || high <= low) {
      return new Fitted(List.of(), 0, false);
    }
    boolean outside = to - from < EDGE;
    if (outside) {
      // sill and head lie outside this wall, which another storey or the ground has cut
      double middle = Math.min(high, Math.max(low, (from + to) / 2));
      from = middle;
      to = middle;
    }
    double[] most = {from, to};
    double best = 0;
    for (int i = 0; i <= STEPS; i++) {
      double[] at = grown(from, to, (double) i / STEPS);
      double room = room(rule, at[0], at[1]);
      if (room >= area) {
        double[] least = i == 0 ? at : least(rule, area, from, to, i);
        return new Fitted(windows(rule, least[0], least[1], area), area, i > 0);
      }
      if (room > best) {
        best = room;
        most = at;
      }
    }
    return best < SMALLEST
        ? new Fitted(List.of(), 0, true)
        : new Fitted(windows(rule, most[0], most[1], best), best, true);
  }

  /** Sill and head let go by a share: first the head, then the sill. */
  private double[] grown(double from, double to, double share) {
    double up = Math.min(1, share * 2);
    double down = Math.max(0, share * 2 - 1);
    return new double[] {from + (low - from) * down, to + (high - to) * up};
  }

  /** The least growth within a step that gives room. */
  private double[] least(GlazingRule rule, double area, double from, double to, int step) {
    double little = (step - 1.0) / STEPS;
    double enough = (double) step / STEPS;
    for (int i = 0; i < 20; i++) {
      double share = (little + enough) / 2;
      double[] at = grown(from, to, share);
      if (room(rule, at[0], at[1]) >= area) {
        enough = share;
      } else {
        little = share;
      }
    }
    return grown(from, to, enough);
  }

  /** The most that windows of this form can have between two heights, m². */
  private double room(GlazingRule rule, double from, double to) {
    if (to - from < EDGE) {
      return 0;
    }
    double width = 0;
    for (Stretch s : stretches(rule, from, to)) {
      width += s.width();
    }
    return width * (to - from);
  }

  private List<Polygon> windows(GlazingRule rule, double from, double to, double area) {
    List<Stretch> stretches = stretches(rule, from, to);
    double all = stretches.stream().mapToDouble(Stretch::width).sum();
    double share = area / (all * (to - from));
    boolean band = rule.form() == WindowForm.BAND;
    List<Polygon> out = new ArrayList<>();
    for (Stretch s : stretches) {
      // a window that would be too narrow is lower instead
      double width = band ? s.width() : Math.max(s.width() * share, Math.min(s.width(), NARROWEST));
      double middle = (s.from + s.to) / 2;
      double top = from + (to - from) * share * s.width() / width;
      out.add(rectangle(middle - width / 2, from, middle + width / 2, top));
    }
    return out;
  }

  Polygon rectangle(double left, double bottom, double right, double top) {
    return Polygon.of(
        frame.to3d(new Coordinate(left, bottom)),
        frame.to3d(new Coordinate(right, bottom)),
        frame.to3d(new Coordinate(right, top)),
        frame.to3d(new Coordinate(left, top)));
  }

  /** Where windows of a form can stand between two heights. */
  private List<Stretch> stretches(GlazingRule rule, double from, double to) {
    List<Stretch> free = free(from, to);
    if (rule.form() == WindowForm.BAND) {
      return free;
    }
    if (rule.form() == WindowForm.SINGLE) {
      return free.stream().max(Comparator.comparingDouble(Stretch::width)).stream().toList();
    }
    List<Stretch> bays = new ArrayList<>();
    for (Stretch s : free) {
      double whole = s.width() + 2 * EDGE;
      int n = Math.max(1, (int) Math.round(whole / rule.bay()));
      for (int i = 0; i < n; i++) {
        double a = s.from - EDGE + whole / n * i;
        bays.add(new Stretch(a + EDGE, a + whole / n - EDGE));
      }
    }
    return bays.stream().filter(b -> b.width() > EDGE).toList();
  }

  private List<Stretch> free(double from, double to) {
    Envelope all = wall.getEnvelopeInternal();
    double left = all.getMinX() + EDGE;
    double right = all.getMaxX() - EDGE;
    List<double[]> blocked = new ArrayList<>();
    if (!isRectangle) {
      Envelope strip = new Envelope(all.getMinX(), all.getMaxX(), from - EDGE, to + EDGE);
      Geometry missing = RobustOverlay.difference(FACTORY.toGeometry(strip), wall);
      for (int i = 0; i < missing.getNumGeometries(); i++) {
        Envelope e = missing.getGeometryN(i).getEnvelopeInternal();
        if (missing.getGeometryN(i).getArea() > 1e-9) {
          blocked.add(new double[] {e.getMinX(), e.getMaxX()});
        }
      }
    }
    for (Envelope f : fixed) {
      if (f.getMaxY() > from - EDGE && f.getMinY() < to + EDGE) {
        blocked.add(new double[] {f.getMinX() - EDGE, f.getMaxX() + EDGE});
      }
    }
    blocked.sort(Comparator.comparingDouble(b -> b[0]));
    List<Stretch> out = new ArrayList<>();
    double at = left;
    for (double[] b : blocked) {
      if (b[0] - at > EDGE) {
        out.add(new Stretch(at, Math.min(b[0], right)));
      }
      at = Math.max(at, b[1]);
    }
    if (right - at > EDGE) {
      out.add(new Stretch(at, right));
    }
    return out.stream().filter(s -> s.width() > EDGE).toList();
  }
}
