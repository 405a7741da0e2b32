package yentra.core.check.source;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.ModelSurvey;
import yentra.core.check.rule.Check;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingBuilder;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Text;
import yentra.core.model.Element;

/**
 * SRC-109: geometry that was approximated or could not be read. Said of every body that cannot be
 * read; of facetted curves and other simplifications in spaces, bounding elements, openings,
 * windows and doors.
 */
@AutoService(Check.class)
public final class ApproximatedBody implements Check {
  /** Of one class, this many bodies are named one by one. */
  private static final int MOST_ALIKE = 100;

  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "SRC-109",
          Severity.WARNING,
          "geometry that was approximated or could not be read",
          "Said of every body that cannot be read; of facetted curves and other simplifications in spaces, bounding elements, openings, windows and doors.",
          "Areas and volumes differ a little from the delivery's, or a body is missing.",
          List.of(new Limit("chord", "m", 0.0001, 0.00001, 1)));

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    double chord = context.limit(DESCRIPTOR, "chord");
    Map<String, Integer> alike = new java.util.TreeMap<>();
    for (ModelSurvey.Measured m : context.survey().measured()) {
      Element e = m.element();
      String text = null;
      if (m.problem() != null) {
        text = "cannot be read: " + m.problem() + ".";
      } else if (matters(context, e) && !m.simplified().isEmpty()) {
        text = "was simplified: " + String.join("; ", m.simplified()) + ".";
      } else if (matters(context, e) && m.chordError() > chord) {
        text =
            "has curved faces; flat ones stand for them, at most "
                + Text.millimetres(m.chordError())
                + " away.";
      }
      if (text == null) {
        continue;
      }
      int n = alike.merge(e.entity(), 1, Integer::sum);
      if (n <= MOST_ALIKE) {
        FindingBuilder b = context.finding(DESCRIPTOR, e.key()).at(e.source());
        if (m.problem() == null && m.chordError() > chord) {
          b.measured(m.chordError(), chord, "m");
        }
        report.accept(b.says("The body of " + e.entity() + " " + e.label() + " " + text));
      }
    }
    alike.forEach(
        (entity, n) -> {
          if (n > MOST_ALIKE) {
            report.accept(
                context
                    .finding(DESCRIPTOR)
                    .subject(entity)
                    .measured(n - MOST_ALIKE, 0.0, "count")
                    .says(
                        n
                            - MOST_ALIKE
                            + " more bodies of "
                            + entity
                            + " are approximated or cannot be read."));
          }
        });
  }

  private static boolean matters(CheckContext context, Element e) {
    return context.survey().isBounding(e)
        || context
            .survey()
            .is(
                e,
                "IfcSpace",
                "IfcCovering",
                "IfcPlate",
                "IfcWindow",
                "IfcDoor",
                "IfcOpeningElement",
                "IfcVirtualElement");
  }
}
