package yentra.core.estimate;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * A design load by floor area beside what is usual (common practice, no source): heating 10 to 100
 * W/m², cooling 5 to 150 W/m².
 *
 * @param value W/m²; 0 without floor
 * @param place where it lies
 * @param driver the term that adds most, in words; empty where nothing does
 */
public record LoadDensity(double value, Place place, String driver) {
  private static final double LEAST_HEATING = 10;
  private static final double MOST_HEATING = 100;
  private static final double LEAST_COOLING = 5;
  private static final double MOST_COOLING = 150;

  /** Where a load lies beside what is usual. */
  public enum Place {
    LOW,
    USUAL,
    HIGH
  }

  static LoadDensity heating(HeatingLoads.OfSpace s) {
    Map<String, Double> terms = new LinkedHashMap<>();
    terms.put("outdoor surfaces", s.outdoorAir());
    terms.put("thermal bridges", s.bridges());
    terms.put("ground", s.ground());
    terms.put("unheated spaces", s.unheated());
    terms.put("neighbours", s.neighbours());
    terms.put("air", s.ventilation());
    terms.put("reheat", s.reheat());
    return of(s.total(), s.floorArea(), LEAST_HEATING, MOST_HEATING, terms);
  }

  static LoadDensity cooling(CoolingLoads.OfSpace s) {
    Map<String, Double> terms = new LinkedHashMap<>();
    terms.put("sun", s.sun());
    terms.put("internal gains", s.internal());
    terms.put("components", s.conduction());
    terms.put("air", s.ventilation());
    return of(s.peak(), s.floorArea(), LEAST_COOLING, MOST_COOLING, terms);
  }

  private static LoadDensity of(
      double load, double area, double least, double most, Map<String, Double> terms) {
    double v = area > 0 ? load / area : 0;
    String driver =
        terms.entrySet().stream()
            .max(Comparator.comparingDouble(Map.Entry::getValue))
            .filter(e -> e.getValue() > 0)
            .map(Map.Entry::getKey)
            .orElse("");
    return new LoadDensity(v, v < least ? Place.LOW : v > most ? Place.HIGH : Place.USUAL, driver);
  }
}
