package yentra.core.finding;

import java.util.List;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/** The geometry that shows a finding, in model coordinates: areas, lines and points to light up. */
public record Evidence(List<Polygon> areas, List<List<Vec3>> lines, List<Vec3> points) {
  public static final Evidence NONE = new Evidence(List.of(), List.of(), List.of());

  public Evidence {
    areas = List.copyOf(areas);
    lines = List.copyOf(lines);
    points = List.copyOf(points);
  }

  public static Evidence areas(List<Polygon> areas) {
    return new Evidence(areas, List.of(), List.of());
  }

  public static Evidence area(Polygon area) {
    return areas(List.of(area));
  }

  public static Evidence points(List<Vec3> points) {
    return new Evidence(List.of(), List.of(), points);
  }

  public static Evidence lines(List<List<Vec3>> lines) {
    return new Evidence(List.of(), lines, List.of());
  }
}
