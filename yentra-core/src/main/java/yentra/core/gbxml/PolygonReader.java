package yentra.core.gbxml;

import java.util.ArrayList;
import java.util.List;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.UnreadableException;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;
import yentra.core.units.LengthUnit;

/** Reads PlanarGeometry, PolyLoop and CartesianPoint. */
final class PolygonReader {
  private final Cursor cursor;
  private final Values values;

  PolygonReader(Cursor cursor, Values values) {
    this.cursor = cursor;
    this.values = values;
  }

  /**
   * The polygon of the PlanarGeometry just entered: its first loop, further loops as holes; null
   * when it has none.
   */
  Polygon planarGeometry(LengthUnit inherited) throws UnreadableException {
    LengthUnit unit = unit(inherited);
    List<List<Vec3>> rings = new ArrayList<>(1);
    Kept dropped = new Kept();
    for (String c = cursor.child(dropped); c != null; c = cursor.child(dropped)) {
      if (c.equals("PolyLoop")) {
        rings.add(loop(unit));
      } else {
        cursor.fragment();
      }
    }
    return rings.isEmpty() ? null : new Polygon(rings.get(0), rings.subList(1, rings.size()));
  }

  LengthUnit unit(LengthUnit inherited) {
    String stated = cursor.attribute("unit");
    if (stated == null) {
      return inherited;
    }
    return LengthUnit.fromGbxml(stated)
        .orElseGet(
            () -> {
              values.note(
                  ReadNote.Kind.BAD_VALUE,
                  cursor.owner(),
                  "unit",
                  stated,
                  "The unit \""
                      + Values.clip(stated)
                      + "\" is not one of the standard's; "
                      + inherited.gbxml()
                      + " taken.",
                  cursor.line(),
                  cursor.column());
              return inherited;
            });
  }

  /**
   * The vertices of the PolyLoop just entered, in metres; a repeated first vertex at the end is
   * dropped.
   */
  List<Vec3> loop(LengthUnit unit) throws UnreadableException {
    List<Vec3> points = new ArrayList<>(4);
    Kept dropped = new Kept();
    for (String c = cursor.child(dropped); c != null; c = cursor.child(dropped)) {
      if (c.equals("CartesianPoint")) {
        Vec3 p = point(unit);
        if (p != null) {
          points.add(p);
        }
      } else {
        cursor.fragment();
      }
    }
    int last = points.size() - 1;
    if (last > 2 && points.get(0).equals(points.get(last))) {
      points.remove(last);
    }
    return points;
  }

  private Vec3 point(LengthUnit unit) throws UnreadableException {
    double[] xyz = new double[3];
    int n = 0;
    boolean good = true;
    Kept dropped = new Kept();
    int line = cursor.line();
    int column = cursor.column();
    for (String c = cursor.child(dropped); c != null; c = cursor.child(dropped)) {
      if (!c.equals("Coordinate")) {
        cursor.fragment();
        continue;
      }
      Leaf leaf = cursor.leaf(dropped);
      Double d = Values.parse(leaf.text()).orElse(null);
      if (d == null) {
        good = false;
        values.note(
            ReadNote.Kind.BAD_VALUE,
            cursor.owner(),
            "Coordinate",
            leaf.text(),
            "A coordinate is \""
                + Values.clip(leaf.text())
                + "\", which is no number; the vertex is left out.",
            leaf.line(),
            leaf.column());
      } else if (n < 3) {
        xyz[n] = d * unit.metres();
      }
      n++;
    }
    if (good && n != 3) {
      values.note(
          ReadNote.Kind.MISSING_REQUIRED,
          cursor.owner(),
          "Coordinate",
          String.valueOf(n),
          "A point has " + n + " coordinates instead of three; the vertex is left out.",
          line,
          column);
    }
    Vec3 p = new Vec3(xyz[0], xyz[1], xyz[2]);
    if (good && n == 3 && !p.withinReach()) {
      values.note(
          ReadNote.Kind.BAD_VALUE,
          cursor.owner(),
          "Coordinate",
          p.toString(),
          "A point lies farther from the origin than any building; the vertex is left out.",
          line,
          column);
      return null;
    }
    return good && n == 3 ? p : null;
  }
}
