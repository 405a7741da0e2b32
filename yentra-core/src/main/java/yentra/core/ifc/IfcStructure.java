package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import yentra.core.envelope.Building;
import yentra.core.envelope.Extras;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Zone;
import yentra.core.geometry.Shell;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Body;
import yentra.core.model.Element;
import yentra.core.model.PropertySet;
import yentra.core.model.PropertyValue;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;

/** The spatial structure of a file: building, storeys, zones, spaces with their bodies. */
final class IfcStructure {
  private final IfcModel model;
  private final ArchitecturalModel values;
  private final Predicate<Element> inScope;
  private final StepFile file;
  private final IfcUnits units;
  private final IfcRelations relations;
  private final IfcNotes notes;
  private final Map<Integer, String> storeyKeys = new LinkedHashMap<>();
  private final Map<Integer, String> zoneOf = new HashMap<>();
  private final IfcSpaceData spaceData = new IfcSpaceData();

  /** Of spaces that ask for conditions and are in none: only zones have conditions. */
  private final List<Zone> ownZones = new ArrayList<>();

  /**
   * @param values the model with the values that were set
   */
  IfcStructure(
      IfcModel model, ArchitecturalModel values, Predicate<Element> inScope, IfcNotes notes) {
    this.model = model;
    this.values = values;
    this.inScope = inScope;
    this.file = model.file();
    this.units = model.units();
    this.relations = model.relations();
    this.notes = notes;
  }

  Building building() {
    int[] ids = file.ofType("IFCBUILDING");
    StepInstance b = ids.length == 0 ? null : file.get(ids[0]);
    if (b == null) {
      return new Building(
          "building-1", "", "", null, yentra.core.envelope.SourceRef.REPAIR, Extras.NONE);
    }
    if (ids.length > 1) {
      notes.at(
          ids[1],
          ReadNote.Kind.ASSUMED,
          "",
          "the file has " + ids.length + " buildings; all spaces are taken as one");
    }
    return new Building(
        "bldg_" + IfcNames.xmlId(b.text(0)),
        b.text(2),
        "Unknown",
        null,
        model.source(b),
        Extras.NONE);
  }

  List<Storey> storeys(String building) {
    List<Storey> out = new ArrayList<>();
    Set<String> taken = new HashSet<>();
    file.each(
        "IFCBUILDINGSTOREY",
        s -> {
          String key = "st_" + IfcNames.xmlId(s.text(0));
          if (!taken.add(key)) {
            return;
          }
          storeyKeys.put(s.id(), key);
          Double level = s.number(9).map(d -> d * units.length()).orElse(null);
          try {
            level = model.placements().local(s.ref(5)).origin().z();
          } catch (IfcGeometryException e) {
            notes.at(
                s.id(),
                ReadNote.Kind.LEFT_OUT,
                key,
                "The placement of storey "
                    + s.text(2)
                    + " cannot be read: "
                    + e.getMessage()
                    + ".");
          }
          out.add(new Storey(key, s.text(2), level, building, model.source(s), Extras.NONE));
        });
    return out;
  }

  /**
   * IfcSpatialZone of IFC4 (GlobalId, OwnerHistory, Name … PredefinedType): of spaces that are in
   * no IfcZone, those for heat and those whose purpose is not said. Spaces are referenced in them,
   * or are their parts.
   */
  private void spatialZones(List<Zone> out) {
    Map<Integer, Zone> made = new LinkedHashMap<>();
    file.each(
        "IFCSPATIALZONE",
        z -> {
          String purpose = z.enumeration(8);
          if (purpose.isEmpty()
              || Set.of("THERMAL", "NOTDEFINED", "USERDEFINED").contains(purpose)) {
            String key = "zn_" + IfcNames.xmlId(z.text(0));
            made.put(z.id(), Zone.of(key).with().name(z.text(2)).source(model.source(z)).build());
          }
        });
    if (made.isEmpty()) {
      return;
    }
    Set<Integer> used = new HashSet<>();
    file.each("IFCRELREFERENCEDINSPATIALSTRUCTURE", r -> members(r.ref(5), r.refs(4), made, used));
    file.each("IFCRELAGGREGATES", r -> members(r.ref(4), r.refs(5), made, used));
    file.each("IFCRELASSIGNSTOGROUP", r -> members(r.ref(6), r.refs(4), made, used));
    made.forEach(
        (id, z) -> {
          if (used.contains(id) && out.stream().noneMatch(x -> x.key().equals(z.key()))) {
            out.add(z);
          }
        });
  }

  private void members(int zone, List<Integer> parts, Map<Integer, Zone> made, Set<Integer> used) {
    Zone z = made.get(zone);
    for (int part : z == null ? List.<Integer>of() : parts) {
      StepInstance s = file.get(part);
      if (s != null && s.is("IFCSPACE")) {
        used.add(zone);
        zoneOf.putIfAbsent(part, z.key());
      }
    }
  }

