package yentra.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import yentra.core.climate.ClimateSummary;
import yentra.core.climate.WeatherQuantity;
import yentra.core.climate.WeatherYear;
import yentra.core.envelope.UnreadableException;

/** What a weather file comes to. Exit 0; 2: not readable. */
@Command(
    name = "climate",
    description =
        "Tells what an EPW weather file comes to: temperatures, degree days, radiation, wind, ground, and what was missing.",
    mixinStandardHelpOptions = true)
final class ClimateCommand implements Callable<Integer> {
  /** Base of the degree days, °C. */
  private static final double BASE = 18;

  @Parameters(paramLabel = "FILE", description = "an EPW weather file")
  private Path file;

  @Option(names = "--format", description = "text or json", defaultValue = "text")
  private Format format;

  @Override
  public Integer call() throws IOException, UnreadableException {
    WeatherYear w = Weather.read(file);
    ClimateSummary s = ClimateSummary.of(w, BASE);
    System.out.print(format == Format.JSON ? Format.json(json(w, s)) : text(w, s));
    return 0;
  }

  private static Map<String, Object> json(WeatherYear w, ClimateSummary s) {
    Map<String, Object> out = new LinkedHashMap<>();
    WeatherYear.Station at = w.station();
    Map<String, Object> location = new LinkedHashMap<>();
    location.put("name", at.label());
    location.put("latitude", at.latitude());
    location.put("longitude", at.longitude());
    location.put("elevation_m", at.elevation());
    location.put("timeZone_h", at.timeZone());
    out.put("location", location);
    out.put("hours", w.hours());
    Map<String, Object> dry = new LinkedHashMap<>();
    dry.put("mean", s.dryBulb().mean());
    dry.put("min", s.dryBulb().min());
    dry.put("max", s.dryBulb().max());
    dry.put("p004", s.dryBulb().p004());
    dry.put("p010", s.dryBulb().p010());
    dry.put("p990", s.dryBulb().p990());
    dry.put("p996", s.dryBulb().p996());
    dry.put("monthly", s.dryBulb().monthly());
    out.put("dryBulb_C", dry);
    out.put("heatingDegreeDays_Kd", Map.of("base18", s.heatingDegreeDays()));
    out.put("coolingDegreeDays_Kd", Map.of("base18", s.coolingDegreeDays()));
    out.put("globalHorizontal_kWh_m2", s.globalHorizontal());
    out.put("directNormal_kWh_m2", s.directNormal());
    out.put("diffuseHorizontal_kWh_m2", s.diffuseHorizontal());
    out.put("globalHorizontalMonthly_kWh_m2", s.globalMonths());
    out.put("windMean_m_s", Double.isNaN(s.windMean()) ? null : s.windMean());
    out.put("windCalm", s.calm());
    out.put(
        "windRose",
        s.windRose().stream()
            .map(
                r -> {
                  Map<String, Object> m = new LinkedHashMap<>();
                  m.put("from_deg", r.from());
                  m.put("share", r.share());
                  m.put("mean_m_s", r.speed());
                  return m;
                })
            .toList());
    out.put("ground_C", s.ground().isEmpty() ? Arrays.asList(new Double[12]) : s.ground());
    Map<String, Integer> missing = new LinkedHashMap<>();
    for (WeatherQuantity q : WeatherQuantity.values()) {
      missing.put(q.key(), w.missing(q));
    }
    out.put("missing", missing);
    out.put("notes", w.notes());
    return out;
  }

  private static String text(WeatherYear w, ClimateSummary s) {
    StringBuilder out = new StringBuilder();
    WeatherYear.Station at = w.station();
    line(
        out,
        "%s: %.2f° %s, %.2f° %s, %.0f m, UTC%+.1f h, %,d hours",
        at.label(),
        Math.abs(at.latitude()),
        at.latitude() < 0 ? "S" : "N",
        Math.abs(at.longitude()),
        at.longitude() < 0 ? "W" : "E",
        at.elevation(),
        at.timeZone(),
        w.hours());
    ClimateSummary.DryBulb t = s.dryBulb();
    line(out, "Dry bulb: mean %.1f °C, %.1f to %.1f °C", t.mean(), t.min(), t.max());
    line(out, "  by month: %s", months(t.monthly(), "%.1f"));
    line(out, "  0.4 %% of the hours are under %.1f °C, 0.4 %% over %.1f °C", t.p004(), t.p996());
    line(
        out,
        "Degree days to 18 °C: heating %.0f Kd, cooling %.0f Kd",
        s.heatingDegreeDays(),
        s.coolingDegreeDays());
    line(
        out,
        "Radiation: global horizontal %.0f, direct normal %.0f, diffuse horizontal %.0f kWh/m²",
        s.globalHorizontal(),
        s.directNormal(),
        s.diffuseHorizontal());
    if (!Double.isNaN(s.windMean())) {
      line(out, "Wind: mean %.1f m/s, calm %.0f %% of the hours", s.windMean(), 100 * s.calm());
    }
    line(
        out,
        s.ground().isEmpty() ? "Ground: nothing said" : "Ground at %.1f m by month: %s °C",
        s.groundDepth(),
        s.ground().isEmpty() ? "" : months(s.ground(), "%.1f"));
    for (WeatherQuantity q : WeatherQuantity.values()) {
      if (w.missing(q) > 0) {
        line(
            out,
            w.has(q) ? "Missing: %s in %,d hours, filled" : "Missing: %s in all %,d hours",
            q.label(),
            w.missing(q));
      }
    }
    w.notes().forEach(n -> line(out, "Note: %s", n));
    return out.toString();
  }

  private static void line(StringBuilder out, String format, Object... values) {
    out.append(String.format(Locale.ROOT, format, values)).append('\n');
  }

  private static String months(List<Double> values, String format) {
    return String.join(
        " ", values.stream().map(v -> String.format(Locale.ROOT, format, v)).toList());
  }
}
