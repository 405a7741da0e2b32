package yentra.server.deliveries;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;

/** What is kept of deliveries and their logs. */
public final class LogViews {
  private LogViews() {}

  /** A change of the project's settings; it stands in the log beside the repairs. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record SettingsEntry(
      String summary,
      String madeBy,
      Instant madeAt,
      boolean inForce,
      @Schema(nullable = true) String undoneBy) {}

  /** What was read, and what the reader has to say. */
  public record ReportView(
      List<CountView> read, List<NoteView> notes, String lengthUnit, long readMillis) {}

  public record CountView(String what, int count) {}

  public record NoteView(String kind, String message, int line) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record LogView(
      int index,
      String summary,
      @Schema(nullable = true) String finding,
      String madeBy,
      Instant madeAt,
      boolean inForce,
      String area,
      boolean carried,
      @Schema(nullable = true) String undoneBy,
      @Schema(nullable = true) EntryFigures figures) {}

  /** What an entry changed, in figures; each before and after. */
  public record EntryFigures(
      double floorAreaBefore,
      double floorAreaAfter,
      double volumeBefore,
      double volumeAfter,
      int findingsGone,
      int findingsNew) {}
}
