package yentra.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.surface;
import static yentra.core.Fixtures.v;
import static yentra.core.Fixtures.window;

import java.util.List;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import yentra.core.Fixtures;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Side;
import yentra.core.envelope.Site;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.Uncovered;
import yentra.core.finding.Finding;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/** Checks of surfaces, openings and spaces: the fault just beyond its limit, and just within. */
class EnvelopeChecksTest {
  private static List<Finding> found(Envelope e, String code) {
    return Fixtures.check(e).stream().filter(f -> f.code().equals(code)).toList();
  }

  private static Finding only(Envelope e, String code) {
    List<Finding> all = found(e, code);
    assertThat(all).as(code).hasSize(1);
    return all.get(0);
  }

  private static Envelope changed(String key, UnaryOperator<Surface> change) {
    return rooms().replacing(key, change);
  }

  private static Polygon south(double x0, double x1, double z0, double z1) {
    return Polygon.of(v(x0, 0, z0), v(x1, 0, z0), v(x1, 0, z1), v(x0, 0, z1));
  }

  private static Envelope withWindow(Polygon p, OpeningType type) {
    Opening w = window("w2", p);
    Opening typed = Opening.of(w.key(), type, p).withSource(w.source());
    return changed(
        "a-south",
        s -> {
          List<Opening> all = new java.util.ArrayList<>(s.openings());
          all.add(typed);
          return s.withOpenings(all);
        });
  }

  private static Envelope at(double latitude, double longitude, Double elevation) {
    Site s = rooms().site();
    return rooms()
        .withSite(new Site(s.name(), latitude, longitude, elevation, s.northAzimuth(), s.extras()));
  }

  /** 52° 31′, 13° 24′ is the middle of Berlin; the place of the real house, which is elsewhere. */
  @Test
  void aPlaceThatWasNeverSet() {
    assertThat(only(at(52 + 31 / 60.0, 13.4, 0.0), "LOC-804").message()).contains("Berlin");
    assertThat(found(at(52.516667, 13.4, null), "LOC-804"))
        .as("written with six digits")
        .hasSize(1);
    assertThat(found(at(52 + 31 / 60.0, 13.4, 34.0), "LOC-804"))
        .as("its height is known")
        .isEmpty();
    assertThat(found(at(52 + 31.2 / 60.0, 13.4, 0.0), "LOC-804")).as("measured").isEmpty();
    assertThat(found(at(52 + 29 / 60.0, 13.4, 0.0), "LOC-804")).as("elsewhere").isEmpty();
    assertThat(found(rooms(), "LOC-804")).isEmpty();
  }

  @Test
  void aSurfaceOfWhichNothingIsKnownBehind() {
    Envelope e =
        changed("a-south", s -> surface("a-south", SurfaceType.UNRESOLVED, s.polygon(), null, "a"));
    Finding f = only(e, "ADJ-512");
    assertThat(f.objects()).containsExactly("a-south");
    assertThat(f.measured())
        .isCloseTo(e.surface("a-south").orElseThrow().polygon().area(), within(1e-9));
    assertThat(found(rooms(), "ADJ-512")).isEmpty();
  }

  @Test
  void slivers() {
    Envelope thin = rooms().plus(surface("x", SurfaceType.SHADE, south(10, 12, 0, 0.0199), null));
    assertThat(only(thin, "GEO-305").measured()).isCloseTo(0.0197, within(1e-4));
    Envelope wide = rooms().plus(surface("x", SurfaceType.SHADE, south(10, 14, 0, 0.0204), null));
    assertThat(found(wide, "GEO-305")).isEmpty();
  }

  @Test
  void aSurfaceTwice() {
    Polygon again = south(0, 4, 0, 3);
    Finding f =
        only(rooms().plus(surface("x", SurfaceType.EXTERIOR_WALL, again, "con-1", "a")), "GEO-307");
    assertThat(f.objects()).containsExactly("a-south", "x");
    assertThat(f.measured()).isCloseTo(100, within(1e-6));
    Polygon apart = Polygon.of(v(0, 0.006, 0), v(4, 0.006, 0), v(4, 0.006, 3), v(0, 0.006, 3));
    assertThat(
            found(
                rooms().plus(surface("x", SurfaceType.EXTERIOR_WALL, apart, "con-1", "a")),
                "GEO-307"))
        .isEmpty();
  }

