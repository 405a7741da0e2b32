package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.envelope.ReadNote;

/** SRC-105: a space boundary without connection geometry, or that is not on its space's face. */
final class BoundaryAstray implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "SRC-105",
          Severity.ERROR,
          "a space boundary without connection geometry, or that is not on its space's face",
          "Second-level boundaries as delivered are held against the body of their space.",
          "What the boundary says of the other side belongs to no surface.",
          List.of());

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    for (ReadNote n : context.envelope().notes()) {
      if (n.kind() == ReadNote.Kind.SPACE_BOUNDARY) {
        report.accept(FileNotes.finding(context, DESCRIPTOR, n));
      }
    }
  }
}
