package yentra.core.thermal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.source;
import static yentra.core.Fixtures.surface;
import static yentra.core.Fixtures.v;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;
import yentra.core.thermal.HeatLossOptions.EdgeInsulation;
import yentra.core.thermal.HeatLossOptions.SuspendedFloor;

/**
 * Which outline, depth and resistance ISO 13370 is asked for, on boxes of 0.3 m of brick of 0.8
 * W/mK: figures by hand, formulas as in {@link GroundTest}.
 */
class GroundContactTest {
  private static final double R = 0.3 / 0.8;
  private static final double SAND = 2.0;
  private static final HeatLossOptions PLAIN = HeatLossOptions.STANDARD;

  private static Surface level(String key, SurfaceType type, double x0, double x1, double z) {
    return level(key, type, x0, x1, z, "con-1");
  }

  private static Surface level(
      String key, SurfaceType type, double x0, double x1, double z, String construction) {
    return surface(
        key,
        type,
        Polygon.of(v(x0, 0, z), v(x0, 5, z), v(x1, 5, z), v(x1, 0, z)),
        construction,
        "a");
  }

  private static Surface upright(
      String key, SurfaceType type, double length, double z0, double z1, String construction) {
    return surface(
        key,
        type,
        Polygon.of(v(0, 0, z0), v(length, 0, z0), v(length, 0, z1), v(0, 0, z1)),
        construction,
        "a");
  }

  private static Envelope with(Surface... surfaces) {
    return rooms().withSurfaces(List.of(surfaces));
  }

  private static GroundContact of(Envelope e, HeatLossOptions options) {
    return GroundContact.of(e, new UValueBreakdown.Table(e), options);
  }

  private static double u(GroundContact g, Surface s) {
    return g.uValue(s).orElseThrow();
  }

  @Test
  void slabsOfOneLevelAreOneFloorAcrossAWall() {
    Surface west = level("w", SurfaceType.SLAB_ON_GRADE, 0, 4, 0);
    // 0.2 m of wall between the two rooms, and 0.2 m of step
    Surface east = level("e", SurfaceType.SLAB_ON_GRADE, 4.2, 8, 0.2);
    Surface wall = upright("x", SurfaceType.EXTERIOR_WALL, 8, 0, 3, "con-1");
    GroundContact g = of(with(west, east, wall), PLAIN);
    assertThat(g.floors()).hasSize(1);
    GroundContact.Floor f = g.floors().get(0);
    assertThat(f.shape().area()).isCloseTo(40, within(1e-9));
    assertThat(f.shape().perimeter()).isCloseTo(26, within(1e-9));
    assertThat(f.shape().wall()).isCloseTo(0.3, within(1e-12));
    assertThat(f.resistance().orElseThrow()).isCloseTo(R, within(1e-12));
    assertThat(f.isSlab()).isTrue();
    assertThat(u(g, west))
        .isCloseTo(new GroundFloor(40, 26, SAND, 0.3).slab(R), within(1e-12))
        .isCloseTo(u(g, east), within(1e-12));
    assertThat(g.assumptions())
        .containsExactly("The whole outline of the floors on the ground counts as exposed.");
  }

  @Test
  void floorsOfTwoLevelsHaveAnOutlineEach() {
    Surface low = level("w", SurfaceType.SLAB_ON_GRADE, 0, 4, 0);
    Surface high = level("e", SurfaceType.SLAB_ON_GRADE, 4, 8, 0.3);
    GroundContact g = of(with(low, high), PLAIN);
    assertThat(g.floors()).extracting(f -> f.level()).containsExactly(0.0, 0.3);
    assertThat(g.floors()).allSatisfy(f -> assertThat(f.shape().perimeter()).isEqualTo(18));
    // without an outer wall
    assertThat(g.assumptions())
        .contains("The thickness of the outer walls is not known: 0.3 m is taken.");
    assertThat(g.floors().get(0).shape().wall()).isEqualTo(0.3);
  }

