package yentra.core.pipeline;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
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

  /** A body is closed when its faces' area vectors add up to less than this share of their area. */
  private static final double OPEN = 1e-3;

  /** What is lower is furniture, not a building, m. */
  private static final double LOW = 2;

  /** What is smaller in plan is no building, m². */
  private static final double SMALL = 10;

  /** Floors below this part of the lowest storey's height are left out without a word. */
  private static final double BELOW = 0.01;

  private Masses() {}

  /**
   * What bodies are cut into.
   *
   * @param notes what was assumed or left out, in sentences
   * @param bodyVolume of the bodies together, m³; each by itself, also where they overlap
   */
  public record Cut(PlanDocument document, List<String> notes, double bodyVolume) {
    public Cut {
      notes = List.copyOf(notes);
    }
  }

  /**
   * A plan document of the bodies.
   *
   * @param height of all storeys in m; null for those that the file states
   * @param otherwise height in m where the file states none
   * @return empty when there is no closed body that is large enough
   */
  public static Optional<Cut> floors(
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
    List<String> notes = new ArrayList<>();
    if (levels.isEmpty()) {
      levels = MassFloors.levels(bodies, otherwise);
      notes.add(said("The file states no storeys: storeys of %.2f m are assumed.", otherwise));
    }
    double low = bodies.stream().mapToDouble(b -> Shell.of(b).box().min().z()).min().orElseThrow();
    double first = levels.stream().mapToDouble(MassFloors.Level::level).min().orElseThrow();
    if (first - low > BELOW) {
      notes.add(
          said("The body reaches %.2f m below the lowest storey, which is left out.", first - low));
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
    if (made.floors().isEmpty()) {
      return Optional.empty();
    }
    notes.add(said("The ground is taken to be at the lowest floor, %.2f m.", made.ground()));
    double volume = bodies.stream().mapToDouble(b -> Math.abs(Shell.of(b).signedVolume())).sum();
    return Optional.of(new Cut(made, notes, volume));
  }

  private static String said(String sentence, double metres) {
    return String.format(Locale.ROOT, sentence, metres);
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
    Shell shell = Shell.of(faces);
    double area = faces.stream().mapToDouble(Polygon::area).sum();
    if (shell.closureError() > OPEN * area) {
      return false;
    }
    Box box = shell.box();
    double plan = (box.max().x() - box.min().x()) * (box.max().y() - box.min().y());
    return box.max().z() - box.min().z() >= LOW && plan >= SMALL;
  }
}
