package yentra.core.estimate;

import java.util.List;
import java.util.Map;

/**
 * Heat for hot water by use (typical magnitudes, from memory, no source), kWh for each m² a year.
 */
final class HotWater {
  private static final List<Map.Entry<String, Double>> BY_USE =
      List.of(
          Map.entry("LivingQuarters", 22.0),
          Map.entry("PlayingAreaGymnasium", 20.0),
          Map.entry("DressingOrLocker", 40.0),
          Map.entry("FoodPreparation", 45.0),
          Map.entry("DiningArea", 20.0),
          Map.entry("PatientRoom", 25.0),
          Map.entry("Restrooms", 10.0),
          Map.entry("Laundry", 60.0),
          Map.entry("Office", 3.0),
          Map.entry("Classroom", 4.0),
          Map.entry("Conference", 2.0),
          Map.entry("Merchandising", 2.0));

  private HotWater() {}

  /** By a use as gbXML names it; 0 where nobody washes. */
  static double of(String use) {
    for (Map.Entry<String, Double> e : BY_USE) {
      if (use.startsWith(e.getKey())) {
        return e.getValue();
      }
    }
    return 0;
  }
}
