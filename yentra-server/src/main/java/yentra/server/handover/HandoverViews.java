package yentra.server.handover;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import yentra.core.exchange.BalanceLine;
import yentra.core.exchange.Excerpt;
import yentra.core.exchange.UnitSystem;

/** What is asked for and said of files that are handed over. */
public final class HandoverViews {
  private HandoverViews() {}

  /** By what the spaces of a part are meant. */
  public enum PartBy {
    ALL,
    SPACES,
    STOREYS,
    ZONES,
    /** Names or ids, in which {@code *} stands for any characters. */
    NAMES
  }

  /**
   * Which spaces are handed over.
   *
   * @param of keys of spaces or storeys, keys or labels of zones, or names; of all, nothing
   */
  public record PartView(PartBy by, List<String> of) {
    static final PartView ALL = new PartView(PartBy.ALL, List.of());

    public PartView {
      by = by == null ? PartBy.ALL : by;
      of = of == null ? List.of() : List.copyOf(of);
    }
  }

  /**
   * What is to be handed over.
   *
   * @param basedOn version of the delivery that it was asked for
   * @param allowBlockers hand over though blockers are open or a file is not proven
   * @param formats codes; null for gbXML 6.01
   * @param part null for all
   * @param edge what becomes of surfaces towards what is left out; null for adiabatic
   * @param units of schedules and report; null for those of the project
   * @param report with a report
   * @param topics with the open findings as BCF
   */
  public record HandoverRequest(
      long basedOn,
      boolean allowBlockers,
      @Schema(nullable = true) List<String> formats,
      @Schema(nullable = true) PartView part,
      @Schema(nullable = true) Excerpt.Edge edge,
      @Schema(nullable = true) UnitSystem units,
      @Schema(nullable = true) Boolean report,
      @Schema(nullable = true) Boolean topics) {}

  /** A format that files are written in. */
  public record FormatView(String code, String label, String ending, boolean readBack) {}

  /**
   * A file, written or about to be.
   *
   * @param notes what the format has no place for, and what was assumed
   * @param faults what its standard refuses
   * @param differences what reading it back gives that the envelope does not say
   * @param counts how much of what is in it
   */
  public record FileView(
      String format,
      String label,
      String fileName,
      long size,
      String sha256,
      boolean readBack,
      List<String> notes,
      List<String> faults,
      List<String> differences,
      Map<String, Integer> counts) {}

  /**
   * What would be handed over.
   *
   * @param spaces how many spaces are in
   * @param all how many there are
   * @param part in words; empty for all
   * @param notes what is done at the edges of the part
   */
  public record LookView(
      int spaces, int all, String part, List<String> notes, List<FileView> files) {}

  /**
   * Files that were handed over.
   *
   * @param part which spaces, in words; empty for all
   * @param partNotes what was done at the edges of the part
   * @param recorded whether it can be made again
   */
  public record HandoverView(
      UUID id,
      List<FileView> files,
      String part,
      List<String> partNotes,
      int blockers,
      int errors,
      int warnings,
      List<AcceptedView> accepted,
      boolean recorded,
      String madeBy,
      Instant madeAt,
      long version) {}

  /** A finding that was accepted when a file was handed over. */
  public record AcceptedView(String code, String message, String reason, String by) {}

  /** A file that was made again. */
  public record AgainFileView(String fileName, String sha256, boolean same) {}

  /**
   * Files made again from the record.
   *
   * @param same whether all have the bytes they had
   * @param says what became of it, a sentence
   */
  public record AgainView(boolean same, String says, List<AgainFileView> files) {}

  /**
   * The balance sheet.
   *
   * @param handover whose files were read back for the last column; null where there is none
   */
  public record BalanceView(List<BalanceLine> lines, @Schema(nullable = true) UUID handover) {}

  public record TokenRequest(String label) {}

  /**
   * A token that fetches the newest handover of a project.
   *
   * @param token said once, when it is made; else null
   */
  public record TokenView(
      UUID id,
      String label,
      @Schema(nullable = true) String token,
      String madeBy,
      Instant madeAt,
      @Schema(nullable = true) Instant usedAt) {}
}
