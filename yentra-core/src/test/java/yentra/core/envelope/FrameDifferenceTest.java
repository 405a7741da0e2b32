package yentra.core.envelope;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.v;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import yentra.core.Fixtures;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;

/** How two deliveries of one building lie to each other, made from one by a known move. */
class FrameDifferenceTest {
  private static Space box(String key, String name, Vec3 from, Vec3 to) {
    return Space.of(key).with().name(name).shell(Fixtures.box(from, to)).build();
  }

  /** Five rooms of different sizes on two storeys. */
  private static Envelope house() {
    Envelope e = rooms();
    List<Space> spaces =
        List.of(
            box("a", "Hall", v(0, 0, 0), v(4, 5, 3)),
            box("b", "Kitchen", v(4, 0, 0), v(8, 5, 3)),
            box("c", "Store", v(0, 5, 0), v(3, 9, 3)),
            box("d", "Office", v(0, 0, 3), v(6, 5, 6)),
            box("f", "Loft", v(6, 0, 3), v(8, 7, 6)));
    return e.withSpaces(spaces);
  }

  private static Envelope north(Envelope e, Double azimuth) {
    Site s = e.site();
    return e.withSite(
        new Site(s.name(), s.latitude(), s.longitude(), s.elevation(), azimuth, s.extras()));
  }

  @Test
  void theSameDeliveryLiesWhereItLay() {
    FrameDifference d = FrameDifference.of(house(), house());
    assertThat(d.common()).isEqualTo(5);
    assertThat(d.scale()).isEqualTo(1);
    assertThat(d.turn()).isEqualTo(0);
    assertThat(d.shift().length()).isLessThan(1e-12);
    assertThat(d.north()).isZero();
    assertThat(d.apart()).isEqualTo(Vec3.ZERO);
    assertThat(d.gap()).isZero();
  }

  @Property(tries = 100)
  void aTurnAndAShiftAreFound(@ForAll int seed) {
    Random r = new Random(seed);
    double turn = r.nextInt(359) - 179;
    Vec3 shift = v(r.nextDouble() * 200 - 100, r.nextDouble() * 200 - 100, r.nextDouble() * 9);
    Transform t = turned(turn, shift);
    Envelope moved = house().moved(t, 0.0);
    FrameDifference d = FrameDifference.of(moved, house());
    assertThat(d.turn()).isCloseTo(turn, within(1e-6));
    assertThat(d.shift().distance(shift)).isLessThan(1e-6);
    assertThat(d.scale()).isEqualTo(1);
  }

  private static Transform turned(double degrees, Vec3 shift) {
    double a = Math.toRadians(degrees);
    return new Transform(
        v(Math.cos(a), Math.sin(a), 0), v(-Math.sin(a), Math.cos(a), 0), v(0, 0, 1), shift);
  }

  @Test
  void oneRoomThatWasMovedDoesNotCount() {
    List<Space> spaces = new ArrayList<>(house().spaces());
    spaces.set(2, box("c", "Store", v(30, 5, 0), v(33, 9, 3)));
    FrameDifference d = FrameDifference.of(house().withSpaces(spaces), house());
    assertThat(d.turn()).isCloseTo(0, within(1e-9));
    assertThat(d.shift().length()).isLessThan(1e-9);
  }

  @Test
  void anotherUnitIsAScaleAndAStretchedRoomIsNone() {
    FrameDifference feet = FrameDifference.of(house().scaled(0.3048), house());
    assertThat(feet.scale()).isCloseTo(0.3048, within(1e-9));
    assertThat(feet.shift().length()).isLessThan(1e-9);
    assertThat(FrameDifference.of(house().scaled(1.019), house()).scale()).isEqualTo(1);
    assertThat(FrameDifference.of(house().scaled(1.021), house()).scale())
        .isCloseTo(1.021, within(1e-9));
    assertThat(FrameDifference.of(house().scaled(0.979), house()).scale())
        .isCloseTo(0.979, within(1e-9));
  }

  @Test
  void northIsToldFromNorth() {
    assertThat(FrameDifference.of(north(house(), 350.0), north(house(), 20.0)).north())
        .isEqualTo(-30);
    assertThat(FrameDifference.of(north(house(), 20.0), north(house(), 350.0)).north())
        .isEqualTo(30);
    assertThat(FrameDifference.of(north(house(), 180.0), north(house(), 0.0)).north())
        .isEqualTo(180);
    assertThat(FrameDifference.of(north(house(), 0.0), north(house(), 180.0)).north())
        .isEqualTo(180);
    assertThat(FrameDifference.of(north(house(), null), north(house(), 0.0)).north()).isNull();
    assertThat(FrameDifference.of(north(house(), 0.0), north(house(), null)).north()).isNull();
  }

