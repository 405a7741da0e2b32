package yentra.core.exchange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Space;
import yentra.core.envelope.StandardUses;
import yentra.core.envelope.Storey;
import yentra.core.envelope.YearSchedule;
import yentra.core.envelope.Zone;
import yentra.core.library.Library;
import yentra.core.library.SpaceUse;
import yentra.core.repair.use.GiveUse;
import yentra.core.repair.use.TakeRoomData;
import yentra.core.table.CsvText;
import yentra.core.table.TableException;
import yentra.core.table.TableRows;
import yentra.core.table.Workbooks;

/**
 * The room data sheet: one row a space, as a spreadsheet (XLSX) or CSV. Storey, area and volume are
 * for reading only. A row belongs to the space with its id, else to the only one with its name.
 */
public final class RoomSheet {
  private static final String ID = "Id";
  private static final String NAME = "Name";
  private static final String STOREY = "Storey";
  private static final String AREA = "Floor area (m2)";
  private static final String VOLUME = "Volume (m3)";
  private static final String USE = "Use";
  private static final String CONDITION = "Conditioned";
  private static final String ZONE = "Zone";
  private static final String HEATING = "Heated to (C)";
  private static final String COOLING = "Cooled to (C)";
  private static final String PEOPLE = "People";
  private static final String PER_PERSON = "Area per person (m2)";
  private static final String SENSIBLE = "Sensible heat per person (W)";
  private static final String LATENT = "Latent heat per person (W)";
  private static final String LIGHT = "Light (W/m2)";
  private static final String EQUIPMENT = "Equipment (W/m2)";

  private static final String AIR_PERSON = "Outdoor air per person (l/s)";
  private static final String AIR_AREA = "Outdoor air per area (l/s m2)";
  private static final String AIR_ZONE = "Outdoor air of the zone (l/s)";
  private static final String DRIEST = "Least humidity (%)";
  private static final String DAMPEST = "Greatest humidity (%)";
  private static final String PEOPLE_TIMES = "Schedule of people";
  private static final String LIGHT_TIMES = "Schedule of light";
  private static final String EQUIPMENT_TIMES = "Schedule of equipment";

  private static final List<String> COLUMNS =
      List.of(
          ID,
          NAME,
          STOREY,
          AREA,
          VOLUME,
          USE,
          CONDITION,
          ZONE,
          HEATING,
          COOLING,
          PEOPLE,
          PER_PERSON,
          SENSIBLE,
          LATENT,
          LIGHT,
          EQUIPMENT,
          PEOPLE_TIMES,
          LIGHT_TIMES,
          EQUIPMENT_TIMES,
          AIR_PERSON,
          AIR_AREA,
          AIR_ZONE,
          DRIEST,
          DAMPEST);

  private RoomSheet() {}

  /** One value that would be another. */
  public record Change(String space, String name, String field, String before, String after) {}

  /** A row that was left out. */
  public record RowFault(int row, String column, String message) {}

  /**
   * What a sheet says.
   *
   * @param matched how many rows belong to a space
   * @param missing names of spaces that no row belongs to
   * @param rooms what differs, as a repair takes it
   */
  public record Read(
      int matched,
      List<Change> changes,
      List<String> missing,
      List<RowFault> faults,
      List<TakeRoomData.Room> rooms) {}

