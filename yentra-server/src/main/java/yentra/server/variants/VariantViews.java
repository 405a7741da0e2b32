package yentra.server.variants;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import yentra.core.variant.Metric;
import yentra.core.variant.change.Change;
import yentra.server.estimate.EstimateViews;

/** What is asked for and said of variants. */
public final class VariantViews {
  private VariantViews() {}

  /**
   * A change with what it takes.
   *
   * @param effort in the user's unit, such as money; null where it is not said
   */
  public record ChangeSpec(Change change, Double effort) {}

  /**
   * A variant as a person describes it.
   *
   * @param group variants of one group exclude each other; empty for none
   * @param parts other variants that this one takes up, before its own changes
   */
  public record VariantSpec(String name, String group, List<ChangeSpec> changes, List<UUID> parts) {
    public VariantSpec {
      changes = changes == null ? List.of() : List.copyOf(changes);
      parts = parts == null ? List.of() : List.copyOf(parts);
      group = group == null ? "" : group.strip();
    }
  }

  /**
   * A number of a variant beside the baseline.
   *
   * @param value null where it is not known
   * @param difference to the baseline; null where one of both is not known
   * @param share of the baseline's value that the difference is; null where that is none
   */
  public record MetricView(Metric metric, Double value, Double difference, Double share) {}

  /**
   * Whether a target is met.
   *
   * @param limit null where the baseline, of which it is a share, has no figures yet
   * @param met null where it is not known
   * @param by how far below the limit the value lies; negative where it is missed
   */
  public record TargetState(
      int target, Double limit, @Schema(nullable = true) Boolean met, Double by) {}

  /** A flow into all zones, kWh by month. */
  public record HeatFlowView(String flow, String label, List<Double> months) {}

  /** Outdoor walls that face a direction, m². */
  public record GlazedSideView(String facing, double gross, double glazed) {}

  /** kWh a year by carrier. */
  public record BoughtView(String carrier, double kWh) {}

  /**
   * What a run has come to.
   *
   * @param floorArea of heated or cooled spaces, m²
   * @param parts kWh a year: heating, cooling, light, equipment, fans, hot water
   */
  public record FiguresView(
      double floorArea,
      List<MetricView> metrics,
      List<TargetState> targets,
      List<EnergyUseView> parts,
      List<HeatFlowView> flows,
      List<GlazedSideView> sides,
      List<BoughtView> bought,
      String warmest,
      List<String> assumptions) {}

  /** kWh a year of one use of energy. */
  public record EnergyUseView(String label, double kWh) {}

  /**
   * A run of changes on the baseline as it is now.
   *
   * @param state asked for: waiting, running, done, refused, failed, cancelled; or none
   */
  public record RunView(
      String ask,
      String state,
      String message,
      List<EstimateViews.LackView> missing,
      @Schema(nullable = true) FiguresView figures) {}

  /**
   * A change, and what it comes to on the baseline as it is now.
   *
   * @param label what it does, in words
   * @param from the variant that it was taken up from; null for a change of its own
   * @param said what its repairs do and what is not as it was asked for, in sentences
   * @param refused why it does not apply; null where it does
   */
  public record ChangeView(
      Change change,
      Double effort,
      String label,
      @Schema(nullable = true) UUID from,
      List<String> said,
      @Schema(nullable = true) String refused,
      int repairs) {}

  /** A variant, what its changes come to, and its run on the baseline as it is now. */
  public record VariantView(
      UUID id,
      String name,
      String group,
      List<UUID> parts,
      List<ChangeView> changes,
      boolean applies,
      Double effort,
      RunView run) {}

  /**
   * What is good enough.
   *
   * @param most in the metric's unit, or null
   * @param below share of the baseline that a variant lies below it, or null
   */
  public record TargetSpec(Metric metric, Double most, Double below) {}

  /** Targets of a project. */
  public record TargetsSpec(List<TargetSpec> targets) {
    public TargetsSpec {
      targets = targets == null ? List.of() : List.copyOf(targets);
    }
  }

  /**
   * What a metric is.
   *
   * @param quantity name of its kind, by which it is converted; empty for what has one unit
   * @param unit in which it is kept
   */
  public record MetricKind(Metric metric, String label, String quantity, String unit) {}

  /**
   * One change of a variant by itself, and what it brings.
   *
   * @param gain by how much the metric falls below the baseline
   * @param perEffort gain by effort; null where no effort is said
   */
  public record GainView(
      UUID variant,
      int index,
      String label,
      Double effort,
      String state,
      Double gain,
      Double perEffort) {}

  /**
   * All of a project's variants on a delivery.
   *
   * @param weather what it is estimated with; empty where none is chosen
   * @param gains single changes by what they bring for the first target's metric, or else demand
   */
  public record VariantsView(
      long version,
      String weather,
      boolean drawn,
      RunView baseline,
      List<VariantView> variants,
      List<TargetSpec> targets,
      List<MetricKind> metrics,
      Metric judgedBy,
      List<GainView> gains,
      List<SweepLine> sweeps) {}

  /** A sweep in a list. */
  public record SweepLine(
      UUID id, String name, String state, int done, int total, boolean stale, Instant askedAt) {}

  /**
   * A number that runs through values: a list, or from, to and step.
   *
   * @param member which number of the change; null for its first
   */
  public record AxisRequest(
      Change change,
      @Schema(nullable = true) String member,
      Double from,
      Double to,
      Double step,
      @Schema(nullable = true) List<Double> values) {}

  /**
   * Asks for a sweep.
   *
   * @param variant that it starts from; null for the baseline
   * @param assumeMissing takes usual constructions for what has no U-value
   */
  public record SweepWish(
      @Schema(nullable = true) String name,
      @Schema(nullable = true) UUID variant,
      List<AxisRequest> axes,
      boolean grid,
      boolean assumeMissing) {}

  /** An axis of a sweep. */
  public record AxisView(
      String label, String change, String quantity, String unit, List<Double> values) {}

  /**
   * A run of a sweep.
   *
   * @param values by axis; null for one that stays out of this run
   * @param figures by metric, in the order of the metrics; null where not known
   * @param met whether all targets are met; null where it is not known or there is none
   */
  public record PointView(
      List<Double> values,
      String state,
      String message,
      List<Double> figures,
      @Schema(nullable = true) Boolean met) {}

  /**
   * Where a curve meets a target, by straight lines between its points.
   *
   * @param axis which axis
   * @param value of the axis
   */
  public record MeetView(int target, int axis, double value) {}

  /**
   * A sweep with what has come of it so far.
   *
   * @param secondsLeft by the pace so far; null before the second run has ended
   * @param stale whether the baseline is another by now
   */
  public record SweptView(
      UUID id,
      String name,
      String from,
      boolean grid,
      List<AxisView> axes,
      String state,
      int done,
      int total,
      Double secondsLeft,
      boolean stale,
      RunView baseline,
      List<PointView> points,
      List<MeetView> meets) {}

  /** Asks for runs; of all variants where none is named. */
  public record RunsRequest(List<UUID> variants, boolean assumeMissing) {
    public RunsRequest {
      variants = variants == null ? List.of() : List.copyOf(variants);
    }
  }

  /** Makes a variant the baseline. */
  public record AdoptRequest(long basedOn) {}

  /**
   * How many runs are open and have ended: tells a page that there is something new.
   *
   * @param version changes when variants, targets or sweeps do
   */
  public record VariantPulse(UUID delivery, int open, int ended, long version) {}
}
