package yentra.core.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.locationtech.jts.geom.Coordinate;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Site;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.StableKeys;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Plane;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Straightening;
import yentra.core.geometry.Vec3;
import yentra.core.plan.PlanDocument.GlazingRule;
import yentra.core.plan.PlanDocument.HandOpening;

/** The openings of a drawn building: what was fitted by hand first, then what rules ask for. */
final class Glazing {
  /** How far from a wall a hand-fitted opening may be drawn, m. */
  private static final double REACH = 0.5;

  private final PlanDocument document;
  private final Rules rules;
  private final Site site;
  private final List<ReadNote> notes;
  private final StableKeys keys = new StableKeys();
  private final Map<Surface, List<Opening>> openings = new HashMap<>();
  private final Map<Beyond, List<Surface>> beyond = new LinkedHashMap<>();

  private Glazing(PlanDocument document, Rules rules, Site site, List<ReadNote> notes) {
    this.document = document;
    this.rules = rules;
    this.site = site;
    this.notes = notes;
  }

  /**
   * The surfaces with their openings.
   *
   * @param volumes by key of their space
   * @param notes what was assumed or does not fit is added
   */
  static List<Surface> in(
      List<Surface> surfaces,
      Map<String, Volume> volumes,
      PlanDocument document,
      Rules rules,
      Site site,
      List<ReadNote> notes) {
    Glazing g = new Glazing(document, rules, site, notes);
    document.openings().forEach(o -> g.byHand(o, surfaces, volumes));
    List<Surface> out = new ArrayList<>();
    for (Surface s : surfaces) {
      boolean roof = s.type() == SurfaceType.ROOF;
      if (roof || s.type() == SurfaceType.EXTERIOR_WALL) {
        g.byRule(s, volumes.get(s.sides().get(0).space()), roof);
      }
      List<Opening> own = g.openings.get(s);
      out.add(own == null ? s : s.withOpenings(own));
    }
    g.beyond.forEach((b, walls) -> notes.add(g.note(b, walls)));
    return out;
  }

  private void byRule(Surface s, Volume v, boolean roof) {
    GlazingRule rule = null;
    for (GlazingRule r : document.glazing()) {
      boolean fits =
          r.where().roofs() == roof
              && r.where().fits(v.storey().name(), v.space().name(), azimuth(s.polygon()));
      rule = fits ? r : rule;
    }
    if (rule == null || rule.ratio() == 0) {
      return;
    }
    List<Opening> own = openings.computeIfAbsent(s, k -> new ArrayList<>());
    double glazed =
        own.stream().filter(o -> o.type().isGlazed()).mapToDouble(o -> o.polygon().area()).sum();
    double wanted = s.polygon().area() * rule.ratio() - glazed;
    if (roof) {
      for (Polygon p : Skylights.of(s.polygon(), Math.min(rule.ratio(), 0.98))) {
        Polygon straight = Straightening.of(p, rules.tolerance());
        add(s, own, OpeningType.FIXED_SKYLIGHT, straight, rule.origin(), "Glazing rule");
      }
      told(rule, s, own, false);
      return;
    }
    if (wanted <= 1e-9) {
      return;
    }
    List<Polygon> fixed = own.stream().map(Opening::polygon).toList();
    double floor = v.bottom();
    WallOpenings.Fitted fitted =
        new WallOpenings(s.polygon(), fixed)
            .fit(rule, wanted, floor + rule.sill(), floor + rule.head());
    for (Polygon p : fitted.windows()) {
      add(s, own, OpeningType.FIXED_WINDOW, p, rule.origin(), "Glazing rule");
    }
    told(rule, s, own, fitted.grown());
  }

  private double azimuth(Polygon p) {
    return site.fromTrueNorth(p.azimuth());
  }

  private void told(GlazingRule rule, Surface s, List<Opening> own, boolean grown) {
    double gross = s.polygon().area();
    double glazed =
        own.stream().filter(o -> o.type().isGlazed()).mapToDouble(o -> o.polygon().area()).sum();
    double missing = rule.ratio() * gross - glazed;
    if (missing > 1e-3 * gross) {
      notes.add(
          ReadNote.of(
                  ReadNote.Kind.UNFITTED,
                  String.format(
                      Locale.ROOT,
                      "windows of %.0f %% of %.2f m² are asked for; %.2f m² fit",
                      rule.ratio() * 100,
                      gross,
                      glazed))
              .about(s.key())
              .on("ratio", rule.origin().label())
              .measured(rule.ratio())
              .at(rule.origin().line(), rule.origin().column()));
    } else if (grown) {
      String facing = Naming.quarter(azimuth(s.polygon()));
      beyond.computeIfAbsent(new Beyond(rule, facing), k -> new ArrayList<>()).add(s);
    }
  }

  /** Of walls that face one way, one note a rule. */
  private record Beyond(GlazingRule rule, String facing) {}

  private ReadNote note(Beyond b, List<Surface> walls) {
    return ReadNote.of(
            ReadNote.Kind.ASSUMED,
            String.format(
                Locale.ROOT,
                "%.0f %% of windows do not fit between sill and head in %s facing %s, so they reach beyond",
                b.rule.ratio() * 100,
                walls.size() == 1 ? "the wall" : walls.size() + " walls",
                b.facing))
        .about(walls.get(0).key())
        .on("ratio", b.rule.origin().label())
        .times(walls.size())
        .at(b.rule.origin().line(), b.rule.origin().column());
  }

