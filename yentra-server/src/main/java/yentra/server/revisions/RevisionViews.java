package yentra.server.revisions;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import yentra.core.repair.Repair;
import yentra.core.revision.TakeOver;
import yentra.server.projects.ProjectViews;

/** What is said of revisions and asked of logs. */
public final class RevisionViews {
  private RevisionViews() {}

  public record PositionRequest(long basedOn, int position) {}

  public record EntriesRequest(List<Integer> entries) {}

  public record WithoutRequest(long basedOn, List<Integer> entries) {}

  /** How a delivery stands to the revision before it. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record RevisionView(
      @Schema(nullable = true) ProjectViews.DeliverySummary before,
      List<yentra.core.revision.RevisionComparison.Entry> changes,
      List<StepView> steps,
      boolean replayed) {}

  /**
   * What became of an entry of the log before, or would.
   *
   * @param repair of a conflict: what would be made all the same; else null
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record StepView(
      int index,
      String summary,
      String outcome,
      String reason,
      List<String> objects,
      @Schema(nullable = true) String finding,
      @Schema(nullable = true) Repair repair) {}

  /**
   * What was said of a drawing, offered to the model that came later.
   *
   * @param drawing file name of the drawing, or null where the project has none
   * @param moved how far the drawing was moved to lie on the model, m; null where it was not
   * @param pairs spaces that were recognised
   * @param left names of drawn spaces that nothing was recognised as
   * @param come names of spaces that were not recognised
   * @param types what surfaces without a construction would get, by type
   * @param uses uses, conditions and gains; empty when there is nothing to take
   * @param zones zones with their set-points
   * @param constructions constructions and window types
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record TakeOverView(
      @Schema(nullable = true) String drawing,
      @Schema(nullable = true) List<Double> moved,
      List<TakeOver.Pair> pairs,
      List<String> left,
      List<String> come,
      List<TakeOver.TypeChoice> types,
      List<Repair> uses,
      List<Repair> zones,
      List<Repair> constructions) {
    static final TakeOverView NONE =
        new TakeOverView(
            null, null, List.of(), List.of(), List.of(), List.of(), List.of(), List.of(),
            List.of());
  }
}
