package yentra.core.boundary;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Tag;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.LongRange;
import yentra.core.Fixtures;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Side;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.OpenEdges;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;

/** What holds for the derived boundaries of every building. */
class BoundaryDerivationPropertiesTest {
  private static final Tolerance T = Tolerance.standard();

  private static BoundaryDerivation.Derived derive(RandomBuilding b, double ground) {
    return new BoundaryDerivation(
            b.rooms, b.barriers, b.cuts, Ground.level(ground), DerivationOptions.STANDARD, T)
        .derive(BoundaryMatching.Constructions.NONE);
  }

  private static Transform place(double yaw, double x, double y, double z) {
    Vec3 u = new Vec3(Math.cos(yaw), Math.sin(yaw), 0);
    Vec3 v = new Vec3(-Math.sin(yaw), Math.cos(yaw), 0);
    return new Transform(u, v, Vec3.Z, new Vec3(x, y, z));
  }

  private static List<Polygon> sides(BoundaryDerivation.Derived r, String room) {
    List<Polygon> out = new ArrayList<>();
    for (Surface s : r.surfaces()) {
      for (int i = 0; i < s.sides().size(); i++) {
        if (s.sides().get(i).space().equals(room)) {
          out.add(s.face(i));
        }
      }
    }
    return out;
  }

  @Property(seed = "4711")
  void everyBuildingIsClosedPairedAndComplete(
      @ForAll @LongRange(min = 1, max = 1_000_000) long seed,
      @ForAll @DoubleRange(min = 0, max = 6.28) double yaw,
      @ForAll @DoubleRange(min = -3000, max = 3000) double shift) {
    RandomBuilding b = new RandomBuilding(seed, place(yaw, shift, -shift / 2, shift / 100), 1);
    BoundaryDerivation.Derived r = derive(b, shift / 100 - 0.1);
    assertThat(r.unpaired()).isEmpty();
    assertThat(r.orphans()).isEmpty();
    assertThat(r.uncovered()).isEmpty();
    for (Room room : b.rooms) {
      List<Polygon> faces = sides(r, room.key());
      double body = room.body().stream().mapToDouble(Polygon::area).sum();
      assertThat(faces.stream().mapToDouble(Polygon::area).sum())
          .as(room.key())
          .isCloseTo(body, within(1e-3 * body));
      assertThat(OpenEdges.find(faces, T)).as(room.key()).isEmpty();
      double volume = Shell.of(room.body()).signedVolume();
      assertThat(Shell.of(faces).signedVolume()).isCloseTo(volume, within(1e-3 * volume));
    }
    double opened = 0;
    for (Surface s : r.surfaces()) {
      if (s.sides().size() == 2) {
        assertThat(s.face(0).area()).isCloseTo(s.face(1).area(), within(1e-4));
        assertThat(s.face(0).normal().plus(s.face(1).normal()).length()).isLessThan(1e-6);
      }
      for (Opening o : s.openings()) {
        opened += o.polygon().area();
        assertThat(PlanarOverlay.areaOutside(o.polygon(), s.polygon())).isLessThan(1e-3);
      }
    }
    assertThat(opened).isCloseTo(b.openings, within(1e-3 * b.openings));
  }

  /** Area by room and what lies behind, openings by room. */
  private static Map<String, Double> figures(BoundaryDerivation.Derived r, double unit) {
    Map<String, Double> out = new TreeMap<>();
    for (Surface s : r.surfaces()) {
      for (int i = 0; i < s.sides().size(); i++) {
        String to =
            s.sides().size() == 2
                ? s.sides().get(1 - i).space()
                : s.exposure() == Exposure.ADIABATIC ? "construction" : s.exposure().label();
        out.merge(s.sides().get(i).space() + ">" + to, s.face(i).area() / unit, Double::sum);
        out.merge(
            s.sides().get(i).space() + " open",
            s.openings().stream().mapToDouble(o -> o.polygon().area()).sum() / unit,
            Double::sum);
      }
    }
    return out;
  }

  private static void same(Map<String, Double> a, Map<String, Double> b) {
    assertThat(b.keySet()).isEqualTo(a.keySet());
    a.forEach((k, v) -> assertThat(b.get(k)).as(k).isCloseTo(v, within(2e-3 + 1e-3 * v)));
  }

  @Property(seed = "4712")
  void nothingDependsOnOrderTurnOriginOrSize(
      @ForAll @LongRange(min = 1, max = 1_000_000) long seed,
      @ForAll @DoubleRange(min = 0, max = 6.28) double yaw,
      @ForAll @DoubleRange(min = 0.97, max = 1.03) double size) {
    BoundaryDerivation.Derived plain = derive(new RandomBuilding(seed, place(0, 0, 0, 0), 1), -0.1);
    BoundaryDerivation.Derived mixed =
        derive(new RandomBuilding(seed, place(0, 0, 0, 0), 1).shuffled(seed + 1), -0.1);
    assertThat(mixed.surfaces()).hasSameSizeAs(plain.surfaces());
    for (int i = 0; i < plain.surfaces().size(); i++) {
      assertThat(mixed.surfaces().get(i)).isEqualTo(plain.surfaces().get(i));
    }
    same(
        figures(plain, 1),
        figures(derive(new RandomBuilding(seed, place(yaw, 512, -77, 30), 1), 29.9), 1));
    same(
        figures(plain, 1),
        figures(derive(new RandomBuilding(seed, place(yaw, 0, 0, 0), size), -0.1), size * size));
  }