  @Test
  void twoSurfacesOfOneSpaceOverlap() {
    Envelope e =
        rooms().plus(surface("x", SurfaceType.EXTERIOR_WALL, south(0, 0.5, 0, 1), "con-1", "a"));
    assertThat(only(e, "GEO-308").measured()).isCloseTo(0.5, within(1e-9));
    Envelope little =
        rooms()
            .plus(surface("x", SurfaceType.EXTERIOR_WALL, south(-0.5, 0.009, 0, 1), "con-1", "a"));
    assertThat(found(little, "GEO-308")).isEmpty();
  }

  @Test
  void twoFacingExteriorWalls() {
    for (double apart : new double[] {0.59, 0.61}) {
      Envelope e = rooms();
      Polygon far =
          Polygon.of(
              e.surface("between").orElseThrow().polygon().reversed().outer().stream()
                  .map(p -> p.plus(v(apart, 0, 0)))
                  .toList());
      Envelope halves =
          e.replacing(
                  "between",
                  s -> s.withSides(List.of(Side.of("a"))).withType(SurfaceType.EXTERIOR_WALL))
              .plus(surface("x", SurfaceType.EXTERIOR_WALL, far, "con-1", "b"));
      if (apart < 0.6) {
        assertThat(only(halves, "ADJ-503").measured()).isCloseTo(apart, within(1e-9));
      } else {
        assertThat(found(halves, "ADJ-503")).isEmpty();
      }
    }
  }

  @Test
  void aTypeThatContradictsTheTilt() {
    Finding f = only(changed("a-roof", s -> s.withType(SurfaceType.EXTERIOR_WALL)), "ADJ-504");
    assertThat(f.measured()).isZero();
    for (double tilt : new double[] {59, 61}) {
      double a = Math.toRadians(tilt);
      Polygon leaning =
          Polygon.of(
              v(20, 0, 0),
              v(22, 0, 0),
              v(22, 2 * Math.cos(a), 2 * Math.sin(a)),
              v(20, 2 * Math.cos(a), 2 * Math.sin(a)));
      Envelope e = rooms().plus(surface("x", SurfaceType.UNDERGROUND_WALL, leaning, "con-1"));
      assertThat(found(e, "ADJ-504")).as("tilt " + tilt).hasSize(tilt < 60 ? 1 : 0);
    }
  }

  @Test
  void aTypeThatContradictsTheGround() {
    Envelope high = changed("a-north", s -> s.withType(SurfaceType.UNDERGROUND_WALL));
    assertThat(only(high, "ADJ-505").measured()).isCloseTo(90, within(1e-9));
    // a wall with a window stands free, whatever the slope does
    Envelope low = changed("a-south", s -> s.withType(SurfaceType.EXTERIOR_WALL));
    assertThat(found(low, "ADJ-505")).isEmpty();
  }

  @Test
  void oneSpaceOnBothSides() {
    Envelope e = changed("between", s -> s.withSides(List.of(Side.of("a"), Side.of("a"))));
    assertThat(only(e, "ADJ-507").objects()).containsExactly("between");
  }

  /** A third room above the two is missing: both roofs look into it. */
  @Test
  void outdoorAirThatIsNone() {
    Envelope e = rooms();
    List<Polygon> lid = Fixtures.box(v(0, 0, 3), v(8, 5, 5.8));
    for (int i = 1; i < 6; i++) {
      e = e.plus(surface("lid-" + i, SurfaceType.SHADE, lid.get(i), null));
    }
    assertThat(found(e, "ADJ-508"))
        .extracting(f -> f.objects().get(0))
        .containsExactly("a-roof", "b-roof");
    Finding v = only(e, "SPC-408");
    assertThat(v.measured()).isCloseTo(8 * 5 * 2.8, within(0.03 * 112));
    assertThat(v.objects()).containsExactlyInAnyOrder("a", "b");
    assertThat(found(rooms(), "ADJ-508")).isEmpty();
  }

