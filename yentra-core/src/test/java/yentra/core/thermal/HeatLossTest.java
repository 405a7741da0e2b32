package yentra.core.thermal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.box;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.surface;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;
import yentra.core.envelope.Conditions;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;
import yentra.core.thermal.HeatLoss.Beyond;
import yentra.core.thermal.HeatLoss.Sum;

/** The two rooms of 20 m² and 60 m³ each, all of 0.3 m of brick of 0.8 W/mK, worked out by hand. */
class HeatLossTest {
  private static final double R = 0.3 / 0.8;
  private static final double WALL = 1 / (0.17 + R);
  private static final double ROOF = 1 / (0.14 + R);

  private static HeatLoss of(Envelope e, Predicate<Space> conditioned) {
    return HeatLoss.of(
        e, HeatLossOptions.STANDARD, s -> s.polygon().tilt(), s -> 60, conditioned, s -> true);
  }

  private static boolean upright(Surface s) {
    return Math.abs(s.polygon().tilt() - 90) < 30;
  }

  @Test
  void bothRoomsHeated() {
    HeatLoss h = of(rooms(), s -> true);
    Sum all = h.total(HeatLossTest::upright);
    // walls 2 x (8 x 3 + 5 x 3) less the window of 2.4 m², which has 1.3 W/m²K
    assertThat(all.heatLoss().get(Beyond.OUTDOOR))
        .isCloseTo((78 - 2.4) * WALL + 2.4 * 1.3 + 40 * ROOF, within(1e-9));
    // 8 m x 5 m of slab on sand, walls 0.3 m thick (ISO 13370)
    assertThat(all.heatLoss().get(Beyond.GROUND))
        .isCloseTo(40 * new GroundFloor(40, 26, 2.0, 0.3).slab(R), within(1e-9));
    assertThat(all.heatLoss().get(Beyond.CONDITIONED)).isZero();
    assertThat(all.wallArea()).isCloseTo(78, within(1e-9));
    assertThat(all.glazedArea()).isCloseTo(2.4, within(1e-9));
    assertThat(all.unknownArea()).isZero();
    assertThat(all.meanUValue()).isCloseTo(all.total() / (78 + 40 + 40), within(1e-9));
  }

  @Test
  void throughARoomThatIsNotHeated() {
    HeatLoss h = of(rooms(), s -> s.key().equals("a"));
    Map<String, Sum> by = h.by(HeatLoss.Share::space, HeatLossTest::upright);
    assertThat(by).containsOnlyKeys("a");
    double inner = 15 / (0.26 + R);
    double outer =
        (2 * 4 * 3 + 5 * 3) * WALL
            + 20 * ROOF
            + 20 * new GroundFloor(40, 26, 2.0, 0.3).slab(R)
            + UnconditionedSpaces.ventilation(0.5, 60);
    assertThat(by.get("a").heatLoss().get(Beyond.UNCONDITIONED))
        .isCloseTo(inner * outer / (inner + outer), within(1e-9));
    assertThat(h.assumptions()).anyMatch(a -> a.contains("exchange air"));
  }

  @Test
  void whatHasNoUValueIsCounted() {
    HeatLoss h = of(rooms().replacing("b-east", s -> s.withConstruction(null)), s -> true);
    assertThat(h.total(HeatLossTest::upright).unknownArea()).isCloseTo(15, within(1e-9));
    assertThat(h.uValue("b-east")).isEmpty();
    assertThat(h.uValue("a-south").orElseThrow()).isCloseTo(WALL, within(1e-9));
  }

  /** A material of its own key whose resistance is stated; no thickness. */
  private static Material resisting(String key, double r) {
    return new Material(key, key, null, null, null, null, r, SourceRef.REPAIR, Extras.NONE);
  }