  @Test
  void theOuterWallIsTheMeanByArea() {
    Surface floor = level("w", SurfaceType.SLAB_ON_GRADE, 0, 4, 0);
    Surface wall = upright("x", SurfaceType.EXTERIOR_WALL, 4, 0, 3, "con-1");
    Surface open = upright("y", SurfaceType.EXTERIOR_WALL, 9, 0, 3, null);
    Surface within = upright("z", SurfaceType.INTERIOR_WALL, 9, 0, 3, "con-1");
    GroundContact g = of(with(floor, wall, open, within), PLAIN);
    assertThat(g.floors().get(0).shape().wall()).isCloseTo(0.3, within(1e-12));
    assertThat(g.assumptions()).hasSize(1);
  }

  /** A wider gap than between rooms is a yard. */
  @Test
  void aYardBetweenTwoWingsIsExposed() {
    Surface west = level("w", SurfaceType.SLAB_ON_GRADE, 0, 4, 0);
    Surface east = level("e", SurfaceType.SLAB_ON_GRADE, 5, 8, 0);
    GroundContact g = of(with(west, east), PLAIN);
    assertThat(g.floors()).hasSize(1);
    assertThat(g.floors().get(0).shape().area()).isCloseTo(35, within(1e-9));
    assertThat(g.floors().get(0).shape().perimeter()).isCloseTo(18 + 16, within(1e-9));
  }

  @Test
  void insulationAlongTheEdge() {
    EdgeInsulation edge = new EdgeInsulation(true, 1, 0.06, 0.035);
    Surface floor = level("w", SurfaceType.SLAB_ON_GRADE, 0, 8, 0);
    GroundContact g = of(with(floor), new HeatLossOptions(GroundKind.CLAY, edge, null, 0.5));
    GroundFloor shape = new GroundFloor(40, 26, 1.5, 0.3);
    assertThat(u(g, floor)).isCloseTo(shape.slab(R, shape.edge(R, edge)), within(1e-12));
  }

  @Test
  void aBasementIsAsDeepAsTheHighestSurfaceInTheGround() {
    Surface floor = level("f", SurfaceType.UNDERGROUND_SLAB, 0, 8, -2.5);
    Surface wall = upright("w", SurfaceType.UNDERGROUND_WALL, 8, -2.5, -0.1, "con-1");
    GroundContact g = of(with(floor, wall), PLAIN);
    GroundContact.Floor f = g.floors().get(0);
    assertThat(f.depth()).isCloseTo(2.4, within(1e-12));
    assertThat(f.isSlab()).isFalse();
    GroundFloor shape = new GroundFloor(40, 26, SAND, 0.3);
    assertThat(u(g, floor)).isCloseTo(shape.basementFloor(R, 2.4), within(1e-12));
    assertThat(u(g, wall)).isCloseTo(shape.basementWall(R, R, 2.4), within(1e-12));
  }

  @Test
  void aWallInTheGroundTakesTheFloorUnderIt() {
    Surface cellar = level("c", SurfaceType.UNDERGROUND_SLAB, 0, 4, -2.5);
    Surface pit = level("p", SurfaceType.UNDERGROUND_SLAB, 4, 8, -4);
    Surface shallow = upright("s", SurfaceType.UNDERGROUND_WALL, 4, -2.4, 0, "con-1");
    Surface deep = upright("d", SurfaceType.UNDERGROUND_WALL, 4, -4, 0, "con-1");
    Surface deepest = upright("e", SurfaceType.UNDERGROUND_WALL, 4, -5, 0, "con-1");
    Surface high = upright("h", SurfaceType.UNDERGROUND_WALL, 4, -1, 0, "con-1");
    GroundContact g = of(with(pit, cellar, shallow, deep, deepest, high), PLAIN);
    GroundFloor shape = new GroundFloor(20, 18, SAND, 0.3);
    assertThat(u(g, shallow)).isCloseTo(shape.basementWall(R, R, 2.5), within(1e-12));
    assertThat(u(g, deep)).isCloseTo(shape.basementWall(R, R, 4), within(1e-12));
    // below all floors: the nearest; above several: the highest of them
    assertThat(u(g, deepest)).isCloseTo(shape.basementWall(R, R, 4), within(1e-12));
    assertThat(u(g, high)).isCloseTo(shape.basementWall(R, R, 2.5), within(1e-12));
  }

