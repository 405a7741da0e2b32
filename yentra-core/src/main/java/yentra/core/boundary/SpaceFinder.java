package yentra.core.boundary;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.util.GeometryFixer;
import org.locationtech.jts.operation.buffer.BufferOp;
import org.locationtech.jts.operation.buffer.BufferParameters;
import yentra.core.envelope.Rules;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.geometry.Box;
import yentra.core.geometry.BoxIndex;
import yentra.core.geometry.CoplanarFaces;
import yentra.core.geometry.InteriorPoint;
import yentra.core.geometry.OpenEdges;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.PlaneFrame;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.ProbeScene;
import yentra.core.geometry.Shell;
import yentra.core.geometry.SolidProbe;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;

/**
 * Finds the volumes that construction, or a soup of faces without thickness, encloses.
 *
 * <p>Method: the faces of all construction are cut into cells where others touch or come near them
 * ({@link FaceCells}). Where two faces look at each other across no more than the gap, a plug is
 * put in between. Cells with construction right before them are inside of it, the others look into
 * free air; which air is told by filling it with columns ({@link FreeAir}). The cells of one
 * enclosed air, turned round, are the faces of its body; those of plugs are what was bridged.
 *
 * <p>Faces without thickness are made larger by the gap in their own plane, so that those that stop
 * short of each other meet; cells that have the same air on both sides stick out and are dropped.
 *
 * <p>Metres, model coordinates.
 */
public final class SpaceFinder {
  private static final double BEFORE = 0.001;

  /** How far behind a face a line of sight begins, in metres. */
  private static final double BACK = 0.05;

  /** How far before a face the air is looked for, in metres. */
  private static final double EYE = 0.02;

  /** How far a plug reaches into what it joins, in metres. */
  private static final double INTO = 0.0005;

  /**
   * Steps and fins of this size are not those of a room: a plug reaches half as far into what it
   * joins, and so inexactly do elements meet. Metres.
   */
  private static final double STEP = 2 * INTO + 1e-5;

  /** Half the thickness of a plug between corners, in metres. */
  private static final double THIN = 0.002;

  private final double gap;
  private final double leastVolume;
  private final SurfaceTypes types;
  private final Tolerance tolerance;
  private final List<Part> parts = new ArrayList<>();
  private BoxIndex index;

  /**
   * What is lower or narrower than this in the mean is a cavity, whatever its volume, in metres.
   */
  private static final double NARROW = 0.4;

  /**
   * Something that parts air: construction, a plug, or a face without thickness.
   *
   * @param sheet the face as it was given, null for what is solid
   */
  private record Part(List<Polygon> faces, SolidProbe probe, boolean plug, Polygon sheet) {
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

  /**
   * A volume.
   *
   * @param body its faces, pointing outwards
   * @param bridged what was put in where construction does not quite meet
   * @param volume in m³
   * @param floorArea in m²
   * @param inside a point well within it
   */
  public record Found(
      List<Polygon> body, List<Polygon> bridged, double volume, double floorArea, Vec3 inside) {
    public Found {
      body = List.copyOf(body);
      bridged = List.copyOf(bridged);
    }
  }

  /**
   * @param found in the order of their lowest corners
   * @param leaks places where air that is nearly enclosed is open to outdoors
   * @param open volumes whose faces do not close, with the reason
   * @param cavities how many enclosed volumes are too small or too narrow for a room
   */
  public record Result(List<Found> found, List<Vec3> leaks, List<String> open, int cavities) {}

  /**
   * @param gap slits up to this width are bridged, in metres
   * @param leastVolume what is smaller is a cavity, in m³
   */
  public SpaceFinder(List<Barrier> barriers, double gap, double leastVolume, Rules rules) {
    this(gap, leastVolume, rules);
    barriers.forEach(b -> add(b.body(), false));
    index = new BoxIndex(parts.stream().map(p -> p.probe.box()).toList());
  }

  private SpaceFinder(double gap, double leastVolume, Rules rules) {
    this.gap = gap;
    this.leastVolume = leastVolume;
    this.types = rules.types();
    this.tolerance = rules.tolerance();
  }

