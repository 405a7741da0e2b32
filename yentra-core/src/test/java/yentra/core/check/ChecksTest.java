package yentra.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.changed;
import static yentra.core.Fixtures.check;
import static yentra.core.Fixtures.codes;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.surface;
import static yentra.core.Fixtures.v;
import static yentra.core.Fixtures.window;
import static yentra.core.Fixtures.with;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import yentra.core.Fixtures;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.run.CheckCatalogue;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingId;
import yentra.core.finding.Limits;
import yentra.core.finding.Severity;
import yentra.core.geometry.Polygon;

/** Every check on two sound rooms with one thing broken, and just inside its limit. */
class ChecksTest {
  private static Finding only(Envelope e, String code) {
    List<Finding> all = check(e).stream().filter(f -> f.code().equals(code)).toList();
    assertThat(all).as(code).hasSize(1);
    return all.get(0);
  }

  private static Envelope spaces(java.util.function.UnaryOperator<Space> change) {
    Envelope e = rooms();
    return e.withSpaces(
        e.spaces().stream().map(s -> s.key().equals("a") ? change.apply(s) : s).toList());
  }

  @Test
  void soundRoomsHaveNoFindings() {
    assertThat(check(rooms())).isEmpty();
  }

  @Test
  void findingsNameTheirObjectsAndThePlaceInTheFile() {
    Finding f = only(changed("a-north", s -> with(s, s.polygon().reversed())), "ADJ-506");
    assertThat(f.message()).contains("north wall of West");
    assertThat(f.objects()).containsExactly("a-north");
    assertThat(f.line()).isEqualTo(7);
    assertThat(f.evidence().areas()).hasSize(1);
  }

  @Test
  void degenerate() {
    Polygon thread = Polygon.of(v(0, 0, 3), v(2, 0, 3), v(4, 0, 3));
    Finding f = only(rooms().plus(surface("x", SurfaceType.SHADE, thread, null)), "GEO-301");
    assertThat(f.severity()).isEqualTo(Severity.BLOCKER);
    assertThat(f.measured()).isZero();
  }

  @Test
  void offPlaneFromFiveMillimetresOn() {
    // a corner lifted by t stands t/4 off the best-fit plane
    assertThat(codes(changed("b-roof", s -> with(s, lifted(s.polygon(), 0.016)))))
        .doesNotContain("GEO-302");
    Finding f = only(changed("b-roof", s -> with(s, lifted(s.polygon(), 0.036))), "GEO-302");
    assertThat(f.measured()).isCloseTo(0.009, within(1e-6));
  }

  private static Polygon lifted(Polygon p, double by) {
    List<yentra.core.geometry.Vec3> ring = new ArrayList<>(p.outer());
    ring.set(2, ring.get(2).plus(v(0, 0, by)));
    return Polygon.of(ring);
  }

  @Test
  void selfCrossing() {
    Polygon bowTie = Polygon.of(v(0, 8, 0), v(4, 8, 0), v(0, 8, 3), v(5, 8, 3.5));
    assertThat(
            only(rooms().plus(surface("x", SurfaceType.SHADE, bowTie, null)), "GEO-303")
                .evidence()
                .points())
        .hasSize(1);
  }

  @Test
  void shortEdge() {
    Polygon p = Polygon.of(v(0, 8, 0), v(4, 8, 0), v(4, 8, 0.0004), v(4, 8, 3), v(0, 8, 3));
    assertThat(only(rooms().plus(surface("x", SurfaceType.SHADE, p, null)), "GEO-304").measured())
        .isCloseTo(0.0004, within(1e-9));
    Polygon longer = Polygon.of(v(0, 8, 0), v(4, 8, 0), v(4, 8, 0.0014), v(4, 8, 3), v(0, 8, 3));
    assertThat(codes(rooms().plus(surface("x", SurfaceType.SHADE, longer, null)))).isEmpty();
  }

