package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.envelope.Opening;

/** OPN-607: an opening with no parent surface. Openings outside any surface are listed. */
final class OpeningWithoutParent implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "OPN-607",
          Severity.BLOCKER,
          "an opening with no parent surface",
          "Openings outside any surface are listed.",
          "A simulation has nowhere to put it.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (Opening o : context.envelope().orphans()) {
      report.accept(
          context
              .finding(DESCRIPTOR, o.key())
              .evidence(Evidence.area(o.polygon()))
              .says("The " + o.type().label() + " " + o.key() + " lies in no surface."));
    }
  }
}
