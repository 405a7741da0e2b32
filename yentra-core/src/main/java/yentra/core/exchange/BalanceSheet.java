package yentra.core.exchange;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import yentra.core.boundary.Convention;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.exchange.BalanceLine.Cause;
import yentra.core.exchange.BalanceLine.Kind;
import yentra.core.exchange.BalanceLine.Measure;
import yentra.core.model.ArchitecturalModel;
import yentra.core.thermal.HeatLoss;
import yentra.core.thermal.HeatLoss.Beyond;
import yentra.core.thermal.HeatLossOptions;

/**
 * What a model adds up to in its source, in the envelope as it was delivered and as it is now, and
 * in what was read back of a handover: counts, areas, volumes, heat losses by what lies beyond.
 * Differences between the columns are told by their causes. All figures are in SI units.
 */
public final class BalanceSheet {
  /** Differences below this share of a figure need no cause. */
  private static final double ALIKE = 0.005;

  private static final String[] FACING = {
    "north", "north-east", "east", "south-east", "south", "south-west", "west", "north-west"
  };

  private BalanceSheet() {}

  /**
   * What is held against each other.
   *
   * @param whole the architectural model with nothing left out
   * @param before as delivered, scope decided
   * @param now with all repairs
   * @param readBack what was read back of a handover, or null
   * @param convention where the surfaces of a derived envelope are drawn
   */
  public record States(
      ArchitecturalModel whole,
      CheckContext before,
      CheckContext now,
      CheckContext readBack,
      Convention convention) {}

  /** One state, added up once. */
  private record State(CheckContext context, HeatLoss.Sum loss) {
    static State of(CheckContext c, HeatLossOptions options) {
      return c == null
          ? null
          : new State(c, c.thermal().heatLoss(options).total(s -> c.octant(s) >= 0));
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

    /** Outdoor walls that look one way, m². */
    double walls(int octant, ToDoubleFunction<Surface> figure) {
      return envelope().surfaces().stream()
          .filter(s -> context.octant(s) == octant)
          .mapToDouble(figure)
          .sum();
    }

    double levels() {
      return envelope().surfaces().stream()
          .filter(s -> !s.sides().isEmpty())
          .mapToDouble(this::level)
          .sum();
    }

    private double level(Surface s) {
      boolean upright = context.types().isUpright(s.polygon().tilt());
      return s.exposure() == Exposure.ADIABATIC || upright ? 0 : s.polygon().area();
    }
  }

  private record Source(SourceTakeoff all, SourceTakeoff scoped) {}

  private static double glass(Surface s) {
    double sum = 0;
    for (Opening o : s.openings()) {
      sum += o.type().isGlazed() ? o.polygon().area() : 0;
    }
    return sum;
  }

  /**
   * All lines; those by orientation only where something looks that way.
   *
   * @param options of the heat loss
   */
  public static List<BalanceLine> of(States states, HeatLossOptions options) {
    Lines b = new Lines(states, options);
    b.sizes();
    b.faces();
    b.losses();
    return b.out;
  }

  private static final class Lines {
    private final List<BalanceLine> out = new ArrayList<>();
    private final State before;
    private final State now;
    private final State readBack;
    private final Source source;
    private final boolean delivered;
    private final Convention convention;

    Lines(States s, HeatLossOptions options) {
      before = State.of(s.before, options);
      now = State.of(s.now, options);
      readBack = State.of(s.readBack, options);
      convention = s.convention;
      Envelope e = s.before.envelope();
      delivered = e.delivered().format().equals(Delivered.GBXML);
      source =
          e.delivered().format().equals(Delivered.IFC)
              ? new Source(
                  SourceTakeoff.of(s.whole, e.site(), s.before.types()),
                  s.before.model().elements().size() == s.whole.elements().size()
                      ? null
                      : SourceTakeoff.of(s.before.model(), e.site(), s.before.types()))
              : null;
    }

    private double all(ToDoubleFunction<SourceTakeoff> figure) {
      return figure.applyAsDouble(source.all);
    }

    private double scoped(ToDoubleFunction<SourceTakeoff> figure) {
      return figure.applyAsDouble(source.scoped == null ? source.all : source.scoped);
    }

    /** A line that the source has a figure for. */
    private void line(
        String what,
        Measure measure,
        ToDoubleFunction<SourceTakeoff> taken,
        ToDoubleFunction<State> figure,
        Kind rest,
        String says) {
      List<Cause> causes = new ArrayList<>();
      Double from = source == null ? null : known(all(taken));
      double a = figure.applyAsDouble(before);
      double b = figure.applyAsDouble(now);
      if (from != null) {
        double in = scoped(taken);
        cause(causes, Kind.OUT_OF_SCOPE, measure, in - from, Math.max(from, in), "");
        cause(causes, rest, measure, a - in, Math.max(a, in), says);
      }
      finish(what, measure, from, a, b, figure, causes);
    }

    /** A line of which no source says anything. */
    private void line(String what, Measure measure, ToDoubleFunction<State> figure) {
      finish(
          what,
          measure,
          null,
          figure.applyAsDouble(before),
          figure.applyAsDouble(now),
          figure,
          new ArrayList<>());
    }

    private void finish(
        String what,
        Measure measure,
        Double from,
        double a,
        double b,
        ToDoubleFunction<State> figure,
        List<Cause> causes) {
      cause(causes, Kind.REPAIRED, measure, b - a, Math.max(a, b), "");
      Double back = readBack == null ? null : known(figure.applyAsDouble(readBack));
      if (back != null) {
        cause(causes, Kind.READ_BACK, measure, back - b, Math.max(back, b), "");
      }
      out.add(new BalanceLine(what, measure, from, known(a), known(b), back, causes));
    }

