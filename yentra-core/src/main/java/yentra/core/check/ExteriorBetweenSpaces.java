package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.envelope.Surface;

/**
 * ADJ-502: an exterior or ground type with two adjacent spaces. Adjacent spaces of surfaces with an
 * exterior or ground type are counted; the same space twice counts once.
 */
final class ExteriorBetweenSpaces implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "ADJ-502",
          Severity.ERROR,
          "an exterior or ground type with two adjacent spaces",
          "Adjacent spaces of surfaces with an exterior or ground type are counted; the same space twice counts once.",
          "Inside walls would lose heat to outdoor air.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    for (Surface s : focus.list()) {
      if (s.type().isExterior() && s.sides().size() > 1 && !s.isWithinOneSpace()) {
        report.accept(
            context
                .finding(DESCRIPTOR, s.key())
                .measured(s.sides().size(), 1.0, "count")
                .evidence(Evidence.area(s.polygon()))
                .says(
                    "The "
                        + context.naming().surface(s)
                        + " is typed "
                        + s.type().gbxml()
                        + ", but has a space on either side."));
      }
    }
  }
}
