package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.envelope.Uncovered;

/** SPC-408: an enclosed volume of the building that no space covers. */
final class UncoveredVolume implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "SPC-408",
          Severity.WARNING,
          "an enclosed volume of the building that no space covers",
          "Found from faces that look into it: filled with upright columns 0.1 m wide from what is below to what is above.",
          "A room, shaft or ceiling void is missing from the heat balance, and what bounds it faces nothing.",
          List.of(new Limit("volume", "m3", 0.5, 0.01, 1000)));

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    double limit = context.limit(DESCRIPTOR, "volume");
    for (Uncovered u : context.enclosed().uncovered()) {
      if (u.volume() > limit) {
        report.accept(
            context
                .finding(DESCRIPTOR, u.around().toArray(String[]::new))
                .measured(u.volume(), limit, "m3")
                .evidence(Evidence.lines(EnclosedSurfaces.frame(u)))
                .says(
                    "No space covers "
                        + Text.volume(u.volume())
                        + " enclosed by "
                        + Text.some(u.around().stream().map(context.naming()::space).toList())
                        + ", from z = "
                        + Text.length(u.from().z())
                        + " to "
                        + Text.length(u.to().z())
                        + "."));
      }
    }
  }
}
