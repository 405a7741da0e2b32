package yentra.core.check.source;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Evidence;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.model.Element;

/**
 * SRC-108: a bounding element that touches no space. A wall, slab, roof or curtain wall none of
 * whose faces lies opposite a space's face, up to 0.6 m outside of it.
 */
@AutoService(Check.class)
public final class BoundsNothing implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "SRC-108",
          Severity.NOTE,
          "a bounding element that touches no space: it does not separate anything",
          "A wall, slab, roof or curtain wall none of whose faces lies opposite a space's face, up to 0.6 m outside of it.",
          "It may be shading, or a room beside it is missing.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (Element e : context.survey().boundNothing()) {
      report.accept(
          context
              .finding(DESCRIPTOR, e.key())
              .at(e.source())
              .evidence(Evidence.areas(context.survey().model().body(e).faces()))
              .says(e.entity() + " " + e.label() + " touches no space."));
    }
  }
}
