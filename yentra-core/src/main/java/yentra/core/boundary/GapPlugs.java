package yentra.core.boundary;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import yentra.core.geometry.Box;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;

/** Plugs where construction does not quite meet: between faces, and between corners. */
final class GapPlugs {
  /** How far a plug reaches into what it joins, in metres. */
  static final double INTO = 0.0005;

  /** Half the thickness of a plug between corners, in metres. */
  private static final double THIN = 0.002;

  private final Obstacles obstacles;
  private final double gap;
  private final Tolerance tolerance;

  /**
   * @param gap slits up to this width are bridged, in metres
   */
  GapPlugs(Obstacles obstacles, double gap, Tolerance tolerance) {
    this.obstacles = obstacles;
    this.gap = gap;
    this.tolerance = tolerance;
  }

  /** Puts a plug between faces that look at each other across no more than the gap. */
  void plug() {
    List<List<Polygon>> plugs =
        IntStream.range(0, obstacles.size())
            .parallel()
            .mapToObj(this::plugs)
            .flatMap(List::stream)
            .toList();
    plugs.forEach(p -> obstacles.add(p, true));
    obstacles.indexed();
  }

  /** An edge of a part. */
  private record Edge(Vec3 from, Vec3 along, double length) {}

  /**
   * Puts a thin plug between parallel edges that are no farther apart than the gap and have nothing
   * between them: corners that miss each other have no faces that look at each other.
   *
   * @param given how many of the parts are no plugs
   * @return whether there were any
   */
  boolean plugCorners(int given) {
    List<List<Edge>> edges = new ArrayList<>();
    for (int i = 0; i < given; i++) {
      edges.add(edges(obstacles.get(i)));
    }
    List<List<Polygon>> plugs = new ArrayList<>();
    for (int i = 0; i < given; i++) {
      Box near = obstacles.get(i).probe().box().grown(gap);
      for (int o : obstacles.meeting(near)) {
        if (o > i && o < given) {
          for (Edge a : edges.get(i)) {
            edges.get(o).forEach(b -> corner(a, b, plugs));
          }
        }
      }
    }
    plugs.forEach(p -> obstacles.add(p, true));
    obstacles.indexed();
    return !plugs.isEmpty();
  }

  private List<Edge> edges(Obstacles.Obstacle part) {
    List<Edge> out = new ArrayList<>();
    for (Polygon f : part.faces()) {
      for (List<Vec3> ring : f.rings()) {
        for (int i = 0; i < ring.size(); i++) {
          Vec3 a = ring.get(i);
          Vec3 d = ring.get((i + 1) % ring.size()).minus(a);
          // of the two faces at an edge the one it runs along one way round
          boolean once = d.x() > 0 || d.x() == 0 && (d.y() > 0 || d.y() == 0 && d.z() > 0);
          if (once && d.length() > gap) {
            out.add(new Edge(a, d.unit(), d.length()));
          }
        }
      }
    }
    return out;
  }

  private void corner(Edge a, Edge b, List<List<Polygon>> out) {
    Vec3 t = a.along;
    if (b.along.dot(t) < 1 - 1e-6) {
      return;
    }
    Vec3 d = b.from.minus(a.from);
    double shift = d.dot(t);
    Vec3 across = d.minus(t.times(shift));
    double distance = across.length();
    double from = Math.max(0, shift);
    double to = Math.min(a.length, shift + b.length);
    if (distance <= Obstacles.BEFORE || distance > gap || to - from <= gap) {
      return;
    }
    Vec3 n = across.unit();
    Vec3 middle = a.from.plus(t.times((from + to) / 2)).plus(across.times(0.5));
    boolean taken = false;
    for (int o : obstacles.meeting(new Box(middle, middle).grown(Obstacles.BEFORE))) {
      taken |= obstacles.get(o).probe().contains(middle);
    }
    if (taken) {
      return;
    }
    Vec3 side = t.cross(n).times(THIN);
    Vec3 p = a.from.minus(n.times(INTO));
    Vec3 q = a.from.plus(across).plus(n.times(INTO));
    Polygon base = Polygon.of(p.minus(side), q.minus(side), q.plus(side), p.plus(side));
    if (base.normal().dot(t) < 0) {
      base = base.reversed();
    }
    out.add(prism(base, t, from, to));
  }

  private List<List<Polygon>> plugs(int part) {
    List<List<Polygon>> out = new ArrayList<>();
    for (Polygon f : obstacles.get(part).faces()) {
      int[] near = obstacles.meeting(f.box().grown(gap + tolerance.gap()));
      FaceCells cells = obstacles.cells(f, part, near, gap);
      Vec3 n = f.normal();
      for (FaceCells.Cell c : cells.cells()) {
        double across = obstacles.across(part, near, c.inside(), n);
        // of two faces that look at each other one puts in the plug, a little into both
        if (across > Obstacles.BEFORE && across <= gap) {
          for (Polygon base : cells.frame().lift(c.outline())) {
            out.add(prism(base, n, -INTO, across + INTO));
          }
        }
      }
    }
    return out;
  }

  private static List<Polygon> prism(Polygon base, Vec3 n, double from, double to) {
    List<Polygon> out = new ArrayList<>();
    Transform low = Transform.translation(n.times(from));
    Transform high = Transform.translation(n.times(to));
    out.add(base.transformed(low).reversed());
    out.add(base.transformed(high));
    for (List<Vec3> ring : base.rings()) {
      for (int i = 0; i < ring.size(); i++) {
        Vec3 a = ring.get(i);
        Vec3 b = ring.get((i + 1) % ring.size());
        out.add(Polygon.of(low.apply(a), low.apply(b), high.apply(b), high.apply(a)));
      }
    }
    return out;
  }
}
