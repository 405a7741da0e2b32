package yentra.core.boundary;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.v;

import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.boundary.DeliveredBoundary.OtherSide;
import yentra.core.boundary.DeliveredBoundary.Role;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Side;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/**
 * Delivered boundaries become surfaces: pairs across an element, openings in walls, types from tilt
 * and the other side.
 */
class BoundaryMatchingTest {
  static final BoundaryMatching.Constructions NAMED =
      new BoundaryMatching.Constructions() {
        @Override
        public String construction(DeliveredBoundary b) {
          return "con-" + b.elementKey();
        }

        @Override
        public String glazing(DeliveredBoundary b) {
          return b.role() == Role.WINDOW ? "win-1" : null;
        }

        @Override
        public Double thickness(DeliveredBoundary b) {
          return 0.3;
        }
      };

  private static DeliveredBoundary boundary(
      String key,
      String space,
      Polygon face,
      String element,
      Role role,
      boolean virtual,
      OtherSide side) {
    SourceRef ref = element.isEmpty() ? null : SourceRef.at("IfcWall", element, 0, 0);
    return new DeliveredBoundary(
        key,
        space,
        face,
        ref,
        element,
        "",
        role,
        virtual,
        side,
        "",
        null,
        SourceRef.at("IfcRelSpaceBoundary", key, 0, 0));
  }

  private static DeliveredBoundary wall(
      String key, String space, Polygon face, String element, OtherSide side) {
    return boundary(key, space, face, element, Role.SURFACE, false, side);
  }

  /** An upright rectangle at x, facing +x or −x, y from y0 to y1, 3 m high. */
  private static Polygon upright(double x, double y0, double y1, boolean toPlusX) {
    Polygon p = Polygon.of(v(x, y0, 0), v(x, y1, 0), v(x, y1, 3), v(x, y0, 3));
    return toPlusX ? p : p.reversed();
  }

  private static Polygon level(double z, boolean up) {
    Polygon p = Polygon.of(v(0, 0, z), v(4, 0, z), v(4, 5, z), v(0, 5, z));
    return up ? p : p.reversed();
  }

  private static BoundaryMatching.Matched match(DeliveredBoundary... all) {
    return new BoundaryMatching(Ground.level(0), SurfaceTypes.STANDARD, TOLERANCE)
        .match(List.of(all), NAMED);
  }

  @Test
  void twoSidesOfOneWallAreOneInteriorSurface() {
    List<Surface> s =
        match(
                wall("1", "a", upright(4, 0, 5, true), "W", OtherSide.INTERNAL),
                wall("2", "b", upright(4.2, 0, 5, false), "W", OtherSide.INTERNAL))
            .surfaces();
    assertThat(s).hasSize(1);
    assertThat(s.get(0).type()).isEqualTo(SurfaceType.INTERIOR_WALL);
    assertThat(s.get(0).sides()).extracting(Side::space).containsExactly("a", "b");
    assertThat(s.get(0).thickness()).isCloseTo(0.2, within(1e-9));
    assertThat(s.get(0).face(1).mean().x()).isCloseTo(4.2, within(1e-9));
    assertThat(s.get(0).construction()).isEqualTo("con-W");
    assertThat(s.get(0).kind()).isEqualTo(BoundaryKind.READ);
  }

  @Test
  void sidesOfDifferentElementsOrSpacesThatDoNotFaceAreNoPair() {
    assertThat(
            match(
                    wall("1", "a", upright(4, 0, 5, true), "W", OtherSide.INTERNAL),
                    wall("2", "b", upright(4.2, 0, 5, false), "X", OtherSide.INTERNAL))
                .surfaces())
        .as("another element")
        .hasSize(2);
    assertThat(
            match(
                    wall("1", "a", upright(4, 0, 5, true), "W", OtherSide.INTERNAL),
                    wall("2", "b", upright(4.2, 0, 5, true), "W", OtherSide.INTERNAL))
                .surfaces())
        .as("the same direction")
        .hasSize(2);
    assertThat(
            match(
                    wall("1", "a", upright(4, 0, 5, true), "W", OtherSide.INTERNAL),
                    wall("2", "b", upright(5.3, 0, 5, false), "W", OtherSide.INTERNAL))
                .surfaces())
        .as("too thick")
        .hasSize(2);
    assertThat(
            match(
                    wall("1", "a", upright(4, 0, 5, true), "W", OtherSide.INTERNAL),
                    wall("2", "b", upright(3.8, 0, 5, false), "W", OtherSide.INTERNAL))
                .surfaces())
        .as("behind each other the wrong way")
        .hasSize(2);
  }

