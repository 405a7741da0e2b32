package yentra.cli;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import yentra.core.envelope.UnreadableException;
import yentra.core.estimate.CoolingLoads;
import yentra.core.estimate.HeatingLoads;
import yentra.core.estimate.hourly.HourlyYear;

/** Design loads. Exit 0; 1: U-values are missing; 2: not readable. */
@Command(
    name = "loads",
    description =
        "Design loads: heating after EN 12831-1, cooling by the hourly method on a design day of each month.",
    mixinStandardHelpOptions = true)
final class LoadsCommand implements Callable<Integer> {
  @Mixin private EstimateChoice choice;

  @Option(
      names = "--heating-outdoor",
      paramLabel = "C",
      description =
          "outdoor temperature to heat for (default: only 0.4 %% of the weather file's hours are colder)")
  private Double outdoor;

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
    HeatingLoads heating = r.estimate().heatingLoads(outdoor);
    CoolingLoads cooling = r.estimate().coolingLoads();
    System.out.print(
        format == Format.JSON ? Format.json(json(r, heating, cooling)) : text(r, heating, cooling));
    return 0;
  }

  private static Map<String, Object> json(
      EstimateChoice.Ready r, HeatingLoads heating, CoolingLoads cooling) {
    List<Map<String, Object>> heated = new ArrayList<>();
    for (HeatingLoads.OfSpace s : heating.spaces()) {
      Map<String, Object> m = new LinkedHashMap<>();
      m.put("id", r.id(s.key()));
      m.put("name", s.label());
      m.put("floorArea_m2", s.floorArea());
      m.put("indoor_C", s.indoor());
      m.put("transmission_W", s.transmission());
      m.put("outdoorAir_W", s.outdoorAir());
      m.put("bridges_W", s.bridges());
      m.put("ground_W", s.ground());
      m.put("unheated_W", s.unheated());
      m.put("neighbours_W", s.neighbours());
      m.put("ventilation_W", s.ventilation());
      m.put("reheat_W", s.reheat());
      m.put("total_W", s.total());
      heated.add(m);
    }
    List<Map<String, Object>> cooled = new ArrayList<>();
    for (CoolingLoads.OfSpace s : cooling.spaces()) {
      Map<String, Object> m = new LinkedHashMap<>();
      m.put("id", r.id(s.key()));
      m.put("name", s.label());
      m.put("floorArea_m2", s.floorArea());
      m.put("peak_W", s.peak());
      m.put("month", s.month());
      m.put("hour", s.hour());
      m.put("solar_W", s.sun());
      m.put("internal_W", s.internal());
      m.put("conduction_W", s.conduction());
      m.put("ventilation_W", s.ventilation());
      cooled.add(m);
    }
    Map<String, Object> h = new LinkedHashMap<>();
    h.put("outdoor_C", heating.outdoor());
    h.put("total_W", heating.total());
    h.put("spaces", heated);
    Map<String, Object> at = new LinkedHashMap<>();
    at.put("month", cooling.month());
    at.put("hour", cooling.hour());
    Map<String, Object> c = new LinkedHashMap<>();
    c.put("total_W", cooling.total());
    c.put("at", at);
    c.put("spaces", cooled);
    Map<String, Object> out = new LinkedHashMap<>();
    out.put("heating", h);
    out.put("cooling", c);
    out.put("assumptions", r.assumptions());
    return out;
  }

  private static String text(EstimateChoice.Ready r, HeatingLoads heating, CoolingLoads cooling) {
    StringBuilder out = new StringBuilder();
    line(out, "Heating at %.1f °C outdoors: %,.0f W", heating.outdoor(), heating.total());
    for (HeatingLoads.OfSpace s : heating.spaces()) {
      line(
          out,
          "  %-24s %5.1f °C  transmission %,7.0f  air %,7.0f  reheat %,6.0f  together %,7.0f W  %5.1f W/m²",
          s.label(),
          s.indoor(),
          s.transmission(),
          s.ventilation(),
          s.reheat(),
          s.total(),
          s.floorArea() > 0 ? s.total() / s.floorArea() : 0);
    }
    line(
        out,
        cooling.total() > 0 ? "Cooling in month %d, hour %d: %,.0f W" : "Cooling: none",
        cooling.month(),
        cooling.hour(),
        cooling.total());
    for (CoolingLoads.OfSpace s : cooling.spaces()) {
      line(
          out,
          "  %-24s month %2d, hour %2d  sun %,7.0f  gains %,7.0f  components %,7.0f  air %,7.0f  together %,7.0f W  %5.1f W/m²",
          s.label(),
          s.month(),
          s.hour(),
          s.sun(),
          s.internal(),
          s.conduction(),
          s.ventilation(),
          s.peak(),
          s.floorArea() > 0 ? s.peak() / s.floorArea() : 0);
    }
    r.assumptions().forEach(a -> line(out, "Assumed: %s", a));
    return out.toString();
  }

  private static void line(StringBuilder out, String format, Object... values) {
    out.append(String.format(Locale.ROOT, format, values)).append('\n');
  }
}
