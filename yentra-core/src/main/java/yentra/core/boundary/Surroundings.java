package yentra.core.boundary;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import yentra.core.geometry.Box;
import yentra.core.geometry.BoxIndex;
import yentra.core.geometry.CoplanarFaces;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.ProbeScene;
import yentra.core.geometry.SolidProbe;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * Spaces and construction, made ready to be asked what lies behind a point of a face. Safe for
 * several threads.
 */
final class Surroundings {
  /** How far inside its space the line of sight begins, in metres. */
  private static final double BACK = 0.02;

  /** A floor's underside this little above the ground rests on it, in metres. */
  private static final double GROUND_SLACK = 0.05;

  private final DerivationOptions options;
  private final Tolerance tolerance;
  private final Ground ground;
  private final List<Face> faces = new ArrayList<>();
  private final List<int[]> facesOf = new ArrayList<>();
  private final List<SolidProbe> rooms = new ArrayList<>();
  private final List<Barrier> barriers;
  private final List<SolidProbe> solids = new ArrayList<>();
  private final BoxIndex roomIndex;
  private final BoxIndex solidIndex;
  private final ProbeScene scene;
  private final SkyView view;

  /** A flat face of a space, pointing outwards. */
  record Face(int number, int room, Polygon polygon) {}

  /** What lies behind a point. */
  enum Behind {
    /** A face of a space. */
    SPACE,
    OUTDOOR,
    GROUND,
    /** An enclosed volume that no space covers. */
    VOID,
    /** Construction that goes on. */
    CONSTRUCTION,
    /** Another space reaches through the face. */
    OVERLAP
  }

  /**
   * @param target number of the face that looks back, or −1
   * @param depth how far that face, or the air, is away in metres
   * @param through the barriers passed, in the order in which they are met
   */
  record Sight(Behind behind, int target, double depth, List<Barrier> through) {}

  Surroundings(
      List<Room> given,
      List<Barrier> barriers,
      Ground ground,
      DerivationOptions options,
      Tolerance tolerance) {
    this.barriers = barriers;
    this.ground = ground;
    this.options = options;
    this.tolerance = tolerance;
    for (int r = 0; r < given.size(); r++) {
      List<Polygon> flat = CoplanarFaces.of(given.get(r).body(), tolerance);
      int[] numbers = new int[flat.size()];
      for (int i = 0; i < flat.size(); i++) {
        numbers[i] = faces.size();
        faces.add(new Face(faces.size(), r, flat.get(i)));
      }
      facesOf.add(numbers);
      rooms.add(new SolidProbe(flat));
    }
    barriers.forEach(b -> solids.add(new SolidProbe(b.body())));
    roomIndex = new BoxIndex(rooms.stream().map(SolidProbe::box).toList());
    solidIndex = new BoxIndex(solids.stream().map(SolidProbe::box).toList());
    scene = new ProbeScene(Stream.concat(rooms.stream(), solids.stream()).toList());
    view = new SkyView(scene, ground);
  }

  List<Face> faces() {
    return faces;
  }

  Face face(int number) {
    return faces.get(number);
  }

  List<SolidProbe> rooms() {
    return rooms;
  }

  ProbeScene scene() {
    return scene;
  }

  /** Numbers of the spaces and of the barriers in a face's line of sight. */
  record Near(int[] rooms, int[] barriers) {}

  Near near(Face f) {
    Vec3 n = f.polygon().normal();
    Box here = f.polygon().box();
    Vec3 far = n.times(options.reach());
    Box box =
        here.union(new Box(here.min().plus(far), here.max().plus(far)))
            .grown(tolerance.gap() + BACK);
    return new Near(roomIndex.meeting(box), solidIndex.meeting(box));
  }

  /** Adds the edges of all that is near to a face's cells. */
  void addEdges(Face f, Near near, FaceCells cells) {
    for (int r : near.rooms) {
      for (int other : facesOf.get(r)) {
        if (other != f.number()) {
          cells.add(List.of(faces.get(other).polygon()));
        }
      }
    }
    for (int b : near.barriers) {
      cells.add(barriers.get(b).body());
    }
    ground.cut(f.polygon().box(), cells);
  }

