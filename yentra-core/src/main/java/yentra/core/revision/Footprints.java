package yentra.core.revision;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.PrecisionModel;
import org.locationtech.jts.geom.util.AffineTransformation;
import org.locationtech.jts.operation.valid.IsValidOp;
import yentra.core.envelope.Space;
import yentra.core.geometry.Plane;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.RobustOverlay;
import yentra.core.geometry.Vec3;

/** The spaces of an envelope in plan, with the heights between which each lies; metres. */
final class Footprints {
  private static final PlaneFrame SHEET = PlaneFrame.of(new Plane(Vec3.ZERO, Vec3.Z));
  private static final PrecisionModel GRID = new PrecisionModel(1e6);

  /** Faces that are steeper have no area in plan: the vertical part of the normal. */
  private static final double STEEP = 0.02;

  private final List<Footprint> all = new ArrayList<>();

  /**
   * A space in plan.
   *
   * @param low height of its lowest point
   * @param high height of its highest point
   */
  record Footprint(Space space, Geometry plan, double low, double high) {
    double volume() {
      return plan.getArea() * (high - low);
    }

    /** The volume that both fill, as if both were upright. */
    double common(Footprint o) {
      double height = Math.min(high, o.high) - Math.max(low, o.low);
      boolean apart =
          height <= 0 || !plan.getEnvelopeInternal().intersects(o.plan.getEnvelopeInternal());
      return apart ? 0 : height * RobustOverlay.intersection(plan, o.plan).getArea();
    }

    private Footprint moved(Vec3 by) {
      return new Footprint(
          space,
          AffineTransformation.translationInstance(by.x(), by.y()).transform(plan),
          low + by.z(),
          high + by.z());
    }
  }

  private Footprints() {}

  /** Of all spaces that have a floor; those without are left out. */
  static Footprints of(yentra.core.envelope.Envelope e) {
    Map<String, List<Polygon>> faces = new HashMap<>();
    e.surfaces()
        .forEach(
            s ->
                s.sides()
                    .forEach(
                        side ->
                            faces
                                .computeIfAbsent(side.space(), k -> new ArrayList<>())
                                .add(s.polygon())));
    Footprints out = new Footprints();
    for (Space s : e.spaces()) {
      List<Polygon> its = s.shell().isEmpty() ? faces.get(s.key()) : s.shell();
      if (its != null) {
        Footprint f = of(s, its, e.delivered().origin());
        if (f != null) {
          out.all.add(f);
        }
      }
    }
    return out;
  }

  private static Footprint of(Space s, List<Polygon> faces, Vec3 origin) {
    List<Geometry> parts = new ArrayList<>();
    double low = Double.POSITIVE_INFINITY;
    double high = Double.NEGATIVE_INFINITY;
    for (Polygon p : faces) {
      for (Vec3 v : p.outer()) {
        low = Math.min(low, v.z());
        high = Math.max(high, v.z());
      }
      if (Math.abs(p.normal().z()) > STEEP) {
        Geometry g = SHEET.project(p);
        parts.add(new IsValidOp(g).isValid() ? g : g.buffer(0));
      }
    }
    if (parts.isEmpty()) {
      return null;
    }
    Geometry plan = RobustOverlay.union(parts, GRID);
    return plan.getArea() > 0 && high > low
        ? new Footprint(s, plan, low, high).moved(origin)
        : null;
  }

  List<Footprint> all() {
    return all;
  }

  double volume() {
    return all.stream().mapToDouble(Footprint::volume).sum();
  }

  /** The left, front, lowest corner of all. */
  Vec3 corner() {
    Envelope box = new Envelope();
    double low = Double.POSITIVE_INFINITY;
    for (Footprint f : all) {
      box.expandToInclude(f.plan.getEnvelopeInternal());
      low = Math.min(low, f.low);
    }
    return all.isEmpty() ? Vec3.ZERO : new Vec3(box.getMinX(), box.getMinY(), low);
  }

  Footprints moved(Vec3 by) {
    Footprints out = new Footprints();
    all.forEach(f -> out.all.add(f.moved(by)));
    return out;
  }
}
