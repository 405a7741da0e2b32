package yentra.core.envelope;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * The uses that gbXML 6.01 has words for: spaceTypeEnum and buildingTypeEnum (both from memory; the
 * first may lack some). A value that a delivery brought itself is not judged by them.
 */
public final class StandardUses {
  private static final Set<String> SPACES = read();
  private static final Set<String> BUILDINGS =
      Set.of(
          "AutomotiveFacility",
          "ConventionCenter",
          "Courthouse",
          "DataCenter",
          "DiningBarLoungeOrLeisure",
          "DiningCafeteriaFastFood",
          "DiningFamily",
          "Dormitory",
          "ExerciseCenter",
          "FireStation",
          "Gymnasium",
          "HospitalOrHealthcare",
          "Hotel",
          "Library",
          "Manufacturing",
          "Motel",
          "MotionPictureTheatre",
          "MultiFamily",
          "Museum",
          "Office",
          "ParkingGarage",
          "Penitentiary",
          "PerformingArtsTheater",
          "PoliceStation",
          "PostOffice",
          "ReligiousBuilding",
          "Retail",
          "SchoolOrUniversity",
          "SingleFamily",
          "SportsArena",
          "TownHall",
          "Transportation",
          "Unknown",
          "Warehouse",
          "Workshop");

  private StandardUses() {}

  private static Set<String> read() {
    try (InputStream in = StandardUses.class.getResourceAsStream("space-types.txt")) {
      return Set.of(new String(in.readAllBytes(), StandardCharsets.US_ASCII).strip().split("\\s+"));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Uses of spaces. */
  public static Set<String> spaces() {
    return SPACES;
  }

  /** Uses of buildings. */
  public static Set<String> buildings() {
    return BUILDINGS;
  }

  /**
   * What of an envelope no reader of gbXML would know: one sentence for each use, with its spaces.
   *
   * @param delivered the envelope as it came: what it says itself is left to it
   */
  public static List<String> unknown(Envelope e, Envelope delivered) {
    Set<String> own = new TreeSet<>();
    delivered.spaces().forEach(s -> own.add(s.use()));
    delivered.buildings().forEach(b -> own.add(b.use()));
    Map<String, List<String>> bad = new LinkedHashMap<>();
    for (Space s : e.spaces()) {
      if (!s.use().isBlank() && !SPACES.contains(s.use()) && !own.contains(s.use())) {
        bad.computeIfAbsent(s.use(), k -> new ArrayList<>()).add(s.label());
      }
    }
    List<String> out = new ArrayList<>();
    bad.forEach(
        (use, spaces) ->
            out.add(
                "The use "
                    + use
                    + " of "
                    + (spaces.size() == 1 ? spaces.get(0) : spaces.size() + " spaces")
                    + " is not in the list of gbXML."));
    for (Building b : e.buildings()) {
      if (!b.use().isBlank() && !BUILDINGS.contains(b.use()) && !own.contains(b.use())) {
        out.add("The use " + b.use() + " of the building is not in the list of gbXML.");
      }
    }
    return out;
  }
}
