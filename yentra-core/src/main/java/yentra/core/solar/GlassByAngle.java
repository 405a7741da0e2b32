package yentra.core.solar;

/**
 * How the solar heat gain of glazing falls with the angle of incidence, as a share of that at
 * normal incidence: Fresnel's reflection and absorption in equal clear panes, with the reflections
 * between them, and the part of what panes absorb that flows inwards (Duffie and Beckman, Solar
 * Engineering of Thermal Processes, chapter 5; ASHRAE Handbook – Fundamentals, fenestration; from
 * memory). Coated panes fall much alike.
 */
public final class GlassByAngle {
  /** Refractive index of glass. */
  static final double INDEX = 1.526;

  /** Extinction of clear glass, 1/m, and the thickness of a pane, m (Standard 140, case 600). */
  private static final double EXTINCTION = 19.6;

  private static final double PANE = 0.003175;

  /** Resistances of the air outside, of a gap and of the air inside, m²K/W. */
  private static final double OUTSIDE = 1 / 21.0;

  private static final double GAP = 1 / 6.297;
  private static final double INSIDE = 1 / 8.29;

  private static final int STEPS = 90;

  private final double[] curve;
  private final double hemispherical;

  private GlassByAngle(int panes) {
    curve = new double[STEPS + 1];
    double normal = gain(panes, 1);
    double sum = 0;
    for (int i = 0; i <= STEPS; i++) {
      curve[i] = gain(panes, (double) i / STEPS) / normal;
    }
    curve[0] = 0;
    // mean of an equally bright half space: 2 ∫ g(μ) μ dμ by Simpson's rule
    for (int i = 0; i <= STEPS; i++) {
      double weight = i == 0 || i == STEPS ? 1 : i % 2 == 1 ? 4 : 2;
      double mu = (double) i / STEPS;
      sum += weight * curve[i] * mu;
    }
    hemispherical = 2 * sum / (3 * STEPS);
  }

  private static final GlassByAngle[] PANES = {
    new GlassByAngle(1), new GlassByAngle(2), new GlassByAngle(3)
  };

  /** Of one, two or three panes. */
  public static GlassByAngle of(int panes) {
    return PANES[Math.max(1, Math.min(3, panes)) - 1];
  }

  /**
   * By the U-value of a window, where nothing says how many panes it has: one above 4 W/(m²K),
   * three below 1.2, else two (common practice, no source).
   */
  public static GlassByAngle ofUValue(double uValue) {
    return of(uValue > 4 ? 1 : uValue < 1.2 ? 3 : 2);
  }

  /** Of the beam, by the cosine of its angle of incidence; linear between steps of 1/90. */
  public double beam(double cosine) {
    double at = Math.max(0, Math.min(1, cosine)) * STEPS;
    int i = Math.min(STEPS - 1, (int) at);
    return curve[i] + (at - i) * (curve[i + 1] - curve[i]);
  }

  /** Of radiation from all directions alike. */
  public double diffuse() {
    return hemispherical;
  }

  /** Transmittance, reflectance and absorptance of one pane, mean of both polarisations. */
  static double[] pane(double cosine) {
    double[] s = polarised(cosine, true);
    double[] p = polarised(cosine, false);
    return new double[] {(s[0] + p[0]) / 2, (s[1] + p[1]) / 2, (s[2] + p[2]) / 2};
  }

  private static double[] polarised(double cosine, boolean perpendicular) {
    double refracted = Math.sqrt(1 - (1 - cosine * cosine) / (INDEX * INDEX));
    double r =
        perpendicular
            ? (cosine - INDEX * refracted) / (cosine + INDEX * refracted)
            : (INDEX * cosine - refracted) / (INDEX * cosine + refracted);
    r *= r;
    double tau = Math.exp(-EXTINCTION * PANE / refracted);
    double loop = 1 - r * r * tau * tau;
    double through = tau * (1 - r) * (1 - r) / loop;
    double back = r + r * tau * through;
    return new double[] {through, back, 1 - through - back};
  }

  /** Solar heat gain of panes behind each other. */
  static double gain(int panes, double cosine) {
    double sum = 0;
    for (boolean perpendicular : new boolean[] {true, false}) {
      sum += gain(panes, polarised(cosine, perpendicular)) / 2;
    }
    return sum;
  }

  private static double gain(int panes, double[] one) {
    double t = one[0];
    double r = one[1];
    double a = one[2];
    // radiation going in and coming back between the panes, solved pane by pane from inside
    double[] reflected = new double[panes + 1];
    for (int k = panes - 1; k >= 0; k--) {
      reflected[k] = r + t * t * reflected[k + 1] / (1 - r * reflected[k + 1]);
    }
    double all = OUTSIDE + (panes - 1) * GAP + INSIDE;
    double in = 1;
    double gain = 0;
    for (int k = 0; k < panes; k++) {
      double behind = reflected[k + 1];
      double passed = in * t / (1 - r * behind);
      double absorbed = in * a + passed * behind * a;
      gain += absorbed * (OUTSIDE + k * GAP) / all;
      in = passed;
    }
    return gain + in;
  }
}
