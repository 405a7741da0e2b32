package yentra.core.boundary;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import yentra.core.geometry.Plane;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/**
 * Takes steps of a fraction of a millimetre out of a body: planes that are nearly one become the
 * one of the largest face, every corner moves onto the planes of the faces that meet there, and the
 * strips between them, which are then nothing, are dropped. Corners at one place move alike, so
 * that what was closed stays closed.
 */
final class PlaneSnap {
  /** Cosine from which on two planes count as parallel. */
  private static final double PARALLEL = 1 - 1e-7;

  /** Projections onto planes in turn end where they meet; upright ones after one round. */
  private static final int ROUNDS = 50;

  private final List<Polygon> faces;
  private final double within;
  private final List<Plane> planes = new ArrayList<>();
  private final int[] planeOf;

  private PlaneSnap(List<Polygon> faces, double within) {
    this.faces = faces;
    this.within = within;
    this.planeOf = new int[faces.size()];
  }

  /**
   * @param within how far planes may be apart to become one, metres
   */
  static List<Polygon> of(List<Polygon> faces, double within) {
    return new PlaneSnap(faces, within).snapped();
  }

  private List<Polygon> snapped() {
    IntStream.range(0, faces.size())
        .boxed()
        .sorted(Comparator.comparingDouble((Integer i) -> faces.get(i).area()).reversed())
        .forEach(i -> planeOf[i] = plane(faces.get(i)));
    Map<Vec3, Vec3> moved = new HashMap<>();
    List<Polygon> out = new ArrayList<>();
    for (Polygon f : faces) {
      List<List<Vec3>> rings = new ArrayList<>();
      for (List<Vec3> ring : f.rings()) {
        List<Vec3> r = new ArrayList<>();
        for (Vec3 v : ring) {
          Vec3 to = moved.computeIfAbsent(v, this::moved);
          if (r.isEmpty() || r.get(r.size() - 1).distance(to) > within / 10) {
            r.add(to);
          }
        }
        while (r.size() > 1 && r.get(0).distance(r.get(r.size() - 1)) <= within / 10) {
          r.remove(r.size() - 1);
        }
        if (wide(r)) {
          rings.add(r);
        } else if (rings.isEmpty()) {
          break;
        }
      }
      if (!rings.isEmpty()) {
        out.add(new Polygon(rings.get(0), rings.subList(1, rings.size())));
      }
    }
    return out;
  }

  /** Whether a ring is more than a line. */
  private boolean wide(List<Vec3> ring) {
    if (ring.size() < 3) {
      return false;
    }
    double round = 0;
    for (int i = 0; i < ring.size(); i++) {
      round += ring.get(i).distance(ring.get((i + 1) % ring.size()));
    }
    return 2 * Polygon.areaVector(ring).length() / round > within / 10;
  }

  private int plane(Polygon f) {
    Plane own = f.plane();
    for (int i = 0; i < planes.size(); i++) {
      Plane p = planes.get(i);
      if (Math.abs(p.normal().dot(own.normal())) >= PARALLEL
          && f.outer().stream().allMatch(v -> off(p, v) <= within)) {
        return i;
      }
    }
    planes.add(own);
    return planes.size() - 1;
  }

  private static double off(Plane p, Vec3 v) {
    return Math.abs(v.minus(p.point()).dot(p.normal()));
  }

  private Vec3 moved(Vec3 v) {
    Set<Integer> of = new LinkedHashSet<>();
    for (int i = 0; i < faces.size(); i++) {
      if (!of.contains(planeOf[i]) && off(planes.get(planeOf[i]), v) <= within && touches(i, v)) {
        of.add(planeOf[i]);
      }
    }
    Vec3 at = v;
    for (int round = 0; round < ROUNDS; round++) {
      Vec3 before = at;
      for (int i : of) {
        Plane p = planes.get(i);
        at = at.minus(p.normal().times(at.minus(p.point()).dot(p.normal())));
      }
      if (at.distance(before) < 1e-12) {
        break;
      }
    }
    return at.distance(v) <= 3 * within ? at : v;
  }

  /** Whether a corner lies on an edge of a face. */
  private boolean touches(int face, Vec3 v) {
    for (List<Vec3> ring : faces.get(face).rings()) {
      for (int i = 0; i < ring.size(); i++) {
        Vec3 a = ring.get(i);
        Vec3 d = ring.get((i + 1) % ring.size()).minus(a);
        double length = d.length();
        double t = length == 0 ? 0 : v.minus(a).dot(d) / (length * length);
        if (a.plus(d.times(Math.max(0, Math.min(1, t)))).distance(v) <= within) {
          return true;
        }
      }
    }
    return false;
  }
}
