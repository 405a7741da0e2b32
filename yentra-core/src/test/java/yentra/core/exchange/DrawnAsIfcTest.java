package yentra.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static yentra.core.plan.PlanFixtures.envelope;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.Site;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.envelope.Zone;
import yentra.core.exchange.proof.Proof;
import yentra.core.finding.Limits;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;
import yentra.core.ifc.IfcReader;
import yentra.core.ifc.write.IfcDialect;
import yentra.core.ifc.write.IfcModelWriter;
import yentra.core.plan.PlanFixtures;
import yentra.core.plan.RandomPlan;

/** A drawn building is written as a complete IFC4 model that reads back as the same. */
class DrawnAsIfcTest {
  private static Material material(String key, double t, double lambda, double rho, double c) {
    return new Material(
        key, "Stuff of " + key, t, lambda, rho, c, null, SourceRef.REPAIR, Extras.NONE);
  }

  /** With layers that differ from side to side, panes, zones, uses and gains. */
  private static Envelope dressed(Envelope e) {
    List<Construction> constructions =
        List.of(
            new Construction(
                "con-out",
                "Outer, \u00e4u\u00dfen",
                List.of("lay"),
                null,
                SourceRef.REPAIR,
                Extras.NONE),
            new Construction(
                "con-in", "Inner's", List.of("lay-in"), 1.7, SourceRef.REPAIR, Extras.NONE));
    List<Layer> layers =
        List.of(
            new Layer("lay", "", List.of("m1", "m2", "m3"), SourceRef.REPAIR, Extras.NONE),
            new Layer("lay-in", "", List.of("m3"), SourceRef.REPAIR, Extras.NONE));
    List<Material> materials =
        List.of(
            material("m1", 0.115, 0.81, 1900, 1000),
            material("m2", 0.16, 0.035, 30, 1030),
            material("m3", 0.1, 0.5, 1400, 1000));
    Glazing pane = new Glazing("pane", "Pane", 1.1, 0.52, 0.71, SourceRef.REPAIR, Extras.NONE);
    Zone zone =
        Zone.of("zone")
            .with()
            .name("Heated")
            .heatingSetPoint(20.5)
            .coolingSetPoint(26.0)
            .air(new Zone.ZoneAir(null, null, null, 30.0, 70.0, 1.5))
            .build();
    List<Surface> surfaces =
        e.surfaces().stream()
            .map(
                s ->
                    s.type() == SurfaceType.AIR || s.sides().isEmpty()
                        ? s
                        : s.with()
                            .construction(s.sides().size() > 1 ? "con-in" : "con-out")
                            .openings(
                                s.openings().stream()
                                    .map(o -> o.type().isGlazed() ? o.withGlazing("pane") : o)
                                    .toList())
                            .build())
            .toList();
    return e.withSurfaces(surfaces)
        .withConstructions(constructions, layers, materials)
        .withGlazings(List.of(pane))
        .withZones(List.of(zone))
        .withSite(new Site("Marram Point", -54.123456, 3.25, 12.5, 30.0, Extras.NONE))
        .withSpaces(
            e.spaces().stream()
                .map(
                    s ->
                        s.with()
                            .zone("zone")
                            .use("OfficeEnclosed")
                            .statedFloorArea(20.0)
                            .gains(new InternalGains(null, 8.0, 75.0, null, 9.3, 11.1))
                            .build())
                .toList());
  }

  private static Handover written(Envelope e) {
    return Handover.of(
        HandoverFormat.IFC4,
        new CheckContext(e, Limits.STANDARD, Tolerance.standard()),
        ReadLimits.standard());
  }

  @Property(tries = 60, seed = "1907")
  void drawnBuildingsReadBackEqual(@ForAll @LongRange(min = 0, max = 1L << 40) long seed)
      throws Exception {
    String json = new RandomPlan(seed).json();
    Envelope e = dressed(envelope(json));
    Handover h = written(e);
    assertThat(h.differences()).as(json).isEmpty();
    assertThat(h.notes()).isEmpty();
    CheckContext c = new CheckContext(e, Limits.STANDARD, Tolerance.standard());
    for (HandoverFormat f : HandoverFormat.values()) {
      if (f != HandoverFormat.XLSX) {
        Handover other = Handover.of(f, c, ReadLimits.standard());
        Proof.of(other, c, Set.of());
        assertThat(other.faults()).as(json).isEmpty();
      }
    }
  }

  @Test
  void theSameBuildingGivesTheSameBytes() {
    Envelope e = dressed(envelope(PlanFixtures.STORE));
    assertThat(written(e).bytes()).isEqualTo(written(e).bytes());
  }

  @Test
  void namesAreEncodedAndGlobalIdsAreUnique() {
    String text = text(dressed(envelope(PlanFixtures.STORE)));
    assertThat(text).contains("Outer, \\X2\\00E4\\X0\\u\\X2\\00DF\\X0\\en").contains("Inner''s");
    List<String> ids = new ArrayList<>();
    text.lines()
        .filter(l -> l.matches("#\\d+=IFC[A-Z0-9]+\\('[0-3][0-9A-Za-z_$]{21}',.*"))
        .forEach(l -> ids.add(l.split("'")[1]));
    assertThat(ids).hasSizeGreaterThan(50).doesNotHaveDuplicates();
  }

  private static String text(Envelope e) {
    return new String(written(e).bytes(), StandardCharsets.US_ASCII);
  }

