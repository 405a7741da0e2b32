package yentra.core.geometry;

import java.util.ArrayList;
import java.util.List;

/**
 * The flat faces of a body: those of its polygons that lie in one plane, turn the same way and
 * touch are one face, which may have holes. Bodies often come as triangles or with faces cut along
 * storeys.
 */
public final class CoplanarFaces {
  private CoplanarFaces() {}

  private record Group(Plane plane, List<Polygon> members) {}

  /**
   * The faces in the order of the first polygon of each; polygons without area are left out.
   *
   * @param tolerance {@code plane} is how far a corner may be off its face's plane, {@code angle}
   *     how far its normal may be turned from it
   */
  public static List<Polygon> of(List<Polygon> polygons, Tolerance tolerance) {
    List<Group> groups = new ArrayList<>();
    for (Polygon p : polygons) {
      if (p.normal().equals(Vec3.ZERO)) {
        continue;
      }
      Group home = null;
      for (Group g : groups) {
        if (belongs(p, g.plane, tolerance)) {
          home = g;
          break;
        }
      }
      if (home == null) {
        home = new Group(p.plane(), new ArrayList<>());
        groups.add(home);
      }
      home.members.add(p);
    }
    List<Polygon> out = new ArrayList<>();
    for (Group g : groups) {
      if (g.members.size() == 1) {
        out.add(g.members.get(0));
      } else {
        PlanarOverlay.union(g.members).forEach(p -> out.add(Straightening.of(p, tolerance)));
      }
    }
    return out;
  }

  private static boolean belongs(Polygon p, Plane plane, Tolerance tolerance) {
    if (p.normal().dot(plane.normal()) < Math.cos(Math.toRadians(tolerance.angle()))) {
      return false;
    }
    // half the tolerance, so that two members are never farther apart than the whole of it
    for (Vec3 v : p.outer()) {
      if (Math.abs(plane.distance(v)) > tolerance.plane() / 2) {
        return false;
      }
    }
    return true;
  }
}
