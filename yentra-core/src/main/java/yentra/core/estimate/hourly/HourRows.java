package yentra.core.estimate.hourly;

/** Told of every zone in every hour of a year, hours in order, zones in order within them. */
public interface HourRows {
  HourRows NONE = (hour, zone, air, operative, heating, cooling, sun, internal) -> {};

  /**
   * @param hour from 0
   * @param zone number of the zone
   * @param air °C
   * @param operative °C
   * @param heating W
   * @param cooling W, above 0
   * @param sun W
   * @param internal W
   */
  void row(
      int hour,
      int zone,
      double air,
      double operative,
      double heating,
      double cooling,
      double sun,
      double internal);
}
