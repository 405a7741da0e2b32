package yentra.bench;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ForkJoinPool;
import yentra.core.boundary.Watch;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.proposal.ConstructionChoice;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.estimate.Estimate;
import yentra.core.estimate.EstimateResult;
import yentra.core.estimate.hourly.Flow;
import yentra.core.estimate.hourly.HourRows;
import yentra.core.estimate.setting.EstimateSettings;
import yentra.core.finding.Limits;
import yentra.core.geometry.Tolerance;
import yentra.core.junction.Junctions;
import yentra.core.junction.PsiValues;
import yentra.core.library.Library;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.construction.ConstructionSpec;
import yentra.core.repair.construction.GiveConstruction;
import yentra.demo.MarramClimate;

/** Times the hourly year of blocks whose surfaces have layers with mass. */
final class EstimateBench {
  private EstimateBench() {}

  static void run() throws Exception {
    System.out.println("\n## The hourly year\n");
    System.out.println(
        "Blocks of layered constructions, the year with heating and cooling and the year without beside it, with second opinions; ready: network, shadows and thermal bridges.\n");
    System.out.println("| spaces | surfaces | ready, ms | year, ms | largest imbalance |");
    System.out.println("|---|---|---|---|---|");
    double[] times = new double[3];
    int[] spaces = new int[3];
    int[] sizes = {10, 100, 1000};
    for (int k = 0; k < sizes.length; k++) {
      Envelope e = layered(OfficeModel.of(sizes[k]));
      double ready = Double.POSITIVE_INFINITY;
      double best = Double.POSITIVE_INFINITY;
      EstimateResult r = null;
      for (int i = 0; i < (sizes[k] > 500 ? 2 : 5); i++) {
        long t = System.nanoTime();
        Estimate estimate = ready(e);
        ready = Math.min(ready, (System.nanoTime() - t) / 1e6);
        t = System.nanoTime();
        r = estimate.run(HourRows.NONE, Watch.NONE);
        best = Math.min(best, (System.nanoTime() - t) / 1e6);
      }
      times[k] = best;
      spaces[k] = e.spaces().size();
      System.out.printf(
          Locale.ROOT,
          "| %,d | %,d | %.0f | %.0f | %.0e |%n",
          e.spaces().size(),
          e.surfaces().size(),
          ready,
          best,
          r.year().balanceError());
    }
    System.out.printf(
        Locale.ROOT,
        "%nFrom %,d to %,d spaces, %.1f times as many, it takes %.1f times as long.%n",
        spaces[1],
        spaces[2],
        (double) spaces[2] / spaces[1],
        times[2] / times[1]);
    Envelope e = layered(OfficeModel.of(100));
    System.out.printf(
        "%nOn one thread and on eight the results are %s.%n",
        on(1, e).equals(on(8, e)) ? "equal" : "NOT equal");
  }

  private static Estimate ready(Envelope e) throws Exception {
    return Estimate.of(
        new CheckContext(e, Limits.STANDARD, Tolerance.standard()),
        EstimateSettings.STANDARD,
        PsiValues.of(Junctions.dimensions(e)),
        MarramClimate.year());
  }

  private static String on(int threads, Envelope e) throws Exception {
    ForkJoinPool pool = new ForkJoinPool(threads);
    try {
      return pool.submit(
              () -> {
                EstimateResult r = ready(e).run(HourRows.NONE, Watch.NONE);
                return r.year().total(Flow.HEATING)
                    + " "
                    + r.year().total(Flow.COOLING)
                    + " "
                    + r.year().zones().get(7).freeWarmest();
              })
          .get();
    } finally {
      pool.shutdown();
    }
  }

  /** The library's first construction of each type. */
  private static Envelope layered(Envelope e) throws NotApplicableException {
    Library library = Library.shipped();
    Map<String, List<String>> kinds = new LinkedHashMap<>();
    for (SurfaceType type : SurfaceType.values()) {
      List<String> keys =
          e.surfaces().stream().filter(s -> s.type() == type).map(Surface::key).toList();
      if (!keys.isEmpty()) {
        kinds.merge(
            ConstructionChoice.kind(type),
            keys,
            (a, b) -> java.util.stream.Stream.concat(a.stream(), b.stream()).toList());
      }
    }
    Envelope now = e;
    for (Map.Entry<String, List<String>> k : kinds.entrySet()) {
      ConstructionSpec spec =
          ConstructionSpec.of(library, ConstructionChoice.shipped(k.getKey()).orElseThrow());
      now = new GiveConstruction(k.getValue(), spec).apply(now, Rules.standard());
    }
    return now;
  }
}
