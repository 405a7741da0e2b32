package yentra.core.estimate;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yentra.core.check.measure.CheckContext;
import yentra.core.climate.ClimateSummary;
import yentra.core.climate.WeatherQuantity;
import yentra.core.climate.WeatherYear;
import yentra.core.estimate.hourly.HourlyYear;
import yentra.core.estimate.setting.EstimateSettings;
import yentra.core.thermal.HeatLoss;

/**
 * Design heat loads of spaces and of the building (EN 12831-1:2017 with the terms of the 2003
 * edition; from memory). Transmission to outdoor air and through linear thermal bridges; through
 * the ground by ISO 13370 with the standard's factors for the year's swing; to spaces that are not
 * heated by their factors; to spaces that are heated otherwise by the difference. Of air the
 * greater of what leaks in and what is supplied or, where nothing is supplied, what people need.
 *
 * @param outdoor °C
 * @param spaces heated ones, in the envelope's order
 * @param total of the building, W: without what spaces give each other
 */
public record HeatingLoads(double outdoor, List<OfSpace> spaces, double total) {
  /** fg1: the year's swing in the ground. */
  static final double GROUND_SWING = 1.45;

  /** W for each m³/h and K. */
  static final double AIR = 0.34;

  /** Air that people need in rooms to live and work in where nothing is supplied, 1/h. */
  static final double HYGIENE = 0.5;

  /**
   * Reheat after a set-back, W/m² of floor (annex, medium mass, some hours; from memory, unsure).
   */
  static final double REHEAT = 11;

  /**
   * Of a space, W.
   *
   * @param indoor °C
   * @param outdoorAir transmission to outdoor air
   * @param bridges through linear thermal bridges
   * @param ground through the ground
   * @param unheated to spaces that are not heated
   * @param neighbours to spaces that are heated to something else
   * @param ventilation by air
   * @param reheat after a set-back
   */
  public record OfSpace(
      String key,
      String label,
      double floorArea,
      double indoor,
      double outdoorAir,
      double bridges,
      double ground,
      double unheated,
      double neighbours,
      double ventilation,
      double reheat) {
    public double transmission() {
      return outdoorAir + bridges + ground + unheated + neighbours;
    }

    /** Never below 0: a space that its neighbours keep warm needs no heating. */
    public double total() {
      return Math.max(0, transmission() + ventilation + reheat);
    }

    /** Beside what is usual. */
    public LoadDensity density() {
      return LoadDensity.heating(this);
    }
  }

  public HeatingLoads {
    spaces = List.copyOf(spaces);
  }

  /** The outdoor temperature that a weather year gives: only 0.4 % of its hours are colder. */
  public static double outdoor(WeatherYear w) {
    return ClimateSummary.of(w, 18).dryBulb().p004();
  }

  /**
   * @param outdoor °C to design for
   * @param meanOutdoor mean of the year, °C
   * @param bridges linear thermal bridges of a space by its key, W/K
   */
  static HeatingLoads of(
      CheckContext context,
      EstimateSettings settings,
      HourlyYear year,
      double outdoor,
      double meanOutdoor,
      Map<String, Double> bridges) {
    Map<String, HourlyYear.Conditioned> zones = new HashMap<>();
    year.conditioned().forEach(z -> zones.put(z.key(), z));
    Map<String, List<HeatLoss.Share>> parts = new HashMap<>();
    for (HeatLoss.Share p : context.thermal().heatLoss(settings.heatLoss()).parts()) {
      parts.computeIfAbsent(p.space(), k -> new ArrayList<>()).add(p);
    }
    List<OfSpace> out = new ArrayList<>();
    double total = 0;
    for (HourlyYear.Conditioned z : year.conditioned()) {
      if (!z.heated() || Double.isNaN(z.heatTo())) {
        continue;
      }
      OfSpace s =
          of(
              z,
              parts.getOrDefault(z.key(), List.of()),
              zones,
              outdoor,
              meanOutdoor,
              settings.thermalBridges() ? bridges.getOrDefault(z.key(), 0.0) : 0);
      out.add(s);
      total += s.transmission() - s.neighbours() + s.ventilation() + s.reheat();
    }
    return new HeatingLoads(outdoor, out, total);
  }

  private static OfSpace of(
      HourlyYear.Conditioned z,
      List<HeatLoss.Share> parts,
      Map<String, HourlyYear.Conditioned> zones,
      double outdoor,
      double meanOutdoor,
      double bridges) {
    double out = 0;
    double ground = 0;
    double unheated = 0;
    double neighbours = 0;
    for (HeatLoss.Share p : parts) {
      double ua = p.uValue() == null ? 0 : p.area() * p.uValue();
      switch (p.beyond()) {
        case OUTDOOR -> out += ua;
        case GROUND -> ground += GROUND_SWING * ua * (z.heatTo() - meanOutdoor);
        case UNCONDITIONED -> unheated += ua * p.factor();
        case CONDITIONED -> neighbours += ua * (z.heatTo() - beyond(p, zones, z.heatTo()));
      }
    }
    double apart = z.heatTo() - outdoor;
    double air = Math.max(z.leaks(), z.supplied() > 0 ? z.supplied() : HYGIENE * z.volume());
    return new OfSpace(
        z.key(),
        z.label(),
        z.floorArea(),
        z.heatTo(),
        out * apart,
        bridges * apart,
        ground,
        unheated * apart,
        neighbours,
        AIR * air * apart,
        z.setBack() ? REHEAT * z.floorArea() : 0);
  }

  /** What the space on the other side is heated to; the same where it is not said. */
  private static double beyond(
      HeatLoss.Share p, Map<String, HourlyYear.Conditioned> zones, double own) {
    return p.surface().sides().stream()
        .filter(s -> !s.space().equals(p.space()))
        .map(s -> zones.get(s.space()))
        .filter(z -> z != null && !Double.isNaN(z.heatTo()))
        .mapToDouble(HourlyYear.Conditioned::heatTo)
        .findFirst()
        .orElse(own);
  }

  static double mean(WeatherYear w) {
    return w.mean(WeatherQuantity.DRY_BULB);
  }
}
