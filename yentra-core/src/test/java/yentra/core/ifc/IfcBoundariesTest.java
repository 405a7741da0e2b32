package yentra.core.ifc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yentra.core.Fixtures;
import yentra.core.boundary.BoundaryOptions;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Material;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.UnreadableException;

/**
 * Every kind of connection geometry gives the same wall, whichever way it was drawn; materials
 * become constructions.
 */
class IfcBoundariesTest {
  /**
   * A room of 4 x 5 x 3 m with one boundary: the wall at x = 4. The space's placement is shifted,
   * as boundaries are local to it.
   */
  static String file(String boundary, String geometry) {
    return """
        ISO-10303-21;
        HEADER;
        FILE_SCHEMA(('IFC4'));
        ENDSEC;
        DATA;
        #1=IFCPROJECT('0000000000000000000001',$,'P',$,$,$,$,$,#2);
        #2=IFCUNITASSIGNMENT((#3,#4));
        #3=IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.);
        #4=IFCSIUNIT(*,.PLANEANGLEUNIT.,$,.RADIAN.);
        #5=IFCCARTESIANPOINT((0.,0.,0.));
        #6=IFCAXIS2PLACEMENT3D(#5,$,$);
        #7=IFCDIRECTION((0.,0.,1.));
        #8=IFCCARTESIANPOINT((100.,200.,0.));
        #9=IFCAXIS2PLACEMENT3D(#8,$,$);
        #10=IFCLOCALPLACEMENT($,#9);
        #11=IFCSPACE('0000000000000000000011',$,'1',$,$,#10,#12,'Room',.ELEMENT.,.SPACE.,$);
        #12=IFCPRODUCTDEFINITIONSHAPE($,$,(#13));
        #13=IFCSHAPEREPRESENTATION($,'Body','SweptSolid',(#14));
        #14=IFCEXTRUDEDAREASOLID(#15,$,#7,3.);
        #15=IFCARBITRARYCLOSEDPROFILEDEF(.AREA.,$,#16);
        #16=IFCPOLYLINE((#17,#18,#19,#20,#17));
        #17=IFCCARTESIANPOINT((0.,0.));
        #18=IFCCARTESIANPOINT((4.,0.));
        #19=IFCCARTESIANPOINT((4.,5.));
        #20=IFCCARTESIANPOINT((0.,5.));
        #30=IFCWALL('0000000000000000000030',$,'Outer wall',$,$,#10,$,'tag',.STANDARD.);
        #31=IFCMATERIALLAYERSET((#32,#33),'Cavity wall',$);
        #32=IFCMATERIALLAYER(#34,0.1,$,$,$,$,$);
        #33=IFCMATERIALLAYER(#35,0.2,$,$,$,$,$);
        #34=IFCMATERIAL('Brick',$,$);
        #35=IFCMATERIAL('Wool \\S\\d',$,$);
        #36=IFCMATERIALLAYERSETUSAGE(#31,.AXIS2.,.POSITIVE.,0.,$);
        #37=IFCRELASSOCIATESMATERIAL('0000000000000000000037',$,$,$,(#30),#36);
        #38=IFCMATERIALPROPERTIES('Pset_MaterialThermal',$,(#39),#34);
        #39=IFCPROPERTYSINGLEVALUE('ThermalConductivity',$,IFCTHERMALCONDUCTIVITYMEASURE(0.77),$);
        #40=IFCCARTESIANPOINT((4.,0.,0.));
        #41=IFCCARTESIANPOINT((4.,5.,0.));
        #42=IFCCARTESIANPOINT((4.,5.,3.));
        #43=IFCCARTESIANPOINT((4.,0.,3.));
        #50=%s;
        #51=IFCCONNECTIONSURFACEGEOMETRY(#60,$);
        %s
        ENDSEC;
        END-ISO-10303-21;
        """
        .formatted(boundary, geometry);
  }

  static final String SECOND_LEVEL =
      "IFCRELSPACEBOUNDARY2NDLEVEL('0000000000000000000050',$,'2ndLevel','2a',#11,#30,#51,.PHYSICAL.,.EXTERNAL.,$,$)";
  private static final String LOOP =
      "#61=IFCPOLYLOOP((#40,#41,#42,#43));\n#62=IFCFACEOUTERBOUND(#61,.T.);\n";

