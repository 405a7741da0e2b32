package yentra.core.check.use;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import yentra.core.check.proposal.ZoneProposal;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Space;
import yentra.core.envelope.Zone;
import yentra.core.library.Library;
import yentra.core.repair.Repair;
import yentra.core.repair.Several;
import yentra.core.repair.use.AmendZone;
import yentra.core.repair.use.GiveUse;

/** Set-points for a zone, a zone, or a use by the name or of most spaces. */
final class SpaceConditionsRemedies {
  /** How many uses a label names. */
  private static final int NAMED = 3;

  private SpaceConditionsRemedies() {}

  static void of(Offer o) {
    if (o.finding().subject().equals("zone")) {
      ZoneRemedies.give(o);
      return;
    }
    Optional<Zone> z = ZoneRemedies.zone(o);
    if (z.isPresent()) {
      setPoints(o, z.get());
      return;
    }
    List<Space> spaces = ZoneRemedies.spaces(o);
    boolean named = byName(o, spaces);
    List<String> keys = spaces.stream().map(Space::key).toList();
    if (!named && spaces.size() > 1) {
      o.add(
          "Give all of them the use OfficeEnclosed, to begin with",
          new GiveUse(keys, "OfficeEnclosed", null, null));
    }
    Map<String, Long> uses =
        o.envelope().spaces().stream()
            .map(Space::use)
            .filter(u -> !u.isBlank())
            .collect(Collectors.groupingBy(u -> u, TreeMap::new, Collectors.counting()));
    uses.entrySet().stream()
        .max(Map.Entry.comparingByValue())
        .ifPresent(
            u ->
                o.add(
                    "Give it the use of most spaces: " + u.getKey(),
                    new GiveUse(keys, u.getKey(), null, null)));
  }

  private static void setPoints(Offer o, Zone z) {
    boolean heat = o.finding().subject().contains("heating");
    boolean cool = o.finding().subject().contains("cooling");
    o.add(
        "Set " + (heat && cool ? "20 and 26 °C" : heat ? "20 °C for heating" : "26 °C for cooling"),
        new AmendZone(
            z.key(), null, heat ? ZoneProposal.HEATING : null, cool ? ZoneProposal.COOLING : null));
  }

  private static boolean byName(Offer o, List<Space> spaces) {
    Map<String, List<String>> byUse = new TreeMap<>();
    for (Space s : spaces) {
      Library.shipped()
          .useByName(s.label())
          .ifPresent(u -> byUse.computeIfAbsent(u.name(), k -> new ArrayList<>()).add(s.key()));
    }
    if (byUse.isEmpty()) {
      return false;
    }
    List<Repair> all =
        byUse.entrySet().stream()
            .<Repair>map(u -> new GiveUse(u.getValue(), u.getKey(), null, null))
            .toList();
    o.add(
        "Give "
            + (spaces.size() == 1 ? "it " : "them ")
            + "the use that the name says: "
            + byUse.keySet().stream().limit(NAMED).collect(Collectors.joining(", ")),
        all.size() == 1
            ? all.get(0)
            : new Several("Gives spaces the use that their names say", all));
    return true;
  }
}
