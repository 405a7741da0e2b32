package yentra.server;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import yentra.core.boundary.BoundaryOptions;
import yentra.core.boundary.Convention;
import yentra.core.intake.ProjectSettings;
import yentra.core.repair.Repair;
import yentra.core.thermal.GroundKind;
import yentra.core.thermal.HeatLossOptions;

/**
 * What the interface gets to see. Lengths m, areas m², volumes m³, angles degrees; coordinates are
 * flat lists x, y, z.
 */
final class Views {
  private Views() {}

  /**
   * @param version of the settings; a change says which one it was based on
   */
  record ProjectView(
      UUID id,
      String name,
      long version,
      String createdBy,
      SettingsView settings,
      List<DeliverySummary> deliveries) {}

  /**
   * Some of all projects.
   *
   * @param from how many come before them
   * @param all how many there are
   */
  record ProjectPage(int from, int all, List<ProjectView> projects) {}

  record SettingsRequest(long basedOn, SettingsView settings) {}

  record VersionView(long version, long settings) {}

  /** A change of the project's settings; it stands in the log beside the repairs. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record SettingsEntry(
      String summary,
      String madeBy,
      Instant madeAt,
      boolean inForce,
      @Schema(nullable = true) String undoneBy) {}

  /** {@link ProjectSettings}; what is null is left to the deliveries. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record SettingsView(
      @Schema(nullable = true) String use,
      @Schema(nullable = true) Double latitude,
      @Schema(nullable = true) Double longitude,
      @Schema(nullable = true) Double elevation,
      @Schema(nullable = true) Double north,
      @Schema(nullable = true) Double groundLevel,
      @Schema(nullable = true) String station,
      @Schema(nullable = true) String units,
      @Schema(nullable = true) BoundariesView boundaries,
      @Schema(nullable = true) Map<String, Double> checkLimits,
      @Schema(nullable = true) Map<String, String> constructions,
      @Schema(nullable = true) HeatLossView heatLoss) {
    static SettingsView of(ProjectSettings s) {
      return new SettingsView(
          s.use(),
          s.latitude(),
          s.longitude(),
          s.elevation(),
          s.north(),
          s.groundLevel(),
          s.station(),
          s.units(),
          BoundariesView.of(s.boundaries()),
          s.checkLimits(),
          s.constructions(),
          HeatLossView.of(s.heatLoss()));
    }

    ProjectSettings settings() {
      return new ProjectSettings(
          use,
          latitude,
          longitude,
          elevation,
          north,
          groundLevel,
          station,
          units,
          boundaries == null ? null : boundaries.boundaries(),
          checkLimits,
          constructions,
          heatLoss == null ? null : heatLoss.options());
    }
  }

  /** {@link HeatLossOptions}; what is missing is at its default. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record HeatLossView(
      @Schema(nullable = true) GroundKind ground,
      @Schema(nullable = true) HeatLossOptions.EdgeInsulation edge,
      @Schema(nullable = true) HeatLossOptions.SuspendedFloor suspended,
      @Schema(nullable = true) Double airChanges) {
    static HeatLossView of(HeatLossOptions o) {
      return o == null
          ? null
          : new HeatLossView(o.ground(), o.edge(), o.suspended(), o.airChanges());
    }

    HeatLossOptions options() {
      HeatLossOptions d = HeatLossOptions.STANDARD;
      return new HeatLossOptions(
          ground == null ? d.ground() : ground,
          edge,
          suspended,
          airChanges == null ? d.airChanges() : airChanges);
    }
  }

  /** How the boundaries of IFC deliveries are made; what is missing is at its default. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record BoundariesView(
      @Schema(nullable = true) BoundaryOptions.Mode mode,
      @Schema(nullable = true) Convention convention,
      @Schema(nullable = true) Boolean keepStrips,
      @Schema(nullable = true) Double gapLimit,
      @Schema(nullable = true) Double roofTilt,
      @Schema(nullable = true) Double floorTilt) {
    static BoundariesView of(ProjectSettings.Boundaries b) {
      return b == null
          ? null
          : new BoundariesView(
              b.mode(), b.convention(), b.keepStrips(), b.gapLimit(), b.roofTilt(), b.floorTilt());
    }

    ProjectSettings.Boundaries boundaries() {
      return new ProjectSettings.Boundaries(
          mode, convention, keepStrips, gapLimit, roofTilt, floorTilt);
    }
  }

  /**
   * A weather station.
   *
   * @param distance from the place asked for, km; null when none was
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record StationView(
      String name,
      double latitude,
      double longitude,
      double elevation,
      String climate,
      @Schema(nullable = true) Double distance) {}

  /** Where the delivery says it stands; null where it says nothing. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record PlaceView(
      @Schema(nullable = true) Double latitude,
      @Schema(nullable = true) Double longitude,
      @Schema(nullable = true) Double elevation,
      @Schema(nullable = true) Double north,
      String use) {}

  /**
   * @param part number of the part of the project that it is about
   */
  record DeliverySummary(
      UUID id,
      int part,
      int revision,
      String fileName,
      String format,
      long size,
      Instant receivedAt,
      String receivedBy) {}

