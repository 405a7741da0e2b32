package yentra.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BinaryOperator;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.PrecisionModel;
import org.locationtech.jts.operation.overlay.snap.GeometrySnapper;
import yentra.core.geometry.RobustOverlay;

/**
 * Overlays of areas in one plane ({@link RobustOverlay} after snapping, {@link GeometrySnapper}) of
 * which only areas are kept: lines and points in which outlines touch, and slivers, are left out.
 *
 * @param width what is narrower is a sliver, m
 */
record Areas(double width) {
  /** Unions are rounded to a thousandth of a millimetre, so that edges that should coincide do. */
  static final PrecisionModel GRID = new PrecisionModel(1e6);

  /** The polygons of a geometry that are no slivers. */
  List<Polygon> of(Geometry g) {
    List<Polygon> out = new ArrayList<>();
    for (int i = 0; i < g.getNumGeometries(); i++) {
      if (g.getGeometryN(i) instanceof Polygon p && !isSliver(p)) {
        out.add(p);
      }
    }
    return out;
  }

  boolean isSliver(Polygon p) {
    return p.getArea() <= width * p.getLength() / 2;
  }

  /** What two areas have in common. */
  List<Polygon> common(Geometry a, Geometry b) {
    return of(overlay(a, b, RobustOverlay::intersection));
  }

  /**
   * An overlay in which corners that lie within a tenth of a sliver's width of the other outline
   * are on it, so that edges that should coincide leave no spikes.
   */
  private Geometry overlay(Geometry a, Geometry b, BinaryOperator<Geometry> operation) {
    Geometry[] on = GeometrySnapper.snap(a, b, width / 10);
    boolean sound = on[0].isValid() && on[1].isValid();
    return sound ? operation.apply(on[0], on[1]) : operation.apply(a, b);
  }

  /** What of an area others leave. */
  List<Polygon> left(Geometry a, Iterable<? extends Geometry> others) {
    Geometry left = a;
    for (Geometry o : others) {
      if (left.getEnvelopeInternal().intersects(o.getEnvelopeInternal())) {
        List<Polygon> parts = of(overlay(left, o, RobustOverlay::difference));
        left =
            parts.size() == 1
                ? parts.get(0)
                : a.getFactory().createMultiPolygon(parts.toArray(Polygon[]::new));
      }
    }
    return of(left);
  }

  /** Areas as one, or as many as do not touch. */
  List<Polygon> joined(List<? extends Geometry> parts) {
    return of(parts.size() == 1 ? parts.get(0) : RobustOverlay.union(parts, GRID));
  }
}
