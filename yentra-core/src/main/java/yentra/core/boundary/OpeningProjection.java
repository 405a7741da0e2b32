package yentra.core.boundary;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import yentra.core.envelope.Opening;
import yentra.core.geometry.Box;
import yentra.core.geometry.BoxIndex;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.RobustOverlay;
import yentra.core.geometry.SolidProbe;
import yentra.core.geometry.Straightening;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * Openings of derived surfaces: the outline of what was cut through an element behind a surface,
 * seen along the surface's normal, as far as it lies within the surface. What no opening was cut
 * for shows its own outline.
 */
final class OpeningProjection {
  /** Parts of openings smaller than this are left out, in m². */
  private static final double LEAST = 0.005;

  /** How far a window or door without an opening may stand before or behind the construction. */
  private static final double OFF = 0.3;

  private static final GeometryFactory FACTORY = new GeometryFactory();

  private final DerivationOptions options;
  private final Tolerance tolerance;
  private final Map<String, List<Cut>> byHost = new HashMap<>();
  private final List<Cut> loose;
  private final BoxIndex looseIndex;
  private final List<Cut> all;
  private final Set<Cut> used = new HashSet<>();
  private final Map<String, Integer> keys = new HashMap<>();

  OpeningProjection(List<Cut> cuts, DerivationOptions options, Tolerance tolerance) {
    this.options = options;
    this.tolerance = tolerance;
    all = cuts.stream().sorted(Comparator.comparing(Cut::element)).toList();
    all.stream()
        .filter(c -> !c.host().isEmpty())
        .forEach(c -> byHost.computeIfAbsent(c.host(), k -> new ArrayList<>()).add(c));
    loose = all.stream().filter(c -> c.host().isEmpty()).toList();
    looseIndex = new BoxIndex(loose.stream().map(OpeningProjection::box).toList());
  }

  private static Box box(Cut c) {
    Box b = Box.EMPTY;
    for (Polygon p : c.body()) {
      b = b.union(p.box());
    }
    return b;
  }

  /** The openings of a part of a face. */
  List<Opening> in(
      String surface,
      String space,
      PlaneFrame frame,
      org.locationtech.jts.geom.Polygon outline,
      Region r,
      BoundaryMatching.Constructions constructions) {
    List<Opening> out = new ArrayList<>();
    Set<String> hosts = new HashSet<>();
    for (Barrier b : r.through()) {
      if (hosts.add(b.element())) {
        for (Cut c : byHost.getOrDefault(b.element(), List.of())) {
          add(c, surface, space, frame, outline, r.depth(), 0, constructions, out);
        }
      }
    }
    if (!loose.isEmpty()) {
      Box near = Box.EMPTY;
      for (Polygon p : frame.lift(outline)) {
        near = near.union(p.box());
      }
      for (int i : looseIndex.meeting(near.grown(r.depth() + OFF))) {
        add(loose.get(i), surface, space, frame, outline, r.depth(), OFF, constructions, out);
      }
    }
    return out;
  }

  private void add(
      Cut c,
      String surface,
      String space,
      PlaneFrame frame,
      org.locationtech.jts.geom.Polygon outline,
      double depth,
      double off,
      BoundaryMatching.Constructions constructions,
      List<Opening> out) {
    OpeningShape shape = OpeningShape.of(c.body(), frame);
    boolean slim = off == 0 || shape.depth() < options.gapLimit();
    if (!shape.reaches(depth, off) || !slim) {
      return;
    }
    Geometry within = RobustOverlay.intersection(shape.outline(), outline);
    for (Polygon p : frame.lift(within.norm())) {
      if (p.area() > LEAST) {
        used.add(c);
        out.add(opening(c, surface, space, Straightening.of(p, tolerance), constructions));
      }
    }
  }

  private Opening opening(
      Cut c,
      String surface,
      String space,
      Polygon face,
      BoundaryMatching.Constructions constructions) {
    String base = "op_" + surface.substring(3) + "_" + slug(c.element());
    int n = keys.merge(base, 1, Integer::sum);
    return BoundaryMatching.opening(
        new DeliveredBoundary(
            n == 1 ? base : base + "-" + n,
            space,
            face,
            c.source(),
            c.element(),
            c.host(),
            c.role(),
            false,
            DeliveredBoundary.OtherSide.NOT_SAID,
            "",
            null,
            c.source()),
        constructions,
        options.types());
  }

  private static String slug(String element) {
    return element.replaceAll("[^A-Za-z0-9_]", ".");
  }

  /**
   * Windows and doors of an element that bounds a space, which came to lie in no surface because
   * they stand away from it. Where they are in the element but no space is behind it, nothing is
   * wrong with them.
   */
  List<Cut> left(Set<String> bounding, List<Barrier> barriers) {
    List<Cut> out = new ArrayList<>();
    for (Cut c : all) {
      boolean asked =
          c.role() != DeliveredBoundary.Role.HOLE
              && !used.contains(c)
              && bounding.contains(c.host())
              && !c.body().isEmpty();
      if (asked
          && barriers.stream()
              .filter(b -> b.element().equals(c.host()))
              .noneMatch(b -> touches(c, b))) {
        out.add(c);
      }
    }
    return out;
  }

  /**
   * Whether a line through the middle of the opening, in any of three directions, meets the body.
   */
  private boolean touches(Cut c, Barrier b) {
    Box box = box(c);
    SolidProbe body = new SolidProbe(b.body());
    for (Polygon face : c.body()) {
      Vec3 n = face.normal();
      double half = Math.abs(box.max().minus(box.min()).dot(n)) / 2 + tolerance.gap();
      double[] s = body.stretches(box.centre(), n, tolerance.length());
      for (int i = 0; i + 1 < s.length; i += 2) {
        if (s[i] < half && s[i + 1] > -half) {
          return true;
        }
      }
    }
    return false;
  }

  /** An opening that lies in no surface, with the largest face of its body as its outline. */
  Opening orphan(Cut c, BoundaryMatching.Constructions constructions) {
    Polygon face = c.body().stream().max(Comparator.comparingDouble(Polygon::area)).orElseThrow();
    return opening(c, "su_none", "", face, constructions);
  }
}
