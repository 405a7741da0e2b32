package yentra.core.estimate.hourly;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.apache.commons.math3.complex.Complex;
import org.junit.jupiter.api.Test;
import yentra.core.estimate.hourly.WallDynamics.Slice;

/**
 * Against closed forms of heat conduction: the transfer matrix of ISO 13786:2017 for a daily sine,
 * the step into a half space (Carslaw and Jaeger), the steady state.
 */
class WallDynamicsTest {
  private static final double OMEGA = 2 * Math.PI / 86_400;

  /** 200 mm of concrete (2 W/mK, 2400 kg/m³, 1000 J/kgK; ISO 10456). */
  private static final Slice CONCRETE = new Slice(0.2 / 2.0, 0.2 * 2400 * 1000);

  private static final Slice WOOL = new Slice(0.12 / 0.035, 0.12 * 60 * 1030);
  private static final Slice BRICK = new Slice(0.1 / 0.77, 0.1 * 1700 * 800);
  private static final Slice FILM_OUT = new Slice(0.04, 0);
  private static final Slice FILM_IN = new Slice(0.13, 0);

  /** Flow into a room held at 0 for a unit swing outside: the periodic transmittance Y12. */
  private static Complex periodic(List<Slice> slices) {
    Complex a = Complex.ONE;
    Complex b = Complex.ZERO;
    Complex c = Complex.ZERO;
    Complex d = Complex.ONE;
    for (Slice s : slices) {
      Complex ch = Complex.ONE;
      Complex sh = new Complex(-s.resistance());
      Complex up = Complex.ZERO;
      if (s.capacity() > 0) {
        Complex x = new Complex(0, OMEGA * s.resistance() * s.capacity()).sqrt();
        ch = x.cosh();
        sh = x.sinh().divide(x).multiply(-s.resistance());
        up = x.sinh().multiply(x).divide(-s.resistance());
      }
      Complex na = ch.multiply(a).add(sh.multiply(c));
      Complex nb = ch.multiply(b).add(sh.multiply(d));
      Complex nc = up.multiply(a).add(ch.multiply(c));
      Complex nd = up.multiply(b).add(ch.multiply(d));
      a = na;
      b = nb;
      c = nc;
      d = nd;
    }
    return Complex.ONE.negate().divide(b);
  }

  /** The same by marching through days of a sine outside: amplitude and lag in hours. */
  private static double[] marched(List<Slice> slices) {
    WallDynamics w = WallDynamics.of(slices);
    double[] state = new double[w.modes()];
    double cos = 0;
    double sin = 0;
    int days = 60;
    for (int h = 0; h < days * 24; h++) {
      double t = (h + 0.5) / 24 * 2 * Math.PI;
      // the mean of the hour, as a weather file has it
      double outside = Math.sin(t) * Math.sin(Math.PI / 24) / (Math.PI / 24);
      double flow = w.across * outside + w.remembersInside(state, 0);
      w.advance(state, 0, 0, outside);
      if (h >= (days - 1) * 24) {
        sin += flow * Math.sin(t) / 12;
        cos += flow * Math.cos(t) / 12;
      }
    }
    double lag = -Math.atan2(cos, sin) / (2 * Math.PI) * 24;
    // flows are means of hours too
    double mean = Math.sin(Math.PI / 24) / (Math.PI / 24);
    return new double[] {Math.hypot(sin, cos) / mean, lag < 0 ? lag + 24 : lag};
  }

  private static void compare(List<Slice> slices) {
    Complex y = periodic(slices);
    double lag = -y.getArgument() / (2 * Math.PI) * 24;
    double[] m = marched(slices);
    assertThat(m[0]).as("amplitude").isCloseTo(y.abs(), within(0.012 * y.abs()));
    assertThat(m[1]).as("lag, h").isCloseTo(lag < 0 ? lag + 24 : lag, within(0.1));
  }

