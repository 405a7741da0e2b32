package yentra.cli;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import yentra.core.boundary.Watch;
import yentra.core.envelope.UnreadableException;
import yentra.core.estimate.EstimateResult;
import yentra.core.estimate.hourly.Flow;
import yentra.core.estimate.hourly.HourRows;
import yentra.core.estimate.hourly.HourlyYear;
import yentra.core.estimate.hourly.SecondOpinion;
import yentra.core.estimate.hourly.YearResult;

/** The hourly year. Exit 0; 1: U-values are missing; 2: not readable. */
@Command(
    name = "estimate",
    description =
        "The hourly year after ISO 52016-1: heating and cooling by space and month, cost and carbon, with second opinions.",
    mixinStandardHelpOptions = true)
final class EstimateCommand implements Callable<Integer> {
  @Mixin private EstimateChoice choice;

  @Option(
      names = "--hourly",
      paramLabel = "OUT.csv",
      description = "writes a row for every hour and space")
  private Path hourly;

  @Option(names = "--format", description = "text or json", defaultValue = "text")
  private Format format;

  @Override
  public Integer call() throws IOException, UnreadableException {
    EstimateChoice.Ready r;
    try {
      r = choice.ready();
    } catch (HourlyYear.IncompleteException e) {
      return 1;
    }
    long start = System.nanoTime();
    EstimateResult result;
    try {
      result =
          hourly == null
              ? r.estimate().run(HourRows.NONE, Watch.NONE)
              : Output.write(
                  hourly,
                  out -> {
                    Writer w =
                        new BufferedWriter(
                            new OutputStreamWriter(out, StandardCharsets.UTF_8), 1 << 16);
                    EstimateResult e = r.estimate().run(rows(r, w), Watch.NONE);
                    w.flush();
                    return e;
                  });
    } catch (UncheckedIOException e) {
      throw e.getCause();
    }
    long ms = (System.nanoTime() - start) / 1_000_000;
    System.out.print(format == Format.JSON ? Format.json(json(r, result, ms)) : text(r, result));
    return 0;
  }

