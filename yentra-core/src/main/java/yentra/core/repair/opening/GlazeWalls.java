package yentra.core.repair.opening;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Surface;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.RobustOverlay;
import yentra.core.geometry.Tolerance;
import yentra.core.repair.KeyChange;
import yentra.core.repair.Keys;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Reshape;
import yentra.core.repair.Target;

/**
 * Gives walls windows for a glazing ratio: a band from the sill upwards, as high as the ratio asks
 * for, over the whole width but for a margin. Windows that are there go; doors stay, and the band
 * keeps clear of them. The new ones get the window type of the walls' own windows, else the one
 * that covers the largest area in the model.
 *
 * @param surfaces keys of upright surfaces towards outdoor air
 * @param ratio of glazed to gross wall area, above 0 and below 1
 * @param sill height above the wall's lowest point, metres
 */
public record GlazeWalls(List<String> surfaces, double ratio, double sill) implements Repair {
  /** From the wall's edges and from doors, in metres. */
  private static final double MARGIN = 0.05;

  public GlazeWalls {
    surfaces = surfaces == null ? List.of() : List.copyOf(surfaces);
  }

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    if (surfaces.isEmpty() || !(ratio > 0 && ratio < 1) || !(sill >= 0)) {
      throw new NotApplicableException(
          "Choose walls, a ratio between 0 and 1, and a sill height of 0 m or more.");
    }
    Keys keys = new Keys(e);
    Naming naming = new Naming(e, rules.types());
    Envelope out = e;
    for (String key : surfaces) {
      Surface s = Target.surface(e, key);
      if (!rules.types().isUpright(s.polygon().tilt())) {
        throw new NotApplicableException("The " + naming.surface(s) + " is not upright.");
      }
      if (s.exposure() != Exposure.OUTDOOR) {
        throw new NotApplicableException(
            "The " + naming.surface(s) + " does not face outdoor air.");
      }
      List<Opening> openings = glazed(s, naming, glazing(e), keys, rules.tolerance());
      out = out.replacing(key, x -> x.withOpenings(openings));
    }
    return out;
  }

  /** The window type of the largest area, of the walls' own windows where they have one. */
  private String glazing(Envelope e) {
    Map<String, Double> own = new TreeMap<>();
    Map<String, Double> all = new TreeMap<>();
    for (Surface s : e.surfaces()) {
      for (Opening o : s.openings()) {
        if (o.type().isGlazed() && o.glazing() != null) {
          all.merge(o.glazing(), o.polygon().area(), Double::sum);
          if (surfaces.contains(s.key())) {
            own.merge(o.glazing(), o.polygon().area(), Double::sum);
          }
        }
      }
    }
    return (own.isEmpty() ? all : own)
        .entrySet().stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey).orElse(null);
  }

  /**
   * The greatest ratio of glazed to gross area that a wall has room for.
   *
   * @param sill height above the wall's lowest point, m
   */
  public static double room(Surface s, double sill) {
    PlaneFrame frame = PlaneFrame.of(s.polygon().plane());
    Geometry wall = frame.project(s.polygon());
    GlazeWalls g = new GlazeWalls(List.of(), 0, sill);
    org.locationtech.jts.geom.Envelope box = wall.getEnvelopeInternal();
    double high = Math.max(0, box.getHeight() - sill);
    return g.band(frame, free(s, frame, wall), box, high).getArea() / s.polygon().area();
  }

  /** Where windows may lie: clear of the edges and of doors. */
  private static Geometry free(Surface s, PlaneFrame frame, Geometry wall) {
    Geometry free = wall.buffer(-MARGIN, 1);
    for (Opening o : s.openings()) {
      if (!o.type().isGlazed()) {
        free = RobustOverlay.difference(free, frame.project(o.polygon()).buffer(MARGIN, 1));
      }
    }
    return free;
  }

  private List<Opening> glazed(
      Surface s, Naming naming, String glazing, Keys keys, Tolerance tolerance)
      throws NotApplicableException {
    PlaneFrame frame = PlaneFrame.of(s.polygon().plane());
    Geometry wall = frame.project(s.polygon());
    Geometry free = free(s, frame, wall);
    List<Opening> out =
        new ArrayList<>(s.openings().stream().filter(o -> !o.type().isGlazed()).toList());
    org.locationtech.jts.geom.Envelope box = wall.getEnvelopeInternal();
    double target = ratio * s.polygon().area();
    double low = 0;
    double high = Math.max(0, box.getHeight() - sill);
    if (band(frame, free, box, high).getArea() < target) {
      throw new NotApplicableException(
          String.format(
              Locale.ROOT,
              "Above a sill of %.2f m the %s has room for a ratio of %.2f at most.",
              sill,
              naming.surface(s),
              band(frame, free, box, high).getArea() / s.polygon().area()));
    }
    for (int i = 0; i < 60; i++) {
      double middle = (low + high) / 2;
      if (band(frame, free, box, middle).getArea() < target) {
        low = middle;
      } else {
        high = middle;
      }
    }
    for (Polygon p : Reshape.clean(frame.lift(band(frame, free, box, high)), tolerance)) {
      Polygon outline = Reshape.turned(p, s.polygon());
      Opening there = same(s, outline, tolerance);
      out.add(
          there != null
              ? there
              : AddOpening.made(keys.free("op_" + s.key() + "_"), OpeningType.FIXED_WINDOW, outline)
                  .withGlazing(glazing));
    }
    return out;
  }

  /** The wall's own window with this outline; null when there is none. */
  private static Opening same(Surface s, Polygon outline, Tolerance tolerance) {
    return s.openings().stream()
        .filter(o -> o.type().isGlazed() && isSame(o.polygon(), outline, tolerance.length()))
        .findFirst()
        .orElse(null);
  }

  private static boolean isSame(Polygon a, Polygon b, double tolerance) {
    return a.holes().isEmpty()
        && b.holes().isEmpty()
        && a.outer().size() == b.outer().size()
        && a.outer().stream()
            .allMatch(p -> b.outer().stream().anyMatch(q -> p.minus(q).length() <= tolerance));
  }

  private Geometry band(
      PlaneFrame frame, Geometry free, org.locationtech.jts.geom.Envelope wall, double height) {
    Coordinate from = new Coordinate(wall.getMinX(), wall.getMinY() + sill);
    Polygon p =
        Reshape.rectangle(
            frame, from.x, from.y, wall.getMaxX(), Math.max(from.y + 1e-9, from.y + height));
    return RobustOverlay.intersection(free, frame.project(p));
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new GlazeWalls(keys.of(surfaces), ratio, sill);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return String.format(
        Locale.ROOT,
        "Gives %s windows for %.0f %% of the area, from %.2f m up%s.",
        surfaces.size() == 1
            ? "the " + before.surface(surfaces.get(0)).map(naming::surface).orElse("wall")
            : surfaces.size() + " walls",
        ratio * 100,
        sill,
        glazing(before) == null ? "" : ", of the window type " + glazing(before));
  }
}