  /**
   * Finds what faces without thickness enclose, such as surfaces that name no space.
   *
   * @param gap faces that stop short of each other by up to this are taken as meeting, in metres
   * @param leastVolume what is smaller is a cavity, in m³
   */
  public static SpaceFinder ofSheets(
      List<Polygon> sheets, double gap, double leastVolume, Rules rules) {
    SpaceFinder f = new SpaceFinder(gap, leastVolume, rules);
    for (Polygon p : sheets) {
      if (p.area() > f.tolerance.length()) {
        f.sheet(p);
      }
    }
    f.index = new BoxIndex(f.parts.stream().map(p -> p.probe.box()).toList());
    return f;
  }

  private void sheet(Polygon p) {
    PlaneFrame frame = PlaneFrame.of(p.plane());
    Geometry flat = frame.project(p);
    if (!flat.isValid()) {
      flat = GeometryFixer.fix(flat);
    }
    BufferParameters corners =
        new BufferParameters(1, BufferParameters.CAP_FLAT, BufferParameters.JOIN_MITRE, 3);
    for (Polygon larger : frame.lift(BufferOp.bufferOp(flat, gap, corners))) {
      parts.add(
          new Part(List.of(larger, larger.reversed()), new SolidProbe(List.of(larger)), false, p));
    }
  }

  private void add(List<Polygon> body, boolean plug) {
    List<Polygon> flat =
        CoplanarFaces.of(Shell.of(body).outward(tolerance.gap()).faces(), tolerance);
    parts.add(new Part(flat, new SolidProbe(flat), plug, null));
  }

  /**
   * A piece of a face that looks into free air.
   *
   * @param back a place behind it where that is free air too, else null
   */
  private record Free(Face face, org.locationtech.jts.geom.Polygon cell, Vec3 eye, Vec3 back) {}

  /** A flat face of a part. */
  private record Face(int number, PlaneFrame frame, Part part) {}

  public Result find() {
    boolean solid = parts.stream().allMatch(p -> p.sheet == null);
    int given = parts.size();
    if (solid) {
      plug();
    }
    Result first = search();
    if (!solid || !plugCorners(given)) {
      return first;
    }
    Result second = search();
    return second.found.size() > first.found.size() ? second : first;
  }

  private Result search() {
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
      boolean sticksOut = f.back != null && a == air.at(f.back, f.face.frame.n().negated());
      if (a >= 0 && !sticksOut) {
        byAir
            .computeIfAbsent(a, k -> new TreeMap<>(Comparator.comparingInt((Face x) -> x.number)))
            .computeIfAbsent(f.face, k -> new ArrayList<>())
            .add(f.cell);
      }
    }
    List<Found> out = new ArrayList<>();
    List<String> open = new ArrayList<>();
    int cavities = 0;
    for (Map<Face, List<Geometry>> cells : byAir.values()) {
      cavities += body(cells, out, open) ? 0 : 1;
    }
    out.sort(
        Comparator.comparingDouble((Found f) -> low(f).z())
            .thenComparingDouble(f -> low(f).x())
            .thenComparingDouble(f -> low(f).y()));
    return new Result(out, air.leaks(), open, cavities);
  }

  /** The faces of an enclosed air, turned out of it. */
  private static List<Polygon> faces(Map<Face, List<Geometry>> cells) {
    List<Polygon> out = new ArrayList<>();
    cells.forEach((face, list) -> out.addAll(faces(face, list)));
    return out;
  }

  private static List<Polygon> faces(Face face, List<Geometry> cells) {
    return face.frame.lift(Region.union(cells).norm()).stream().map(Polygon::reversed).toList();
  }

