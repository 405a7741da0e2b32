package yentra.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.plan.PlanFixtures.area;
import static yentra.core.plan.PlanFixtures.envelope;
import static yentra.core.plan.PlanFixtures.faults;
import static yentra.core.plan.PlanFixtures.floorArea;
import static yentra.core.plan.PlanFixtures.openings;
import static yentra.core.plan.PlanFixtures.read;
import static yentra.core.plan.PlanFixtures.storeys;
import static yentra.core.plan.PlanFixtures.volume;

import java.util.List;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;

/** Envelopes of drawn buildings against closed forms. */
class PlanEnvelopeTest {
  private static final double E = 1e-6;
  private static final String BOX = "\"outlines\": [{\"corners\": [[0,0],[10,0],[10,8],[0,8]]}]";

  private static List<String> names(Envelope e) {
    return e.spaces().stream().map(Space::name).toList();
  }

  private static double typed(Envelope e, SurfaceType type) {
    return e.surfaces().stream()
        .filter(s -> s.type() == type)
        .mapToDouble(s -> s.polygon().area())
        .sum();
  }

  @Test
  void aBox() {
    Envelope e = envelope(storeys(1, BOX, ""));
    assertThat(e.surfaces()).hasSize(6);
    assertThat(volume(e)).isCloseTo(240, within(E));
    assertThat(area(e, Exposure.OUTDOOR)).isCloseTo(2 * 18 * 3 + 80, within(E));
    assertThat(area(e, Exposure.GROUND)).isCloseTo(80, within(E));
    assertThat(faults(e)).isEmpty();
  }

  @Test
  void theDocumentOfTheDescription() {
    Envelope e = envelope(PlanFixtures.STORE);
    double plan = 24 * 12 - 12;
    double attic = 24 * 6 * 6 * Math.tan(Math.toRadians(30)) / 1.0 - courtyardAir();
    assertThat(volume(e)).isCloseTo(plan * 6.4 + attic, within(1e-3));
    assertThat(floorArea(e)).isCloseTo(plan * 3, within(1e-3));
    assertThat(faults(e)).isEmpty();
    assertThat(names(e)).contains("Workshop", "Workshop, First", "First attic");
    Space workshop = e.spaces().stream().filter(s -> s.name().equals("Workshop")).findFirst().get();
    assertThat(workshop.use()).isEqualTo("WorkshopWorkshop");
    assertThat(e.site().northAzimuth()).isEqualTo(12);
  }

  /**
   * What the gable's air would be over the courtyard: 4 m long, from y = 5 to 8, ridge at y = 6.
   */
  private static double courtyardAir() {
    double t = Math.tan(Math.toRadians(30));
    return 4 * t * ((5 + 6) / 2.0 * 1 + (6 + 4) / 2.0 * 2);
  }

  @Test
  void linesPartSpacesAndMayCross() {
    Envelope e =
        envelope(storeys(1, BOX + ", \"lines\": [[[4,-0.01],[4,8.3]], [[0.01,5],[9.99,5]]]", ""));
    assertThat(e.spaces()).hasSize(4);
    assertThat(volume(e)).isCloseTo(240, within(1e-4));
    assertThat(area(e, Exposure.SPACE)).isCloseTo(18 * 3, within(1e-4));
    assertThat(faults(e)).isEmpty();
  }

  @Test
  void aLineThatEndsFreePartsNothing() {
    Envelope e = envelope(storeys(1, BOX + ", \"lines\": [[[4,0],[4,5]]]", ""));
    assertThat(e.spaces()).hasSize(1);
    assertThat(e.surfaces()).hasSize(6);
  }

  @Test
  void aLineOfAirPartsWithoutAWall() {
    Envelope e =
        envelope(storeys(1, BOX + ", \"lines\": [{\"points\": [[4,0],[4,8]], \"air\": true}]", ""));
    Surface s = PlanFixtures.of(e, Exposure.NONE).findFirst().orElseThrow();
    assertThat(s.kind()).isEqualTo(BoundaryKind.VIRTUAL);
    assertThat(s.sides()).hasSize(2);
    assertThat(s.polygon().area()).isCloseTo(24, within(E));
    assertThat(faults(e)).isEmpty();
  }

