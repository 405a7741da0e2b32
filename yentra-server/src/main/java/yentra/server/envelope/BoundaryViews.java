package yentra.server.envelope;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import yentra.core.boundary.BoundaryBalance;
import yentra.core.boundary.EnclosedVolumes;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.run.CheckCatalogue;
import yentra.core.envelope.Surface;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;
import yentra.core.scope.ScopeStep;

/** How the boundaries of spaces were made, as the page shows it. */
public final class BoundaryViews {
  private BoundaryViews() {}

  /**
   * @param chosen where the space's boundaries come from, if not from where the project says
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record RowView(
      String name,
      BoundaryBalance balance,
      @Schema(nullable = true) ScopeStep.BoundarySource chosen) {}

  /** How much of an attempt is done, 0 to 1. */
  record ShareView(double share) {}

  /** A derivation in figures. */
  record SumsView(
      List<RowView> rows,
      int surfaces,
      int pairs,
      int openings,
      int shades,
      int blockers,
      int errors,
      int warnings) {}

  static SumsView sums(
      CheckContext c, List<Finding> findings, Map<String, ScopeStep.BoundarySource> chosen) {
    Map<Severity, Integer> counts = new EnumMap<>(Severity.class);
    findings.forEach(f -> counts.merge(f.severity(), 1, Integer::sum));
    List<Surface> surfaces = c.envelope().surfaces();
    return new SumsView(
        BoundaryBalance.of(c.envelope()).stream()
            .map(b -> new RowView(c.naming().space(b.space()), b, chosen.get(b.space())))
            .toList(),
        surfaces.size(),
        (int) surfaces.stream().filter(s -> s.sides().size() == 2).count(),
        surfaces.stream().mapToInt(s -> s.openings().size()).sum(),
        (int) surfaces.stream().filter(s -> s.type().isShading()).count(),
        counts.getOrDefault(Severity.BLOCKER, 0),
        counts.getOrDefault(Severity.ERROR, 0),
        counts.getOrDefault(Severity.WARNING, 0));
  }

  static SumsView sums(CheckContext c, Map<String, ScopeStep.BoundarySource> chosen) {
    return sums(c, CheckCatalogue.run(c), chosen);
  }

  /**
   * An enclosed volume that no space covers.
   *
   * @param inside a place in it, metres
   * @param rings outlines of its faces
   * @param bridged outlines of what was put in where its bounds do not quite meet
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  record VolumeView(
      String name,
      @Schema(nullable = true) String storey,
      double volume,
      double floorArea,
      List<Double> inside,
      List<List<Double>> rings,
      List<List<Double>> bridged) {
    static VolumeView of(EnclosedVolumes.Volume v) {
      Vec3 p = v.found().inside();
      return new VolumeView(
          v.name(),
          v.storey(),
          v.found().volume(),
          v.found().floorArea(),
          List.of(p.x(), p.y(), p.z()),
          rings(v.found().body()),
          rings(v.found().bridged()));
    }

    private static List<List<Double>> rings(List<Polygon> faces) {
      return faces.stream().flatMap(f -> ModelViews.rings(f).stream()).toList();
    }
  }

  /**
   * @param leaks places where air that is nearly enclosed is open to outdoors
   * @param open what does not close, and why
   * @param cavities how many volumes are too small or too narrow for a room
   */
  record EnclosedView(
      List<VolumeView> volumes, List<List<Double>> leaks, List<String> open, int cavities) {
    static EnclosedView of(EnclosedVolumes e) {
      return new EnclosedView(
          e.volumes().stream().map(VolumeView::of).toList(),
          e.leaks().stream().map(p -> ModelViews.flat(List.of(p))).toList(),
          e.open(),
          e.cavities());
    }
  }

  record SeedView(String name, List<Double> inside) {}

  record AddRequest(long basedOn, List<SeedView> volumes) {}

  record ChooseRequest(long basedOn, List<String> spaces, ScopeStep.BoundarySource source) {}
}