  @Test
  void aSpaceIsOpenOnlyWhenNeitherShellNorSurfacesClose() {
    Envelope noRoof = rooms().withoutSurface("a-roof");
    assertThat(codes(noRoof)).doesNotContain("SPC-401");
    Envelope open =
        noRoof.withSpaces(noRoof.spaces().stream().map(s -> s.withShell(List.of())).toList());
    Finding f = only(open, "SPC-401");
    assertThat(f.objects()).containsExactly("a");
    assertThat(f.measured()).isCloseTo(20, within(1e-9));
    assertThat(f.evidence().areas()).hasSize(1);
  }

  @Test
  void aSpaceWithoutSurfaces() {
    Envelope e = rooms();
    List<Surface> left = e.surfaces().stream().filter(s -> !s.isAdjacentTo("b")).toList();
    assertThat(only(e.withSurfaces(left), "SPC-402").message()).contains("East");
  }

  @Test
  void statedFiguresFromTwoPercentOn() {
    assertThat(codes(spaces(s -> stated(s, 20.39, 61.1)))).isEmpty();
    Finding f = only(spaces(s -> stated(s, 21.0, 60.0)), "SPC-403");
    assertThat(f.measured()).isCloseTo(5, within(1e-6));
    assertThat(f.message()).contains("floor area of West");
  }

  private static Space stated(Space s, double area, double volume) {
    return Space.of(s.key())
        .with()
        .name(s.name())
        .storey(s.storey())
        .zone(s.zone())
        .building(s.building())
        .use(s.use())
        .condition(s.condition())
        .statedFloorArea(area)
        .statedVolume(volume)
        .shell(s.shell())
        .source(s.source())
        .extras(s.extras())
        .build();
  }

  @Test
  void anInsideOutShell() {
    Finding f =
        only(
            spaces(s -> s.withShell(s.shell().stream().map(Polygon::reversed).toList())),
            "SPC-409");
    assertThat(f.measured()).isEqualTo(6);
    assertThat(only(spaces(s -> s.withShell(oneReversed(s.shell()))), "SPC-409").measured())
        .isEqualTo(1);
  }

  private static List<Polygon> oneReversed(List<Polygon> shell) {
    List<Polygon> out = new ArrayList<>(shell);
    out.set(3, out.get(3).reversed());
    return out;
  }

  @Test
  void interiorWithoutPairAndExteriorBetweenSpaces() {
    assertThat(
            only(changed("b-east", s -> s.withType(SurfaceType.INTERIOR_WALL)), "ADJ-501")
                .measured())
        .isEqualTo(1);
    assertThat(
            only(changed("between", s -> s.withType(SurfaceType.EXTERIOR_WALL)), "ADJ-502")
                .measured())
        .isEqualTo(2);
    assertThat(
            codes(
                changed(
                    "between",
                    s ->
                        s.withSides(List.of(Side.of("a"), Side.of("a")))
                            .withType(SurfaceType.EXTERIOR_WALL))))
        .doesNotContain("ADJ-502");
  }

  @Test
  void aReversedWallIsFoundEvenWhenTheRoomHasNoShell() {
    Envelope e = changed("b-east", s -> with(s, s.polygon().reversed()));
    Envelope bare = e.withSpaces(e.spaces().stream().map(s -> s.withShell(List.of())).toList());
    assertThat(only(bare, "ADJ-506").objects()).containsExactly("b-east");
  }

  @Test
  void aSurfaceInTheMiddleOfItsWallIsJudgedToo() {
    Envelope e =
        changed(
            "b-east",
            s ->
                with(
                    s,
                    Polygon.of(
                        s.polygon().outer().stream().map(p -> p.plus(v(0.15, 0, 0))).toList())));
    assertThat(codes(e)).doesNotContain("ADJ-506");
    Envelope wrong = e.replacing("b-east", s -> with(s, s.polygon().reversed()));
    assertThat(codes(wrong)).contains("ADJ-506");
  }

  @Test
  void aSurfaceOfNoSpace() {
    Polygon p = Polygon.of(v(0, 8, 0), v(2, 8, 0), v(2, 8, 3), v(0, 8, 3));
    assertThat(codes(rooms().plus(surface("x", SurfaceType.EXTERIOR_WALL, p, "con-1"))))
        .containsExactly("ADJ-509");
    assertThat(codes(rooms().plus(surface("x", SurfaceType.SHADE, p, null)))).isEmpty();
  }

