package yentra.core.envelope;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Plane;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/**
 * A flat piece of a space's boundary, or a shading surface.
 *
 * @param polygon its outline, counter-clockwise seen from outside its first space; openings are not
 *     cut out
 * @param sides none (shading), one (outdoor air, ground) or two (another space); as delivered, so
 *     it may be wrong
 * @param construction key of its construction as the delivery states it, or null
 * @param thickness of the element between the two sides in metres, or null when not known
 * @param element the building element it came from, or null when the delivery names none
 * @param openings the openings in it
 */
@RecordBuilder
public record Surface(
    String key,
    String name,
    SurfaceType type,
    Polygon polygon,
    List<Side> sides,
    String construction,
    Double thickness,
    BoundaryKind kind,
    SourceRef source,
    SourceRef element,
    List<Opening> openings,
    Extras extras)
    implements SurfaceBuilder.With {
  public Surface {
    sides = List.copyOf(sides);
    openings = List.copyOf(openings);
  }

  /** A surface of which nothing else is known. */
  public static Surface of(String key, SurfaceType type, Polygon polygon, BoundaryKind kind) {
    return new Surface(
        key,
        "",
        type,
        polygon,
        List.of(),
        null,
        null,
        kind,
        SourceRef.REPAIR,
        null,
        List.of(),
        Extras.NONE);
  }

  public Exposure exposure() {
    if ((kind == BoundaryKind.DERIVED_2B || kind == BoundaryKind.READ_2B) && sides.size() < 2) {
      return Exposure.ADIABATIC;
    }
    if (type.exposure() == Exposure.SPACE && sides.size() < 2) {
      return Exposure.UNRESOLVED;
    }
    return type.exposure();
  }

  public boolean isAdjacentTo(String space) {
    return sides.stream().anyMatch(s -> s.space().equals(space));
  }

  /** True when both sides are the same space, so that the surface bounds nothing. */
  public boolean isWithinOneSpace() {
    return sides.size() >= 2 && sides.get(0).space().equals(sides.get(1).space());
  }

  /**
   * The polygon on the side of the {@code i}-th space, counter-clockwise seen from outside that
   * space.
   */
  public Polygon face(int i) {
    Polygon own = sides.get(i).face();
    return own != null ? own : i == 0 ? polygon : polygon.reversed();
  }

  /** Its face on the side of a space; none of another one's, or where it bounds nothing. */
  public Optional<Polygon> faceTo(String space) {
    for (int i = 0; i < Math.min(2, sides.size()) && !isWithinOneSpace(); i++) {
      if (sides.get(i).space().equals(space)) {
        return Optional.of(face(i));
      }
    }
    return Optional.empty();
  }

  /**
   * The outline of an opening on the face of the {@code i}-th space, turned as that face is: its
   * own on the first, dropped onto the plane of the second.
   */
  public Polygon outlineOn(Opening opening, int i) {
    Plane plane = face(i).plane();
    Polygon own = opening.polygon();
    Polygon there = i == 0 ? own : own.on(plane);
    return there.areaVector().dot(plane.normal()) < 0 ? there.reversed() : there;
  }

  /** Area in m² without the openings' area (never below zero). */
  public double netArea() {
    double open = 0;
    for (Opening o : openings) {
      open += o.polygon().area();
    }
    return Math.max(0, polygon.area() - open);
  }

  /** The polygon with the openings cut out; nothing when it has no area. */
  public List<Polygon> withoutOpenings() {
    if (polygon.normal().equals(Vec3.ZERO)) {
      return List.of();
    }
    List<Polygon> parts = List.of(polygon);
    for (Opening o : openings) {
      List<Polygon> left = new ArrayList<>();
      for (Polygon p : parts) {
        left.addAll(
            o.polygon().outer().size() < 3 ? List.of(p) : PlanarOverlay.difference(p, o.polygon()));
      }
      parts = left;
    }
    return parts;
  }

  public Surface withPolygon(Polygon p, List<Side> newSides) {
    return with().polygon(p).sides(newSides).build();
  }

  /** What the delivery said of its type is no longer kept. */
  @Override
  public Surface withType(SurfaceType t) {
    return with()
        .type(t)
        .extras(extras.withoutAttribute("surfaceType").withoutAttribute("exposedToSun"))
        .build();
  }

  /**
   * The same surface of another kind; an air boundary that is none becomes a wall or slab by its
   * tilt.
   */
  public Surface withKind(BoundaryKind k, SurfaceTypes types) {
    SurfaceType t =
        type != SurfaceType.AIR || k == BoundaryKind.VIRTUAL
            ? type
            : types.betweenSpaces(polygon.tilt());
    return with().type(t).kind(k).build();
  }
}