  /** Boxes anywhere: overlapping, touching, tiny, inside each other, far away, inside out. */
  @Property(seed = "4713")
  void hostileInputEndsWithEveryFaceAccountedFor(
      @ForAll @LongRange(min = 1, max = 1_000_000) long seed) {
    Random random = new Random(seed);
    List<Room> rooms = new ArrayList<>();
    List<Barrier> barriers = new ArrayList<>();
    for (int i = 0; i < 3 + random.nextInt(12); i++) {
      rooms.add(new Room("r" + i, SourceRef.REPAIR, anyBox(random)));
    }
    for (int i = 0; i < random.nextInt(20); i++) {
      barriers.add(
          new Barrier(
              "b" + i, SourceRef.REPAIR, Barrier.Rank.values()[random.nextInt(3)], anyBox(random)));
    }
    BoundaryDerivation.Derived r =
        new BoundaryDerivation(
                rooms, barriers, List.of(), Ground.level(0), DerivationOptions.STANDARD, T)
            .derive(BoundaryMatching.Constructions.NONE);
    for (Room room : rooms) {
      double body =
          room.body().stream().filter(p -> p.area() > 1e-4).mapToDouble(Polygon::area).sum();
      double made = sides(r, room.key()).stream().mapToDouble(Polygon::area).sum();
      assertThat(made).as(room.key()).isCloseTo(body, within(0.05 + 0.02 * body));
    }
  }

  /** Hundreds of rooms and walls in one place: it ends, and what was not cut up is said. */
  @Example
  @Tag("large")
  void hundredsInOnePlaceEnd() {
    Random random = new Random(5);
    List<Room> rooms = new ArrayList<>();
    List<Barrier> barriers = new ArrayList<>();
    for (int i = 0; i < 110; i++) {
      rooms.add(new Room("r" + i, SourceRef.REPAIR, anyBox(random)));
      barriers.add(new Barrier("b" + i, SourceRef.REPAIR, Barrier.Rank.SEPARATING, anyBox(random)));
    }
    BoundaryDerivation.Derived r =
        new BoundaryDerivation(
                rooms, barriers, List.of(), Ground.level(0), DerivationOptions.STANDARD, T)
            .derive(BoundaryMatching.Constructions.NONE);
    assertThat(r.surfaces()).hasSizeGreaterThan(400);
    assertThat(r.unpaired()).isNotEmpty();
  }

  private static List<Polygon> anyBox(Random random) {
    double grid = random.nextInt(3) == 0 ? 1 : 0.07;
    double far = random.nextInt(12) == 0 ? 1e5 : 0;
    double x0 = far + Math.round(random.nextDouble() * 8 / grid) * grid;
    double y0 = Math.round(random.nextDouble() * 8 / grid) * grid;
    double z0 = Math.round(random.nextDouble() * 4 / grid) * grid;
    double x1 = x0 + (random.nextInt(8) == 0 ? 0.003 : 0.1 + random.nextInt(5));
    double y1 = y0 + 0.1 + random.nextInt(5);
    double z1 = z0 + 0.1 + random.nextInt(4);
    Vec3[] p = new Vec3[8];
    for (int i = 0; i < 8; i++) {
      p[i] = new Vec3((i & 1) == 0 ? x0 : x1, (i & 2) == 0 ? y0 : y1, (i & 4) == 0 ? z0 : z1);
    }
    return List.of(
        Polygon.of(p[0], p[2], p[3], p[1]),
        Polygon.of(p[4], p[5], p[7], p[6]),
        Polygon.of(p[0], p[1], p[5], p[4]),
        Polygon.of(p[2], p[6], p[7], p[3]),
        Polygon.of(p[0], p[4], p[6], p[2]),
        Polygon.of(p[1], p[3], p[7], p[5]));
  }

  @Example
  void aDoorLiesBetweenRoomsThatMeetInTheMiddleOfItsWall() {
    SourceRef none = SourceRef.REPAIR;
    List<Room> rooms =
        List.of(
            new Room("a", none, Fixtures.box(0, 0, 0, 4, 5, 3)),
            new Room("b", none, Fixtures.box(4, 0, 0, 8, 5, 3)));
    List<Barrier> wall =
        List.of(
            new Barrier("wall", none, Barrier.Rank.SEPARATING, Fixtures.box(3.9, 0, 0, 4.1, 5, 3)));
    Cut door =
        new Cut(
            "wall",
            "door",
            none,
            DeliveredBoundary.Role.DOOR,
            Fixtures.box(3.9, 1, 0, 4.1, 2, 2.1));
    BoundaryDerivation.Derived r =
        new BoundaryDerivation(
                rooms, wall, List.of(door), Ground.level(-9), DerivationOptions.STANDARD, T)
            .derive(BoundaryMatching.Constructions.NONE);
    Surface between =
        r.surfaces().stream().filter(s -> s.sides().size() == 2).findFirst().orElseThrow();
    assertThat(between.openings()).hasSize(1);
    assertThat(between.openings().get(0).polygon().area()).isCloseTo(2.1, within(1e-9));
    assertThat(r.orphans()).isEmpty();
  }

