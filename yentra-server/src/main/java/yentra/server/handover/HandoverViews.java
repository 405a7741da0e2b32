package yentra.server.handover;

import java.time.Instant;
import java.util.List;
import java.util.UUID;

/** What is said of files that were handed over. */
public final class HandoverViews {
  private HandoverViews() {}

  public record HandoverRequest(long basedOn, boolean allowBlockers) {}

  public record HandoverView(
      UUID id,
      String fileName,
      String format,
      long size,
      String sha256,
      int blockers,
      int errors,
      int warnings,
      List<String> differences,
      List<AcceptedView> accepted,
      String madeBy,
      Instant madeAt,
      long version) {}

  /** A finding that was accepted when a file was handed over. */
  public record AcceptedView(String code, String message, String reason, String by) {}
}
