package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.envelope.Space;

/**
 * SPC-402: the space has no surfaces at all. Surfaces that name the space as a neighbour are
 * counted.
 */
final class NoSurfaces implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "SPC-402",
          Severity.BLOCKER,
          "the space has no surfaces at all",
          "Surfaces that name the space as a neighbour are counted.",
          "The space is missing from the heat balance.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    var groupings = GroupingSpace.groupings(context).keySet();
    for (Space s : context.envelope().spaces()) {
      if (!groupings.contains(s.key()) && context.volumes().surfacesOf(s.key()).isEmpty()) {
        report.accept(
            context
                .finding(DESCRIPTOR, s.key())
                .measured(0, 1.0, "count")
                .evidence(Evidence.areas(s.shell()))
                .says(
                    s.label()
                        + " has no surfaces"
                        + (s.shell().isEmpty() ? " and no shell." : ", only a shell.")));
      }
    }
  }
}