  /** What of the faces was put in: those of plugs, and what goes beyond a face as it was given. */
  private List<Polygon> bridged(Map<Face, List<Geometry>> cells) {
    List<Polygon> out = new ArrayList<>();
    cells.forEach(
        (face, list) -> {
          for (Polygon p : faces(face, list)) {
            if (face.part.plug) {
              out.add(p);
            } else if (face.part.sheet != null) {
              PlanarOverlay.difference(p, face.part.sheet).stream()
                  .filter(d -> d.area() > 1e-4)
                  .forEach(out::add);
            }
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

  /** An edge of a part. */
  private record Edge(Vec3 from, Vec3 along, double length) {}

  /**
   * Puts a thin plug between parallel edges that are no farther apart than the gap and have nothing
   * between them: corners that miss each other have no faces that look at each other.
   *
   * @param given how many of the parts are no plugs
   * @return whether there were any
   */
  private boolean plugCorners(int given) {
    List<List<Edge>> edges = new ArrayList<>();
    for (int i = 0; i < given; i++) {
      edges.add(edges(parts.get(i)));
    }
    List<List<Polygon>> plugs = new ArrayList<>();
    for (int i = 0; i < given; i++) {
      Box near = parts.get(i).probe.box().grown(gap);
      for (int o : index.meeting(near)) {
        if (o > i && o < given) {
          for (Edge a : edges.get(i)) {
            edges.get(o).forEach(b -> corner(a, b, plugs));
          }
        }
      }
    }
    plugs.forEach(p -> add(p, true));
    index = new BoxIndex(parts.stream().map(p -> p.probe.box()).toList());
    return !plugs.isEmpty();
  }

  private List<Edge> edges(Part part) {
    List<Edge> out = new ArrayList<>();
    for (Polygon f : part.faces) {
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
    if (distance <= BEFORE || distance > gap || to - from <= gap) {
      return;
    }
    Vec3 n = across.unit();
    Vec3 middle = a.from.plus(t.times((from + to) / 2)).plus(across.times(0.5));
    boolean taken = false;
    for (int o : index.meeting(new Box(middle, middle).grown(BEFORE))) {
      taken |= parts.get(o).probe.contains(middle);
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
    boolean sheet = parts.get(part).sheet != null;
    FaceCells cells =
        new FaceCells(f, -reach, reach, new double[] {sheet ? 0 : BEFORE}, tolerance.length());
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
      double[] s = parts.get(o).stretches(from, n, tolerance.length() / 10);
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
      Face face = new Face(part * 10_000 + number++, cells.frame(), parts.get(part));
      Vec3 n = f.normal();
      for (FaceCells.Cell c : cells.cells()) {
        if (c.outline().getArea() > 1e-7 && !covered(part, near, c.inside(), n)) {
          Vec3 back = face.part.sheet == null ? null : c.inside().minus(n.times(EYE));
          out.add(new Free(face, c.outline(), c.inside().plus(n.times(EYE)), back));
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
      double[] s = parts.get(o).stretches(from, n, tolerance.length() / 10);
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

  /** Adds the body of an enclosed air, or says what is open; false when it is but a cavity. */
  private boolean body(Map<Face, List<Geometry>> cells, List<Found> out, List<String> open) {
    List<Polygon> faces = faces(cells);
    List<OpenEdges.Piece> pieces = OpenEdges.find(faces, tolerance);
    List<Polygon> flat = CoplanarFaces.of(PlaneSnap.of(faces, STEP), tolerance);
    double volume = Shell.of(faces).signedVolume();
    double largest = flat.stream().mapToDouble(Polygon::area).max().orElse(0);
    if (volume < leastVolume || volume < NARROW * largest) {
      return false;
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
      return true;
    }
    double floor =
        flat.stream().filter(p -> types.isFloor(p.tilt())).mapToDouble(Polygon::area).sum();
    out.add(new Found(flat, bridged(cells), volume, floor, inside(flat)));
    return true;
  }

  /** A point half-way above the largest floor, or before the largest face where there is none. */
  private Vec3 inside(List<Polygon> body) {
    Polygon base =
        body.stream()
            .max(
                Comparator.comparing((Polygon p) -> types.isFloor(p.tilt()))
                    .thenComparingDouble(Polygon::area))
            .orElseThrow();
    Vec3 from = InteriorPoint.of(base);
    Vec3 in = base.normal().negated();
    double across =
        new SolidProbe(body)
            .crossings(from, in).stream()
                .mapToDouble(SolidProbe.Crossing::at)
                .filter(t -> t > BEFORE)
                .findFirst()
                .orElse(BEFORE);
    return from.plus(in.times(across / 2));
  }
}
