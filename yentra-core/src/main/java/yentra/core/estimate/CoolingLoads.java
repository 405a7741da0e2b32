package yentra.core.estimate;

import java.util.ArrayList;
import java.util.List;
import yentra.core.estimate.hourly.CoolingDay;
import yentra.core.estimate.hourly.Flow;
import yentra.core.estimate.hourly.HourlyYear;

/**
 * Design cooling loads by the hourly method on a design day of each month (sensible heat).
 *
 * @param total the greatest of the building, W
 * @param month of it, 1 to 12
 * @param hour of the day of it, 1 to 24: the hour that ends then
 * @param spaces cooled ones, in the envelope's order
 */
public record CoolingLoads(double total, int month, int hour, List<OfSpace> spaces) {
  private static final int DAY = 24;

  /**
   * The greatest load of a space and what comes in at that hour, W. What its surfaces have kept
   * from earlier hours is part of {@code conduction}.
   */
  public record OfSpace(
      String key,
      String label,
      double floorArea,
      double peak,
      int month,
      int hour,
      double sun,
      double internal,
      double ventilation) {
    /** Through components, and what they have kept from before. */
    public double conduction() {
      return peak - sun - internal - ventilation;
    }

    /** Beside what is usual. */
    public LoadDensity density() {
      return LoadDensity.cooling(this);
    }
  }

  public CoolingLoads {
    spaces = List.copyOf(spaces);
  }

  static CoolingLoads of(HourlyYear year) {
    List<CoolingDay> days = year.coolingDays();
    double total = 0;
    int month = 0;
    int hour = 0;
    for (CoolingDay d : days) {
      for (int h = 0; h < DAY; h++) {
        if (d.cooling(h) > total) {
          total = d.cooling(h);
          month = d.month();
          hour = h + 1;
        }
      }
    }
    List<OfSpace> out = new ArrayList<>();
    List<HourlyYear.Conditioned> zones = year.conditioned();
    for (int z = 0; z < zones.size(); z++) {
      if (zones.get(z).cooled()) {
        out.add(of(zones.get(z), z, days));
      }
    }
    return new CoolingLoads(total, month, hour, out);
  }

  private static OfSpace of(HourlyYear.Conditioned zone, int z, List<CoolingDay> days) {
    CoolingDay day = days.get(6);
    int at = 14;
    double peak = 0;
    for (CoolingDay d : days) {
      for (int h = 0; h < DAY; h++) {
        if (d.cooling(z, h) > peak) {
          peak = d.cooling(z, h);
          day = d;
          at = h;
        }
      }
    }
    boolean none = peak <= 0;
    return new OfSpace(
        zone.key(),
        zone.label(),
        zone.floorArea(),
        peak,
        day.month(),
        at + 1,
        none ? 0 : day.flow(z, at, Flow.SUN),
        none
            ? 0
            : day.flow(z, at, Flow.PEOPLE)
                + day.flow(z, at, Flow.LIGHTING)
                + day.flow(z, at, Flow.EQUIPMENT),
        none ? 0 : day.flow(z, at, Flow.LEAKS) + day.flow(z, at, Flow.FRESH_AIR));
  }
}
