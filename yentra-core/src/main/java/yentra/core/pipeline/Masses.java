package yentra.core.pipeline;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Site;
import yentra.core.geometry.Box;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.model.ArchitecturalModel;
import yentra.core.plan.MassFloors;
import yentra.core.plan.PlanDocument;

/**
 * Floors of a delivery that brings closed bodies and no rooms: proxies, or else the building's own
 * body, cut at the storeys that the file states or at equal heights.
 */
public final class Masses {
  private static final List<String> KINDS = List.of("IfcBuildingElementProxy", "IfcBuilding");

  /** What is lower is furniture, not a building, m. */
  private static final double LOW = 2;

  /** What is smaller in plan is no building, m². */
  private static final double SMALL = 10;

  private Masses() {}

  /**
   * A plan document of the bodies.
   *
   * @param height of all storeys in m; null for those that the file states
   * @param otherwise height in m where the file states none
   * @return empty when there is no closed body that is large enough
   */
  public static Optional<PlanDocument> floors(
      Stage stage, Double height, double otherwise, String name, Rules rules) {
    List<List<Polygon>> bodies = bodies(stage.whole());
    if (bodies.isEmpty()) {
      return Optional.empty();
    }
    Map<String, Double> stated = new TreeMap<>();
    stage
        .envelope()
        .storeys()
        .forEach(
            s -> {
              if (s.level() != null) {
                stated.putIfAbsent(s.name().isBlank() ? s.key() : s.name(), s.level());
              }
            });
    List<MassFloors.Level> levels =
        height == null ? MassFloors.levels(bodies, stated) : MassFloors.levels(bodies, height);
    if (levels.isEmpty()) {
      levels = MassFloors.levels(bodies, otherwise);
    }
    Site site = stage.envelope().site();
    PlanDocument made =
        MassFloors.of(
            name,
            new PlanDocument.Place(
                site.name() == null ? "" : site.name(),
                site.latitude(),
                site.longitude(),
                site.elevation(),
                site.northAzimuth()),
            bodies,
            levels,
            rules.tolerance().length());
    return made.floors().isEmpty() ? Optional.empty() : Optional.of(made);
  }

  /** Closed bodies of the first kind that has any. */
  private static List<List<Polygon>> bodies(ArchitecturalModel model) {
    for (String kind : KINDS) {
      List<List<Polygon>> out =
          model.elements().stream()
              .filter(e -> model.isKind(e.entity(), kind))
              .map(e -> model.body(e).faces())
              .filter(Masses::isBuilding)
              .toList();
      if (!out.isEmpty()) {
        return out;
      }
    }
    return List.of();
  }

  private static boolean isBuilding(List<Polygon> faces) {
    if (faces.isEmpty()) {
      return false;
    }
    Box box = Shell.of(faces).box();
    double plan = (box.max().x() - box.min().x()) * (box.max().y() - box.min().y());
    return box.max().z() - box.min().z() >= LOW && plan >= SMALL;
  }
}
