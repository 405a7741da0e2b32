package yentra.core.ifc;

import java.nio.charset.StandardCharsets;
import yentra.core.Fixtures;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;
import yentra.core.model.Body;
import yentra.core.model.Element;

/** Small IFC files built from data lines: a project in metres and radians, and what a test adds. */
public final class IfcSample {
  private final String schema;
  private final StringBuilder data = new StringBuilder();

  private IfcSample(String schema) {
    this.schema = schema;
  }

  /** The lines #1 to #19 are the project, its units, common points, directions and placements. */
  public static IfcSample of(String schema) {
    return new IfcSample(schema)
        .with(
            "#1=IFCPROJECT('0000000000000000000001',$,'P',$,$,$,$,(#3),#2);",
            "#2=IFCUNITASSIGNMENT((#7,#12));",
            "#3=IFCGEOMETRICREPRESENTATIONCONTEXT($,'Model',3,1.E-5,#4,#5);",
            "#4=IFCAXIS2PLACEMENT3D(#6,$,$);",
            "#5=IFCDIRECTION((0.,1.));",
            "#6=IFCCARTESIANPOINT((0.,0.,0.));",
            "#7=IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.);",
            "#8=IFCDIRECTION((0.,0.,1.));",
            "#9=IFCDIRECTION((1.,0.,0.));",
            "#10=IFCLOCALPLACEMENT($,#4);",
            "#11=IFCDIRECTION((0.,1.,0.));",
            "#12=IFCSIUNIT(*,.PLANEANGLEUNIT.,$,.RADIAN.);",
            "#13=IFCAXIS2PLACEMENT2D(#14,$);",
            "#14=IFCCARTESIANPOINT((0.,0.));",
            "#15=IFCSITE('0000000000000000000002',$,'Site',$,$,#10,$,$,.ELEMENT.,(51,30,0),(0,7,0),12.,$,$);",
            "#16=IFCBUILDING('0000000000000000000003',$,'B',$,$,#10,$,$,.ELEMENT.,0.,0.,$);",
            "#17=IFCBUILDINGSTOREY('0000000000000000000004',$,'Ground',$,$,#10,$,$,.ELEMENT.,0.);",
            "#18=IFCRELAGGREGATES('0000000000000000000005',$,$,$,#1,(#15));",
            "#19=IFCRELAGGREGATES('0000000000000000000007',$,$,$,#16,(#17));");
  }

  /** A column whose body is the item #40, to be given. */
  public static IfcSample body(String... lines) {
    return of("IFC4")
        .with(
            "#30=IFCCOLUMN('000000000000000000000C',$,'C',$,$,#10,#32,$,$);",
            "#32=IFCPRODUCTDEFINITIONSHAPE($,$,(#37));",
            "#37=IFCSHAPEREPRESENTATION(#3,'Body','SweptSolid',(#40));")
        .with(lines);
  }

  public IfcSample with(String... lines) {
    for (String l : lines) {
      data.append(l).append('\n');
    }
    return this;
  }

  public String text() {
    return "ISO-10303-21;\nHEADER;\nFILE_DESCRIPTION((''),'2;1');\nFILE_NAME('','',(''),(''),'','','');\nFILE_SCHEMA(('"
        + schema
        + "'));\nENDSEC;\nDATA;\n"
        + data
        + "ENDSEC;\nEND-ISO-10303-21;\n";
  }

  public byte[] bytes() {
    return text().getBytes(StandardCharsets.ISO_8859_1);
  }

  public IfcModel model() throws UnreadableException {
    return IfcModel.of(bytes(), ReadLimits.standard(), Fixtures.TOLERANCE);
  }

  /** The body of the element with this key. */
  public Body bodyOf(String key) throws UnreadableException {
    IfcModel m = model();
    Element e = m.element(key).orElseThrow();
    return m.body(e);
  }
}
