package yentra.core.ifc.write;

import static yentra.core.step.StepWriter.real;
import static yentra.core.step.StepWriter.ref;
import static yentra.core.step.StepWriter.refs;
import static yentra.core.step.StepWriter.text;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.Zone;
import yentra.core.geometry.Polygon;
import yentra.core.step.StepWriter;

/**
 * Spaces with their bodies, stated quantities, uses, gains and the conditions of their zones, in
 * the sets of IFC4 (names from memory).
 */
final class SpaceWriter {
  private static final String OCCUPANCY = "Pset_SpaceOccupancyRequirements";
  private static final String CONDITIONS = "Pset_SpaceThermalRequirements";
  private static final String LOADS = "Pset_SpaceThermalLoad";

  private final Envelope envelope;
  private final IfcModelWriter.IfcFrame frame;
  private final StepWriter step;
  private final Map<String, Integer> numbers = new LinkedHashMap<>();
  private final Map<String, List<Polygon>> faces = new LinkedHashMap<>();
  private final Set<String> notes = new LinkedHashSet<>();

  SpaceWriter(Envelope envelope, IfcModelWriter.IfcFrame frame) {
    this.envelope = envelope;
    this.frame = frame;
    this.step = frame.step();
    for (Surface s : envelope.surfaces()) {
      for (int i = 0; i < s.sides().size() && !s.isWithinOneSpace(); i++) {
        faces.computeIfAbsent(s.sides().get(i).space(), k -> new ArrayList<>()).add(s.face(i));
      }
    }
  }

  /** The instance of a space that was written; null when there is none of that key. */
  Integer number(String key) {
    return numbers.get(key);
  }

  List<String> notes() {
    lost(s -> s.gains().latentPerPerson() != null, "the latent heat of people");
    lost(
        s -> !s.gains().schedules().equals(InternalGains.GainSchedules.NONE),
        "when people, light and equipment are there");
    lost(
        s -> s.air().flow() != null && s.air().changes() == null,
        "infiltration in litres a second");
    return List.copyOf(notes);
  }

  private void lost(Predicate<Space> has, String what) {
    long n = envelope.spaces().stream().filter(has).count();
    if (n > 0) {
      notes.add(
          "IFC has no place for " + what + ": left out of " + n + (n == 1 ? " space" : " spaces"));
    }
  }

  void write(Space s) {
    List<Polygon> body = s.shell().isEmpty() ? faces.getOrDefault(s.key(), List.of()) : s.shell();
    int id =
        step.add(
            "IFCSPACE",
            frame.id(s.key()),
            frame.owner(),
            text(s.label()),
            "$",
            "$",
            ref(frame.placement()),
            body.isEmpty() ? "$" : ref(frame.shapes().body(body)),
            "$",
            ".ELEMENT.",
            frame.isOld() ? ".INTERNAL." : ".SPACE.",
            "$");
    numbers.put(s.key(), id);
    quantities(s, id);
    uses(s, id);
    gains(s, id);
    conditions(s, id);
  }

  private void quantities(Space s, int id) {
    List<Integer> all = new ArrayList<>();
    if (s.statedFloorArea() != null) {
      all.add(quantity("IFCQUANTITYAREA", "NetFloorArea", s.statedFloorArea()));
    }
    if (s.statedVolume() != null) {
      all.add(quantity("IFCQUANTITYVOLUME", "NetVolume", s.statedVolume()));
    }
    if (!all.isEmpty()) {
      String set = frame.dialect().spaceQuantities();
      int made =
          step.add(
              "IFCELEMENTQUANTITY",
              frame.id(set + "-" + s.key()),
              frame.owner(),
              text(set),
              "$",
              "$",
              refs(all));
      frame.defines(set, s.key(), id, made);
    }
  }

  private int quantity(String entity, String name, Double value) {
    return step.add(entity, frame.and(new String[] {text(name), "$", "$", real(value)}, "$"));
  }

  private void uses(Space s, int id) {
    List<Integer> all = new ArrayList<>();
    if (!s.use().isBlank()) {
      all.add(frame.property("OccupancyType", "IFCLABEL", text(s.use())));
    }
    value(all, "OccupancyNumber", "IFCCOUNTMEASURE", s.gains().people());
    value(all, "AreaPerOccupant", "IFCAREAMEASURE", s.gains().areaPerPerson());
    frame.properties(OCCUPANCY, s.key(), id, all);
  }

  private void value(List<Integer> all, String name, String measure, Double v) {
    if (v != null) {
      all.add(frame.property(name, measure, real(v)));
    }
  }

  /** Powers of a whole space: IFC states no densities. */
  private void gains(Space s, int id) {
    InternalGains g = s.gains();
    boolean powers = g.lighting() != null || g.equipment() != null || g.sensiblePerPerson() != null;
    Double area = s.statedFloorArea();
    if (powers && area == null) {
      notes.add(
          "IFC states gains as powers: those of spaces that state no floor area are left out");
      return;
    }
    List<Integer> all = new ArrayList<>();
    if (g.sensiblePerPerson() != null && g.people(area) > 0) {
      all.add(power("People", g.sensiblePerPerson() * g.people(area)));
    }
    if (g.lighting() != null) {
      all.add(power("Lighting", g.lighting() * area));
    }
    if (g.equipment() != null) {
      all.add(power("EquipmentSensible", g.equipment() * area));
    }
    frame.properties(LOADS, s.key(), id, all);
  }

  /**
   * The set's powers are bounded values in the standard: one that is known is its set point; IFC2X3
   * has none, and there it is both bounds.
   */
  private int power(String name, double watts) {
    String value = "IFCPOWERMEASURE(" + real(watts) + ")";
    String bound = frame.isOld() ? value : "$";
    return step.add(
        "IFCPROPERTYBOUNDEDVALUE",
        frame.and(new String[] {text(name), "$", bound, bound, "$"}, value));
  }

  private void conditions(Space s, int id) {
    List<Integer> all = new ArrayList<>();
    Zone z = s.zone() == null ? null : envelope.zone(s.zone()).orElse(null);
    if (z != null) {
      String celsius = "IFCTHERMODYNAMICTEMPERATUREMEASURE";
      value(all, "SpaceTemperatureMin", celsius, z.heatingSetPoint());
      value(all, "SpaceTemperatureMax", celsius, z.coolingSetPoint());
      value(all, "SpaceHumidityMin", "IFCRATIOMEASURE", ratio(z.air().leastHumidity()));
      value(all, "SpaceHumidityMax", "IFCRATIOMEASURE", ratio(z.air().mostHumidity()));
      value(all, "MechanicalVentilationRate", "IFCNUMERICMEASURE", z.air().changes());
      if (z.air().perArea() != null || z.air().perPerson() != null || z.air().total() != null) {
        notes.add("IFC has no place for fresh air by person, area or zone: it is left out");
      }
    }
    value(all, "NaturalVentilationRate", "IFCNUMERICMEASURE", s.air().changes());
    frame.properties(CONDITIONS, s.key(), id, all);
  }

  private static Double ratio(Double percent) {
    return percent == null ? null : (Double) (percent / 100);
  }

  /** Zones as groups of the spaces that were written. */
  void zones() {
    new ZoneWriter(step, frame.dialect(), frame::id, frame.owner()).write(envelope, numbers);
  }
}
