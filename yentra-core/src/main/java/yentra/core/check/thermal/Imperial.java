package yentra.core.check.thermal;

/** A U-value that was converted twice, or not at all. */
final class Imperial {
  /** W/(m²K) per Btu/(h·ft²·°F). */
  static final double FACTOR = 5.678263341113488;

  private Imperial() {}
}
