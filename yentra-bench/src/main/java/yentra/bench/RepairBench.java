package yentra.bench;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import yentra.core.boundary.Watch;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.mend.Planner;
import yentra.core.check.mend.RepairPlan;
import yentra.core.check.run.CheckRun;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.finding.Limits;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;

/** Times the repair plan of blocks of which one surface in twenty is spoilt. */
final class RepairBench {
  private static final double SPOILT = 0.05;

  private RepairBench() {}

  static void run() {
    System.out.println("\n## Repair plans\n");
    System.out.println(
        "One surface in twenty is spoilt: turned, typed for a wall between spaces or for another tilt, missing, doubled, with a corner twice or a window off its plane.\n");
    System.out.println(
        "| spaces | surfaces | findings | steps | findings left | check, ms | plan, ms | plan by check |");
    System.out.println("|---|---|---|---|---|---|---|---|");
    Map<Integer, Double> times = new HashMap<>();
    for (int rooms : new int[] {96, 1000, 10_000}) {
      Envelope e = spoilt(OfficeModel.of(rooms));
      double best = Double.POSITIVE_INFINITY;
      double check = Double.POSITIVE_INFINITY;
      RepairPlan plan = null;
      CheckRun start = null;
      for (int i = 0; i < (rooms > 5000 ? 2 : 4); i++) {
        long t = System.nanoTime();
        start = CheckRun.of(new CheckContext(e, Limits.STANDARD, Tolerance.standard()));
        check = Math.min(check, (System.nanoTime() - t) / 1e6);
        t = System.nanoTime();
        plan = Planner.safe(start, Watch.NONE);
        best = Math.min(best, (System.nanoTime() - t) / 1e6);
      }
      times.put(rooms, best);
      System.out.printf(
          Locale.ROOT,
          "| %,d | %,d | %,d | %,d | %,d | %.0f | %.0f | %.1f |%n",
          e.spaces().size(),
          e.surfaces().size(),
          start.findings().size(),
          plan.steps().size(),
          plan.after().findings().size(),
          check,
          best,
          best / check);
    }
    System.out.printf(
        Locale.ROOT,
        "%nTen times as many findings take %.1f times as long.%n",
        times.get(10_000) / times.get(1000));
  }

  private static Envelope spoilt(Envelope sound) {
    Random random = new Random(20);
    List<Surface> out = new ArrayList<>();
    int n = 0;
    for (Surface s : sound.surfaces()) {
      if (random.nextDouble() < SPOILT && !s.sides().isEmpty()) {
        spoil(s, n++, out);
      } else {
        out.add(s);
      }
    }
    return sound.withSurfaces(out);
  }

  private static void spoil(Surface s, int n, List<Surface> out) {
    boolean outer = s.sides().size() == 1;
    if (!outer) {
      out.add(
          s.withType(
              s.polygon().tilt() > 45 && s.polygon().tilt() < 135
                  ? SurfaceType.EXTERIOR_WALL
                  : SurfaceType.ROOF));
      return;
    }
    switch (n % 5) {
      case 0 -> out.add(s.withPolygon(s.polygon().reversed(), s.sides()));
      case 1 -> {
        if (!s.openings().isEmpty()) {
          out.add(s.withOpenings(s.openings().stream().map(o -> moved(s, o)).toList()));
        }
      }
      case 2 -> {
        out.add(s);
        out.add(s.withKey("again-" + s.key()).withOpenings(List.of()));
      }
      case 3 -> {
        List<Vec3> ring = new ArrayList<>(s.polygon().outer());
        ring.add(1, ring.get(0));
        out.add(s.withPolygon(Polygon.of(ring), s.sides()));
      }
      default -> out.add(s.withType(SurfaceType.INTERIOR_WALL));
    }
  }

  private static Opening moved(Surface s, Opening o) {
    return o.withPolygon(
        o.polygon().transformed(Transform.translation(s.polygon().normal().times(0.04))));
  }

  /** Only this part of the bench. */
  public static void main(String[] args) {
    run();
  }
}
