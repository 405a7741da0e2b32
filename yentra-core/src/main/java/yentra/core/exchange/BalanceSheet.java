package yentra.core.exchange;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.ToDoubleFunction;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.thermal.HeatLoss;
import yentra.core.thermal.HeatLoss.Beyond;
import yentra.core.thermal.HeatLossOptions;

/**
 * What a model adds up to as it was delivered and as it is now: counts, areas, volumes, and heat
 * losses by what lies beyond. All figures are in SI units.
 */
public final class BalanceSheet {
  private BalanceSheet() {}

  /** What a line measures. */
  public enum Measure {
    COUNT,
    AREA,
    VOLUME,
    /** W/K. */
    HEAT_LOSS,
    /** W/(m²K). */
    U_VALUE
  }

  /**
   * One line.
   *
   * @param before as delivered, or null where there is no such figure
   * @param now or null
   */
  public record BalanceLine(String what, Measure measure, Double before, Double now) {}

  /** One state, added up once. */
  private record State(CheckContext context, HeatLoss.Sum loss) {
    static State of(CheckContext c, HeatLossOptions options) {
      return new State(c, c.thermal().heatLoss(options).total(s -> c.octant(s) >= 0));
    }

    Envelope envelope() {
      return context.envelope();
    }

    double spaces(ToDoubleFunction<String> figure) {
      return envelope().spaces().stream()
          .filter(s -> !context.groupings().containsKey(s.key()))
          .mapToDouble(s -> Math.max(0, figure.applyAsDouble(s.key())))
          .sum();
    }

    double closed(String space, double figure) {
      return context.volumes().of(space).enclosed() ? figure : 0;
    }

    double mean() {
      return loss.meanUValue();
    }
  }

  /**
   * All lines, always the same ones in the same order.
   *
   * @param before as delivered, scope decided
   * @param now with all repairs
   * @param options of the heat loss
   */
  public static List<BalanceLine> of(
      CheckContext before, CheckContext now, HeatLossOptions options) {
    State a = State.of(before, options);
    State b = State.of(now, options);
    List<BalanceLine> out = new ArrayList<>();
    sizes(out, a, b);
    losses(out, a, b);
    return out;
  }

  private static void sizes(List<BalanceLine> out, State a, State b) {
    line(out, "Spaces", Measure.COUNT, a, b, s -> s.envelope().spaces().size());
    line(out, "Zones", Measure.COUNT, a, b, s -> s.envelope().zones().size());
    line(out, "Surfaces", Measure.COUNT, a, b, s -> s.envelope().surfaces().size());
    line(
        out,
        "Openings",
        Measure.COUNT,
        a,
        b,
        s ->
            s.envelope().orphans().size()
                + s.envelope().surfaces().stream().mapToInt(x -> x.openings().size()).sum());
    line(
        out,
        "Floor area",
        Measure.AREA,
        a,
        b,
        s -> s.spaces(k -> s.context().volumes().of(k).floorArea()));
    line(out, "Spaces that are enclosed", Measure.COUNT, a, b, s -> s.spaces(k -> s.closed(k, 1)));
    line(
        out,
        "Volume of enclosed spaces",
        Measure.VOLUME,
        a,
        b,
        s -> s.spaces(k -> s.closed(k, s.context().volumes().of(k).volume())));
  }

  private static void losses(List<BalanceLine> out, State a, State b) {
    Map<Beyond, String> beyond =
        Map.of(
            Beyond.OUTDOOR, "outdoor air",
            Beyond.GROUND, "the ground",
            Beyond.UNCONDITIONED, "unconditioned spaces");
    List<Beyond> order = List.of(Beyond.OUTDOOR, Beyond.GROUND, Beyond.UNCONDITIONED);
    for (Beyond y : order) {
      line(
          out,
          "Area to " + beyond.get(y),
          Measure.AREA,
          a,
          b,
          s -> s.loss().area().getOrDefault(y, 0.0));
    }
    line(out, "Glass in outdoor walls", Measure.AREA, a, b, s -> s.loss().glazedArea());
    line(
        out,
        "Constructions without a U-value",
        Measure.COUNT,
        a,
        b,
        s -> s.context().thermal().constructionsWithoutUValue());
    line(out, "Area without a U-value", Measure.AREA, a, b, s -> s.loss().unknownArea());
    for (Beyond y : order) {
      line(
          out,
          "UA to " + beyond.get(y),
          Measure.HEAT_LOSS,
          a,
          b,
          s -> s.loss().heatLoss().getOrDefault(y, 0.0));
    }
    line(out, "UA in all", Measure.HEAT_LOSS, a, b, s -> s.loss().total());
    line(out, "Mean U-value", Measure.U_VALUE, a, b, State::mean);
  }

  private static void line(
      List<BalanceLine> out,
      String what,
      Measure measure,
      State before,
      State now,
      ToDoubleFunction<State> figure) {
    out.add(
        new BalanceLine(
            what, measure, known(figure.applyAsDouble(before)), known(figure.applyAsDouble(now))));
  }

  private static Double known(double v) {
    return Double.isFinite(v) ? (Double) v : null;
  }
}
