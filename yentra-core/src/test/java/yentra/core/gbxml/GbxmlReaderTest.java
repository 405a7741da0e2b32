package yentra.core.gbxml;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.check;
import static yentra.core.Fixtures.codes;
import static yentra.core.Fixtures.read;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.write;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import yentra.core.Fixtures;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.UnreadableException;
import yentra.core.exchange.EnvelopeDifference;
import yentra.core.finding.Finding;
import yentra.core.units.LengthUnit;

/**
 * Reading and writing gbXML: nothing is lost, units are honoured, faults are named with their
 * place.
 */
class GbxmlReaderTest {
  private static String sound() {
    return new String(write(rooms()), StandardCharsets.UTF_8);
  }

  @Test
  void whatIsWrittenReadsBackEqualAndWritesTheSameBytes() throws Exception {
    byte[] first = write(rooms());
    Envelope back = read(first);
    assertThat(EnvelopeDifference.between(rooms(), back, TOLERANCE)).isEmpty();
    assertThat(new String(write(back), StandardCharsets.UTF_8))
        .isEqualTo(new String(first, StandardCharsets.UTF_8));
    assertThat(codes(back)).containsExactly("LOC-803");
  }

  @Test
  void theComparisonSeesWhatDiffers() {
    Envelope moved =
        rooms().replacing("a-roof", s -> s.withConstruction(null)).withoutSurface("b-east");
    assertThat(EnvelopeDifference.between(rooms(), moved, TOLERANCE))
        .containsExactlyInAnyOrder(
            "The construction of surface a-roof was con-1 and is null.",
            "The surface b-east is missing.");
  }

  @Test
  void whatIsNotUnderstoodIsWrittenBackUnchanged() throws Exception {
    String kept =
        "<AirLoop id=\"loop-1\"><Name>Supply &amp; return</Name><Control unit=\"C\"><!-- a comment --><Deep a=\"1\"><x:y xmlns:x=\"urn:x\" x:b=\"2\">t</x:y></Deep></Control></AirLoop>";
    String xml =
        sound()
            .replace("</gbXML>", kept + "<?review state=\"draft\"?></gbXML>")
            .replace("<Space id=\"a\"", "<Space fireCompartment=\"FC-07\" id=\"a\"")
            .replace(
                "<Surface id=\"a-roof\"", "<Surface xmlns:n=\"urn:n\" n:rev=\"R3\" id=\"a-roof\"");
    String back = new String(write(read(xml)), StandardCharsets.UTF_8);
    assertThat(back)
        .contains(kept)
        .contains("<?review state=\"draft\"?>")
        .contains("fireCompartment=\"FC-07\"")
        .contains("xmlns:n=\"urn:n\" n:rev=\"R3\"");
    assertThat(new String(write(read(back)), StandardCharsets.UTF_8)).isEqualTo(back);
  }

  @Test
  void lengthsAreConvertedAndWrittenBackInTheDeliveredUnit() throws Exception {
    String feet =
        sound()
            .replace("lengthUnit=\"Meters\"", "lengthUnit=\"Feet\"")
            .replace("unit=\"Meters\">", "unit=\"Feet\">");
    Envelope e = read(feet);
    assertThat(e.delivered().length()).isEqualTo(LengthUnit.FOOT);
    assertThat(e.surface("a-roof").orElseThrow().polygon().area())
        .isCloseTo(20 * 0.3048 * 0.3048, within(1e-9));
    assertThat(new String(write(e), StandardCharsets.UTF_8))
        .contains("lengthUnit=\"Feet\"")
        .contains("<Coordinate>4</Coordinate>");
  }

  @Test
  void thermalValuesAreReadInTheirOwnUnits() throws Exception {
    String ip =
        sound()
            .replaceAll("<Thickness unit=\"Meters\">0.3", "<Thickness unit=\"Inches\">12")
            .replace(
                "<Conductivity unit=\"WPerMeterK\">0.8", "<Conductivity unit=\"BtuPerHourFtF\">1")
            .replace("<Density unit=\"KgPerCubicM\">1800", "<Density unit=\"LbsPerCubicFt\">1")
            .replace("<SpecificHeat unit=\"JPerKgK\">900", "<SpecificHeat unit=\"BTUPerLbF\">1");
    var m = read(ip).materials().get(0);
    // exact factors: NIST SP 811, appendix B
    assertThat(m.thickness()).isCloseTo(0.3048, within(1e-12));
    assertThat(m.conductivity()).isCloseTo(1.73073466637139, within(1e-12));
    assertThat(m.density()).isCloseTo(16.0184633739601, within(1e-10));
    assertThat(m.specificHeat()).isCloseTo(4186.8, within(1e-9));
  }

  @Test
  void childrenMayComeInAnyOrder() throws Exception {
    String xml = sound();
    int from = xml.indexOf(" <Building");
    int to = xml.indexOf("</Building>") + "</Building>".length();
    String building = xml.substring(from, to);
    String reordered = xml.replace(building, "").replace("</Campus>", building + "</Campus>");
    assertThat(EnvelopeDifference.between(rooms(), read(reordered), TOLERANCE)).isEmpty();
  }