  @Test
  void volumesThatTheReaderFoundAreToldFromHalfACubicMetreOn() {
    for (double volume : new double[] {0.49, 0.51}) {
      Envelope.Parts p = rooms().parts();
      Uncovered u = new Uncovered(List.of("a"), volume, v(1, 1, 4), v(0, 0, 3), v(1, 1, 3.5));
      Envelope e =
          Envelope.of(
              Envelope.Parts.of(p.delivered(), p.site())
                  .with()
                  .buildings(p.buildings())
                  .storeys(p.storeys())
                  .zones(p.zones())
                  .spaces(p.spaces())
                  .surfaces(p.surfaces())
                  .orphans(p.orphans())
                  .constructions(p.constructions())
                  .layers(p.layers())
                  .materials(p.materials())
                  .glazings(p.glazings())
                  .notes(p.notes())
                  .uncovered(List.of(u))
                  .build());
      assertThat(found(e, "SPC-408")).hasSize(volume > 0.5 ? 1 : 0);
    }
  }

  @Test
  void aShadeOnAWall() {
    Envelope e = rooms().plus(surface("x", SurfaceType.SHADE, south(4, 8, 0, 3), null));
    Finding f = only(e, "ADJ-510");
    assertThat(f.objects()).containsExactly("x", "b-south");
    assertThat(f.measured()).isCloseTo(12, within(1e-9));
    Envelope before =
        rooms()
            .plus(
                surface(
                    "x",
                    SurfaceType.SHADE,
                    Polygon.of(v(4, -0.01, 0), v(8, -0.01, 0), v(8, -0.01, 3), v(4, -0.01, 3)),
                    null));
    assertThat(found(before, "ADJ-510")).isEmpty();
  }

  @Test
  void sidesOfAPairDiffer() {
    for (double height : new double[] {2.96, 2.98}) {
      Polygon short_ =
          Polygon.of(v(4, 5, 0), v(4, 0, 0), v(4, 0, height), v(4, 5, height)).reversed();
      Envelope e =
          changed(
              "between",
              s ->
                  s.withSides(List.of(Side.of("a", s.polygon()), Side.of("b", short_.reversed()))));
      assertThat(found(e, "ADJ-511")).as("" + height).hasSize(height < 2.97 ? 1 : 0);
    }
  }

  @Test
  void openingsOverlapOrFillTheirWall() {
    Envelope overlap = withWindow(south(2.5, 3.5, 1, 2), OpeningType.FIXED_WINDOW);
    assertThat(only(overlap, "OPN-603").measured()).isCloseTo(0.5, within(1e-9));
    Envelope beside = withWindow(south(3, 3.5, 1, 2), OpeningType.FIXED_WINDOW);
    assertThat(found(beside, "OPN-603")).isEmpty();
    for (double height : new double[] {2.96, 2.98}) {
      Envelope e =
          changed("b-south", s -> s.withOpenings(List.of(window("w", south(4, 8, 0, height)))));
      assertThat(found(e, "OPN-604")).hasSize(height > 2.97 ? 1 : 0);
    }
  }

  @Test
  void openingsWhereTheyCannotBe() {
    Envelope hole = withWindow(south(3.2, 3.8, 1, 2), OpeningType.AIR);
    assertThat(only(hole, "OPN-605").measured()).isCloseTo(0.6, within(1e-9));
    Envelope buried =
        changed(
            "a-floor",
            s ->
                s.withOpenings(
                    List.of(
                        window("w", Polygon.of(v(1, 1, 0), v(1, 2, 0), v(2, 2, 0), v(2, 1, 0))))));
    assertThat(only(buried, "OPN-605").objects()).containsExactly("w", "a-floor");
  }