  @Test
  void everySurfaceKnowsWhatDrewIt() {
    Envelope e =
        envelope(
            storeys(
                1,
                "\"outlines\": [{\"id\": \"edge\", \"corners\": [[0,0],[10,0],[10,8],[0,8]]}], \"lines\": [{\"id\": \"middle\", \"points\": [[4,0],[4,8]]}]",
                ""));
    assertThat(e.surfaces()).allMatch(s -> !s.source().id().isEmpty());
    Surface between = PlanFixtures.of(e, Exposure.SPACE).findFirst().orElseThrow();
    assertThat(between.source().elementClass()).isEqualTo("Line");
    assertThat(between.source().id()).isEqualTo("middle.0");
    assertThat(
            PlanFixtures.of(e, Exposure.OUTDOOR)
                .filter(s -> s.type() == SurfaceType.EXTERIOR_WALL)
                .map(s -> s.source().id())
                .distinct())
        .containsExactlyInAnyOrder("edge.0", "edge.1", "edge.2", "edge.3");
  }

  @Test
  void storeysWithOtherPlansShareFloors() {
    Envelope e =
        envelope(
            """
            {"yentraPlan": 1, "ground_m": 0, "storeys": [{"name": "A", "level_m": 0, "height_m": 3}, {"name": "B", "level_m": 3, "height_m": 4}],
             "floors": [{"storey": "A", "outlines": [{"corners": [[0,0],[10,0],[10,8],[0,8]]}], "lines": [[[5,0],[5,8]]]},
                        {"storey": "B", "outlines": [{"corners": [[2,2],[14,2],[14,6],[2,6]]}]}]}
            """);
    assertThat(volume(e)).isCloseTo(240 + 48 * 4, within(1e-4));
    assertThat(typed(e, SurfaceType.ROOF)).isCloseTo(80 - 32 + 48, within(1e-4));
    assertThat(typed(e, SurfaceType.EXPOSED_FLOOR)).isCloseTo(16, within(1e-4));
    assertThat(typed(e, SurfaceType.INTERIOR_FLOOR)).isCloseTo(32, within(1e-4));
    assertThat(faults(e)).isEmpty();
  }

  @Test
  void wallsAreCutAtTheGround() {
    Envelope e = envelope(storeys(2, BOX, "").replace("\"ground_m\": 0,", "\"ground_m\": 1.25,"));
    assertThat(typed(e, SurfaceType.UNDERGROUND_WALL)).isCloseTo(36 * 1.25, within(E));
    assertThat(typed(e, SurfaceType.EXTERIOR_WALL)).isCloseTo(36 * 4.75, within(E));
    assertThat(typed(e, SurfaceType.UNDERGROUND_SLAB)).isCloseTo(80, within(E));
    assertThat(faults(e)).isEmpty();
  }

  @Test
  void aHallRisesThroughTheNextStorey() {
    Envelope e =
        envelope(
            storeys(
                2,
                BOX
                    + ", \"lines\": [[[4,0],[4,8]], [[4,4],[10,4]]], \"spaces\": [{\"at\": [1,1], \"name\": \"Hall\", \"rises\": [\"S1\"]}]",
                ""));
    assertThat(e.spaces()).hasSize(5);
    assertThat(volume(e, "Hall")).isCloseTo(32 * 6, within(E));
    assertThat(volume(e)).isCloseTo(480, within(1e-4));
    assertThat(faults(e)).isEmpty();
  }

  @Test
  void bandsFollowTheOutline() {
    Envelope e = envelope(storeys(1, BOX + ", \"bands\": {\"depth_m\": 2}", ""));
    assertThat(names(e))
        .containsExactlyInAnyOrder(
            "S0 south side", "S0 east side", "S0 north side", "S0 west side", "S0 core");
    assertThat(volume(e, "S0 core")).isCloseTo(6 * 4 * 3, within(1e-4));
    assertThat(volume(e, "S0 south side")).isCloseTo((10 + 6) / 2.0 * 2 * 3, within(1e-4));
    assertThat(faults(e)).isEmpty();
  }

