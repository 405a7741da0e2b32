package yentra.core.thermal;

import java.util.Arrays;
import java.util.List;

/**
 * U-value of glazing at its centre (EN 673; gas data and constants from memory): 1/U = 1/he + Σd/λ
 * + Σ1/hs + 1/hi, with the difference of 15 K shared out to the gaps by their resistances.
 *
 * @param glass thickness of all panes together, m
 * @param slope how it lies; heat flows upwards through what is not upright
 */
public record GlassUnit(double glass, List<Gap> gaps, Slope slope) {
  private static final double OUTSIDE = 25;
  private static final double GLASS = 1.0;
  private static final double DIFFERENCE = 15;
  private static final double MEAN = 283;
  private static final double GRAVITY = 9.81;

  /** Stefan–Boltzmann constant as EN 673 is reckoned with, W/(m²K⁴). */
  private static final double SIGMA = AirFilm.SIGMA;

  /** Emissivity of glass without coating. */
  public static final double UNCOATED = 0.837;

  private static final double EXACT = 1e-13;

  public GlassUnit {
    gaps = List.copyOf(gaps);
    slope = slope == null ? Slope.UPRIGHT : slope;
  }

  /** Upright. */
  public GlassUnit(double glass, List<Gap> gaps) {
    this(glass, gaps, Slope.UPRIGHT);
  }

  /**
   * How glazing lies: the constants A and n of Nu = A (Gr Pr)^n (EN 673, 5.3.3), and the air inside
   * (EN 673; of what is not upright ISO 10077-1, annex A: Rsi 0.10 m²K/W). From memory.
   */
  public enum Slope {
    UPRIGHT(0.035, 0.38, 7.7),
    HALFWAY(0.10, 0.31, 10),
    LEVEL(0.16, 0.28, 10);

    private final double factor;
    private final double exponent;
    private final double inside;

    Slope(double factor, double exponent, double inside) {
      this.factor = factor;
      this.exponent = exponent;
      this.inside = inside;
    }
  }

  /** Gas at 10 °C: kg/m³, Pa·s, W/(mK), J/(kgK). */
  public enum Gas {
    AIR("Air", 1.232, 1.761e-5, 2.496e-2, 1008),
    ARGON("Argon", 1.699, 2.164e-5, 1.684e-2, 519),
    KRYPTON("Krypton", 3.560, 2.400e-5, 0.900e-2, 245);

    private final String label;
    private final double density;
    private final double viscosity;
    private final double conductivity;
    private final double specificHeat;

    Gas(String label, double density, double viscosity, double conductivity, double specificHeat) {
      this.label = label;
      this.density = density;
      this.viscosity = viscosity;
      this.conductivity = conductivity;
      this.specificHeat = specificHeat;
    }

    public String label() {
      return label;
    }
  }

  /**
   * A gap between panes.
   *
   * @param width m
   * @param filled share of the gas, the rest is air, 0 to 1
   * @param emissivity1 of the face towards it outside
   * @param emissivity2 of the face towards it inside
   */
  public record Gap(double width, Gas gas, double filled, double emissivity1, double emissivity2) {
    private double mixed(double of, double air) {
      return filled * of + (1 - filled) * air;
    }

    /** Radiative conductance, W/(m²K). */
    public double radiation() {
      return 4 * SIGMA * Math.pow(MEAN, 3) / (1 / emissivity1 + 1 / emissivity2 - 1);
    }

    /** Conductance of the gas of upright glazing, W/(m²K), with so many kelvin across. */
    public double convection(double difference) {
      return convection(difference, Slope.UPRIGHT);
    }

    double convection(double difference, Slope slope) {
      double density = mixed(gas.density, Gas.AIR.density);
      double viscosity = mixed(gas.viscosity, Gas.AIR.viscosity);
      double conductivity = mixed(gas.conductivity, Gas.AIR.conductivity);
      double heat = mixed(gas.specificHeat, Gas.AIR.specificHeat);
      double grashof =
          GRAVITY
              * Math.pow(width, 3)
              * difference
              * density
              * density
              / (MEAN * viscosity * viscosity);
      double prandtl = viscosity * heat / conductivity;
      double nusselt = Math.max(1, slope.factor * Math.pow(grashof * prandtl, slope.exponent));
      return nusselt * conductivity / width;
    }

    double conductance(double difference, Slope slope) {
      return radiation() + convection(difference, slope);
    }
  }

  /** U, W/(m²K). */
  public double uValue() {
    double[] share = new double[gaps.size()];
    Arrays.fill(share, DIFFERENCE / Math.max(1, gaps.size()));
    double[] r = new double[gaps.size()];
    for (int round = 0; round < 100; round++) {
      double sum = 0;
      for (int i = 0; i < r.length; i++) {
        r[i] = 1 / gaps.get(i).conductance(share[i], slope);
        sum += r[i];
      }
      double moved = 0;
      for (int i = 0; i < r.length; i++) {
        double next = DIFFERENCE * r[i] / sum;
        moved = Math.max(moved, Math.abs(next - share[i]));
        share[i] = next;
      }
      if (moved < EXACT) {
        break;
      }
    }
    double total = 1 / OUTSIDE + glass / GLASS + 1 / slope.inside;
    for (double x : r) {
      total += x;
    }
    return 1 / total;
  }

  /** Conductance between the outer and the inner face of the glass, W/(m²K). */
  public double conductance() {
    return 1 / (1 / uValue() - 1 / OUTSIDE - 1 / slope.inside);
  }
}
