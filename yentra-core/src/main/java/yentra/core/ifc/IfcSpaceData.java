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
import yentra.core.envelope.Space;
import yentra.core.envelope.StandardUses;
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
  private final List<String> disagreements = new ArrayList<>();
  private int peopleWithoutNumber;

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

  /**
   * The first of the properties that is a number. Of a bounded value, as the standard's thermal
   * loads are, its set point counts, else a bound.
   */
  private static Double number(List<PropertySet> sets, String set, String... properties) {
    for (String p : properties) {
      PropertyValue v = value(sets, set, p);
      if (v instanceof PropertyValue.Many m && !m.values().isEmpty()) {
        v = m.values().get(0);
      }
      if (v instanceof PropertyValue.Number n) {
        return n.value();
      }
    }
    return null;
  }

  /**
   * The use that OccupancyType says, as gbXML calls it: a word of the standard as it stands, else
   * the use that is known by such words; empty where it says nothing, or what no use is known by.
   */
  String use(List<PropertySet> sets) {
    PropertyValue v = value(sets, OCCUPANCY, "OccupancyType");
    String said = v == null ? "" : v.text().strip();
    if (said.isEmpty()) {
      return "";
    }
    if (StandardUses.spaces().contains(said)) {
      understood.add(said);
      return said;
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
    Double people = positive(number(sets, OCCUPANCY, "OccupancyNumber", "OccupancyNumberPeak"));
    Double area = people == null ? positive(number(sets, OCCUPANCY, "AreaPerOccupant")) : null;
    Double heat = positive(number(sets, LOADS, "People"));
    Double heads =
        people != null ? people : area == null || floorArea == null ? null : floorArea / area;
    peopleWithoutNumber += heat != null && heads == null ? 1 : 0;
    return new InternalGains(
        people,
        area,
        heat == null || heads == null ? null : (Double) (heat / heads),
        null,
        density(number(sets, LOADS, "Lighting"), floorArea),
        density(number(sets, LOADS, "EquipmentSensible"), floorArea));
  }

  /** How many spaces state the heat of people, but not how many there are. */
  int peopleWithoutNumber() {
    return peopleWithoutNumber;
  }

  /** Outdoor air that comes in by itself, and its air changes an hour. */
  Space.AirExchange air(List<PropertySet> sets) {
    return Space.AirExchange.NONE.withChanges(
        positive(number(sets, CONDITIONS, "NaturalVentilationRate")));
  }

  private static Double positive(Double v) {
    return v != null && v > 0 ? v : null;
  }

  private static Double density(Double power, Double floorArea) {
    return power == null || power < 0 || floorArea == null || floorArea <= 0
        ? null
        : (Double) (power / floorArea);
  }

  /**
   * Remembers what a space asks for.
   *
   * @param zone its zone
   */
  void of(String zone, List<PropertySet> sets) {
    Zone z = asked(zone, sets);
    if (z != null) {
      byZone.computeIfAbsent(zone, k -> new ArrayList<>()).add(z);
    }
  }

  /** Whether a space asks for conditions, which only a zone can have. */
  boolean asks(List<PropertySet> sets) {
    return asked("", sets) != null;
  }

  private Zone asked(String zone, List<PropertySet> sets) {
    Double heating =
        celsius(number(sets, CONDITIONS, "SpaceTemperatureWinterMin", "SpaceTemperatureMin"));
    Double cooling =
        celsius(number(sets, CONDITIONS, "SpaceTemperatureSummerMax", "SpaceTemperatureMax"));
    Double least = percent(number(sets, CONDITIONS, "SpaceHumidityMin", "SpaceHumidityWinter"));
    Double most = percent(number(sets, CONDITIONS, "SpaceHumidityMax", "SpaceHumiditySummer"));
    Double changes = positive(number(sets, CONDITIONS, "MechanicalVentilationRate"));
    boolean nothing =
        java.util.stream.Stream.of(heating, cooling, least, most, changes)
            .allMatch(Objects::isNull);
    return nothing
        ? null
        : Zone.of(zone)
            .with()
            .heatingSetPoint(heating)
            .coolingSetPoint(cooling)
            .build()
            .withAir(new Zone.ZoneAir(null, null, null, least, most, changes));
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

  /**
   * A zone with what all of its spaces that say something agree on; what they do not agree on is
   * told by {@link #disagreements}.
   */
  Zone filled(Zone z) {
    List<Zone> said = byZone.getOrDefault(z.key(), List.of());
    return z.withSetPoints(
            agreed(z, "heating set-points", said.stream().map(Zone::heatingSetPoint).toList()),
            agreed(z, "cooling set-points", said.stream().map(Zone::coolingSetPoint).toList()))
        .withAir(
            new Zone.ZoneAir(
                null,
                null,
                null,
                agreed(
                    z,
                    "least humidities",
                    said.stream().map(x -> x.air().leastHumidity()).toList()),
                agreed(
                    z,
                    "greatest humidities",
                    said.stream().map(x -> x.air().mostHumidity()).toList()),
                agreed(z, "air changes", said.stream().map(x -> x.air().changes()).toList())));
  }

  /** What spaces of one zone ask for and cannot both have, as sentences. */
  List<String> disagreements() {
    return disagreements;
  }

  private Double agreed(Zone z, String what, List<Double> values) {
    List<Double> known = values.stream().filter(Objects::nonNull).distinct().sorted().toList();
    if (known.size() > 1) {
      disagreements.add(
          "spaces of the zone "
              + z.label()
              + " ask for different "
              + what
              + " ("
              + String.join(
                  ", ",
                  known.stream().map(v -> String.format(java.util.Locale.ROOT, "%.1f", v)).toList())
              + "): none is taken");
    }
    return known.size() == 1 ? known.get(0) : null;
  }
}
