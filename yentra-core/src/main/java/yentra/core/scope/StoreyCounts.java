package yentra.core.scope;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yentra.core.geometry.Polygon;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Body;
import yentra.core.model.Element;
import yentra.core.model.Property;
import yentra.core.model.PropertySet;
import yentra.core.model.PropertyValue;

/**
 * Walls, windows and doors in scope, counted by storey, and their area as the file states it in
 * quantity sets against the area of their bodies. Quantities are those of the IFC4 base quantities
 * (Qto_WallBaseQuantities: NetSideArea, GrossSideArea; Qto_WindowBaseQuantities and
 * Qto_DoorBaseQuantities: Area).
 */
public final class StoreyCounts {
  private static final double UPRIGHT = 0.1;
  private static final double SAME_WAY = 0.99;

  private StoreyCounts() {}

  /** What is counted together. */
  public enum Kind {
    WALL("IfcWall", "NetSideArea", "GrossSideArea"),
    WINDOW("IfcWindow", "Area", ""),
    DOOR("IfcDoor", "Area", "");

    private final String entity;
    private final String net;
    private final String gross;

    Kind(String entity, String net, String gross) {
      this.entity = entity;
      this.net = net;
      this.gross = gross;
    }
  }

  /**
   * One storey's elements of a kind.
   *
   * @param storey name, or empty for those on no storey
   * @param stated how many of them state an area
   * @param statedArea sum of what these state, m²
   * @param measuredArea sum over the same elements of what their bodies measure, m²
   */
  public record Row(
      String storey, Kind kind, int count, int stated, double statedArea, double measuredArea) {
    Row plus(Row o) {
      return new Row(
          storey,
          kind,
          count + o.count,
          stated + o.stated,
          statedArea + o.statedArea,
          measuredArea + o.measuredArea);
    }
  }

  /** The rows, by storey in the order in which the storeys first occur. */
  public static List<Row> of(ArchitecturalModel model, ScopeResult result) {
    List<Row> single =
        result.decisions().parallelStream()
            .filter(ScopeResult.Decision::in)
            .map(d -> row(model, d.element()))
            .filter(java.util.Objects::nonNull)
            .toList();
    Map<String, Map<Kind, Row>> sums = new LinkedHashMap<>();
    for (Row r : single) {
      sums.computeIfAbsent(r.storey, k -> new java.util.EnumMap<>(Kind.class))
          .merge(r.kind, r, Row::plus);
    }
    List<Row> out = new ArrayList<>();
    sums.values().forEach(m -> out.addAll(m.values()));
    return out;
  }

  private static Row row(ArchitecturalModel model, Element e) {
    for (Kind k : Kind.values()) {
      if (model.isKind(e.entity(), k.entity)) {
        Double net = quantity(model, e, k.net);
        Double gross = net == null && !k.gross.isEmpty() ? quantity(model, e, k.gross) : null;
        if (net == null && gross == null) {
          return new Row(e.storey(), k, 1, 0, 0, 0);
        }
        double measured = side(net != null ? model.netBody(e) : model.body(e), k);
        return new Row(e.storey(), k, 1, 1, net != null ? net : gross, measured);
      }
    }
    return null;
  }

  private static Double quantity(ArchitecturalModel model, Element e, String name) {
    for (PropertySet s : model.properties(e)) {
      if (s.quantities()
          && s.property(name).map(Property::value).orElse(null) instanceof PropertyValue.Number n) {
        return n.value();
      }
    }
    return null;
  }

  /**
   * The area of one side: all faces that look the way the largest one does, which of walls is an
   * upright one.
   */
  private static double side(Body body, Kind kind) {
    Polygon largest = null;
    for (Polygon f : body.faces()) {
      boolean upright = kind != Kind.WALL || Math.abs(f.normal().z()) < UPRIGHT;
      if (upright && (largest == null || f.area() > largest.area())) {
        largest = f;
      }
    }
    if (largest == null) {
      return 0;
    }
    double sum = 0;
    for (Polygon f : body.faces()) {
      if (f.normal().dot(largest.normal()) > SAME_WAY) {
        sum += f.area();
      }
    }
    return sum;
  }
}
