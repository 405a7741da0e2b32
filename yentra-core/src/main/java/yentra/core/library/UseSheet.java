package yentra.core.library;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yentra.core.envelope.InternalGains;
import yentra.core.table.TableException;
import yentra.core.table.TableRows;

/**
 * Uses of spaces as a table. A use may have several rows, each with words that names have; a table
 * of uses and words alone says how more names are to be understood, and the values are those of the
 * known use.
 */
final class UseSheet {
  static final String USE = "Use";
  private static final String WORDS = "Words in names";
  private static final String AREA = "Area per person (m2)";
  private static final String SENSIBLE = "Sensible heat per person (W)";
  private static final String LATENT = "Latent heat per person (W)";
  private static final String LIGHT = "Light (W/m2)";
  private static final String EQUIPMENT = "Equipment (W/m2)";
  private static final String AIR_PERSON = "Outdoor air per person (l/s)";
  private static final String AIR_AREA = "Outdoor air per area (l/s m2)";
  private static final String HEATING = "Heated to (C)";
  private static final String COOLING = "Cooled to (C)";
  private static final String PEOPLE_TIMES = "Schedule of people";
  private static final String LIGHT_TIMES = "Schedule of light";
  private static final String EQUIPMENT_TIMES = "Schedule of equipment";
  private static final String SOURCE = "Source";

  private static final List<String> VALUES =
      List.of(
          AREA,
          SENSIBLE,
          LATENT,
          LIGHT,
          EQUIPMENT,
          AIR_PERSON,
          AIR_AREA,
          HEATING,
          COOLING,
          PEOPLE_TIMES,
          LIGHT_TIMES,
          EQUIPMENT_TIMES);

  static final List<String> COLUMNS = columns();

  private UseSheet() {}

  private static List<String> columns() {
    List<String> out = new ArrayList<>(List.of(USE, WORDS));
    out.addAll(VALUES);
    out.add(SOURCE);
    return List.copyOf(out);
  }

  static List<List<String>> write(List<SpaceUse> uses) {
    List<List<String>> rows = new ArrayList<>(List.of(COLUMNS));
    for (SpaceUse u : uses) {
      rows.add(
          List.of(
              u.name(),
              String.join(";", u.words()),
              LibraryFile.text(u.areaPerPerson()),
              LibraryFile.text(u.sensiblePerPerson()),
              LibraryFile.text(u.latentPerPerson()),
              LibraryFile.text(u.lighting()),
              LibraryFile.text(u.equipment()),
              LibraryFile.text(u.airPerPerson()),
              LibraryFile.text(u.airPerArea()),
              LibraryFile.text(u.heating()),
              LibraryFile.text(u.cooling()),
              LibraryFile.text(u.times().people()),
              LibraryFile.text(u.times().lighting()),
              LibraryFile.text(u.times().equipment()),
              u.source()));
    }
    return rows;
  }

  /**
   * One row.
   *
   * @param into what earlier rows said, by plain name
   * @param known the library that names of schedules and uses are of
   */
  static void read(TableRows.Line l, Map<String, SpaceUse> into, Library known)
      throws TableException {
    String name = l.required(USE);
    List<String> words =
        Arrays.stream(l.get(WORDS).split("[;,]"))
            .map(w -> w.strip().toLowerCase(java.util.Locale.ROOT))
            .filter(w -> !w.isEmpty())
            .toList();
    String plain = Library.plain(name);
    SpaceUse before = into.get(plain);
    boolean wordsOnly = VALUES.stream().noneMatch(l::has);
    if (before != null) {
      if (!wordsOnly) {
        throw l.fault(USE, "\"" + name + "\" is there twice with values.");
      }
      into.put(plain, taught(before, words));
      return;
    }
    Optional<SpaceUse> own = Library.named(known.uses(), name);
    into.put(plain, wordsOnly && own.isPresent() ? taught(own.get(), words) : use(l, words, known));
  }

  /** A use with more words; those that it has stay. */
  private static SpaceUse taught(SpaceUse u, List<String> words) {
    List<String> both = new ArrayList<>(u.words());
    words.stream().filter(w -> !both.contains(w)).forEach(both::add);
    return u.withWords(both);
  }

  private static SpaceUse use(TableRows.Line l, List<String> words, Library known)
      throws TableException {
    Double heating = l.number(HEATING, -50, 100);
    Double cooling = l.number(COOLING, -50, 100);
    if (heating != null && cooling != null && heating >= cooling) {
      throw l.fault(
          COOLING, "It is heated to " + LibraryFile.text(heating) + " °C and cooled to less.");
    }
    return new SpaceUse(
        l.get(USE),
        words,
        l.number(AREA, 0.1, 100_000),
        l.number(SENSIBLE, 0, 2000),
        l.number(LATENT, 0, 2000),
        l.number(LIGHT, 0, 10_000),
        l.number(EQUIPMENT, 0, 100_000),
        l.number(AIR_PERSON, 0, 10_000),
        l.number(AIR_AREA, 0, 10_000),
        heating,
        cooling,
        new InternalGains.GainSchedules(
            schedule(l, PEOPLE_TIMES, known),
            schedule(l, LIGHT_TIMES, known),
            schedule(l, EQUIPMENT_TIMES, known)),
        l.get(SOURCE));
  }

  private static String schedule(TableRows.Line l, String column, Library known)
      throws TableException {
    if (!l.has(column)) {
      return null;
    }
    return known
        .schedule(l.get(column))
        .map(LibrarySchedule::name)
        .orElseThrow(
            () ->
                l.fault(
                    column,
                    "There is no schedule \""
                        + l.get(column)
                        + "\", neither in this file nor in the library."));
  }

  /** All rows; what is wrong goes to the faults. */
  static Map<String, SpaceUse> all(
      String sheet, List<List<String>> rows, Library known, LibraryFile.Faults faults)
      throws TableException {
    Map<String, SpaceUse> out = new LinkedHashMap<>();
    for (TableRows.Line l : TableRows.of(sheet, rows, COLUMNS, List.of(USE))) {
      try {
        read(l, out, known);
      } catch (TableException e) {
        faults.add(e);
      }
    }
    return out;
  }
}
