package yentra.core.boundary;

import io.soabase.recordbuilder.core.RecordBuilder;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;

/**
 * A second-level space boundary as a delivery gives it.
 *
 * @param key stable key for the surface or opening it becomes
 * @param space key of its space
 * @param face its outline, counter-clockwise seen from outside the space
 * @param element the building element, or null
 * @param elementKey what identifies the element, or empty
 * @param hostKey for an opening, what identifies the element it was cut into, where the delivery
 *     says so; else empty
 * @param role surface, or what kind of opening
 * @param virtual there is no barrier
 * @param side what the delivery says of the other side
 * @param corresponding key of the boundary on the other side as delivered, or empty
 * @param stated the type that the delivery says in so many words, or null
 * @param source the boundary in the file
 */
@RecordBuilder
public record DeliveredBoundary(
    String key,
    String space,
    Polygon face,
    SourceRef element,
    String elementKey,
    String hostKey,
    Role role,
    boolean virtual,
    OtherSide side,
    String corresponding,
    SurfaceType stated,
    SourceRef source)
    implements DeliveredBoundaryBuilder.With {
  /** What the boundary stands for. */
  public enum Role {
    SURFACE,
    WINDOW,
    DOOR,
    HOLE
  }

  /** What the delivery says of the other side. */
  public enum OtherSide {
    INTERNAL,
    EXTERNAL,
    EARTH,
    /** Only construction: a boundary of type 2b. */
    CONSTRUCTION,
    NOT_SAID
  }

  boolean isOpening() {
    return role != Role.SURFACE;
  }
}
