package yentra.core.ifc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assumptions.assumeThat;

import java.io.ByteArrayOutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import yentra.core.Fixtures;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.exchange.EnvelopeDifference;
import yentra.core.model.Element;
import yentra.core.model.Property;
import yentra.core.model.PropertyValue;
import yentra.core.scope.ScopeResult;
import yentra.core.scope.ScopeRun;
import yentra.core.scope.ScopeSheet;
import yentra.core.scope.ShippedSheets;
import yentra.core.scope.ValueEdit;

class IfcTrimmerTest {
  private static final Path HOUSE = Path.of("/usr/share/assimp/models/IFC/AC14-FZK-Haus.ifc");

  /** Two walls that share a property set, a window in one of them, and a chair. */
  private static IfcSample sample() {
    return IfcSample.of("IFC4")
        .with(
            "#30=IFCWALL('00000000000000000000W1',$,'W1',$,$,#10,#90,$,$);",
            "#31=IFCWALL('00000000000000000000W2',$,'W2',$,$,#10,#91,$,$);",
            "#32=IFCFURNITURE('00000000000000000000C1',$,'Chair',$,$,#10,$,$,$);",
            "#33=IFCRELCONTAINEDINSPATIALSTRUCTURE('00000000000000000000R2',$,$,$,(#30,#31,#32,#35),#17);",
            "#34=IFCOPENINGELEMENT('00000000000000000000O1',$,$,$,$,#10,$,$,$);",
            "#35=IFCWINDOW('00000000000000000000V1',$,'V',$,$,#10,$,$,1.2,0.9,$,$,$);",
            "#36=IFCRELVOIDSELEMENT('00000000000000000000R6',$,$,$,#30,#34);",
            "#37=IFCRELFILLSELEMENT('00000000000000000000R7',$,$,$,#34,#35);",
            "#40=IFCPROPERTYSET('00000000000000000000P1',$,'Pset_WallCommon',$,(#42,#43,#44));",
            "#41=IFCRELDEFINESBYPROPERTIES('00000000000000000000R3',$,$,$,(#30,#31),#40);",
            "#42=IFCPROPERTYSINGLEVALUE('FireRating',$,IFCLABEL('F90'),$);",
            "#43=IFCPROPERTYSINGLEVALUE('IsExternal',$,IFCBOOLEAN(.T.),$);",
            "#44=IFCPROPERTYSINGLEVALUE('Colour',$,IFCLABEL('it''s #30'),$);",
            "#50=IFCMATERIAL('Brick',$,$);",
            "#51=IFCMATERIALPROPERTIES('Pset_MaterialThermal',$,(#52),#50);",
            "#52=IFCPROPERTYSINGLEVALUE('ThermalConductivity',$,IFCTHERMALCONDUCTIVITYMEASURE(0.5),$);",
            "#53=IFCRELASSOCIATESMATERIAL('00000000000000000000R4',$,$,$,(#30,#31,#32),#50);",
            "#60=IFCCOLOURRGB($,1.,0.,0.);",
            "#90=IFCPRODUCTDEFINITIONSHAPE($,$,(#92));",
            "#91=IFCPRODUCTDEFINITIONSHAPE($,$,(#93));",
            "#92=IFCSHAPEREPRESENTATION(#3,'Body','CSG',(#94));",
            "#93=IFCSHAPEREPRESENTATION(#3,'Body','CSG',(#95));",
            "#94=IFCBLOCK(#4,4.,0.3,3.);",
            "#95=IFCBLOCK(#4,0.3,4.,3.);");
  }

  private record Written(IfcModel model, IfcTrimmer.Trimmed trimmed) {}