  @Example
  void theEdgeOfASuspendedCeilingIsNoSurface() {
    List<Room> rooms = new ArrayList<>(belowAndAboveACeiling());
    List<Barrier> barriers = aroundACeiling();
    for (int order = 0; order < 2; order++) {
      BoundaryDerivation.Derived r =
          new BoundaryDerivation(
                  rooms, barriers, List.of(), Ground.level(0), DerivationOptions.STANDARD, T)
              .derive(BoundaryMatching.Constructions.NONE);
      assertThat(r.surfaces()).noneMatch(s -> s.exposure() == Exposure.ADIABATIC);
      assertThat(r.unpaired()).isEmpty();
      Map<String, Double> between = new TreeMap<>();
      for (Surface s : r.surfaces()) {
        if (s.sides().size() == 2) {
          between.merge(
              s.sides().stream().map(Side::space).sorted().toList().toString(),
              s.polygon().area(),
              Double::sum);
        }
      }
      assertThat(between.get("[high, low]")).isCloseTo(5 * 2.6, within(1e-6));
      assertThat(between.get("[high, void]")).isCloseTo(5 * 0.38, within(1e-6));
      for (Room room : rooms) {
        List<Polygon> faces = sides(r, room.key());
        assertThat(OpenEdges.find(faces, T)).as(room.key()).isEmpty();
        assertThat(Shell.of(faces).signedVolume())
            .as(room.key())
            .isCloseTo(Shell.of(room.body()).signedVolume(), within(1e-6));
      }
      java.util.Collections.reverse(rooms);
    }
  }

  /** A room with the void above its ceiling, and a room of full height beyond the partition. */
  static List<Room> belowAndAboveACeiling() {
    SourceRef none = SourceRef.REPAIR;
    return List.of(
        new Room("low", none, Fixtures.box(0, 0, 0, 4, 5, 2.6)),
        new Room("void", none, Fixtures.box(0, 0, 2.62, 4, 5, 3)),
        new Room("high", none, Fixtures.box(4.1, 0, 0, 8, 5, 3)));
  }

  static List<Barrier> aroundACeiling() {
    return List.of(
        separating("partition", Fixtures.box(4, 0, 0, 4.1, 5, 3)),
        separating("ceiling", Fixtures.box(0, 0, 2.6, 4, 5, 2.62)),
        separating("floor", Fixtures.box(-0.3, -0.3, -0.3, 8.3, 5.3, 0)),
        separating("slab", Fixtures.box(-0.3, -0.3, 3, 8.3, 5.3, 3.3)),
        separating("west", Fixtures.box(-0.3, -0.3, 0, 0, 5.3, 3)),
        separating("east", Fixtures.box(8, -0.3, 0, 8.3, 5.3, 3)),
        separating("south", Fixtures.box(0, -0.3, 0, 8, 0, 3)),
        separating("north", Fixtures.box(0, 5, 0, 8, 5.3, 3)));
  }

  private static Barrier separating(String name, List<Polygon> body) {
    return new Barrier(
        name, new SourceRef("IfcWall", name, name, 0, 0), Barrier.Rank.SEPARATING, body);
  }

  @Example
  void theTerrainTellsGroundFromAir() {
    SourceRef none = SourceRef.REPAIR;
    // the ground rises from 0 in the west to 3 m in the east of the room, and ends beyond it
    Polygon slope =
        Polygon.of(
            new Vec3(-10, -10, -3),
            new Vec3(20, -10, 6),
            new Vec3(20, 20, 6),
            new Vec3(-10, 20, -3));
    Ground ground = Ground.terrain(List.of(slope), -5);
    assertThat(ground.at(new Vec3(5, 2, 40))).isCloseTo(1.5, within(1e-9));
    assertThat(ground.at(new Vec3(50, 2, 40))).isEqualTo(-5);
    BoundaryDerivation.Derived r =
        new BoundaryDerivation(
                List.of(new Room("a", none, Fixtures.box(0, 0, 0, 10, 5, 3))),
                List.of(),
                List.of(),
                ground,
                DerivationOptions.STANDARD,
                T)
            .derive(BoundaryMatching.Constructions.NONE);
    // both long walls are cut along the slope into two triangles
    double earth =
        r.surfaces().stream()
            .filter(s -> s.type() == SurfaceType.UNDERGROUND_WALL)
            .mapToDouble(s -> s.polygon().area())
            .sum();
    assertThat(earth).isCloseTo(2 * 15 + 5 * 3, within(0.1));
    double air =
        r.surfaces().stream()
            .filter(s -> s.type() == SurfaceType.EXTERIOR_WALL)
            .mapToDouble(s -> s.polygon().area())
            .sum();
    assertThat(air).isCloseTo(2 * 15 + 5 * 3, within(0.1));
  }
}
