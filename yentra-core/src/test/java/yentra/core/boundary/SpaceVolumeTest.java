package yentra.core.boundary;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.RULES;
import static yentra.core.Fixtures.box;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.surface;
import static yentra.core.Fixtures.v;
import static yentra.core.Fixtures.with;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Side;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;

/** What a space's shell and surfaces say of its volume. */
class SpaceVolumeTest {
  private static SpaceVolume west(Envelope e) {
    return SpaceVolumes.of(e, RULES).of("a");
  }

  private static Envelope withoutShells(Envelope e) {
    return e.withSpaces(e.spaces().stream().map(s -> s.withShell(List.of())).toList());
  }

  @Test
  void shellAndSurfacesGiveTheSame() {
    for (Envelope e : List.of(rooms(), withoutShells(rooms()))) {
      SpaceVolume v = west(e);
      assertThat(v.enclosed()).isTrue();
      assertThat(v.volume()).isCloseTo(60, within(1e-9));
      assertThat(v.floorArea()).isCloseTo(20, within(1e-9));
      assertThat(v.holes()).isEmpty();
    }
  }

  @Test
  void anInsideOutShellGivesPositiveFigures() {
    Envelope e = rooms();
    Envelope inside =
        e.withSpaces(
            e.spaces().stream()
                .map(s -> s.withShell(s.shell().stream().map(Polygon::reversed).toList()))
                .toList());
    assertThat(west(inside).volume()).isCloseTo(60, within(1e-9));
    assertThat(west(inside).floorArea()).isCloseTo(20, within(1e-9));
    assertThat(west(inside).inwardShellFaces()).hasSize(6);
  }

  @Test
  void facesOnThisSideOfThickWallsCloseWhereTheCentreLinesDoNot() {
    // the wall between the rooms is 0.2 m thick: its surface lies on West's face, East has its own
    Envelope e = withoutShells(rooms());
    Envelope thick =
        e.replacing(
            "between",
            s ->
                with(s, s.polygon())
                    .withSides(
                        List.of(
                            Side.of("a", s.polygon()),
                            Side.of("b", moved(s.polygon().reversed(), 0.2)))));
    List<Polygon> east = box(v(4.2, 0, 0), v(8, 5, 3));
    for (String[] k :
        new String[][] {{"b-floor", "0"}, {"b-roof", "1"}, {"b-south", "2"}, {"b-north", "4"}}) {
      thick = thick.replacing(k[0], s -> with(s, east.get(Integer.parseInt(k[1]))));
    }
    SpaceVolume b = SpaceVolumes.of(thick, RULES).of("b");
    assertThat(b.enclosed()).isTrue();
    assertThat(b.volume()).isCloseTo(3.8 * 5 * 3, within(1e-9));
    assertThat(west(thick).volume()).isCloseTo(60, within(1e-9));
  }

  private static Polygon moved(Polygon p, double dx) {
    return Polygon.of(p.outer().stream().map(q -> q.plus(v(dx, 0, 0))).toList());
  }

  @Test
  void holesAreToldByTheSurfacesWhenBothAreOpen() {
    Envelope e = rooms().withoutSurface("a-roof").withoutSurface("a-west");
    Envelope open =
        e.withSpaces(e.spaces().stream().map(s -> s.withShell(s.shell().subList(1, 6))).toList());
    SpaceVolume v = west(open);
    assertThat(v.enclosed()).isFalse();
    assertThat(v.holes()).hasSize(2);
    assertThat(v.holes().stream().mapToDouble(h -> h.area()).sum())
        .isCloseTo(20 + 15, within(1e-9));
  }

  @Test
  void aStubWallWithinTheRoomChangesNothing() {
    Surface stub =
        surface(
            "stub",
            SurfaceType.INTERIOR_WALL,
            Polygon.of(v(1, 1, 0), v(3, 1, 0), v(3, 1, 3), v(1, 1, 3)),
            "con-1",
            "a",
            "a");
    assertThat(west(withoutShells(rooms().plus(stub))).enclosed()).isTrue();
  }

