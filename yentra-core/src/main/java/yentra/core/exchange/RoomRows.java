package yentra.core.exchange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Space;
import yentra.core.envelope.StandardUses;
import yentra.core.envelope.YearSchedule;
import yentra.core.envelope.Zone;
import yentra.core.library.Library;
import yentra.core.library.SpaceUse;
import yentra.core.repair.use.GiveUse;
import yentra.core.repair.use.TakeRoomData;
import yentra.core.table.TableException;
import yentra.core.table.TableRows;

/** Holds the rows of a sheet against the spaces, one after the other. */
final class RoomRows {
  private final Envelope e;
  private final Map<String, Space> byId = new HashMap<>();
  private final Map<String, List<Space>> byName = new HashMap<>();
  private final Map<String, Zone> zones = new HashMap<>();
  private final Set<String> seen = new HashSet<>();
  private final Map<String, Double[]> setPoints = new LinkedHashMap<>();
  private final List<RoomSheet.RoomChange> changes = new ArrayList<>();
  private final List<RoomSheet.RowFault> faults = new ArrayList<>();
  private final List<TakeRoomData.Room> rooms = new ArrayList<>();

  RoomRows(Envelope e) {
    this.e = e;
    for (Space s : e.spaces()) {
      byId.put(e.fileId(s.key()), s);
      byName.computeIfAbsent(s.name(), k -> new ArrayList<>()).add(s);
    }
    e.zones().forEach(z -> zones.put(z.key(), z));
  }

  void fault(TableException x) {
    faults.add(new RoomSheet.RowFault(x.row(), x.column(), x.getMessage()));
  }

  RoomSheet.Read read() {
    List<String> missing =
        e.spaces().stream().filter(s -> !seen.contains(s.key())).map(Space::label).toList();
    List<TakeRoomData.Room> differing = new TakeRoomData(rooms).effective(e).rooms();
    return new RoomSheet.Read(seen.size(), changes, missing, faults, differing);
  }

  private Space space(TableRows.Line l) throws TableException {
    Space s = byId.get(l.get(RoomSheet.ID));
    if (s == null) {
      List<Space> named = byName.getOrDefault(l.get(RoomSheet.NAME), List.of());
      if (named.size() > 1) {
        throw l.fault(RoomSheet.NAME, named.size() + " spaces have this name; give the id.");
      }
      if (named.isEmpty()) {
        throw l.fault(
            l.has(RoomSheet.ID) ? RoomSheet.ID : RoomSheet.NAME,
            "There is no space with this id or this name.");
      }
      s = named.get(0);
    }
    if (!seen.add(s.key())) {
      throw l.fault(
          l.has(RoomSheet.ID) ? RoomSheet.ID : RoomSheet.NAME, s.label() + " is there twice.");
    }
    return s;
  }

  void line(TableRows.Line l) throws TableException {
    Space s = space(l);
    Zone z = zones.get(s.zone());
    String condition = l.has(RoomSheet.CONDITION) ? l.get(RoomSheet.CONDITION) : null;
    if (condition != null && !GiveUse.CONDITIONS.contains(condition)) {
      throw l.fault(
          RoomSheet.CONDITION,
          "\""
              + condition
              + "\": write one of "
              + String.join(", ", GiveUse.CONDITIONS.stream().sorted().toList())
              + ".");
    }
    Double heating = l.number(RoomSheet.HEATING, -50, 100);
    Double cooling = l.number(RoomSheet.COOLING, -50, 100);
    if (heating != null && cooling != null && heating >= cooling) {
      throw l.fault(
          RoomSheet.COOLING,
          "It is heated to " + RoomSheet.text(heating) + " °C and cooled to less.");
    }
    String zone = l.has(RoomSheet.ZONE) ? l.get(RoomSheet.ZONE) : z == null ? null : z.label();
    Zone.ZoneAir air = air(l);
    if (zone == null && (heating != null || cooling != null || !air.equals(Zone.ZoneAir.NONE))) {
      throw l.fault(RoomSheet.ZONE, "Set-points, outdoor air and humidity need a zone.");
    }
    InternalGains gains = gains(l);
    agree(l, zone, heating, cooling, air);
    int before = changes.size();
    differs(s, RoomSheet.NAME, s.name(), l.has(RoomSheet.NAME) ? l.get(RoomSheet.NAME) : null);
    String use = l.has(RoomSheet.USE) ? use(l, s) : null;
    differs(s, RoomSheet.USE, s.use(), use);
    differs(s, RoomSheet.CONDITION, s.condition(), condition);
    differs(s, RoomSheet.ZONE, z == null ? "" : z.label(), l.has(RoomSheet.ZONE) ? zone : null);
    Zone to = e.zones().stream().filter(x -> x.label().equals(zone)).findFirst().orElse(null);
    number(s, RoomSheet.HEATING, to == null ? null : to.heatingSetPoint(), heating);
    number(s, RoomSheet.COOLING, to == null ? null : to.coolingSetPoint(), cooling);
    gains(s, gains);
    air(s, to, air);
    if (changes.size() > before) {
      rooms.add(
          new TakeRoomData.Room(
              s.key(),
              l.has(RoomSheet.NAME) ? l.get(RoomSheet.NAME) : null,
              use,
              condition,
              l.has(RoomSheet.ZONE) ? zone : null,
              heating,
              cooling,
              air.equals(Zone.ZoneAir.NONE) ? null : air,
              gains));
    }
  }

