package yentra.core.exchange;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import yentra.core.boundary.Convention;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.exchange.BalanceLine.Cause;
import yentra.core.exchange.BalanceLine.Kind;
import yentra.core.exchange.BalanceLine.Measure;
import yentra.core.model.ArchitecturalModel;
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

  private static final ToDoubleFunction<SourceTakeoff> NONE = t -> 0;

  private record Source(SourceTakeoff all, SourceTakeoff scoped) {}

  /** A figure that objects add up to. */
  private interface Parts extends Function<BalanceState, Map<String, Double>> {}

  private static double sum(Map<String, Double> parts) {
    return parts.values().stream().mapToDouble(Double::doubleValue).sum();
  }

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
    private final BalanceState before;
    private final BalanceState now;
    private final BalanceState readBack;
    private final Source source;
    private final boolean delivered;
    private final Convention convention;

    Lines(States s, HeatLossOptions options) {
      before = BalanceState.of(s.before, options);
      now = BalanceState.of(s.now, options);
      readBack = BalanceState.of(s.readBack, options);
      convention = s.convention;
      Envelope e = s.before.envelope();
      delivered = e.delivered().format().equals(Delivered.GBXML);
      Set<String> grouping = new HashSet<>();
      s.before
          .groupings()
          .keySet()
          .forEach(k -> e.space(k).ifPresent(x -> grouping.add(x.source().id())));
      source =
          e.delivered().format().equals(Delivered.IFC)
              ? new Source(
                  SourceTakeoff.of(s.whole, e.site(), s.before.types(), grouping),
                  s.before.model().elements().size() == s.whole.elements().size()
                      ? null
                      : SourceTakeoff.of(s.before.model(), e.site(), s.before.types(), grouping))
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
        ToDoubleFunction<SourceTakeoff> grouped,
        Parts parts,
        Kind rest,
        String says) {
      List<Cause> causes = new ArrayList<>();
      Double from = source == null ? null : known(all(taken));
      if (from != null) {
        double in = scoped(taken);
        double a = sum(parts.apply(before));
        cause(causes, Kind.OUT_OF_SCOPE, measure, in - from, Math.max(from, in), "");
        double group = grouped.applyAsDouble(source.scoped == null ? source.all : source.scoped);
        cause(causes, Kind.GROUPED, measure, -group, Math.max(a, in), "");
        cause(causes, rest, measure, a - (in - group), Math.max(a, in), says);
      }
      finish(what, measure, from, parts, causes);
    }

    /** A line of which no source says anything. */
    private void line(String what, Measure measure, Parts parts) {
      finish(what, measure, null, parts, new ArrayList<>());
    }

    private void figure(String what, Measure measure, ToDoubleFunction<BalanceState> figure) {
      List<Cause> causes = new ArrayList<>();
      double a = figure.applyAsDouble(before);
      double b = figure.applyAsDouble(now);
      cause(causes, Kind.REPAIRED, measure, b - a, Math.max(a, b), "");
      Double back = readBack == null ? null : (Double) figure.applyAsDouble(readBack);
      finish(new BalanceLine(what, measure, null, known(a), known(b), back, causes));
    }

    private void finish(
        String what, Measure measure, Double from, Parts parts, List<Cause> causes) {
      Map<String, Double> was = parts.apply(before);
      Map<String, Double> is = parts.apply(now);
      double a = sum(was);
      double b = sum(is);
      if (differs(b - a, Math.max(a, b))) {
        causes.add(new Cause(Kind.REPAIRED, measure, b - a, "", changed(was, is)));
      }
      Double back = readBack == null ? null : (Double) sum(parts.apply(readBack));
      finish(new BalanceLine(what, measure, from, known(a), known(b), back, causes));
    }

    private void finish(BalanceLine l) {
      List<Cause> causes = new ArrayList<>(l.causes());
      Double back = l.readBack() == null ? null : known(l.readBack());
      if (back != null && l.now() != null) {
        cause(causes, Kind.READ_BACK, l.measure(), back - l.now(), Math.max(back, l.now()), "");
      }
      out.add(
          new BalanceLine(l.what(), l.measure(), l.source(), l.before(), l.now(), back, causes));
    }

    private static List<String> changed(Map<String, Double> was, Map<String, Double> is) {
      Set<String> keys = new LinkedHashSet<>(is.keySet());
      keys.addAll(was.keySet());
      return keys.stream()
          .filter(
              k -> {
                double a = was.getOrDefault(k, 0.0);
                double b = is.getOrDefault(k, 0.0);
                return differs(b - a, Math.max(a, b));
              })
          .limit(BalanceLine.MOST_OBJECTS)
          .toList();
    }

    private static boolean differs(double amount, double of) {
      return Double.isFinite(amount) && Math.abs(amount) > ALIKE * Math.abs(of);
    }

    private static void cause(
        List<Cause> causes, Kind kind, Measure m, double amount, double of, String says) {
      if (differs(amount, of)) {
        causes.add(new Cause(kind, m, amount, says, List.of()));
      }
    }

    /** Figures that a gbXML delivery states of its spaces. */
    private void stated(String what, Measure measure, Function<Space, Double> stated, Parts parts) {
      List<Space> spaces = before.envelope().spaces();
      boolean all = !spaces.isEmpty() && spaces.stream().allMatch(s -> stated.apply(s) != null);
      List<Cause> causes = new ArrayList<>();
      double a = sum(parts.apply(before));
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
      finish(what, measure, from, parts, causes);
    }

    private void sizes() {
      line(
          "Spaces",
          Measure.COUNT,
          SourceTakeoff::spaces,
          NONE,
          s -> BalanceState.parts(s.envelope().spaces(), Space::key, x -> 1),
          Kind.MEASURED_OTHERWISE,
          "spaces found in construction, or without a body");
      figure("Zones", Measure.COUNT, s -> s.envelope().zones().size());
      line(
          "Surfaces",
          Measure.COUNT,
          s -> BalanceState.parts(s.envelope().surfaces(), Surface::key, x -> 1));
      figure("Openings", Measure.COUNT, s -> s.envelope().openingCount());
      Parts floor = s -> s.spaces(k -> s.context().volumes().of(k).floorArea());
      Parts volume = s -> s.spaces(k -> s.closed(k, s.context().volumes().of(k).volume()));
      if (delivered) {
        stated("Floor area", Measure.AREA, Space::statedFloorArea, floor);
      } else {
        line(
            "Floor area",
            Measure.AREA,
            SourceTakeoff::floorArea,
            SourceTakeoff::groupedArea,
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
            SourceTakeoff::groupedVolume,
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
        Parts gross = s -> s.walls(octant, x -> x.polygon().area());
        Parts glass = s -> s.walls(octant, BalanceSheet::glass);
        if (looks(gross) || source != null && all(t -> t.walls()[octant]) > 0) {
          line(
              "Outdoor walls facing " + FACING[i],
              Measure.AREA,
              t -> t.walls()[octant],
              NONE,
              gross,
              Kind.CONVENTION,
              walls);
        }
        if (looks(glass) || source != null && all(t -> t.windows()[octant]) > 0) {
          line(
              "Glass facing " + FACING[i],
              Measure.AREA,
              t -> t.windows()[octant],
              NONE,
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
          NONE,
          BalanceState::levels,
          Kind.CONVENTION,
          "the source has the upper faces of slabs and roofs with what lies on walls, the envelope"
              + " ends at its walls");
    }

    private boolean looks(Parts parts) {
      return !parts.apply(before).isEmpty() || !parts.apply(now).isEmpty();
    }

    private void losses() {
      Map<Beyond, String> beyond =
          Map.of(
              Beyond.OUTDOOR, "outdoor air",
              Beyond.GROUND, "the ground",
              Beyond.UNCONDITIONED, "unconditioned spaces");
      List<Beyond> order = List.of(Beyond.OUTDOOR, Beyond.GROUND, Beyond.UNCONDITIONED);
      for (Beyond y : order) {
        figure("Area to " + beyond.get(y), Measure.AREA, s -> s.loss().area().getOrDefault(y, 0.0));
      }
      figure("Glass in outdoor walls", Measure.AREA, s -> s.loss().glazedArea());
      figure(
          "Constructions without a U-value",
          Measure.COUNT,
          s -> s.context().thermal().constructionsWithoutUValue());
      figure("Area without a U-value", Measure.AREA, s -> s.loss().unknownArea());
      for (Beyond y : order) {
        figure(
            "UA to " + beyond.get(y),
            Measure.HEAT_LOSS,
            s -> s.loss().heatLoss().getOrDefault(y, 0.0));
      }
      figure("UA in all", Measure.HEAT_LOSS, s -> s.loss().total());
      figure("Mean U-value", Measure.U_VALUE, s -> s.loss().meanUValue());
    }
  }

  private static Double known(double v) {
    return Double.isFinite(v) ? (Double) v : null;
  }
}
