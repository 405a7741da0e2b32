package yentra.core.exchange;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Side;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.geometry.Polygon;

/**
 * The two faces of a column or of a wall that ends within a room as surfaces of their own. As one
 * surface both of whose sides are the same space it would be its own neighbour, and only one of its
 * faces would bound the room; no heat flows through it, so each face is adiabatic.
 */
final class FacesApart {
  private FacesApart() {}

  /** The envelope with each such pair as two surfaces; the second has its key with a number. */
  static Envelope of(Envelope e, SurfaceTypes types) {
    if (e.surfaces().stream().noneMatch(FacesApart::isPair)) {
      return e;
    }
    Set<String> taken = new HashSet<>();
    e.surfaces().forEach(s -> taken.add(s.key()));
    List<Surface> out = new ArrayList<>();
    for (Surface s : e.surfaces()) {
      if (!isPair(s)) {
        out.add(s);
        continue;
      }
      String key = s.key() + "-2";
      for (int i = 3; !taken.add(key); i++) {
        key = s.key() + "-" + i;
      }
      out.add(face(s, s.key(), 0, types));
      out.add(face(s, key, 1, types).withOpenings(List.of()));
    }
    return e.withSurfaces(out);
  }

  /** Both faces are known: a fin that is delivered as one polygon stays what it is. */
  private static boolean isPair(Surface s) {
    return s.isWithinOneSpace() && s.sides().get(1).face() != null;
  }

  private static Surface face(Surface s, String key, int side, SurfaceTypes types) {
    Polygon p = s.face(side);
    return Surface.of(key, types.betweenSpaces(p.tilt()), p, BoundaryKind.READ_2B)
        .with()
        .name(s.name())
        .sides(List.of(Side.of(s.sides().get(side).space())))
        .construction(s.construction())
        .thickness(s.thickness())
        .source(s.source())
        .element(s.element())
        .openings(s.openings())
        .extras(s.extras())
        .build();
  }
}
