package yentra.core.ifc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yentra.core.Fixtures;
import yentra.core.boundary.SpaceVolume;
import yentra.core.boundary.SpaceVolumes;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.UnreadableException;

/** Small IFC files with one thing to read in each. */
class IfcReaderTest {
  /** A file with one space: units, the space's placement and its body items are given. */
  private static String file(String schema, String units, String north, String body) {
    return "ISO-10303-21;\nHEADER;\nFILE_DESCRIPTION((''),'2;1');\nFILE_NAME('','',(''),(''),'','','');\nFILE_SCHEMA(('"
        + schema
        + "'));\nENDSEC;\nDATA;\n"
        + "#1=IFCPROJECT('0000000000000000000001',$,'P',$,$,$,$,(#3),#2);\n"
        + "#2=IFCUNITASSIGNMENT(("
        + units
        + "));\n"
        + "#3=IFCGEOMETRICREPRESENTATIONCONTEXT($,'Model',3,1.E-5,#4,"
        + (north.isEmpty() ? "$" : "#5")
        + ");\n#4=IFCAXIS2PLACEMENT3D(#6,$,$);\n"
        + (north.isEmpty() ? "" : "#5=IFCDIRECTION((" + north + "));\n")
        + "#6=IFCCARTESIANPOINT((0.,0.,0.));\n#7=IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.);\n#8=IFCSIUNIT(*,.LENGTHUNIT.,.MILLI.,.METRE.);\n"
        + "#9=IFCCONVERSIONBASEDUNIT(#10,.LENGTHUNIT.,'FOOT',#11);\n#10=IFCDIMENSIONALEXPONENTS(1,0,0,0,0,0,0);\n#11=IFCMEASUREWITHUNIT(IFCLENGTHMEASURE(0.3048),#7);\n"
        + "#12=IFCSIUNIT(*,.PLANEANGLEUNIT.,$,.RADIAN.);\n"
        + "#20=IFCSITE('0000000000000000000002',$,'Site',$,$,$,$,$,.ELEMENT.,(51,30,0,0),(0,-7,-40,-80000),12.,$,$);\n"
        + "#21=IFCBUILDING('0000000000000000000003',$,'B',$,$,$,$,$,.ELEMENT.,$,$,$);\n"
        + "#22=IFCBUILDINGSTOREY('0000000000000000000004',$,'EG',$,$,#24,$,$,.ELEMENT.,0.);\n"
        + "#23=IFCRELAGGREGATES('0000000000000000000005',$,$,$,#22,(#30));\n"
        + "#24=IFCLOCALPLACEMENT($,#4);\n"
        + "#30=IFCSPACE('0000000000000000000006',$,'1',$,$,#31,#32,'Room',.ELEMENT.,.INTERNAL.,$);\n"
        + "#31=IFCLOCALPLACEMENT(#24,#33);\n#33=IFCAXIS2PLACEMENT3D(#34,#35,#36);\n#34=IFCCARTESIANPOINT((10.,20.,0.));\n"
        + "#35=IFCDIRECTION((0.,0.,1.));\n#36=IFCDIRECTION((0.,1.,0.));\n"
        + "#32=IFCPRODUCTDEFINITIONSHAPE($,$,(#37));\n#37=IFCSHAPEREPRESENTATION(#3,'Body','SweptSolid',(#40));\n"
        + body
        + "\nENDSEC;\nEND-ISO-10303-21;\n";
  }

  private static final String RECTANGLE =
      "#40=IFCEXTRUDEDAREASOLID(#41,$,#35,3.);\n#41=IFCRECTANGLEPROFILEDEF(.AREA.,$,$,4.,5.);";

  private static Envelope read(String text) throws UnreadableException {
    return IfcReader.read(
        text.getBytes(StandardCharsets.ISO_8859_1), ReadLimits.standard(), Fixtures.TOLERANCE);
  }

  private static SpaceVolume volume(Envelope e) {
    return SpaceVolumes.of(e, Fixtures.RULES).of(e.spaces().get(0).key());
  }

  @ParameterizedTest
  @CsvSource({"'#7,#12',60", "'#8,#12',6E-8", "'#9,#12',1.699010795520"})
  void lengthUnits(String units, double expected) throws Exception {
    assertThat(volume(read(file("IFC4", units, "", RECTANGLE))).volume())
        .isCloseTo(expected, within(expected * 1e-9));
  }