  private static Envelope read(String text) throws UnreadableException {
    return IfcReader.read(
        text.getBytes(StandardCharsets.ISO_8859_1),
        ReadLimits.standard(),
        BoundaryOptions.KEEP,
        Fixtures.TOLERANCE);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        // a plane with the outline in its own coordinates, either way round
        "#60=IFCCURVEBOUNDEDPLANE(#61,#64,());\n#61=IFCPLANE(#62);\n#62=IFCAXIS2PLACEMENT3D(#40,#63,#66);\n#63=IFCDIRECTION((1.,0.,0.));\n#66=IFCDIRECTION((0.,1.,0.));\n#64=IFCPOLYLINE((#70,#71,#72,#73,#70));\n#70=IFCCARTESIANPOINT((0.,0.));\n#71=IFCCARTESIANPOINT((5.,0.));\n#72=IFCCARTESIANPOINT((5.,3.));\n#73=IFCCARTESIANPOINT((0.,3.));",
        "#60=IFCCURVEBOUNDEDPLANE(#61,#64,());\n#61=IFCPLANE(#62);\n#62=IFCAXIS2PLACEMENT3D(#40,#63,#66);\n#63=IFCDIRECTION((-1.,0.,0.));\n#66=IFCDIRECTION((0.,1.,0.));\n#64=IFCCOMPOSITECURVE((#65),.F.);\n#65=IFCCOMPOSITECURVESEGMENT(.CONTINUOUS.,.F.,#67);\n#67=IFCPOLYLINE((#70,#71,#72,#73,#70));\n#70=IFCCARTESIANPOINT((0.,0.));\n#71=IFCCARTESIANPOINT((5.,0.));\n#72=IFCCARTESIANPOINT((5.,-3.));\n#73=IFCCARTESIANPOINT((0.,-3.));",
        // a face, a model of faces, an extruded line
        "#60=IFCFACESURFACE((#62),#63,.T.);\n#63=IFCPLANE(#6);\n" + LOOP,
        "#60=IFCFACEBASEDSURFACEMODEL((#63));\n#63=IFCCONNECTEDFACESET((#64));\n#64=IFCFACE((#62));\n"
            + LOOP,
        "#60=IFCSURFACEOFLINEAREXTRUSION(#61,#6,#7,3.);\n#61=IFCARBITRARYOPENPROFILEDEF(.CURVE.,$,#62);\n#62=IFCPOLYLINE((#63,#64));\n#63=IFCCARTESIANPOINT((4.,0.));\n#64=IFCCARTESIANPOINT((4.,5.));"
      })
  void connectionGeometry(String geometry) throws Exception {
    Envelope e = read(file(SECOND_LEVEL, geometry));
    assertThat(e.surfaces()).hasSize(1);
    Surface s = e.surfaces().get(0);
    assertThat(s.polygon().area()).isCloseTo(15, within(1e-9));
    assertThat(s.polygon().normal().x()).as("turned to face out").isCloseTo(1, within(1e-9));
    assertThat(s.polygon().mean().distance(Fixtures.v(104, 202.5, 1.5))).isLessThan(1e-9);
    assertThat(s.type()).isEqualTo(SurfaceType.EXTERIOR_WALL);
    assertThat(s.element().elementClass()).isEqualTo("IfcWall");
    assertThat(s.element().name()).isEqualTo("Outer wall");
    assertThat(e.fileId(s.key())).isEqualTo("0000000000000000000050");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"#60=IFCPLANE(#6);", "#60=IFCFACESURFACE((),#63,.T.);\n#63=IFCPLANE(#6);"})
  void aBoundaryWithoutAnOutlineIsLeftOutAndTold(String geometry) throws Exception {
    Envelope e = read(file(SECOND_LEVEL, geometry));
    assertThat(e.surfaces()).as("the faces of the room's body").hasSize(6);
    assertThat(e.notes())
        .filteredOn(n -> n.kind() == ReadNote.Kind.SPACE_BOUNDARY)
        .singleElement()
        .satisfies(
            n -> {
              assertThat(n.message()).startsWith("The space boundary is left out:");
              assertThat(n.line()).isPositive();
            });
  }

  /** An outline of no area is kept as it came, so that it is told with its place. */
  @ParameterizedTest
  @ValueSource(strings = {"#40,#41", "#40,#41,#44"})
  void aBoundaryWithoutAreaIsAFinding(String corners) throws Exception {
    String geometry =
        FACE.replace("(#40,#41,#42,#43)", "(" + corners + ")")
            + "#44=IFCCARTESIANPOINT((4.,9.,0.));\n";
    Envelope e = read(file(SECOND_LEVEL, geometry));
    assertThat(e.surfaces())
        .singleElement()
        .satisfies(s -> assertThat(s.polygon().area()).isZero());
    assertThat(Fixtures.check(e))
        .filteredOn(f -> f.code().equals("GEO-301"))
        .singleElement()
        .satisfies(f -> assertThat(f.objects()).contains(e.surfaces().get(0).key()));
  }

  @Test
  void aBoundaryWithoutConnectionGeometryIsLeftOutAndTold() throws Exception {
    Envelope e = read(file(SECOND_LEVEL.replace("#51", "$"), FACE));
    assertThat(e.surfaces()).hasSize(6);
    assertThat(e.notes())
        .extracting(ReadNote::message)
        .contains("The space boundary is left out: it has no connection geometry.");
  }

  static final String FACE = "#60=IFCFACESURFACE((#62),#63,.T.);\n#63=IFCPLANE(#6);\n" + LOOP;

  @Test
  void layersBecomeAConstructionWithItsThickness() throws Exception {
    Envelope e = read(file(SECOND_LEVEL, FACE));
    Construction c = e.construction(e.surfaces().get(0).construction()).orElseThrow();
    assertThat(c.name()).isEqualTo("Cavity wall");
    assertThat(e.surfaces().get(0).thickness()).isCloseTo(0.3, within(1e-9));
    assertThat(e.materials()).extracting(Material::name).containsExactly("Brick", "Wool ä");
    assertThat(e.materials()).extracting(Material::thickness).containsExactly(0.1, 0.2);
    assertThat(e.materials().get(0).conductivity()).isEqualTo(0.77);
    assertThat(e.materials().get(1).conductivity()).isNull();
  }

  @Test
  void ifc2x3TellsTheLevelByName() throws Exception {
    String old = SECOND_LEVEL.replace("2NDLEVEL(", "(").replace(",$,$)", ")");
    assertThat(read(file(old, FACE)).surfaces()).hasSize(1);
    Envelope first = read(file(old.replace("'2ndLevel'", "'1stLevel'"), FACE));
    assertThat(first.surfaces())
        .as("the body's faces")
        .hasSize(6)
        .allMatch(s -> s.exposure() == Exposure.UNRESOLVED);
    assertThat(first.notes()).anyMatch(n -> n.kind() == ReadNote.Kind.FIRST_LEVEL_ONLY);
  }

  @Test
  void virtualBoundariesAndEarth() throws Exception {
    Envelope air =
        read(
            file(
                SECOND_LEVEL.replace(".PHYSICAL.", ".VIRTUAL.").replace(".EXTERNAL.", ".INTERNAL."),
                FACE));
    assertThat(air.surfaces().get(0).exposure()).isEqualTo(Exposure.NONE);
    Envelope earth = read(file(SECOND_LEVEL.replace(".EXTERNAL.", ".EXTERNAL_EARTH."), FACE));
    assertThat(earth.surfaces().get(0).type()).isEqualTo(SurfaceType.UNDERGROUND_WALL);
  }

  @Test
  void aBoundaryWithoutGeometryIsLeftOutAndNamed() throws Exception {
    Envelope e = read(file(SECOND_LEVEL.replace("#51", "$"), FACE));
    assertThat(e.notes())
        .anyMatch(
            n ->
                n.kind() == ReadNote.Kind.SPACE_BOUNDARY
                    && n.names().contains("0000000000000000000050")
                    && n.message().contains("no connection geometry"));
    Envelope curved = read(file(SECOND_LEVEL, "#60=IFCCYLINDRICALSURFACE(#6,2.);"));
    assertThat(curved.notes()).anyMatch(n -> n.message().contains("IfcCylindricalSurface"));
  }

  @Test
  void keysAreFitForXmlAndStable() throws Exception {
    String odd =
        file(SECOND_LEVEL.replace("0000000000000000000050", "3W$Bbp9oH0XOExV9eOgg$n"), FACE);
    List<String> keys = read(odd).surfaces().stream().map(Surface::key).toList();
    assertThat(keys).containsExactly("su_3W.Bbp9oH0XOExV9eOgg.n");
    assertThat(read(odd).surfaces().stream().map(Surface::key)).containsExactlyElementsOf(keys);
  }
}
