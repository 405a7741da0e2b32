package yentra.core.climate;

/**
 * What a weather year holds for each hour. The codes for a missing value and the lawful ranges are
 * those of the EPW format (from memory).
 */
public enum WeatherQuantity {
  /** °C. */
  DRY_BULB("dryBulb", "dry bulb temperature", 6, -70, 70, 99.9),
  /** °C. */
  DEW_POINT("dewPoint", "dew point temperature", 7, -70, 70, 99.9),
  /** Percent. */
  RELATIVE_HUMIDITY("relativeHumidity", "relative humidity", 8, 0, 110, 999),
  /** Pa. */
  PRESSURE("pressure", "atmospheric pressure", 9, 31_000, 120_000, 999_999),
  /** Long-wave radiation of the sky on a level surface, W/m². */
  HORIZONTAL_INFRARED("horizontalInfrared", "horizontal infrared radiation", 12, 0, 1_500, 9_999),
  /** W/m². */
  GLOBAL_HORIZONTAL("globalHorizontal", "global horizontal radiation", 13, 0, 1_800, 9_999),
  /** W/m². */
  DIRECT_NORMAL("directNormal", "direct normal radiation", 14, 0, 1_600, 9_999),
  /** W/m². */
  DIFFUSE_HORIZONTAL("diffuseHorizontal", "diffuse horizontal radiation", 15, 0, 1_500, 9_999),
  /** Degrees clockwise from north, where it comes from. */
  WIND_DIRECTION("windDirection", "wind direction", 20, 0, 360, 999),
  /** m/s. */
  WIND_SPEED("windSpeed", "wind speed", 21, 0, 80, 999),
  /** Tenths. */
  SKY_COVER("skyCover", "total sky cover", 22, 0, 10, 99),
  /** Tenths. */
  OPAQUE_SKY_COVER("opaqueSkyCover", "opaque sky cover", 23, 0, 10, 99);

  private final String key;
  private final String label;
  private final int field;
  private final double least;
  private final double most;
  private final double missing;

  WeatherQuantity(String key, String label, int field, double least, double most, double missing) {
    this.key = key;
    this.label = label;
    this.field = field;
    this.least = least;
    this.most = most;
    this.missing = missing;
  }

  /** As it is named in results, such as {@code dryBulb}. */
  public String key() {
    return key;
  }

  /** In words, lower case. */
  public String label() {
    return label;
  }

  /** Its place in a row of an EPW file, from 0. */
  int field() {
    return field;
  }

  /** Whether a number of the file stands for no value. */
  boolean isMissing(double v) {
    // a level sky that sends nothing is none: files without it have zeros
    return v >= missing || this == HORIZONTAL_INFRARED && v <= 0;
  }

  boolean isLawful(double v) {
    return v >= least && v <= most;
  }

  String range() {
    return plain(least) + " to " + plain(most);
  }

  private static String plain(double v) {
    return Long.toString((long) v);
  }

  /** Energy over a time rather than a state at a time. */
  boolean isRadiation() {
    return this == HORIZONTAL_INFRARED || isSun();
  }

  /** Of the sun. */
  boolean isSun() {
    return this == GLOBAL_HORIZONTAL || this == DIRECT_NORMAL || this == DIFFUSE_HORIZONTAL;
  }
}
