package yentra.core.exchange;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.thermal.HeatLoss;
import yentra.core.thermal.HeatLossOptions;

/** One state, added up once. */
record BalanceState(CheckContext context, HeatLoss.Sum loss) {
  static BalanceState of(CheckContext c, HeatLossOptions options) {
    return c == null
        ? null
        : new BalanceState(c, c.thermal().heatLoss(options).total(s -> c.octant(s) >= 0));
  }

  Envelope envelope() {
    return context.envelope();
  }

  Map<String, Double> spaces(ToDoubleFunction<String> figure) {
    return parts(
        envelope().spaces().stream()
            .map(Space::key)
            .filter(k -> !context.groupings().containsKey(k))
            .toList(),
        k -> k,
        k -> Math.max(0, figure.applyAsDouble(k)));
  }

  double closed(String space, double figure) {
    return context.volumes().of(space).enclosed() ? figure : 0;
  }

  /** Outdoor walls that look one way, m². */
  Map<String, Double> walls(int octant, ToDoubleFunction<Surface> figure) {
    return parts(
        envelope().surfaces(),
        Surface::key,
        s -> context.octant(s) == octant ? figure.applyAsDouble(s) : 0);
  }

  Map<String, Double> levels() {
    return parts(envelope().surfaces(), Surface::key, s -> s.sides().isEmpty() ? 0 : level(s));
  }

  /** What each object adds; those that add nothing are left out. */
  static <T> Map<String, Double> parts(
      List<T> all, Function<T, String> key, ToDoubleFunction<T> figure) {
    Map<String, Double> out = new LinkedHashMap<>();
    for (T t : all) {
      double v = figure.applyAsDouble(t);
      if (v != 0) {
        out.merge(key.apply(t), v, Double::sum);
      }
    }
    return out;
  }

  private double level(Surface s) {
    boolean upright = context.types().isUpright(s.polygon().tilt());
    return s.exposure() == Exposure.ADIABATIC || upright ? 0 : s.polygon().area();
  }
}
