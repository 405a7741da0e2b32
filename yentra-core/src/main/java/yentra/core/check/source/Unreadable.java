package yentra.core.check.source;

import java.util.List;
import yentra.core.envelope.UnreadableException;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingBuilder;
import yentra.core.finding.Severity;

/** FMT-101: the file can't be parsed. Not a check of an envelope: there is none. */
public final class Unreadable {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "FMT-101",
          Severity.BLOCKER,
          "the file can't be parsed: line and column, and what was expected",
          "The reader stops at the first place that is not well-formed or breaks a limit; of IFC, a single instance that breaks the grammar is passed over and the rest read.",
          "What could not be read is missing from the model.",
          List.of());

  private Unreadable() {}

  public static Finding finding(UnreadableException e) {
    return new FindingBuilder(DESCRIPTOR, List.of()).at(e.line(), e.column()).says(e.getMessage());
  }
}
