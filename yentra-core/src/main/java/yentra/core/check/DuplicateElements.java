package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.model.Element;

/**
 * SRC-101: duplicate elements. Elements of one class whose bodies fill the same place: the common
 * volume as a share of the larger one.
 */
final class DuplicateElements implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "SRC-101",
          Severity.ERROR,
          "duplicate elements: same class, same place",
          "Elements of one class whose bodies fill the same place: the common volume as a share of the larger one.",
          "Boundaries are made twice, and areas and layers are counted twice.",
          List.of(new Limit("share", "ratio", 0.95, 0.5, 1)));

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    double limit = context.limit(DESCRIPTOR, "share");
    for (ModelSurvey.Twin t : context.survey().twins()) {
      if (t.share() >= limit) {
        Element b = t.b();
        report.accept(
            context
                .finding(DESCRIPTOR, t.a().key(), b.key())
                .at(b.source())
                .measured(t.share(), limit, "ratio")
                .evidence(Evidence.areas(context.survey().model().body(b).faces()))
                .says(
                    t.a().entity()
                        + " "
                        + t.a().label()
                        + " and "
                        + b.label()
                        + " fill the same place ("
                        + Text.percent(t.share() * 100)
                        + " in common)."));
      }
    }
  }
}
