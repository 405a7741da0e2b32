package yentra.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yentra.core.Fixtures;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.run.CheckCatalogue;
import yentra.core.finding.Finding;
import yentra.core.finding.Limits;
import yentra.core.ifc.IfcModel;
import yentra.core.ifc.IfcReader;
import yentra.core.ifc.IfcSample;
import yentra.core.scope.IdsReader;
import yentra.core.scope.ScopeRun;

/** Checks of the architectural model and of the file, each with a fault and its near miss. */
class ModelChecksTest {
  private static List<Finding> check(IfcSample sample, String code) throws Exception {
    IfcModel m = sample.model();
    return CheckCatalogue.run(
            new CheckContext(
                IfcReader.envelope(m, Fixtures.TOLERANCE), m, Limits.STANDARD, Fixtures.TOLERANCE))
        .stream()
        .filter(f -> f.code().equals(code))
        .toList();
  }

  private static IfcSample in(IfcSample s, String spaces) {
    return s.with("#900=IFCRELAGGREGATES('0000000000000000000900',$,$,$,#17,(" + spaces + "));");
  }

  /** A space as a block from (x, y, 0), 4 x 5 x 3 m unless told otherwise. */
  private static String[] space(int n, String name, double x, double y, double... size) {
    double[] d = size.length == 0 ? new double[] {4, 5, 3} : size;
    return block(n, "IFCSPACE('%s',$," + name + ",$,$,#10,#%d,$,.ELEMENT.,.INTERNAL.,$)", x, y, d);
  }

  private static String[] wall(int n, double x, double y, double... size) {
    return block(n, "IFCWALL('%s',$,'W" + n + "',$,$,#10,#%d,$,$)", x, y, size);
  }

  private static String[] block(int n, String entity, double x, double y, double[] d) {
    return new String[] {
      "#" + n + "=" + String.format(entity, String.format("%022d", n), n + 1) + ";",
      "#" + (n + 1) + "=IFCPRODUCTDEFINITIONSHAPE($,$,(#" + (n + 2) + "));",
      "#" + (n + 2) + "=IFCSHAPEREPRESENTATION(#3,'Body','CSG',(#" + (n + 3) + "));",
      "#" + (n + 3) + "=IFCBLOCK(#" + (n + 4) + "," + d[0] + "," + d[1] + "," + d[2] + ");",
      "#" + (n + 4) + "=IFCAXIS2PLACEMENT3D(#" + (n + 5) + ",$,$);",
      "#" + (n + 5) + "=IFCCARTESIANPOINT((" + x + "," + y + ",0.));"
    };
  }

  @Test
  void ofTwoInOnePlaceTheOneWithOpeningsAndMaterialsIsNamedFirst() throws Exception {
    IfcSample twins =
        IfcSample.of("IFC4")
            .with(wall(100, 0, 0, 4, 0.3, 3))
            .with(wall(200, 0, 0, 4, 0.3, 3))
            .with(
                "#300=IFCOPENINGELEMENT('00000000000000000000O1',$,$,$,$,#10,$,$,$);",
                "#301=IFCRELVOIDSELEMENT('00000000000000000000R6',$,$,$,#200,#300);",
                "#302=IFCMATERIAL('Brick',$,$);",
                "#303=IFCRELASSOCIATESMATERIAL('00000000000000000000R4',$,$,$,(#200),#302);");
    Finding f = check(twins, "SRC-101").get(0);
    assertThat(f.objects())
        .containsExactly(String.format("%022d", 200), String.format("%022d", 100));
    assertThat(f.message())
        .contains("W200 (with 1 opening, materials) and W100 (with nothing on it)");
  }