  private static Written trim(
      IfcModel m,
      java.util.function.Predicate<Element> in,
      java.util.function.BiPredicate<String, String> keeps,
      Map<String, List<ValueEdit>> edits)
      throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    IfcTrimmer.Trimmed t = IfcTrimmer.write(m, in, keeps, edits, out);
    IfcModel again = IfcModel.of(out.toByteArray(), ReadLimits.standard(), Fixtures.TOLERANCE);
    assertThat(t.bytes()).isEqualTo(out.size());
    assertThat(again.file().size()).isEqualTo(t.instances());
    assertThat(again.file().dangling()).isEmpty();
    assertThat(new IfcConformance(again).notes()).isEmpty();
    return new Written(again, t);
  }

  private static IfcModel severalSetsAtOnce() throws Exception {
    return sample()
        .with(
            "#80=IFCPROPERTYSET('00000000000000000000P2',$,'Set_Site',$,(#82));",
            "#81=IFCPROPERTYSET('00000000000000000000P3',$,'Set_Paint',$,(#83));",
            "#82=IFCPROPERTYSINGLEVALUE('Zone',$,IFCLABEL('North'),$);",
            "#83=IFCPROPERTYSINGLEVALUE('Coat',$,IFCLABEL('White'),$);",
            "#84=IFCRELDEFINESBYPROPERTIES('00000000000000000000R9',$,$,$,(#30,#31,#32),IFCPROPERTYSETDEFINITIONSET((#80,#81)));")
        .model();
  }

  private static String value(IfcModel m, String key, String set, String property) {
    return m.property(m.element(key).orElseThrow(), set, property)
        .map(p -> p.value().text())
        .orElse(null);
  }

  @Test
  void aRelationToSeveralSetsKeepsThoseThatStay() throws Exception {
    Written w =
        trim(
            severalSetsAtOnce(),
            e -> e.entity().equals("IfcWall"),
            (set, p) -> set.equals("Set_Site"),
            Map.of());
    assertThat(value(w.model(), "00000000000000000000W2", "Set_Site", "Zone")).isEqualTo("North");
    assertThat(value(w.model(), "00000000000000000000W2", "Set_Paint", "Coat")).isNull();
    assertThat(w.model().file().ofType("IFCRELDEFINESBYPROPERTIES")).hasSize(1);
  }

  @Test
  void aRelationToSeveralSetsIsPartedWhenAValueOfOneChanges() throws Exception {
    Written w =
        trim(
            severalSetsAtOnce(),
            e -> e.entity().equals("IfcWall"),
            (set, p) -> true,
            Map.of(
                "00000000000000000000W1",
                List.of(
                    new ValueEdit(
                        "Set_Paint", "Coat", new PropertyValue.Text("Grey"), "IfcLabel"))));
    assertThat(value(w.model(), "00000000000000000000W1", "Set_Paint", "Coat")).isEqualTo("Grey");
    assertThat(value(w.model(), "00000000000000000000W2", "Set_Paint", "Coat")).isEqualTo("White");
    assertThat(value(w.model(), "00000000000000000000W1", "Set_Site", "Zone")).isEqualTo("North");
    assertThat(value(w.model(), "00000000000000000000W2", "Set_Site", "Zone")).isEqualTo("North");
  }

  @Test
  void theHoleOfAWindowIsCutOutOfItsWall() throws Exception {
    IfcModel m =
        sample()
            .with(
                "#70=IFCOPENINGELEMENT('00000000000000000000O2',$,$,$,$,#10,#71,$,$);",
                "#71=IFCPRODUCTDEFINITIONSHAPE($,$,(#72));",
                "#72=IFCSHAPEREPRESENTATION(#3,'Body','CSG',(#73));",
                "#73=IFCBLOCK(#74,1.2,0.5,1.);",
                "#74=IFCAXIS2PLACEMENT3D(#75,$,$);",
                "#75=IFCCARTESIANPOINT((1.,-0.1,0.9));",
                "#76=IFCRELVOIDSELEMENT('00000000000000000000R8',$,$,$,#30,#70);")
            .model();
    Element wall = m.element("00000000000000000000W1").orElseThrow();
    double gross = Math.abs(yentra.core.geometry.Shell.of(m.body(wall).faces()).signedVolume());
    double net = Math.abs(yentra.core.geometry.Shell.of(m.netBody(wall).faces()).signedVolume());
    assertThat(gross).isCloseTo(4 * 0.3 * 3, org.assertj.core.api.Assertions.within(1e-9));
    assertThat(net)
        .isCloseTo(4 * 0.3 * 3 - 1.2 * 0.3 * 1, org.assertj.core.api.Assertions.within(1e-9));
    Element other = m.element("00000000000000000000W2").orElseThrow();
    assertThat(m.netBody(other)).isSameAs(m.body(other));
  }

  @Test
  void onlyWhatIsInAndWhatThatNeedsIsWritten() throws Exception {
    IfcModel m = sample().model();
    Written w = trim(m, e -> e.entity().matches("IfcWall|IfcWindow"), (s, p) -> true, Map.of());
    assertThat(w.model.elements().stream().map(Element::entity))
        .contains("IfcWall", "IfcWindow", "IfcOpeningElement", "IfcBuildingStorey")
        .doesNotContain("IfcFurniture");
    assertThat(w.model.element("00000000000000000000W1").orElseThrow().storey())
        .isEqualTo("Ground");
    Element before = m.element("00000000000000000000W1").orElseThrow();
    Element after = w.model.element("00000000000000000000W1").orElseThrow();
    assertThat(w.model.body(after)).isEqualTo(m.body(before));
    assertThat(w.model.materials(after)).isEqualTo(m.materials(before));
    assertThat(w.model.file().ofType("IFCMATERIALPROPERTIES")).hasSize(1);
    assertThat(w.model.file().ofType("IFCCOLOURRGB")).isEmpty();
    assertThat(w.trimmed.share()).isLessThan(1);
  }

  @Test
  void aHoleGoesWithItsWallAndAWindowStaysWithoutIt() throws Exception {
    Written w =
        trim(
            sample().model(),
            e -> e.entity().equals("IfcWindow") || e.key().endsWith("W2"),
            (s, p) -> true,
            Map.of());
    assertThat(w.model.file().ofType("IFCOPENINGELEMENT")).isEmpty();
    assertThat(w.model.file().ofType("IFCRELFILLSELEMENT")).isEmpty();
    assertThat(w.model.file().ofType("IFCWINDOW")).hasSize(1);
  }

  @Test
  void propertiesAreTrimmedAndValuesSetForOneAndForMany() throws Exception {
    IfcModel m = sample().model();
    ValueEdit fire =
        new ValueEdit("Pset_WallCommon", "FireRating", new PropertyValue.Text("F30"), "IfcLabel");
    ValueEdit u =
        new ValueEdit(
            "Pset_WallCommon",
            "ThermalTransmittance",
            new PropertyValue.Number(0.28, "W/(m²K)", "IfcThermalTransmittanceMeasure"),
            "IfcThermalTransmittanceMeasure");
    Written one =
        trim(
            m,
            e -> true,
            (s, p) -> !p.equals("Colour"),
            Map.of("00000000000000000000W1", List.of(fire, u)));
    assertThat(value(one.model, "W1", "FireRating")).isEqualTo("F30");
    assertThat(value(one.model, "W1", "ThermalTransmittance")).isEqualTo("0.28");
    assertThat(value(one.model, "W1", "IsExternal")).isEqualTo("TRUE");
    assertThat(value(one.model, "W1", "Colour")).isNull();
    assertThat(value(one.model, "W2", "FireRating")).isEqualTo("F90");
    assertThat(value(one.model, "W2", "ThermalTransmittance")).isNull();
    Written both =
        trim(
            m,
            e -> true,
            (s, p) -> true,
            Map.of(
                "00000000000000000000W1", List.of(fire), "00000000000000000000W2", List.of(fire)));
    assertThat(value(both.model, "W2", "FireRating")).isEqualTo("F30");
    assertThat(value(both.model, "W2", "Colour")).isEqualTo("it's #30");
    assertThat(both.model.file().ofType("IFCPROPERTYSET")).hasSize(1);
  }

  private static String value(IfcModel m, String wall, String property) {
    Element e = m.element("00000000000000000000" + wall).orElseThrow();
    return m.property(e, "Pset_WallCommon", property)
        .map(Property::value)
        .map(PropertyValue::text)
        .orElse(null);
  }

  @Test
  void numbersAreWrittenInTheProjectsUnits() throws Exception {
    String feet =
        sample()
            .with(
                "#70=IFCCONVERSIONBASEDUNIT(#71,.LENGTHUNIT.,'FOOT',#72);",
                "#71=IFCDIMENSIONALEXPONENTS(1,0,0,0,0,0,0);",
                "#72=IFCMEASUREWITHUNIT(IFCLENGTHMEASURE(0.3048),#7);")
            .text()
            .replace("IFCUNITASSIGNMENT((#7,", "IFCUNITASSIGNMENT((#70,");
    IfcModel m =
        IfcModel.of(
            feet.getBytes(java.nio.charset.StandardCharsets.ISO_8859_1),
            ReadLimits.standard(),
            Fixtures.TOLERANCE);
    ValueEdit e =
        new ValueEdit(
            "Pset_WallCommon",
            "Width",
            new PropertyValue.Number(0.3048, "m", "IfcLengthMeasure"),
            "IfcLengthMeasure");
    Written w = trim(m, x -> true, (s, p) -> true, Map.of("00000000000000000000W1", List.of(e)));
    assertThat(w.model.file().all().mapToObj(i -> w.model.file().slice(i).toString()))
        .anyMatch(t -> t.contains("'Width',$,IFCLENGTHMEASURE(1.)"));
    assertThat(value(w.model, "W1", "Width")).isEqualTo("0.3048");
  }

  /** The FZK house of Debian's assimp-testmodels: far less than half, and the same envelope. */
  @Test
  void theTrimmedHouseGivesTheSameEnvelope() throws Exception {
    assumeThat(HOUSE).exists();
    IfcModel m = IfcModel.of(Files.readAllBytes(HOUSE), ReadLimits.standard(), Fixtures.TOLERANCE);
    ScopeSheet sheet = ShippedSheets.geometry();
    ScopeResult r = ScopeRun.of(sheet, m, Map.of());
    Set<String> in = new HashSet<>();
    r.decisions().stream().filter(ScopeResult.Decision::in).forEach(d -> in.add(d.element().key()));
    Set<String> classes = new HashSet<>();
    r.decisions().stream()
        .filter(ScopeResult.Decision::in)
        .forEach(d -> classes.add(d.element().entity()));
    assertThat(classes)
        .contains("IfcSpace", "IfcSlab", "IfcWindow", "IfcDoor", "IfcVirtualElement")
        .contains("IfcWallStandardCase")
        .doesNotContain("IfcFurnishingElement", "IfcAnnotation", "IfcBeam", "IfcRailing");
    Written w = trim(m, e -> in.contains(e.key()), (s, p) -> ScopeRun.keeps(sheet, s, p), Map.of());
    assertThat(w.trimmed.share()).isLessThan(0.25);
    Envelope full = IfcReader.envelope(m, Fixtures.TOLERANCE);
    Envelope small = IfcReader.envelope(w.model, Fixtures.TOLERANCE);
    assertThat(EnvelopeDifference.between(full, small, Fixtures.TOLERANCE)).isEmpty();
    for (Element e : w.model.elements()) {
      Element before = m.element(e.key()).orElseThrow();
      assertThat(w.model.body(e).faces()).isEqualTo(m.body(before).faces());
    }
  }
}
