package yentra.core.boundary;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import yentra.core.geometry.CoplanarFaces;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Plane;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * Judges the second-level boundaries that a delivery brings, space by space: each must lie on a
 * face of its space's body, and together they must cover all faces.
 */
public final class DeliveredJudgement {
  /** Share of a boundary, or of a face, that must be on the other. */
  private static final double COVERED = 0.99;

  /** Faces smaller than this are not held against the boundaries, in m². */
  private static final double SMALL = 0.05;

  /** What is said of a space without boundaries. */
  public static final String NONE = "it has none";

  private final Map<String, String> faults;
  private final List<Astray> astray;

  /**
   * A boundary that lies on no face of its space.
   *
   * @param by how far it is off: along the face's normal, or over the face's edge, in metres
   * @param off true when it is off along the normal
   */
  public record Astray(DeliveredBoundary boundary, double by, boolean off) {}

  private DeliveredJudgement(Map<String, String> faults, List<Astray> astray) {
    this.faults = faults;
    this.astray = astray;
  }

  /** Why the boundaries of a space are not sound; spaces that are not named are sound. */
  public Map<String, String> faults() {
    return faults;
  }

  /** Boundaries that lie on no face of their space, in the order of the spaces. */
  public List<Astray> astray() {
    return astray;
  }

  /**
   * Judges.
   *
   * @param rooms spaces with a body
   */
  public static DeliveredJudgement of(
      List<Room> rooms, List<DeliveredBoundary> boundaries, Tolerance tolerance) {
    Map<String, List<DeliveredBoundary>> bySpace = new HashMap<>();
    boundaries.forEach(b -> bySpace.computeIfAbsent(b.space(), k -> new ArrayList<>()).add(b));
    List<Verdict> verdicts =
        rooms.parallelStream()
            .map(r -> verdict(r, bySpace.getOrDefault(r.key(), List.of()), tolerance))
            .toList();
    Map<String, String> faults = new TreeMap<>();
    List<Astray> astray = new ArrayList<>();
    for (int i = 0; i < verdicts.size(); i++) {
      if (!verdicts.get(i).fault.isEmpty()) {
        faults.put(rooms.get(i).key(), verdicts.get(i).fault);
      }
      astray.addAll(verdicts.get(i).astray);
    }
    return new DeliveredJudgement(faults, astray);
  }

  private record Verdict(String fault, List<Astray> astray) {}

  private static Verdict verdict(Room room, List<DeliveredBoundary> own, Tolerance tolerance) {
    if (own.isEmpty()) {
      return new Verdict(NONE, List.of());
    }
    List<Polygon> faces = CoplanarFaces.of(room.body(), tolerance);
    Map<Integer, List<Polygon>> on = new HashMap<>();
    List<Astray> astray = new ArrayList<>();
    for (DeliveredBoundary b : own) {
      int best = -1;
      for (int i = 0; i < faces.size() && best < 0; i++) {
        if (lies(b.face(), faces.get(i), tolerance)) {
          best = i;
        }
      }
      if (best >= 0) {
        on.computeIfAbsent(best, k -> new ArrayList<>()).add(b.face());
      } else if (!b.isOpening()) {
        astray.add(off(b, faces, tolerance));
      }
    }
    if (!astray.isEmpty()) {
      int n = astray.size();
      return new Verdict(n + (n == 1 ? " lies" : " lie") + " on no face of it", astray);
    }
    double bare = 0;
    for (int i = 0; i < faces.size(); i++) {
      double area = faces.get(i).area();
      double covered =
          on.containsKey(i)
              ? PlanarOverlay.union(on.get(i)).stream().mapToDouble(Polygon::area).sum()
              : 0;
      if (area > SMALL && covered < COVERED * area) {
        bare += area - covered;
      }
    }
    return new Verdict(
        bare > 0 ? String.format(Locale.ROOT, "%.2f m² of its faces have none", bare) : "",
        List.of());
  }

  private static boolean lies(Polygon boundary, Polygon face, Tolerance tolerance) {
    Plane p = face.plane();
    if (p.angleTo(boundary.plane()) > tolerance.angle()
        || distance(boundary, p) > tolerance.gap()) {
      return false;
    }
    return PlanarOverlay.commonArea(face, boundary) >= COVERED * boundary.area();
  }

  private static double distance(Polygon boundary, Plane p) {
    return boundary.outer().stream().mapToDouble(v -> Math.abs(p.distance(v))).max().orElse(0);
  }

  /** How far a boundary is from the face that it is most likely meant for. */
  private static Astray off(DeliveredBoundary b, List<Polygon> faces, Tolerance tolerance) {
    double least = Double.POSITIVE_INFINITY;
    double over = 0;
    boolean off = true;
    for (Polygon f : faces) {
      Plane p = f.plane();
      double angle = p.angleTo(b.face().plane());
      if (Math.min(angle, 180 - angle) > 5) {
        continue;
      }
      double d = distance(b.face(), p);
      if (d < least - 1e-9) {
        least = d;
        off = d > tolerance.gap();
        over = over(b.face(), f);
      }
    }
    return new Astray(b, Double.isInfinite(least) ? 0 : off ? least : over, off);
  }

  /** How far a boundary reaches over the edge of its face. */
  private static double over(Polygon boundary, Polygon face) {
    PlaneFrame frame = PlaneFrame.of(face.plane());
    Geometry flat = frame.project(face);
    double most = 0;
    for (Vec3 v : boundary.outer()) {
      most = Math.max(most, flat.distance(new GeometryFactory().createPoint(frame.to2d(v))));
    }
    return most;
  }
}
