package yentra.core.ifc;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import yentra.core.boundary.Room;
import yentra.core.envelope.Space;
import yentra.core.geometry.BoxIndex;
import yentra.core.geometry.InteriorPoint;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.geometry.SolidProbe;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/** Spaces that hold at least two others: a department, a gross area. They are no rooms. */
final class GroupingSpaces {
  private GroupingSpaces() {}

  /** Spaces with a body, turned outwards. */
  static List<Room> rooms(List<Space> spaces, Tolerance tolerance) {
    return spaces.parallelStream()
        .filter(s -> !s.shell().isEmpty())
        .map(
            s ->
                new Room(s.key(), s.source(), Shell.of(s.shell()).outward(tolerance.gap()).faces()))
        .toList();
  }

  /** Their keys, with those of the spaces that they hold. */
  static Map<String, List<String>> of(List<Room> rooms) {
    List<SolidProbe> probes = rooms.stream().map(r -> new SolidProbe(r.body())).toList();
    Map<String, List<String>> held = new TreeMap<>();
    BoxIndex index = new BoxIndex(probes.stream().map(SolidProbe::box).toList());
    for (int i = 0; i < rooms.size(); i++) {
      List<Vec3> points = inside(rooms.get(i));
      for (int j : index.meeting(probes.get(i).box())) {
        SolidProbe other = probes.get(j);
        if (j != i && points.stream().allMatch(other::contains)) {
          held.computeIfAbsent(rooms.get(j).key(), k -> new ArrayList<>()).add(rooms.get(i).key());
        }
      }
    }
    held.values().removeIf(l -> l.size() < 2);
    return held;
  }

  /** A point a little inside of each of the largest faces. */
  private static List<Vec3> inside(Room r) {
    return r.body().stream()
        .sorted(Comparator.comparingDouble(Polygon::area).reversed())
        .limit(4)
        .map(f -> InteriorPoint.of(f).minus(f.normal().times(0.05)))
        .toList();
  }
}
