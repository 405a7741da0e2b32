package yentra.core.exchange;

import java.util.ArrayList;
import java.util.List;
import yentra.core.boundary.SpaceVolume;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Building;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;

/**
 * An envelope with the figures that gbXML asks for and that nobody stated: area and volume of
 * spaces, area of buildings, as they are measured.
 *
 * @param notes what was put in, in sentences
 */
record Completed(Envelope envelope, List<String> notes) {
  static Completed of(Envelope e, CheckContext context) {
    List<String> notes = new ArrayList<>();
    List<Space> spaces = new ArrayList<>();
    int measured = 0;
    for (Space s : e.spaces()) {
      Space now = stated(s, context);
      measured += now == s ? 0 : 1;
      spaces.add(now);
    }
    if (measured > 0) {
      notes.add(
          "Areas and volumes of "
              + measured
              + (measured == 1 ? " space are" : " spaces are")
              + " those that were measured: none were stated.");
    }
    Envelope out = measured == 0 ? e : e.withSpaces(spaces);
    List<Building> buildings =
        e.buildings().isEmpty()
            ? List.of(new Building("building-1", "", "", null, SourceRef.REPAIR, Extras.NONE))
            : e.buildings();
    List<Building> sized = new ArrayList<>();
    for (Building b : buildings) {
      boolean whole = b.statedArea() != null && !b.use().isEmpty();
      sized.add(whole ? b : complete(b, e, context, buildings.size() == 1));
    }
    if (buildings.stream().anyMatch(b -> b.statedArea() == null)) {
      notes.add("The area of the building is the sum of its spaces' floor areas: none was stated.");
    }
    if (buildings.stream().anyMatch(b -> b.use().isEmpty())) {
      notes.add("The use of the building is not known: Unknown is written.");
    }
    if (!sized.equals(e.buildings())) {
      out = out.withBuildings(sized);
    }
    if (e.site().extras().fragments().stream()
        .noneMatch(f -> f.startsWith("<ZipcodeOrPostalCode"))) {
      notes.add("No postal code is known, and gbXML asks for one: 00000 is written.");
    }
    return new Completed(out, notes);
  }

  /** Area, and volume where it is enclosed: one that is open has no volume of its own. */
  private static Space stated(Space s, CheckContext context) {
    SpaceVolume v = context.volumes().of(s.key());
    Double area =
        says(s, "<Area", s.statedFloorArea())
            ? s.statedFloorArea()
            : v.floorArea() > 0 ? (Double) v.floorArea() : null;
    Double volume =
        says(s, "<Volume", s.statedVolume())
            ? s.statedVolume()
            : v.enclosed() ? (Double) v.volume() : null;
    boolean same = area == s.statedFloorArea() && volume == s.statedVolume();
    return same ? s : s.withStated(area, volume);
  }

  /** Whether a figure is stated, if only in words that are no number and are kept as they came. */
  private static boolean says(Space s, String element, Double stated) {
    return stated != null || s.extras().fragments().stream().anyMatch(f -> f.startsWith(element));
  }

  private static Building complete(Building b, Envelope e, CheckContext context, boolean only) {
    double area = 0;
    for (Space s : e.spaces()) {
      boolean within = !context.groupings().containsKey(s.key());
      if (within && (only || b.key().equals(s.building()))) {
        area += Math.max(0, context.volumes().of(s.key()).floorArea());
      }
    }
    return new Building(
        b.key(),
        b.name(),
        b.use().isEmpty() ? "Unknown" : b.use(),
        b.statedArea() == null ? (Double) area : b.statedArea(),
        b.source(),
        b.extras());
  }
}
