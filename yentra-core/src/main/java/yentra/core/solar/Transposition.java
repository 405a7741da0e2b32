package yentra.core.solar;

/**
 * The sun's radiation on a tilted face, W/m²: beam, sky, ground (Liu and Jordan 1963 for a sky that
 * is equally bright; Perez, Ineichen, Seals, Michalsky and Stewart 1990 for one that is brighter
 * around the sun and at the horizon, as ISO 52010-1:2017 has it; coefficients from memory).
 *
 * @param beam with what of the sky comes from around the sun
 * @param sky the rest of the sky
 * @param ground what the ground reflects
 */
public record Transposition(double beam, double sky, double ground) {
  /** Reflectance of the ground where nothing else is said (ISO 52010-1). */
  public static final double GROUND = 0.2;

  /** How bright the sky is where. */
  public enum Sky {
    ISOTROPIC("equally bright"),
    ANISOTROPIC("brighter around the sun and at the horizon");

    private final String label;

    Sky(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  private static final double[] CLEARNESS = {1.065, 1.23, 1.5, 1.95, 2.8, 4.5, 6.2};

  private static final double[][] PEREZ = {
    {-0.008, 0.588, -0.062, -0.060, 0.072, -0.022},
    {0.130, 0.683, -0.151, -0.019, 0.066, -0.029},
    {0.330, 0.487, -0.221, 0.055, -0.064, -0.026},
    {0.568, 0.187, -0.295, 0.109, -0.152, -0.014},
    {0.873, -0.392, -0.362, 0.226, -0.462, 0.001},
    {1.132, -1.237, -0.412, 0.288, -0.823, 0.056},
    {1.060, -1.600, -0.359, 0.264, -1.127, 0.131},
    {0.678, -0.327, -0.250, 0.156, -1.377, 0.251}
  };

  /** Constant of the clearness of Perez for a zenith angle in radians. */
  private static final double KAPPA = 1.041;

  private static final double LEAST_COSINE = Math.cos(Math.toRadians(85));

  /**
   * What comes down in an hour.
   *
   * @param sun at the middle of the hour
   * @param direct normal, W/m²
   * @param diffuse horizontal, W/m²
   * @param extraterrestrial normal, W/m²
   * @param reflectance of the ground
   */
  public record Hour(
      SunPosition sun, double direct, double diffuse, double extraterrestrial, double reflectance) {
    /** Global horizontal, W/m². */
    public double global() {
      return diffuse + direct * Math.max(0, sun.cosine());
    }

    /** Brightness around the sun and at the horizon: F1 and F2 of Perez. */
    private double[] brightness() {
      double z = Math.toRadians(Math.min(90, sun.zenith()));
      double z3 = KAPPA * z * z * z;
      double epsilon = ((diffuse + direct) / diffuse + z3) / (1 + z3);
      int bin = 0;
      while (bin < CLEARNESS.length && epsilon >= CLEARNESS[bin]) {
        bin++;
      }
      double degrees = Math.min(90, sun.zenith());
      double mass = 1 / (Math.cos(z) + 0.15 * Math.pow(93.885 - degrees, -1.253));
      double delta = diffuse * mass / extraterrestrial;
      double[] f = PEREZ[bin];
      return new double[] {
        Math.max(0, f[0] + f[1] * delta + f[2] * z), f[3] + f[4] * delta + f[5] * z
      };
    }
  }

  /** On a face in an hour. */
  public static Transposition of(Hour h, Sky sky, double tilt, double facing) {
    double incidence = Math.max(0, h.sun.incidence(tilt, facing));
    double cosine = Math.cos(Math.toRadians(tilt));
    double ground = h.global() * h.reflectance * (1 - cosine) / 2;
    double dome = (1 + cosine) / 2;
    double beam = h.sun.isUp() ? h.direct * incidence : 0;
    if (sky == Sky.ISOTROPIC || h.diffuse <= 0 || !h.sun.isUp()) {
      return new Transposition(beam, h.diffuse * dome, ground);
    }
    double[] f = h.brightness();
    double around = h.diffuse * f[0] * incidence / Math.max(LEAST_COSINE, h.sun.cosine());
    double rest = h.diffuse * ((1 - f[0]) * dome + f[1] * Math.sin(Math.toRadians(tilt)));
    return new Transposition(beam + around, Math.max(0, rest), ground);
  }

  public double total() {
    return beam + sky + ground;
  }
}