  @Test
  void aBrokenSurfaceDoesNotStopTheRest() {
    Surface thread =
        surface(
            "x",
            SurfaceType.EXTERIOR_WALL,
            Polygon.of(v(0, 0, 3), v(2, 0, 3), v(4, 0, 3)),
            "con-1",
            "a");
    Surface nothing = surface("y", SurfaceType.EXTERIOR_WALL, Polygon.of(List.of()), "con-1", "a");
    assertThat(west(withoutShells(rooms().plus(thread).plus(nothing))).volume())
        .isCloseTo(60, within(1e-9));
  }

  @Test
  void aSpaceWithNothingHasNoVolume() {
    SpaceVolume v = west(withoutShells(rooms().withSurfaces(List.of())));
    assertThat(v.enclosed()).isFalse();
    assertThat(v.volume()).isZero();
    assertThat(v.openPieces()).isEmpty();
  }

  @Test
  void directionsAreKnownForSurfacesOfTheirSpaces() {
    SpaceVolumes v = SpaceVolumes.of(rooms(), RULES);
    for (Surface s : rooms().surfaces()) {
      assertThat(v.direction(s)).as(s.key()).isEqualTo(1);
      assertThat(v.direction(with(s, s.polygon().reversed()))).as(s.key()).isEqualTo(-1);
    }
    Surface far =
        surface(
            "far", SurfaceType.ROOF, Polygon.of(v(50, 0, 3), v(54, 0, 3), v(54, 4, 3)), null, "a");
    assertThat(v.direction(far)).isZero();
    assertThat(v.direction(surface("s", SurfaceType.SHADE, far.polygon(), null))).isZero();
  }

  @Test
  void aRoomInARoomIsAHoleInItsFloorAndCeiling() {
    List<Polygon> outer = new ArrayList<>();
    List<Polygon> big = box(v(0, 0, 0), v(10, 8, 3));
    List<Polygon> small = box(v(3, 3, 0), v(5, 5, 3));
    outer.add(new Polygon(big.get(0).outer(), List.of(small.get(0).outer())));
    outer.add(new Polygon(big.get(1).outer(), List.of(small.get(1).outer())));
    outer.addAll(big.subList(2, 6));
    small.subList(2, 6).forEach(f -> outer.add(f.reversed()));
    Envelope e = rooms();
    Envelope ring =
        e.withSpaces(
            e.spaces().stream().map(s -> s.key().equals("a") ? s.withShell(outer) : s).toList());
    SpaceVolume v = west(ring);
    assertThat(v.enclosed()).isTrue();
    assertThat(v.volume()).isCloseTo(240 - 12, within(1e-9));
    assertThat(v.floorArea()).isCloseTo(80 - 4, within(1e-9));
    assertThat(v.inwardShellFaces()).isEmpty();
  }

  /**
   * East begins 0.2 m behind the wall that is drawn on West's side, and its shell lacks the roof:
   * the hole is the roof, 3.8 m x 5 m, not the slits along the wall.
   */
  @Test
  void theHoleOfAShellIsTheMissingFaceWhereWallsAreDrawnOnTheNeighboursSide() {
    List<Polygon> east = box(v(4.2, 0, 0), v(8, 5, 3));
    Envelope e = rooms();
    for (String[] k :
        new String[][] {{"b-floor", "0"}, {"b-roof", "1"}, {"b-south", "2"}, {"b-north", "4"}}) {
      e = e.replacing(k[0], s -> with(s, east.get(Integer.parseInt(k[1]))));
    }
    List<Polygon> shell = new ArrayList<>(east);
    shell.remove(1);
    e =
        e.withoutSurface("b-roof")
            .withSpaces(List.of(e.spaces().get(0), e.spaces().get(1).withShell(shell)));
    SpaceVolume b = SpaceVolumes.of(e, RULES).of("b");
    assertThat(b.enclosed()).isFalse();
    assertThat(b.holes()).hasSize(1);
    assertThat(b.holes().get(0).area()).isCloseTo(3.8 * 5, within(1e-6));
  }
}
