package yentra.core.boundary;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Space;
import yentra.core.envelope.SpaceSeed;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.SolidProbe;
import yentra.core.geometry.Vec3;

/**
 * Enclosed volumes that no space covers, offered as spaces: each with a storey and a name by rule.
 *
 * @param volumes in the order of their lowest corners
 * @param leaks places where air that is nearly enclosed is open to outdoors
 * @param open volumes whose faces do not close, with the reason
 * @param cavities how many enclosed volumes are too small or too narrow for a room
 */
public record EnclosedVolumes(
    List<Volume> volumes, List<Vec3> leaks, List<String> open, int cavities) {
  /** Slits that are bridged, in metres. */
  public static final double GAP = 0.05;

  /** What is smaller is a shaft or cavity, in m³. */
  public static final double LEAST = 3;

  /** A storey begins at most so far above the floor of its rooms, in metres. */
  private static final double RAISED = 0.5;

  /**
   * @param storey key of a storey, or null
   */
  public record Volume(String name, String storey, SpaceFinder.FoundSpace found) {
    public SpaceSeed seed() {
      return new SpaceSeed(name, found.inside());
    }
  }

  /**
   * Names what was found: the storey's name and a number that no space on it has.
   *
   * @param taken names of the spaces that there are
   */
  public static EnclosedVolumes of(
      SpaceFinder.FoundSpaces found, List<Storey> storeys, Set<String> taken) {
    List<Volume> out = new ArrayList<>();
    Map<String, Integer> numbers = new HashMap<>();
    for (SpaceFinder.FoundSpace f : found.found()) {
      Storey storey = storey(Shell.of(f.body()).box().min().z(), storeys);
      String on = storey == null || storey.name().isBlank() ? "" : storey.name() + " ";
      String name;
      do {
        name = on + String.format(Locale.ROOT, "%02d", numbers.merge(on, 1, Integer::sum));
      } while (taken.contains(name));
      out.add(new Volume(name, storey == null ? null : storey.key(), f));
    }
    return new EnclosedVolumes(out, found.leaks(), found.open(), found.cavities());
  }

  private static Storey storey(double floor, List<Storey> storeys) {
    Storey best = null;
    for (Storey s : storeys) {
      boolean below = s.level() != null && s.level() <= floor + RAISED;
      if (below && (best == null || s.level() > best.level())) {
        best = s;
      }
    }
    return best;
  }

  /** What the surfaces of an envelope enclose, those that name no space included. */
  public static EnclosedVolumes of(Envelope e, Rules rules) {
    List<Polygon> sheets = new ArrayList<>();
    Map<String, List<Polygon>> faces = new HashMap<>();
    for (Surface s : e.surfaces()) {
      if (s.type().isShading() || s.polygon().normal().equals(Vec3.ZERO)) {
        continue;
      }
      sheets.add(s.polygon());
      for (int i = 0; i < s.sides().size(); i++) {
        Polygon face = s.face(i);
        faces.computeIfAbsent(s.sides().get(i).space(), k -> new ArrayList<>()).add(face);
        if (Math.abs(s.polygon().plane().distance(face.mean())) > rules.tolerance().gap()) {
          sheets.add(face);
        }
      }
    }
    SpaceFinder.FoundSpaces r = SpaceFinder.ofSheets(sheets, GAP, LEAST, rules).find();
    Set<String> names = new HashSet<>();
    List<SolidProbe> covered = new ArrayList<>();
    for (Space s : e.spaces()) {
      names.add(s.name());
      List<Polygon> body = s.shell().isEmpty() ? faces.get(s.key()) : s.shell();
      if (body != null) {
        covered.add(new SolidProbe(body));
      }
    }
    List<SpaceFinder.FoundSpace> free =
        r.found().stream()
            .filter(f -> covered.stream().noneMatch(c -> c.contains(f.inside())))
            .toList();
    return of(
        new SpaceFinder.FoundSpaces(free, r.leaks(), r.open(), r.cavities()), e.storeys(), names);
  }

  /** A key for a found space, by its place, that no space has yet. */
  public static String key(SpaceFinder.FoundSpace found, Set<String> taken) {
    Vec3 c = Shell.of(found.body()).box().centre();
    String base =
        String.format(
                Locale.ROOT,
                "sp_found_%d_%d_%d",
                Math.round(c.x() * 10),
                Math.round(c.y() * 10),
                Math.round(c.z() * 10))
            .replace("-", "m");
    String key = base;
    for (int i = 2; taken.contains(key); i++) {
      key = base + "-" + i;
    }
    return key;
  }
}
