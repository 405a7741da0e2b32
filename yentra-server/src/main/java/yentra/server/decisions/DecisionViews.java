package yentra.server.decisions;

import java.time.Instant;

/** What people have decided and answered about findings. */
public final class DecisionViews {
  private DecisionViews() {}

  /**
   * That a person takes a finding as it is.
   *
   * @param holds false when the object has changed since, so that the finding is open again
   */
  public record AcceptanceView(String reason, String by, Instant at, boolean holds) {}

  /** What came back about a finding from another program. */
  public record AnswerView(
      String status, String author, String date, String text, String fileName) {}
}
