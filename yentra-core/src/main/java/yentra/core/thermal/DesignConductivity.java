package yentra.core.thermal;

/**
 * Conductivity under other conditions (ISO 10456:2007, clause 7; from memory): λ2 = λ1·FT·Fm, each
 * an exponential of the change.
 */
public final class DesignConductivity {
  private DesignConductivity() {}

  /**
   * @param coefficient fT, 1/K
   * @param kelvin change of temperature
   */
  public static double warmer(double conductivity, double coefficient, double kelvin) {
    return conductivity * Math.exp(coefficient * kelvin);
  }

  /**
   * @param coefficient fψ or fu
   * @param moisture change of moisture by volume, m³/m³, or by mass, kg/kg
   */
  public static double moister(double conductivity, double coefficient, double moisture) {
    return conductivity * Math.exp(coefficient * moisture);
  }
}
