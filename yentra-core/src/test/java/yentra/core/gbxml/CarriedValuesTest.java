package yentra.core.gbxml;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.check;
import static yentra.core.Fixtures.codes;
import static yentra.core.Fixtures.read;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.v;
import static yentra.core.Fixtures.write;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.exchange.EnvelopeDifference;
import yentra.core.exchange.Handover;
import yentra.core.exchange.HandoverFormat;
import yentra.core.finding.Finding;
import yentra.core.finding.Limits;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;

/** What a file says goes out as it came in, or is named before it is lost. */
class CarriedValuesTest {
  private static String sound() {
    return new String(write(rooms()), StandardCharsets.UTF_8);
  }

  private static String again(String xml) throws Exception {
    return new String(write(read(xml)), StandardCharsets.UTF_8);
  }

  private static String ofSpace(String elements) {
    return sound().replaceFirst("<Name>West</Name>", "<Name>West</Name>" + elements);
  }

  // ---- values that come twice, attributes of what is understood ------------------------------

  @ParameterizedTest
  @ValueSource(
      strings = {
        "<LightPowerPerArea unit=\"WattPerSquareMeter\">8</LightPowerPerArea><LightPowerPerArea unit=\"WattPerSquareMeter\">3</LightPowerPerArea>",
        "<EquipPowerPerArea unit=\"WattPerSquareMeter\">8</EquipPowerPerArea><EquipPowerPerArea unit=\"WattPerSquareMeter\">3</EquipPowerPerArea>",
        "<PeopleHeatGain unit=\"WattPerPerson\" heatGainType=\"Sensible\">70</PeopleHeatGain><PeopleHeatGain unit=\"WattPerPerson\" heatGainType=\"Sensible\">3</PeopleHeatGain>",
        "<PeopleNumber unit=\"NumberOfPeople\">2</PeopleNumber><PeopleNumber unit=\"NumberOfPeople\">3</PeopleNumber>"
      })
  void theSecondOfTwoIsKeptAndTheFirstCounts(String elements) throws Exception {
    Envelope e = read(ofSpace(elements));
    Double[] first = {
      e.spaces().get(0).gains().lighting(),
      e.spaces().get(0).gains().equipment(),
      e.spaces().get(0).gains().sensiblePerPerson(),
      e.spaces().get(0).gains().people()
    };
    assertThat(first).contains(Double.valueOf(elements.replaceFirst("^[^>]*>(\\d+)<.*", "$1")));
    assertThat(first).doesNotContain(3.0);
    assertThat(e.notes()).anyMatch(n -> n.message().contains("stands more than once"));
    String out = new String(write(e), StandardCharsets.UTF_8);
    assertThat(out).contains(">3</");
    assertThat(again(out)).isEqualTo(out);
  }

  @Test
  void attributesOfUnderstoodElementsGoOutAgain() throws Exception {
    String xml =
        sound()
            .replaceFirst("<Area>20", "<Area confidence=\"0.8\">20")
            .replaceFirst("<Volume>", "<Volume src=\"survey\">")
            .replaceFirst("<Name>West", "<Name lang=\"en\">West")
            .replaceFirst("<Level>", "<Level datum=\"OD\">")
            .replaceFirst("<Latitude>", "<Latitude by=\"gps\">")
            .replaceFirst("<LayerId ", "<LayerId note=\"x\" ")
            .replaceFirst("<MaterialId ", "<MaterialId note=\"y\" ")
            .replaceFirst("<Conductivity ", "<Conductivity test=\"EN\" ")
            .replaceFirst("<DesignHeatT ", "<DesignHeatT season=\"winter\" ")
            .replaceFirst("<PlanarGeometry>", "<PlanarGeometry id=\"pg-1\">")
            .replaceFirst("<RectangularGeometry>", "<RectangularGeometry id=\"rg-1\">")
            .replaceFirst("id=\"shell-a\"", "id=\"shg-9\" note=\"z\"");
    String out = again(xml);
    for (String a :
        List.of(
            "<Area confidence=\"0.8\">20",
            "<Volume src=\"survey\">",
            "<Name lang=\"en\">West",
            "<Level datum=\"OD\">",
            "<Latitude by=\"gps\">",
            "note=\"x\"",
            "note=\"y\"",
            "test=\"EN\"",
            "season=\"winter\"",
            "<PlanarGeometry id=\"pg-1\">",
            "<RectangularGeometry id=\"rg-1\">",
            "id=\"shg-9\"",
            "note=\"z\"")) {
      assertThat(out).contains(a);
    }
    assertThat(again(out)).isEqualTo(out);
    assertThat(codes(read(xml))).doesNotContain("FMT-108");
  }

