package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.envelope.Construction;
import yentra.core.geometry.Polygon;

/**
 * THM-702: a construction with neither layers nor a U-value. Layers and stated U-value of every
 * construction.
 */
final class EmptyConstruction implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "THM-702",
          Severity.ERROR,
          "a construction with neither layers nor a U-value",
          "Layers and stated U-value of every construction.",
          "Heat flow through its surfaces cannot be computed.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (Construction c : context.envelope().constructions()) {
      if (c.layers().isEmpty() && c.uValue() == null) {
        List<Polygon> users =
            context.envelope().surfaces().stream()
                .filter(s -> c.key().equals(s.construction()))
                .map(s -> s.polygon())
                .toList();
        report.accept(
            context
                .finding(DESCRIPTOR, c.key())
                .evidence(Evidence.areas(users))
                .says(
                    "The construction "
                        + c.label()
                        + " has neither layers nor a U-value; "
                        + users.size()
                        + (users.size() == 1 ? " surface uses it." : " surfaces use it.")));
      }
    }
  }
}
