package yentra.server.estimate;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import yentra.core.climate.ClimateSummary;
import yentra.core.climate.WeatherQuantity;
import yentra.core.climate.WeatherYear;
import yentra.core.envelope.Site;

/** What is said of weather files. */
public final class ClimateViews {
  private static final double EARTH = 6371;

  /** Base of the degree days, °C. */
  private static final double BASE = 18;

  private ClimateViews() {}

  /**
   * A weather file.
   *
   * @param latitude degrees north
   * @param longitude degrees east
   * @param elevation m
   */
  public record WeatherFileView(
      UUID id,
      String fileName,
      String label,
      double latitude,
      double longitude,
      double elevation) {}

  public record WeatherChoice(UUID weather) {}

  /**
   * A year of weather.
   *
   * @param weather its id
   * @param distance from the site, km; null where the site is not known
   * @param higher how much higher the site lies, m; null where it is not known
   * @param dryBulb °C by month and hour of the day, 12 rows of 24
   * @param design °C: 0.4 %, 1 %, 99 %, 99.6 %
   * @param global kWh/m² by month
   * @param ground °C by month; empty where the file has none
   * @param missing what was filled, as sentences
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record ClimateView(
      UUID weather,
      String label,
      String source,
      double latitude,
      double longitude,
      double elevation,
      double timeZone,
      int hours,
      @Schema(nullable = true) Double distance,
      @Schema(nullable = true) Double higher,
      double mean,
      double min,
      double max,
      List<Double> design,
      List<Double> monthly,
      List<List<Double>> dryBulb,
      List<Double> humidity,
      double heatingDegreeDays,
      double coolingDegreeDays,
      List<Double> global,
      List<Double> direct,
      List<Double> diffuse,
      @Schema(nullable = true) Double windMean,
      List<WindView> wind,
      double calm,
      List<Double> ground,
      List<String> missing,
      List<String> notes) {}

  /**
   * @param from degrees clockwise from north
   * @param share of the hours, 0 to 1
   * @param speed mean, m/s
   */
  public record WindView(double from, double share, double speed) {}

  static ClimateView climate(UUID id, WeatherYear w, Site site) {
    ClimateSummary s = ClimateSummary.of(w, BASE);
    WeatherYear.Station at = w.station();
    List<String> missing = new ArrayList<>();
    for (WeatherQuantity q : WeatherQuantity.values()) {
      if (w.missing(q) > 0) {
        missing.add(
            String.format(
                java.util.Locale.ROOT,
                w.has(q) ? "%s: %,d hours, filled" : "%s: none",
                q.label(),
                w.missing(q)));
      }
    }
    ClimateSummary.DryBulb t = s.dryBulb();
    return new ClimateView(
        id,
        at.label(),
        at.source(),
        at.latitude(),
        at.longitude(),
        at.elevation(),
        at.timeZone(),
        w.hours(),
        distance(at, site),
        site.elevation() == null ? null : site.elevation() - at.elevation(),
        t.mean(),
        t.min(),
        t.max(),
        List.of(t.p004(), t.p010(), t.p990(), t.p996()),
        t.monthly(),
        t.byHour(),
        s.humidityMonths(),
        s.heatingDegreeDays(),
        s.coolingDegreeDays(),
        s.globalMonths(),
        s.directMonths(),
        s.diffuseMonths(),
        Double.isNaN(s.windMean()) ? null : s.windMean(),
        s.windRose().stream().map(r -> new WindView(r.from(), r.share(), r.speed())).toList(),
        s.calm(),
        s.ground(),
        missing,
        w.notes());
  }

  /** Along the great circle, km. */
  private static Double distance(WeatherYear.Station at, Site site) {
    if (site.latitude() == null || site.longitude() == null) {
      return null;
    }
    double a = Math.toRadians(at.latitude());
    double b = Math.toRadians(site.latitude());
    double east = Math.toRadians(site.longitude() - at.longitude());
    double h =
        Math.pow(Math.sin((b - a) / 2), 2)
            + Math.cos(a) * Math.cos(b) * Math.pow(Math.sin(east / 2), 2);
    return 2 * EARTH * Math.asin(Math.min(1, Math.sqrt(h)));
  }
}
