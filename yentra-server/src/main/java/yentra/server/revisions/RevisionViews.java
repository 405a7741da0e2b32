package yentra.server.revisions;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import yentra.core.repair.Repair;
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
}
