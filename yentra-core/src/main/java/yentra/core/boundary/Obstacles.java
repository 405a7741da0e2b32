package yentra.core.boundary;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.DoubleStream;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.util.GeometryFixer;
import org.locationtech.jts.operation.buffer.BufferOp;
import org.locationtech.jts.operation.buffer.BufferParameters;
import yentra.core.geometry.Box;
import yentra.core.geometry.BoxIndex;
import yentra.core.geometry.CoplanarFaces;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.SolidProbe;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * All that parts air, by its place: construction, plugs in its slits, faces without thickness.
 * Metres, model coordinates.
 */
final class Obstacles {
  /** What is nearer than this before a face touches it, in metres. */
  static final double BEFORE = 0.001;

  /** How far behind a face a line of sight begins, in metres. */
  private static final double BACK = 0.05;

  private final double gap;
  private final Tolerance tolerance;
  private final List<Obstacle> all = new ArrayList<>();
  private BoxIndex index;

  /**
   * @param gap faces without thickness are made larger by it, in metres
   */
  Obstacles(double gap, Tolerance tolerance) {
    this.gap = gap;
    this.tolerance = tolerance;
  }

  /**
   * Something that parts air: construction, a plug, or a face without thickness.
   *
   * @param sheet the face as it was given, null for what is solid
   */
  record Obstacle(List<Polygon> faces, SolidProbe probe, boolean plug, Polygon sheet) {
    /** Stretches of a line that it takes up; a face takes up a point. */
    double[] stretches(Vec3 from, Vec3 n, double same) {
      if (sheet == null) {
        return probe.stretches(from, n, same);
      }
      return probe.crossings(from, n).stream()
          .flatMapToDouble(c -> DoubleStream.of(c.at(), c.at()))
          .toArray();
    }
  }

  List<Obstacle> all() {
    return all;
  }

  int size() {
    return all.size();
  }

  Obstacle get(int i) {
    return all.get(i);
  }

  /** Finds all by their place; asked for again when more have come. */
  void indexed() {
    index = new BoxIndex(all.stream().map(p -> p.probe.box()).toList());
  }

  int[] meeting(Box box) {
    return index.meeting(box);
  }

  /** Adds a face without thickness. */
  void sheet(Polygon p) {
    PlaneFrame frame = PlaneFrame.of(p.plane());
    Geometry flat = frame.project(p);
    if (!flat.isValid()) {
      flat = GeometryFixer.fix(flat);
    }
    BufferParameters corners =
        new BufferParameters(1, BufferParameters.CAP_FLAT, BufferParameters.JOIN_MITRE, 3);
    for (Polygon larger : frame.lift(BufferOp.bufferOp(flat, gap, corners))) {
      all.add(
          new Obstacle(
              List.of(larger, larger.reversed()), new SolidProbe(List.of(larger)), false, p));
    }
  }

  /** Adds something solid. */
  void add(List<Polygon> body, boolean plug) {
    List<Polygon> flat =
        CoplanarFaces.of(Shell.of(body).outward(tolerance.gap()).faces(), tolerance);
    all.add(new Obstacle(flat, new SolidProbe(flat), plug, null));
  }

  /** A face cut where others come near it. */
  FaceCells cells(Polygon f, int part, int[] near, double reach) {
    boolean sheet = all.get(part).sheet != null;
    FaceCells cells =
        new FaceCells(f, -reach, reach, new double[] {sheet ? 0 : BEFORE}, tolerance.length());
    for (int o : near) {
      if (o != part) {
        cells.add(all.get(o).faces);
      }
    }
    return cells;
  }

  /** How far it is from a point of a face to other construction; infinite when there is none. */
  double across(int part, int[] near, Vec3 point, Vec3 n) {
    double least = Double.POSITIVE_INFINITY;
    Vec3 from = point.minus(n.times(BACK));
    for (int o : near) {
      if (o == part) {
        continue;
      }
      double[] s = all.get(o).stretches(from, n, tolerance.length() / 10);
      for (int i = 0; i + 1 < s.length; i += 2) {
        if (s[i + 1] - BACK > BEFORE) {
          least = Math.min(least, Math.max(0, s[i] - BACK));
        }
      }
    }
    return least;
  }

  /**
   * Whether construction lies right before a point of a face, or the same face belongs to another
   * part too.
   */
  boolean covered(int part, int[] near, Vec3 point, Vec3 n) {
    Vec3 from = point.minus(n.times(BACK));
    for (int o : near) {
      if (o == part) {
        continue;
      }
      double[] s = all.get(o).stretches(from, n, tolerance.length() / 10);
      for (int i = 0; i + 1 < s.length; i += 2) {
        double lo = s[i] - BACK;
        double hi = s[i + 1] - BACK;
        boolean before = lo <= BEFORE && hi > BEFORE;
        boolean twice = o < part && Math.abs(hi) <= BEFORE;
        if (before || twice) {
          return true;
        }
      }
    }
    return false;
  }
}
