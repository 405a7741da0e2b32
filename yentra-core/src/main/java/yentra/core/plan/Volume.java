package yentra.core.plan;

import java.util.List;
import java.util.function.Predicate;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Polygon;
import yentra.core.envelope.Space;

/**
 * A space as upright columns of air that stand on one level.
 *
 * @param number order of the spaces
 * @param storey it is on
 * @param bottom height of its floor, m
 * @param footprint its floor in plan
 * @param cells what of the footprint is under one plane; together they cover it
 * @param drawn which segments of the drawing its walls may come from
 */
record Volume(
    int number,
    Space space,
    PlanDocument.StoreyPlan storey,
    double bottom,
    Polygon footprint,
    List<Cell> cells,
    Predicate<Drawn.Segment> drawn) {
  Volume {
    cells = List.copyOf(cells);
  }

  /**
   * A part of the footprint and what is above it.
   *
   * @param roof the rule that made its top, or null
   */
  record Cell(Polygon plan, Slope top, PlanDocument.Origin roof) {}

  Volume under(List<Cell> other) {
    return new Volume(number, space, storey, bottom, footprint, other, drawn);
  }

  /** The highest point of its air. */
  double highest() {
    double most = bottom;
    for (Cell c : cells) {
      for (Coordinate p : c.plan.getCoordinates()) {
        most = Math.max(most, c.top.at(p));
      }
    }
    return most;
  }
}
