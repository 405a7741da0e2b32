package yentra.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yentra.core.boundary.Barrier;
import yentra.core.boundary.BoundaryDerivation;
import yentra.core.boundary.BoundaryMatching;
import yentra.core.boundary.Cut;
import yentra.core.boundary.DeliveredBoundary;
import yentra.core.boundary.DerivationOptions;
import yentra.core.boundary.Ground;
import yentra.core.boundary.Room;
import yentra.core.envelope.SourceRef;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * Times the derivation of boundaries of an office block: storeys whose plans are shifted against
 * each other, a wall between every two rooms, a window in every room on the long sides, a door to
 * every neighbour.
 */
final class DerivationBench {
  private static final double W = 4;
  private static final double D = 5;
  private static final double H = 2.8;
  private static final double SLAB = 0.3;
  private static final double WALL = 0.12;
  private static final double OUTER = 0.36;
  private static final int ROWS = 4;

  private final List<Room> rooms = new ArrayList<>();
  private final List<Barrier> barriers = new ArrayList<>();
  private final List<Cut> cuts = new ArrayList<>();

  private DerivationBench(int count) {
    int levels = Math.max(1, (int) Math.round(Math.cbrt(count / 10.0)));
    int columns = Math.max(1, count / (ROWS * levels));
    for (int k = 0; k <= levels; k++) {
      double z = k * (H + SLAB);
      double right = columns * (W + WALL) + W + OUTER;
      solid("slab-" + k, -OUTER, -OUTER, z - SLAB, right, ROWS * (D + WALL) + OUTER, z);
      if (k < levels) {
        storey(k, columns, z, right);
      }
    }
  }

  private void storey(int k, int columns, double z, double right) {
    // every other storey is shifted by part of a room, so that floors face several rooms
    double shift = k % 2 == 0 ? 0 : 1.7;
    double top = z + H;
    double deep = ROWS * (D + WALL) - WALL;
    for (int i = 0; i <= columns; i++) {
      double x = shift + i * (W + WALL) - WALL;
      solid(
          "across-" + k + "-" + i,
          i == 0 ? x - OUTER : x,
          0,
          z,
          i == columns ? right : x + WALL,
          deep,
          top);
    }
    for (int j = 0; j <= ROWS; j++) {
      double y = j * (D + WALL) - WALL;
      solid(
          "along-" + k + "-" + j,
          -OUTER,
          j == 0 ? y - OUTER + WALL : y,
          z,
          right,
          j == ROWS ? y + OUTER : y + WALL,
          top);
    }
    for (int j = 0; j < ROWS; j++) {
      for (int i = 0; i < columns; i++) {
        double x = shift + i * (W + WALL);
        double y = j * (D + WALL);
        String name = k + "-" + j + "-" + i;
        rooms.add(new Room("sp-" + name, SourceRef.REPAIR, box(x, y, z, x + W, y + D, top)));
        cut(
            "across-" + k + "-" + i,
            "door-" + name,
            x - WALL - 0.1,
            y + 1,
            z,
            x + 0.1,
            y + 1.9,
            z + 2.1,
            DeliveredBoundary.Role.DOOR);
        if (j == 0) {
          cut(
              "along-" + k + "-0",
              "window-" + name,
              x + 1,
              y - OUTER - 0.1,
              z + 0.9,
              x + 2.5,
              y + 0.1,
              z + 2.2,
              DeliveredBoundary.Role.WINDOW);
        }
      }
    }
  }

  private void solid(String key, double x0, double y0, double z0, double x1, double y1, double z1) {
    barriers.add(
        new Barrier(
            key,
            new SourceRef("IfcWall", key, key, 0, 0),
            Barrier.Rank.SEPARATING,
            box(x0, y0, z0, x1, y1, z1)));
  }

  private void cut(
      String host,
      String key,
      double x0,
      double y0,
      double z0,
      double x1,
      double y1,
      double z1,
      DeliveredBoundary.Role role) {
    cuts.add(
        new Cut(
            host,
            key,
            new SourceRef("IfcOpeningElement", key, "", 0, 0),
            role,
            box(x0, y0, z0, x1, y1, z1)));
  }

  private static List<Polygon> box(
      double x0, double y0, double z0, double x1, double y1, double z1) {
    Vec3[] p = new Vec3[8];
    for (int i = 0; i < 8; i++) {
      p[i] = new Vec3((i & 1) == 0 ? x0 : x1, (i & 2) == 0 ? y0 : y1, (i & 4) == 0 ? z0 : z1);
    }
    return List.of(
        Polygon.of(p[0], p[2], p[3], p[1]),
        Polygon.of(p[4], p[5], p[7], p[6]),
        Polygon.of(p[0], p[1], p[5], p[4]),
        Polygon.of(p[2], p[6], p[7], p[3]),
        Polygon.of(p[0], p[4], p[6], p[2]),
        Polygon.of(p[1], p[3], p[7], p[5]));
  }

  /** Prints the table. */
  static void run() {
    System.out.println(
        "\n## Derivation of boundaries\n\n| spaces | elements | surfaces | openings | s | heap MB |\n|---|---|---|---|---|---|");
    double[] seconds = new double[2];
    int[] sizes = {500, 5000};
    for (int i = 0; i < sizes.length; i++) {
      DerivationBench b = new DerivationBench(sizes[i]);
      double best = Double.POSITIVE_INFINITY;
      BoundaryDerivation.Derived r = null;
      for (int round = 0; round < 3; round++) {
        r = null;
        System.gc();
        long start = System.nanoTime();
        r =
            new BoundaryDerivation(
                    b.rooms,
                    b.barriers,
                    b.cuts,
                    Ground.level(-0.1),
                    DerivationOptions.STANDARD,
                    Tolerance.standard())
                .derive(BoundaryMatching.Constructions.NONE);
        best = Math.min(best, (System.nanoTime() - start) / 1e9);
      }
      if (!r.unpaired().isEmpty()) {
        throw new IllegalStateException(r.unpaired().get(0));
      }
      seconds[i] = best;
      System.gc();
      Runtime run = Runtime.getRuntime();
      System.out.printf(
          Locale.ROOT,
          "| %,d | %,d | %,d | %,d | %.1f | %d |%n",
          b.rooms.size(),
          b.barriers.size(),
          r.surfaces().size(),
          r.surfaces().stream().mapToInt(s -> s.openings().size()).sum(),
          best,
          (run.totalMemory() - run.freeMemory()) >> 20);
    }
    System.out.printf(
        Locale.ROOT, "%nTen times the spaces take %.1f times the time.%n", seconds[1] / seconds[0]);
  }

  /** For a profile: derives 5,000 spaces once. */
  public static void main(String[] args) {
    run();
  }
}