  @Test
  void aWallInTheGroundBesideASlabIsAsDeepAsItIsHigh() {
    Surface floor = level("f", SurfaceType.SLAB_ON_GRADE, 0, 8, 0);
    Surface bank = upright("b", SurfaceType.UNDERGROUND_WALL, 8, 0, 0.29, "con-1");
    GroundContact g = of(with(floor, bank), PLAIN);
    assertThat(g.floors().get(0).isSlab()).isTrue();
    // less than 0.3 m: as a wall to outdoor air
    assertThat(u(g, bank)).isCloseTo(1 / (R + 0.17), within(1e-12));
    Surface alone = upright("a", SurfaceType.UNDERGROUND_WALL, 8, -2, 0, "con-1");
    GroundContact none = of(with(alone), PLAIN);
    assertThat(u(none, alone)).isCloseTo(GroundFloor.wallAlone(SAND, R, 2), within(1e-12));
    assertThat(none.floors()).isEmpty();
  }

  @Test
  void aFloorOfUnknownResistanceIsTakenToResistAsTheWalls() {
    Surface floor = level("f", SurfaceType.UNDERGROUND_SLAB, 0, 8, -2, null);
    Surface wall = upright("w", SurfaceType.UNDERGROUND_WALL, 8, -2, 0, "con-1");
    GroundContact g = of(with(floor, wall), PLAIN);
    assertThat(g.floors().get(0).resistance()).isEmpty();
    assertThat(g.uValue(floor)).isEmpty();
    assertThat(u(g, wall)).isCloseTo(GroundFloor.wallAlone(SAND, R, 2), within(1e-12));
    u(g, wall);
    assertThat(g.assumptions())
        .filteredOn(a -> a.contains("the floor is taken to resist as well as the walls"))
        .hasSize(1);
  }

  /** Half of brick and half bare: the conductances with air at the faces are averaged. */
  @Test
  void twoKindsOfFloorAreOneOfTheirMeanConductance() {
    Envelope base = rooms();
    Surface brick = level("w", SurfaceType.SLAB_ON_GRADE, 0, 4, 0);
    Surface bare = level("e", SurfaceType.SLAB_ON_GRADE, 4, 8, 0, "bare");
    List<Construction> all = new ArrayList<>(base.constructions());
    all.add(
        new Construction(
            "bare", "Bare", List.of(), 1 / 0.21, source("Construction", "bare"), Extras.NONE));
    Envelope e =
        base.withSurfaces(List.of(brick, bare))
            .withConstructions(all, base.layers(), base.materials());
    double air = SurfaceResistances.ground(180).sum();
    double bareR = 0.21 - air;
    double mean = (1 / (R + air) + 1 / (bareR + air)) / 2;
    assertThat(of(e, PLAIN).floors().get(0).resistance().orElseThrow())
        .isCloseTo(1 / mean - air, within(1e-12));
  }

  @Test
  void earthOnACeilingIsALayer() {
    Surface ceiling = level("c", SurfaceType.UNDERGROUND_CEILING, 0, 8, -0.5);
    Surface wall = upright("w", SurfaceType.UNDERGROUND_WALL, 8, -3, 0.5, "con-1");
    Surface floor = level("f", SurfaceType.UNDERGROUND_SLAB, 0, 8, -3);
    GroundContact g = of(with(ceiling, wall, floor), PLAIN);
    // 1 m of earth of 2 W/mK; Rsi 0.10 and Rse 0.04 of heat that flows up
    assertThat(u(g, ceiling)).isCloseTo(1 / (R + 1 / 2.0 + 0.14), within(1e-12));
    assertThat(g.assumptions()).anyMatch(a -> a.contains("Earth on ceilings counts as a layer"));
    Surface above = level("d", SurfaceType.UNDERGROUND_CEILING, 0, 8, 2);
    assertThat(u(g, above)).isCloseTo(1 / (R + 0.14), within(1e-12));
  }

  @Test
  void nothingOnTheGround() {
    GroundContact g = of(with(upright("x", SurfaceType.EXTERIOR_WALL, 8, 0, 3, "con-1")), PLAIN);
    assertThat(g.floors()).isEmpty();
    assertThat(g.assumptions()).isEmpty();
    Surface slab = level("f", SurfaceType.SLAB_ON_GRADE, 0, 8, 0);
    assertThat(g.uValue(slab)).isEmpty();
  }