  private static HourRows rows(EstimateChoice.Ready r, Writer w) throws IOException {
    w.write("hour,zone,air_C,operative_C,heating_W,cooling_W,solar_W,internal_W\n");
    List<String> ids = r.estimate().year().spaces().stream().map(r::id).toList();
    return (hour, zone, air, operative, heating, cooling, sun, internal) -> {
      try {
        w.write(
            (hour + 1)
                + ","
                + ids.get(zone)
                + ","
                + (float) air
                + ","
                + (float) operative
                + ","
                + (float) heating
                + ","
                + (float) cooling
                + ","
                + (float) sun
                + ","
                + (float) internal
                + "\n");
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    };
  }

  private static Map<String, Object> json(EstimateChoice.Ready r, EstimateResult e, long ms) {
    YearResult y = e.year();
    Map<String, Object> out = new LinkedHashMap<>();
    out.put("method", "hourly");
    out.put("hours", y.hours());
    Map<String, Object> annual = new LinkedHashMap<>();
    annual.put("heating", y.total(Flow.HEATING));
    annual.put("cooling", 0 - y.total(Flow.COOLING));
    annual.put("lighting", y.total(Flow.LIGHTING));
    annual.put("equipment", y.total(Flow.EQUIPMENT));
    annual.put("fans", e.energy().fans());
    annual.put("hotWater", e.energy().hotWater());
    out.put("annual_kWh", annual);
    out.put("perArea_kWh_m2", e.perArea());
    Map<String, Object> monthly = new LinkedHashMap<>();
    monthly.put("heating", y.months(Flow.HEATING));
    monthly.put("cooling", positive(y.months(Flow.COOLING)));
    out.put("monthly_kWh", monthly);
    Map<String, Object> peak = new LinkedHashMap<>();
    peak.put("heating", y.peakHeating());
    peak.put("cooling", y.peakCooling());
    out.put("peak_W", peak);
    Map<String, Object> bought = new LinkedHashMap<>();
    e.energy().bought().forEach((c, v) -> bought.put(c.name().toLowerCase(Locale.ROOT), v));
    out.put("bought_kWh", bought);
    out.put("cost", e.energy().cost());
    out.put("carbon_kg", e.energy().carbon());
    Map<String, Object> flows = new LinkedHashMap<>();
    for (Flow f : Flow.values()) {
      flows.put(f.name().toLowerCase(Locale.ROOT), y.total(f));
    }
    out.put("flows_kWh", flows);
    List<Map<String, Object>> zones = new ArrayList<>();
    y.zones().forEach(z -> zones.add(zone(r, z)));
    out.put("zones", zones);
    out.put("secondOpinion", opinion("monthly", e.monthly()));
    out.put("simpleHourly", opinion("simple hourly", e.simpleHourly()));
    out.put("disagreement", e.disagreement());
    out.put("balanceError", y.balanceError());
    out.put("settled", y.settled());
    List<String> assumed = new ArrayList<>(r.assumptions());
    assumed.addAll(e.assumptions());
    out.put("assumptions", assumed);
    out.put("timings_ms", Map.of("year", ms));
    return out;
  }

  private static double[] positive(double[] v) {
    double[] out = new double[v.length];
    for (int i = 0; i < v.length; i++) {
      out[i] = 0 - v[i];
    }
    return out;
  }

  private static Map<String, Object> zone(EstimateChoice.Ready r, YearResult.ZoneYear z) {
    Map<String, Object> m = new LinkedHashMap<>();
    m.put("id", r.id(z.key()));
    m.put("name", z.label());
    m.put("floorArea_m2", z.floorArea());
    m.put("heating_kWh", z.heating());
    m.put("cooling_kWh", z.cooling());
    m.put("peakHeating_W", z.peakHeating());
    m.put("peakCooling_W", z.peakCooling());
    m.put("hoursAbove_26C", z.hoursAbove26());
    m.put("unmetHours", z.unmet());
    Map<String, Object> free = new LinkedHashMap<>();
    free.put("min_C", z.freeColdest());
    free.put("max_C", z.freeWarmest());
    m.put("free", free);
    return m;
  }

  private static Map<String, Object> opinion(String method, SecondOpinion o) {
    Map<String, Object> m = new LinkedHashMap<>();
    m.put("method", method);
    m.put("heating_kWh", o.heating());
    m.put("cooling_kWh", o.cooling());
    return m;
  }

  private static String text(EstimateChoice.Ready r, EstimateResult e) {
    YearResult y = e.year();
    StringBuilder out = new StringBuilder();
    line(
        out,
        "%-28s %10s %10s %8s %8s %6s  %s",
        "",
        "heating",
        "cooling",
        "peak",
        "peak",
        ">26 °C",
        "without either");
    for (YearResult.ZoneYear z : y.zones()) {
      line(
          out,
          "%-28s %,6.0f kWh %,6.0f kWh %,6.0f W %,6.0f W %,6d h  %.1f to %.1f °C",
          z.label(),
          z.heating(),
          z.cooling(),
          z.peakHeating(),
          z.peakCooling(),
          z.hoursAbove26(),
          z.freeColdest(),
          z.freeWarmest());
    }
    line(
        out,
        "Heating %,.0f kWh, cooling %,.0f kWh, light %,.0f kWh, equipment %,.0f kWh, fans %,.0f kWh, hot water %,.0f kWh: %.1f kWh/m²",
        y.total(Flow.HEATING),
        0 - y.total(Flow.COOLING),
        y.total(Flow.LIGHTING),
        y.total(Flow.EQUIPMENT),
        e.energy().fans(),
        e.energy().hotWater(),
        e.perArea());
    e.energy().bought().forEach((c, v) -> line(out, "Bought: %s %,.0f kWh", c.label(), v));
    line(out, "Cost %,.0f, carbon %,.0f kg", e.energy().cost(), e.energy().carbon());
    line(
        out,
        "Second opinions: by month %,.0f and %,.0f kWh, simple hourly %,.0f and %,.0f kWh",
        e.monthly().heating(),
        e.monthly().cooling(),
        e.simpleHourly().heating(),
        e.simpleHourly().cooling());
    if (e.disagreement() != null) {
      line(out, "%s", e.disagreement());
    }
    r.assumptions().forEach(a -> line(out, "Assumed: %s", a));
    e.assumptions().forEach(a -> line(out, "Assumed: %s", a));
    return out.toString();
  }

  private static void line(StringBuilder out, String format, Object... values) {
    out.append(String.format(Locale.ROOT, format, values)).append('\n');
  }
}