  /**
   * @param part which part a delivery is about; null for a part of its own
   */
  record PlaceRequest(long basedOn, @Schema(nullable = true) Integer part) {}

  record NewProject(String name) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  record JobView(
      UUID id,
      UUID projectId,
      String fileName,
      long size,
      String state,
      double progress,
      String message,
      int line,
      int column,
      @Schema(nullable = true) UUID deliveryId) {}

  /**
   * Everything about one delivery in its present state.
   *
   * @param assumed what was taken for granted in making the envelope, in sentences
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record ModelView(
      DeliveryView delivery,
      ReportView report,
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
      List<LogView> log,
      List<SettingsEntry> settingsLog,
      @Schema(nullable = true) SinceView since) {}

  /**
   * Says that a model holds only the spaces, surfaces and findings that differ from the state
   * before.
   *
   * @param findings ids of all findings, in order
   */
  record SinceView(List<String> goneSpaces, List<String> goneSurfaces, List<String> findings) {}

  /**
   * How much of the architectural model is in scope.
   *
   * @param sheet name of the scope sheet that was applied last
   * @param faults how many requirements are not met
   * @param gone how many decisions and values are about elements that this delivery does not have
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record ScopeSummary(
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
  record PathView(String workspace, String text, String mark) {}

  /** Outdoor walls of one of eight orientations; azimuth from true north. */
  record PetalView(double azimuth, double wallArea, double glazedArea) {}

  /**
   * @param part number of the part of the project that it is about
   * @param placed why it was taken for this revision of this part
   * @param undoes what undoing would take back; null when there is nothing
   * @param redoes what would be made again; null when there is nothing
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record DeliveryView(
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

  /** What was read, and what the reader has to say. */
  record ReportView(
      List<CountView> read, List<NoteView> notes, String lengthUnit, long readMillis) {}

  record CountView(String what, int count) {}

  record NoteView(String kind, String message, int line) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  record StoreyView(String key, String name, @Schema(nullable = true) Double level, int spaces) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  record SpaceView(
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
      int openEdges,
      int surfaces,
      SourceView source) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  record SurfaceView(
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
      List<List<Double>> rings,
      List<Double> triangles) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  record OpeningView(
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
      List<List<Double>> rings,
      List<Double> triangles) {}

  record SourceView(String elementClass, String id, String name, int line, int column) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  record ConstructionView(
      String key,
      String name,
      @Schema(nullable = true) Double uValue,
      List<LayerView> layers,
      int uses) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  record LayerView(
      String name,
      @Schema(nullable = true) Double thickness,
      @Schema(nullable = true) Double conductivity) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  record FindingView(
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
      List<RemedyView> remedies,
      @Schema(nullable = true) AcceptanceView accepted,
      List<AnswerView> answers) {}

