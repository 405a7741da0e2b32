package yentra.demo;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import javax.imageio.ImageIO;

/** The boathouse annexe of Marram Point: there is no model of it yet, only a plan on paper. */
public final class BoathouseAnnexe {
  public static final String NAME = "Marram Point boathouse annexe";
  public static final String PLAN_NAME = "boathouse-annexe.json";
  public static final String PICTURE_NAME = "boathouse-annexe-plan.png";

  private static final int WIDTH = 1600;
  private static final int HEIGHT = 1100;

  /** Pixels a metre, and the pixel of the drawing's origin. */
  private static final double SCALE = 80;

  private static final double LEFT = 240;
  private static final double BOTTOM = 920;

  /** Outer walls and walls between rooms are this thick on the plan, m. */
  private static final double OUTER = 0.3;

  private static final double INNER = 0.12;

  private static final double[][] OUTLINE = {{0, 0}, {14, 0}, {14, 6}, {10, 6}, {10, 9}, {0, 9}};
  private static final double[][][] WALLS = {
    {{6, 0}, {6, 9}}, {{6, 4.5}, {14, 4.5}}, {{10, 0}, {10, 4.5}}
  };

  private BoathouseAnnexe() {}

  /** The plan as it was traced from the picture. */
  public static byte[] plan() {
    return """
        {
          "yentraPlan": 1,
          "name": "Boathouse annexe",
          "place": {"latitude": 54.1, "longitude": -3.3, "elevation_m": 6, "north_deg": 20},
          "ground_m": 0,
          "storeys": [
            {"id": "ground", "name": "Ground", "level_m": 0, "height_m": 3.2},
            {"id": "loft", "name": "Loft", "level_m": 3.2, "height_m": 2.6}
          ],
          "floors": [
            {"id": "ground-floor", "storey": "Ground",
             "outlines": [{"id": "edge", "corners": [[0,0],[14,0],[14,6],[10,6],[10,9],[0,9]]}],
             "lines": [{"id": "bay", "points": [[6,0],[6,9]]}, {"id": "corridor", "points": [[6,4.5],[14,4.5]]}, {"id": "stores", "points": [[10,0],[10,4.5]]}],
             "spaces": [
               {"id": "boat-bay", "at": [3,4], "name": "Boat bay", "use": "InactiveStorage"},
               {"id": "kit", "at": [8,2], "name": "Kit room", "use": "DressingOrLockerOrFittingRoomGymnasium"},
               {"id": "drying", "at": [12,2], "name": "Drying room", "use": "ElectricalOrMechanical"},
               {"id": "watch", "at": [8,7], "name": "Watch room", "use": "OfficeEnclosed"}]},
            {"id": "loft-floor", "storey": "Loft",
             "outlines": [{"id": "loft-edge", "corners": [[0,0],[14,0],[14,6],[10,6],[10,9],[0,9]]}],
             "lines": [{"id": "loft-bay", "points": [[6,0],[6,9]]}],
             "spaces": [
               {"id": "sail-loft", "at": [3,4], "name": "Sail loft", "use": "WorkshopWorkshop"},
               {"id": "training", "at": [9,3], "name": "Training room", "use": "ClassroomOrLectureOrTraining"}]}
          ],
          "roofs": [{"id": "roof", "storey": "Loft", "kind": "hip", "pitch_deg": 35, "space": "own"}],
          "glazing": [
            {"id": "windows-south", "where": {"facing_deg": [135, 225]}, "ratio": 0.3, "sill_m": 0.9, "head_m": 2.1, "form": "each", "bay_m": 2},
            {"id": "windows-east", "where": {"facing_deg": [45, 135]}, "ratio": 0.2, "sill_m": 0.9, "head_m": 2.1, "form": "single"},
            {"id": "windows-north", "where": {"facing_deg": [315, 45]}, "ratio": 0.1, "sill_m": 0.9, "head_m": 2.1, "form": "single"},
            {"id": "slip-door", "by": "hand", "storey": "Ground", "at": [0, 4.5], "type": "door", "width_m": 4, "sill_m": 0, "head_m": 3}
          ],
          "shading": [
            {"id": "overhangs", "where": {"storeys": ["Loft"], "facing_deg": [135, 225]}, "overhang_m": 0.6},
            {"id": "winch-house", "block": {"name": "Winch house", "corners": [[18,1],[22,1],[22,5],[18,5]], "level_m": 0, "height_m": 3.5}}
          ],
          "underlay": [
            {"id": "sheet", "storey": "Ground", "file": "boathouse-annexe-plan.png", "scale_m_per_px": 0.0125, "origin_px": [240, 920], "fade": 0.5}
          ]
        }
        """
        .getBytes(StandardCharsets.UTF_8);
  }

  /** The paper plan, PNG: walls, a slipway, and a line that is 14 m long. */
  public static byte[] picture() {
    BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = image.createGraphics();
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    g.setColor(new Color(0xfdfcf7));
    g.fillRect(0, 0, WIDTH, HEIGHT);
    g.setColor(new Color(0x9aa5a8));
    g.setStroke(new BasicStroke(2));
    for (int i = 0; i < 9; i++) {
      g.draw(path(new double[][] {{-2.6, 1.2 + 0.8 * i}, {-0.4, 1.2 + 0.8 * i}}, false));
    }
    g.draw(path(new double[][] {{0, -1.1}, {14, -1.1}}, false));
    g.draw(path(new double[][] {{0, -1.3}, {0, -0.9}}, false));
    g.draw(path(new double[][] {{14, -1.3}, {14, -0.9}}, false));
    g.setColor(new Color(0x22282a));
    g.setStroke(
        new BasicStroke((float) (INNER * SCALE), BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER));
    for (double[][] w : WALLS) {
      g.draw(path(w, false));
    }
    g.setStroke(
        new BasicStroke((float) (OUTER * SCALE), BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER));
    g.draw(path(OUTLINE, true));
    g.dispose();
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try {
      ImageIO.write(image, "png", out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }

  private static Path2D path(double[][] points, boolean closed) {
    Path2D p = new Path2D.Double();
    for (int i = 0; i < points.length; i++) {
      double x = LEFT + points[i][0] * SCALE;
      double y = BOTTOM - points[i][1] * SCALE;
      if (i == 0) {
        p.moveTo(x, y);
      } else {
        p.lineTo(x, y);
      }
    }
    if (closed) {
      p.closePath();
    }
    return p;
  }
}