  @ParameterizedTest
  @CsvSource({
    "<PolyLoop>, <PolyLoop id=\"p\">",
    "<CartesianPoint>, <CartesianPoint id=\"p\">",
    "<CartesianPoint>, <!-- corner --><CartesianPoint>",
    "<Coordinate>, <Coordinate acc=\"1\">",
    "<ClosedShell>, <Note/><ClosedShell>",
    "</ShellGeometry>, '</ShellGeometry><SpaceBoundary surfaceIdRef=\"b-east\"><PlanarGeometry><PolyLoop><CartesianPoint><Coordinate>0</Coordinate><Coordinate>0</Coordinate><Coordinate>0</Coordinate></CartesianPoint></PolyLoop></PlanarGeometry></SpaceBoundary>'"
  })
  void whatCannotBeCarriedIsAFindingBeforeItIsLost(String what, String instead) throws Exception {
    String xml = sound().replaceFirst(what, instead);
    assertThat(xml).isNotEqualTo(sound());
    assertThat(check(read(xml))).filteredOn(f -> f.code().equals("FMT-108")).hasSize(1);
  }

  @Test
  void manyOfAKindAreOneFinding() throws Exception {
    Finding f =
        check(read(sound().replace("<PolyLoop>", "<PolyLoop id=\"p\">"))).stream()
            .filter(x -> x.code().equals("FMT-108"))
            .findFirst()
            .orElseThrow();
    assertThat(f.measured()).isEqualTo(24);
  }

  @Test
  void aNameThatXmlCannotHoldIsSaidAndTheFileStaysReadable() throws Exception {
    Space a = rooms().spaces().get(0);
    Envelope odd =
        rooms().withSpaces(List.of(a.withName("Bell \u0007 room"), rooms().spaces().get(1)));
    assertThat(codes(odd)).contains("FMT-108");
    assertThat(read(write(odd)).spaces().get(0).name()).isEqualTo("Bell \uFFFD room");
  }

  @Test
  void aBoundaryWithoutGeometryGoesBackAsItStands() throws Exception {
    String bare =
        "<SpaceBoundary surfaceIdRef=\"a-roof\" isSecondLevelBoundary=\"false\"></SpaceBoundary>";
    assertThat(again(sound().replaceFirst("</ShellGeometry>", "</ShellGeometry>" + bare)))
        .contains(bare);
  }

  // ---- numbers -------------------------------------------------------------------------------

  @Test
  void everyNumberReadsBackTheSame() {
    Random random = new Random(15);
    double[] factors = {1, 0.3048, 0.0254, 0.001, 1000, 1609.344, 0.9144, 0.01};
    for (int i = 0; i < 200_000; i++) {
      double factor = factors[i % factors.length];
      double d =
          (random.nextDouble() - 0.5)
              * Math.pow(10, random.nextInt(14) - 7)
              * (i % 3 == 0 ? 1 : factor);
      String s = Decimal.of(d, factor);
      assertThat(s).doesNotContain("E");
      double back = Values.parse(s).orElseThrow() * factor;
      // where no decimal gives the very number, the nearest one is an ulp away
      assertThat(Math.abs(back - d)).as("%s as %s", d, s).isLessThanOrEqualTo(Math.ulp(d));
      if (factor == 1) {
        assertThat(back).isEqualTo(d);
      }
    }
  }

