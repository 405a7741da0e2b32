package yentra.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.util.List;
import java.util.TreeMap;
import java.util.stream.Collectors;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import yentra.core.boundary.SpaceVolumes;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.run.CheckCatalogue;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.Rules;
import yentra.core.exchange.EnvelopeDifference;
import yentra.core.finding.Finding;
import yentra.core.finding.Limits;
import yentra.core.gbxml.GbxmlReader;
import yentra.core.geometry.Tolerance;
import yentra.core.plan.PlanDocument;
import yentra.core.plan.PlanEnvelope;
import yentra.core.plan.PlanPoint;
import yentra.core.plan.PlanReader;

/**
 * The demo building is sound, and its faulty translation has exactly the faults that were planted.
 */
class DemoTest {
  private static final Tolerance T = Tolerance.standard();

  private static Envelope read(byte[] bytes) throws Exception {
    return GbxmlReader.read(new ByteArrayInputStream(bytes), ReadLimits.standard());
  }

  private static List<Finding> check(Envelope e) {
    return CheckCatalogue.run(new CheckContext(e, Limits.STANDARD, T));
  }

  @Test
  void theSoundBuildingHasNoFindings() throws Exception {
    Envelope e = read(DemoFiles.soundGbxml());
    // gbXML cannot say where the ground is; three zones serve rooms of several uses
    assertThat(check(e))
        .extracting(Finding::code)
        .containsExactly("LOC-803", "USE-904", "USE-904", "USE-904");
    assertThat(EnvelopeDifference.between(MarramPoint.sound(), e, T)).isEmpty();
    SpaceVolumes v = SpaceVolumes.of(e, Rules.standard());
    assertThat(v.of("sp-hall").volume())
        .isCloseTo(18 * 12 * 6.8, org.assertj.core.api.Assertions.within(1e-6));
    // gallery: 16 m of a section of 12 x 2.4 m and a gable of 2.8 m
    assertThat(v.of("sp-gallery").volume())
        .isCloseTo(16 * (12 * 2.4 + 12 * 2.8 / 2), org.assertj.core.api.Assertions.within(1e-6));
  }

  @Test
  void everyPlantedFaultIsFoundAndNothingElse() throws Exception {
    var codes =
        check(read(DemoFiles.faultyGbxml())).stream()
            .collect(Collectors.groupingBy(Finding::code, TreeMap::new, Collectors.counting()));
    assertThat(codes.toString())
        .isEqualTo(
            "{ADJ-501=3, ADJ-502=1, ADJ-506=2, ADJ-509=1, FMT-103=1, FMT-104=1, FMT-105=1, GEO-301=1, GEO-303=1, GEO-307=1, LOC-803=1, OPN-601=1, OPN-602=1,"
                + " OPN-607=1, SPC-401=2, SPC-403=1, SPC-409=1, THM-701=1, THM-704=1, UNI-201=1, USE-904=3}");
  }

  /** The IFC and the gbXML tell of the same building. */
  @Test
  void theIfcGivesTheSameEnvelope() throws Exception {
    Envelope ifc = yentra.core.ifc.IfcReader.read(DemoFiles.ifc(), ReadLimits.standard(), T);
    Envelope gbxml = MarramPoint.sound();
    // IFC has no list of uses that gbXML would know
    assertThat(check(ifc)).extracting(Finding::code).containsExactly("USE-901");
    assertThat(ifc.spaces()).hasSameSizeAs(gbxml.spaces());
    assertThat(ifc.openingCount()).isEqualTo(gbxml.openingCount());
    SpaceVolumes a = SpaceVolumes.of(ifc, Rules.standard());
    SpaceVolumes b = SpaceVolumes.of(gbxml, Rules.standard());
    for (int i = 0; i < 8; i++) {
      assertThat(a.of(ifc.spaces().get(i).key()).volume())
          .isCloseTo(
              b.of(gbxml.spaces().get(i).key()).volume(),
              org.assertj.core.api.Assertions.within(1e-3));
    }
    for (yentra.core.envelope.SurfaceType t : yentra.core.envelope.SurfaceType.values()) {
      if (!t.isShading() && t != yentra.core.envelope.SurfaceType.CEILING) {
        assertThat(area(ifc, t))
            .as(t.name())
            .isCloseTo(area(gbxml, t), org.assertj.core.api.Assertions.within(0.01));
      }
    }
    assertThat(ifc.site().northAzimuth())
        .isCloseTo(12, org.assertj.core.api.Assertions.within(1e-4));
    assertThat(ifc.zones()).hasSize(4);
    assertThat(ifc.constructions().stream().map(c -> c.name()))
        .contains("Boarded wall on block", "Block partition");
  }

  private static double area(Envelope e, yentra.core.envelope.SurfaceType t) {
    return e.surfaces().stream()
        .filter(s -> s.type() == t)
        .mapToDouble(s -> s.polygon().area())
        .sum();
  }

  @Test
  void theFilesAreTheSameEveryTime() {
    assertThat(DemoFiles.faultyGbxml()).isEqualTo(DemoFiles.faultyGbxml());
  }

  /** What was traced lies on the walls of the picture that it was traced from. */
  @Test
  void theAnnexeIsSoundAndLiesOnItsPicture() throws Exception {
    PlanDocument plan = PlanReader.read(BoathouseAnnexe.plan());
    Envelope e = PlanEnvelope.of(plan, Rules.standard());
    assertThat(check(e))
        .extracting(Finding::code)
        .noneMatch(c -> c.matches("(GEO|SPC|ADJ|OPN|LOC)-.*"));
    SpaceVolumes v = SpaceVolumes.of(e, Rules.standard());
    double floors =
        e.spaces().stream()
            .filter(s -> !s.name().endsWith("attic"))
            .mapToDouble(s -> v.of(s.key()).volume())
            .sum();
    assertThat(floors)
        .isCloseTo((14 * 9 - 4 * 3) * 5.8, org.assertj.core.api.Assertions.within(1e-6));
    BufferedImage picture = ImageIO.read(new ByteArrayInputStream(BoathouseAnnexe.picture()));
    PlanDocument.Underlay u = plan.underlays().get(0);
    for (PlanDocument.FloorPlan f : plan.floors().subList(0, 1)) {
      for (PlanDocument.Line l : f.lines()) {
        PlanPoint a = l.points().get(0);
        PlanPoint b = l.points().get(1);
        double x = u.originX() + (a.x() + b.x()) / 2 / u.scale();
        double y = u.originY() - (a.y() + b.y()) / 2 / u.scale();
        assertThat(picture.getRGB((int) x, (int) y) & 0xff).as(l.origin().label()).isLessThan(80);
      }
    }
    assertThat(u.file()).isEqualTo(BoathouseAnnexe.PICTURE_NAME);
  }
}
