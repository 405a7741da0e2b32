package yentra.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.v;
import static yentra.core.Fixtures.window;
import static yentra.core.Fixtures.with;

import java.util.List;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Material;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.Side;
import yentra.core.envelope.Site;
import yentra.core.envelope.Space;
import yentra.core.envelope.SurfaceType;
import yentra.core.finding.Limits;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;

/**
 * The comparison that a handover rests on must see every kind of difference, and none where there
 * is none.
 */
class EnvelopeDifferenceTest {
  private static List<String> differences(Envelope changed) {
    return EnvelopeDifference.between(rooms(), changed, TOLERANCE);
  }

  private static Envelope parts(UnaryOperator<Envelope.Parts> change) {
    return Envelope.of(change.apply(rooms().parts()));
  }

  @Test
  void nothingDiffersFromItself() {
    assertThat(differences(rooms())).isEmpty();
  }

  @Test
  void whatIsMissingAndWhatIsNew() {
    assertThat(differences(rooms().withoutSurface("b-east")))
        .containsExactly("The surface b-east is missing.");
    assertThat(
            differences(
                rooms()
                    .plus(
                        yentra.core.Fixtures.surface(
                            "new",
                            SurfaceType.SHADE,
                            Polygon.of(v(0, 0, 0), v(1, 0, 0), v(1, 1, 0)),
                            null))))
        .containsExactly("The surface new was not there before.");
    assertThat(differences(rooms().withSpaces(rooms().spaces().subList(0, 1))))
        .containsExactly("The space b is missing.");
  }

  @Test
  void surfaces() {
    assertThat(differences(rooms().replacing("a-roof", s -> s.withType(SurfaceType.CEILING))))
        .containsExactly(
            "The type of surface a-roof was ROOF and is CEILING.",
            "The exposure of surface a-roof was OUTDOOR and is UNRESOLVED.");
    assertThat(
            differences(
                rooms()
                    .replacing("between", s -> s.withSides(List.of(Side.of("b"), Side.of("a"))))))
        .singleElement()
        .asString()
        .contains("adjacent spaces of surface between");
    assertThat(differences(rooms().replacing("a-roof", s -> s.withConstruction("con-2"))))
        .singleElement()
        .asString()
        .contains("construction of surface a-roof");
  }

  @Test
  void outlinesBeyondTheToleranceOnly() {
    Polygon p = rooms().surface("a-roof").orElseThrow().polygon();
    assertThat(differences(rooms().replacing("a-roof", s -> with(s, moved(p, 0.0009))))).isEmpty();
    assertThat(differences(rooms().replacing("a-roof", s -> with(s, moved(p, 0.002)))))
        .singleElement()
        .asString()
        .contains("outline of surface a-roof differs by up to 0.002");
    assertThat(
            differences(
                rooms().replacing("a-roof", s -> with(s, Polygon.of(p.outer().subList(0, 3))))))
        .singleElement()
        .asString()
        .contains("another number of vertices");
  }

  private static Polygon moved(Polygon p, double dz) {
    return Polygon.of(p.outer().stream().map(q -> q.plus(v(0, 0, dz))).toList());
  }

  @Test
  void openings() {
    assertThat(differences(rooms().replacing("a-south", s -> s.withOpenings(List.of()))))
        .containsExactly("The opening of surface a-south win is missing.");
    Polygon other = Polygon.of(v(1, 0, 1), v(2, 0, 1), v(2, 0, 2.2), v(1, 0, 2.2));
    assertThat(
            differences(
                rooms().replacing("a-south", s -> s.withOpenings(List.of(window("win", other))))))
        .singleElement()
        .asString()
        .contains("outline of opening win");
    assertThat(differences(rooms().withOrphans(List.of(window("lost", other)))))
        .containsExactly("The opening without surface lost was not there before.");
  }

  @Test
  void spaces() {
    Envelope e = rooms();
    Space a = e.spaces().get(0);
    Space renamed =
        Space.of("a")
            .with()
            .name("Other")
            .zone("z")
            .building("b-1")
            .use(a.use())
            .condition(a.condition())
            .statedFloorArea(21.0)
            .shell(a.shell().subList(0, 5))
            .source(a.source())
            .build();
    assertThat(differences(e.withSpaces(List.of(renamed, e.spaces().get(1)))))
        .anyMatch(d -> d.contains("name of space a"))
        .anyMatch(d -> d.contains("storey of space a"))
        .anyMatch(d -> d.contains("zone of space a"))
        .anyMatch(d -> d.contains("shell faces of space a"))
        .anyMatch(d -> d.contains("stated floor area of space a"))
        .anyMatch(d -> d.contains("stated volume of space a"))
        .hasSize(6);
  }

  @Test
  void thermalValues() {
    Envelope changed =
        parts(
            p ->
                Envelope.Parts.of(p.delivered(), p.site())
                    .with()
                    .buildings(p.buildings())
                    .storeys(p.storeys())
                    .zones(p.zones())
                    .spaces(p.spaces())
                    .surfaces(p.surfaces())
                    .orphans(p.orphans())
                    .constructions(
                        List.of(
                            new Construction(
                                "con-1",
                                "",
                                List.of(),
                                0.5,
                                p.constructions().get(0).source(),
                                Extras.NONE)))
                    .layers(p.layers())
                    .materials(
                        List.of(
                            new Material(
                                "mat-1",
                                "",
                                0.31,
                                0.8,
                                1800.0,
                                null,
                                null,
                                p.materials().get(0).source(),
                                Extras.NONE)))
                    .glazings(p.glazings())
                    .notes(p.notes())
                    .build());
    assertThat(differences(changed))
        .containsExactly(
            "The name of construction con-1 was Brick wall and is .",
            "The layers of construction con-1 was [lay-1] and is [].",
            "The U-value of construction con-1 was null and is 0.5.",
            "The name of material mat-1 was Brick and is .",
            "The thickness of material mat-1 was 0.3 and is 0.31.",
            "The specific heat of material mat-1 was 900.0 and is null.");
  }

  @Test
  void thePlace() {
    Envelope turned =
        parts(
            p ->
                Envelope.Parts.of(
                        p.delivered(), new Site("Somewhere", 50.0, 8.0, 100.0, 1.5, Extras.NONE))
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
                    .build());
    assertThat(differences(turned)).containsExactly("The north of site was 0.0 and is 1.5.");
  }

  @Test
  void aHandoverIsReadBack() {
    Handover h =
        Handover.of(
            HandoverFormat.GBXML_6_01,
            new CheckContext(rooms(), Limits.STANDARD, Tolerance.standard()),
            ReadLimits.standard());
    assertThat(h.differences()).isEmpty();
    assertThat(h.bytes().length).isGreaterThan(5000);
  }

  @Test
  void aHandoverThatWouldReadBackOtherwiseSaysSo() {
    // a name that XML cannot hold comes back another
    Envelope e = rooms();
    Space a = e.spaces().get(0);
    Space odd =
        Space.of("a")
            .with()
            .name("Bell \u0007 room")
            .storey(a.storey())
            .building("b-1")
            .statedFloorArea(20.0)
            .statedVolume(60.0)
            .shell(a.shell())
            .source(a.source())
            .build();
    Handover h =
        Handover.of(
            HandoverFormat.GBXML_6_01,
            new CheckContext(
                e.withSpaces(List.of(odd, e.spaces().get(1))),
                Limits.STANDARD,
                Tolerance.standard()),
            ReadLimits.standard());
    assertThat(h.differences()).isNotEmpty();
  }
}
