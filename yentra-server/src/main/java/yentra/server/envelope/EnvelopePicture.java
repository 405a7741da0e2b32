package yentra.server.envelope;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.util.Comparator;
import java.util.List;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Box;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;
import yentra.server.web.Png;

/**
 * A small picture of an envelope from the south-west and above, for lists: what is seen from
 * outside, farthest first, without perspective.
 */
final class EnvelopePicture {
  private static final int WIDTH = 288;
  private static final int HEIGHT = 180;
  private static final int MARGIN = 12;
  private static final Color LINE = new Color(0x4a, 0x52, 0x50, 170);
  private static final Vec3 TOWARDS = new Vec3(0.5, 0.75, -0.62).unit();
  private static final Vec3 RIGHT = TOWARDS.cross(Vec3.Z).unit();
  private static final Vec3 UP = RIGHT.cross(TOWARDS);

  private final double scale;
  private final double x0;
  private final double y0;

  private EnvelopePicture(List<Surface> surfaces) {
    Box seen = Box.EMPTY;
    for (Surface s : surfaces) {
      seen = seen.union(Box.of(s.polygon().outer().stream().map(EnvelopePicture::flat).toList()));
    }
    Vec3 size = seen.max().minus(seen.min());
    scale =
        Math.min(
            (WIDTH - 2 * MARGIN) / Math.max(size.x(), 1e-3),
            (HEIGHT - 2 * MARGIN) / Math.max(size.y(), 1e-3));
    Vec3 middle = seen.centre();
    x0 = WIDTH / 2.0 - scale * middle.x();
    y0 = HEIGHT / 2.0 + scale * middle.y();
  }

  /** To the right, upwards, and away from whoever looks. */
  private static Vec3 flat(Vec3 p) {
    return new Vec3(p.dot(RIGHT), p.dot(UP), p.dot(TOWARDS));
  }

  /**
   * @return PNG on nothing, or null where there is nothing to be seen
   */
  static byte[] png(Envelope e) {
    List<Surface> seen =
        e.surfaces().stream()
            .filter(s -> s.sides().size() == 1 && s.exposure() != Exposure.SHADE)
            .filter(s -> s.polygon().outer().size() >= 3)
            .sorted(
                Comparator.comparingDouble((Surface s) -> -flat(s.polygon().mean()).z())
                    .thenComparing(Surface::key))
            .toList();
    if (seen.isEmpty()) {
      return null;
    }
    EnvelopePicture p = new EnvelopePicture(seen);
    BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_ARGB);
    Graphics2D g = image.createGraphics();
    try {
      g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
      g.setStroke(new BasicStroke(0.6f));
      for (Surface s : seen) {
        p.draw(g, s.polygon(), fill(s));
        for (Opening o : s.openings()) {
          p.draw(g, o.polygon(), o.type().isGlazed() ? GLASS : DOOR);
        }
      }
    } finally {
      g.dispose();
    }
    return Png.of(image);
  }

  private static final Color GLASS = new Color(0x9c, 0xbd, 0xc4);
  private static final Color DOOR = new Color(0x9a, 0x86, 0x6c);

  /** Tops lighter than sides, sides by where they look. */
  private static Color fill(Surface s) {
    Vec3 n = s.polygon().normal();
    double light = 0.78 + 0.2 * Math.max(n.z(), -n.z() * 0.2) - 0.1 * n.dot(RIGHT);
    float shade = (float) Math.max(0.5, Math.min(1, light));
    return new Color(0.86f * shade, 0.8f * shade, 0.7f * shade);
  }

  private void draw(Graphics2D g, Polygon polygon, Color fill) {
    Path2D path = new Path2D.Double(Path2D.WIND_EVEN_ODD);
    for (List<Vec3> ring : polygon.rings()) {
      for (int i = 0; i < ring.size(); i++) {
        Vec3 v = flat(ring.get(i));
        if (i == 0) {
          path.moveTo(x0 + scale * v.x(), y0 - scale * v.y());
        } else {
          path.lineTo(x0 + scale * v.x(), y0 - scale * v.y());
        }
      }
      path.closePath();
    }
    g.setColor(fill);
    g.fill(path);
    g.setColor(LINE);
    g.draw(path);
  }
}