  /** What lies behind a point of a face. */
  Sight look(Face f, Near near, Vec3 point) {
    Vec3 n = f.polygon().normal();
    Vec3 from = point.minus(n.times(BACK));
    int target = -1;
    double reach = Double.POSITIVE_INFINITY;
    for (int r : near.rooms) {
      boolean own = r == f.room();
      List<SolidProbe.Crossing> crossings = rooms.get(r).crossings(from, n);
      for (SolidProbe.Crossing c : crossings) {
        double at = c.at() - BACK;
        if (c.entering() && at > (own ? tolerance.gap() : -tolerance.gap()) && at < reach) {
          reach = at;
          target = facesOf.get(r)[c.face()];
        }
      }
      if (!own && !crossings.isEmpty() && !crossings.get(0).entering()) {
        double leaves = crossings.get(0).at() - BACK;
        if (leaves > tolerance.gap()) {
          return new Sight(Behind.OVERLAP, -1, 0, List.of());
        }
      }
    }
    return sight(f, near, from, n, target, reach);
  }

  private record Stretch(Barrier barrier, double from, double to) {}

  private Sight sight(Face f, Near near, Vec3 from, Vec3 n, int target, double reach) {
    List<Stretch> solid = new ArrayList<>();
    for (int b : near.barriers) {
      double[] s = solids.get(b).stretches(from, n, tolerance.length() / 10);
      for (int i = 0; i + 1 < s.length; i += 2) {
        if (s[i + 1] - BACK > tolerance.length()) {
          solid.add(new Stretch(barriers.get(b), s[i] - BACK, s[i + 1] - BACK));
        }
      }
    }
    solid.sort(
        Comparator.comparingDouble(Stretch::from)
            .thenComparing(Stretch::to)
            .thenComparing(s -> s.barrier.element()));
    // how far construction goes on without more air than a cavity
    double end = 0;
    for (Stretch s : solid) {
      if (s.from <= end + options.cavity()) {
        end = Math.max(end, s.to);
      }
    }
    boolean reached = reach <= end + options.cavity();
    if (reached && reach <= options.gapLimit()) {
      return new Sight(
          Behind.SPACE,
          target,
          reach,
          reach <= tolerance.gap() ? around(solid, reach) : through(solid, reach));
    }
    if (reached || end > options.reach()) {
      return new Sight(Behind.CONSTRUCTION, -1, Math.min(end, reach), through(solid, end));
    }
    Vec3 air = from.plus(n.times(BACK + end));
    List<Barrier> through = through(solid, end);
    boolean down = n.z() < -0.5;
    if (air.z() < ground.at(air) + (down ? GROUND_SLACK : 0) || down && ground.carries(from)) {
      return new Sight(Behind.GROUND, -1, end, through);
    }
    Vec3 eye = air.plus(n.times(BACK));
    return new Sight(view.enclosed(eye, n) ? Behind.VOID : Behind.OUTDOOR, -1, end, through);
  }

  /**
   * What stands where two spaces touch that are drawn to the middle of the wall between them: the
   * thinnest, since walls that stand on a slab or end at a wall pass there too.
   */
  private List<Barrier> around(List<Stretch> solid, double reach) {
    return solid.stream()
        .filter(s -> s.from <= tolerance.gap() && s.to >= reach - tolerance.gap())
        .min(
            Comparator.comparingLong(
                    (Stretch s) -> Math.round((s.to - s.from) / tolerance.length()))
                .thenComparing(s -> !s.barrier.known())
                .thenComparing(s -> s.barrier.element()))
        .map(s -> List.of(s.barrier))
        .orElse(List.of());
  }

  private List<Barrier> through(List<Stretch> solid, double end) {
    return solid.stream()
        .filter(s -> Math.min(s.to, end) - Math.max(s.from, 0) > tolerance.length())
        .map(Stretch::barrier)
        .distinct()
        .toList();
  }
}