  @ParameterizedTest
  @CsvSource({
    "0, 0",
    "-0.0, 0",
    "12, 12",
    "0.1, 0.1",
    "2.85, 2.85",
    "-3.000001, -3.000001",
    "1e-9, 0.000000001",
    "123456789.5, 123456789.5",
    "0.30000000000000004, 0.30000000000000004"
  })
  void numbersAreAsShortAsTheyCanBe(double d, String text) {
    assertThat(Decimal.of(d)).isEqualTo(text);
    assertThat(new BigDecimal(Decimal.of(d)).doubleValue()).isEqualTo(d + 0.0);
  }

  /** A billionth of a mile is more than a micrometre: it was lost. */
  @Test
  void bigUnitsLoseNoDigits() throws Exception {
    String miles =
        sound()
            .replace("lengthUnit=\"Meters\"", "lengthUnit=\"Miles\"")
            .replace("unit=\"Meters\">\n", "unit=\"Miles\">\n")
            .replaceAll(
                "<Coordinate>(\\d)</Coordinate>", "<Coordinate>0.00$1123456789</Coordinate>");
    Envelope e = read(miles);
    Envelope back = read(write(e));
    for (int i = 0; i < e.surfaces().size(); i++) {
      List<yentra.core.geometry.Vec3> a = e.surfaces().get(i).polygon().outer();
      List<yentra.core.geometry.Vec3> b = back.surfaces().get(i).polygon().outer();
      for (int k = 0; k < a.size(); k++) {
        assertThat(b.get(k).distance(a.get(k))).isLessThan(1e-14);
      }
    }
  }

  // ---- shares, angles, people, panes -----------------------------------------------------------

  private static String layer(String... shares) {
    StringBuilder b = new StringBuilder("<Layer id=\"lay-1\">");
    for (int i = 0; i < shares.length; i++) {
      b.append("<MaterialId materialIdRef=\"mat-").append(i + 1).append('"');
      if (!shares[i].isEmpty()) {
        b.append(" percentOfLayer=\"").append(shares[i]).append('"');
      }
      b.append("/>");
    }
    String material =
        "<Material id=\"mat-2\"><Name>Stud</Name><Thickness unit=\"Meters\">0.3</Thickness><Conductivity unit=\"WPerMeterK\">0.13</Conductivity></Material>";
    return sound().replaceFirst("(?s)<Layer id=\"lay-1\">.*?</Layer>", b + "</Layer>" + material);
  }

  @ParameterizedTest
  @CsvSource({
    "1, 99, 0.01, 0.99",
    "15, 85, 0.15, 0.85",
    "0.15, 0.85, 0.15, 0.85",
    "1, 98.5, 0.01, 0.985",
    "0.5, 99.5, 0.005, 0.995"
  })
  void sharesArePercentOrFractionAsAWhole(String a, String b, double first, double second)
      throws Exception {
    Envelope e = read(layer(a, b));
    assertThat(e.layers().get(0).shares().get(0)).isCloseTo(first, within(1e-12));
    assertThat(e.layers().get(0).shares().get(1)).isCloseTo(second, within(1e-12));
    assertThat(codes(e)).doesNotContain("FMT-106");
  }

  @ParameterizedTest
  @CsvSource({"0.15, 0.7", "15, 60", "1, 1"})
  void sharesThatFitNeitherAreSaidAndCountInProportion(String a, String b) throws Exception {
    Envelope e = read(layer(a, b));
    assertThat(codes(e)).contains("FMT-106");
    double first = Double.parseDouble(a);
    double second = Double.parseDouble(b);
    assertThat(e.layers().get(0).share(0) / e.layers().get(0).share(1))
        .isCloseTo(first / second, within(1e-12));
  }

  @Test
  void sharesThatAreNoneAreSaidAndGoBackAsTheyStood() throws Exception {
    String xml = layer("half", "0.5");
    assertThat(codes(read(xml))).contains("FMT-106");
    assertThat(again(xml)).contains("percentOfLayer=\"half\"").contains("percentOfLayer=\"0.5\"");
  }

  private static String glazing(String elements) {
    return sound()
        .replaceFirst(
            "(?s)<WindowType id=\"glass-1\">.*?</WindowType>",
            "<WindowType id=\"glass-1\">" + elements + "</WindowType>");
  }