  /** Each line of the comparison notices what it is there for. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "IFCTHERMALCONDUCTIVITYMEASURE(0.035) | IFCTHERMALCONDUCTIVITYMEASURE(0.036) | layers",
        "MASSDENSITYMEASURE(1400.) | MASSDENSITYMEASURE(1401.) | layers",
        "IFCTHERMALTRANSMITTANCEMEASURE(1.7) | IFCTHERMALTRANSMITTANCEMEASURE(1.8) | U-value",
        "IFCTHERMALTRANSMITTANCEMEASURE(1.1) | IFCTHERMALTRANSMITTANCEMEASURE(1.2) | U-value of opening",
        "IFCPOSITIVERATIOMEASURE(0.52) | IFCPOSITIVERATIOMEASURE(0.53) | solar gain",
        "IFCPOSITIVERATIOMEASURE(0.71) | IFCPOSITIVERATIOMEASURE(0.72) | light",
        "'Heated' | 'Cold' | name of zone",
        "IFCTHERMODYNAMICTEMPERATUREMEASURE(20.5) | IFCTHERMODYNAMICTEMPERATUREMEASURE(21.) | heating set-point",
        "IFCTHERMODYNAMICTEMPERATUREMEASURE(26.) | IFCTHERMODYNAMICTEMPERATUREMEASURE(27.) | cooling set-point",
        "IFCRATIOMEASURE(0.3) | IFCRATIOMEASURE(0.4) | least humidity",
        "IFCRATIOMEASURE(0.7) | IFCRATIOMEASURE(0.8) | greatest humidity",
        "IFCNUMERICMEASURE(1.5) | IFCNUMERICMEASURE(1.6) | air changes of zone",
        "'OfficeEnclosed' | 'OfficeOpenPlan' | use",
        "IFCAREAMEASURE(8.) | IFCAREAMEASURE(9.) | area per person",
        "IFCPOWERMEASURE(186.) | IFCPOWERMEASURE(187.) | lighting",
        "IFCPOWERMEASURE(222.) | IFCPOWERMEASURE(223.) | equipment",
        "'NetFloorArea',$,$,20. | 'NetFloorArea',$,$,21. | stated floor area",
        "'2ndLevel','2a' | '2ndLevel','2b' | exposure",
        ".POSITIVE. | .NEGATIVE. | layers",
        "IFCWINDOW( | IFCDOOR( | letting light through",
      })
  void whatIsChangedOnTheWayIsTold(String written, String changed, String told) throws Exception {
    Envelope e = dressed(envelope(PlanFixtures.STORE));
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    IfcModelWriter.Written w =
        IfcModelWriter.write(e, SurfaceTypes.STANDARD, IfcDialect.IFC4, Set.of(), out);
    String text = out.toString(StandardCharsets.US_ASCII);
    assertThat(text).contains(written);
    Envelope back =
        IfcReader.read(
            text.replace(written, changed).getBytes(StandardCharsets.US_ASCII),
            ReadLimits.standard(),
            Tolerance.standard());
    assertThat(IfcReadBack.between(e, back, w.globalIds(), Tolerance.standard()).differences())
        .anyMatch(d -> d.contains(told));
  }

  @Test
  void aBoundaryThatIsLostIsTold() throws Exception {
    Envelope e = dressed(envelope(PlanFixtures.STORE));
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    IfcModelWriter.Written w =
        IfcModelWriter.write(e, SurfaceTypes.STANDARD, IfcDialect.IFC4, Set.of(), out);
    String lost = w.globalIds().apply(e.surfaces().get(0).key());
    String text =
        out.toString(StandardCharsets.US_ASCII)
            .lines()
            .filter(l -> !l.contains("'" + lost + "'"))
            .collect(Collectors.joining("\n"));
    Envelope back =
        IfcReader.read(
            text.getBytes(StandardCharsets.US_ASCII), ReadLimits.standard(), Tolerance.standard());
    assertThat(IfcReadBack.between(e, back, w.globalIds(), Tolerance.standard()).differences())
        .anyMatch(d -> d.contains("surface " + e.surfaces().get(0).key()));
  }

  @Test
  void whatIfcHasNoPlaceForIsSaid() {
    Envelope e = dressed(envelope(PlanFixtures.STORE));
    Surface first = e.surfaces().get(0);
    Layer mixed =
        new Layer("lay", "", List.of("m1", "m2"), List.of(0.2, 0.8), SourceRef.REPAIR, Extras.NONE);
    Envelope odd =
        e.withConstructions(e.constructions(), List.of(mixed, e.layers().get(1)), e.materials())
            .withSpaces(
                e.spaces().stream()
                    .map(s -> s.withGains(new InternalGains(2.0, null, 75.0, 55.0, null, null)))
                    .toList());
    List<String> notes = written(odd).notes();
    assertThat(first.sides()).isNotEmpty();
    assertThat(notes)
        .anyMatch(n -> n.contains("side by side") && n.contains("largest share"))
        .anyMatch(n -> n.contains("latent heat of people"));
  }

  /** A building far from the origin keeps the place of its site. */
  @Test
  void aFarOriginIsThePlacementOfTheSite() {
    Envelope e = dressed(envelope(PlanFixtures.STORE));
    Envelope far =
        Envelope.of(
            e.parts()
                .withDelivered(
                    yentra.core.envelope.Delivered.si(
                        "plan", "1", new Vec3(412_000, 5_801_000, 12))));
    Handover h = written(far);
    assertThat(h.differences()).isEmpty();
    assertThat(new String(h.bytes(), StandardCharsets.US_ASCII)).contains("(412000.,5801000.,12.)");
  }
}