  @Test
  void aMissingLengthUnitIsAssumedAndSaid() throws Exception {
    Envelope e = read(file("IFC4", "#12", "", RECTANGLE));
    assertThat(Fixtures.codes(e)).contains("UNI-201");
  }

  // azimuth of project +Y for a true north direction (x, y): the bearing of north, taken back
  @ParameterizedTest
  @CsvSource({
    "0.,1.,0",
    "1.,0.,270",
    "-1.,0.,90",
    "0.5,0.866025403784,330",
    "-0.5,0.866025403784,30",
    "0.,-1.,180"
  })
  void trueNorth(String x, String y, double azimuth) throws Exception {
    Envelope e = read(file("IFC4", "#7,#12", x + "," + y, RECTANGLE));
    assertThat(e.site().northAzimuth()).isCloseTo(azimuth, within(1e-6));
  }

  @Test
  void placesAreCompoundAngles() throws Exception {
    Envelope e = read(file("IFC2X3", "#7,#12", "", RECTANGLE));
    assertThat(e.site().latitude()).isCloseTo(51.5, within(1e-9));
    assertThat(e.site().longitude()).isCloseTo(-0.1278, within(1e-9));
    assertThat(e.delivered().schema()).isEqualTo("IFC2X3");
  }

  @Test
  void placementsTurnAndMove() throws Exception {
    SpaceVolume v = volume(read(file("IFC4", "#7,#12", "", RECTANGLE)));
    // x axis of the space is north: 4 m along y, 5 m along -x
    assertThat(v.faces().box().min())
        .satisfies(p -> assertThat(p.distance(Fixtures.v(7.5, 18, 0))).isLessThan(1e-9));
    assertThat(v.faces().box().max())
        .satisfies(p -> assertThat(p.distance(Fixtures.v(12.5, 22, 3))).isLessThan(1e-9));
    assertThat(v.enclosed()).isTrue();
  }

  @Test
  void aCircleIsFacettedWithinTheChordError() throws Exception {
    Envelope e =
        read(
            file(
                "IFC4",
                "#7,#12",
                "",
                "#40=IFCEXTRUDEDAREASOLID(#41,$,#35,2.);\n#41=IFCCIRCLEPROFILEDEF(.AREA.,$,$,3.);"));
    double exact = Math.PI * 9 * 2;
    assertThat(volume(e).volume()).isBetween(exact * 0.99, exact);
  }

  @Test
  void aProfileWithAVoidGivesARoomRoundAColumn() throws Exception {
    String body =
        "#40=IFCEXTRUDEDAREASOLID(#41,$,#35,3.);\n#41=IFCARBITRARYPROFILEDEFWITHVOIDS(.AREA.,$,#42,(#43));\n"
            + "#42=IFCPOLYLINE((#44,#45,#46,#47,#44));\n#44=IFCCARTESIANPOINT((0.,0.));\n#45=IFCCARTESIANPOINT((4.,0.));\n#46=IFCCARTESIANPOINT((4.,4.));\n#47=IFCCARTESIANPOINT((0.,4.));\n"
            + "#43=IFCPOLYLINE((#48,#49,#50,#51,#48));\n#48=IFCCARTESIANPOINT((1.,1.));\n#49=IFCCARTESIANPOINT((2.,1.));\n#50=IFCCARTESIANPOINT((2.,2.));\n#51=IFCCARTESIANPOINT((1.,2.));";
    SpaceVolume v = volume(read(file("IFC4", "#7,#12", "", body)));
    assertThat(v.volume()).isCloseTo(45, within(1e-9));
    assertThat(v.floorArea()).isCloseTo(15, within(1e-9));
    assertThat(v.enclosed()).isTrue();
    assertThat(v.faces().faces()).hasSize(10);
  }

  @Test
  void aHalfSpaceCutsTheRoof() throws Exception {
    String body =
        "#40=IFCBOOLEANCLIPPINGRESULT(.DIFFERENCE.,#42,#43);\n#42=IFCEXTRUDEDAREASOLID(#41,$,#35,3.);\n#41=IFCRECTANGLEPROFILEDEF(.AREA.,$,$,4.,5.);\n"
            + "#43=IFCHALFSPACESOLID(#44,.F.);\n#44=IFCPLANE(#45);\n#45=IFCAXIS2PLACEMENT3D(#46,#47,#36);\n#46=IFCCARTESIANPOINT((0.,0.,2.));\n#47=IFCDIRECTION((1.,0.,1.));";
    SpaceVolume v = volume(read(file("IFC4", "#7,#12", "", body)));
    // mono-pitch: 20 m² times the mean height of 2 m (rises from 0 to 4 m, cut at 3 m: less the
    // triangle above)
    assertThat(v.enclosed()).isTrue();
    assertThat(v.volume()).isCloseTo(20 * 2 - 5 * 0.5, within(1e-6));
  }

