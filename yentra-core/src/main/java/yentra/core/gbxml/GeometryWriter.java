package yentra.core.gbxml;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import yentra.core.envelope.Site;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Seam;
import yentra.core.geometry.Vec3;

/**
 * Polygons as they stand in the document: loops in the delivery's own coordinates, and rectangles
 * of their area.
 */
final class GeometryWriter {
  private final GbxmlOutput x;
  private final Site site;

  GeometryWriter(GbxmlOutput x, Site site) {
    this.x = x;
    this.site = site;
  }

  /** A face is a PolyLoop, or a PlanarGeometry where the delivery says something of it. */
  void shellFace(Polygon face, String name) {
    if (x.kept(name).isEmpty()) {
      loop(Seam.close(face));
    } else {
      planar(face, name);
    }
  }

  /** An opening's corner is measured from that of its parent. */
  void rectangular(Polygon p, Polygon parent) {
    Rectangle r = Rectangle.of(p);
    if (r == null) {
      return;
    }
    x.line("<RectangularGeometry" + x.kept("RectangularGeometry") + '>');
    x.deeper(1);
    x.text("Azimuth", derived(site.fromTrueNorth(p.azimuth())));
    Rectangle base = parent == null ? null : Rectangle.of(parent);
    point(rounded(base != null ? base.local(r.corner()) : r.corner().plus(x.frame().origin())));
    x.text("Tilt", derived(p.tilt()));
    x.text("Height", derived(r.height() / x.frame().length().metres()));
    x.text("Width", derived(r.width() / x.frame().length().metres()));
    x.deeper(-1);
    x.line("</RectangularGeometry>");
  }

  /** A figure that follows from the polygon, without the digits that are but rounding. */
  private static String derived(double d) {
    return Decimal.of(new BigDecimal(d).round(DERIVED).doubleValue());
  }

  private static final MathContext DERIVED = new MathContext(10);

  /** To a thousandth of a millimetre. */
  private static Vec3 rounded(Vec3 p) {
    return new Vec3(
        Math.round(p.x() * 1e6) / 1e6,
        Math.round(p.y() * 1e6) / 1e6,
        Math.round(p.z() * 1e6) / 1e6);
  }

  void planar(Polygon p, String name) {
    if (p.outer().isEmpty()) {
      return;
    }
    x.line("<PlanarGeometry" + x.kept(name) + '>');
    x.deeper(1);
    loop(Seam.close(p));
    x.deeper(-1);
    x.line("</PlanarGeometry>");
  }

  void loop(List<Vec3> ring) {
    x.line("<PolyLoop>");
    x.deeper(1);
    // points go out in the delivery's own coordinates
    ring.forEach(p -> point(p.plus(x.frame().origin())));
    x.deeper(-1);
    x.line("</PolyLoop>");
  }

  private void point(Vec3 p) {
    x.indent();
    x.append("<CartesianPoint><Coordinate>")
        .append(x.length(p.x()))
        .append("</Coordinate><Coordinate>")
        .append(x.length(p.y()))
        .append("</Coordinate><Coordinate>")
        .append(x.length(p.z()))
        .append("</Coordinate></CartesianPoint>\n");
  }
}