  @Test
  void theSolarCoefficientAtNormalIncidenceCountsHoweverItIsWritten() throws Exception {
    String xml =
        glazing(
            "<SolarHeatGainCoeff unit=\"Fraction\" solarIncidentAngle=\"40\">0.5</SolarHeatGainCoeff>"
                + "<SolarHeatGainCoeff unit=\"Fraction\" solarIncidentAngle=\"0.0\">0.6</SolarHeatGainCoeff>"
                + "<SolarHeatGainCoeff unit=\"Fraction\" solarIncidentAngle=\"60\">0.3</SolarHeatGainCoeff>");
    assertThat(read(xml).glazings().get(0).solarHeatGain()).isEqualTo(0.6);
    assertThat(read(again(xml)).glazings().get(0).solarHeatGain()).isEqualTo(0.6);
  }

  @Test
  void loadsAndClimateThatAreOnlyKeptAreSaid() throws Exception {
    String xml =
        ofSpace("<Lighting id=\"li\"/>")
            .replace("</gbXML>", "<IntEquip id=\"ie\"/><Weather id=\"we\"/></gbXML>");
    assertThat(read(xml).notes())
        .anyMatch(n -> n.message().endsWith("reckoned from: 1 IntEquip, 1 Lighting, 1 Weather"));
    assertThat(again(xml)).contains("<Lighting id=\"li\"", "<IntEquip ", "<Weather ");
    assertThat(read(ofSpace("<Cost/>")).notes()).noneMatch(n -> n.message().contains("reckoned"));
  }

  @Test
  void aNumberOfPeopleWithoutUnitIsANumberOfPeople() throws Exception {
    Envelope e = read(ofSpace("<PeopleNumber>4</PeopleNumber>"));
    assertThat(e.spaces().get(0).gains().people()).isEqualTo(4);
    assertThat(e.spaces().get(0).gains().areaPerPerson()).isNull();
    assertThat(codes(e)).contains("UNI-201");
  }

  /**
   * EN 673: 4-16-4 with 100 % argon and an emissivity of 0.05; by an independent script 1.13002769
   * W/(m²K): Nu 1.10189, gas 1.15974, radiation 0.25456.
   */
  @Test
  void panesAndGapsSayTheUValue() throws Exception {
    String pane = "<Glaze id=\"%s\"><Thickness unit=\"Millimeters\">4</Thickness>%s</Glaze>";
    String xml =
        glazing(
            pane.formatted("g1", "")
                + "<Gap id=\"gap\" gas=\"Argon\"><Thickness unit=\"Millimeters\">16</Thickness></Gap>"
                + pane.formatted(
                    "g2", "<Emittance unit=\"Fraction\" type=\"ExtIR\">0.05</Emittance>"));
    Envelope e = read(xml);
    assertThat(e.glazings().get(0).uValue()).isCloseTo(1.13002769, within(1e-8));
    assertThat(e.notes()).anyMatch(n -> n.message().contains("follows from its panes"));
    assertThat(again(xml)).contains("gas=\"Argon\"").contains("type=\"ExtIR\">0.05");
  }

  @Test
  void outdoorAirThatComesInByItselfIsRead() throws Exception {
    Envelope e =
        read(
            ofSpace(
                    "<InfiltrationFlow unit=\"CubicMPerHr\">36</InfiltrationFlow><AirChangesPerHour>0.6</AirChangesPerHour>")
                .replaceFirst(
                    "<Name>House</Name>\\s*<DesignHeatT",
                    "<Name>House</Name><AirChangesPerHour>1.5</AirChangesPerHour><DesignHeatT"));
    assertThat(e.spaces().get(0).air()).isEqualTo(new Space.AirExchange(10.0, 0.6));
    assertThat(e.spaces().get(1).air()).isEqualTo(Space.AirExchange.NONE);
    assertThat(e.zones().get(0).air().changes()).isEqualTo(1.5);
    assertThat(EnvelopeDifference.between(e, read(write(e)), TOLERANCE)).isEmpty();
  }

  // ---- rectangles ------------------------------------------------------------------------------

