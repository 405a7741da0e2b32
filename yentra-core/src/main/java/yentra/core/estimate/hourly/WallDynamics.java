package yentra.core.estimate.hourly;

import java.util.ArrayList;
import java.util.List;
import org.apache.commons.math3.linear.EigenDecomposition;
import org.apache.commons.math3.linear.RealVector;

/**
 * Heat through a square metre of a component from hour to hour. The layers are cut into cells of an
 * eighth of the depth that the day's swing reaches; the equations of the cells are solved by their
 * eigenvalues, exactly in time for surface temperatures that are constant within each hour, and
 * heat flows are means of the hour. So heat is conserved, nothing can swing up, and a daily sine
 * comes through within about a percent of ISO 13786. (State-space method; for example Seem, 1987,
 * Modeling of heat transfer in buildings. The standard itself, ISO 52016-1:2017, 6.5.6, takes five
 * nodes and implicit steps, which damp a daily swing by a tenth and more.)
 *
 * <p>Temperatures °C, flows W/m², positive into the component on both sides.
 */
final class WallDynamics {
  /** Seconds of a step. */
  static final double HOUR = 3600;

  private static final double DAY = 86_400;
  private static final double DAILY = 2 * Math.PI / DAY;
  private static final double CELLS_PER_DEPTH = 8;
  private static final int MOST_CELLS = 100;

  /** Modes that die this often within an hour follow at once. */
  private static final double AT_ONCE = 50;

  /** Least resistance of a layer that has mass, m²K/W: a steel sheet has about 1e-5. */
  private static final double LEAST = 1e-6;

  /** Heat flow in inside that follows the hour's inside temperature, W/(m²K). */
  final double inner;

  /** The same outside. */
  final double outer;

  /** Heat flow in on one side that the hour's temperature of the other takes away. */
  final double across;

  /** What is left of each mode after an hour. */
  final double[] keep;

  final double[] fromInner;
  final double[] fromOuter;
  final double[] toInner;
  final double[] toOuter;

  /** Heat that each mode holds, J/m² for each unit of it. */
  final double[] store;

  /** Of the modes in the steady state. */
  private final double[] steadyInner;

  private final double[] steadyOuter;

  /** Steady conductance from face to face, W/(m²K). */
  final double conductance;

  /** Heat that a daily swing inside moves in and out, J/(m²K) (ISO 13786:2017, 7.2.3). */
  final double capacity;

  /**
   * A layer.
   *
   * @param resistance m²K/W
   * @param capacity J/(m²K); 0 for what has no mass
   */
  record Slice(double resistance, double capacity) {}

  /** So many modes remember. */
  int modes() {
    return keep.length;
  }

  /** Without mass. */
  static WallDynamics massless(double resistance) {
    return of(List.of(new Slice(resistance, 0)));
  }

  /**
   * @param slices from outside to inside; their resistances must not all be 0
   */
  static WallDynamics of(List<Slice> slices) {
    Chain chain = new Chain();
    slices.forEach(chain::add);
    return new WallDynamics(chain);
  }

  /** Capacities in a row with resistances between them, before the first and behind the last. */
  private static final class Chain {
    private final List<Double> capacities = new ArrayList<>();
    private final List<Double> resistances = new ArrayList<>();
    private double open;

    void add(Slice s) {
      if (s.capacity <= 0) {
        open += s.resistance;
        return;
      }
      double r = Math.max(LEAST, s.resistance);
      int n =
          (int)
              Math.max(
                  1,
                  Math.min(
                      MOST_CELLS,
                      Math.ceil(CELLS_PER_DEPTH * Math.sqrt(r * s.capacity * Math.PI / DAY))));
      for (int i = 0; i < n; i++) {
        resistances.add(open + r / n / 2);
        capacities.add(s.capacity / n);
        open = r / n / 2;
      }
    }

    double[] conductances() {
      double[] out = new double[resistances.size() + 1];
      for (int i = 0; i < out.length; i++) {
        out[i] = 1 / (i < resistances.size() ? resistances.get(i) : open);
      }
      return out;
    }
  }

