package yentra.core.exchange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToDoubleFunction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.YearSchedule;
import yentra.core.envelope.Zone;
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
  static final String ID = "Id";
  static final String NAME = "Name";
  static final String STOREY = "Storey";
  static final String AREA = "Floor area (m2)";
  static final String VOLUME = "Volume (m3)";
  static final String USE = "Use";
  static final String CONDITION = "Conditioned";
  static final String ZONE = "Zone";
  static final String HEATING = "Heated to (C)";
  static final String COOLING = "Cooled to (C)";
  static final String PEOPLE = "People";
  static final String PER_PERSON = "Area per person (m2)";
  static final String SENSIBLE = "Sensible heat per person (W)";
  static final String LATENT = "Latent heat per person (W)";
  static final String LIGHT = "Light (W/m2)";
  static final String EQUIPMENT = "Equipment (W/m2)";

  static final String AIR_PERSON = "Outdoor air per person (l/s)";
  static final String AIR_AREA = "Outdoor air per area (l/s m2)";
  static final String AIR_ZONE = "Outdoor air of the zone (l/s)";
  static final String DRIEST = "Least humidity (%)";
  static final String DAMPEST = "Greatest humidity (%)";
  static final String PEOPLE_TIMES = "Schedule of people";
  static final String LIGHT_TIMES = "Schedule of light";
  static final String EQUIPMENT_TIMES = "Schedule of equipment";

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
  public record RoomChange(String space, String name, String field, String before, String after) {}

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
      List<RoomChange> changes,
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

  static String schedule(Envelope e, String key) {
    return key == null ? "" : e.schedules().year(key).map(YearSchedule::label).orElse("");
  }

  static String text(Double v) {
    return v == null ? "" : java.math.BigDecimal.valueOf(v).stripTrailingZeros().toPlainString();
  }

  /** Reads a sheet and holds it against the spaces; nothing is changed. */
  public static Read read(byte[] bytes, Envelope e) {
    RoomRows r = new RoomRows(e);
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
}
