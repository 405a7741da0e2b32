package yentra.core.gbxml;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.UnreadableException;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Seam;
import yentra.core.geometry.Vec3;
import yentra.core.units.LengthUnit;

/** Reads PlanarGeometry, RectangularGeometry, PolyLoop and CartesianPoint. */
final class PolygonReader {
  private static final Set<String> UNIT = Set.of("unit");

  private final Cursor cursor;
  private final Values values;

  PolygonReader(Cursor cursor, Values values) {
    this.cursor = cursor;
    this.values = values;
  }

  /**
   * The polygon of the PlanarGeometry just entered: its first loop, further loops as holes, seams
   * opened; null when it has none.
   *
   * @param name under which its attributes are kept
   */
  Polygon planarGeometry(LengthUnit inherited, Kept outer, String name) throws UnreadableException {
    LengthUnit unit = unit(inherited);
    outer.child(name, cursor.attributes(), UNIT);
    List<List<Vec3>> rings = new ArrayList<>(1);
    Kept dropped = new Kept();
    for (String c = cursor.child(dropped); c != null; c = cursor.child(dropped)) {
      if (c.equals("PolyLoop")) {
        rings.add(loop(unit));
      } else {
        lost(c);
        cursor.fragment();
      }
    }
    lost(dropped);
    return rings.isEmpty()
        ? null
        : rings.size() == 1
            ? Seam.open(rings.get(0))
            : new Polygon(rings.get(0), rings.subList(1, rings.size()));
  }

  /** Notes what stands inside a polygon and has no place in one. */
  private void lost(String what) {
    values.lost(
        cursor.owner(),
        "geometry",
        what,
        what + " inside a polygon is not written back.",
        cursor.line(),
        cursor.column());
  }

  private void lost(Kept dropped) {
    if (!dropped.isEmpty()) {
      lost("A comment or text");
    }
  }

  /** Attributes of a part of a polygon. */
  private void lostAttributes(String element) {
    if (cursor.attributeCount() > 0) {
      lost("An attribute of " + element);
    }
  }

  /**
   * What the RectangularGeometry just entered says; null when one of its parts is missing or no
   * number.
   *
   * @param azimuth from true north, degrees
   * @param corner m
   */
  record Stated(double azimuth, double tilt, Vec3 corner, double width, double height) {}

  Stated rectangle(LengthUnit inherited, Kept outer) throws UnreadableException {
    LengthUnit unit = unit(inherited);
    outer.child("RectangularGeometry", cursor.attributes(), UNIT);
    Double azimuth = null, tilt = null, width = null, height = null;
    Vec3 corner = null;
    Kept dropped = new Kept();
    for (String c = cursor.child(dropped); c != null; c = cursor.child(dropped)) {
      switch (c) {
        case "Azimuth" -> azimuth = Values.parse(cursor.leaf(dropped).text()).orElse(null);
        case "Tilt" -> tilt = Values.parse(cursor.leaf(dropped).text()).orElse(null);
        case "Width" -> width = Values.parse(cursor.leaf(dropped).text()).orElse(null);
        case "Height" -> height = Values.parse(cursor.leaf(dropped).text()).orElse(null);
        case "CartesianPoint" -> corner = point(unit);
        default -> cursor.fragment();
      }
    }
    boolean whole =
        azimuth != null && tilt != null && width != null && height != null && corner != null;
    return whole && width > 0 && height > 0
        ? new Stated(azimuth, tilt, corner, width * unit.metres(), height * unit.metres())
        : null;
  }

  LengthUnit unit(LengthUnit inherited) {
    String stated = cursor.attribute("unit");
    if (stated == null) {
      return inherited;
    }
    return GbxmlUnits.length(stated)
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
                      + GbxmlUnits.length(inherited)
                      + " taken.",
                  cursor.line(),
                  cursor.column());
              return inherited;
            });
  }

  /** The vertices of the PolyLoop just entered, in metres. */
  List<Vec3> loop(LengthUnit unit) throws UnreadableException {
    lostAttributes("PolyLoop");
    List<Vec3> points = new ArrayList<>(4);
    Kept dropped = new Kept();
    for (String c = cursor.child(dropped); c != null; c = cursor.child(dropped)) {
      if (c.equals("CartesianPoint")) {
        Vec3 p = point(unit);
        if (p != null) {
          points.add(p);
        }
      } else {
        lost(c);
        cursor.fragment();
      }
    }
    lost(dropped);
    return points;
  }

  private Vec3 point(LengthUnit unit) throws UnreadableException {
    double[] xyz = new double[3];
    int n = 0;
    boolean good = true;
    Kept dropped = new Kept();
    int line = cursor.line();
    int column = cursor.column();
    lostAttributes("CartesianPoint");
    for (String c = cursor.child(dropped); c != null; c = cursor.child(dropped)) {
      if (!c.equals("Coordinate")) {
        lost(c);
        cursor.fragment();
        continue;
      }
      lostAttributes("Coordinate");
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
    lost(dropped);
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
