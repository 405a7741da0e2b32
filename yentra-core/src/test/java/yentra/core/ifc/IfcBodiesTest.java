package yentra.core.ifc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yentra.core.Fixtures;
import yentra.core.geometry.OpenEdges;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.model.Body;

/**
 * Bodies of every kind that occur in practice, against volumes by the textbook formulas of solid
 * geometry (area times height, Pappus' theorem for revolutions, cone and sphere).
 */
class IfcBodiesTest {
  private static final String KEY = "000000000000000000000C";

  private static double volume(Body b) {
    assertThat(b.problem()).isNull();
    return Shell.of(b.faces()).signedVolume();
  }

  private static void closed(Body b) {
    List<OpenEdges.Piece> open = OpenEdges.find(b.faces(), Fixtures.TOLERANCE);
    assertThat(open).isEmpty();
  }

  /** A profile extruded by 2 m; area in m². */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "IFCRECTANGLEPROFILEDEF(.AREA.,$,#13,0.4,0.3) | 0.12 | 0",
        "IFCRECTANGLEPROFILEDEF(.AREA.,$,$,0.4,0.3) | 0.12 | 0",
        "IFCROUNDEDRECTANGLEPROFILEDEF(.AREA.,$,#13,0.4,0.3,0.05) | 0.117854 | 0.005",
        "IFCRECTANGLEHOLLOWPROFILEDEF(.AREA.,$,#13,0.4,0.3,0.01,$,$) | 0.0136 | 0",
        "IFCCIRCLEPROFILEDEF(.AREA.,$,#13,0.5) | 0.785398 | 0.02",
        "IFCCIRCLEHOLLOWPROFILEDEF(.AREA.,$,#13,0.5,0.1) | 0.282743 | 0.02",
        "IFCELLIPSEPROFILEDEF(.AREA.,$,#13,1.,0.5) | 1.570796 | 0.02",
        "IFCTRAPEZIUMPROFILEDEF(.AREA.,$,#13,0.6,0.4,0.3,0.1) | 0.15 | 0",
        "IFCISHAPEPROFILEDEF(.AREA.,$,#13,0.2,0.3,0.01,0.015,$,$,$) | 0.0087 | 0",
        "IFCLSHAPEPROFILEDEF(.AREA.,$,#13,0.2,0.1,0.01,$,$,$) | 0.0029 | 0",
        "IFCUSHAPEPROFILEDEF(.AREA.,$,#13,0.2,0.1,0.01,0.015,$,$,$) | 0.0047 | 0",
        "IFCTSHAPEPROFILEDEF(.AREA.,$,#13,0.2,0.1,0.01,0.015,$,$,$,$,$) | 0.00335 | 0",
        "IFCZSHAPEPROFILEDEF(.AREA.,$,#13,0.2,0.1,0.01,0.015,$,$) | 0.0047 | 0",
        "IFCCSHAPEPROFILEDEF(.AREA.,$,#13,0.2,0.1,0.005,0.03,$) | 0.0022 | 0",
        "IFCASYMMETRICISHAPEPROFILEDEF(.AREA.,$,#13,0.2,0.3,0.01,0.015,$,0.1,0.02,$,$,$,$,$) | 0.00765 | 0",
        "IFCCENTERLINEPROFILEDEF(.AREA.,$,#50,0.2) | 0.6 | 0",
        "IFCDERIVEDPROFILEDEF(.AREA.,$,#53,#54,$) | 0.48 | 0",
        "IFCCOMPOSITEPROFILEDEF(.AREA.,$,(#53,#55),$) | 0.22 | 0"
      })
  void profiles(String profile, double area, double relative) throws Exception {
    Body b =
        IfcSample.body(
                "#40=IFCEXTRUDEDAREASOLID(#41,$,#8,2.);",
                "#41=" + profile + ";",
                "#50=IFCPOLYLINE((#51,#52));",
                "#51=IFCCARTESIANPOINT((0.,0.));",
                "#52=IFCCARTESIANPOINT((3.,0.));",
                "#53=IFCRECTANGLEPROFILEDEF(.AREA.,$,#13,0.4,0.3);",
                "#54=IFCCARTESIANTRANSFORMATIONOPERATOR2D($,$,#51,2.);",
                "#55=IFCRECTANGLEPROFILEDEF(.AREA.,$,#56,0.5,0.2);",
                "#56=IFCAXIS2PLACEMENT2D(#52,$);")
            .bodyOf(KEY);
    assertThat(volume(b)).isCloseTo(area * 2, within(area * 2 * Math.max(relative, 1e-5)));
    closed(b);
    assertThat(b.chordError() > 0).isEqualTo(relative > 0);
    assertThat(b.chordError()).isLessThanOrEqualTo(0.005 + 1e-9);
  }

  @Test
  void filletsAreLeftOutAndSaid() throws Exception {
    Body b =
        IfcSample.body(
                "#40=IFCEXTRUDEDAREASOLID(#41,$,#8,2.);",
                "#41=IFCISHAPEPROFILEDEF(.AREA.,$,#13,0.2,0.3,0.01,0.015,0.02,$,$);")
            .bodyOf(KEY);
    assertThat(b.approximations()).containsExactly("fillets were left out");
  }

  @Test
  void aTaperedSolidIsAFrustum() throws Exception {
    Body b =
        IfcSample.body(
                "#40=IFCEXTRUDEDAREASOLIDTAPERED(#41,$,#8,3.,#42);",
                "#41=IFCRECTANGLEPROFILEDEF(.AREA.,$,#13,2.,2.);",
                "#42=IFCRECTANGLEPROFILEDEF(.AREA.,$,#13,1.,1.);")
            .bodyOf(KEY);
    // h/3 (A1 + A2 + sqrt(A1 A2))
    assertThat(volume(b)).isCloseTo(7, within(1e-9));
    closed(b);
  }

  @ParameterizedTest
  @CsvSource({"6.283185307179586,1", "3.141592653589793,0.5", "1.5707963267948966,0.25"})
  void aRevolutionFollowsPappus(double angle, double turns) throws Exception {
    Body b =
        IfcSample.body(
                "#40=IFCREVOLVEDAREASOLID(#41,$,#42," + angle + ");",
                "#41=IFCRECTANGLEPROFILEDEF(.AREA.,$,#43,0.2,0.4);",
                "#42=IFCAXIS1PLACEMENT(#6,#11);",
                "#43=IFCAXIS2PLACEMENT2D(#44,$);",
                "#44=IFCCARTESIANPOINT((2.,0.));")
            .bodyOf(KEY);
    double exact = 0.08 * 2 * Math.PI * 2 * turns;
    assertThat(volume(b)).isCloseTo(exact, within(exact * 0.01));
    closed(b);
  }

  @Test
  void aSweptDiskIsAPipe() throws Exception {
    Body b =
        IfcSample.body(
                "#40=IFCSWEPTDISKSOLID(#41,0.05,$,$,$);",
                "#41=IFCPOLYLINE((#42,#43,#44));",
                "#42=IFCCARTESIANPOINT((0.,0.,0.));",
                "#43=IFCCARTESIANPOINT((2.,0.,0.));",
                "#44=IFCCARTESIANPOINT((2.,0.,3.));")
            .bodyOf(KEY);
    double exact = Math.PI * 0.0025 * 5;
    assertThat(volume(b)).isCloseTo(exact, within(exact * 0.15));
    closed(b);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "IFCBLOCK(#4,2.,3.,4.) | 24 | 0",
        "IFCRECTANGULARPYRAMID(#4,2.,3.,4.) | 8 | 0",
        "IFCRIGHTCIRCULARCYLINDER(#4,2.,1.) | 6.283185 | 0.02",
        "IFCRIGHTCIRCULARCONE(#4,3.,1.) | 3.141593 | 0.02",
        "IFCSPHERE(#4,1.) | 4.18879 | 0.03"
      })
  void primitives(String primitive, double exact, double relative) throws Exception {
    Body b = IfcSample.body("#40=IFCCSGSOLID(#41);", "#41=" + primitive + ";").bodyOf(KEY);
    assertThat(volume(b)).isCloseTo(exact, within(exact * Math.max(relative, 1e-6)));
    closed(b);
  }

  @ParameterizedTest
  @CsvSource({"DIFFERENCE,7", "INTERSECTION,1", "UNION,15"})
  void booleans(String operator, double exact) throws Exception {
    Body b =
        IfcSample.body(
                "#40=IFCBOOLEANRESULT(." + operator + ".,#41,#42);",
                "#41=IFCBLOCK(#4,2.,2.,2.);",
                "#42=IFCBLOCK(#43,2.,2.,2.);",
                "#43=IFCAXIS2PLACEMENT3D(#44,$,$);",
                "#44=IFCCARTESIANPOINT((1.,1.,1.));")
            .bodyOf(KEY);
    assertThat(volume(b)).isCloseTo(exact, within(1e-6));
    closed(b);
  }

  @Test
  void aPolygonalHalfSpaceCutsOnlyWithinItsOutline() throws Exception {
    Body b =
        IfcSample.body(
                "#40=IFCBOOLEANCLIPPINGRESULT(.DIFFERENCE.,#41,#45);",
                "#41=IFCEXTRUDEDAREASOLID(#42,$,#8,3.);",
                "#42=IFCRECTANGLEPROFILEDEF(.AREA.,$,#13,4.,4.);",
                "#45=IFCPOLYGONALBOUNDEDHALFSPACE(#46,.F.,#4,#48);",
                "#46=IFCPLANE(#47);",
                "#47=IFCAXIS2PLACEMENT3D(#49,$,$);",
                "#48=IFCPOLYLINE((#50,#51,#52,#53,#50));",
                "#49=IFCCARTESIANPOINT((0.,0.,2.));",
                "#50=IFCCARTESIANPOINT((0.,-3.));",
                "#51=IFCCARTESIANPOINT((3.,-3.));",
                "#52=IFCCARTESIANPOINT((3.,3.));",
                "#53=IFCCARTESIANPOINT((0.,3.));")
            .bodyOf(KEY);
    // half of the column is a metre lower
    assertThat(volume(b)).isCloseTo(48 - 8, within(1e-6));
  }

  @Test
  void mappedItemsScaleInEachDirection() throws Exception {
    Body b =
        IfcSample.body(
                "#40=IFCMAPPEDITEM(#41,#42);",
                "#41=IFCREPRESENTATIONMAP(#4,#43);",
                "#42=IFCCARTESIANTRANSFORMATIONOPERATOR3DNONUNIFORM($,$,#6,2.,$,-3.,0.5);",
                "#43=IFCSHAPEREPRESENTATION(#3,'Body','CSG',(#44));",
                "#44=IFCBLOCK(#4,1.,1.,1.);")
            .bodyOf(KEY);
    // mirrored in y, and still pointing outwards
    assertThat(volume(b)).isCloseTo(3, within(1e-9));
    assertThat(b.box().min().y()).isCloseTo(-3, within(1e-9));
  }

  @Test
  void aPolygonalFaceSetMayCountItsPointsThroughAnIndex() throws Exception {
    Body b =
        IfcSample.body(
                "#40=IFCPOLYGONALFACESET(#41,.T.,(#42),(3,2,1));",
                "#41=IFCCARTESIANPOINTLIST3D(((0.,0.,0.),(1.,0.,0.),(0.,1.,0.)));",
                "#42=IFCINDEXEDPOLYGONALFACE((1,2,3));")
            .bodyOf(KEY);
    assertThat(b.faces()).hasSize(1);
    assertThat(b.faces().get(0).normal().z()).isCloseTo(-1, within(1e-12));
  }

  /** A quarter of a cylinder as an advanced boundary representation. */
  @Test
  void advancedFacesOnPlanesAndCylinders() throws Exception {
    Body b = IfcSample.body(QUARTER_CYLINDER).bodyOf(KEY);
    double exact = Math.PI / 4 * 2;
    assertThat(volume(b)).isCloseTo(exact, within(exact * 0.02));
    assertThat(b.chordError()).isPositive();
    closed(b);
    for (Polygon p : b.faces()) {
      assertThat(yentra.core.geometry.PlaneFit.deviation(p.outer())).isLessThan(1e-9);
    }
  }

  private static final String[] QUARTER_CYLINDER = {
    "#40=IFCADVANCEDBREP(#41);",
    "#41=IFCCLOSEDSHELL((#100,#101,#102,#103,#104));",
    "#50=IFCVERTEXPOINT(#60);", // origin below
    "#51=IFCVERTEXPOINT(#61);", // (1,0,0)
    "#52=IFCVERTEXPOINT(#62);", // (0,1,0)
    "#53=IFCVERTEXPOINT(#63);",
    "#54=IFCVERTEXPOINT(#64);",
    "#55=IFCVERTEXPOINT(#65);",
    "#60=IFCCARTESIANPOINT((0.,0.,0.));",
    "#61=IFCCARTESIANPOINT((1.,0.,0.));",
    "#62=IFCCARTESIANPOINT((0.,1.,0.));",
    "#63=IFCCARTESIANPOINT((0.,0.,2.));",
    "#64=IFCCARTESIANPOINT((1.,0.,2.));",
    "#65=IFCCARTESIANPOINT((0.,1.,2.));",
    "#70=IFCCIRCLE(#4,1.);",
    "#71=IFCCIRCLE(#72,1.);",
    "#72=IFCAXIS2PLACEMENT3D(#63,$,$);",
    "#73=IFCLINE(#60,#74);",
    "#74=IFCVECTOR(#9,1.);",
    // edges: bottom lines and arc, top lines and arc, verticals
    "#80=IFCEDGECURVE(#50,#51,#73,.T.);",
    "#81=IFCEDGECURVE(#51,#52,#70,.T.);",
    "#82=IFCEDGECURVE(#52,#50,#73,.T.);",
    "#83=IFCEDGECURVE(#53,#54,#73,.T.);",
    "#84=IFCEDGECURVE(#54,#55,#71,.T.);",
    "#85=IFCEDGECURVE(#55,#53,#73,.T.);",
    "#86=IFCEDGECURVE(#50,#53,#73,.T.);",
    "#87=IFCEDGECURVE(#51,#54,#73,.T.);",
    "#88=IFCEDGECURVE(#52,#55,#73,.T.);",
    "#90=IFCPLANE(#4);",
    "#91=IFCCYLINDRICALSURFACE(#4,1.);",
    // bottom, against its normal
    "#100=IFCADVANCEDFACE((#110),#90,.F.);",
    "#110=IFCFACEOUTERBOUND(#120,.T.);",
    "#120=IFCEDGELOOP((#130,#131,#132));",
    "#130=IFCORIENTEDEDGE(*,*,#82,.F.);",
    "#131=IFCORIENTEDEDGE(*,*,#81,.F.);",
    "#132=IFCORIENTEDEDGE(*,*,#80,.F.);",
    "#101=IFCADVANCEDFACE((#111),#90,.T.);",
    "#111=IFCFACEOUTERBOUND(#121,.T.);",
    "#121=IFCEDGELOOP((#133,#134,#135));",
    "#133=IFCORIENTEDEDGE(*,*,#83,.T.);",
    "#134=IFCORIENTEDEDGE(*,*,#84,.T.);",
    "#135=IFCORIENTEDEDGE(*,*,#85,.T.);",
    "#102=IFCADVANCEDFACE((#112),#90,.T.);",
    "#112=IFCFACEOUTERBOUND(#122,.T.);",
    "#122=IFCEDGELOOP((#136,#137,#138,#139));",
    "#136=IFCORIENTEDEDGE(*,*,#80,.T.);",
    "#137=IFCORIENTEDEDGE(*,*,#87,.T.);",
    "#138=IFCORIENTEDEDGE(*,*,#83,.F.);",
    "#139=IFCORIENTEDEDGE(*,*,#86,.F.);",
    "#103=IFCADVANCEDFACE((#113),#90,.T.);",
    "#113=IFCFACEOUTERBOUND(#123,.T.);",
    "#123=IFCEDGELOOP((#140,#141,#142,#143));",
    "#140=IFCORIENTEDEDGE(*,*,#82,.T.);",
    "#141=IFCORIENTEDEDGE(*,*,#86,.T.);",
    "#142=IFCORIENTEDEDGE(*,*,#85,.F.);",
    "#143=IFCORIENTEDEDGE(*,*,#88,.F.);",
    "#104=IFCADVANCEDFACE((#114),#91,.T.);",
    "#114=IFCFACEOUTERBOUND(#124,.T.);",
    "#124=IFCEDGELOOP((#144,#145,#146,#147));",
    "#144=IFCORIENTEDEDGE(*,*,#81,.T.);",
    "#145=IFCORIENTEDEDGE(*,*,#88,.T.);",
    "#146=IFCORIENTEDEDGE(*,*,#84,.F.);",
    "#147=IFCORIENTEDEDGE(*,*,#87,.F.);"
  };

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        // a quarter circle from (1,0) to (0,1): by angle, by points, and both with the angle to
        // count
        "(IFCPARAMETERVALUE(0.)) | (IFCPARAMETERVALUE(1.5707963)) | .PARAMETER.",
        "(#60) | (#61) | .CARTESIAN.",
        "(#60,IFCPARAMETERVALUE(0.)) | (#14,IFCPARAMETERVALUE(1.5707963)) | .PARAMETER."
      })
  void trimmedArcs(String from, String to, String preference) throws Exception {
    Body b =
        IfcSample.body(
                "#40=IFCEXTRUDEDAREASOLID(#41,$,#8,1.);",
                "#41=IFCARBITRARYCLOSEDPROFILEDEF(.AREA.,$,#42);",
                "#42=IFCCOMPOSITECURVE((#43,#44),.F.);",
                "#43=IFCCOMPOSITECURVESEGMENT(.CONTINUOUS.,.T.,#45);",
                "#44=IFCCOMPOSITECURVESEGMENT(.CONTINUOUS.,.T.,#46);",
                "#45=IFCTRIMMEDCURVE(#47," + from + "," + to + ",.T.," + preference + ");",
                "#46=IFCPOLYLINE((#61,#14,#60));",
                "#47=IFCCIRCLE(#13,1.);",
                "#60=IFCCARTESIANPOINT((1.,0.));",
                "#61=IFCCARTESIANPOINT((0.,1.));")
            .bodyOf(KEY);
    assertThat(volume(b)).isCloseTo(Math.PI / 4, within(0.01));
  }

  @Test
  void anglesMayBeDegrees() throws Exception {
    String text =
        IfcSample.body(
                "#40=IFCREVOLVEDAREASOLID(#41,$,#42,90.);",
                "#41=IFCRECTANGLEPROFILEDEF(.AREA.,$,#43,0.2,0.4);",
                "#42=IFCAXIS1PLACEMENT(#6,#11);",
                "#43=IFCAXIS2PLACEMENT2D(#44,$);",
                "#44=IFCCARTESIANPOINT((2.,0.));",
                "#60=IFCCONVERSIONBASEDUNIT(#61,.PLANEANGLEUNIT.,'DEGREE',#62);",
                "#61=IFCDIMENSIONALEXPONENTS(0,0,0,0,0,0,0);",
                "#62=IFCMEASUREWITHUNIT(IFCPLANEANGLEMEASURE(0.017453292519943295),#12);")
            .text()
            .replace("#2=IFCUNITASSIGNMENT((#7,#12));", "#2=IFCUNITASSIGNMENT((#7,#60));");
    IfcModel m =
        IfcModel.of(
            text.getBytes(java.nio.charset.StandardCharsets.ISO_8859_1),
            yentra.core.envelope.ReadLimits.standard(),
            Fixtures.TOLERANCE);
    double exact = 0.08 * Math.PI;
    assertThat(volume(m.body(m.element(KEY).orElseThrow()))).isCloseTo(exact, within(exact * 0.01));
  }

  @Test
  void whatCannotBeReadFallsBackOnTheBoundingBoxAndSaysSo() throws Exception {
    Body b =
        IfcSample.of("IFC4")
            .with(
                "#30=IFCCOLUMN('000000000000000000000C',$,'C',$,$,#10,#32,$,$);",
                "#32=IFCPRODUCTDEFINITIONSHAPE($,$,(#37,#38));",
                "#37=IFCSHAPEREPRESENTATION(#3,'Body','AdvancedSweptSolid',(#40));",
                "#38=IFCSHAPEREPRESENTATION(#3,'Box','BoundingBox',(#41));",
                "#40=IFCSURFACECURVESWEPTAREASOLID($,$,$,$,$,$);",
                "#41=IFCBOUNDINGBOX(#6,1.,2.,3.);")
            .bodyOf(KEY);
    assertThat(volume(b)).isCloseTo(6, within(1e-9));
    assertThat(b.approximations().get(0))
        .contains("bounding box")
        .contains("IfcSurfaceCurveSweptAreaSolid");
  }

  @Test
  void productsStandOnTheCrossingOfGridAxes() throws Exception {
    Body b =
        IfcSample.of("IFC4")
            .with(
                "#30=IFCCOLUMN('000000000000000000000C',$,'C',$,$,#33,#32,$,$);",
                "#32=IFCPRODUCTDEFINITIONSHAPE($,$,(#37));",
                "#37=IFCSHAPEREPRESENTATION(#3,'Body','CSG',(#40));",
                "#40=IFCBLOCK(#4,1.,1.,1.);",
                "#33=IFCGRIDPLACEMENT(#34,$);",
                "#34=IFCVIRTUALGRIDINTERSECTION((#50,#51),(0.,0.,0.5));",
                "#50=IFCGRIDAXIS('A',#52,.T.);",
                "#51=IFCGRIDAXIS('1',#53,.T.);",
                "#52=IFCPOLYLINE((#54,#55));",
                "#53=IFCPOLYLINE((#56,#57));",
                "#54=IFCCARTESIANPOINT((0.,4.));",
                "#55=IFCCARTESIANPOINT((10.,4.));",
                "#56=IFCCARTESIANPOINT((6.,0.));",
                "#57=IFCCARTESIANPOINT((6.,10.));",
                "#60=IFCGRID('000000000000000000000G',$,'G',$,$,#61,$,(#50),(#51),$,$);",
                "#61=IFCLOCALPLACEMENT($,#62);",
                "#62=IFCAXIS2PLACEMENT3D(#63,$,$);",
                "#63=IFCCARTESIANPOINT((100.,0.,0.));")
            .bodyOf(KEY);
    assertThat(b.problem()).isNull();
    assertThat(b.box().min().x()).isCloseTo(106, within(1e-9));
    assertThat(b.box().min().y()).isCloseTo(4, within(1e-9));
    assertThat(b.box().min().z()).isCloseTo(0.5, within(1e-9));
  }

  @Test
  void circlesAndRunawayNestingEndInASentence() throws Exception {
    assertThat(
            IfcSample.body(
                    "#40=IFCMAPPEDITEM(#41,#42);",
                    "#41=IFCREPRESENTATIONMAP(#4,#37);",
                    "#42=IFCCARTESIANTRANSFORMATIONOPERATOR3D($,$,#6,$,$);")
                .bodyOf(KEY)
                .problem())
        .contains("contains itself");
    StringBuilder doubling = new StringBuilder();
    for (int i = 40; i < 99; i++) {
      doubling.append("#" + i + "=IFCBOOLEANRESULT(.UNION.,#" + (i + 1) + ",#" + (i + 1) + ");\n");
    }
    assertThat(IfcSample.body(doubling + "#99=IFCBLOCK(#4,1.,1.,1.);").bodyOf(KEY).problem())
        .isNotBlank();
  }
}
