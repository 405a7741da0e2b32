package yentra.core.estimate.hourly;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import yentra.core.thermal.UValueBreakdown;

/** Components by what decides their dynamics, each made once. */
final class Walls {
  private final UValueBreakdown.Table table;
  private final Assumed assumed;
  private final Map<List<Object>, WallDynamics> known = new HashMap<>();

  Walls(UValueBreakdown.Table table, Assumed assumed) {
    this.table = table;
    this.assumed = assumed;
  }

  /**
   * @param resistance of the construction without air at its faces, m²K/W
   * @param before what lies outside of it
   * @param behind what lies inside of it
   */
  WallDynamics of(
      String construction,
      double resistance,
      List<WallDynamics.Slice> before,
      List<WallDynamics.Slice> behind) {
    Function<List<Object>, WallDynamics> make =
        k -> {
          List<WallDynamics.Slice> all = new ArrayList<>(before);
          all.addAll(Layers.of(table.buildUp(construction), resistance, assumed));
          all.addAll(behind);
          return WallDynamics.of(all);
        };
    return known.computeIfAbsent(
        List.of(String.valueOf(construction), resistance, before, behind), make);
  }
}