  /**
   * Writes the sheet; the same envelope gives the same bytes.
   *
   * @param area of a space, m²
   * @param volume of a space, m³
   */
  public static byte[] write(
      Envelope e, ToDoubleFunction<Space> area, ToDoubleFunction<Space> volume) {
    Map<String, String> storeys = new HashMap<>();
    for (Storey s : e.storeys()) {
      storeys.put(s.key(), s.name().isBlank() ? s.key() : s.name());
    }
    Map<String, Zone> zones = new HashMap<>();
    e.zones().forEach(z -> zones.put(z.key(), z));
    List<List<String>> rows = new ArrayList<>(List.of(COLUMNS));
    for (Space s : e.spaces()) {
      Zone z = zones.get(s.zone());
      InternalGains g = s.gains();
      Zone.ZoneAir air = z == null ? Zone.ZoneAir.NONE : z.air();
      rows.add(
          List.of(
              e.fileId(s.key()),
              s.name(),
              storeys.getOrDefault(String.valueOf(s.storey()), ""),
              text(Math.round(area.applyAsDouble(s) * 100) / 100.0),
              text(Math.round(volume.applyAsDouble(s) * 100) / 100.0),
              s.use(),
              s.condition(),
              z == null ? "" : z.label(),
              text(z == null ? null : z.heatingSetPoint()),
              text(z == null ? null : z.coolingSetPoint()),
              text(g.people()),
              text(g.areaPerPerson()),
              text(g.sensiblePerPerson()),
              text(g.latentPerPerson()),
              text(g.lighting()),
              text(g.equipment()),
              schedule(e, g.schedules().people()),
              schedule(e, g.schedules().lighting()),
              schedule(e, g.schedules().equipment()),
              text(air.perPerson()),
              text(air.perArea()),
              text(air.total()),
              text(air.leastHumidity()),
              text(air.mostHumidity())));
    }
    return Workbooks.write(
        List.of(
            new Workbooks.Page("Rooms", rows, true, List.of(22, 26, 16, 12, 12, 26, 18, 20, 12))),
        true);
  }

  private static String schedule(Envelope e, String key) {
    return key == null ? "" : e.schedules().year(key).map(YearSchedule::label).orElse("");
  }

  private static String text(Double v) {
    return v == null ? "" : java.math.BigDecimal.valueOf(v).stripTrailingZeros().toPlainString();
  }

  /** Reads a sheet and holds it against the spaces; nothing is changed. */
  public static Read read(byte[] bytes, Envelope e) {
    Reading r = new Reading(e);
    try {
      List<List<String>> rows =
          Workbooks.isPacked(bytes)
              ? Workbooks.read(bytes).values().stream().findFirst().orElse(List.of())
              : CsvText.read(bytes);
      boolean byId = rows.stream().findFirst().filter(h -> h.contains(ID)).isPresent();
      for (TableRows.Line l : TableRows.of("", rows, COLUMNS, byId ? List.of(ID) : List.of(NAME))) {
        try {
          r.line(l);
        } catch (TableException x) {
          r.fault(x);
        }
      }
    } catch (TableException x) {
      r.fault(x);
    }
    return r.read();
  }

  private static final class Reading {
    private final Envelope e;
    private final Map<String, Space> byId = new HashMap<>();
    private final Map<String, List<Space>> byName = new HashMap<>();
    private final Map<String, Zone> zones = new HashMap<>();
    private final Set<String> seen = new HashSet<>();
    private final Map<String, Double[]> setPoints = new LinkedHashMap<>();
    private final List<Change> changes = new ArrayList<>();
    private final List<RowFault> faults = new ArrayList<>();
    private final List<TakeRoomData.Room> rooms = new ArrayList<>();

    Reading(Envelope e) {
      this.e = e;
      for (Space s : e.spaces()) {
        byId.put(e.fileId(s.key()), s);
        byName.computeIfAbsent(s.name(), k -> new ArrayList<>()).add(s);
      }
      e.zones().forEach(z -> zones.put(z.key(), z));
    }

    void fault(TableException x) {
      faults.add(new RowFault(x.row(), x.column(), x.getMessage()));
    }

    Read read() {
      List<String> missing =
          e.spaces().stream().filter(s -> !seen.contains(s.key())).map(Space::label).toList();
      List<TakeRoomData.Room> differing = new TakeRoomData(rooms).effective(e).rooms();
      return new Read(seen.size(), changes, missing, faults, differing);
    }

    private Space space(TableRows.Line l) throws TableException {
      Space s = byId.get(l.get(ID));
      if (s == null) {
        List<Space> named = byName.getOrDefault(l.get(NAME), List.of());
        if (named.size() > 1) {
          throw l.fault(NAME, named.size() + " spaces have this name; give the id.");
        }
        if (named.isEmpty()) {
          throw l.fault(l.has(ID) ? ID : NAME, "There is no space with this id or this name.");
        }
        s = named.get(0);
      }
      if (!seen.add(s.key())) {
        throw l.fault(l.has(ID) ? ID : NAME, s.label() + " is there twice.");
      }
      return s;
    }

