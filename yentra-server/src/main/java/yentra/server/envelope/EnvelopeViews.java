package yentra.server.envelope;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import yentra.core.repair.Repair;
import yentra.server.decisions.DecisionViews;
import yentra.server.deliveries.LogViews;

/** What is said of a model, and asked of its repairs. */
public final class EnvelopeViews {
  private EnvelopeViews() {}

  public record VersionView(long version, long settings) {}

  /** Where the delivery says it stands; null where it says nothing. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record PlaceView(
      @Schema(nullable = true) Double latitude,
      @Schema(nullable = true) Double longitude,
      @Schema(nullable = true) Double elevation,
      @Schema(nullable = true) Double north,
      String use) {}

  /**
   * @param part which part a delivery is about; null for a part of its own
   */
  public record PartRequest(long basedOn, @Schema(nullable = true) Integer part) {}

  /**
   * Everything about one delivery in its present state.
   *
   * @param assumed what was taken for granted in making the envelope, in sentences
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record ModelView(
      DeliveryView delivery,
      LogViews.ReportView report,
      ScopeSummary scope,
      PlaceView delivered,
      @Schema(nullable = true) Double northAzimuth,
      List<StoreyView> storeys,
      List<SpaceView> spaces,
      List<SurfaceView> surfaces,
      List<OpeningView> orphans,
      List<ConstructionView> constructions,
      List<PetalView> glazing,
      List<String> assumed,
      List<FindingView> findings,
      List<GroupView> groups,
      Map<String, Integer> severities,
      List<PathView> path,
      List<LogViews.LogView> log,
      List<LogViews.SettingsEntry> settingsLog,
      @Schema(nullable = true) SinceView since) {
    /** The same without what there is very much of. */
    ModelView withoutLists() {
      return new ModelView(
          delivery,
          report,
          scope,
          delivered,
          northAzimuth,
          storeys,
          List.of(),
          List.of(),
          List.of(),
          constructions,
          glazing,
          assumed,
          List.of(),
          groups,
          severities,
          path,
          log,
          settingsLog,
          since);
    }
  }

  /**
   * @param findings ids of findings
   */
  public record RemediesRequest(List<String> findings) {}

  /** The repairs that would answer a finding, the likeliest first. */
  public record RemediesView(String finding, List<RemedyView> remedies) {}

  /**
   * Says that a model holds only the spaces, surfaces and findings that differ from the state
   * before.
   *
   * @param findings ids of all findings, in order
   */
  public record SinceView(
      List<String> goneSpaces, List<String> goneSurfaces, List<String> findings) {}

  /**
   * How much of the architectural model is in scope.
   *
   * @param sheet name of the scope sheet that was applied last
   * @param faults how many requirements are not met
   * @param gone how many decisions and values are about elements that this delivery does not have
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record ScopeSummary(
      @Schema(nullable = true) String sheet,
      int elements,
      int in,
      int faults,
      int byHand,
      int gone) {}

  /**
   * A workspace on the path.
   *
   * @param text the one figure that matters there
   * @param mark {@code clear} when nothing is open there, {@code open}, or {@code nothing} yet
   */
  public record PathView(String workspace, String text, String mark) {}

  /** Outdoor walls of one of eight orientations; azimuth from true north. */
  public record PetalView(double azimuth, double wallArea, double glazedArea) {}

  /**
   * @param part number of the part of the project that it is about
   * @param placed why it was taken for this revision of this part
   * @param undoes what undoing would take back; null when there is nothing
   * @param redoes what would be made again; null when there is nothing
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record DeliveryView(
      UUID id,
      UUID projectId,
      String projectName,
      int part,
      int revision,
      String placed,
      String fileName,
      String format,
      String schema,
      long size,
      String sha256,
      Instant receivedAt,
      String receivedBy,
      long version,
      int logPosition,
      boolean canUndo,
      boolean canRedo,
      @Schema(nullable = true) String undoes,
      @Schema(nullable = true) String redoes) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record StoreyView(
      String key, String name, @Schema(nullable = true) Double level, int spaces) {}

  /**
   * A space.
   *
   * @param groups it only groups others: its figures are theirs
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record SpaceView(
      String key,
      String fileId,
      String name,
      @Schema(nullable = true) String storey,
      @Schema(nullable = true) String zone,
      String use,
      String condition,
      double floorArea,
      double volume,
      @Schema(nullable = true) Double statedFloorArea,
      @Schema(nullable = true) Double statedVolume,
      boolean enclosed,
      boolean groups,
      int openEdges,
      int surfaces,
      SourceView source) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record SurfaceView(
      String key,
      String fileId,
      String label,
      String behind,
      String type,
      String exposure,
      List<String> spaces,
      @Schema(nullable = true) String storey,
      @Schema(nullable = true) String construction,
      double grossArea,
      double netArea,
      double tilt,
      @Schema(allowableValues = {"up", "side", "down"}) String orientation,
      @Schema(nullable = true) Double azimuth,
      @Schema(nullable = true) Double thickness,
      String kind,
      SourceView source,
      @Schema(nullable = true) SourceView element,
      List<OpeningView> openings,
      @Schema(nullable = true) List<List<Double>> rings,
      @Schema(nullable = true) List<Double> triangles) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record OpeningView(
      String key,
      String fileId,
      String label,
      String type,
      boolean glazed,
      double area,
      @Schema(nullable = true) String surface,
      @Schema(nullable = true) String construction,
      @Schema(nullable = true) String glazing,
      SourceView source,
      @Schema(nullable = true) SourceView element,
      @Schema(nullable = true) List<List<Double>> rings,
      @Schema(nullable = true) List<Double> triangles) {}

  public record SourceView(String elementClass, String id, String name, int line, int column) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record ConstructionView(
      String key,
      String name,
      @Schema(nullable = true) Double uValue,
      List<LayerView> layers,
      int uses) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record LayerView(
      String name,
      @Schema(nullable = true) Double thickness,
      @Schema(nullable = true) Double conductivity) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record FindingView(
      String id,
      String code,
      String severity,
      String message,
      List<ObjectView> objects,
      @Schema(nullable = true) Double measured,
      @Schema(nullable = true) Double stated,
      @Schema(nullable = true) Double limit,
      String unit,
      String limitUnit,
      int line,
      EvidenceView evidence,
      @Schema(nullable = true) DecisionViews.AcceptanceView accepted,
      List<DecisionViews.AnswerView> answers) {}

  /**
   * Findings with one cause, or of one kind.
   *
   * @param cause id of the finding that the others follow from, or null when they are alike
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record GroupView(
      String key,
      String severity,
      String code,
      String title,
      @Schema(nullable = true) String cause,
      List<String> members) {}

  /** An object by name; kind is space, surface, opening, construction or file. */
  public record ObjectView(String key, String label, String kind) {}

  public record EvidenceView(
      List<List<Double>> areas, List<List<Double>> lines, List<List<Double>> points) {}

  public record RemedyView(String label, Repair repair) {}

  public record PreviewRequest(Repair repair) {}

  /**
   * What a repair would do.
   *
   * @param orphans all openings without a surface after it
   */
  public record PreviewView(
      String summary,
      List<FindingView> resolved,
      List<FindingView> added,
      List<String> removedSurfaces,
      List<SurfaceView> changedSurfaces,
      List<OpeningView> orphans,
      yentra.core.check.measure.Figures before,
      yentra.core.check.measure.Figures after) {}

  /**
   * @param repair what would be made, or null when it works for none
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record SweepView(
      @Schema(nullable = true) Repair repair,
      List<LeftView> left,
      @Schema(nullable = true) PreviewView preview) {}

  public record LeftView(String finding, String message, String reason) {}

  /** An entry that can no longer be made when others are taken out. */
  public record DependentView(int index, String summary, String reason) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record RepairRequest(
      long basedOn, Repair repair, @Schema(nullable = true) String finding) {}

  public record MoveRequest(long basedOn) {}

  public record SurfaceTypeView(String name, String gbxml, String label) {}
}