  private InternalGains gains(TableRows.Line l) throws TableException {
    InternalGains gains =
        new InternalGains(
            l.number(RoomSheet.PEOPLE, 0, 100_000),
            l.number(RoomSheet.PER_PERSON, 0.1, 100_000),
            l.number(RoomSheet.SENSIBLE, 0, 2000),
            l.number(RoomSheet.LATENT, 0, 2000),
            l.number(RoomSheet.LIGHT, 0, 10_000),
            l.number(RoomSheet.EQUIPMENT, 0, 100_000),
            new InternalGains.GainSchedules(
                schedule(l, RoomSheet.PEOPLE_TIMES),
                schedule(l, RoomSheet.LIGHT_TIMES),
                schedule(l, RoomSheet.EQUIPMENT_TIMES)));
    if (gains.people() != null && gains.areaPerPerson() != null) {
      throw l.fault(RoomSheet.PER_PERSON, "State people or the area per person, not both.");
    }
    return gains;
  }

  private void gains(Space s, InternalGains gains) {
    InternalGains own = s.gains();
    number(s, RoomSheet.PEOPLE, own.people(), gains.people());
    number(s, RoomSheet.PER_PERSON, own.areaPerPerson(), gains.areaPerPerson());
    number(s, RoomSheet.SENSIBLE, own.sensiblePerPerson(), gains.sensiblePerPerson());
    number(s, RoomSheet.LATENT, own.latentPerPerson(), gains.latentPerPerson());
    number(s, RoomSheet.LIGHT, own.lighting(), gains.lighting());
    number(s, RoomSheet.EQUIPMENT, own.equipment(), gains.equipment());
    InternalGains.GainSchedules times = gains.schedules();
    times(s, RoomSheet.PEOPLE_TIMES, own.schedules().people(), times.people());
    times(s, RoomSheet.LIGHT_TIMES, own.schedules().lighting(), times.lighting());
    times(s, RoomSheet.EQUIPMENT_TIMES, own.schedules().equipment(), times.equipment());
  }

  private void air(Space s, Zone to, Zone.ZoneAir air) {
    Zone.ZoneAir was = to == null ? Zone.ZoneAir.NONE : to.air();
    number(s, RoomSheet.AIR_PERSON, was.perPerson(), air.perPerson());
    number(s, RoomSheet.AIR_AREA, was.perArea(), air.perArea());
    number(s, RoomSheet.AIR_ZONE, was.total(), air.total());
    number(s, RoomSheet.DRIEST, was.leastHumidity(), air.leastHumidity());
    number(s, RoomSheet.DAMPEST, was.mostHumidity(), air.mostHumidity());
  }

  /**
   * A use of the standard's list or of the delivery; or the one of the library that people call so.
   */
  private String use(TableRows.Line l, Space s) throws TableException {
    String said = l.get(RoomSheet.USE);
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
                    RoomSheet.USE,
                    "\""
                        + said
                        + "\" is no use of gbXML's list. Write one of it, such as OfficeEnclosed,"
                        + " or a word for one, such as office."));
  }

  private static Zone.ZoneAir air(TableRows.Line l) throws TableException {
    Zone.ZoneAir air =
        new Zone.ZoneAir(
            l.number(RoomSheet.AIR_PERSON, 0, 10_000),
            l.number(RoomSheet.AIR_AREA, 0, 10_000),
            l.number(RoomSheet.AIR_ZONE, 0, 1_000_000),
            l.number(RoomSheet.DRIEST, 0, 100),
            l.number(RoomSheet.DAMPEST, 0, 100));
    if (air.leastHumidity() != null
        && air.mostHumidity() != null
        && air.leastHumidity() > air.mostHumidity()) {
      throw l.fault(RoomSheet.DAMPEST, "The least humidity is above the greatest.");
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
        List.of(
            RoomSheet.HEATING,
            RoomSheet.COOLING,
            RoomSheet.AIR_PERSON,
            RoomSheet.AIR_AREA,
            RoomSheet.AIR_ZONE,
            RoomSheet.DRIEST,
            RoomSheet.DAMPEST);
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
            columns.get(i),
            "Another space of the zone " + zone + " has " + RoomSheet.text(known[i]) + ".");
      }
      known[i] = known[i] == null ? v : known[i];
    }
  }

  private void times(Space s, String field, String before, String after) {
    if (after != null && !after.equals(before)) {
      changes.add(
          new RoomSheet.RoomChange(
              s.key(),
              s.label(),
              field,
              RoomSheet.schedule(e, before),
              RoomSheet.schedule(e, after)));
    }
  }

  private void differs(Space s, String field, String before, String after) {
    if (after != null && !after.equals(before)) {
      changes.add(new RoomSheet.RoomChange(s.key(), s.label(), field, before, after));
    }
  }

  private void number(Space s, String field, Double before, Double after) {
    if (after != null && !Objects.equals(before, after)) {
      changes.add(
          new RoomSheet.RoomChange(
              s.key(), s.label(), field, RoomSheet.text(before), RoomSheet.text(after)));
    }
  }
}