  @Test
  void duplicatesAreOfOneClassInOnePlace() throws Exception {
    IfcSample twins =
        IfcSample.of("IFC4").with(wall(100, 0, 0, 4, 0.3, 3)).with(wall(200, 0, 0, 4, 0.3, 3));
    List<Finding> found = check(twins, "SRC-101");
    assertThat(found).hasSize(1);
    assertThat(found.get(0).measured()).isCloseTo(1, within(1e-9));
    // shorter by 4 %: still the same wall; by a third: another one
    assertThat(
            check(
                IfcSample.of("IFC4")
                    .with(wall(100, 0, 0, 4, 0.3, 3))
                    .with(wall(200, 0, 0, 3.84, 0.3, 3)),
                "SRC-101"))
        .hasSize(1);
    assertThat(
            check(
                IfcSample.of("IFC4")
                    .with(wall(100, 0, 0, 4, 0.3, 3))
                    .with(wall(200, 0, 0, 2.7, 0.3, 3)),
                "SRC-101"))
        .isEmpty();
    IfcSample classes =
        IfcSample.of("IFC4")
            .with(wall(100, 0, 0, 4, 0.3, 3))
            .with(
                block(200, "IFCBEAM('%s',$,'B',$,$,#10,#%d,$,$)", 0, 0, new double[] {4, 0.3, 3}));
    assertThat(check(classes, "SRC-101")).isEmpty();
  }

  @Test
  void overlapIsTheCommonVolume() throws Exception {
    IfcSample s =
        IfcSample.of("IFC4").with(space(100, "'1'", 0, 0)).with(space(200, "'2'", 3.8, 1));
    List<Finding> found = check(in(s, "#100,#200"), "SPC-404");
    assertThat(found).hasSize(1);
    assertThat(found.get(0).measured()).isCloseTo(0.2 * 4 * 3, within(1e-6));
    assertThat(found.get(0).evidence().areas()).isNotEmpty();
    IfcSample touching =
        IfcSample.of("IFC4").with(space(100, "'1'", 0, 0)).with(space(200, "'2'", 4, 0));
    assertThat(check(in(touching, "#100,#200"), "SPC-404")).isEmpty();
  }

  @Test
  void aGroupingContainsAtLeastTwoOthers() throws Exception {
    IfcSample s =
        IfcSample.of("IFC4")
            .with(space(100, "'1'", 0, 0))
            .with(space(200, "'2'", 4.1, 0))
            .with(space(300, "'All'", -0.3, -0.3, 9, 6, 3));
    IfcSample all = in(s, "#100,#200,#300");
    List<Finding> found = check(all, "SPC-411");
    assertThat(found).hasSize(1);
    assertThat(found.get(0).objects().get(0)).endsWith("300");
    assertThat(found.get(0).measured()).isEqualTo(2);
    // what a grouping explains is not said again
    assertThat(check(all, "SPC-404")).isEmpty();
    IfcSample one =
        IfcSample.of("IFC4")
            .with(space(100, "'1'", 0, 0))
            .with(space(300, "'All'", -0.3, -0.3, 9, 6, 3));
    assertThat(check(in(one, "#100,#300"), "SPC-411")).isEmpty();
    assertThat(check(in(one, "#100,#300"), "SPC-404")).hasSize(1);
  }

  @Test
  void namesAreMissingOrShared() throws Exception {
    IfcSample s =
        IfcSample.of("IFC4")
            .with(space(100, "'Office'", 0, 0))
            .with(space(200, "' office'", 10, 0))
            .with(space(300, "$", 20, 0));
    List<Finding> found = check(in(s, "#100,#200,#300"), "SPC-406");
    assertThat(found).hasSize(2);
  }

  @Test
  void aBoundingElementFarFromEverySpaceBoundsNothing() throws Exception {
    IfcSample s =
        IfcSample.of("IFC4")
            .with(space(100, "'1'", 0, 0))
            .with(wall(200, 4, 0, 0.3, 5, 3))
            .with(wall(300, 4.3, 0, 0.1, 5, 3))
            .with(wall(400, 12, 0, 0.3, 5, 3));
    List<Finding> found = check(in(s, "#100"), "SRC-108");
    // the outer leaf belongs to the wall; the garden wall does not
    assertThat(found).hasSize(1);
    assertThat(found.get(0).objects()).containsExactly("0000000000000000000400");
  }

  @Test
  void aSpaceWithoutBodyBlocks() throws Exception {
    IfcSample s =
        IfcSample.of("IFC4")
            .with(
                "#100=IFCSPACE('0000000000000000000100',$,'1',$,$,#10,$,$,.ELEMENT.,.INTERNAL.,$);");
    assertThat(check(in(s, "#100"), "SRC-107")).hasSize(1);
  }