  private static Envelope glass(double dx, double dy, double dz) {
    return changed(
        "a-south",
        s ->
            s.withOpenings(
                List.of(
                    window(
                        "win",
                        Polygon.of(
                            s.openings().get(0).polygon().outer().stream()
                                .map(p -> p.plus(v(dx, dy, dz)))
                                .toList())))));
  }

  @Test
  void openingsOffTheirPlaneAndOutsideTheirParent() {
    assertThat(codes(glass(0, -0.009, 0))).isEmpty();
    assertThat(only(glass(0, -0.06, 0), "OPN-601").measured()).isCloseTo(0.06, within(1e-9));
    assertThat(codes(glass(-1, 0, 0))).as("flush with the edge").isEmpty();
    assertThat(codes(glass(-1.0006, 0, 0))).as("0.0007 m² outside").isEmpty();
    assertThat(only(glass(-1.5, 0, 0), "OPN-602").measured()).isCloseTo(0.6, within(1e-9));
  }

  @Test
  void anOpeningWithoutParent() {
    Polygon p = Polygon.of(v(0, 9, 0), v(1, 9, 0), v(1, 9, 1));
    assertThat(only(rooms().withOrphans(List.of(window("lost", p))), "OPN-607").severity())
        .isEqualTo(Severity.BLOCKER);
  }

  @Test
  void constructions() {
    assertThat(only(changed("a-roof", s -> s.withConstruction(null)), "THM-701").objects())
        .containsExactly("a-roof");
    assertThat(codes(changed("between", s -> s.withConstruction(null).withType(SurfaceType.AIR))))
        .isEmpty();
    Envelope.Parts p = rooms().parts();
    Construction empty =
        new Construction(
            "con-2",
            "Nothing",
            List.of(),
            null,
            Fixtures.source("Construction", "con-2"),
            Extras.NONE);
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
                .constructions(List.of(p.constructions().get(0), empty))
                .layers(p.layers())
                .materials(p.materials())
                .glazings(p.glazings())
                .notes(p.notes())
                .build());
    assertThat(only(e, "THM-702").message()).contains("Nothing");
  }

  @Test
  void sizesThatFitAnotherUnit() {
    Envelope e = rooms();
    List<Surface> huge =
        e.surfaces().stream()
            .map(s -> with(s, scaled(s.polygon())).withOpenings(List.of()))
            .toList();
    Finding f =
        only(
            e.withSurfaces(huge)
                .withSpaces(
                    e.spaces().stream()
                        .map(s -> s.withShell(s.shell().stream().map(ChecksTest::scaled).toList()))
                        .toList()),
            "UNI-202");
    assertThat(f.measured()).isCloseTo(3000, within(1e-6));
    assertThat(f.message()).contains("As millimetres they would be 3.00 m high");
  }

  private static Polygon scaled(Polygon p) {
    return Polygon.of(p.outer().stream().map(q -> q.times(1000)).toList());
  }

  @Test
  void limitsAreSettings() {
    Envelope e = glass(0, -0.06, 0);
    Limits wide = new Limits(Map.of("OPN-601.distance", 0.1));
    List<Finding> found = CheckCatalogue.run(new CheckContext(e, wide, Fixtures.TOLERANCE));
    assertThat(found).isEmpty();
  }

  @Test
  void theOrderIsTheSameInEveryRun() {
    Envelope e =
        glass(-1.5, -0.06, 0)
            .withoutSurface("b-roof")
            .replacing("b-east", s -> s.withType(SurfaceType.CEILING));
    List<FindingId> first = check(e).stream().map(Finding::id).toList();
    for (int i = 0; i < 5; i++) {
      assertThat(check(e).stream().map(Finding::id)).containsExactlyElementsOf(first);
    }
  }

  @Test
  void everyCheckSaysWhatItDoes() {
    assertThat(CheckCatalogue.descriptors())
        .extracting(Descriptor::code)
        .doesNotHaveDuplicates()
        .allMatch(c -> c.matches("[A-Z]{3}-\\d{3}"));
    assertThat(CheckCatalogue.descriptors())
        .allSatisfy(
            d -> assertThat(List.of(d.finds(), d.method(), d.why())).noneMatch(String::isBlank));
  }
}