  @Test
  void aRaisedFloorTakesTheSpaceOfItsOwnLevel() {
    SuspendedFloor space = new SuspendedFloor(0.5, 1.7, 0.002, 4, 0.05, 0);
    Surface low = level("l", SurfaceType.RAISED_FLOOR, 0, 4, 0.5);
    Surface high = level("h", SurfaceType.RAISED_FLOOR, 4, 10, 1.5);
    HeatLossOptions options = new HeatLossOptions(GroundKind.SAND, null, space, 0.5);
    GroundContact g = of(with(low, high), options);
    double own = 1 / (R + 2 * 0.17);
    assertThat(g.suspended(low).orElseThrow())
        .isCloseTo(new GroundFloor(20, 18, SAND, 0.3).suspended(own, space), within(1e-12));
    assertThat(g.suspended(high).orElseThrow())
        .isCloseTo(new GroundFloor(30, 22, SAND, 0.3).suspended(own, space), within(1e-12));
    assertThat(g.suspended(level("n", SurfaceType.RAISED_FLOOR, 0, 4, 0.5, null))).isEmpty();
    assertThat(g.suspended(level("r", SurfaceType.ROOF, 0, 4, 0.5))).isEmpty();
    // open to outdoor air where nothing is said of the space
    assertThat(of(with(low, high), PLAIN).suspended(low)).isEmpty();
  }

  /** 1 K of difference all year, of which the swing adds nothing over the year. */
  @Test
  void theYearAddsUpTheSlabsAndSaysWhatItLeavesOut() {
    Surface slab = level("w", SurfaceType.SLAB_ON_GRADE, 0, 4, 0);
    Surface cellar = level("c", SurfaceType.UNDERGROUND_SLAB, 4, 8, -2.5);
    Surface wall = upright("b", SurfaceType.UNDERGROUND_WALL, 4, -2.5, 0, "con-1");
    Surface unknown = level("u", SurfaceType.SLAB_ON_GRADE, 20, 24, 0.28, null);
    GroundFloor.Climate c = new GroundFloor.Climate(20, 0, 10, 8, 1);
    GroundYear year = GroundYear.of(with(slab, cellar, wall, unknown), PLAIN, c);
    assertThat(year.area()).isCloseTo(20, within(1e-9));
    assertThat(year.leftOut()).isEqualTo(2);
    GroundFloor shape = new GroundFloor(20, 18, SAND, 0.3);
    double depth = shape.penetration(2e6);
    assertThat(year.months()).hasSize(12);
    for (int m = 1; m <= 12; m++) {
      assertThat(year.months().get(m - 1)).isCloseTo(shape.loss(R, depth, c, m), within(1e-9));
    }
    assertThat(year.months().stream().mapToDouble(x -> x).average().orElseThrow())
        .isCloseTo(20 * shape.slab(R) * 10, within(1e-9));
  }

  /** The swing indoors runs the other way from that outdoors. */
  @Test
  void aSwingIndoorsTakesFromTheLoss() {
    Surface slab = level("w", SurfaceType.SLAB_ON_GRADE, 0, 4, 0);
    GroundFloor shape = new GroundFloor(20, 18, SAND, 0.3);
    double depth = shape.penetration(2e6);
    GroundYear year = GroundYear.of(with(slab), PLAIN, new GroundFloor.Climate(20, 3, 10, 0, 2));
    double lead = shape.lead(R, depth);
    for (int m = 1; m <= 12; m++) {
      assertThat(year.months().get(m - 1))
          .isCloseTo(
              20 * shape.slab(R) * 10
                  - shape.swingIndoors(R, depth) * 3 * Math.cos(Math.PI / 6 * (m - 2 + lead)),
              within(1e-9));
    }
  }

  @ParameterizedTest
  @EnumSource
  void everyGroundIsSaid(GroundKind kind) {
    Surface slab = level("w", SurfaceType.SLAB_ON_GRADE, 0, 4, 0);
    GroundContact g = of(with(slab), new HeatLossOptions(kind, null, null, 0.5));
    assertThat(g.floors().get(0).shape().conductivity()).isEqualTo(kind.conductivity());
    assertThat(kind.label()).isNotBlank();
  }

  @Test
  void aPolygonOfTwoCornersIsNoFloor() {
    Surface line =
        surface(
            "x",
            SurfaceType.SLAB_ON_GRADE,
            Polygon.of(List.<Vec3>of(v(0, 0, 0), v(1, 0, 0))),
            "con-1",
            "a");
    assertThat(of(with(line), PLAIN).floors()).isEmpty();
  }
}
