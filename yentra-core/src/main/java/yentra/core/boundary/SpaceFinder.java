package yentra.core.boundary;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.locationtech.jts.geom.Geometry;
import yentra.core.geometry.Box;
import yentra.core.geometry.BoxIndex;
import yentra.core.geometry.CoplanarFaces;
import yentra.core.geometry.OpenEdges;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.ProbeScene;
import yentra.core.geometry.Shell;
import yentra.core.geometry.SolidProbe;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;

/**
 * Finds the volumes that construction encloses.
 *
 * <p>Method: the faces of all construction are cut into cells where others touch or come near them
 * ({@link FaceCells}). Where two faces look at each other across no more than the gap, a plug is
 * put in between. Cells with construction right before them are inside of it, the others look into
 * free air; which air is told by filling it with columns ({@link FreeAir}). The cells of one
 * enclosed air, turned round, are the faces of its body; those of plugs are what was bridged.
 *
 * <p>Metres, model coordinates.
 */
public final class SpaceFinder {
  private static final double BEFORE = 0.001;

  /** How far behind a face a line of sight begins, in metres. */
  private static final double BACK = 0.05;

  /** How far a plug reaches into what it joins, in metres. */
  private static final double INTO = 0.0005;

  private final double gap;
  private final double leastVolume;
  private final Tolerance tolerance;
  private final List<Part> parts = new ArrayList<>();
  private BoxIndex index;

  /** Something solid: construction, or a plug. */
  private record Part(List<Polygon> faces, SolidProbe probe, boolean plug) {}

  /**
   * A volume.
   *
   * @param body its faces, pointing outwards
   * @param bridged what was put in where construction does not quite meet
   * @param volume in m³
   * @param floorArea in m²
   */
  public record Found(List<Polygon> body, List<Polygon> bridged, double volume, double floorArea) {
    public Found {
      body = List.copyOf(body);
      bridged = List.copyOf(bridged);
    }
  }

  /**
   * @param found in the order of their lowest corners
   * @param leaks places where air that is nearly enclosed is open to outdoors
   * @param open volumes whose faces do not close, with the reason
   */
  public record Result(List<Found> found, List<Vec3> leaks, List<String> open) {}

  /**
   * @param gap slits up to this width are bridged, in metres
   * @param leastVolume what is smaller is a cavity, in m³
   */
  public SpaceFinder(List<Barrier> barriers, double gap, double leastVolume, Tolerance tolerance) {
    this.gap = gap;
    this.leastVolume = leastVolume;
    this.tolerance = tolerance;
    barriers.forEach(b -> add(b.body(), false));
    index = new BoxIndex(parts.stream().map(p -> p.probe.box()).toList());
  }

  private void add(List<Polygon> body, boolean plug) {
    List<Polygon> flat =
        CoplanarFaces.of(Shell.of(body).outward(tolerance.gap()).faces(), tolerance);
    parts.add(new Part(flat, new SolidProbe(flat), plug));
  }

  /** A piece of a face that looks into free air. */
  private record Free(Face face, org.locationtech.jts.geom.Polygon cell, Vec3 eye) {}

  /** A flat face of construction. */
  private record Face(int number, PlaneFrame frame, boolean plug) {}

  public Result find() {
    plug();
    List<Free> free =
        IntStream.range(0, parts.size())
            .parallel()
            .mapToObj(this::free)
            .flatMap(List::stream)
            .toList();
    FreeAir air =
        new FreeAir(new ProbeScene(parts.stream().map(Part::probe).toList()), gap, tolerance);
    List<Free> order =
        free.stream()
            .sorted(Comparator.comparingDouble((Free f) -> f.cell.getArea()).reversed())
            .toList();
    // twice, since airs that were begun apart may have been joined
    order.forEach(f -> air.at(f.eye, f.face.frame.n()));
    Map<Integer, Map<Face, List<Geometry>>> byAir = new TreeMap<>();
    for (Free f : order) {
      int a = air.at(f.eye, f.face.frame.n());
      if (a >= 0) {
        byAir
            .computeIfAbsent(a, k -> new LinkedHashMap<>())
            .computeIfAbsent(f.face, k -> new ArrayList<>())
            .add(f.cell);
      }
    }
    List<Found> out = new ArrayList<>();
    List<String> open = new ArrayList<>();
    byAir.forEach((a, cells) -> body(cells, out, open));
    out.sort(
        Comparator.comparingDouble((Found f) -> low(f).z())
            .thenComparingDouble(f -> low(f).x())
            .thenComparingDouble(f -> low(f).y()));
    return new Result(out, air.leaks(), open);
  }