  /**
   * An envelope of these spaces and surfaces, each construction of one layer of these materials.
   */
  private static Envelope of(
      Map<String, String> conditions, List<Surface> surfaces, Map<String, List<Material>> made) {
    List<Space> spaces = new ArrayList<>();
    conditions.forEach(
        (k, c) -> spaces.add(Space.of(k).with().name(k).building("b-1").condition(c).build()));
    List<Construction> constructions = new ArrayList<>();
    List<Layer> layers = new ArrayList<>();
    List<Material> materials = new ArrayList<>();
    made.forEach(
        (k, list) -> {
          constructions.add(
              new Construction(k, k, List.of("l-" + k), null, SourceRef.REPAIR, Extras.NONE));
          layers.add(
              new Layer(
                  "l-" + k,
                  "",
                  list.stream().map(Material::key).toList(),
                  SourceRef.REPAIR,
                  Extras.NONE));
          materials.addAll(list);
        });
    return rooms()
        .withSpaces(spaces)
        .withSurfaces(surfaces)
        .withConstructions(constructions, layers, materials);
  }

  private static HeatLoss loss(Envelope e, double volume) {
    return HeatLoss.of(
        e,
        HeatLossOptions.STANDARD,
        s -> s.polygon().tilt(),
        s -> volume,
        s -> Conditions.of(s.condition()) != Conditions.NONE,
        s -> true);
  }

  /** Walls and floor of a basement of 8 m x 10 m, 2.7 m deep. */
  private static List<Surface> basement(String floor, String wall) {
    List<Polygon> box = box(0, 0, -2.7, 8, 10, 0);
    List<Surface> out = new ArrayList<>();
    out.add(surface("floor", SurfaceType.UNDERGROUND_SLAB, box.get(0), floor, "k"));
    for (int i = 2; i < 6; i++) {
      out.add(surface("w" + i, SurfaceType.UNDERGROUND_WALL, box.get(i), wall, "k"));
    }
    return out;
  }

  /**
   * ISO 13370: 80 m², 36 m, 2.7 m deep, sand, walls 0.3 m thick, Rf 2.5, Rw 3.0. df = 0.3 + 2 (0.17
   * + 2.5 + 0.04) = 5.72; dw = 2 (0.13 + 3 + 0.04) = 6.34; df + z/2 = 7.07 ≥ B = 4.444: floor 2 /
   * (0.457 B + 7.07) = 0.21975; walls 4 / (2.7 π) (1 + 0.5 · 5.72 / 8.42) ln(2.7 / 6.34 + 1) =
   * 0.22413.
   */
  @Test
  void wallsOfABasementKnowItsFloor() {
    Envelope e =
        of(
            Map.of("k", "Heated"),
            basement("f", "w"),
            Map.of("f", List.of(resisting("rf", 2.5)), "w", List.of(resisting("rw", 3.0))));
    HeatLoss h = loss(e, 216);
    assertThat(h.uValue("w2").orElseThrow()).isCloseTo(0.22413, within(5e-6));
    assertThat(h.uValue("floor").orElseThrow()).isCloseTo(0.21975, within(5e-6));
    assertThat(h.total(HeatLossTest::upright).heatLoss().get(Beyond.GROUND))
        .isCloseTo(80 * 0.21975 + 97.2 * 0.22413, within(2e-3));
    // a bare floor makes the walls lose less: df = 0.72
    Envelope bare =
        of(
            Map.of("k", "Heated"),
            basement("f", "w"),
            Map.of("f", List.of(resisting("rf", 0)), "w", List.of(resisting("rw", 3.0))));
    assertThat(loss(bare, 216).uValue("w2").orElseThrow())
        .isCloseTo(
            4 / (2.7 * Math.PI) * (1 + 0.5 * 0.72 / 3.42) * Math.log(2.7 / 6.34 + 1), within(1e-9));
  }

  @Test
  void wallsOfABasementWithoutAKnownFloorSaySo() {
    Envelope e =
        of(
            Map.of("k", "Heated"),
            basement("gone", "w"),
            Map.of("w", List.of(resisting("rw", 3.0))));
    HeatLoss h = loss(e, 216);
    assertThat(h.uValue("w2")).isPresent();
    assertThat(h.uValue("floor")).isEmpty();
    assertThat(h.assumptions()).anyMatch(a -> a.contains("floor has no known resistance"));
  }