  @Test
  void aPrefixOnTheNamespaceIsNoObstacle() throws Exception {
    String xml = sound().replace("xmlns=", "xmlns:g=").replaceAll("<(/?)([A-Za-z])", "<$1g:$2");
    assertThat(EnvelopeDifference.between(rooms(), read(xml), TOLERANCE)).isEmpty();
  }

  @Test
  void aDecimalCommaIsNoNumberAndIsKept() throws Exception {
    Envelope e = read(sound().replace("<Volume>60</Volume>", "<Volume>60,5</Volume>"));
    assertThat(e.spaces().get(0).statedVolume()).isNull();
    assertThat(codes(e)).containsExactly("FMT-106", "LOC-803");
    assertThat(new String(write(e), StandardCharsets.UTF_8)).contains("<Volume>60,5</Volume>");
  }

  @Test
  void referencesToNothingAndIdsUsedTwiceAreNamedWithTheirPlace() throws Exception {
    Envelope e =
        read(
            sound()
                .replaceFirst("constructionIdRef=\"con-1\"", "constructionIdRef=\"con-9\"")
                .replace("id=\"b-roof\"", "id=\"a-roof\""));
    assertThat(e.surface("a-roof-2")).isPresent();
    assertThat(check(e).stream().map(Finding::code))
        .contains("FMT-103", "FMT-104")
        .doesNotContain("THM-701");
    Finding f = check(e).stream().filter(x -> x.code().equals("FMT-104")).findFirst().orElseThrow();
    assertThat(f.objects()).containsExactly("a-floor");
    assertThat(f.line()).isPositive();
  }

  @Test
  void whatIsMissingIsSaid() throws Exception {
    Envelope e =
        read(
            sound()
                .replaceFirst(" surfaceType=\"SlabOnGrade\"", "")
                .replace(" lengthUnit=\"Meters\"", ""));
    assertThat(codes(e)).containsExactly("FMT-105", "UNI-201", "LOC-803");
    assertThat(e.notes()).extracting(ReadNote::kind).contains(ReadNote.Kind.UNIT_ASSUMED);
    assertThat(codes(read(sound().replace("version=\"6.01\"", "version=\"8.88\""))))
        .containsExactly("FMT-102", "LOC-803");
  }

  @Test
  void hostileTextIsRefusedWithLineAndColumn() {
    String bomb =
        "<?xml version=\"1.0\"?>\n<!DOCTYPE g [<!ENTITY a \"aaaa\"><!ENTITY b \"&a;&a;\">]>\n<gbXML>&b;</gbXML>";
    assertThatThrownBy(() -> read(bomb))
        .isInstanceOfSatisfying(UnreadableException.class, x -> assertThat(x.line()).isEqualTo(2))
        .hasMessageContaining("document type declaration");
    assertThatThrownBy(() -> read(sound().substring(0, 3000)))
        .isInstanceOf(UnreadableException.class)
        .hasMessageContaining("cut off");
    String deep =
        sound().replace("</gbXML>", "<x>".repeat(20_000) + "</x>".repeat(20_000) + "</gbXML>");
    assertThatThrownBy(() -> read(deep))
        .isInstanceOf(UnreadableException.class)
        .hasMessageContaining("nested deeper");
    assertThatThrownBy(() -> read("<html><body/></html>"))
        .isInstanceOf(UnreadableException.class)
        .hasMessageContaining("HTML");
  }

  @Test
  void anExternalEntityIsNeverFetched() {
    String xml =
        "<?xml version=\"1.0\"?><!DOCTYPE gbXML [<!ENTITY x SYSTEM \"file:///etc/hostname\">]><gbXML>&x;</gbXML>";
    assertThatThrownBy(() -> read(xml))
        .isInstanceOf(UnreadableException.class)
        .hasMessageNotContaining("hostname");
  }

  /** XML Namespaces 1.0: a prefix is a name for the namespace, nothing else. */
  @Test
  void prefixedElementsAreReadLikeOthers() throws Exception {
    String plain = new String(Fixtures.write(Fixtures.rooms()), StandardCharsets.UTF_8);
    String prefixed = plain.replaceAll("<(/?)(?=[A-Za-z])", "<$1g:").replace("xmlns=", "xmlns:g=");
    assertThat(prefixed).contains("<g:gbXML xmlns:g=");
    assertThat(
            EnvelopeDifference.between(
                Fixtures.read(plain), Fixtures.read(prefixed), Fixtures.TOLERANCE))
        .isEmpty();
  }

  /** A SpaceBoundary that says nothing of geometry is kept, and makes no side. */
  @Test
  void aBoundaryWithoutPolygonIsKeptAsItStands() throws Exception {
    String plain = new String(Fixtures.write(Fixtures.rooms()), StandardCharsets.UTF_8);
    String bare =
        plain.replaceFirst(
            "</Space>",
            "<SpaceBoundary surfaceIdRef=\"a-south\" isSecondLevelBoundary=\"true\"/></Space>");
    Envelope e = Fixtures.read(bare);
    assertThat(e.surface("a-south").orElseThrow().sides().get(0).face()).isNull();
    assertThat(new String(Fixtures.write(e), StandardCharsets.UTF_8))
        .contains(
            "<SpaceBoundary surfaceIdRef=\"a-south\" isSecondLevelBoundary=\"true\"></SpaceBoundary>");
  }
}