  /** The faces of an enclosed air, turned out of it; of plugs only, or of all. */
  private static List<Polygon> faces(Map<Face, List<Geometry>> cells, boolean plugs) {
    List<Polygon> out = new ArrayList<>();
    cells.entrySet().stream()
        .filter(e -> !plugs || e.getKey().plug)
        .sorted(Comparator.comparingInt(e -> e.getKey().number))
        .forEach(
            e -> {
              for (Polygon p : e.getKey().frame.lift(Region.union(e.getValue()).norm())) {
                out.add(p.reversed());
              }
            });
    return out;
  }

  private static Vec3 low(Found f) {
    return Shell.of(f.body).box().min();
  }

  /** Puts a plug between faces that look at each other across no more than the gap. */
  private void plug() {
    List<List<Polygon>> plugs =
        IntStream.range(0, parts.size())
            .parallel()
            .mapToObj(this::plugs)
            .flatMap(List::stream)
            .toList();
    plugs.forEach(p -> add(p, true));
    index = new BoxIndex(parts.stream().map(p -> p.probe.box()).toList());
  }

  private List<List<Polygon>> plugs(int part) {
    List<List<Polygon>> out = new ArrayList<>();
    for (Polygon f : parts.get(part).faces) {
      int[] near = index.meeting(f.box().grown(gap + tolerance.gap()));
      FaceCells cells = cells(f, part, near, gap);
      Vec3 n = f.normal();
      for (FaceCells.Cell c : cells.cells()) {
        double across = across(part, near, c.inside(), n);
        // of two faces that look at each other one puts in the plug, a little into both
        if (across > BEFORE && across <= gap) {
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

  private FaceCells cells(Polygon f, int part, int[] near, double reach) {
    FaceCells cells = new FaceCells(f, -reach, reach, new double[] {BEFORE}, tolerance.length());
    for (int o : near) {
      if (o != part) {
        cells.add(parts.get(o).faces);
      }
    }
    return cells;
  }

  /** How far it is from a point of a face to other construction; infinite when there is none. */
  private double across(int part, int[] near, Vec3 point, Vec3 n) {
    double least = Double.POSITIVE_INFINITY;
    Vec3 from = point.minus(n.times(BACK));
    for (int o : near) {
      if (o == part) {
        continue;
      }
      double[] s = parts.get(o).probe.stretches(from, n, tolerance.length() / 10);
      for (int i = 0; i + 1 < s.length; i += 2) {
        if (s[i + 1] - BACK > BEFORE) {
          least = Math.min(least, Math.max(0, s[i] - BACK));
        }
      }
    }
    return least;
  }

  /** The pieces of a part's faces that look into free air. */
  private List<Free> free(int part) {
    List<Free> out = new ArrayList<>();
    int number = 0;
    for (Polygon f : parts.get(part).faces) {
      if (f.area() < 1e-6) {
        continue;
      }
      int[] near = index.meeting(f.box().grown(tolerance.gap()));
      FaceCells cells = cells(f, part, near, tolerance.gap());
      Face face = new Face(part * 10_000 + number++, cells.frame(), parts.get(part).plug);
      Vec3 n = f.normal();
      for (FaceCells.Cell c : cells.cells()) {
        if (c.outline().getArea() > 1e-7 && !covered(part, near, c.inside(), n)) {
          out.add(new Free(face, c.outline(), c.inside().plus(n.times(0.02))));
        }
      }
    }
    return out;
  }

  /**
   * Whether construction lies right before a point of a face, or the same face belongs to another
   * part too.
   */
  private boolean covered(int part, int[] near, Vec3 point, Vec3 n) {
    Vec3 from = point.minus(n.times(BACK));
    for (int o : near) {
      if (o == part) {
        continue;
      }
      double[] s = parts.get(o).probe.stretches(from, n, tolerance.length() / 10);
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

  private void body(Map<Face, List<Geometry>> cells, List<Found> out, List<String> open) {
    List<Polygon> faces = faces(cells, false);
    List<OpenEdges.Piece> pieces = OpenEdges.find(faces, tolerance);
    List<Polygon> flat = CoplanarFaces.of(faces, tolerance);
    double volume = Shell.of(faces).signedVolume();
    if (volume < leastVolume) {
      return;
    }
    Box box = Shell.of(faces).box();
    if (!pieces.isEmpty()) {
      open.add(
          String.format(
              java.util.Locale.ROOT,
              "what encloses about %.1f m³ at (%.2f, %.2f, %.2f) does not meet along %.2f m of its edges",
              volume,
              box.centre().x(),
              box.centre().y(),
              box.centre().z(),
              pieces.stream().mapToDouble(OpenEdges.Piece::length).sum()));
      return;
    }
    double floor = flat.stream().filter(p -> p.tilt() > 120).mapToDouble(Polygon::area).sum();
    out.add(new Found(flat, faces(cells, true), volume, floor));
  }
}
