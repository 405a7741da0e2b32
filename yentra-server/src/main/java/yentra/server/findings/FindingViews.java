package yentra.server.findings;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Map;
import yentra.core.repair.Repair;

/** What is asked and answered about findings. */
public final class FindingViews {
  private FindingViews() {}

  /** One remedy for many findings. */
  public record SweepRequest(List<String> findings, Repair like) {}

  public record AcceptRequest(List<String> findings, String reason) {}

  public record FindingsRequest(List<String> findings) {}

  public record TraceRequest(String text) {}

  public record BcfRequest(String version, @Schema(nullable = true) List<String> findings) {}

  /**
   * @param known topics that are about findings of this project
   * @param unknown titles of topics that are not
   */
  public record AnswersView(int known, int comments, List<String> unknown) {}

  /** A limit of a check, and what it is set to. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record LimitView(
      String code,
      String check,
      String name,
      String unit,
      double standard,
      double least,
      double most,
      @Schema(nullable = true) Double set) {}

  public record LimitsRequest(Map<String, Double> limits) {}

  /**
   * @param basedOn version of the project's settings
   */
  public record SetLimitsRequest(long basedOn, Map<String, Double> limits) {}

  /** How many findings of a code there are, and would be. */
  public record EffectView(String code, int now, int then) {}
}