  @Test
  void oneCommonRoomTellsAShiftOnly() {
    List<Space> one = List.of(box("a", "Hall", v(10, 2, 0), v(14, 7, 3)));
    FrameDifference d = FrameDifference.of(rooms().withSpaces(one), house());
    assertThat(d.common()).isEqualTo(1);
    assertThat(d.scale()).isEqualTo(1);
    assertThat(d.turn()).isZero();
    assertThat(d.shift().distance(v(10, 2, 0))).isLessThan(1e-9);
  }

  @Test
  void noCommonRoomTellsNothingButWhereBothLie() {
    Envelope far = rooms().moved(Transform.translation(v(20, 0, 0)), 0.0);
    List<Space> other = List.of(box("x", "Gallery", v(20, 0, 0), v(24, 5, 3)));
    FrameDifference d = FrameDifference.of(far.withSpaces(other), house());
    assertThat(d.common()).isZero();
    assertThat(d.scale()).isEqualTo(1);
    assertThat(d.turn()).isZero();
    assertThat(d.shift()).isEqualTo(Vec3.ZERO);
    assertThat(d.apart()).isEqualTo(v(20, 0, 0));
    assertThat(d.gap()).isCloseTo(12, within(1e-9));
  }

  /** 3 m along x and 4 m along y are 5 m between the boxes. */
  @Test
  void theGapIsBetweenTheBoxes() {
    Envelope there = rooms().moved(Transform.translation(v(8 + 3, 5 + 4, 0)), 0.0);
    assertThat(FrameDifference.of(there, rooms()).gap()).isCloseTo(5, within(1e-9));
    assertThat(FrameDifference.of(rooms(), there).gap()).isCloseTo(5, within(1e-9));
    Envelope above = rooms().moved(Transform.translation(v(0, 0, 3 + 2)), 0.0);
    assertThat(FrameDifference.of(above, rooms()).gap()).isCloseTo(2, within(1e-9));
    assertThat(FrameDifference.of(rooms(), above).gap()).isCloseTo(2, within(1e-9));
    Envelope touching = rooms().moved(Transform.translation(v(8, 0, 0)), 0.0);
    assertThat(FrameDifference.of(touching, rooms()).gap()).isZero();
    FrameDifference none = FrameDifference.of(rooms().withSurfaces(List.of()), rooms());
    assertThat(none.apart()).isNull();
    assertThat(none.gap()).isZero();
  }

  @Test
  void roomsAreKnownByNameWhereIdsAreNew() {
    List<Space> renamed = new ArrayList<>();
    for (Space s : house().spaces()) {
      List<Polygon> shell =
          s.shell().stream().map(p -> p.transformed(Transform.translation(v(5, 0, 0)))).toList();
      renamed.add(Space.of("new-" + s.key()).with().name(s.name()).shell(shell).build());
    }
    FrameDifference d = FrameDifference.of(rooms().withSpaces(renamed), house());
    assertThat(d.common()).isEqualTo(5);
    assertThat(d.shift().distance(v(5, 0, 0))).isLessThan(1e-9);
    // a name that occurs twice tells nothing
    renamed.set(0, Space.of("new-a").with().name("Kitchen").shell(renamed.get(0).shell()).build());
    assertThat(FrameDifference.of(rooms().withSpaces(renamed), house()).common()).isEqualTo(3);
  }

  /** Without a shell, the surfaces of a space tell where it is; without both, nothing does. */
  @Test
  void surfacesStandForAShell() {
    Envelope bare =
        rooms().withSpaces(rooms().spaces().stream().map(s -> s.withShell(List.of())).toList());
    Envelope moved = bare.moved(Transform.translation(v(1, 2, 3)), 0.0);
    FrameDifference d = FrameDifference.of(moved, rooms());
    assertThat(d.common()).isEqualTo(2);
    // surfaces of East lack the wall between, which changes its middle a little: a median of two
    assertThat(d.shift().distance(v(1, 2, 3))).isLessThan(1e-6);
    assertThat(FrameDifference.of(bare.withSurfaces(List.of()), rooms()).common()).isZero();
  }

  @Test
  void howASpaceIsCutIntoFacesDoesNotMove() {
    List<Polygon> cut = new ArrayList<>(Fixtures.box(v(0, 0, 0), v(4, 5, 3)));
    cut.remove(1);
    cut.add(Polygon.of(v(0, 0, 3), v(1, 0, 3), v(1, 5, 3), v(0, 5, 3)));
    cut.add(Polygon.of(v(1, 0, 3), v(4, 0, 3), v(4, 5, 3), v(1, 5, 3)));
    List<Space> spaces = new ArrayList<>(house().spaces());
    spaces.set(0, Space.of("a").with().name("Hall").shell(cut).build());
    assertThat(FrameDifference.of(house().withSpaces(spaces), house()).shift().length())
        .isLessThan(1e-9);
  }
}
