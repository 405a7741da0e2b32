package yentra.core.repair.construction;

import yentra.core.repair.NotApplicableException;

/** What values of materials, constructions and window types can be. */
final class ThermalValues {
  private ThermalValues() {}

  /**
   * @param uValue W/(m²K), or null
   */
  static void ofConstruction(Double uValue) throws NotApplicableException {
    if (uValue != null && !(uValue > 0 && Double.isFinite(uValue))) {
      throw new NotApplicableException("A U-value must be above 0.");
    }
  }

  /**
   * @param values thickness in m, conductivity in W/(mK) and so on; null where one is not known
   */
  static void ofMaterial(Double... values) throws NotApplicableException {
    for (Double v : values) {
      if (v != null && !(v > 0 && Double.isFinite(v))) {
        throw new NotApplicableException("Values of a material must be above 0.");
      }
    }
  }

  /**
   * @param values density in kg/m³ and specific heat in J/(kgK), of which air and membranes have
   *     none; null where one is not known
   */
  static void ofMass(Double... values) throws NotApplicableException {
    for (Double v : values) {
      if (v != null && !(v >= 0 && Double.isFinite(v))) {
        throw new NotApplicableException("Density and specific heat are not below 0.");
      }
    }
  }

  /**
   * @param uValue W/(m²K), or null
   * @param shares of sun and light that come through, or null
   */
  static void ofGlazing(Double uValue, Double... shares) throws NotApplicableException {
    if (uValue != null && !(uValue > 0 && uValue < 20)) {
      throw new NotApplicableException("A window's U-value lies between 0 and 20 W/m²K.");
    }
    for (Double v : shares) {
      if (v != null && !(v >= 0 && v <= 1)) {
        throw new NotApplicableException("Shares of sun and light lie between 0 and 1.");
      }
    }
  }
}
