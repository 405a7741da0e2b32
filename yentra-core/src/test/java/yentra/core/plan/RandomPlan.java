package yentra.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/**
 * Plan documents by chance: outlines on a grid of metres, turned and moved, with lines, bands,
 * storeys that differ, halls, roofs, windows and shading.
 */
public final class RandomPlan {
  private final Random random;
  private final double turn;
  private final double dx;
  private final double dy;
  private final StringBuilder json = new StringBuilder();

  /** Of the lowest storey, m², and of all, m³, without roofs. */
  double plan;

  double volume;
  boolean pitched;

  public RandomPlan(long seed) {
    this.random = new Random(seed);
    this.turn = random.nextInt(3) == 0 ? 0 : random.nextDouble() * 2 * Math.PI;
    this.dx = random.nextInt(200) - 100 + random.nextDouble();
    this.dy = random.nextInt(200) - 100 + random.nextDouble();
    document();
  }

  public String json() {
    return json.toString();
  }

  /** A plan on the grid: which cells of 3 by 3 m are floor. */
  private record Grid(boolean[][] in) {
    int width() {
      return in.length;
    }

    int height() {
      return in[0].length;
    }

    boolean at(int x, int y) {
      return x >= 0 && y >= 0 && x < in.length && y < in[0].length && in[x][y];
    }

    int count() {
      int n = 0;
      for (boolean[] column : in) {
        for (boolean b : column) {
          n += b ? 1 : 0;
        }
      }
      return n;
    }
  }

  private static final int CELL = 3;

  private void document() {
    Grid ground = rectangle(2 + random.nextInt(4), 2 + random.nextInt(3));
    int notches = random.nextInt(3);
    for (int i = 0; i < notches; i++) {
      notch(ground);
    }
    int storeys = 1 + random.nextInt(4);
    boolean smaller = storeys > 1 && random.nextBoolean();
    json.append("{\"yentraPlan\": 1, \"ground_m\": ")
        .append(random.nextInt(3) == 0 ? "1.3" : "0")
        .append(", \"place\": {\"latitude\": 54, \"longitude\": -3, \"north_deg\": ")
        .append(random.nextInt(360))
        .append("}, \"storeys\": [");
    double[] heights = new double[storeys];
    double level = 0;
    for (int i = 0; i < storeys; i++) {
      heights[i] = 2.6 + random.nextInt(20) / 10.0;
      json.append(i == 0 ? "" : ", ")
          .append(
              String.format(
                  Locale.ROOT,
                  "{\"name\": \"S%d\", \"level_m\": %.3f, \"height_m\": %.3f}",
                  i,
                  level,
                  heights[i]));
      level += heights[i];
    }
    json.append("], \"floors\": [");
    plan = ground.count() * CELL * CELL;
    Grid top = ground;
    int own = smaller ? 1 + random.nextInt(storeys - 1) : storeys;
    floor(ground, 0, own);
    for (int i = 0; i < own; i++) {
      volume += plan * heights[i];
    }
    if (own < storeys) {
      top = random.nextBoolean() ? shrunk(ground) : rectangle(ground.width(), ground.height());
      json.append(", ");
      floor(top, own, storeys);
      for (int i = own; i < storeys; i++) {
        volume += top.count() * CELL * CELL * heights[i];
      }
    }
    json.append("]");
    roofs(own < storeys && random.nextBoolean() ? own - 1 : -1, storeys - 1);
    rules(storeys);
    json.append("}");
  }

  private static Grid rectangle(int w, int h) {
    boolean[][] in = new boolean[w][h];
    for (boolean[] column : in) {
      java.util.Arrays.fill(column, true);
    }
    return new Grid(in);
  }

  /** Takes a corner away, so that the outline stays one. */
  private void notch(Grid g) {
    int w = 1 + random.nextInt(Math.max(1, g.width() - 1));
    int h = 1 + random.nextInt(Math.max(1, g.height() - 1));
    if (w >= g.width() || h >= g.height()) {
      return;
    }
    boolean right = random.nextBoolean();
    boolean up = random.nextBoolean();
    boolean[][] was = new boolean[g.width()][];
    for (int x = 0; x < g.width(); x++) {
      was[x] = g.in[x].clone();
    }
    for (int x = 0; x < w; x++) {
      for (int y = 0; y < h; y++) {
        g.in[right ? g.width() - 1 - x : x][up ? g.height() - 1 - y : y] = false;
      }
    }
    if (!isOnePiece(g)) {
      for (int x = 0; x < g.width(); x++) {
        System.arraycopy(was[x], 0, g.in[x], 0, was[x].length);
      }
    }
  }

  private static boolean isOnePiece(Grid g) {
    return ring(g).size() >= 4 && area(ring(g)) == g.count();
  }

  private static double area(List<int[]> ring) {
    double sum = 0;
    for (int i = 0; i < ring.size(); i++) {
      int[] p = ring.get(i);
      int[] q = ring.get((i + 1) % ring.size());
      sum += p[0] * q[1] - q[0] * p[1];
    }
    return Math.abs(sum / 2);
  }

  private Grid shrunk(Grid g) {
    boolean[][] in = new boolean[g.width()][];
    for (int x = 0; x < g.width(); x++) {
      in[x] = g.in[x].clone();
    }
    Grid s = new Grid(in);
    notch(s);
    return s;
  }