  List<Zone> zones() {
    Map<Integer, String> keys = new LinkedHashMap<>();
    List<Zone> out = new ArrayList<>();
    file.each(
        "IFCZONE",
        z -> {
          String key = "zn_" + IfcNames.xmlId(z.text(0));
          if (!keys.containsValue(key)) {
            keys.put(z.id(), key);
            out.add(Zone.of(key).with().name(z.text(2)).source(model.source(z)).build());
          }
        });
    for (Element e : model.elements()) {
      for (int g : relations.groups.get(e.number())) {
        if (keys.containsKey(g)) {
          zoneOf.putIfAbsent(e.number(), keys.get(g));
        }
      }
    }
    spatialZones(out);
    return out;
  }

  /**
   * A quantity of the space by name, the first that is there; names of the base quantities of
   * IfcSpace.
   */
  private static Double stated(List<PropertySet> sets, String... names) {
    for (String name : names) {
      for (PropertySet s : sets) {
        if (s.quantities()
            && s.property(name).map(yentra.core.model.Property::value).orElse(null)
                instanceof PropertyValue.Number n) {
          return n.value();
        }
      }
    }
    return null;
  }

  /**
   * Spaces with their bodies.
   *
   * @param rooms is filled with what boundaries need of them, by instance number
   */
  List<Space> spaces(String building, Map<Integer, IfcBoundaries.BoundedSpace> rooms) {
    List<Space> out = new ArrayList<>();
    Set<String> taken = new HashSet<>();
    List<Element> all =
        model.elements().stream()
            .filter(e -> e.entity().equals("IfcSpace"))
            .filter(inScope)
            .toList();
    all.parallelStream().forEach(model::body);
    for (Element e : all) {
      int id = e.number();
      StepInstance s = file.get(id);
      String key = "sp_" + IfcNames.xmlId(s.text(0));
      if (s.text(0).isEmpty() || !taken.add(key)) {
        key = "sp_" + id;
      }
      Body body = model.body(e);
      bodyNotes(e, key, body);
      rooms.put(id, new IfcBoundaries.BoundedSpace(s, key, Shell.of(body.faces())));
      List<PropertySet> sets = values.properties(e);
      Double area = stated(sets, "NetFloorArea", "GrossFloorArea");
      String zone = zoneOf.get(id);
      if (zone == null && spaceData.asks(sets)) {
        zone = "zn_of_" + key;
        ownZones.add(Zone.of(zone).with().name(label(e)).source(model.source(s)).build());
      }
      if (zone != null) {
        spaceData.of(zone, sets);
      }
      out.add(
          Space.of(key)
              .with()
              .name(label(e))
              .storey(storeyOf(id))
              .zone(zone)
              .building(building)
              .use(spaceData.use(sets))
              .gains(spaceData.gains(sets, area))
              .air(spaceData.air(sets))
              .statedFloorArea(area)
              .statedVolume(stated(sets, "NetVolume", "GrossVolume"))
              .shell(body.faces())
              .source(model.source(s))
              .build());
    }
    return out;
  }

  private void bodyNotes(Element e, String key, Body body) {
    if (body.problem() != null) {
      notes.at(
          e.number(),
          ReadNote.Kind.APPROXIMATED,
          key,
          "The body of the space " + e.label() + " cannot be read: " + body.problem() + ".");
    } else if (body.chordError() > 0 || !body.approximations().isEmpty()) {
      notes.at(
          e.number(),
          ReadNote.Kind.APPROXIMATED,
          key,
          "The body of the space "
              + e.label()
              + " was simplified: "
              + IfcNames.simplified(body)
              + ".");
    }
  }

  /** "4 Bedroom" from Name 4 and LongName Bedroom; empty when it has neither. */
  private static String label(Element e) {
    return e.name().isBlank() && e.longName().isBlank() ? "" : e.label();
  }

  private String storeyOf(int space) {
    int at = space;
    for (int i = 0; i < 20 && at != 0; i++) {
      String key = storeyKeys.get(at);
      if (key != null) {
        return key;
      }
      at = relations.whole.get(at) != 0 ? relations.whole.get(at) : relations.container.get(at);
    }
    return null;
  }

  /** The zones as delivered and those of single spaces, with the conditions that spaces ask for. */
  List<Zone> conditioned(List<Zone> zones) {
    List<Zone> all = new ArrayList<>(zones);
    all.addAll(ownZones);
    return all.stream().map(spaceData::filled).toList();
  }

  /** Says what was taken for granted of uses and conditions. */
  void sayConditions() {
    if (!spaceData.understood().isEmpty()) {
      notes.assumed(
          "uses of spaces are told by their OccupancyType: "
              + String.join(", ", spaceData.understood()));
    }
    if (!spaceData.unknown().isEmpty()) {
      notes.assumed(
          "no use is known by the OccupancyType "
              + String.join(", ", spaceData.unknown())
              + "; these spaces are left without one");
    }
    spaceData.disagreements().forEach(notes::assumed);
    notes.counted(
        ownZones.size(),
        "space asks for conditions and is in no zone: it is a zone of its own",
        "spaces ask for conditions and are in no zone: each is a zone of its own",
        "");
    if (spaceData.peopleWithoutNumber() > 0) {
      notes.add(
          ReadNote.Kind.LEFT_OUT,
          "the heat of people of "
              + spaceData.peopleWithoutNumber()
              + " spaces is left out: they do not say how many people there are");
    }
    if (spaceData.assumedKelvin()) {
      notes.assumed(
          "temperatures of spaces above 150 are taken as kelvin: the file states no unit for them");
    }
  }
}