  @Test
  void rectanglesHaveTheAreaOfTheirPolygons() throws Exception {
    Polygon gable = Polygon.of(v(0, 0, 0), v(4, 0, 0), v(4, 0, 3), v(2, 0, 5), v(0, 0, 3));
    Envelope e = rooms().replacing("a-south", s -> s.withPolygon(gable, s.sides()));
    String xml = new String(write(e), StandardCharsets.UTF_8);
    String south = xml.substring(xml.indexOf("<Surface id=\"a-south\""));
    assertThat(south).contains("<Height>5</Height>").contains("<Width>3.2</Width>");
    assertThat(south).contains("<Azimuth>180</Azimuth>").contains("<Tilt>90</Tilt>");
  }

  /** Every surface and the window, by their rectangles alone, turned and measured in feet. */
  @ParameterizedTest
  @CsvSource({"0, Meters", "30, Meters", "-75.5, Feet", "123, Inches"})
  void rectanglesAloneAreRead(double north, String unit) throws Exception {
    double a = Math.toRadians(33);
    Envelope turned =
        rooms()
            .moved(
                new yentra.core.geometry.Transform(
                    v(Math.cos(a), Math.sin(a), 0),
                    v(-Math.sin(a), Math.cos(a), 0),
                    v(0, 0, 1),
                    v(7, 8, 0)),
                north);
    // the same building in another unit of length
    Envelope e =
        read(
            new String(write(turned), StandardCharsets.UTF_8)
                .replace("lengthUnit=\"Meters\"", "lengthUnit=\"" + unit + "\"")
                .replace("unit=\"Meters\">\n", "unit=\"" + unit + "\">\n"));
    String xml =
        new String(write(e), StandardCharsets.UTF_8)
            .replaceAll("(?s)<PlanarGeometry>.*?</PlanarGeometry>\\s*", "");
    assertThat(xml).doesNotContain("PlanarGeometry");
    Envelope back = read(xml);
    for (Surface s : e.surfaces()) {
      Surface other = back.surface(s.key()).orElseThrow();
      assertThat(other.polygon().area()).as(s.key()).isCloseTo(s.polygon().area(), within(1e-4));
      assertThat(other.polygon().normal().dot(s.polygon().normal())).isCloseTo(1, within(1e-6));
      if (s.polygon().tilt() == 90) {
        assertThat(
                EnvelopeDifference.between(
                    only(e, s), only(e, other), new yentra.core.geometry.Tolerance(1e-4, 1, 1, 1)))
            .as(s.key())
            .isEmpty();
      }
    }
    assertThat(codes(back)).doesNotContain("FMT-105");
    assertThat(back.notes())
        .filteredOn(n -> n.kind() == ReadNote.Kind.ASSUMED)
        .anyMatch(n -> n.message().contains("has no PlanarGeometry"));
  }

  private static Envelope only(Envelope e, Surface s) {
    return e.withSurfaces(List.of(s.withKind(BoundaryKind.READ, SurfaceTypes.STANDARD)));
  }

  // ---- holes, strips, faces within a room -------------------------------------------------------

  @Test
  void holesAreSeamsAndComeBackAsHoles() throws Exception {
    Polygon holed =
        new Polygon(
            List.of(v(0, 0, 3), v(4, 0, 3), v(4, 5, 3), v(0, 5, 3)),
            List.of(
                List.of(v(1, 1, 3), v(1, 2, 3), v(2, 2, 3), v(2, 1, 3)),
                List.of(v(3, 3, 3), v(3, 4, 3), v(3.5, 4, 3))));
    Envelope e = rooms().replacing("a-roof", s -> s.withPolygon(holed, s.sides()));
    String xml = new String(write(e), StandardCharsets.UTF_8);
    String roof = xml.substring(xml.indexOf("<Surface id=\"a-roof\""));
    roof = roof.substring(0, roof.indexOf("</Surface>"));
    assertThat(roof.split("<PolyLoop>")).hasSize(2);
    Polygon back = read(xml).surface("a-roof").orElseThrow().polygon();
    assertThat(back.holes()).hasSize(2);
    assertThat(back.area()).isCloseTo(20 - 1 - 0.25, within(1e-12));
    assertThat(EnvelopeDifference.between(e, read(xml), TOLERANCE)).isEmpty();
    assertThat(again(xml)).isEqualTo(xml);
  }

