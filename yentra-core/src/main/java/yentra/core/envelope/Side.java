package yentra.core.envelope;

import yentra.core.geometry.Polygon;

/**
 * One side of a surface: the space there and, where the delivery gives it, the polygon on that
 * side.
 *
 * @param space key of the space
 * @param face the polygon on this side, counter-clockwise seen from outside the space; null when it
 *     is the surface's own polygon (for the second side, that polygon reversed)
 * @param boundary extras of gbXML's SpaceBoundary
 * @param adjacency extras of gbXML's AdjacentSpaceId
 */
public record Side(String space, Polygon face, Extras boundary, Extras adjacency) {
  public static Side of(String space) {
    return of(space, null);
  }

  public static Side of(String space, Polygon face) {
    return new Side(space, face, Extras.NONE, Extras.NONE);
  }

  public Side withFace(Polygon f) {
    return new Side(space, f, boundary, adjacency);
  }
}
