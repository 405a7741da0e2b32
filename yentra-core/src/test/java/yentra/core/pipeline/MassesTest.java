package yentra.core.pipeline;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.box;
import static yentra.core.Fixtures.v;
import static yentra.core.step.StepWriter.reals;
import static yentra.core.step.StepWriter.ref;
import static yentra.core.step.StepWriter.refs;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yentra.core.boundary.Watch;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.Rules;
import yentra.core.geometry.Polygon;
import yentra.core.intake.DeliveryReader;
import yentra.core.step.StepWriter;

/** Bodies without rooms that an IFC file brings, cut into floors. */
class MassesTest {
  /** A file with a proxy of these faces, and no storeys. */
  private static byte[] proxy(List<Polygon> faces) {
    StringBuilder b = new StringBuilder();
    StepWriter w = new StepWriter(b);
    int axes =
        w.add("IFCAXIS2PLACEMENT3D", ref(w.add("IFCCARTESIANPOINT", reals(0, 0, 0))), "$", "$");
    int context =
        w.add("IFCGEOMETRICREPRESENTATIONCONTEXT", "$", "'Model'", "3", "1.E-5", ref(axes), "$");
    int units =
        w.add(
            "IFCUNITASSIGNMENT",
            refs(List.of(w.add("IFCSIUNIT", "*", ".LENGTHUNIT.", "$", ".METRE."))));
    w.add(
        "IFCPROJECT",
        "'0YvctVUKr0kugbFTf53O9L'",
        "$",
        "'P'",
        "$",
        "$",
        "$",
        "$",
        refs(List.of(context)),
        ref(units));
    List<Integer> ids =
        faces.stream()
            .map(
                f -> {
                  int loop =
                      w.add(
                          "IFCPOLYLOOP",
                          refs(
                              f.outer().stream()
                                  .map(
                                      p ->
                                          w.shared("IFCCARTESIANPOINT", reals(p.x(), p.y(), p.z())))
                                  .toList()));
                  return w.add(
                      "IFCFACE", refs(List.of(w.add("IFCFACEOUTERBOUND", ref(loop), ".T."))));
                })
            .toList();
    int body = w.add("IFCFACETEDBREP", ref(w.add("IFCCLOSEDSHELL", refs(ids))));
    int shape =
        w.add("IFCSHAPEREPRESENTATION", ref(context), "'Body'", "'Brep'", refs(List.of(body)));
    w.add(
        "IFCBUILDINGELEMENTPROXY",
        "'2ZvctVUKr0kugbFTf53O9L'",
        "$",
        "'Mass'",
        "$",
        "$",
        ref(w.add("IFCLOCALPLACEMENT", "$", ref(axes))),
        ref(w.add("IFCPRODUCTDEFINITIONSHAPE", "$", "$", refs(List.of(shape)))),
        "$",
        "$");
    return ("ISO-10303-21;\nHEADER;\nFILE_SCHEMA(('IFC4'));\nENDSEC;\nDATA;\n"
            + b
            + "ENDSEC;\nEND-ISO-10303-21;\n")
        .getBytes(StandardCharsets.US_ASCII);
  }

  private static Optional<Masses.Cut> cut(List<Polygon> faces, Double height) throws Exception {
    Stage stage =
        Delivery.read(
                DeliveryReader.Source.of(proxy(faces)),
                ReadLimits.standard(),
                TOLERANCE,
                DeliveryReader.Progress.NONE)
            .stage(StageOptions.STANDARD, Watch.NONE);
    return Masses.floors(stage, height, 3.0, "Mass", Rules.standard());
  }

  @Test
  void aClosedBodyIsCutAtEqualStoreys() throws Exception {
    Masses.Cut c = cut(box(v(0, 0, 0), v(20, 10, 9)), null).orElseThrow();
    assertThat(c.bodyVolume()).isCloseTo(1800, within(1e-9));
    assertThat(c.document().storeys()).hasSize(3);
    assertThat(c.notes()).anyMatch(n -> n.contains("storeys of 3.00 m are assumed"));
    assertThat(cut(box(v(0, 0, 0), v(20, 10, 9)), 4.5).orElseThrow().document().storeys())
        .hasSize(2);
  }

  /** What is open encloses nothing, so that a section of it is a guess. */
  @Test
  void anOpenBodyIsNotCut() throws Exception {
    List<Polygon> whole = box(v(0, 0, 0), v(20, 10, 9));
    for (int i = 0; i < whole.size(); i++) {
      List<Polygon> open = new java.util.ArrayList<>(whole);
      open.remove(i);
      assertThat(cut(open, null)).isEmpty();
    }
  }

  @Test
  void whatIsLowOrSmallIsNoBuilding() throws Exception {
    assertThat(cut(box(v(0, 0, 0), v(20, 10, 1.5)), null)).isEmpty();
    assertThat(cut(box(v(0, 0, 0), v(3, 3, 9)), null)).isEmpty();
  }
}