  @Test
  void aDailySineThroughAHomogeneousWall() {
    compare(List.of(FILM_OUT, CONCRETE, FILM_IN));
  }

  @Test
  void aDailySineThroughLayers() {
    compare(List.of(FILM_OUT, BRICK, WOOL, CONCRETE, FILM_IN));
    compare(
        List.of(FILM_OUT, CONCRETE, WOOL, new Slice(0.0125 / 0.25, 0.0125 * 900 * 1000), FILM_IN));
  }

  /** A step of 10 K at the face of what is thick: q = λ ΔT / √(π a t), its mean of an hour. */
  @Test
  void aStepIntoAHalfSpace() {
    double lambda = 2;
    double capacity = 2400 * 1000;
    WallDynamics w = WallDynamics.of(List.of(new Slice(2 / lambda, 2 * capacity)));
    double[] state = new double[w.modes()];
    double sum = 0;
    for (int h = 1; h <= 48; h++) {
      sum += w.inner * 10 - w.remembersInside(state, 0);
      w.advance(state, 0, 10, 0);
      double exact = 2 * 10 * Math.sqrt(lambda * capacity * h * 3600 / Math.PI) / 3600;
      if (h >= 6) {
        assertThat(sum).isCloseTo(exact, within(0.01 * exact));
      }
    }
  }

  @Property(tries = 200)
  void theSteadyStateIsThatOfTheResistances(
      @ForAll @DoubleRange(min = 0.01, max = 5) double r1,
      @ForAll @DoubleRange(min = 0.01, max = 5) double r2,
      @ForAll @DoubleRange(min = 0, max = 500_000) double c1,
      @ForAll @DoubleRange(min = 0, max = 500_000) double c2,
      @ForAll @DoubleRange(min = -30, max = 40) double in,
      @ForAll @DoubleRange(min = -30, max = 40) double out) {
    WallDynamics w = WallDynamics.of(List.of(new Slice(r1, c1), new Slice(r2, c2)));
    double[] state = new double[w.modes()];
    w.settle(state, 0, in, out);
    double q = (in - out) / (r1 + r2);
    double scale = 1e-9 * (1 + Math.abs(q) + w.inner * 40);
    double before = w.inner * in - w.across * out - w.remembersInside(state, 0);
    assertThat(before).isCloseTo(q, within(scale));
    assertThat(w.outer * out - w.across * in - w.remembersOutside(state, 0))
        .isCloseTo(-q, within(1e-9 * (1 + Math.abs(q) + w.outer * 40)));
    assertThat(w.advance(state, 0, in, out)).isCloseTo(0, within(1e-3));
  }

  /** What goes in on both sides is what the cells hold more, whatever the temperatures do. */
  @Property(tries = 200)
  void heatIsConserved(
      @ForAll @DoubleRange(min = 0.01, max = 5) double r1,
      @ForAll @DoubleRange(min = 0, max = 500_000) double c1,
      @ForAll @DoubleRange(min = 0.01, max = 5) double r2,
      @ForAll @DoubleRange(min = 100, max = 500_000) double c2,
      @ForAll @DoubleRange(min = -30, max = 40) double in,
      @ForAll @DoubleRange(min = -30, max = 40) double out) {
    WallDynamics w = WallDynamics.of(List.of(new Slice(r1, c1), new Slice(r2, c2)));
    double[] state = new double[w.modes()];
    for (int h = 0; h < 50; h++) {
      double i = in + h % 7;
      double o = out - h % 5;
      double qi = w.inner * i - w.across * o - w.remembersInside(state, 0);
      double qo = w.outer * o - w.across * i - w.remembersOutside(state, 0);
      double taken = w.advance(state, 0, i, o);
      assertThat((qi + qo) * 3600)
          .isCloseTo(taken, within(1e-6 * (1 + Math.abs(taken) + 3600 * (w.inner + w.outer))));
    }
  }
}
