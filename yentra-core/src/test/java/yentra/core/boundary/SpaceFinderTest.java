package yentra.core.boundary;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.LongRange;
import yentra.core.Fixtures;
import yentra.core.envelope.Rules;
import yentra.core.envelope.SourceRef;
import yentra.core.geometry.OpenEdges;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;

class SpaceFinderTest {
  private static final Rules R = Rules.standard();

  @Property(seed = "4714")
  void theRoomsOfABuildingAreFoundAgain(
      @ForAll @LongRange(min = 1, max = 1_000_000) long seed,
      @ForAll @DoubleRange(min = 0, max = 6.28) double yaw) {
    Vec3 u = new Vec3(Math.cos(yaw), Math.sin(yaw), 0);
    Vec3 v = new Vec3(-Math.sin(yaw), Math.cos(yaw), 0);
    RandomBuilding b =
        new RandomBuilding(seed, new Transform(u, v, Vec3.Z, new Vec3(40, -7, 2)), 1);
    SpaceFinder.FoundSpaces r = new SpaceFinder(b.barriers, 0.05, 1, R).find();
    assertThat(r.open()).isEmpty();
    assertThat(r.leaks()).isEmpty();
    double rooms = b.rooms.stream().mapToDouble(x -> Shell.of(x.body()).signedVolume()).sum();
    assertThat(r.found().stream().mapToDouble(SpaceFinder.FoundSpace::volume).sum())
        .isCloseTo(rooms, within(1e-3 * rooms));
    // rooms that nothing parts are one
    assertThat(r.found()).hasSizeLessThanOrEqualTo(b.rooms.size());
    for (SpaceFinder.FoundSpace f : r.found()) {
      assertThat(f.bridged()).isEmpty();
      assertThat(OpenEdges.find(f.body(), R.tolerance())).isEmpty();
    }
  }

  private static Barrier box(
      String key, double x0, double y0, double z0, double x1, double y1, double z1) {
    return new Barrier(
        key, SourceRef.REPAIR, Barrier.Rank.SEPARATING, Fixtures.box(x0, y0, z0, x1, y1, z1));
  }

  private static List<Barrier> room(double slit) {
    return room(slit, 0);
  }

  /** A room of 5 × 4 × 3 m whose east wall stops short of the north wall, and of the roof. */
  static List<Barrier> room(double slit, double top) {
    List<Barrier> out = new ArrayList<>();
    out.add(box("floor", -0.3, -0.3, -0.2, 5.3, 4.3, 0));
    out.add(box("roof", -0.3, -0.3, 3, 5.3, 4.3, 3.2));
    out.add(box("south", -0.3, -0.3, 0, 5.3, 0, 3));
    out.add(box("north", -0.3, 4, 0, 5.3, 4.3, 3));
    out.add(box("west", -0.3, 0, 0, 0, 4, 3));
    out.add(box("east", 5, 0, 0, 5.3, 4 - slit, 3 - top));
    return out;
  }

  @Example
  void aSlitIsBridgedAndSaid() {
    SpaceFinder.FoundSpaces r = new SpaceFinder(room(0.03), 0.05, 1, R).find();
    assertThat(r.found()).hasSize(1);
    SpaceFinder.FoundSpace f = r.found().get(0);
    assertThat(f.volume()).isCloseTo(60, within(0.05));
    assertThat(f.floorArea()).isCloseTo(20, within(0.02));
    assertThat(f.bridged().stream().mapToDouble(Polygon::area).sum())
        .isCloseTo(0.03 * 3, within(0.005));
  }

  @Example
  void aDoorwayWithoutADoorLeaksAndThePlaceIsTold() {
    SpaceFinder.FoundSpaces r = new SpaceFinder(room(0.9), 0.05, 1, R).find();
    assertThat(r.found()).isEmpty();
    assertThat(r.leaks()).hasSize(1);
    assertThat(r.leaks().get(0).distance(new Vec3(5.3, 3.55, 1.5))).isLessThan(1.2);
  }

  @Example
  void aShaftTooSmallForARoomIsLeftOut() {
    List<Barrier> b = room(0);
    b.add(box("shaft-a", 1, 0, 0, 1.1, 0.5, 3));
    b.add(box("shaft-b", 1.7, 0, 0, 1.8, 0.5, 3));
    b.add(box("shaft-c", 1, 0.5, 0, 1.8, 0.6, 3));
    SpaceFinder.FoundSpaces r = new SpaceFinder(b, 0.05, 3, R).find();
    assertThat(r.found()).hasSize(1);
    assertThat(r.found().get(0).volume()).isCloseTo(60 - 0.8 * 0.6 * 3, within(1e-6));
  }

  /** Wall ends that miss each other at a corner by 2 to 8 mm both ways: no faces look across. */
  @Property(seed = "15")
  void cornersThatMissEachOtherAreBridged(
      @ForAll @IntRange(min = 20, max = 80) int dx10,
      @ForAll @IntRange(min = 20, max = 80) int dy10,
      @ForAll @IntRange(min = 0, max = 80) int notch10) {
    double dx = dx10 / 1e4;
    double dy = dy10 / 1e4;
    double notch = notch10 / 1e4;
    List<Barrier> out = new ArrayList<>();
    out.add(box("floor", -0.3, -0.3, -0.2, 5.3, 4.3, 0));
    out.add(box("roof", -0.3, -0.3, 3, 5.3, 4.3, 3.2));
    out.add(box("south", 0, -0.3, 0, 5.3, 0, 3));
    out.add(box("north", -0.3, 4, 0, 5.3, 4.3, 3));
    out.add(box("west", -0.3, dy, 0, -dx, 4, 3));
    out.add(box("east", 5, 0, 0, 5.3, 4, 3));
    if (notch > 0.004) {
      // a third end in the corner
      out.add(box("pier", -0.3, -0.3, 0, -dx - notch / 2, -notch / 2, 3));
    }
    SpaceFinder.FoundSpaces r = new SpaceFinder(out, 0.05, 1, R).find();
    assertThat(r.found()).hasSize(1);
    SpaceFinder.FoundSpace f = r.found().get(0);
    assertThat(f.volume()).isCloseTo(60, within(0.2));
    assertThat(OpenEdges.find(f.body(), R.tolerance())).isEmpty();
    assertThat(f.body()).allMatch(p -> p.area() > 1e-3, "no slivers");
  }

  /** Wall tops and ends stop short by a few millimetres: the body has no strips of half of one. */
  @Property(seed = "16")
  void bridgedBodiesHaveNoSlivers(
      @ForAll @IntRange(min = 20, max = 300) int end10,
      @ForAll @IntRange(min = 20, max = 300) int top10) {
    double end = end10 / 1e4;
    double top = top10 / 1e4;
    List<Barrier> out = new ArrayList<>(room(end).subList(0, 4));
    out.add(box("east", 5, 0, 0, 5.3, 4 - end, 3));
    out.add(box("west", -0.3, 0, 0, 0, 4, 3 - top));
    SpaceFinder.FoundSpaces r = new SpaceFinder(out, 0.05, 1, R).find();
    assertThat(r.found()).hasSize(1);
    SpaceFinder.FoundSpace f = r.found().get(0);
    assertThat(f.volume()).isCloseTo(60, within(0.05));
    assertThat(OpenEdges.find(f.body(), R.tolerance())).isEmpty();
    assertThat(f.body()).allMatch(p -> p.area() > 1e-3, "no slivers");
  }
}
