package yentra.core.ifc;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import yentra.core.envelope.ReadNote;

class BodyReportTest {
  @Test
  void bodiesAreCountedByClassAndManner() throws Exception {
    IfcModel m =
        IfcSample.body(
                "#40=IFCEXTRUDEDAREASOLID(#41,$,#8,2.);",
                "#41=IFCCIRCLEPROFILEDEF(.AREA.,$,#13,0.5);",
                "#31=IFCCOLUMN('000000000000000000000D',$,'D',$,$,#10,#32,$,$);",
                "#33=IFCBEAM('000000000000000000000E',$,'E',$,$,#10,#34,$,$);",
                "#34=IFCPRODUCTDEFINITIONSHAPE($,$,(#35));",
                "#35=IFCSHAPEREPRESENTATION(#3,'Body','SweptSolid',(#36));",
                "#36=IFCEXTRUDEDAREASOLID(#999,$,#8,2.);",
                "#43=IFCMEMBER('000000000000000000000F',$,'F',$,$,#10,#44,$,$);",
                "#44=IFCPRODUCTDEFINITIONSHAPE($,$,(#45));",
                "#45=IFCSHAPEREPRESENTATION(#3,'Body','SweptSolid',(#46));",
                "#46=IFCEXTRUDEDAREASOLID(#47,$,#8,2.);",
                "#47=IFCISHAPEPROFILEDEF(.AREA.,$,#13,0.2,0.3,0.01,0.015,0.01,$,$);")
            .model();
    assertThat(BodyReport.of(m))
        .extracting(ReadNote::kind, ReadNote::subject, ReadNote::count)
        .containsExactly(
            org.assertj.core.groups.Tuple.tuple(ReadNote.Kind.LEFT_OUT, "IfcBeam", 1),
            org.assertj.core.groups.Tuple.tuple(ReadNote.Kind.APPROXIMATED, "IfcColumn", 2),
            org.assertj.core.groups.Tuple.tuple(ReadNote.Kind.APPROXIMATED, "IfcMember", 1));
    assertThat(BodyReport.of(m).get(0).message())
        .startsWith("1 body of IfcBeam cannot be read because ");
    assertThat(BodyReport.of(m).get(1).message())
        .matches(
            "2 bodies of IfcColumn with curved faces that became flat ones, at most [1-5]\\.\\d mm from the curve");
    assertThat(BodyReport.of(m).get(2).message())
        .isEqualTo("1 body of IfcMember simplified: fillets were left out");
    assertThat(BodyReport.of(m)).allMatch(n -> n.line() > 0);
  }
}
