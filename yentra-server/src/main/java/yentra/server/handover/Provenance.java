package yentra.server.handover;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import yentra.core.exchange.Excerpt;
import yentra.core.exchange.UnitSystem;
import yentra.core.intake.ProjectSettings;

/**
 * The record of a handover: who, when, what came in and what was done to it, what went out. With
 * the delivered file it is all that is needed to make the same bytes again.
 *
 * @param product what wrote it
 * @param settings of the project at that time
 * @param psi of linear thermal bridges in place of the defaults, W/(mK), by type
 * @param log what was in force, in order
 * @param left findings that were not resolved
 */
record Provenance(
    String product,
    From from,
    Made made,
    Choice choice,
    ProjectSettings settings,
    Map<String, Double> psi,
    List<Step> log,
    List<Left> left,
    List<FileMade> files) {
  /** What writes: another version may write other bytes. */
  static final String PRODUCT = "Yentra 0.1.0";

  /** What came in. */
  record From(
      UUID project,
      String projectName,
      UUID delivery,
      int part,
      int revision,
      String fileName,
      long size,
      String sha256) {}

  /** Who, when, on which version of the delivery. */
  record Made(String by, Instant at, long version) {}

  /**
   * What was asked for.
   *
   * @param part as it was said
   * @param spaces keys of the spaces that were meant; empty for all
   */
  record Choice(
      List<String> formats,
      HandoverViews.PartView part,
      List<String> spaces,
      Excerpt.Edge edge,
      UnitSystem units,
      boolean report,
      boolean topics) {}

  /**
   * An entry of the log.
   *
   * @param area what it is about: scope and values, or the envelope
   */
  record Step(
      UUID id,
      String area,
      JsonNode change,
      String summary,
      String finding,
      String by,
      Instant at) {}

  /**
   * A finding that was left.
   *
   * @param reason why it was accepted; null while it is open
   */
  record Left(String id, String code, String severity, String message, String reason, String by) {}

  /** A file that went out. */
  record FileMade(String format, String fileName, long size, String sha256) {}

  Provenance with(List<FileMade> made) {
    return new Provenance(product, from, this.made, choice, settings, psi, log, left, made);
  }
}
