package yentra.core.ifc.write;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Space;
import yentra.core.envelope.Zone;
import yentra.core.model.PropertyValue;
import yentra.core.scope.ValueEdit;

/**
 * What has changed of the use, the gains and the conditions of delivered spaces, as values of the
 * standard's property sets (names from memory). What has not changed stays as the file says it.
 */
final class SpaceEdits {
  private static final String OCCUPANCY = "Pset_SpaceOccupancyRequirements";
  private static final String CONDITIONS = "Pset_SpaceThermalRequirements";
  private static final String LOADS = "Pset_SpaceThermalLoad";

  private final Envelope before;
  private final Envelope now;

  SpaceEdits(Envelope before, Envelope now) {
    this.before = before;
    this.now = now;
  }

  /** By the key of the element, which is the GlobalId of the space. */
  Map<String, List<ValueEdit>> all() {
    Map<String, List<ValueEdit>> out = new LinkedHashMap<>();
    for (Space s : now.spaces()) {
      Space old = before.space(s.key()).orElse(null);
      if (old == null || s.source().id().isEmpty()) {
        continue;
      }
      List<ValueEdit> edits = new ArrayList<>();
      if (!old.use().equals(s.use())) {
        PropertyValue use = s.use().isEmpty() ? null : new PropertyValue.Text(s.use());
        edits.add(new ValueEdit(OCCUPANCY, "OccupancyType", use, "IfcLabel"));
      }
      gains(edits, old.gains(), s.gains(), s.statedFloorArea());
      number(
          edits,
          CONDITIONS,
          "NaturalVentilationRate",
          "IfcNumericMeasure",
          old.air().changes(),
          s.air().changes());
      conditions(edits, zone(before, old), zone(now, s));
      if (!edits.isEmpty()) {
        out.put(s.source().id(), edits);
      }
    }
    return out;
  }

  private static Zone zone(Envelope e, Space s) {
    return s.zone() == null ? Zone.of("") : e.zone(s.zone()).orElse(Zone.of(""));
  }

  private static void number(
      List<ValueEdit> out, String set, String property, String type, Double old, Double value) {
    if (!Objects.equals(old, value)) {
      PropertyValue v = value == null ? null : new PropertyValue.Number(value, "", type);
      out.add(new ValueEdit(set, property, v, type));
    }
  }

  private static void gains(List<ValueEdit> out, InternalGains old, InternalGains g, Double area) {
    if (!Objects.equals(old.people(), g.people())) {
      out.add(new ValueEdit(OCCUPANCY, "OccupancyNumberPeak", null, "IfcCountMeasure"));
    }
    number(out, OCCUPANCY, "OccupancyNumber", "IfcCountMeasure", old.people(), g.people());
    number(
        out,
        OCCUPANCY,
        "AreaPerOccupant",
        "IfcAreaMeasure",
        old.areaPerPerson(),
        g.areaPerPerson());
    if (area == null) {
      // powers are by floor area, and reading back leaves them out where none is stated
      return;
    }
    String watts = "IfcPowerMeasure";
    number(out, LOADS, "Lighting", watts, power(old.lighting(), area), power(g.lighting(), area));
    number(
        out,
        LOADS,
        "EquipmentSensible",
        watts,
        power(old.equipment(), area),
        power(g.equipment(), area));
    number(out, LOADS, "People", watts, people(old, area), people(g, area));
  }

  private static Double power(Double density, double area) {
    return density == null ? null : (Double) (density * area);
  }

  private static Double people(InternalGains g, double area) {
    return g.sensiblePerPerson() == null || g.people(area) <= 0
        ? null
        : (Double) (g.sensiblePerPerson() * g.people(area));
  }

  private static void conditions(List<ValueEdit> out, Zone old, Zone z) {
    String celsius = "IfcThermodynamicTemperatureMeasure";
    if (!Objects.equals(old.heatingSetPoint(), z.heatingSetPoint())) {
      out.add(new ValueEdit(CONDITIONS, "SpaceTemperatureWinterMin", null, celsius));
    }
    if (!Objects.equals(old.coolingSetPoint(), z.coolingSetPoint())) {
      out.add(new ValueEdit(CONDITIONS, "SpaceTemperatureSummerMax", null, celsius));
    }
    number(
        out,
        CONDITIONS,
        "SpaceTemperatureMin",
        celsius,
        old.heatingSetPoint(),
        z.heatingSetPoint());
    number(
        out,
        CONDITIONS,
        "SpaceTemperatureMax",
        celsius,
        old.coolingSetPoint(),
        z.coolingSetPoint());
    String ratio = "IfcRatioMeasure";
    number(
        out,
        CONDITIONS,
        "SpaceHumidityMin",
        ratio,
        ratio(old.air().leastHumidity()),
        ratio(z.air().leastHumidity()));
    number(
        out,
        CONDITIONS,
        "SpaceHumidityMax",
        ratio,
        ratio(old.air().mostHumidity()),
        ratio(z.air().mostHumidity()));
    number(
        out,
        CONDITIONS,
        "MechanicalVentilationRate",
        "IfcNumericMeasure",
        old.air().changes(),
        z.air().changes());
  }

  private static Double ratio(Double percent) {
    return percent == null ? null : (Double) (percent / 100);
  }
}
