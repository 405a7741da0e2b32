package yentra.core.ifc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.Fixtures;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;

/** A room of 4 by 5 by 3 m behind a wall with one opening 2 m wide, filled in different ways. */
class IfcFillingTest {
  private int next = 100;

  private String block(
      String product, double x, double y, double z, double dx, double dy, double dz) {
    int n = next;
    next += 10;
    return String.format(
        java.util.Locale.ROOT,
        product
            + "#%d=IFCPRODUCTDEFINITIONSHAPE($,$,(#%d));\n#%d=IFCSHAPEREPRESENTATION(#3,'Body','CSG',(#%d));\n"
            + "#%d=IFCBLOCK(#%d,%f,%f,%f);\n#%d=IFCAXIS2PLACEMENT3D(#%d,$,$);\n#%d=IFCCARTESIANPOINT((%f,%f,%f));",
        n,
        n,
        n + 1,
        n + 1,
        n + 2,
        n + 2,
        n + 3,
        dx,
        dy,
        dz,
        n + 3,
        n + 4,
        n + 4,
        x,
        y,
        z);
  }

  private IfcSample room() {
    return IfcSample.of("IFC4")
        .with(
            block(
                "#20=IFCSPACE('00000000000000000000S1',$,'1',$,$,#10,#%d,'Hall',.ELEMENT.,.INTERNAL.,$);\n",
                0, 0, 0, 4, 5, 3),
            block(
                "#21=IFCWALL('00000000000000000000W1',$,'W1',$,$,#10,#%d,$,$);\n",
                -0.3, -0.3, 0, 4.6, 0.3, 3),
            block(
                "#22=IFCOPENINGELEMENT('00000000000000000000O1',$,$,$,$,#10,#%d,$,$);\n",
                1, -0.3, 0, 2, 0.3, 2),
            "#23=IFCRELVOIDSELEMENT('00000000000000000000R1',$,$,$,#21,#22);",
            "#24=IFCRELAGGREGATES('00000000000000000000R2',$,$,$,#17,(#20));",
            "#25=IFCRELCONTAINEDINSPATIALSTRUCTURE('00000000000000000000R3',$,$,$,(#21),#17);");
  }

  private String door() {
    return block(
        "#30=IFCDOOR('00000000000000000000D1',$,'Door',$,$,#10,#%d,$,2.,1.,$,$,$);\n",
        1, -0.2, 0, 1, 0.1, 2);
  }

  private String light() {
    return block(
        "#31=IFCWINDOW('00000000000000000000V1',$,'Side light',$,$,#10,#%d,$,2.,0.6,$,$,$);\n",
        2, -0.2, 0, 0.6, 0.1, 2);
  }

  private String panel() {
    return block(
        "#32=IFCPLATE('00000000000000000000P1',$,'Panel',$,$,#10,#%d,$,$);\n",
        2.6, -0.2, 0, 0.4, 0.1, 2);
  }

  private static List<Opening> openings(IfcSample s) throws Exception {
    return IfcReader.envelope(s.model(), Fixtures.TOLERANCE).surfaces().stream()
        .flatMap(x -> x.openings().stream())
        .toList();
  }

  @Test
  void aDoorAndItsSideLightShareOneOpening() throws Exception {
    IfcSample s =
        room()
            .with(
                door(),
                light(),
                panel(),
                "#40=IFCRELFILLSELEMENT('00000000000000000000R4',$,$,$,#22,#30);",
                "#41=IFCRELFILLSELEMENT('00000000000000000000R5',$,$,$,#22,#31);",
                "#42=IFCRELFILLSELEMENT('00000000000000000000R6',$,$,$,#22,#32);",
                "#43=IFCMATERIAL('Steel sheet',$,$);",
                "#44=IFCRELASSOCIATESMATERIAL('00000000000000000000R7',$,$,$,(#32),#43);");
    assertAssembly(openings(s));
  }

  @Test
  void soDoThePartsOfAnAssembly() throws Exception {
    IfcSample s =
        room()
            .with(
                door(),
                light(),
                panel(),
                "#33=IFCDOOR('00000000000000000000D2',$,'Entrance',$,$,#10,$,$,2.,2.,$,$,$);",
                "#34=IFCRELAGGREGATES('00000000000000000000R8',$,$,$,#33,(#30,#31,#32));",
                "#40=IFCRELFILLSELEMENT('00000000000000000000R4',$,$,$,#22,#33);",
                "#43=IFCMATERIAL('Steel sheet',$,$);",
                "#44=IFCRELASSOCIATESMATERIAL('00000000000000000000R7',$,$,$,(#32),#43);");
    assertAssembly(openings(s));
  }

  private static void assertAssembly(List<Opening> list) {
    assertThat(list)
        .extracting(o -> o.source().name() + " " + o.type().isGlazed())
        .containsExactlyInAnyOrder("Door false", "Side light true", "Panel false");
    assertThat(list.stream().mapToDouble(o -> o.polygon().area()).sum())
        .as("the area of the hole")
        .isCloseTo(4, within(1e-6));
  }

  @Test
  void oneFillingTakesTheWholeOpening() throws Exception {
    List<Opening> list =
        openings(
            room()
                .with(light(), "#40=IFCRELFILLSELEMENT('00000000000000000000R4',$,$,$,#22,#31);"));
    assertThat(list).hasSize(1).allMatch(o -> o.type() == OpeningType.FIXED_WINDOW);
    assertThat(list.get(0).polygon().area()).isCloseTo(4, within(1e-6));
  }

  @org.junit.jupiter.params.ParameterizedTest
  @org.junit.jupiter.params.provider.CsvSource({
    "Glass - clear, true",
    "Isolierglas 4/16/4, true",
    "Verre feuilleté, true",
    "Vetro, true",
    "Double glazing, true",
    "Fibreglass skin, false",
    "Fiberglass, false",
    "Glasfaserkunststoff, false",
    "Glass wool, false",
    "Aluminium, false",
    "Sunglow paint, false"
  })
  void glassByName(String name, boolean glass) {
    assertThat(IfcFilling.isGlass(name)).isEqualTo(glass);
  }
}
