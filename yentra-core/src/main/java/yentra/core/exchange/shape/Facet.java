package yentra.core.exchange.shape;

import java.util.List;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Polygon;

/**
 * A face of the building, as seen from one of its spaces: a surface with its openings cut out, or
 * an opening.
 *
 * @param opening null for the surface itself
 * @param side 0 for the surface's first space, 1 for its second; 0 where it has none
 * @param space key of the space that it bounds, or null for shading
 * @param neighbour key of the space on its other side, or null
 * @param parts flat pieces in model coordinates, m, counter-clockwise seen from outside the space;
 *     empty when nothing is left beside the openings
 */
public record Facet(
    Surface surface,
    Opening opening,
    int side,
    String space,
    String neighbour,
    List<Polygon> parts) {
  public Facet {
    parts = List.copyOf(parts);
  }

  /** Key of the surface or opening. */
  public String key() {
    return opening == null ? surface.key() : opening.key();
  }

  /** m². */
  public double area() {
    return parts.stream().mapToDouble(Polygon::area).sum();
  }

  /** The same without its outline, where many are remembered. */
  Facet withoutParts() {
    return new Facet(surface, opening, side, space, neighbour, List.of());
  }
}
