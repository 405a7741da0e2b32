package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.model.Element;

/** SRC-104: a bounding element without material layers. */
final class MissingLayers implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "SRC-104",
          Severity.WARNING,
          "a bounding element without material layers",
          "Walls, slabs and roofs that touch a space and whose material, or their type's, has no layers with a thickness.",
          "Its thermal resistance and mass are not known.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    ModelSurvey survey = context.survey();
    java.util.Set<String> nothing =
        survey.boundNothing().stream()
            .map(Element::key)
            .collect(java.util.stream.Collectors.toSet());
    for (Element e : survey.model().elements()) {
      if (!survey.isBounding(e)
          || survey.is(e, "IfcCurtainWall")
          || nothing.contains(e.key())
          || survey.model().body(e).isEmpty()) {
        continue;
      }
      Element.Materials m = survey.model().materials(e);
      boolean layered = m.layers().stream().anyMatch(l -> l.thickness() > 0);
      if (!layered) {
        report.accept(
            context
                .finding(DESCRIPTOR, e.key())
                .at(e.source())
                .evidence(Evidence.areas(survey.model().body(e).faces()))
                .says(
                    e.entity()
                        + " "
                        + e.label()
                        + (m.names().isEmpty()
                            ? " has no material."
                            : " has a material but no layers.")));
      }
    }
  }
}