  @Test
  void aWallThatStandsInARoomIsOneSurfaceWithinIt() {
    List<Surface> s =
        match(
                wall("1", "a", upright(4, 0, 5, true), "W", OtherSide.INTERNAL),
                wall("2", "a", upright(4.2, 0, 5, false), "W", OtherSide.INTERNAL))
            .surfaces();
    assertThat(s).hasSize(1);
    assertThat(s.get(0).isWithinOneSpace()).isTrue();
  }

  @Test
  void aPairMustCoverEachOther() {
    DeliveredBoundary wide = wall("1", "a", upright(4, 0, 5, true), "W", OtherSide.INTERNAL);
    assertThat(
            match(wide, wall("2", "b", upright(4.2, 0, 4.8, false), "W", OtherSide.INTERNAL))
                .surfaces())
        .hasSize(1);
    List<Surface> apart =
        match(wide, wall("2", "b", upright(4.2, 0, 4.5, false), "W", OtherSide.INTERNAL))
            .surfaces();
    assertThat(apart).hasSize(2).allMatch(s -> s.exposure() == Exposure.UNRESOLVED);
  }

  @Test
  void theBestOfSeveralCandidatesIsTaken() {
    List<Surface> s =
        match(
                wall("1", "a", upright(4, 0, 5, true), "W", OtherSide.INTERNAL),
                wall("2", "b", upright(4.2, 0.2, 5, false), "W", OtherSide.INTERNAL),
                wall("3", "c", upright(4.2, 0, 5, false), "W", OtherSide.INTERNAL))
            .surfaces();
    assertThat(s).hasSize(2);
    assertThat(s.get(0).sides()).extracting(Side::space).containsExactly("a", "c");
  }

  @Test
  void virtualBoundariesPairWithoutAnElementAndHaveNoBarrier() {
    DeliveredBoundary x =
        boundary("1", "a", upright(4, 0, 5, true), "", Role.SURFACE, true, OtherSide.INTERNAL);
    DeliveredBoundary y =
        boundary("2", "b", upright(4, 0, 5, false), "V", Role.SURFACE, true, OtherSide.INTERNAL);
    Surface s = match(x, y).surfaces().get(0);
    assertThat(s.type()).isEqualTo(SurfaceType.AIR);
    assertThat(s.exposure()).isEqualTo(Exposure.NONE);
    assertThat(s.kind()).isEqualTo(BoundaryKind.VIRTUAL);
    assertThat(s.construction()).isNull();
    assertThat(s.sides()).hasSize(2);
  }

  @Test
  void aNamedPartnerGoesBeforeABetterFit() {
    DeliveredBoundary one = wall("1", "a", upright(4, 0, 5, true), "W", OtherSide.INTERNAL);
    DeliveredBoundary named =
        new DeliveredBoundary(
            "2",
            "b",
            upright(4.2, 0.1, 5, false),
            null,
            "W",
            "",
            Role.SURFACE,
            false,
            OtherSide.INTERNAL,
            "1",
            null,
            SourceRef.at("X", "2", 0, 0));
    List<Surface> s =
        match(one, wall("3", "c", upright(4.2, 0, 5, false), "W", OtherSide.INTERNAL), named)
            .surfaces();
    assertThat(s.get(0).sides()).extracting(Side::space).containsExactly("a", "b");
  }

