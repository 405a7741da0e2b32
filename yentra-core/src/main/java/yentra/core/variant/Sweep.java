package yentra.core.variant;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import yentra.core.repair.NotApplicableException;
import yentra.core.variant.change.Change;
import yentra.core.variant.change.ChangeQuantity;

/**
 * Numbers of changes that run through values, on top of other changes.
 *
 * @param changes of the variant that it starts from; those of the axes come after them
 * @param axes one or two
 * @param grid every value of one with every value of the other; else one after the other, each on
 *     top of the changes alone
 */
public record Sweep(List<Change> changes, List<Axis> axes, boolean grid) {
  /** Runs of a sweep. */
  public static final int MOST = 1000;

  /** Steps that miss the last value by less than this share still end in it. */
  private static final double ROUNDING = 1e-9;

  public Sweep {
    changes = List.copyOf(changes);
    axes = List.copyOf(axes);
  }

  /**
   * A number that runs through values.
   *
   * @param change that it is a number of
   * @param member which of its numbers
   * @param values in SI units, in their order, each once
   */
  public record Axis(Change change, String member, List<Double> values) {
    public Axis {
      values = values == null ? List.of() : values.stream().distinct().toList();
    }

    /** What varies. */
    public ChangeQuantity quantity() {
      return change.quantities().stream()
          .filter(q -> q.member().equals(member))
          .findFirst()
          .orElseThrow(() -> new IllegalArgumentException("There is no " + member + " to vary."));
    }
  }

  /**
   * One run.
   *
   * @param values by axis; null for one that stays out of this run
   */
  public record Point(List<Double> values, List<Change> changes) {
    public Point {
      changes = List.copyOf(changes);
    }
  }

  /**
   * Values from one to another by a step.
   *
   * @throws IllegalArgumentException when there are none, or more than {@link #MOST}
   */
  public static List<Double> range(double from, double to, double step) {
    double span = to - from;
    double n = step == 0 ? 0 : span / step;
    if (!Double.isFinite(from) || !Double.isFinite(n) || n < 0 || step == 0 && span != 0) {
      throw new IllegalArgumentException(
          "The step does not lead from the first value to the last.");
    }
    if (n >= MOST) {
      throw new IllegalArgumentException("There are more than " + MOST + " values.");
    }
    List<Double> out = new ArrayList<>();
    for (int i = 0; i <= n + ROUNDING; i++) {
      // decimal steps add up to decimal values
      out.add(
          new java.math.BigDecimal(from + i * step)
              .round(new java.math.MathContext(12))
              .doubleValue());
    }
    return out;
  }

  /**
   * All runs, in order: the last axis runs fastest.
   *
   * @throws NotApplicableException when there is nothing to vary, too many runs, or a value that
   *     its number cannot have
   */
  public List<Point> points() throws NotApplicableException {
    if (axes.isEmpty() || axes.size() > 2) {
      throw new NotApplicableException("Choose one or two numbers to vary.");
    }
    long runs = grid ? 1 : 0;
    for (Axis a : axes) {
      check(a);
      runs = grid ? runs * a.values.size() : runs + a.values.size();
    }
    if (runs > MOST) {
      throw new NotApplicableException(
          "These are " + runs + " runs; a sweep has at most " + MOST + ".");
    }
    List<Point> out = new ArrayList<>();
    if (grid && axes.size() == 2) {
      for (double a : axes.get(0).values) {
        for (double b : axes.get(1).values) {
          out.add(point(a, b));
        }
      }
      return out;
    }
    for (int i = 0; i < axes.size(); i++) {
      for (double v : axes.get(i).values) {
        Double[] values = new Double[axes.size()];
        values[i] = v;
        out.add(point(values));
      }
    }
    return out;
  }

  private static void check(Axis a) throws NotApplicableException {
    ChangeQuantity q;
    try {
      q = a.quantity();
    } catch (IllegalArgumentException e) {
      throw new NotApplicableException(e.getMessage());
    }
    if (a.values.isEmpty()) {
      throw new NotApplicableException("Give values for the " + q.label() + ".");
    }
    for (double v : a.values) {
      if (!(v >= q.least() && v <= q.most())) {
        throw new NotApplicableException(
            "The " + q.label() + " lies between " + q.least() + " and " + q.most() + ".");
      }
    }
  }

  private Point point(Double... values) {
    List<Change> all = new ArrayList<>(changes);
    for (int i = 0; i < values.length; i++) {
      if (values[i] != null) {
        Axis a = axes.get(i);
        all.add(a.change.with(a.member, values[i]));
      }
    }
    return new Point(Arrays.asList(values), all);
  }

  /**
   * Where a curve meets a limit first, by straight lines between its points.
   *
   * @param x in rising order
   * @param y NaN where it is not known yet
   */
  public static OptionalDouble meets(List<Double> x, List<Double> y, double limit) {
    for (int i = 0; i + 1 < x.size(); i++) {
      double a = y.get(i) - limit;
      double b = y.get(i + 1) - limit;
      if (a == 0) {
        return OptionalDouble.of(x.get(i));
      }
      if (a * b < 0) {
        return OptionalDouble.of(x.get(i) + (x.get(i + 1) - x.get(i)) * a / (a - b));
      }
    }
    int last = x.size() - 1;
    return last >= 0 && y.get(last) == limit
        ? OptionalDouble.of(x.get(last))
        : OptionalDouble.empty();
  }
}