  @Test
  void boundariesThatTheDeliveryHasNotAreDerivedAndThatIsSaid() throws Exception {
    Envelope e = read(file("IFC4", "#7,#12", "", RECTANGLE));
    assertThat(e.surfaces())
        .hasSize(6)
        .noneMatch(s -> s.type() == SurfaceType.UNRESOLVED)
        .allMatch(s -> s.kind() == BoundaryKind.DERIVED_2A);
    assertThat(e.notes())
        .anyMatch(
            n ->
                n.kind() == ReadNote.Kind.ASSUMED
                    && n.message().contains("no second-level boundaries"));
    assertThat(e.spaces().get(0).name()).isEqualTo("1 Room");
    assertThat(e.fileId(e.spaces().get(0).key())).isEqualTo("0000000000000000000006");
  }

  @Test
  void geometryThatCannotBeReadIsNamedAndTheRestGoesOn() throws Exception {
    Envelope e = read(file("IFC4", "#7,#12", "", "#40=IFCSWEPTDISKSOLID(#41,0.1,$,0.,1.);"));
    assertThat(e.spaces()).hasSize(1);
    assertThat(e.notes()).anyMatch(n -> n.message().contains("IfcSweptDiskSolid"));
    Envelope dangling =
        read(file("IFC4", "#7,#12", "", "#40=IFCEXTRUDEDAREASOLID(#999,$,#35,3.);"));
    assertThat(dangling.notes()).anyMatch(n -> n.message().contains("#999"));
  }

  @Test
  void circlesOfReferencesEnd() throws Exception {
    String self = file("IFC4", "#7,#12", "", "#40=IFCBOOLEANRESULT(.DIFFERENCE.,#40,#40);");
    assertThat(read(self).spaces().get(0).shell()).isEmpty();
    String placement =
        file("IFC4", "#7,#12", "", RECTANGLE)
            .replace("#24=IFCLOCALPLACEMENT($,#4)", "#24=IFCLOCALPLACEMENT(#31,#4)");
    assertThat(read(placement).notes()).anyMatch(n -> n.message().contains("relative to itself"));
  }

  @Test
  void otherSchemas() throws Exception {
    assertThat(Fixtures.codes(read(file("IFC9", "#7,#12", "", RECTANGLE)))).contains("FMT-102");
    String other =
        "ISO-10303-21;\nHEADER;\nFILE_SCHEMA(('AUTOMOTIVE_DESIGN'));\nENDSEC;\nDATA;\n#1=PRODUCT('x');\nENDSEC;\nEND-ISO-10303-21;\n";
    assertThatThrownBy(() -> read(other))
        .isInstanceOf(UnreadableException.class)
        .hasMessageContaining("AUTOMOTIVE_DESIGN");
  }

  /** True north is the y axis; the map conversion turns the x axis by so much against the grid. */
  @ParameterizedTest
  @CsvSource({"15, true", "3.1, true", "2.9, false", "0, false"})
  void northStatedTwice(double turn, boolean found) throws Exception {
    double a = Math.toRadians(turn);
    IfcSample twice =
        IfcSample.of("IFC4")
            .with(
                "#20=IFCMAPCONVERSION(#3,#21,0.,0.,0.,%s,%s,$);"
                    .formatted(Math.cos(a), Math.sin(a)),
                "#21=IFCPROJECTEDCRS('EPSG:0',$,$,$,$,$,$);");
    Envelope e =
        IfcReader.read(twice.bytes(), ReadLimits.standard(), yentra.core.Fixtures.TOLERANCE);
    assertThat(e.site().northAzimuth()).isCloseTo(0, within(1e-9));
    var north =
        yentra.core.Fixtures.check(e).stream().filter(f -> f.code().equals("LOC-802")).toList();
    assertThat(north).hasSize(found ? 1 : 0);
    if (found) {
      assertThat(north.get(0).measured()).isCloseTo(turn, within(1e-9));
      assertThat(north.get(0).message()).contains("true north").contains("map conversion");
    }
  }
}