  /**
   * Findings with one cause, or of one kind.
   *
   * @param cause id of the finding that the others follow from, or null when they are alike
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record GroupView(
      String key,
      String severity,
      String code,
      String title,
      @Schema(nullable = true) String cause,
      List<String> members) {}

  /**
   * That a person takes a finding as it is.
   *
   * @param holds false when the object has changed since, so that the finding is open again
   */
  record AcceptanceView(String reason, String by, Instant at, boolean holds) {}

  /** What came back about a finding from another program. */
  record AnswerView(String status, String author, String date, String text, String fileName) {}

  /** An object by name; kind is space, surface, opening, construction or file. */
  record ObjectView(String key, String label, String kind) {}

  record EvidenceView(
      List<List<Double>> areas, List<List<Double>> lines, List<List<Double>> points) {}

  record RemedyView(String label, Repair repair) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  record LogView(
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
  record EntryFigures(
      double floorAreaBefore,
      double floorAreaAfter,
      double volumeBefore,
      double volumeAfter,
      int findingsGone,
      int findingsNew) {}

  record PreviewRequest(Repair repair) {}

  record PreviewView(
      String summary,
      List<FindingView> resolved,
      List<FindingView> added,
      List<String> removedSurfaces,
      List<SurfaceView> changedSurfaces,
      yentra.core.check.measure.Figures before,
      yentra.core.check.measure.Figures after) {}

  /** One remedy for many findings. */
  record SweepRequest(List<String> findings, Repair like) {}

  /**
   * @param repair what would be made, or null when it works for none
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record SweepView(
      @Schema(nullable = true) Repair repair,
      List<LeftView> left,
      @Schema(nullable = true) PreviewView preview) {}

  record LeftView(String finding, String message, String reason) {}

  record AcceptRequest(List<String> findings, String reason) {}

  record FindingsRequest(List<String> findings) {}

  record TraceRequest(String text) {}

  record BcfRequest(String version, @Schema(nullable = true) List<String> findings) {}

  /**
   * @param known topics that are about findings of this project
   * @param unknown titles of topics that are not
   */
  record AnswersView(int known, int comments, List<String> unknown) {}

  record PositionRequest(long basedOn, int position) {}

  record EntriesRequest(List<Integer> entries) {}

  record WithoutRequest(long basedOn, List<Integer> entries) {}

  /** An entry that can no longer be made when others are taken out. */
  record DependentView(int index, String summary, String reason) {}

  /** A limit of a check, and what it is set to. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record LimitView(
      String code,
      String check,
      String name,
      String unit,
      double standard,
      double least,
      double most,
      @Schema(nullable = true) Double set) {}

  record LimitsRequest(Map<String, Double> limits) {}

  /**
   * @param basedOn version of the project's settings
   */
  record SetLimitsRequest(long basedOn, Map<String, Double> limits) {}

  /** How many findings of a code there are, and would be. */
  record EffectView(String code, int now, int then) {}

  /** How a delivery stands to the revision before it. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record RevisionView(
      @Schema(nullable = true) DeliverySummary before,
      List<yentra.core.revision.RevisionComparison.Entry> changes,
      List<StepView> steps,
      boolean replayed) {}

  /**
   * What became of an entry of the log before, or would.
   *
   * @param repair of a conflict: what would be made all the same; else null
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record StepView(
      int index,
      String summary,
      String outcome,
      String reason,
      List<String> objects,
      @Schema(nullable = true) String finding,
      @Schema(nullable = true) Repair repair) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  record RepairRequest(long basedOn, Repair repair, @Schema(nullable = true) String finding) {}

  record MoveRequest(long basedOn) {}

  record HandoverRequest(long basedOn, boolean allowBlockers) {}

  record HandoverView(
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
  record AcceptedView(String code, String message, String reason, String by) {}

  record SurfaceTypeView(String name, String gbxml, String label) {}
}