  @Test
  void openingsThatContradictTheirProperties() {
    Envelope e =
        changed(
            "a-south",
            s ->
                s.withOpenings(
                    List.of(
                        Opening.of("d", OpeningType.NON_SLIDING_DOOR, south(1, 2, 0, 2))
                            .with()
                            .glazing("glass")
                            .source(s.source())
                            .build(),
                        Opening.of("w", OpeningType.FIXED_WINDOW, south(2.5, 3, 1, 2))
                            .with()
                            .construction("con-1")
                            .source(s.source())
                            .build())));
    assertThat(found(e, "OPN-606")).extracting(f -> f.objects().get(0)).containsExactly("d", "w");
  }

  private static Envelope space(UnaryOperator<Space> change) {
    Envelope e = rooms();
    return e.withSpaces(
        e.spaces().stream().map(s -> s.key().equals("a") ? change.apply(s) : s).toList());
  }

  @Test
  void storeys() {
    Envelope none =
        space(
            s ->
                Space.of(s.key())
                    .with()
                    .name(s.name())
                    .zone(s.zone())
                    .building(s.building())
                    .use(s.use())
                    .condition(s.condition())
                    .statedFloorArea(s.statedFloorArea())
                    .statedVolume(s.statedVolume())
                    .shell(s.shell())
                    .source(s.source())
                    .extras(s.extras())
                    .build());
    assertThat(only(none, "SPC-405").message()).contains("on no storey");
    assertThat(found(rooms(), "SPC-405")).isEmpty();
  }

  @Test
  void narrowSpaces() {
    for (double width : new double[] {0.19, 0.21}) {
      List<Polygon> box = Fixtures.box(v(0, 0, 0), v(width, 5, 3));
      Envelope e =
          rooms()
              .withSurfaces(List.of())
              .withSpaces(
                  rooms().spaces().stream()
                      .filter(s -> s.key().equals("a"))
                      .map(s -> s.withShell(box))
                      .toList());
      List<Finding> f = found(e, "SPC-407");
      assertThat(f).as("" + width).hasSize(width < 0.2 ? 1 : 0);
      f.forEach(x -> assertThat(x.measured()).isCloseTo(0.19, within(1e-9)));
    }
  }

  @Test
  void theShellHasAFaceThatNoSurfaceIsOn() {
    Finding f = only(rooms().withoutSurface("a-roof"), "SPC-410");
    assertThat(f.objects()).containsExactly("a");
    assertThat(f.measured()).isCloseTo(20, within(1e-9));
    assertThat(f.evidence().areas()).hasSize(1);
    Vec3 up = v(0, 0, 0.3);
    Envelope raised =
        changed(
            "a-roof",
            s ->
                s.withPolygon(
                    Polygon.of(s.polygon().outer().stream().map(p -> p.plus(up)).toList()),
                    s.sides()));
    assertThat(found(raised, "SPC-410")).as("drawn to the slab's middle").isEmpty();
  }

  /** Only what two spaces see from two sides can differ between them. */
  @Test
  void aSurfaceWithOneSpaceHasNoSidesThatDiffer() {
    Envelope one =
        Fixtures.changed(
            "between",
            s -> s.withSides(List.of(Side.of("a", Fixtures.box(0, 0, 0, 4, 5, 2).get(3)))));
    assertThat(Fixtures.codes(one)).doesNotContain("ADJ-511");
    Envelope both =
        Fixtures.changed(
            "between",
            s ->
                s.withSides(
                    List.of(
                        Side.of("a", Fixtures.box(0, 0, 0, 4, 5, 2).get(3)),
                        Side.of("b", s.polygon().reversed()))));
    assertThat(Fixtures.codes(both)).contains("ADJ-511");
    Envelope within =
        Fixtures.changed(
            "between",
            s ->
                s.withSides(
                    List.of(
                        Side.of("a", Fixtures.box(0, 0, 0, 4, 5, 2).get(3)),
                        Side.of("a", s.polygon().reversed()))));
    assertThat(Fixtures.codes(within)).doesNotContain("ADJ-511");
  }
}
