package yentra.server.projects;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import yentra.core.boundary.BoundaryOptions;
import yentra.core.boundary.Convention;
import yentra.core.intake.ProjectSettings;
import yentra.core.thermal.GroundKind;
import yentra.core.thermal.HeatLossOptions;

/** What is said of projects and asked of their settings. */
public final class ProjectViews {
  private ProjectViews() {}

  /**
   * @param version of the settings; a change says which one it was based on
   */
  public record ProjectView(
      UUID id,
      String name,
      long version,
      String createdBy,
      SettingsView settings,
      List<DeliverySummary> deliveries) {}

  /**
   * How far a project has come: what a page must know to see that it shows an older state.
   *
   * @param version of the settings
   * @param deliveries version of each delivery, by its id
   */
  public record Pulse(long version, Map<UUID, Long> deliveries) {}

  /**
   * Some of all projects.
   *
   * @param from how many come before them
   * @param all how many there are
   */
  public record ProjectPage(int from, int all, List<ListedProject> projects) {}

  /** Where projects are: at hand, put away, or thrown away and to be had back for a while. */
  public enum Shelf {
    OPEN,
    ARCHIVED,
    DELETED
  }

  /**
   * A project as it stands in a list.
   *
   * @param touchedAt when somebody last changed something of it
   * @param standing of the newest delivery, as it was last looked at or changed
   * @param picture whether there is a picture of that delivery
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record ListedProject(
      UUID id,
      String name,
      String createdBy,
      Instant touchedAt,
      Shelf shelf,
      List<DeliverySummary> deliveries,
      @Schema(nullable = true) StandingView standing,
      boolean picture) {}

  /**
   * @param open how many findings are open, by severity
   */
  public record StandingView(
      int spaces, double floorArea, int surfaces, Map<String, Integer> open) {}

  public record NameRequest(String name) {}

  public record ShelfRequest(Shelf shelf) {}

  public record SettingsRequest(long basedOn, SettingsView settings) {}

  /** {@link ProjectSettings}; what is null is left to the deliveries. */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record SettingsView(
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
  public record HeatLossView(
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
  public record BoundariesView(
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

    public ProjectSettings.Boundaries boundaries() {
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
  public record StationView(
      String name,
      double latitude,
      double longitude,
      double elevation,
      String climate,
      @Schema(nullable = true) Double distance) {}

  /**
   * @param part number of the part of the project that it is about
   */
  public record DeliverySummary(
      UUID id,
      int part,
      int revision,
      String fileName,
      String format,
      long size,
      Instant receivedAt,
      String receivedBy) {}

  public record NewProject(String name) {}
}