  private void add(
      Surface s,
      List<Opening> own,
      OpeningType type,
      Polygon p,
      PlanDocument.Origin origin,
      String what) {
    SourceRef source = new SourceRef(what, origin.label(), "", origin.line(), origin.column());
    own.add(
        Opening.of(keys.of("opening-", s.key(), origin.label()), type, p)
            .with()
            .source(source)
            .element(source)
            .build());
  }

  /** A wall that an opening could be in, and where along it the opening's middle would be. */
  private record Host(Surface wall, double distance) {}

  private void byHand(HandOpening o, List<Surface> surfaces, Map<String, Volume> volumes) {
    Host best = null;
    Volume of = null;
    for (Surface s : surfaces) {
      if (s.sides().isEmpty()
          || s.exposure() == Exposure.GROUND
          || s.type() == SurfaceType.AIR
          || Math.abs(s.polygon().tilt() - 90) > rules.tolerance().angle()) {
        continue;
      }
      Volume v = on(o.storey(), s, volumes);
      double d = v == null ? REACH : distance(s.polygon(), o.at(), v.bottom() + o.sill());
      if (d < (best == null ? REACH : best.distance - 1e-6)) {
        best = new Host(s, d);
        of = v;
      }
    }
    Polygon p = best == null ? null : placed(o, best.wall.polygon(), of.bottom());
    if (p == null) {
      notes.add(
          ReadNote.of(
                  ReadNote.Kind.LEFT_OUT,
                  String.format(
                      Locale.ROOT,
                      "%s: no wall of %s at %.2f, %.2f has room for an opening %.2f m wide from %.2f m to %.2f m",
                      o.origin().path(),
                      o.storey(),
                      o.at().x(),
                      o.at().y(),
                      o.width(),
                      o.sill(),
                      o.head()))
              .on("glazing", o.origin().label())
              .at(o.origin().line(), o.origin().column()));
      return;
    }
    OpeningType type =
        switch (o.type()) {
          case WINDOW -> OpeningType.FIXED_WINDOW;
          case DOOR -> OpeningType.NON_SLIDING_DOOR;
          case GLAZED_DOOR -> OpeningType.SLIDING_DOOR;
        };
    List<Opening> own = openings.computeIfAbsent(best.wall, k -> new ArrayList<>());
    boolean free = own.stream().allMatch(x -> PlanarOverlay.commonArea(x.polygon(), p) < 1e-6);
    if (free) {
      add(best.wall, own, type, p, o.origin(), "Opening");
    } else {
      notes.add(
          ReadNote.of(
                  ReadNote.Kind.LEFT_OUT,
                  o.origin().path() + ": another opening is in this place already")
              .about(best.wall.key())
              .on("glazing", o.origin().label())
              .at(o.origin().line(), o.origin().column()));
    }
  }

  private static Volume on(String storey, Surface s, Map<String, Volume> volumes) {
    for (var side : s.sides()) {
      Volume v = volumes.get(side.space());
      if (v.storey().name().equals(storey)) {
        return v;
      }
    }
    return null;
  }

  /** How far a point of the plan is from a wall that reaches a height, m. */
  private static double distance(Polygon wall, PlanPoint at, double z) {
    if (wall.box().min().z() > z + 1e-6 || wall.box().max().z() <= z) {
      return REACH;
    }
    Vec3 n = wall.normal();
    Vec3 p = at.at(z);
    double across = Math.abs(p.minus(wall.outer().get(0)).dot(n));
    Vec3 u = new Vec3(-n.y(), n.x(), 0).unit();
    double least = Double.POSITIVE_INFINITY;
    double most = Double.NEGATIVE_INFINITY;
    for (Vec3 c : wall.outer()) {
      double s = c.minus(p).dot(u);
      least = Math.min(least, s);
      most = Math.max(most, s);
    }
    return Math.hypot(across, Math.max(0, Math.max(least, -most)));
  }

  /** The opening in a wall, moved along it until it is inside; null when it has no room. */
  private static Polygon placed(HandOpening o, Polygon wall, double floor) {
    Vec3 corner = wall.outer().get(0);
    PlaneFrame frame =
        PlaneFrame.of(new Plane(new Vec3(corner.x(), corner.y(), floor), wall.normal()));
    var flat = frame.project(wall);
    var e = flat.getEnvelopeInternal();
    double middle = frame.to2d(o.at().at(floor)).x;
    double half = o.width() / 2;
    double left =
        Math.min(
            Math.max(middle - half, e.getMinX()), Math.max(e.getMinX(), e.getMaxX() - o.width()));
    Polygon p =
        Polygon.of(
            frame.to3d(new Coordinate(left, o.sill())),
            frame.to3d(new Coordinate(left + o.width(), o.sill())),
            frame.to3d(new Coordinate(left + o.width(), o.head())),
            frame.to3d(new Coordinate(left, o.head())));
    return PlanarOverlay.areaOutside(p, wall) < 1e-6 && p.area() < 0.99 * wall.area() ? p : null;
  }
}
