package yentra.core.thermal;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Spaces that are not conditioned as a network: each exchanges heat with conditioned spaces, with
 * outdoor air and the ground, and with others like it (ISO 13789:2017, 8.3, for a single one; from
 * memory). In the steady state the temperature of each, as a share of the way from outdoors to
 * indoors, is the mean of what surrounds it, weighted by heat transfer coefficients; the share that
 * is left is its adjustment factor b. The equations are symmetric and positive definite and are
 * solved by conjugate gradients, which end exactly after as many steps as there are spaces and to
 * rounding after far fewer.
 */
public final class UnconditionedSpaces {
  /** Heat capacity of air by volume, Wh/(m³K): ρc = 1200 J/(m³K). */
  public static final double AIR = 1 / 3.0;

  /** Residual at which the temperatures are known to rounding, as a share of the first. */
  private static final double EXACT = 1e-14;

  private final Map<String, Integer> places = new LinkedHashMap<>();
  private double[] inner = new double[8];
  private double[] outer = new double[8];
  private final List<Link> links = new ArrayList<>();

  private record Link(int a, int b, double coefficient) {}

  /** H of air exchange, W/K, of so many air changes per hour of a volume in m³. */
  public static double ventilation(double airChanges, double volume) {
    return AIR * airChanges * volume;
  }

  /** Adds a space. */
  public void add(String space) {
    int n = places.size();
    if (places.putIfAbsent(space, n) == null && n == inner.length) {
      inner = Arrays.copyOf(inner, 2 * n);
      outer = Arrays.copyOf(outer, 2 * n);
    }
  }

  public boolean contains(String space) {
    return places.containsKey(space);
  }

  public boolean isEmpty() {
    return places.isEmpty();
  }

  /** Adds heat transfer between a space and the conditioned ones, W/K. */
  public void inside(String space, double coefficient) {
    inner[places.get(space)] += coefficient;
  }

  /** Adds heat transfer between a space and outdoor air or the ground, W/K. */
  public void outside(String space, double coefficient) {
    outer[places.get(space)] += coefficient;
  }

  /** Adds heat transfer between two of the spaces, W/K. */
  public void between(String a, String b, double coefficient) {
    if (!a.equals(b)) {
      links.add(new Link(places.get(a), places.get(b), coefficient));
    }
  }

  /**
   * The share of the difference between indoors and outdoors that lies between conditioned spaces
   * and each of these, 0 to 1, by space; 0 for what loses nothing to the outside.
   */
  public Map<String, Double> adjustments() {
    double[] warmth = solve();
    Map<String, Double> out = new LinkedHashMap<>();
    places.forEach((k, i) -> out.put(k, Math.min(1, Math.max(0, 1 - warmth[i]))));
    return out;
  }

  /** Temperatures as shares of the way from outdoors to indoors. */
  private double[] solve() {
    int n = places.size();
    double[] diagonal = new double[n];
    for (int i = 0; i < n; i++) {
      diagonal[i] = inner[i] + outer[i];
    }
    for (Link l : links) {
      diagonal[l.a] += l.coefficient;
      diagonal[l.b] += l.coefficient;
    }
    // where nothing leads outside, nothing is lost: warm to begin with, and so it stays
    double[] x = new double[n];
    Arrays.fill(x, 1);
    double[] r = new double[n];
    double[] ax = times(diagonal, x);
    for (int i = 0; i < n; i++) {
      r[i] = inner[i] - ax[i];
    }
    double[] z = new double[n];
    double[] p = new double[n];
    double first = 0;
    double rz = 0;
    for (int step = 0; step <= 2 * n; step++) {
      double next = 0;
      for (int i = 0; i < n; i++) {
        z[i] = diagonal[i] > 0 ? r[i] / diagonal[i] : 0;
        next += r[i] * z[i];
      }
      if (step == 0) {
        first = next;
      }
      if (next <= EXACT * EXACT * first || next == 0) {
        break;
      }
      for (int i = 0; i < n; i++) {
        p[i] = z[i] + (step == 0 ? 0 : next / rz * p[i]);
      }
      rz = next;
      double[] ap = times(diagonal, p);
      double pap = 0;
      for (int i = 0; i < n; i++) {
        pap += p[i] * ap[i];
      }
      if (pap <= 0) {
        break;
      }
      for (int i = 0; i < n; i++) {
        x[i] += rz / pap * p[i];
        r[i] -= rz / pap * ap[i];
      }
    }
    return x;
  }

  private double[] times(double[] diagonal, double[] x) {
    double[] out = new double[x.length];
    for (int i = 0; i < x.length; i++) {
      out[i] = diagonal[i] * x[i];
    }
    for (Link l : links) {
      out[l.a] -= l.coefficient * x[l.b];
      out[l.b] -= l.coefficient * x[l.a];
    }
    return out;
  }
}
