package yentra.core.intake;

import java.util.List;

/**
 * A weather station to choose from. The list holds made-up and generic places only: one for each
 * kind of climate, at a place where such a climate is common.
 *
 * @param latitude degrees north
 * @param longitude degrees east
 * @param elevation metres above sea level
 * @param climate in plain words
 */
public record WeatherStation(
    String name, double latitude, double longitude, double elevation, String climate) {
  private static final double EARTH_RADIUS = 6_371_000;

  private static final List<WeatherStation> ALL =
      List.of(
          new WeatherStation("Marram Point", 54.1, -3.3, 5, "cool and windy, by the sea"),
          new WeatherStation("Generic maritime", 52, 4, 0, "mild winters, cool summers"),
          new WeatherStation("Generic continental", 50, 20, 200, "cold winters, warm summers"),
          new WeatherStation("Generic mountain", 47, 11, 1200, "cold, snow, strong sun"),
          new WeatherStation("Generic northern", 65, 25, 20, "long cold winters"),
          new WeatherStation("Generic Mediterranean", 40, 15, 20, "mild winters, hot dry summers"),
          new WeatherStation("Generic humid subtropical", 32, -90, 100, "hot humid summers"),
          new WeatherStation("Generic prairie", 45, -100, 400, "very cold winters, hot summers"),
          new WeatherStation("Generic hot desert", 25, 45, 600, "hot, dry, clear skies"),
          new WeatherStation("Generic tropical", 3, 102, 20, "hot and humid all year"),
          new WeatherStation("Generic highland tropical", 0, -78, 2800, "mild all year"),
          new WeatherStation("Generic southern temperate", -37, 145, 50, "mild, warm summers"));

  public static List<WeatherStation> all() {
    return ALL;
  }

  /** Great-circle distance in metres on a sphere (haversine formula). */
  public double distance(double toLatitude, double toLongitude) {
    double a = Math.toRadians(latitude);
    double b = Math.toRadians(toLatitude);
    double h =
        square(Math.sin((b - a) / 2))
            + Math.cos(a)
                * Math.cos(b)
                * square(Math.sin(Math.toRadians(toLongitude - longitude) / 2));
    return 2 * EARTH_RADIUS * Math.asin(Math.sqrt(Math.min(1, h)));
  }

  private static double square(double d) {
    return d * d;
  }
}
