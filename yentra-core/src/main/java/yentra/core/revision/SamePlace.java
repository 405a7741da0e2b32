package yentra.core.revision;

import yentra.core.envelope.Envelope;
import yentra.core.geometry.Box;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * How far two revisions' boxes and outlines are one place. Coordinates of both are taken from the
 * common origin of the files.
 */
final class SamePlace {
  /** Outlines whose planes are this near may cover each other, m. */
  private static final double IN_PLANE = 0.05;

  private final Vec3 shift;
  private final Tolerance tolerance;

  SamePlace(Envelope before, Envelope after, Tolerance tolerance) {
    this.shift = after.delivered().origin().minus(before.delivered().origin());
    this.tolerance = tolerance;
  }

  /** A point of the second revision in the first one's coordinates. */
  Vec3 back(Vec3 p) {
    return p.plus(shift);
  }

  /** How much of the larger box both share, 0 to 1. */
  double share(Box a, Box b) {
    if (a.isEmpty() || b.isEmpty()) {
      return 0;
    }
    double x = overlap(a.min().x(), a.max().x(), b.min().x() + shift.x(), b.max().x() + shift.x());
    double y = overlap(a.min().y(), a.max().y(), b.min().y() + shift.y(), b.max().y() + shift.y());
    double z = overlap(a.min().z(), a.max().z(), b.min().z() + shift.z(), b.max().z() + shift.z());
    return x * y * z / Math.max(1e-9, Math.max(volume(a), volume(b)));
  }

  private static double overlap(double a, double b, double c, double d) {
    return Math.max(0, Math.min(b, d) - Math.max(a, c));
  }

  private static double volume(Box b) {
    Vec3 d = b.max().minus(b.min());
    return d.x() * d.y() * d.z();
  }

  /** An outline of the first revision in the second's coordinates. */
  Polygon moved(Polygon p) {
    return shift.equals(Vec3.ZERO)
        ? p
        : new Polygon(
            p.outer().stream().map(v -> v.minus(shift)).toList(),
            p.holes().stream().map(h -> h.stream().map(v -> v.minus(shift)).toList()).toList());
  }

  /** The share of the larger one that both cover, 0 when they lie in different planes. */
  double cover(Polygon p, Polygon q) {
    if (p.normal().equals(Vec3.ZERO) || q.normal().equals(Vec3.ZERO)) {
      return 0;
    }
    double angle = p.plane().angleTo(q.plane());
    boolean plane =
        Math.min(angle, 180 - angle) < tolerance.angle()
            && Math.abs(p.plane().distance(q.mean())) < IN_PLANE;
    return plane
        ? PlanarOverlay.commonArea(p, q) / Math.max(1e-9, Math.max(p.area(), q.area()))
        : 0;
  }
}