  /** Slab of 40 m² and 26 m: an air layer of 50 mm, heat down, has 0.21 (ISO 6946, table 8). */
  @Test
  void aGroundFloorWithAnAirLayer() {
    Material air =
        new Material("air", "Air", 0.05, null, null, null, null, SourceRef.REPAIR, Extras.NONE);
    Envelope e =
        of(
            Map.of("a", "Heated"),
            List.of(
                surface(
                    "floor", SurfaceType.SLAB_ON_GRADE, box(0, 0, 0, 8, 5, 3).get(0), "f", "a")),
            Map.of("f", List.of(air, resisting("r", 1.0))));
    assertThat(loss(e, 120).uValue("floor").orElseThrow())
        .isCloseTo(new GroundFloor(40, 26, 2.0, 0.3).slab(1.21), within(1e-12));
  }

  /**
   * Half of the area resists 1, half 3, with a layer of 0.5: upper limit (with 0.17) 1 / (0.5/1.67
   * + 0.5/3.67), lower 0.67 + 1 / (0.5/1 + 0.5/3); the floor is the mean without the air.
   */
  @Test
  void aBridgedGroundFloorIsTheMeanOfBothLimits() {
    Envelope e =
        of(
            Map.of("a", "Heated"),
            List.of(
                surface(
                    "floor", SurfaceType.SLAB_ON_GRADE, box(0, 0, 0, 8, 5, 3).get(0), "f", "a")),
            Map.of("f", List.of(resisting("r", 0.5))));
    Layer beside =
        new Layer("l-b", "", List.of("m1", "m3"), List.of(0.5, 0.5), SourceRef.REPAIR, Extras.NONE);
    List<Layer> layers = new ArrayList<>(e.layers());
    layers.add(beside);
    List<Material> materials = new ArrayList<>(e.materials());
    materials.add(resisting("m1", 1));
    materials.add(resisting("m3", 3));
    e =
        e.withConstructions(
            List.of(
                new Construction(
                    "f", "f", List.of("l-f", "l-b"), null, SourceRef.REPAIR, Extras.NONE)),
            layers,
            materials);
    double upper = 1 / (0.5 / 1.67 + 0.5 / 3.67);
    double lower = 0.67 + 1 / (0.5 + 0.5 / 3);
    assertThat(loss(e, 120).uValue("floor").orElseThrow())
        .isCloseTo(
            new GroundFloor(40, 26, 2.0, 0.3).slab((upper + lower) / 2 - 0.17), within(1e-12));
  }

  /**
   * Between a heated room and an unheated basement heat flows down, on whichever side the floor is
   * drawn: 1 / (0.17 + 0.5 + 0.17) = 1.19. Between two heated rooms it may flow either way.
   */
  @Test
  void aFloorOverABasementLosesHeatDownwards() {
    Polygon up = box(0, 0, 0, 8, 5, 3).get(0).reversed();
    Map<String, List<Material>> made = Map.of("f", List.of(resisting("r", 0.5)));
    Surface fromBelow = surface("f1", SurfaceType.CEILING, up, "f", "k", "a");
    Surface fromAbove = surface("f2", SurfaceType.INTERIOR_FLOOR, up.reversed(), "f", "a", "k");
    for (Surface s : List.of(fromBelow, fromAbove)) {
      Envelope e = of(Map.of("a", "Heated", "k", "Unconditioned"), List.of(s), made);
      assertThat(loss(e, 120).uValue(s.key()).orElseThrow()).isCloseTo(1 / 0.84, within(1e-12));
      Envelope both = of(Map.of("a", "Heated", "k", "Heated"), List.of(s), made);
      assertThat(loss(both, 120).uValue(s.key()).orElseThrow()).isCloseTo(1 / 0.76, within(1e-12));
      Envelope attic = of(Map.of("a", "Unconditioned", "k", "Heated"), List.of(s), made);
      assertThat(loss(attic, 120).uValue(s.key()).orElseThrow()).isCloseTo(1 / 0.70, within(1e-12));
    }
  }

