package yentra.core.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import yentra.core.boundary.BoundaryOptions;
import yentra.core.boundary.Convention;

/** What a change of a project's settings does, in words for its log. */
public final class SettingsChange {
  private SettingsChange() {}

  /**
   * One sentence for the whole change; empty when only the units of display differ, or nothing.
   *
   * @param before settings before it
   * @param after settings after it
   */
  public static String describe(ProjectSettings before, ProjectSettings after) {
    List<String> said = new ArrayList<>();
    if (!Objects.equals(before.latitude(), after.latitude())
        || !Objects.equals(before.longitude(), after.longitude())) {
      said.add(
          after.latitude() == null
              ? "leaves the place to the delivery"
              : String.format(
                  Locale.ROOT,
                  "sets the place to %s, %s",
                  degrees(after.latitude(), "north", "south"),
                  degrees(after.longitude(), "east", "west")));
    }
    figure(said, "elevation", " m", before.elevation(), after.elevation());
    figure(said, "azimuth of the y axis", "°", before.north(), after.north());
    figure(said, "ground level", " m", before.groundLevel(), after.groundLevel());
    text(said, "use of the building", before.use(), after.use());
    text(said, "weather station", before.station(), after.station());
    if (!Objects.equals(before.boundaries(), after.boundaries())) {
      said.add("makes boundaries anew: " + boundaries(after));
    }
    limits(said, before.checkLimits(), after.checkLimits());
    constructions(said, before.constructions(), after.constructions());
    if (!Objects.equals(before.heatLoss(), after.heatLoss())) {
      said.add("changes the ground and what lies to it in the heat loss");
    }
    if (said.isEmpty()) {
      return "";
    }
    String all = String.join("; ", said);
    return all.substring(0, 1).toUpperCase(Locale.ROOT) + all.substring(1) + ".";
  }

  private static String degrees(double angle, String positive, String negative) {
    return figure(Math.abs(angle)) + "° " + (angle < 0 ? negative : positive);
  }

  private static void figure(
      List<String> said, String what, String unit, Double before, Double after) {
    if (!Objects.equals(before, after)) {
      said.add(
          after == null
              ? "leaves the " + what + " to the delivery"
              : "sets the " + what + " to " + figure(after) + unit);
    }
  }

  private static void text(List<String> said, String what, String before, String after) {
    if (!Objects.equals(before, after)) {
      said.add(
          after == null
              ? "leaves the " + what + " to the delivery"
              : "sets the " + what + " to " + after);
    }
  }

  private static String boundaries(ProjectSettings s) {
    ProjectSettings.Boundaries b = s.boundaries();
    if (b == null) {
      return "as usual";
    }
    List<String> out = new ArrayList<>();
    BoundaryOptions.Mode mode = b.mode();
    if (mode != null) {
      out.add(mode == BoundaryOptions.Mode.DERIVE ? "all derived" : "as delivered");
    }
    Convention c = b.convention();
    if (c != null) {
      out.add(c.label());
    }
    if (Boolean.TRUE.equals(b.keepStrips())) {
      out.add("strips kept");
    }
    if (b.gapLimit() != null) {
      out.add("pairs up to " + figure(b.gapLimit()) + " m apart");
    }
    if (b.roofTilt() != null) {
      out.add("roofs below " + figure(b.roofTilt()) + "°");
    }
    if (b.floorTilt() != null) {
      out.add("floors above " + figure(b.floorTilt()) + "°");
    }
    return String.join(", ", out);
  }

  private static void limits(
      List<String> said, Map<String, Double> before, Map<String, Double> after) {
    Map<String, Double> was = before == null ? Map.of() : before;
    Map<String, Double> is = new TreeMap<>(after == null ? Map.of() : after);
    is.forEach(
        (k, v) -> {
          if (!v.equals(was.get(k))) {
            said.add("sets the limit " + k + " to " + figure(v));
          }
        });
    new TreeMap<>(was)
        .keySet().stream()
            .filter(k -> !is.containsKey(k))
            .forEach(k -> said.add("sets the limit " + k + " back to its default"));
  }

  private static void constructions(
      List<String> said, Map<String, String> before, Map<String, String> after) {
    Map<String, String> was = before == null ? Map.of() : before;
    Map<String, String> is = new TreeMap<>(after == null ? Map.of() : after);
    is.forEach(
        (k, v) -> {
          if (!v.equals(was.get(k))) {
            said.add("names " + v + " the usual construction of " + k);
          }
        });
    new TreeMap<>(was)
        .keySet().stream()
            .filter(k -> !is.containsKey(k))
            .forEach(k -> said.add("names no usual construction of " + k));
  }

  /** Not more digits than a person reads: six decimals. */
  private static String figure(double v) {
    String s = String.format(Locale.ROOT, "%.6f", v).replaceFirst("\\.?0+$", "");
    return s.equals("-0") ? "0" : s;
  }
}