  @Test
  void typesFollowFromTiltAndTheOtherSide() {
    assertThat(type(level(3, true), OtherSide.EXTERNAL)).isEqualTo(SurfaceType.ROOF);
    assertThat(type(level(0, false), OtherSide.EXTERNAL)).isEqualTo(SurfaceType.SLAB_ON_GRADE);
    assertThat(type(level(-2.8, false), OtherSide.EXTERNAL))
        .isEqualTo(SurfaceType.UNDERGROUND_SLAB);
    assertThat(type(level(3.4, false), OtherSide.EXTERNAL)).isEqualTo(SurfaceType.EXPOSED_FLOOR);
    assertThat(type(upright(0, 0, 5, true), OtherSide.EXTERNAL))
        .isEqualTo(SurfaceType.EXTERIOR_WALL);
    assertThat(type(moved(upright(0, 0, 5, true), v(0, 0, -3)), OtherSide.EXTERNAL))
        .isEqualTo(SurfaceType.UNDERGROUND_WALL);
    assertThat(type(upright(0, 0, 5, true), OtherSide.EARTH))
        .isEqualTo(SurfaceType.UNDERGROUND_WALL);
    assertThat(type(level(-1, true), OtherSide.EARTH)).isEqualTo(SurfaceType.UNDERGROUND_CEILING);
    assertThat(type(level(3, true), OtherSide.INTERNAL)).isEqualTo(SurfaceType.CEILING);
    assertThat(type(level(3, false), OtherSide.INTERNAL)).isEqualTo(SurfaceType.INTERIOR_FLOOR);
    assertThat(type(level(3, false), OtherSide.NOT_SAID)).isEqualTo(SurfaceType.UNRESOLVED);
  }

  private static SurfaceType type(Polygon face, OtherSide side) {
    return match(wall("1", "a", face, "W", side)).surfaces().get(0).type();
  }

  private static Polygon moved(Polygon p, Vec3 by) {
    return Polygon.of(p.outer().stream().map(q -> q.plus(by)).toList());
  }

  @Test
  void aDeliveryThatTellsEarthFromAirIsBelieved() {
    List<Surface> s =
        match(
                wall("1", "a", moved(upright(0, 0, 5, true), v(0, 0, -3)), "W", OtherSide.EXTERNAL),
                wall("2", "a", moved(upright(4, 0, 5, true), v(0, 0, -3)), "X", OtherSide.EARTH))
            .surfaces();
    assertThat(s)
        .extracting(Surface::type)
        .containsExactly(SurfaceType.EXTERIOR_WALL, SurfaceType.UNDERGROUND_WALL);
  }

  private static Polygon glass(double x) {
    return Polygon.of(v(x, 1, 1), v(x, 3, 1), v(x, 3, 2), v(x, 1, 2));
  }

  @Test
  void aWindowLiesInTheWallThatItCovers() {
    BoundaryMatching.Matched r =
        match(
            boundary("w", "a", glass(4), "Win", Role.WINDOW, false, OtherSide.EXTERNAL),
            wall("1", "a", upright(4, 0, 5, true), "W", OtherSide.EXTERNAL),
            wall("2", "b", upright(4, 0, 5, true), "W", OtherSide.EXTERNAL));
    assertThat(r.orphans()).isEmpty();
    assertThat(r.surfaces().get(0).openings()).extracting(o -> o.key()).containsExactly("w");
    assertThat(r.surfaces().get(0).openings().get(0).glazing()).isEqualTo("win-1");
    assertThat(r.surfaces().get(1).openings()).isEmpty();
    assertThat(r.surfaces().get(0).netArea()).isCloseTo(13, within(1e-9));
  }