  /**
   * Heated – store – lobby – outdoors. All walls of 15 m² and 20 m² have R 0.5; without air
   * exchange in this test's volumes of nothing the chain is worked out as resistances in series.
   */
  @Test
  void unconditionedSpacesExchangeHeat() {
    List<Polygon> a = box(0, 0, 0, 4, 5, 3);
    List<Polygon> b = box(4, 0, 0, 8, 5, 3);
    List<Polygon> c = box(8, 0, 0, 12, 5, 3);
    List<Surface> s =
        List.of(
            surface("ab", SurfaceType.INTERIOR_WALL, a.get(3), "w", "a", "store"),
            surface("bc", SurfaceType.INTERIOR_WALL, b.get(3), "w", "store", "lobby"),
            surface("out", SurfaceType.EXTERIOR_WALL, c.get(3), "w", "lobby"));
    Envelope e =
        of(
            Map.of("a", "Heated", "store", "Unconditioned", "lobby", "Unconditioned"),
            s,
            Map.of("w", List.of(resisting("r", 0.5))));
    double inside = 15 / 0.76;
    double outside = 15 / 0.67;
    double chain = 1 / (2 / inside + 1 / outside);
    HeatLoss h = loss(e, 0);
    assertThat(h.total(HeatLossTest::upright).heatLoss().get(Beyond.UNCONDITIONED))
        .isCloseTo(chain, within(1e-11));
    assertThat(h.assumptions()).anyMatch(x -> x.contains("with each other"));
  }

  @Test
  void aSuspendedFloorByTheProject() {
    Surface floor =
        surface("floor", SurfaceType.RAISED_FLOOR, box(0, 0, 0.5, 10, 10, 3).get(0), "f", "a");
    Envelope e =
        of(
            Map.of("a", "Heated"),
            List.of(floor),
            Map.of("f", List.of(resisting("r", 0.022 / 0.13 + 0.1 / 0.04))));
    HeatLossOptions options =
        new HeatLossOptions(
            GroundKind.SAND,
            null,
            new HeatLossOptions.SuspendedFloor(0.5, 1.7, 0.002, 4, 0.05, 0),
            0.5);
    HeatLoss h = HeatLoss.of(e, options, s -> s.polygon().tilt(), s -> 250, s -> true, s -> true);
    // the suspended floor of ISO 13370's worked example, P 40 m, A 100 m²
    assertThat(h.uValue("floor").orElseThrow()).isCloseTo(0.2610568368, within(6e-11));
    assertThat(loss(e, 250).uValue("floor").orElseThrow())
        .isCloseTo(1 / (0.21 + 0.022 / 0.13 + 2.5), within(1e-12));
  }

  @Test
  void heatCapacityEndsAtTheInsulation() {
    // 0.1 m of concrete, 240 kJ/(m²K) whole; 12.5 mm of plasterboard 11.25 kJ/(m²K); ISO 10456
    Material concrete = material(0.1, 2.0, 2400, 1000);
    Material eps = material(0.1, 0.035, 20, 1450);
    Material board = material(0.0125, 0.25, 900, 1000);
    BuildUp b = BuildUp.of(List.of(concrete, eps, board));
    assertThat(HeatCapacity.whole(b).orElseThrow())
        .isCloseTo(240_000 + 2_900 + 11_250, within(1e-6));
    assertThat(HeatCapacity.inside(b).orElseThrow()).isCloseTo(11_250, within(1e-6));
    assertThat(HeatCapacity.inside(BuildUp.of(List.of(concrete))).orElseThrow())
        .isCloseTo(120_000, within(1e-6));
    assertThat(HeatCapacity.Mass.of(170_000)).isEqualTo(HeatCapacity.Mass.MEDIUM);
  }

  /** The air layer weighs nothing and does not hide the concrete behind it. */
  @Test
  void heatCapacityReachesThroughAnAirLayer() {
    Material board = material(0.0125, 0.25, 900, 1000);
    Material air =
        new Material("air", "Air", 0.03, null, null, null, null, SourceRef.REPAIR, Extras.NONE);
    Material concrete = material(0.2, 2.0, 2400, 1000);
    // 12.5 mm of board, 30 mm of air, 57.5 mm of concrete: 100 mm
    assertThat(HeatCapacity.inside(BuildUp.of(List.of(concrete, air, board))).orElseThrow())
        .isCloseTo(11_250 + 0.0575 * 2_400_000, within(1e-6));
    assertThat(HeatCapacity.whole(BuildUp.of(List.of(concrete, air, board))).orElseThrow())
        .isCloseTo(11_250 + 480_000, within(1e-6));
  }

  private static Material material(
      double thickness, double conductivity, double density, double heat) {
    return new Material(
        "m" + thickness,
        "",
        thickness,
        conductivity,
        density,
        heat,
        null,
        SourceRef.REPAIR,
        Extras.NONE);
  }
}