  /** Volumes of roofs over a rectangle of 10 by 8 m: prisms and pyramids. */
  @ParameterizedTest
  @CsvSource({
    "gable, 90, 0.5, 80",
    "gable, 0, 0.5, 100",
    "shed, 90, 0.5, 160",
    "shed, 0, 0.5, 200",
    "hip, 0, 0.5, 0",
  })
  void roofsHaveTheirVolume(String kind, double ridge, double rise, double expected) {
    double pitch = Math.toDegrees(Math.atan(rise));
    String rule =
        "\"roofs\": [{\"storey\": \"S0\", \"kind\": \"%s\", \"pitch_deg\": %s, \"ridge_deg\": %s, \"space\": \"%s\"}],";
    Envelope own = envelope(storeys(1, BOX, rule.formatted(kind, pitch, ridge, "own")));
    double attic = kind.equals("hip") ? hip(10, 8, rise) : expected;
    assertThat(volume(own, "S0 attic")).isCloseTo(attic, within(1e-4));
    assertThat(faults(own)).isEmpty();
    assertThat(typed(own, SurfaceType.ROOF)).isCloseTo(80 * Math.hypot(1, rise), within(1e-4));
    Envelope joined =
        envelope(
            storeys(
                1,
                BOX + ", \"lines\": [[[3,0],[3,8]], [[3,5],[10,5]]]",
                rule.formatted(kind, pitch, ridge, "joined")));
    assertThat(joined.spaces()).hasSize(3);
    assertThat(volume(joined)).isCloseTo(240 + attic, within(1e-4));
    assertThat(typed(joined, SurfaceType.ROOF)).isCloseTo(80 * Math.hypot(1, rise), within(1e-4));
    assertThat(faults(joined)).isEmpty();
  }

  /** A prism between two half pyramids. */
  private static double hip(double a, double b, double rise) {
    double h = b / 2 * rise;
    return (a - b) * b * h / 2 + b * b * h / 3;
  }

  /** Roof area of a hip is the plan's over the cosine of its pitch, whatever the outline. */
  @ParameterizedTest
  @CsvSource({
    "'[[0,0],[12,0],[12,6],[6,6],[6,14],[0,14]]', ''",
    "'[[0,0],[20,0],[20,16],[0,16]]', ', \"holes\": [[[7,6],[13,6],[13,10],[7,10]]]'",
    "'[[0,0],[9,2],[14,9],[5,15],[-2,8]]', ''",
  })
  void hipsOverAnyOutline(String corners, String holes) {
    Envelope e =
        envelope(
            storeys(
                1,
                "\"outlines\": [{\"corners\": " + corners + holes + "}]",
                "\"roofs\": [{\"storey\": \"S0\", \"kind\": \"hip\", \"pitch_deg\": 35}],"));
    double plan = area(e, Exposure.GROUND);
    assertThat(typed(e, SurfaceType.ROOF))
        .isCloseTo(plan / Math.cos(Math.toRadians(35)), within(1e-3));
    assertThat(faults(e)).isEmpty();
  }