    private static void cause(
        List<Cause> causes, Kind kind, Measure m, double amount, double of, String says) {
      if (Double.isFinite(amount) && Math.abs(amount) > ALIKE * Math.abs(of)) {
        causes.add(new Cause(kind, m, amount, says));
      }
    }

    /** Figures that a gbXML delivery states of its spaces. */
    private void stated(
        String what,
        Measure measure,
        Function<Space, Double> stated,
        ToDoubleFunction<State> figure) {
      List<Space> spaces = before.envelope().spaces();
      boolean all = !spaces.isEmpty() && spaces.stream().allMatch(s -> stated.apply(s) != null);
      List<Cause> causes = new ArrayList<>();
      double a = figure.applyAsDouble(before);
      Double from = all ? (Double) spaces.stream().mapToDouble(s -> stated.apply(s)).sum() : null;
      if (from != null) {
        cause(
            causes,
            Kind.MEASURED_OTHERWISE,
            measure,
            a - from,
            Math.max(a, from),
            "the file states it, its faces come to another figure");
      }
      finish(what, measure, from, a, figure.applyAsDouble(now), figure, causes);
    }

    private void sizes() {
      line(
          "Spaces",
          Measure.COUNT,
          SourceTakeoff::spaces,
          s -> s.envelope().spaces().size(),
          Kind.MEASURED_OTHERWISE,
          "spaces found in construction, or without a body");
      line("Zones", Measure.COUNT, s -> s.envelope().zones().size());
      line("Surfaces", Measure.COUNT, s -> s.envelope().surfaces().size());
      line("Openings", Measure.COUNT, s -> s.envelope().openingCount());
      ToDoubleFunction<State> floor = s -> s.spaces(k -> s.context().volumes().of(k).floorArea());
      ToDoubleFunction<State> volume =
          s -> s.spaces(k -> s.closed(k, s.context().volumes().of(k).volume()));
      if (delivered) {
        stated("Floor area", Measure.AREA, Space::statedFloorArea, floor);
      } else {
        line(
            "Floor area",
            Measure.AREA,
            SourceTakeoff::floorArea,
            floor,
            ruled(),
            convention == Convention.INNER
                ? "the source states it, or its bodies come to it"
                : "the envelope is drawn on " + convention.label());
      }
      line("Spaces that are enclosed", Measure.COUNT, s -> s.spaces(k -> s.closed(k, 1)));
      if (delivered) {
        stated("Volume of enclosed spaces", Measure.VOLUME, Space::statedVolume, volume);
      } else {
        line(
            "Volume of enclosed spaces",
            Measure.VOLUME,
            SourceTakeoff::volume,
            volume,
            ruled(),
            convention == Convention.INNER
                ? "spaces that are not enclosed do not count"
                : "the envelope is drawn on " + convention.label());
      }
    }

    private Kind ruled() {
      return convention == Convention.INNER ? Kind.MEASURED_OTHERWISE : Kind.CONVENTION;
    }

    private void faces() {
      String walls =
          "the source has the outer faces of walls, the envelope is drawn on " + convention.label();
      for (int i = 0; i < 8; i++) {
        int octant = i;
        ToDoubleFunction<State> gross = s -> s.walls(octant, x -> x.polygon().area());
        ToDoubleFunction<State> glass = s -> s.walls(octant, BalanceSheet::glass);
        if (looks(gross) || source != null && all(t -> t.walls()[octant]) > 0) {
          line(
              "Outdoor walls facing " + FACING[i],
              Measure.AREA,
              t -> t.walls()[octant],
              gross,
              Kind.CONVENTION,
              walls);
        }
        if (looks(glass) || source != null && all(t -> t.windows()[octant]) > 0) {
          line(
              "Glass facing " + FACING[i],
              Measure.AREA,
              t -> t.windows()[octant],
              glass,
              Kind.MEASURED_OTHERWISE,
              "the source has whole windows, the envelope what lies in its surfaces, glazed doors"
                  + " with it");
        }
      }
      line(
          "Floors, roofs and ceilings",
          Measure.AREA,
          SourceTakeoff::slabs,
          State::levels,
          Kind.CONVENTION,
          "the source has the upper faces of slabs and roofs with what lies on walls, the envelope"
              + " ends at its walls");
    }

    private boolean looks(ToDoubleFunction<State> figure) {
      return figure.applyAsDouble(before) > 0 || figure.applyAsDouble(now) > 0;
    }

    private void losses() {
      Map<Beyond, String> beyond =
          Map.of(
              Beyond.OUTDOOR, "outdoor air",
              Beyond.GROUND, "the ground",
              Beyond.UNCONDITIONED, "unconditioned spaces");
      List<Beyond> order = List.of(Beyond.OUTDOOR, Beyond.GROUND, Beyond.UNCONDITIONED);
      for (Beyond y : order) {
        line("Area to " + beyond.get(y), Measure.AREA, s -> s.loss().area().getOrDefault(y, 0.0));
      }
      line("Glass in outdoor walls", Measure.AREA, s -> s.loss().glazedArea());
      line(
          "Constructions without a U-value",
          Measure.COUNT,
          s -> s.context().thermal().constructionsWithoutUValue());
      line("Area without a U-value", Measure.AREA, s -> s.loss().unknownArea());
      for (Beyond y : order) {
        line(
            "UA to " + beyond.get(y),
            Measure.HEAT_LOSS,
            s -> s.loss().heatLoss().getOrDefault(y, 0.0));
      }
      line("UA in all", Measure.HEAT_LOSS, s -> s.loss().total());
      line("Mean U-value", Measure.U_VALUE, s -> s.loss().meanUValue());
    }
  }

  private static Double known(double v) {
    return Double.isFinite(v) ? (Double) v : null;
  }
}
