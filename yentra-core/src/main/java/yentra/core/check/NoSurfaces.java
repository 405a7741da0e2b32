package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.envelope.ReadNote;
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
          "Surfaces that name the space as a neighbour are counted. Where spaces were to be found in construction and none were, that is said, with the places where air that is nearly enclosed leaks.",
          "The space is missing from the heat balance.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (ReadNote n : context.envelope().notes()) {
      if (n.kind() == ReadNote.Kind.NO_SPACES) {
        report.accept(context.finding(DESCRIPTOR).subject("none found").says(n.message() + "."));
      }
    }
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