  private WallDynamics(Chain chain) {
    double[] g = chain.conductances();
    double resistance = 0;
    for (double x : g) {
      resistance += 1 / x;
    }
    conductance = 1 / resistance;
    Modes m = new Modes(chain, g);
    capacity = Math.hypot(m.swingReal, m.swingImaginary) / DAILY;
    inner = m.inner;
    outer = m.outer;
    across = m.across;
    keep = column(m.rows, 0);
    fromInner = column(m.rows, 1);
    fromOuter = column(m.rows, 2);
    toInner = column(m.rows, 3);
    toOuter = column(m.rows, 4);
    store = column(m.rows, 5);
    steadyInner = column(m.rows, 6);
    steadyOuter = column(m.rows, 7);
  }

  /** Each eigenvector of the cells decays by its own rate; what all of them come to in an hour. */
  private static final class Modes {
    private double inner;
    private double outer;
    private double across;
    private double swingReal;
    private double swingImaginary;
    private final List<double[]> rows = new ArrayList<>();

    Modes(Chain chain, double[] g) {
      int n = g.length - 1;
      inner = g[n];
      outer = g[0];
      across = n == 0 ? g[0] : 0;
      swingReal = n == 0 ? 0 : g[n];
      if (n == 0) {
        return;
      }
      EigenDecomposition eigen = decompose(chain, g);
      for (int k = 0; k < n; k++) {
        RealVector q = eigen.getEigenvector(k);
        double bi = q.getEntry(n - 1) / Math.sqrt(chain.capacities.get(n - 1)) * g[n];
        double bo = q.getEntry(0) / Math.sqrt(chain.capacities.get(0)) * g[0];
        double stores = 0;
        for (int j = 0; j < n; j++) {
          stores += q.getEntry(j) * Math.sqrt(chain.capacities.get(j));
        }
        add(eigen.getRealEigenvalue(k), bi, bo, stores);
      }
    }

    private void add(double lambda, double bi, double bo, double stores) {
      double decay = lambda * HOUR;
      boolean remembers = decay < AT_ONCE;
      double left = remembers ? -Math.expm1(-decay) / decay : 0;
      inner -= bi * bi * (1 - left) / lambda;
      outer -= bo * bo * (1 - left) / lambda;
      across += bi * bo * (1 - left) / lambda;
      double size = lambda * lambda + DAILY * DAILY;
      swingReal -= bi * (bi + bo) * lambda / size;
      swingImaginary += bi * (bi + bo) * DAILY / size;
      if (remembers) {
        rows.add(
            new double[] {
              Math.exp(-decay),
              bi * HOUR * left,
              bo * HOUR * left,
              bi * left,
              bo * left,
              stores,
              bi / lambda,
              bo / lambda
            });
      }
    }
  }

  private static EigenDecomposition decompose(Chain chain, double[] g) {
    int n = g.length - 1;
    double[] main = new double[n];
    double[] beside = new double[Math.max(0, n - 1)];
    for (int j = 0; j < n; j++) {
      main[j] = (g[j] + g[j + 1]) / chain.capacities.get(j);
      if (j + 1 < n) {
        beside[j] = -g[j + 1] / Math.sqrt(chain.capacities.get(j) * chain.capacities.get(j + 1));
      }
    }
    return new EigenDecomposition(main, beside);
  }

  private static double[] column(List<double[]> rows, int i) {
    return rows.stream().mapToDouble(r -> r[i]).toArray();
  }

  /** The state that temperatures on both sides come to in the end. */
  void settle(double[] state, int at, double in, double out) {
    for (int k = 0; k < keep.length; k++) {
      state[at + k] = steadyInner[k] * in + steadyOuter[k] * out;
    }
  }

  /** Heat that comes out inside from what the component remembers, W/m². */
  double remembersInside(double[] state, int at) {
    double sum = 0;
    for (int k = 0; k < keep.length; k++) {
      sum += toInner[k] * state[at + k];
    }
    return sum;
  }

  /** Heat that comes out outside from what the component remembers, W/m². */
  double remembersOutside(double[] state, int at) {
    double sum = 0;
    for (int k = 0; k < keep.length; k++) {
      sum += toOuter[k] * state[at + k];
    }
    return sum;
  }

  /**
   * An hour on.
   *
   * @return heat taken in, J/m²
   */
  double advance(double[] state, int at, double in, double out) {
    double taken = 0;
    for (int k = 0; k < keep.length; k++) {
      double before = state[at + k];
      double now = keep[k] * before + fromInner[k] * in + fromOuter[k] * out;
      state[at + k] = now;
      taken += store[k] * (now - before);
    }
    return taken;
  }
}