  @ParameterizedTest
  @CsvSource({"0,0", "9990,0", "10001,1", "5000000,1"})
  void farCoordinatesAreSaidAndLoseNoDigits(double x, int expected) throws Exception {
    IfcSample s = IfcSample.of("IFC4").with(space(100, "'1'", x, 0));
    assertThat(check(in(s, "#100"), "UNI-203")).hasSize(expected);
    IfcModel m = in(IfcSample.of("IFC4").with(space(100, "'1'", x, 0)), "#100").model();
    var e = IfcReader.envelope(m, Fixtures.TOLERANCE);
    var v = yentra.core.boundary.SpaceVolumes.of(e, Fixtures.RULES).of(e.spaces().get(0).key());
    assertThat(v.volume()).isCloseTo(60, within(1e-6));
  }

  @Test
  void placeAndNorth() throws Exception {
    IfcSample s = IfcSample.of("IFC4").with(space(100, "'1'", 0, 0));
    assertThat(check(s, "LOC-801")).isEmpty();
    assertThat(check(s, "LOC-802")).isEmpty();
  }

  @Test
  void referencesValuesAndDefinitionsAreHeldAgainstTheSchema() throws Exception {
    IfcSample s =
        IfcSample.of("IFC4")
            .with(
                "#100=IFCWALL('0000000000000000000100',$,'W',$,$,#10,#990,$,.SOLIDWALLS.);",
                "#101=IFCRELVOIDSELEMENT('0000000000000000000101',$,$,$,#100,$);",
                "#102=IFCMATERIALLAYER(#103,'thick',$,$,$,$,$);",
                "#103=IFCMATERIAL('Brick',$,$);",
                "#104=IFCMATERIALLAYERSET((#102),'Wall',$);",
                "#105=IFCWALLX('0000000000000000000105',$,'W');",
                "#106=IFCDOOR('0000000000000000000100',$,'D',$,$,#10,$,$,$,$,$,$,$);");
    assertThat(check(s, "FMT-104")).hasSize(1);
    assertThat(check(s, "FMT-104").get(0).objects())
        .containsExactly("0000000000000000000100", "#100", "#990");
    assertThat(check(s, "FMT-105")).hasSize(1);
    assertThat(check(s, "FMT-106")).hasSize(3);
    assertThat(check(s, "FMT-107")).hasSize(1);
    assertThat(check(s, "FMT-103")).hasSize(1);
  }

  @Test
  void anInstanceThatSwallowsTheNextIsSaid() throws Exception {
    IfcSample s =
        IfcSample.of("IFC4").with("#100=IFCDIRECTION((1.,0.))", "#101=IFCDIRECTION((0.,1.));");
    List<Finding> found = check(s, "FMT-101");
    assertThat(found).hasSize(1);
    assertThat(found.get(0).message()).contains("';' expected");
    assertThat(found.get(0).line()).isPositive();
  }

  @Test
  void requirementsBecomeFindingsOfTheElementsInScope() throws Exception {
    IfcModel m =
        in(
                IfcSample.of("IFC4").with(space(100, "'1'", 0, 0)).with(wall(200, 4, 0, 0.3, 5, 3)),
                "#100")
            .model();
    String ids =
        "<ids><specifications><specification name='Fire'><applicability><entity><name><simpleValue>IFCWALL</simpleValue></name></entity></applicability>"
            + "<requirements><property><propertySet><simpleValue>Pset_WallCommon</simpleValue></propertySet><baseName><simpleValue>FireRating</simpleValue></baseName></property></requirements></specification></specifications></ids>";
    CheckContext c =
        new CheckContext(
                IfcReader.envelope(m, Fixtures.TOLERANCE), m, Limits.STANDARD, Fixtures.TOLERANCE)
            .with(
                ScopeRun.of(
                    IdsReader.read(ids.getBytes(java.nio.charset.StandardCharsets.UTF_8)),
                    m,
                    Map.of()));
    List<Finding> found =
        CheckCatalogue.run(c).stream().filter(f -> f.code().startsWith("SRC-10")).toList();
    assertThat(found.stream().map(Finding::code)).containsExactly("SRC-102", "SRC-104");
    assertThat(found.get(0).message()).contains("Pset_WallCommon.FireRating is missing");
  }
}
