package yentra.core.exchange.shape;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Function;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Side;
import yentra.core.envelope.Surface;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/**
 * The faces of an envelope, in its order. Those of a space, put together, are closed when the space
 * is: openings are cut out of their surfaces and are faces of their own, on both sides.
 */
public final class Facets {
  /** Share of a wall that another must cover to be its other side (as in ADJ-511). */
  private static final double COVERED = 0.9;

  private static final int AT_ONCE = 2048;

  private final CheckContext context;

  /** Surfaces between two spaces, by first and second. */
  private final Map<String, List<Surface>> between = new HashMap<>();

  private Facets(CheckContext context) {
    this.context = context;
  }

  /** Hands out every face, that of each space by itself. */
  public static void each(CheckContext context, Consumer<Facet> each) {
    each(context, f -> f, each);
  }

  /**
   * Hands out what is made of every face, in order; several are made at a time.
   *
   * @param make makes something of one face and knows of no other
   */
  public static <T> void each(CheckContext context, Function<Facet, T> make, Consumer<T> each) {
    Facets f = new Facets(context);
    context.envelope().surfaces().stream()
        .filter(s -> s.sides().size() > 1)
        .forEach(s -> f.between.computeIfAbsent(way(s, 0), k -> new ArrayList<>()).add(s));
    List<Surface> all = context.envelope().surfaces();
    // not all at once: there are more faces than memory should hold
    for (int from = 0; from < all.size(); from += AT_ONCE) {
      all.subList(from, Math.min(all.size(), from + AT_ONCE)).parallelStream()
          .map(s -> f.surface(s).stream().map(make).toList())
          .toList()
          .forEach(faces -> faces.forEach(each));
    }
  }

  private static String way(Surface s, int from) {
    return s.sides().get(from).space() + "\n" + s.sides().get(1 - from).space();
  }

  /**
   * Whether the other side of a wall is a surface of its own: deliveries write one wall once for
   * each of its spaces, and a space has one of them.
   */
  private boolean isWrittenTwice(Surface s) {
    return s.sides().size() > 1
        && !s.isWithinOneSpace()
        && between.getOrDefault(way(s, 1), List.of()).stream()
            .anyMatch(
                t ->
                    PlanarOverlay.commonArea(s.polygon(), t.polygon())
                        >= COVERED * s.polygon().area());
  }

  private List<Facet> surface(Surface s) {
    List<Facet> out = new ArrayList<>();
    if (s.sides().isEmpty()) {
      side(out, s, 0, null, null, s.polygon());
      return out;
    }
    boolean reversed = context.direction(s) < 0;
    int sides = isWrittenTwice(s) ? 1 : Math.min(2, s.sides().size());
    for (int i = 0; i < sides; i++) {
      Side side = s.sides().get(i);
      Polygon face = s.face(i);
      // one without a face of its own follows the surface's polygon, which may be the wrong way
      Polygon outward = reversed && side.face() == null ? face.reversed() : face;
      String beyond = s.sides().size() < 2 ? null : s.sides().get(1 - i).space();
      side(out, s, i, side.space(), beyond, outward);
    }
    return out;
  }

  private static void side(
      List<Facet> out, Surface s, int side, String space, String neighbour, Polygon face) {
    if (face.normal().equals(Vec3.ZERO)) {
      return;
    }
    List<Polygon> left = List.of(face);
    List<Facet> openings = new ArrayList<>();
    for (Opening o : s.openings()) {
      if (o.polygon().outer().size() < 3 || o.polygon().normal().equals(Vec3.ZERO)) {
        continue;
      }
      Polygon drawn = s.sides().isEmpty() ? o.polygon() : s.outlineOn(o, side);
      Polygon turned = drawn.areaVector().dot(face.areaVector()) < 0 ? drawn.reversed() : drawn;
      // it may stand before or behind its surface by the tolerance: a body would leak there
      Polygon here = turned.on(face.plane());
      openings.add(new Facet(s, o, side, space, neighbour, List.of(here)));
      List<Polygon> cut = new ArrayList<>();
      left.forEach(p -> cut.addAll(PlanarOverlay.difference(p, here)));
      left = cut;
    }
    out.add(new Facet(s, null, side, space, neighbour, left));
    out.addAll(openings);
  }
}
