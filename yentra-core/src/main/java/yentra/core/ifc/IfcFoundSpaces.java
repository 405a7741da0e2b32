package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import yentra.core.boundary.Barrier;
import yentra.core.boundary.SpaceFinder;
import yentra.core.envelope.Extras;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.geometry.Box;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;
import yentra.core.model.Element;

/** Spaces for volumes that construction encloses and no space of the delivery covers. */
final class IfcFoundSpaces {
  /** Slits that are bridged, in metres. */
  static final double GAP = 0.05;

  /** What is smaller is a shaft or cavity, in m³. */
  private static final double LEAST = 3;

  private final List<String> notes = new ArrayList<>();
  private final List<Space> spaces = new ArrayList<>();

  private IfcFoundSpaces() {}

  List<Space> spaces() {
    return spaces;
  }

  List<String> notes() {
    return notes;
  }

  static IfcFoundSpaces of(
      IfcModel model,
      Predicate<Element> inScope,
      List<Space> delivered,
      List<Storey> storeys,
      String building,
      Tolerance tolerance) {
    IfcFoundSpaces f = new IfcFoundSpaces();
    List<Barrier> barriers = new ArrayList<>();
    for (Barrier b : new IfcConstruction(model, inScope).barriers()) {
      // rafters and columns stand in rooms; a window that no opening was cut for shuts its hole
      if (b.rank() != Barrier.Rank.FRAME
          || b.source().elementClass().matches("Ifc(Window|Door).*")) {
        barriers.add(b);
      }
    }
    for (Space s : delivered) {
      if (!s.shell().isEmpty()) {
        barriers.add(new Barrier(s.key(), s.source(), Barrier.Rank.LINING, s.shell()));
      }
    }
    SpaceFinder.Result r = new SpaceFinder(barriers, GAP, LEAST, tolerance).find();
    Set<String> keys = new HashSet<>();
    Map<String, Integer> numbers = new HashMap<>();
    for (SpaceFinder.Found found : r.found()) {
      f.add(found, storeys, building, keys, numbers);
    }
    if (!r.found().isEmpty()) {
      f.notes.add(
          r.found().size()
              + (r.found().size() == 1 ? " volume" : " volumes")
              + " that construction encloses became spaces");
    }
    for (Vec3 leak : r.leaks()) {
      f.notes.add(
          String.format(
              Locale.ROOT,
              "air that is nearly enclosed leaks at (%.2f, %.2f, %.2f)",
              leak.x(),
              leak.y(),
              leak.z()));
    }
    f.notes.addAll(r.open());
    return f;
  }

  private void add(
      SpaceFinder.Found found,
      List<Storey> storeys,
      String building,
      Set<String> keys,
      Map<String, Integer> numbers) {
    Box box = Shell.of(found.body()).box();
    Storey storey = null;
    for (Storey s : storeys) {
      boolean below = s.level() != null && s.level() <= box.min().z() + 0.5;
      if (below && (storey == null || s.level() > storey.level())) {
        storey = s;
      }
    }
    Vec3 c = box.centre();
    String base =
        String.format(
                Locale.ROOT,
                "sp_found_%d_%d_%d",
                Math.round(c.x() * 10),
                Math.round(c.y() * 10),
                Math.round(c.z() * 10))
            .replace("-", "m");
    String key = base;
    for (int i = 2; !keys.add(key); i++) {
      key = base + "-" + i;
    }
    String on = storey == null ? "" : storey.name() + " ";
    int n = numbers.merge(on, 1, Integer::sum);
    String name = on + String.format(Locale.ROOT, "%02d", n);
    spaces.add(
        new Space(
            key,
            name,
            storey == null ? null : storey.key(),
            null,
            building,
            "",
            "",
            null,
            null,
            found.body(),
            new SourceRef("found", "", name, 0, 0),
            Extras.NONE));
    if (!found.bridged().isEmpty()) {
      notes.add(
          String.format(
              Locale.ROOT,
              "%d slits of at most %.0f mm were bridged for the space %s, %.3f m² together",
              found.bridged().size(),
              GAP * 1000,
              name,
              found.bridged().stream().mapToDouble(Polygon::area).sum()));
    }
  }
}