  @Test
  void aWallThatWasDeliveredWithTheWindowCutOutIsMadeWhole() {
    Polygon cut = new Polygon(upright(4, 0, 5, true).outer(), List.of(glass(4).outer()));
    Surface s =
        match(
                wall("1", "a", cut, "W", OtherSide.EXTERNAL),
                boundary("w", "a", glass(4), "Win", Role.WINDOW, false, OtherSide.EXTERNAL))
            .surfaces()
            .get(0);
    assertThat(s.polygon().area()).isCloseTo(15, within(1e-6));
    assertThat(s.polygon().holes()).isEmpty();
    assertThat(s.openings()).hasSize(1);
    Polygon door = Polygon.of(v(4, 1, 0), v(4, 2, 0), v(4, 2, 2), v(4, 1, 2));
    Polygon notched =
        Polygon.of(
            v(4, 0, 0),
            v(4, 1, 0),
            v(4, 1, 2),
            v(4, 2, 2),
            v(4, 2, 0),
            v(4, 5, 0),
            v(4, 5, 3),
            v(4, 0, 3));
    Surface d =
        match(
                wall("1", "a", notched, "W", OtherSide.EXTERNAL),
                boundary("d", "a", door, "Door", Role.DOOR, false, OtherSide.EXTERNAL))
            .surfaces()
            .get(0);
    assertThat(d.polygon().outer()).hasSize(4);
    assertThat(d.openings().get(0).type()).isEqualTo(OpeningType.NON_SLIDING_DOOR);
  }

  @Test
  void aDoorBetweenRoomsIsOneOpeningThoughBothSidesHaveIt() {
    Surface s =
        match(
                wall("1", "a", upright(4, 0, 5, true), "W", OtherSide.INTERNAL),
                wall("2", "b", upright(4.2, 0, 5, false), "W", OtherSide.INTERNAL),
                boundary("d1", "a", glass(4), "Door", Role.DOOR, false, OtherSide.INTERNAL),
                boundary(
                    "d2", "b", glass(4.2).reversed(), "Door", Role.DOOR, false, OtherSide.INTERNAL))
            .surfaces()
            .get(0);
    assertThat(s.openings()).extracting(o -> o.key()).containsExactly("d1");
  }

  @Test
  void aDoorThatOnlyTheOtherSideHasIsMovedIntoThePlane() {
    Surface s =
        match(
                wall("1", "a", upright(4, 0, 5, true), "W", OtherSide.INTERNAL),
                wall("2", "b", upright(4.2, 0, 5, false), "W", OtherSide.INTERNAL),
                boundary(
                    "d2", "b", glass(4.2).reversed(), "Door", Role.HOLE, false, OtherSide.INTERNAL))
            .surfaces()
            .get(0);
    assertThat(s.openings()).hasSize(1);
    assertThat(s.openings().get(0).type()).isEqualTo(OpeningType.AIR);
    assertThat(s.openings().get(0).polygon().outer()).allMatch(p -> Math.abs(p.x() - 4) < 1e-9);
    assertThat(s.openings().get(0).polygon().normal().x()).isCloseTo(1, within(1e-9));
  }

  @Test
  void aWindowWithoutAWallIsAnOrphan() {
    BoundaryMatching.Matched r =
        match(
            boundary("w", "a", glass(9), "Win", Role.WINDOW, false, OtherSide.EXTERNAL),
            wall("1", "a", upright(4, 0, 5, true), "W", OtherSide.EXTERNAL));
    assertThat(r.orphans()).extracting(o -> o.key()).containsExactly("w");
  }

  @Test
  void aWindowInASlopeIsARooflight() {
    Polygon slope = Polygon.of(v(0, 0, 3), v(4, 0, 3), v(4, 4, 6), v(0, 4, 6));
    Polygon light = Polygon.of(v(1, 1, 3.75), v(2, 1, 3.75), v(2, 2, 4.5), v(1, 2, 4.5));
    Surface s =
        match(
                wall("1", "a", slope, "R", OtherSide.EXTERNAL),
                boundary("w", "a", light, "Win", Role.WINDOW, false, OtherSide.EXTERNAL))
            .surfaces()
            .get(0);
    assertThat(s.type()).isEqualTo(SurfaceType.ROOF);
    assertThat(s.openings().get(0).type()).isEqualTo(OpeningType.FIXED_SKYLIGHT);
  }
}