  @Test
  void aRoofStandsBesideATallerPart() {
    Envelope e =
        envelope(
            """
            {"yentraPlan": 1, "ground_m": 0, "storeys": [{"name": "A", "level_m": 0, "height_m": 3}, {"name": "B", "level_m": 3, "height_m": 6}],
             "floors": [{"storey": "A", "outlines": [{"corners": [[0,0],[16,0],[16,8],[0,8]]}]},
                        {"storey": "B", "outlines": [{"corners": [[10,0],[16,0],[16,8],[10,8]]}]}],
             "roofs": [{"storey": "A", "kind": "gable", "pitch_deg": 45, "ridge_deg": 90, "space": "joined"}]}
            """);
    assertThat(e.spaces()).hasSize(2);
    assertThat(volume(e)).isCloseTo(16 * 8 * 3 + 6 * 8 * 6 + 10 * 8 * 4 / 2.0, within(1e-4));
    // the gable's end against the taller part is a wall between the two
    assertThat(
            PlanFixtures.of(e, Exposure.SPACE)
                .filter(s -> s.type() == SurfaceType.INTERIOR_WALL)
                .mapToDouble(s -> s.polygon().area())
                .sum())
        .isCloseTo(16, within(1e-4));
    assertThat(faults(e)).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({"band,0.4", "single,0.3", "each,0.35", "band,0.75", "each,0.72"})
  void windowsHaveTheShareAskedFor(String form, double ratio) {
    Envelope e =
        envelope(
            storeys(
                2,
                BOX,
                "\"glazing\": [{\"ratio\": %s, \"sill_m\": 0.9, \"head_m\": 2.6, \"form\": \"%s\", \"bay_m\": 2.5}],"
                    .formatted(ratio, form)));
    assertThat(openings(e)).isCloseTo(36 * 6 * ratio, within(1e-6));
    assertThat(faults(e)).isEmpty();
    boolean beyond = ratio > 0.6;
    assertThat(e.notes().stream().anyMatch(n -> n.kind() == ReadNote.Kind.ASSUMED))
        .isEqualTo(beyond);
  }

  @Test
  void sillAndHeadAreKeptWhereTheShareAllows() {
    Envelope e =
        envelope(
            storeys(
                2,
                BOX,
                "\"glazing\": [{\"ratio\": 0.4, \"sill_m\": 0.8, \"head_m\": 2.6, \"form\": \"single\"}],"));
    e.surfaces().stream()
        .flatMap(s -> s.openings().stream())
        .forEach(
            o -> {
              double floor = o.polygon().box().min().z() > 3 ? 3 : 0;
              assertThat(o.polygon().box().min().z()).isCloseTo(floor + 0.8, within(E));
              assertThat(o.polygon().box().max().z()).isCloseTo(floor + 2.6, within(E));
            });
  }

  @Test
  void aShareThatDoesNotFitIsSaid() {
    Envelope e = envelope(storeys(1, BOX, "\"glazing\": [{\"ratio\": 0.99}],"));
    assertThat(e.notes().stream().filter(n -> n.kind() == ReadNote.Kind.UNFITTED)).hasSize(4);
    assertThat(faults(e)).hasSize(4).allMatch(f -> f.startsWith("OPN-609"));
    assertThat(openings(e)).isGreaterThan(0.9 * 108).isLessThan(0.99 * 108);
  }

  /** In a wall of 10 by 3 m, 9.9 by 2.9 m fit: 95.7 %. */
  @ParameterizedTest
  @CsvSource({"0.966, 0", "0.968, 1"})
  void aLittleLessIsNoFinding(double ratio, int findings) {
    Envelope e =
        envelope(
            storeys(
                1,
                BOX,
                "\"glazing\": [{\"where\": {\"facing_deg\": [135, 225]}, \"ratio\": %s}],"
                    .formatted(ratio)));
    assertThat(faults(e)).hasSize(findings);
  }

  @Test
  void laterRulesWinAndFacingIsFromTrueNorth() {
    String rules =
        "\"place\": {\"north_deg\": 90}, \"glazing\": [{\"ratio\": 0.2}, {\"where\": {\"facing_deg\": [225, 315]}, \"ratio\": 0.5}],";
    Envelope e = envelope(storeys(1, BOX, rules));
    // with y to the east, the south side of the drawing (10 m) faces west
    assertThat(openings(e)).isCloseTo(0.5 * 30 + 0.2 * (30 + 48), within(E));
  }

  @Test
  void whatIsFittedByHandStays() {
    String hand =
        "\"glazing\": [{\"by\": \"hand\", \"storey\": \"S0\", \"at\": [5, 0.02], \"type\": \"door\", \"width_m\": 1.2, \"head_m\": 2.2}, {\"ratio\": 0.3}],";
    Envelope e = envelope(storeys(1, BOX, hand));
    List<yentra.core.envelope.Opening> doors =
        e.surfaces().stream()
            .flatMap(s -> s.openings().stream())
            .filter(o -> !o.type().isGlazed())
            .toList();
    assertThat(doors).hasSize(1);
    assertThat(doors.get(0).polygon().area()).isCloseTo(1.2 * 2.2, within(E));
    assertThat(openings(e)).isCloseTo(0.3 * 108 + 2.64, within(E));
    assertThat(faults(e)).isEmpty();
  }

  @Test
  void rooflightsLieInTheirRoof() {
    Envelope e =
        envelope(
            storeys(
                1,
                "\"outlines\": [{\"corners\": [[0,0],[12,0],[12,6],[6,6],[6,14],[0,14]]}]",
                "\"glazing\": [{\"where\": {\"roofs\": true}, \"ratio\": 0.1}],"));
    assertThat(openings(e)).isCloseTo(0.1 * 120, within(1e-4));
    assertThat(faults(e)).isEmpty();
  }

  @Test
  void overhangsFinsAndBlocksCastShade() {
    Envelope e =
        envelope(
            storeys(
                1,
                BOX,
                """
                "glazing": [{"where": {"facing_deg": [135, 225]}, "ratio": 0.4}],
                "shading": [{"where": {"facing_deg": [135, 225]}, "overhang_m": 0.8, "fin_m": 0.5},
                            {"block": {"corners": [[20,0],[26,0],[26,8],[20,8]], "level_m": 0, "height_m": 9}}],
                """));
    double shade = area(e, Exposure.SHADE);
    double height = 0.4 * 30 / 9.9;
    assertThat(shade).isCloseTo(9.9 * 0.8 + 2 * 0.5 * height + 48 + 28 * 9, within(1e-6));
    assertThat(faults(e)).isEmpty();
  }

  @Test
  void wallsDrawnTwiceAreOne() {
    Envelope e =
        envelope(
            """
            {"yentraPlan": 1, "ground_m": 0, "storeys": [{"name": "A", "level_m": 0, "height_m": 3}, {"name": "B", "level_m": 3, "height_m": 3}],
             "floors": [{"storey": "A", "outlines": [{"corners": [[0,0],[10,0],[10,8],[0,8]]}, {"corners": [[10.008,0.003],[15,0],[15,8],[9.995,8.01]]}]},
                        {"storey": "B", "outlines": [{"corners": [[0.01,-0.01],[15.01,0.004],[15,8],[0,7.992]]}]}]}
            """);
    assertThat(volume(e)).isCloseTo(15 * 8 * 6, within(1e-4));
    assertThat(typed(e, SurfaceType.INTERIOR_WALL)).isCloseTo(24, within(1e-4));
    assertThat(typed(e, SurfaceType.ROOF)).isCloseTo(120, within(1e-4));
    assertThat(faults(e)).isEmpty();
  }

  @Test
  void keysStayWhereALineMoves() {
    String plan =
        BOX
            + ", \"lines\": [[[%s,0],[%s,8]], [[7,0],[7,8]]], \"spaces\": [{\"at\": [1,1], \"name\": \"Store\"}]";
    Envelope a = envelope(storeys(1, plan.formatted(4, 4), ""));
    Envelope b = envelope(storeys(1, plan.formatted(4.5, 4.5), ""));
    TreeSet<String> same = new TreeSet<>(a.spaces().stream().map(Space::key).toList());
    same.retainAll(b.spaces().stream().map(Space::key).toList());
    // the named one that was touched, and the one that was not
    assertThat(same).hasSize(2);
    Envelope again = envelope(storeys(1, plan.formatted(4, 4), ""));
    assertThat(again.surfaces()).isEqualTo(a.surfaces());
  }

  @Test
  void aNameWithoutAFaceIsReported() {
    Envelope e =
        envelope(storeys(1, BOX + ", \"spaces\": [{\"at\": [30,1], \"name\": \"Lost\"}]", ""));
    assertThat(e.notes())
        .anyMatch(n -> n.kind() == ReadNote.Kind.LEFT_OUT && n.message().contains("Lost"));
  }

  @Test
  void whatNoStoreyCoversIsSaid() {
    String apart = storeys(2, BOX, "").replace("\"level_m\": 3,", "\"level_m\": 3.4,");
    assertThat(envelope(apart).notes())
        .extracting(ReadNote::message)
        .containsExactly(
            "nothing is drawn from the top of S0 at 3.000 m to S1 at 3.400 m: outdoor air is taken there");
    String far = storeys(2, BOX, "").replace("\"level_m\": 3,", "\"level_m\": 5,");
    assertThat(envelope(far).notes()).isEmpty();
    assertThat(envelope(storeys(2, BOX, "")).notes()).isEmpty();
  }

  @Test
  void storeysInOnePlaceAreRefused() {
    String clash = storeys(2, BOX, "").replace("\"level_m\": 3,", "\"level_m\": 2,");
    assertThatThrownBy(() -> PlanEnvelope.of(read(clash), Rules.standard()))
        .hasMessageContaining("storeys[1]")
        .hasMessageContaining("lie in one place");
  }

  @Test
  void anOutlineThatCrossesItselfIsRefused() {
    String crossed = storeys(1, "\"outlines\": [{\"corners\": [[0,0],[10,8],[10,0],[0,8]]}]", "");
    assertThatThrownBy(() -> PlanEnvelope.of(read(crossed), Rules.standard()))
        .hasMessageContaining("floors[0].outlines[0]")
        .hasMessageContaining("Draw it so");
  }

  @Test
  void figuresAreThoseOfTheEnvelope() {
    Envelope e =
        envelope(
            storeys(
                2,
                BOX + ", \"bands\": {\"depth_m\": 2}",
                "\"roofs\": [{\"storey\": \"S1\", \"kind\": \"hip\", \"pitch_deg\": 30}], \"glazing\": [{\"where\": {\"facing_deg\": [135, 225]}, \"ratio\": 0.4}, {\"where\": {\"roofs\": true}, \"ratio\": 0.05}],"));
    PlanFigures f = PlanFigures.of(e, Rules.standard());
    assertThat(f.spaces()).isEqualTo(11);
    assertThat(f.floorArea()).isCloseTo(240, within(1e-3));
    assertThat(f.volume()).isCloseTo(volume(e), within(1e-6));
    assertThat(f.facades().get(2).area()).isCloseTo(60, within(1e-6));
    assertThat(f.facades().get(2).glazed()).isCloseTo(0.4, within(1e-9));
    assertThat(f.facades().get(1).glazed()).isZero();
    assertThat(f.roofArea()).isCloseTo(80 / Math.cos(Math.toRadians(30)), within(1e-3));
    assertThat(f.glazedRoof()).isCloseTo(0.05, within(1e-6));
  }

  @Test
  void aCourtyardMayBeOpenToASide() {
    String open =
        "\"outlines\": [{\"corners\": [[0,0],[12,0],[12,8],[0,8]], \"holes\": [[[4,0],[8,0],[8,5],[4,5]]]}], \"bands\": {\"depth_m\": 1}";
    Envelope e = envelope(storeys(1, open, ""));
    assertThat(volume(e)).isCloseTo((96 - 20) * 3, within(1e-3));
    assertThat(area(e, Exposure.OUTDOOR)).isCloseTo(76 + (40 + 2 * 5) * 3, within(1e-3));
    assertThat(faults(e)).isEmpty();
    String outside = open.replace("[8,5],[4,5]", "[8,9],[4,9]");
    assertThatThrownBy(() -> PlanEnvelope.of(read(storeys(1, outside, "")), Rules.standard()))
        .hasMessageContaining("a hole reaches outside");
  }

  @Test
  void splitLevelsStandSideBySide() {
    Envelope e =
        envelope(
            """
            {"yentraPlan": 1, "ground_m": 0, "storeys": [{"name": "A", "level_m": 0, "height_m": 3}, {"name": "Half", "level_m": 1.5, "height_m": 3}],
             "floors": [{"storey": "A", "outlines": [{"corners": [[0,0],[10,0],[10,8],[0,8]]}]},
                        {"storey": "Half", "outlines": [{"corners": [[10,2],[16,2],[16,8],[10,8]]}]}]}
            """);
    assertThat(typed(e, SurfaceType.INTERIOR_WALL)).isCloseTo(6 * 1.5, within(E));
    assertThat(volume(e)).isCloseTo(240 + 36 * 3, within(1e-4));
    assertThat(faults(e)).isEmpty();
  }
}
