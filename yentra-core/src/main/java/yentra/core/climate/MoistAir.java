package yentra.core.climate;

/**
 * Psychrometrics of moist air (Hyland and Wexler 1983, as in the ASHRAE Handbook – Fundamentals,
 * chapter 1; coefficients from memory). Temperatures °C, pressures Pa.
 */
public final class MoistAir {
  private static final double ZERO = 273.15;
  private static final double[] ICE = {
    -5.6745359e3, 6.3925247, -9.677843e-3, 6.2215701e-7, 2.0747825e-9, -9.484024e-13, 4.1635019
  };
  private static final double[] WATER = {
    -5.8002206e3, 1.3914993, -4.8640239e-2, 4.1764768e-5, -1.4452093e-8, 0, 6.5459673
  };

  private MoistAir() {}

  /** Pressure of saturated vapour, over ice below 0 °C. */
  public static double saturation(double celsius) {
    double t = celsius + ZERO;
    double[] c = celsius < 0 ? ICE : WATER;
    return Math.exp(
        c[0] / t + c[1] + t * (c[2] + t * (c[3] + t * (c[4] + t * c[5]))) + c[6] * Math.log(t));
  }

  /** Humidity ratio, kg of vapour per kg of dry air. */
  public static double ratio(double vapour, double pressure) {
    return 0.621945 * vapour / (pressure - vapour);
  }

  /** Enthalpy, kJ per kg of dry air. */
  public static double enthalpy(double celsius, double ratio) {
    return 1.006 * celsius + ratio * (2501 + 1.86 * celsius);
  }

  /** Volume of a kg of dry air with its vapour, m³. */
  public static double volume(double celsius, double ratio, double pressure) {
    return 287.042 * (celsius + ZERO) * (1 + 1.607858 * ratio) / pressure;
  }

  /** Density, kg/m³. */
  public static double density(double celsius, double ratio, double pressure) {
    return (1 + ratio) / volume(celsius, ratio, pressure);
  }

  /** Pressure of the standard atmosphere, Pa. */
  public static double pressure(double elevation) {
    return 101_325 * Math.pow(1 - 2.25577e-5 * elevation, 5.2559);
  }

  /**
   * Temperature at which vapour of a pressure is saturated: dew point, or frost point below 0 °C.
   * Found to 1e-10 K by Newton's method, kept between bounds.
   */
  public static double dewPoint(double vapour) {
    double low = -100;
    double high = 100;
    double t = 10;
    for (int i = 0; i < 100; i++) {
      double p = saturation(t);
      if (p > vapour) {
        high = t;
      } else {
        low = t;
      }
      double slope = (saturation(t + 1e-4) - saturation(t - 1e-4)) / 2e-4;
      double next = t - (p - vapour) / slope;
      next = next <= low || next >= high ? (low + high) / 2 : next;
      if (Math.abs(next - t) < 1e-10) {
        return next;
      }
      t = next;
    }
    return t;
  }

  /** Dew point of air of a relative humidity in percent. */
  public static double dewPoint(double celsius, double humidity) {
    return dewPoint(saturation(celsius) * Math.max(0.1, Math.min(100, humidity)) / 100);
  }
}
