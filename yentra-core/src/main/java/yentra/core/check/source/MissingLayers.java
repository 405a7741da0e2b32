package yentra.core.check.source;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.ModelSurvey;
import yentra.core.check.rule.Check;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.model.Element;

/** SRC-104: a bounding element without material layers. */
@AutoService(Check.class)
public final class MissingLayers implements Check {
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
