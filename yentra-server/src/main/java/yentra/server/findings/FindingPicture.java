package yentra.server.findings;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import yentra.core.bcf.BcfTopic;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Side;
import yentra.core.envelope.Surface;
import yentra.core.finding.Finding;
import yentra.core.geometry.Box;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;
import yentra.server.web.Png;

/**
 * A small picture of a finding for programs that do not show the model: the surfaces of its spaces,
 * farthest first, and its evidence on top. The camera is that of the topic.
 */
public final class FindingPicture {
  private static final int WIDTH = 900;
  private static final int HEIGHT = 600;
  private static final Color PAPER = new Color(0xf6f5f1);
  private static final Color LINE = new Color(0x8a8f8c);
  private static final Color FILL = new Color(0xd8, 0xdd, 0xda, 150);
  private static final Color EVIDENCE = new Color(0xb8, 0x3a, 0x2c, 210);

  private final BcfTopic.Camera camera;
  private final Vec3 right;
  private final double scale = HEIGHT / (2 * Math.tan(Math.toRadians(30)));

  private FindingPicture(BcfTopic.Camera camera) {
    this.camera = camera;
    this.right = camera.direction().cross(camera.up());
  }

  /** Where a finding is: its evidence and objects, metres in the envelope's coordinates. */
  static Box place(Envelope e, Finding f) {
    Box box = Box.EMPTY;
    for (Polygon p : f.evidence().areas()) {
      box = box.union(p.box());
    }
    for (List<Vec3> line : f.evidence().lines()) {
      box = box.union(Box.of(line));
    }
    if (!f.evidence().points().isEmpty()) {
      box = box.union(Box.of(f.evidence().points()));
    }
    for (String key : f.objects()) {
      box =
          e.surface(key)
              .or(() -> e.parentOf(key))
              .map(s -> s.polygon().box())
              .map(box::union)
              .orElse(box);
    }
    for (Surface s : around(e, f)) {
      box = box.isEmpty() ? s.polygon().box() : box;
    }
    return box;
  }

  private static List<Surface> around(Envelope e, Finding f) {
    Set<String> spaces = new HashSet<>();
    for (String key : f.objects()) {
      if (e.space(key).isPresent()) {
        spaces.add(key);
      }
      e.surface(key)
          .or(() -> e.parentOf(key))
          .ifPresent(s -> s.sides().stream().map(Side::space).forEach(spaces::add));
    }
    return e.surfaces().stream()
        .filter(s -> s.sides().stream().anyMatch(x -> spaces.contains(x.space())))
        .filter(s -> s.polygon().outer().size() >= 3)
        .toList();
  }

  /**
   * @param camera in the envelope's coordinates
   * @return PNG
   */
  static byte[] png(Envelope e, Finding f, BcfTopic.Camera camera) {
    FindingPicture p = new FindingPicture(camera);
    BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = image.createGraphics();
    try {
      g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
      g.setColor(PAPER);
      g.fillRect(0, 0, WIDTH, HEIGHT);
      List<Surface> surfaces = new ArrayList<>(around(e, f));
      surfaces.sort(
          Comparator.comparingDouble((Surface s) -> -s.polygon().mean().distance(camera.eye()))
              .thenComparing(Surface::key));
      g.setStroke(new BasicStroke(1.2f));
      for (Surface s : surfaces) {
        Path2D path = p.path(s.polygon().outer(), true);
        g.setColor(FILL);
        g.fill(path);
        g.setColor(LINE);
        g.draw(path);
      }
      g.setColor(EVIDENCE);
      g.setStroke(new BasicStroke(3));
      for (Polygon a : f.evidence().areas()) {
        Path2D path = p.path(a.outer(), true);
        g.setColor(new Color(EVIDENCE.getRed(), EVIDENCE.getGreen(), EVIDENCE.getBlue(), 70));
        g.fill(path);
        g.setColor(EVIDENCE);
        g.draw(path);
      }
      f.evidence().lines().forEach(l -> g.draw(p.path(l, false)));
      for (Vec3 v : f.evidence().points()) {
        double[] at = p.at(v);
        g.fillOval((int) at[0] - 5, (int) at[1] - 5, 10, 10);
      }
    } finally {
      g.dispose();
    }
    return Png.of(image);
  }

  private Path2D path(List<Vec3> points, boolean closed) {
    Path2D path = new Path2D.Double();
    for (int i = 0; i < points.size(); i++) {
      double[] at = at(points.get(i));
      if (i == 0) {
        path.moveTo(at[0], at[1]);
      } else {
        path.lineTo(at[0], at[1]);
      }
    }
    if (closed && !points.isEmpty()) {
      path.closePath();
    }
    return path;
  }

  /** What lies behind the camera is drawn as far off as can be. */
  private double[] at(Vec3 v) {
    Vec3 d = v.minus(camera.eye());
    double depth = Math.max(0.1, d.dot(camera.direction()));
    return new double[] {
      WIDTH / 2.0 + scale * d.dot(right) / depth, HEIGHT / 2.0 - scale * d.dot(camera.up()) / depth
    };
  }
}
