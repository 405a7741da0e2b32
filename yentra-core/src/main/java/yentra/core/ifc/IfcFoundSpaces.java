package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Predicate;
import yentra.core.boundary.Barrier;
import yentra.core.boundary.BoundaryOptions;
import yentra.core.boundary.EnclosedVolumes;
import yentra.core.boundary.Room;
import yentra.core.boundary.SpaceFinder;
import yentra.core.envelope.Rules;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;
import yentra.core.envelope.SpaceSeed;
import yentra.core.envelope.Storey;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.SolidProbe;
import yentra.core.geometry.Vec3;
import yentra.core.model.Element;

/** Spaces for volumes that construction encloses and no space of the delivery covers. */
final class IfcFoundSpaces {
  private final List<String> notes = new ArrayList<>();
  private final List<Space> spaces = new ArrayList<>();
  private final Set<String> keys = new HashSet<>();
  private final String building;

  private IfcFoundSpaces(String building) {
    this.building = building;
  }

  List<Space> spaces() {
    return spaces;
  }

  List<String> notes() {
    return notes;
  }

  static EnclosedVolumes volumes(
      IfcModel model,
      Predicate<Element> inScope,
      List<Space> delivered,
      List<Storey> storeys,
      Rules rules) {
    List<Barrier> barriers = new ArrayList<>();
    for (Barrier b : new IfcConstruction(model, inScope).barriers()) {
      // rafters and columns stand in rooms; a window that no opening was cut for shuts its hole
      if (b.rank() != Barrier.Rank.FRAME
          || b.source().elementClass().matches("Ifc(Window|Door).*")) {
        barriers.add(b);
      }
    }
    Set<String> names = new HashSet<>();
    delivered.forEach(s -> names.add(s.name()));
    List<Room> rooms = GroupingSpaces.rooms(delivered, rules.tolerance());
    Set<String> grouping = GroupingSpaces.of(rooms).keySet();
    for (Room r : rooms) {
      if (!grouping.contains(r.key())) {
        barriers.add(new Barrier(r.key(), r.source(), Barrier.Rank.LINING, r.body()));
      }
    }
    return EnclosedVolumes.of(
        new SpaceFinder(barriers, EnclosedVolumes.GAP, EnclosedVolumes.LEAST, rules).find(),
        storeys,
        names);
  }

  /** The volumes that are asked for: all, or those that a person has chosen. */
  static IfcFoundSpaces of(EnclosedVolumes all, String building, BoundaryOptions options) {
    IfcFoundSpaces f = new IfcFoundSpaces(building);
    if (options.findSpaces()) {
      all.volumes().forEach(v -> f.add(v, v.name()));
      f.say(all);
    } else {
      options.seeds().forEach(s -> f.choose(s, all));
    }
    return f;
  }

  private void choose(SpaceSeed seed, EnclosedVolumes all) {
    for (EnclosedVolumes.Volume v : all.volumes()) {
      if (new SolidProbe(v.found().body()).contains(seed.inside())) {
        add(v, seed.name());
        return;
      }
    }
    notes.add(
        "the space "
            + seed.name()
            + " was to be made of what encloses "
            + place(seed.inside())
            + ", but nothing encloses it, or another space covers it");
  }

  private void say(EnclosedVolumes all) {
    if (!all.volumes().isEmpty()) {
      int n = all.volumes().size();
      notes.add(
          n + (n == 1 ? " volume" : " volumes") + " that construction encloses became spaces");
    }
    all.leaks().forEach(l -> notes.add("air that is nearly enclosed leaks at " + place(l)));
    notes.addAll(all.open());
  }

  private static String place(Vec3 p) {
    return String.format(Locale.ROOT, "(%.2f, %.2f, %.2f)", p.x(), p.y(), p.z());
  }

  private void add(EnclosedVolumes.Volume v, String name) {
    SpaceFinder.FoundSpace found = v.found();
    String key = EnclosedVolumes.key(found, keys);
    keys.add(key);
    spaces.add(
        Space.of(key)
            .with()
            .name(name)
            .storey(v.storey())
            .building(building)
            .shell(found.body())
            .source(new SourceRef("found", "", name, 0, 0))
            .build());
    if (!found.bridged().isEmpty()) {
      notes.add(
          String.format(
              Locale.ROOT,
              "%d slits of at most %.0f mm were bridged for the space %s, %.3f m² together",
              found.bridged().size(),
              EnclosedVolumes.GAP * 1000,
              name,
              found.bridged().stream().mapToDouble(Polygon::area).sum()));
    }
  }
}
