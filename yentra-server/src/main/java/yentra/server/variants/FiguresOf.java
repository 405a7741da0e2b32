package yentra.server.variants;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import yentra.core.estimate.setting.Systems;
import yentra.core.variant.Metric;
import yentra.core.variant.Target;
import yentra.core.variant.VariantFigures;

/** Says what runs have come to, beside the baseline and the targets. */
final class FiguresOf {
  private FiguresOf() {}

  static VariantViews.RunView run(
      VariantRuns.Run r, VariantFigures baseline, List<Target> targets) {
    return new VariantViews.RunView(
        r.ask(),
        r.state(),
        r.message(),
        r.missing(),
        r.figures() == null ? null : figures(r.figures(), baseline, targets));
  }

  /** Null for what is not known. */
  static Double known(double v) {
    return Double.isFinite(v) ? v : null;
  }

  private static VariantViews.FiguresView figures(
      VariantFigures f, VariantFigures baseline, List<Target> targets) {
    List<VariantViews.MetricView> metrics =
        Arrays.stream(Metric.values()).map(m -> metric(m, f, baseline)).toList();
    List<VariantViews.TargetState> states = new ArrayList<>();
    for (int i = 0; i < targets.size(); i++) {
      states.add(state(i, targets.get(i), f, baseline));
    }
    return new VariantViews.FiguresView(
        f.floorArea(),
        metrics,
        states,
        parts(f),
        f.months().stream()
            .map(m -> new VariantViews.HeatFlowView(m.flow().name(), m.flow().label(), m.kWh()))
            .toList(),
        f.sides().stream()
            .map(s -> new VariantViews.GlazedSideView(s.facing().label(), s.gross(), s.glazed()))
            .toList(),
        Arrays.stream(Systems.Carrier.values())
            .filter(f.bought()::containsKey)
            .map(c -> new VariantViews.BoughtView(c.label(), f.bought().get(c)))
            .toList(),
        f.warmest(),
        f.assumptions());
  }

  static List<VariantViews.EnergyUseView> parts(VariantFigures f) {
    return List.of(
        new VariantViews.EnergyUseView("heating", f.heating()),
        new VariantViews.EnergyUseView("cooling", f.cooling()),
        new VariantViews.EnergyUseView("light", f.lighting()),
        new VariantViews.EnergyUseView("equipment", f.equipment()),
        new VariantViews.EnergyUseView("fans", f.fans()),
        new VariantViews.EnergyUseView("hot water", f.hotWater()));
  }

  private static VariantViews.MetricView metric(
      Metric m, VariantFigures f, VariantFigures baseline) {
    double v = m.of(f);
    double was = baseline == null ? Double.NaN : m.of(baseline);
    return new VariantViews.MetricView(
        m, known(v), known(v - was), was == 0 ? null : known((v - was) / was));
  }

  private static VariantViews.TargetState state(
      int i, Target t, VariantFigures f, VariantFigures baseline) {
    double limit = t.most() != null ? t.most() : baseline == null ? Double.NaN : t.limit(baseline);
    double v = t.metric().of(f);
    boolean comparable = Double.isFinite(limit) && Double.isFinite(v);
    return new VariantViews.TargetState(
        i, known(limit), comparable ? t.isMet(f, limit) : null, known(limit - v));
  }

  /** Whether all targets are met; null where that is not known, or there is none. */
  static Boolean allMet(VariantFigures f, VariantFigures baseline, List<Target> targets) {
    Boolean out = targets.isEmpty() ? null : Boolean.TRUE;
    for (int i = 0; i < targets.size() && out != null; i++) {
      Boolean met = state(i, targets.get(i), f, baseline).met();
      out = met == null ? null : out && met;
    }
    return out;
  }
}
