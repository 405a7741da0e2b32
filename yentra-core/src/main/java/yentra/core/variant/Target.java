package yentra.core.variant;

/**
 * What is good enough: at most a value, or a share below the baseline.
 *
 * @param most in the metric's unit; null when it is a share
 * @param below share of the baseline's value that a variant must lie below it, 0 to 1; null when it
 *     is a value
 */
public record Target(Metric metric, Double most, Double below) {
  /** Values that exceed a limit by less than this share of it meet it: rounding is no failure. */
  private static final double SAME = 1e-9;

  public Target {
    if (metric == null || (most == null) == (below == null)) {
      throw new IllegalArgumentException("A target needs a metric, and a value or a share.");
    }
    if (most != null && !(most >= 0) || below != null && !(below > 0 && below < 1)) {
      throw new IllegalArgumentException(
          "A target is a value of 0 or more, or a share between 0 and 1 below the baseline.");
    }
  }

  /** At most this, in the metric's unit; NaN when the baseline's value is not known. */
  public double limit(VariantFigures baseline) {
    return most != null ? most : metric.of(baseline) * (1 - below);
  }

  /**
   * Whether figures are good enough.
   *
   * @param limit from {@link #limit}
   * @return false also where a value is not known
   */
  public boolean isMet(VariantFigures f, double limit) {
    return metric.of(f) <= limit + SAME * Math.abs(limit);
  }
}