  @Test
  void stripsWithOnlyConstructionBehindThemStayAdiabatic() throws Exception {
    Envelope e =
        rooms()
            .replacing(
                "b-east",
                s ->
                    s.withType(SurfaceType.INTERIOR_WALL)
                        .withKind(BoundaryKind.DERIVED_2B, SurfaceTypes.STANDARD));
    assertThat(e.surface("b-east").orElseThrow().exposure()).isEqualTo(Exposure.ADIABATIC);
    Envelope back = read(write(e));
    assertThat(back.surface("b-east").orElseThrow().exposure()).isEqualTo(Exposure.ADIABATIC);
    assertThat(codes(back)).doesNotContain("ADJ-501");
    assertThat(EnvelopeDifference.between(e, back, TOLERANCE)).isEmpty();
    // one that merely lacks its neighbour is none
    Envelope faulty = rooms().replacing("b-east", s -> s.withType(SurfaceType.INTERIOR_WALL));
    assertThat(codes(read(write(faulty)))).contains("ADJ-501");
    assertThat(EnvelopeDifference.between(e, faulty, TOLERANCE))
        .anyMatch(d -> d.contains("exposure"));
  }

  @Test
  void whatNobodyKnowsStaysUnresolvedAndHasAType() throws Exception {
    Envelope e =
        rooms()
            .replacing(
                "b-east",
                s ->
                    s.withType(SurfaceType.UNRESOLVED)
                        .withKind(BoundaryKind.DERIVED_2A, SurfaceTypes.STANDARD));
    String xml = new String(write(e), StandardCharsets.UTF_8);
    assertThat(xml).contains("id=\"b-east\" surfaceType=\"InteriorWall\"");
    assertThat(read(xml).surface("b-east").orElseThrow().exposure()).isEqualTo(Exposure.UNRESOLVED);
    assertThat(codes(read(xml))).doesNotContain("FMT-105", "ADJ-501");
    assertThat(again(xml)).isEqualTo(xml);
  }

  @Test
  void aWallWithinOneRoomIsNotItsOwnNeighbour() {
    Polygon p = Polygon.of(v(2, 1, 0), v(2, 3, 0), v(2, 3, 3), v(2, 1, 3));
    Polygon other = Polygon.of(v(2.1, 1, 0), v(2.1, 1, 3), v(2.1, 3, 3), v(2.1, 3, 0));
    Surface within =
        yentra.core.Fixtures.surface("fin", SurfaceType.INTERIOR_WALL, p, "con-1", "a", "a")
            .withSides(List.of(Side.of("a", p), Side.of("a", other)));
    Handover h =
        Handover.of(
            HandoverFormat.GBXML_6_01,
            new CheckContext(rooms().plus(within), Limits.STANDARD, Tolerance.standard()),
            ReadLimits.standard());
    assertThat(h.differences()).isEmpty();
    String xml = new String(h.bytes(), StandardCharsets.UTF_8);
    String fin = xml.substring(xml.indexOf("<Surface id=\"fin\""));
    assertThat(fin.substring(0, fin.indexOf("</Surface>")).split("<AdjacentSpaceId")).hasSize(2);
    assertThat(xml).contains("<Surface id=\"fin-2\"");
  }

  @Test
  void aCornerRepeatedAtTheEndIsAnEdgeOfNoLength() throws Exception {
    String corner =
        "<CartesianPoint><Coordinate>0</Coordinate><Coordinate>0</Coordinate><Coordinate>3</Coordinate></CartesianPoint>";
    String xml = sound();
    int roof = xml.indexOf("<PlanarGeometry>", xml.indexOf("<Surface id=\"a-roof\""));
    int end = xml.indexOf("</PolyLoop>", roof);
    Envelope e = read(xml.substring(0, end) + corner + xml.substring(end));
    assertThat(check(e))
        .filteredOn(f -> f.objects().contains("a-roof"))
        .extracting(Finding::code)
        .containsExactly("GEO-304");
  }
}
