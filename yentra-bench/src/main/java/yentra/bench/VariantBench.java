package yentra.bench;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import yentra.core.boundary.Watch;
import yentra.core.check.measure.CheckContext;
import yentra.core.climate.WeatherYear;
import yentra.core.envelope.ReadLimits;
import yentra.core.estimate.Estimate;
import yentra.core.estimate.EstimateResult;
import yentra.core.estimate.hourly.HourRows;
import yentra.core.estimate.hourly.HourlyYear;
import yentra.core.estimate.setting.EstimateSettings;
import yentra.core.geometry.Tolerance;
import yentra.core.intake.DeliveryReader;
import yentra.core.junction.Junctions;
import yentra.core.junction.PsiValues;
import yentra.core.pipeline.Delivery;
import yentra.core.pipeline.StageOptions;
import yentra.core.repair.NotApplicableException;
import yentra.core.variant.Sweep;
import yentra.core.variant.Variant;
import yentra.core.variant.VariantFigures;
import yentra.core.variant.change.LayerThickness;
import yentra.core.variant.change.VariantState;
import yentra.core.variant.change.WindowShades;
import yentra.demo.DemoFiles;
import yentra.demo.MarramClimate;

/** Times a sweep of two hundred variants of the demo against single runs of the same states. */
final class VariantBench {
  private VariantBench() {}

  static void run() throws Exception {
    System.out.println("\n## Two hundred variants\n");
    Delivery d =
        Delivery.read(
            DeliveryReader.Source.of(DemoFiles.soundGbxml()),
            ReadLimits.standard(),
            Tolerance.standard(),
            DeliveryReader.Progress.NONE);
    CheckContext context = d.stage(StageOptions.STANDARD, Watch.NONE).context();
    VariantState demo = new VariantState(context, EstimateSettings.STANDARD, "coast", null);
    WeatherYear weather = MarramClimate.year();
    List<Sweep.Point> points =
        new Sweep(
                List.of(),
                List.of(
                    new Sweep.Axis(
                        new WindowShades(Set.of(), 0, 0), "overhang", Sweep.range(0, 0.9, 0.1)),
                    new Sweep.Axis(
                        new LayerThickness("Boarded wall on block", "Mineral wool", 0.1),
                        "thickness",
                        Sweep.range(0.1, 0.29, 0.01))),
                true)
            .points();
    for (int i = 0; i < 10; i++) {
      figures(made(demo, points.get(i)), weather);
    }
    long t = System.nanoTime();
    List<VariantFigures> swept =
        points.parallelStream().map(p -> figures(made(demo, p), weather)).toList();
    double sweep = (System.nanoTime() - t) / 1e6 / points.size();
    t = System.nanoTime();
    int same = 0;
    for (int i = 0; i < points.size(); i++) {
      same += isSame(swept.get(i), made(demo, points.get(i)), weather) ? 1 : 0;
    }
    double single = (System.nanoTime() - t) / 1e6 / points.size();
    System.out.printf(
        Locale.ROOT,
        "The demo (%d spaces, %d surfaces), ten depths of overhangs by twenty thicknesses of insulation. In the sweep a run takes %.0f ms on %d processors, as a single run with the floating year, second opinions and loads %.0f ms: %.2f times as long. %d of %d give the same heating, cooling, carbon and loads to the last bit.%n",
        context.envelope().spaces().size(),
        context.envelope().surfaces().size(),
        sweep,
        Runtime.getRuntime().availableProcessors(),
        single,
        sweep / single,
        same,
        points.size());
  }

  private static VariantState made(VariantState demo, Sweep.Point p) {
    Variant v =
        Variant.of(
            demo,
            p.changes(),
            plan -> {
              throw new NotApplicableException("The demo was not drawn.");
            });
    if (!v.applies()) {
      throw new IllegalStateException(v.refused().toString());
    }
    return v.state();
  }

  private static VariantFigures figures(VariantState s, WeatherYear weather) {
    try {
      return VariantFigures.of(s, weather, false, Watch.NONE);
    } catch (HourlyYear.IncompleteException e) {
      throw new IllegalStateException(e);
    }
  }

  private static boolean isSame(VariantFigures f, VariantState s, WeatherYear weather)
      throws HourlyYear.IncompleteException {
    Estimate e =
        Estimate.of(
            s.context(), s.settings(), PsiValues.of(Junctions.dimensions(s.envelope())), weather);
    EstimateResult r = e.run(HourRows.NONE, Watch.NONE);
    double heat = 0;
    double cold = 0;
    for (var z : r.year().zones()) {
      heat += z.heating();
      cold += z.cooling();
    }
    return heat == f.heating()
        && cold == f.cooling()
        && r.energy().carbon() == f.carbon()
        && e.heatingLoads(null).total() == f.heatingLoad()
        && e.coolingLoads().total() == f.coolingLoad();
  }
}
