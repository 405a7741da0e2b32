package yentra.core.plan;

import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;

/**
 * A surface before it has its key.
 *
 * @param first the volume that it is drawn on
 * @param second the volume on its other side, or null
 * @param polygon turned out of the first
 * @param source what of the drawing it came from
 */
record Piece(
    Volume first,
    Volume second,
    SurfaceType type,
    BoundaryKind kind,
    Polygon polygon,
    SourceRef source) {}