    void line(TableRows.Line l) throws TableException {
      Space s = space(l);
      Zone z = zones.get(s.zone());
      String condition = l.has(CONDITION) ? l.get(CONDITION) : null;
      if (condition != null && !GiveUse.CONDITIONS.contains(condition)) {
        throw l.fault(
            CONDITION,
            "\""
                + condition
                + "\": write one of "
                + String.join(", ", GiveUse.CONDITIONS.stream().sorted().toList())
                + ".");
      }
      Double heating = l.number(HEATING, -50, 100);
      Double cooling = l.number(COOLING, -50, 100);
      if (heating != null && cooling != null && heating >= cooling) {
        throw l.fault(COOLING, "It is heated to " + text(heating) + " °C and cooled to less.");
      }
      String zone = l.has(ZONE) ? l.get(ZONE) : z == null ? null : z.label();
      Zone.ZoneAir air = air(l);
      if (zone == null && (heating != null || cooling != null || !air.equals(Zone.ZoneAir.NONE))) {
        throw l.fault(ZONE, "Set-points, outdoor air and humidity need a zone.");
      }
      InternalGains own = s.gains();
      InternalGains gains =
          new InternalGains(
              l.number(PEOPLE, 0, 100_000),
              l.number(PER_PERSON, 0.1, 100_000),
              l.number(SENSIBLE, 0, 2000),
              l.number(LATENT, 0, 2000),
              l.number(LIGHT, 0, 10_000),
              l.number(EQUIPMENT, 0, 100_000),
              new InternalGains.GainSchedules(
                  schedule(l, PEOPLE_TIMES),
                  schedule(l, LIGHT_TIMES),
                  schedule(l, EQUIPMENT_TIMES)));
      if (gains.people() != null && gains.areaPerPerson() != null) {
        throw l.fault(PER_PERSON, "State people or the area per person, not both.");
      }
      agree(l, zone, heating, cooling, air);
      int before = changes.size();
      differs(s, NAME, s.name(), l.has(NAME) ? l.get(NAME) : null);
      String use = l.has(USE) ? use(l, s) : null;
      differs(s, USE, s.use(), use);
      differs(s, CONDITION, s.condition(), condition);
      differs(s, ZONE, z == null ? "" : z.label(), l.has(ZONE) ? zone : null);
      Zone to = e.zones().stream().filter(x -> x.label().equals(zone)).findFirst().orElse(null);
      number(s, HEATING, to == null ? null : to.heatingSetPoint(), heating);
      number(s, COOLING, to == null ? null : to.coolingSetPoint(), cooling);
      number(s, PEOPLE, own.people(), gains.people());
      number(s, PER_PERSON, own.areaPerPerson(), gains.areaPerPerson());
      number(s, SENSIBLE, own.sensiblePerPerson(), gains.sensiblePerPerson());
      number(s, LATENT, own.latentPerPerson(), gains.latentPerPerson());
      number(s, LIGHT, own.lighting(), gains.lighting());
      number(s, EQUIPMENT, own.equipment(), gains.equipment());
      InternalGains.GainSchedules times = gains.schedules();
      times(s, PEOPLE_TIMES, own.schedules().people(), times.people());
      times(s, LIGHT_TIMES, own.schedules().lighting(), times.lighting());
      times(s, EQUIPMENT_TIMES, own.schedules().equipment(), times.equipment());
      Zone.ZoneAir was = to == null ? Zone.ZoneAir.NONE : to.air();
      number(s, AIR_PERSON, was.perPerson(), air.perPerson());
      number(s, AIR_AREA, was.perArea(), air.perArea());
      number(s, AIR_ZONE, was.total(), air.total());
      number(s, DRIEST, was.leastHumidity(), air.leastHumidity());
      number(s, DAMPEST, was.mostHumidity(), air.mostHumidity());
      if (changes.size() > before) {
        rooms.add(
            new TakeRoomData.Room(
                s.key(),
                l.has(NAME) ? l.get(NAME) : null,
                use,
                condition,
                l.has(ZONE) ? zone : null,
                heating,
                cooling,
                air.equals(Zone.ZoneAir.NONE) ? null : air,
                gains));
      }
    }