  /** The outline, from its lowest left corner, counter-clockwise, in cells. */
  private static List<int[]> ring(Grid g) {
    int sx = 0;
    int sy = 0;
    while (!g.at(sx, sy)) {
      sx++;
      if (sx == g.width()) {
        sx = 0;
        sy++;
        if (sy == g.height()) {
          return List.of();
        }
      }
    }
    List<int[]> out = new ArrayList<>();
    int x = sx;
    int y = sy;
    int hx = 1;
    int hy = 0;
    do {
      // ahead on the left and on the right of the way
      boolean left = g.at(x + (hx - hy - 1) / 2, y + (hy + hx - 1) / 2);
      boolean right = g.at(x + (hx + hy - 1) / 2, y + (hy - hx - 1) / 2);
      if (!left) {
        out.add(new int[] {x, y});
        int t = hx;
        hx = -hy;
        hy = t;
      } else if (right) {
        out.add(new int[] {x, y});
        int t = hx;
        hx = hy;
        hy = -t;
      }
      x += hx;
      y += hy;
    } while (x != sx || y != sy || out.size() > 1000);
    if (out.isEmpty() || out.get(0)[0] != sx || out.get(0)[1] != sy) {
      out.add(new int[] {sx, sy});
    }
    return out;
  }

  private String point(double x, double y) {
    double c = Math.cos(turn);
    double s = Math.sin(turn);
    return String.format(Locale.ROOT, "[%.5f,%.5f]", dx + c * x - s * y, dy + s * x + c * y);
  }

  private void floor(Grid g, int from, int to) {
    StringBuilder corners = new StringBuilder();
    for (int[] p : ring(g)) {
      corners.append(corners.isEmpty() ? "" : ", ").append(point(p[0] * CELL, p[1] * CELL));
    }
    json.append("{\"storey\": \"S" + from + "\", \"outlines\": [{\"corners\": [")
        .append(corners)
        .append("]}]");
    List<String> lines = new ArrayList<>();
    boolean bands = random.nextInt(3) == 0;
    int n = random.nextInt(bands ? 2 : 5);
    for (int i = 0; i < n; i++) {
      // between the cells, with ends that overhang or fall short a little
      double off = (random.nextDouble() - 0.5) * 0.03;
      double end = (random.nextDouble() - 0.5) * 0.03;
      if (random.nextBoolean()) {
        double x = (1 + random.nextInt(Math.max(1, g.width() - 1))) * CELL - 1.5;
        lines.add("[" + point(x, off) + ", " + point(x, g.height() * CELL + end) + "]");
      } else {
        double y = (1 + random.nextInt(Math.max(1, g.height() - 1))) * CELL - 1.5;
        lines.add("[" + point(off, y) + ", " + point(g.width() * CELL + end, y) + "]");
      }
    }
    json.append(", \"lines\": " + lines);
    if (bands) {
      json.append(", \"bands\": {\"depth_m\": " + (1 + random.nextInt(3)) + "}");
    }
    json.append(", \"spaces\": [{\"at\": ");
    int[] cell = ring(g).get(0);
    json.append(point(cell[0] * CELL + 0.9, cell[1] * CELL + 0.4));
    boolean rises = to - from > 1 && random.nextBoolean();
    json.append(", \"name\": \"Hall " + from + "\"");
    if (rises) {
      json.append(", \"rises\": [\"S" + (from + 1) + "\"]");
    }
    json.append("}], \"copies\": [");
    for (int i = from + 1; i < to; i++) {
      json.append(i == from + 1 ? "" : ", ").append("\"S" + i + "\"");
    }
    json.append("]}");
  }

  private void roofs(int lower, int upper) {
    List<String> roofs = new ArrayList<>();
    for (int s : new int[] {lower, upper}) {
      if (s >= 0 && random.nextBoolean()) {
        String[] kinds = {"shed", "gable", "hip"};
        String kind = kinds[random.nextInt(3)];
        double ridge = -Math.toDegrees(turn) + 90 * random.nextInt(2);
        roofs.add(
            String.format(
                Locale.ROOT,
                "{\"storey\": \"S%d\", \"kind\": \"%s\", \"pitch_deg\": %d, \"ridge_deg\": %.4f, \"space\": \"%s\"}",
                s,
                kind,
                20 + random.nextInt(30),
                ridge % 360,
                random.nextBoolean() ? "own" : "joined"));
      }
    }
    pitched = !roofs.isEmpty();
    json.append(", \"roofs\": " + roofs);
  }

  private void rules(int storeys) {
    String[] forms = {"band", "single", "each"};
    json.append(
        String.format(
            Locale.ROOT,
            ", \"glazing\": [{\"ratio\": %.2f, \"form\": \"%s\", \"bay_m\": %.1f}, {\"where\": {\"facing_deg\": [100, 260]}, \"ratio\": %.2f, \"sill_m\": 0.8, \"head_m\": 2.3}, {\"where\": {\"roofs\": true}, \"ratio\": %.2f}]",
            0.1 + 0.4 * random.nextDouble(),
            forms[random.nextInt(3)],
            1.5 + random.nextInt(3),
            0.2 + 0.3 * random.nextDouble(),
            random.nextInt(3) == 0 ? 0.05 : 0));
    if (random.nextBoolean()) {
      json.append(
          ", \"shading\": [{\"where\": {\"storeys\": [\"S"
              + (storeys - 1)
              + "\"]}, \"overhang_m\": 0.6}]");
    }
  }
}
