package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Zone;
import yentra.core.library.Library;
import yentra.core.library.SpaceUse;
import yentra.core.model.Property;
import yentra.core.model.PropertySet;
import yentra.core.model.PropertyValue;

/**
 * What the official property sets say of a space's use: Pset_SpaceOccupancyRequirements,
 * Pset_SpaceThermalRequirements, Pset_SpaceThermalLoad (names of sets and properties of IFC2X3 and
 * IFC4, from memory). Sets of producers are not guessed at.
 */
final class IfcSpaceData {
  private static final String OCCUPANCY = "Pset_SpaceOccupancyRequirements";
  private static final String CONDITIONS = "Pset_SpaceThermalRequirements";
  private static final String LOADS = "Pset_SpaceThermalLoad";

  /** °C. */
  private static final double HOT = 150;

  private final Set<String> understood = new TreeSet<>();
  private final Set<String> unknown = new TreeSet<>();
  private boolean assumedKelvin;
  private final Map<String, List<Zone>> byZone = new HashMap<>();

  private static PropertyValue value(List<PropertySet> sets, String set, String property) {
    for (PropertySet s : sets) {
      if (s.name().equals(set)) {
        Property p = s.property(property).orElse(null);
        if (p != null) {
          return p.value();
        }
      }
    }
    return null;
  }

  /** The first of the properties that is a number. */
  private static Double number(List<PropertySet> sets, String set, String... properties) {
    for (String p : properties) {
      if (value(sets, set, p) instanceof PropertyValue.Number n) {
        return n.value();
      }
    }
    return null;
  }

  /**
   * The use that OccupancyType says, as gbXML calls it; empty where it says nothing, or what no use
   * is known by.
   */
  String use(List<PropertySet> sets) {
    PropertyValue v = value(sets, OCCUPANCY, "OccupancyType");
    String said = v == null ? "" : v.text().strip();
    if (said.isEmpty()) {
      return "";
    }
    Library uses = Library.shipped();
    Optional<SpaceUse> use = uses.use(said).or(() -> uses.useByName(said));
    (use.isPresent() ? understood : unknown).add(said);
    return use.map(SpaceUse::name).orElse("");
  }

  /** What was taken for a use of the standard's. */
  Set<String> understood() {
    return understood;
  }

  /** What is said of spaces' use and is none that is known. */
  Set<String> unknown() {
    return unknown;
  }

  /**
   * People, light and equipment.
   *
   * @param floorArea m², by which powers are divided; null when it is not stated, and powers are
   *     left out then
   */
  InternalGains gains(List<PropertySet> sets, Double floorArea) {
    Double people = number(sets, OCCUPANCY, "OccupancyNumber", "OccupancyNumberPeak");
    Double area = people == null ? number(sets, OCCUPANCY, "AreaPerOccupant") : null;
    return new InternalGains(
        positive(people),
        positive(area),
        null,
        null,
        density(number(sets, LOADS, "Lighting"), floorArea),
        density(number(sets, LOADS, "EquipmentSensible"), floorArea));
  }

  private static Double positive(Double v) {
    return v != null && v > 0 ? v : null;
  }

  private static Double density(Double power, Double floorArea) {
    return power == null || power < 0 || floorArea == null || floorArea <= 0
        ? null
        : (Double) (power / floorArea);
  }

  /** Remembers what a space of a zone asks for. */
  void of(String zone, List<PropertySet> sets) {
    if (zone == null) {
      return;
    }
    Double heating =
        celsius(number(sets, CONDITIONS, "SpaceTemperatureWinterMin", "SpaceTemperatureMin"));
    Double cooling =
        celsius(number(sets, CONDITIONS, "SpaceTemperatureSummerMax", "SpaceTemperatureMax"));
    Double least = number(sets, CONDITIONS, "SpaceHumidityMin", "SpaceHumidityWinter");
    Double most = number(sets, CONDITIONS, "SpaceHumidityMax", "SpaceHumiditySummer");
    byZone
        .computeIfAbsent(zone, k -> new ArrayList<>())
        .add(
            new Zone(zone, "", heating, cooling, null, null)
                .withAir(new Zone.ZoneAir(null, null, null, percent(least), percent(most))));
  }

  /** Whether temperatures were taken as kelvin though the file does not say so. */
  boolean assumedKelvin() {
    return assumedKelvin;
  }

  /** No room is that warm: the file uses kelvin and forgot to say so. */
  private Double celsius(Double t) {
    if (t == null || t < HOT) {
      return t;
    }
    assumedKelvin = true;
    return t - 273.15;
  }

  /** Relative humidity is a ratio in IFC. */
  private static Double percent(Double ratio) {
    return ratio == null || ratio < 0 || ratio > 1 ? null : (Double) (100 * ratio);
  }

  /** A zone with what all of its spaces that say something agree on. */
  Zone filled(Zone z) {
    List<Zone> said = byZone.getOrDefault(z.key(), List.of());
    return z.withSetPoints(
            agreed(said.stream().map(Zone::heatingSetPoint).toList()),
            agreed(said.stream().map(Zone::coolingSetPoint).toList()))
        .withAir(
            new Zone.ZoneAir(
                null,
                null,
                null,
                agreed(said.stream().map(x -> x.air().leastHumidity()).toList()),
                agreed(said.stream().map(x -> x.air().mostHumidity()).toList())));
  }

  private static Double agreed(List<Double> values) {
    List<Double> known = values.stream().filter(Objects::nonNull).distinct().toList();
    return known.size() == 1 ? known.get(0) : null;
  }
}
