package yentra.core.thermal;

/**
 * Mean thermal transmittance of components with a tapered layer in W/(m²K) (ISO 6946:2017, annex E;
 * from memory). R0 is the resistance of all else, air at the faces included; R2 that of the taper
 * at its thickest, both m²K/W.
 */
public final class TaperedLayer {
  private TaperedLayer() {}

  public static double rectangle(double r0, double r2) {
    return Math.log(1 + r2 / r0) / r2;
  }

  public static double thickestAtApex(double r0, double r2) {
    return 2 / r2 * ((1 + r0 / r2) * Math.log(1 + r2 / r0) - 1);
  }

  public static double thinnestAtApex(double r0, double r2) {
    return 2 / r2 * (1 - r0 / r2 * Math.log(1 + r2 / r0));
  }
}