    /**
     * A use of the standard's list or of the delivery; or the one of the library that people call
     * so.
     */
    private String use(TableRows.Line l, Space s) throws TableException {
      String said = l.get(USE);
      if (said.isEmpty()
          || said.equals(s.use())
          || StandardUses.spaces().contains(said)
          || e.spaces().stream().anyMatch(x -> said.equals(x.use()))) {
        return said;
      }
      for (String known : StandardUses.spaces()) {
        if (known.equalsIgnoreCase(said.replaceAll("\\s", ""))) {
          return known;
        }
      }
      return Library.shipped()
          .useByName(said)
          .map(SpaceUse::name)
          .orElseThrow(
              () ->
                  l.fault(
                      USE,
                      "\""
                          + said
                          + "\" is no use of gbXML's list. Write one of it, such as OfficeEnclosed,"
                          + " or a word for one, such as office."));
    }

    private static Zone.ZoneAir air(TableRows.Line l) throws TableException {
      Zone.ZoneAir air =
          new Zone.ZoneAir(
              l.number(AIR_PERSON, 0, 10_000),
              l.number(AIR_AREA, 0, 10_000),
              l.number(AIR_ZONE, 0, 1_000_000),
              l.number(DRIEST, 0, 100),
              l.number(DAMPEST, 0, 100));
      if (air.leastHumidity() != null
          && air.mostHumidity() != null
          && air.leastHumidity() > air.mostHumidity()) {
        throw l.fault(DAMPEST, "The least humidity is above the greatest.");
      }
      return air;
    }

    /** The key of the schedule that a cell names, or null for an empty one. */
    private String schedule(TableRows.Line l, String column) throws TableException {
      if (!l.has(column)) {
        return null;
      }
      String name = l.get(column);
      return e.schedules().years().stream()
          .filter(y -> y.label().equals(name))
          .map(YearSchedule::key)
          .findFirst()
          .orElseThrow(() -> l.fault(column, "There is no schedule \"" + name + "\"."));
    }

    /** Spaces of one zone have one thermostat and one supply of air. */
    private void agree(
        TableRows.Line l, String zone, Double heating, Double cooling, Zone.ZoneAir air)
        throws TableException {
      if (zone == null) {
        return;
      }
      List<String> columns =
          List.of(HEATING, COOLING, AIR_PERSON, AIR_AREA, AIR_ZONE, DRIEST, DAMPEST);
      Double[] said = {
        heating,
        cooling,
        air.perPerson(),
        air.perArea(),
        air.total(),
        air.leastHumidity(),
        air.mostHumidity()
      };
      Double[] known = setPoints.computeIfAbsent(zone, k -> new Double[said.length]);
      for (int i = 0; i < said.length; i++) {
        Double v = said[i];
        if (v != null && known[i] != null && !known[i].equals(v)) {
          throw l.fault(
              columns.get(i), "Another space of the zone " + zone + " has " + text(known[i]) + ".");
        }
        known[i] = known[i] == null ? v : known[i];
      }
    }

    private void times(Space s, String field, String before, String after) {
      if (after != null && !after.equals(before)) {
        changes.add(
            new Change(
                s.key(),
                s.label(),
                field,
                RoomSheet.schedule(e, before),
                RoomSheet.schedule(e, after)));
      }
    }

    private void differs(Space s, String field, String before, String after) {
      if (after != null && !after.equals(before)) {
        changes.add(new Change(s.key(), s.label(), field, before, after));
      }
    }

    private void number(Space s, String field, Double before, Double after) {
      if (after != null && !Objects.equals(before, after)) {
        changes.add(new Change(s.key(), s.label(), field, text(before), text(after)));
      }
    }
  }
}
